import { describe, expect, it } from 'vitest';
import { assess } from '$core/assess';
import { estimate } from '$core/estimate';
import { parseLogbook, type Entry, type EntryDraft, type Rig } from '$core/logbook';
import { METRIC } from '$core/units';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks';
import { likelyNext } from './chips';
import { clockText, dayText, describeEntry, tanksOf } from './describe';
import { withValue, type Draft } from './fields';
import { newItem, rigFields, type RigPart } from './rigFields';
import { tankViews } from './tankView';

const at = '2027-05-01T08:00:00Z';
const context = { rig: exactRig, trips: [exactTrip], units: METRIC };

describe('an entry in a few words', () => {
	const SAID: readonly (readonly [EntryDraft, string])[] = [
		[{ kind: 'use', at, habit: 'shower', times: 1 }, 'Shower'],
		[{ kind: 'use', at, habit: 'shower', times: 2, litres: 15 }, 'Shower × 2, measured 15 L'],
		[{ kind: 'fill', at, tank: 'main', litres: 40, to: 'full' }, 'Main filled 40 L, to full'],
		[{ kind: 'dump', at, tank: 'grey', to: 'empty' }, 'Grey emptied'],
		[{ kind: 'dump', at, tank: 'grey', litres: 30 }, 'Grey dumped 30 L'],
		[{ kind: 'transfer', at, fromTank: 'jug', toTank: 'main', until: 'to-full' }, 'jug to Main until full'],
		[{ kind: 'reading', at, instrument: 'pump', value: 12, reset: true }, 'Pump meter 12, set'],
		[
			{ kind: 'reading', at, instrument: 'lights', value: '1/3', trusted: true },
			'Grey lights “1/3”, trusted'
		],
		[{ kind: 'mark', at, tank: 'grey', state: 'full' }, 'Grey seen full'],
		[{ kind: 'crew', at, persons: 3 }, '3 aboard'],
		[{ kind: 'measure', at, measure: 'short', on: false }, 'Short showers off'],
		[{ kind: 'hookup', at, mains: true, sewer: false }, 'Mains on, sewer shut'],
		[{ kind: 'note', at, text: 'calm' }, 'calm']
	];
	it.each(SAID)('%j', (draft, said) => {
		// thin spaces stand between figures and units
		expect(describeEntry(entry(draft), context).replaceAll(/\s/g, ' ')).toBe(said);
	});
	it('bears on the tanks that it draws from and runs into', () => {
		const use = (habit: string) => tanksOf(entry({ kind: 'use', at, habit, times: 1 }), exactRig);
		expect(use('flush')).toEqual(['main', 'black']);
		expect(use('sauna')).toEqual([]);
		expect(tanksOf(entry({ kind: 'reading', at, instrument: 'lights', value: 'full' }), exactRig)).toEqual([
			'grey'
		]);
		expect(tanksOf(entry({ kind: 'note', at, text: 'calm' }), exactRig)).toEqual([]);
	});
	it('at the clock of the zone in view, whatever offset it was written with', () => {
		expect(clockText('2027-05-01T08:05:00Z', 'Europe/Helsinki')).toBe('11:05');
		expect(clockText('2027-05-01T08:05:00+02:00', 'Etc/UTC')).toBe('06:05');
		expect(dayText('2027-05-01')).toBe('Sat 1 May');
	});
});

describe('a tank as its rod says it', () => {
	const viewsAt = (rig: Rig, entries: readonly Entry[] = []) => {
		const known = estimate(logbookOf([...freshStart(), ...entries], rig), 'rig', Date.parse(at));
		return tankViews(
			rig,
			assess(known, { trips: [] }, { timeZone: 'Etc/UTC', paths: 40 }),
			METRIC,
			'Etc/UTC'
		);
	};
	it('level, give, days and the one that binds first, by hand: 18 L of room at 6 L a day', () => {
		const views = viewsAt(exactRig);
		expect(views.map(({ id, first }) => [id, first])).toEqual([
			['main', false],
			['grey', false],
			['black', true]
		]);
		expect(views[2]).toMatchObject({ lasts: '3 days', until: 'Tuesday morning' });
		expect(views[2]?.label).toMatch(/^Cassette, black: .* of 20\sL; 3 days, Tuesday morning; binds first$/);
	});
	it('a full tank is full now, a supply that is carried is carried', () => {
		const jug = { id: 'jug', name: 'Jug', holds: 'fresh', nominalL: 12, reserveL: 0, feeds: 'main' } as const;
		const rig: Rig = { ...exactRig, tanks: [...exactRig.tanks, { ...jug, portable: true }] };
		const views = viewsAt(rig, [
			entry({ kind: 'mark', at, tank: 'grey', state: 'full' }),
			entry({ kind: 'mark', at, tank: 'jug', state: 'empty' })
		]);
		expect(views.find(({ id }) => id === 'grey')).toMatchObject({ lasts: 'full', until: 'now' });
		expect(views.find(({ id }) => id === 'jug')).toMatchObject({ lasts: 'empty', carried: true });
	});
});

it('what was done most in the last week is offered first, then what every rig needs', () => {
	const done = [1, 2, 3].map((hour) =>
		entry({ kind: 'use', at: `2027-05-01T0${hour}:00:00Z`, habit: 'dishes', times: 1 })
	);
	const gone = entry({ kind: 'use', at: '2027-04-01T08:00:00Z', habit: 'flush', times: 9 });
	expect(likelyNext(exactRig, [...done, gone], Date.parse(at))).toEqual([
		'dishes',
		'shower',
		'flush',
		'fill full',
		'meter',
		'dump grey',
		'dump cassette'
	]);
});

describe('a new part of a rig', () => {
	const PARTS: readonly RigPart[] = ['tanks', 'outlets', 'habits', 'measures', 'instruments'];
	it.each(PARTS)('%s: its fields filled in, it is valid, and no field is asked for twice', (part) => {
		const begun = newItem(part, exactRig, 'new');
		const fields = rigFields(part, exactRig, begun);
		expect(new Set(fields.map(({ key }) => key)).size).toBe(fields.length);
		const filled = fields
			.filter(({ optional, type }) => !optional && (type === 'text' || type === 'number'))
			.reduce<Draft>((draft, { key, type }) => withValue(draft, key, type === 'text' ? 'New one' : 1), begun);
		const rig = { ...exactRig, [part]: [...exactRig[part], filled] } as unknown as Rig;
		expect(parseLogbook(logbookOf([], rig))).toMatchObject({ ok: true });
	});
});
