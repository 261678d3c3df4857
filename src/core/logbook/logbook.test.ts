import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	anyLogbook,
	entry,
	exactRig,
	exactTrip,
	freshStart,
	logbookOf
} from '../../../tests/helpers/logbooks.js';
import {
	canonical,
	corrected,
	inOrder,
	logbookJsonSchema,
	mergeLogbooks,
	parseLogbook,
	parseLogbookText,
	previewMerge,
	restored,
	voided,
	type Logbook
} from './index.js';

const problemsIn = (data: unknown) => {
	const parsed = parseLogbook(data);
	return parsed.ok ? [] : parsed.problems;
};
type Change = readonly [path: string, value: unknown];
/** A good logbook with some values put in (or, when undefined, taken out) at dotted paths. */
const broken = (...changes: readonly Change[]) => {
	const copy = structuredClone(logbookOf(freshStart()));
	for (const [path, value] of changes) {
		const steps = path.split('.');
		const last = steps.pop() ?? '';
		const holder = steps.reduce<unknown>((here, step) => Reflect.get(here as object, step), copy) as object;
		if (value === undefined) Reflect.deleteProperty(holder, last);
		else Reflect.set(holder, last, value);
	}
	return problemsIn(copy);
};

describe('a logbook made by others', () => {
	const text = readFileSync('tests/fixtures/survey-van.logbook.json', 'utf8');
	it('loads, and is written back with nothing lost', () => {
		const parsed = parseLogbookText(text);
		expect(parsed.ok && canonical(parsed.value)).toBe(canonical(JSON.parse(text)));
	});
	it('keeps unknown optional fields at every depth', () => {
		const data = JSON.parse(text);
		data.mood = 'calm';
		data.rigs[0].tanks[0].colour = 'blue';
		data.entries[4].weather = { wind: [1, 2] };
		const parsed = parseLogbook(data);
		expect(parsed.ok && canonical(parsed.value)).toBe(canonical(data));
	});
});

describe('any valid logbook', () => {
	it('survives writing and reading', () => {
		fc.assert(
			fc.property(anyLogbook, (logbook) => {
				const parsed = parseLogbookText(JSON.stringify(logbook));
				expect(parsed.ok && canonical(parsed.value)).toBe(canonical(logbook));
			})
		);
	});
	it('merges with another the same both ways, and with itself to itself', () => {
		fc.assert(
			fc.property(anyLogbook, anyLogbook, (a, b) => {
				const merged = mergeLogbooks(a, b);
				expect(canonical(mergeLogbooks(b, a))).toBe(canonical(merged));
				expect(canonical(mergeLogbooks(merged, a))).toBe(canonical(merged));
				expect(new Set(merged.entries.map(({ id }) => id))).toEqual(
					new Set([...a.entries, ...b.entries].map(({ id }) => id))
				);
			})
		);
	});
});

describe('what is wrong is named by path, expectation and finding', () => {
	it('text that is no JSON', () =>
		expect(parseLogbookText('{oops')).toMatchObject({
			ok: false,
			problems: [{ path: '$', expected: 'JSON' }]
		}));
	const at = '2027-05-01T06:00:00Z';
	const endless = 'x'.repeat(10_000);
	const tank = 'rigs.0.tanks.0';
	const crossing = {
		form: 'prism',
		lengthMm: 100,
		outline: [
			[0, 0],
			[10, 10],
			[10, 0],
			[0, 10]
		]
	};
	const wrongLight = { id: 'r', rig: 'rig', at, kind: 'reading', instrument: 'lights', value: 'half' };
	const hookup = { id: 'h', rig: 'rig', at, kind: 'hookup', mains: false };
	const hot = { maxC: 31, minC: 12 };
	const stop = { id: 's', name: 'S', arrive: at, depart: at, legKm: 0, services: [] };
	const hugeFill = { id: 'f', rig: 'rig', at, kind: 'fill', tank: 'main', litres: 1e9 };
	it.each<[string, unknown, string, string, unknown]>([
		['format', 'csv', '$.format', '"dipsometer-logbook"', '"csv"'],
		['version', 2, '$.version', '1', '2'],
		['points', undefined, '$.points', 'a list', 'nothing'],
		[`${tank}.nominalL`, -1, '$.rigs[0].tanks[0].nominalL', 'a number above 0', '-1'],
		['entries.0', hugeFill, '$.entries[0].litres', 'a number of at most 100000', '1000000000'],
		['trips.0.to', '2027-02-30', '$.trips[0].to', 'a calendar day such as 2027-04-18', '"2027-02-30"'],
		[
			'entries.0.at',
			'2027-05-01T06:00:00',
			'$.entries[0].at',
			'an instant with offset such as 2027-04-18T07:10:00+02:00',
			'"2027-05-01T06:00:00"'
		],
		[
			'trips.0.timeZone',
			'Moon/Base',
			'$.trips[0].timeZone',
			'an IANA time zone such as Europe/London',
			'"Moon/Base"'
		],
		['entries.0.tank', 'gone', '$.entries[0].tank', 'the id of a tank of this rig', '"gone"'],
		['entries.0.kind', 'pour', '$.entries[0].kind', expect.stringContaining('"fill"') as string, '"pour"'],
		['rigs.0.crew', null, '$.rigs[0].crew', 'a number', 'null'],
		// Of several forms that something may have, the fault of the one that it has; else what all of them are.
		[
			'entries.0',
			{ ...hookup, sewer: ['grey', 'main'] },
			'$.entries[0].sewer[1]',
			'the id of a waste tank of this rig',
			'"main"'
		],
		['entries.0', { ...hookup, sewer: 'open' }, '$.entries[0].sewer', 'true or false, or a list', '"open"'],
		['entries.0', { ...hookup, sewer: [7] }, '$.entries[0].sewer[0]', 'a text', '7'],
		[
			'trips.0.stops',
			[{ ...stop, weather: [{ ...hot, day: '2027-02-30' }] }],
			'$.trips[0].stops[0].weather[0].day',
			'a calendar day such as 2027-04-18',
			'"2027-02-30"'
		],
		[
			'trips.0.stops',
			[{ ...stop, weather: { maxC: 31 } }],
			'$.trips[0].stops[0].weather.minC',
			'a number',
			'nothing'
		],
		[
			'trips.0.stops',
			[{ ...stop, weather: 'fine' }],
			'$.trips[0].stops[0].weather',
			'an object, or a list',
			'"fine"'
		],
		[
			'rigs.0.name',
			endless,
			'$.rigs[0].name',
			'a text of at most 200 characters',
			expect.stringContaining('10000 characters')
		],
		[`${tank}.feeds`, 'main', '$.rigs[0].tanks[0].feeds', 'another tank', '"main"'],
		['entries.0', wrongLight, '$.entries[0].value', '"empty" | "1/3" | "2/3" | "full"', '"half"'],
		['entries.1.to', undefined, '$.entries[1].litres', 'litres, or to: "empty", or both', 'neither'],
		[
			`${tank}.shape`,
			crossing,
			'$.rigs[0].tanks[0].shape.outline[0]',
			'an outline whose sides do not cross or touch',
			'side 1 meets side 3'
		]
	])('%s = %j', (where, value, path, expected, got) =>
		expect(broken([where, value])).toEqual([{ path, expected, got }])
	);

	it('an id that stands twice', () =>
		expect(broken(['entries.0.id', 'twin'], ['entries.1.id', 'twin'])).toEqual([
			{ path: '$.entries[1].id', expected: 'an id that is unique within its list', got: '"twin"' }
		]));

	it('lists every problem, not the first', () => {
		const paths = broken(['rigs.0.crew', 'two'], ['entries.0.at', 'noon'], ['entries.2.id', undefined]).map(
			({ path }) => path
		);
		expect(paths).toEqual(['$.rigs[0].crew', '$.entries[0].at', '$.entries[2].id']);
	});
	it('accepts an instant without seconds and one in the future', () =>
		expect(broken(['entries.0.at', '2199-05-01T06:00+05:30'])).toEqual([]));
});

describe('revisions', () => {
	const [first] = freshStart();
	if (!first) throw new Error('no entry');
	const now = '2027-05-02T08:00:00Z';
	it('void and back is the same content', () => {
		const back = restored(voided(first, now), now);
		expect({ ...back, edited: undefined }).toEqual({ ...first, edited: undefined });
	});
	it('a later correction wins wherever it was made, also on a clock that went back', () => {
		const once = corrected(first, { ...first, note: 'one' }, now);
		const twice = corrected(once, { ...once, note: 'two' }, '2027-05-01T00:00:00Z');
		const at = (e: Logbook['entries'][number]) => logbookOf([e]);
		expect(mergeLogbooks(at(twice), at(once)).entries[0]?.note).toBe('two');
		expect(mergeLogbooks(at(once), at(twice)).entries[0]?.note).toBe('two');
	});
	it('previews what a merge will change', () => {
		const mine = logbookOf([first]);
		const other = entry({ kind: 'note', at: now, text: 'hose drips' });
		const theirs = logbookOf([corrected(first, { ...first, note: 'by lamp' }, now), other]);
		expect(previewMerge(mine, theirs).entries).toEqual({ added: [other.id], changed: [first.id], kept: 0 });
		expect(previewMerge(mine, theirs).rigs).toEqual({ added: [], changed: [], kept: 1 });
	});
});

it('orders by the instant, not by its spelling, then by id', () => {
	const at = (id: string, when: string) => entry({ kind: 'note', at: when, text: '' }, id);
	const list = [
		at('b', '2027-05-01T08:00:00+02:00'),
		at('a', '2027-05-01T06:00:00Z'),
		at('c', '2027-05-01T07:00:00+02:00')
	];
	expect(inOrder(list).map(({ id }) => id)).toEqual(['c', 'a', 'b']);
});

it('publishes a JSON Schema of the same rules', () => {
	const schema = logbookJsonSchema() as { properties: Record<string, unknown>; required: string[] };
	expect(schema.required).toEqual(
		expect.arrayContaining(['format', 'version', 'rigs', 'trips', 'points', 'entries'])
	);
	expect(JSON.stringify(schema)).toContain('"person-day"');
	expect(exactTrip.rig).toBe(exactRig.id);
});
