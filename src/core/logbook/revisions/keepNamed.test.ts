import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import {
	canonical,
	inUse,
	keepNamed,
	mergeLogbooks,
	parseLogbook,
	previewMerge,
	type Entry,
	type EntryDraft,
	type Logbook,
	type Rig,
	type Trip
} from '../index.js';

const at = '2027-05-01T08:00:00Z';
const LATER = '2027-05-09T08:00:00Z';
const use = entry({ kind: 'use', at, habit: 'shower', times: 1 }, 'use');
const withoutShower: Rig = {
	...exactRig,
	habits: exactRig.habits.filter(({ id }) => id !== 'shower'),
	measures: [],
	edited: LATER
};
const problemsOf = (logbook: Logbook): unknown => {
	const parsed = parseLogbook(JSON.parse(JSON.stringify(logbook)));
	return parsed.ok ? [] : parsed.problems;
};

describe('what a later revision has no more and entries name', () => {
	const mine = logbookOf([...freshStart(), use]);
	it('is kept in it, retired; what no entry names goes', () => {
		const merged = mergeLogbooks(mine, logbookOf([], withoutShower));
		expect(problemsOf(merged)).toEqual([]);
		expect(merged.rigs[0]?.habits.find(({ id }) => id === 'shower')).toEqual({
			...exactRig.habits[0],
			retired: true
		});
		expect(merged.rigs[0]?.measures).toEqual([]);
		expect(inUse(merged.rigs[0]!).habits.map(({ id }) => id)).toEqual(['dishes', 'flush']);
	});
	it('is told before the merge', () =>
		expect(previewMerge(mine, logbookOf([], withoutShower)).retired).toEqual([
			{ of: 'Paper van', name: 'Shower' }
		]));
	it('comes with all that it names itself, and stands alone', () => {
		const jug = { ...exactRig.tanks[0]!, id: 'jug', name: 'Jug', feeds: 'main' };
		const far = { id: 'far', name: 'Far tap', from: 'jug', to: 'ground', meters: ['pump'] };
		const wash = { ...exactRig.habits[1]!, id: 'wash', outlet: 'far' };
		const before: Rig = {
			...exactRig,
			tanks: [...exactRig.tanks, jug],
			outlets: [...exactRig.outlets, far],
			habits: [...exactRig.habits, wash]
		};
		const kept = keepNamed({ ...exactRig, instruments: [] }, [before], [{ ...use, habit: 'wash' } as Entry]);
		expect(kept.habits.at(-1)).toEqual({ ...wash, retired: true });
		const { feeds: _feeds, ...alone } = jug;
		expect(kept.tanks.at(-1)).toEqual({ ...alone, retired: true });
		expect(kept.instruments).toMatchObject([{ id: 'pump', retired: true }]);
		expect(kept.outlets.at(-1)).toEqual({ ...far, retired: true });
	});
	it('a stop too, in the order of arrival', () => {
		const stop = (id: string, day: string) => ({
			id,
			name: id,
			arrive: `2027-05-${day}T10:00:00Z`,
			depart: `2027-05-${day}T11:00:00Z`,
			legKm: 1,
			services: []
		});
		const trip = (...stops: Trip['stops'][number][]): Trip => ({ ...exactTrip, stops });
		const been = entry({ kind: 'stop', at, stop: 'ford', event: 'arrive' });
		const one = logbookOf([been], exactRig, [trip(stop('ford', '03'), stop('fell', '05'))]);
		const other = logbookOf([], exactRig, [
			{ ...trip(stop('moor', '02'), stop('fell', '05')), edited: LATER }
		]);
		const merged = mergeLogbooks(one, other);
		expect(problemsOf(merged)).toEqual([]);
		expect(merged.trips[0]?.stops.map(({ id, retired }) => [id, retired])).toEqual([
			['moor', undefined],
			['ford', true],
			['fell', undefined]
		]);
	});
	it('an instrument of another kind now: its old readings stay with its old form', () => {
		const lit = entry({ kind: 'reading', at, instrument: 'lights', value: '2/3' }, 'lit');
		const sender: Rig = {
			...exactRig,
			edited: LATER,
			instruments: [
				exactRig.instruments[0]!,
				{ id: 'lights', kind: 'meter', name: 'Counter', place: 'pump', tank: 'main', unitL: 1, counts: 'up' }
			]
		};
		const merged = mergeLogbooks(logbookOf([lit]), logbookOf([], sender));
		expect(problemsOf(merged)).toEqual([]);
		expect(merged.rigs[0]?.instruments.map(({ id, kind, retired }) => [id, kind, retired])).toEqual([
			['pump', 'meter', undefined],
			['lights', 'meter', undefined],
			['lights~lights', 'gauge', true]
		]);
		expect(merged.entries[0]).toMatchObject({ id: 'lit', instrument: 'lights~lights', value: '2/3' });
	});
});

/** A rig of which some parts are gone, others of another form: each still whole in itself. */
const anyRig: fc.Arbitrary<Rig> = fc
	.record({
		habits: fc.subarray(['shower', 'dishes', 'flush']),
		black: fc.boolean(),
		lights: fc.constantFrom('as it was', 'two lights', 'a sender', 'gone'),
		edited: fc.constantFrom(undefined, '2027-05-04T00:00:00Z', LATER)
	})
	.map(({ habits, black, lights, edited }): Rig => {
		const tanks = exactRig.tanks.filter(({ id }) => black || id !== 'black');
		const outlets = exactRig.outlets.filter(({ to }) => black || to !== 'black');
		const kept = exactRig.habits.filter(
			({ id, outlet }) => habits.includes(id) && outlets.some((one) => one.id === outlet)
		);
		const [pump, gauge] = exactRig.instruments;
		const curve =
			lights === 'a sender'
				? [
						{ reads: 0, litres: 0 },
						{ reads: 9, litres: 80 }
					]
				: [
						{ reads: 'low', litres: 0 },
						{ reads: 'full', litres: 70 }
					];
		const instruments = [
			pump!,
			...(lights === 'gone' ? [] : [lights === 'as it was' ? gauge! : ({ ...gauge, curve } as typeof gauge)!])
		];
		const measures = exactRig.measures.filter(({ habit }) => kept.some(({ id }) => id === habit));
		return {
			...exactRig,
			tanks,
			outlets,
			habits: kept,
			instruments,
			measures,
			...(edited ? { edited } : {})
		};
	});

/** Any logbook of any such rig, with entries that it allows. */
const anyOwnLogbook: fc.Arbitrary<Logbook> = anyRig.chain((rig) => {
	const gauge = rig.instruments.find(({ kind }) => kind === 'gauge');
	const reads = gauge?.kind === 'gauge' ? gauge.curve.map((point) => point.reads) : [];
	const day = fc.integer({ min: 1, max: 9 }).map((n) => `2027-05-0${n}T12:00:00Z`);
	const draft: fc.Arbitrary<EntryDraft> = fc.oneof(
		fc.record({
			kind: fc.constant('dump' as const),
			at: day,
			tank: fc.constantFrom(...rig.tanks.map(({ id }) => id)),
			litres: fc.constant(4)
		}),
		...(rig.habits.length > 0
			? [
					fc.record({
						kind: fc.constant('use' as const),
						at: day,
						habit: fc.constantFrom(...rig.habits.map(({ id }) => id)),
						times: fc.constant(1)
					})
				]
			: []),
		...(reads.length > 0
			? [
					fc.record({
						kind: fc.constant('reading' as const),
						at: day,
						instrument: fc.constant('lights'),
						value: fc.constantFrom(...reads)
					})
				]
			: [])
	);
	const entries = fc
		.uniqueArray(
			fc.record({ id: fc.integer({ min: 0, max: 12 }), draft, edited: fc.option(day), gone: fc.boolean() }),
			{
				selector: ({ id }) => id,
				maxLength: 8
			}
		)
		.map((list) =>
			list.map(({ id, draft: said, edited, gone }) =>
				entry(
					{ ...said, ...(edited ? { edited } : {}), ...(gone ? { void: true } : {}) } as EntryDraft,
					`e${id}`
				)
			)
		);
	return fc.record({ entries, exportedAt: day }).map((parts) => ({ ...logbookOf([], rig), ...parts }));
});

describe('any two logbooks of one rig', () => {
	it('are valid, and merge to one that can be read back; the same both ways; again, nothing more changes', () =>
		fc.assert(
			fc.property(anyOwnLogbook, anyOwnLogbook, (a, b) => {
				expect([problemsOf(a), problemsOf(b)]).toEqual([[], []]);
				const merged = mergeLogbooks(a, b);
				expect(problemsOf(merged)).toEqual([]);
				expect(canonical(mergeLogbooks(b, a))).toBe(canonical(merged));
				expect(canonical(mergeLogbooks(merged, a))).toBe(canonical(merged));
				expect(canonical(mergeLogbooks(merged, b))).toBe(canonical(merged));
				expect(merged.entries.map(({ id }) => id)).toEqual(
					[...new Set([...a.entries, ...b.entries].map(({ id }) => id))].sort()
				);
			}),
			{ numRuns: 400 }
		));
	it('and a third: still one that can be read back, with every entry', () =>
		fc.assert(
			fc.property(anyOwnLogbook, anyOwnLogbook, anyOwnLogbook, (a, b, c) => {
				const merged = mergeLogbooks(mergeLogbooks(a, b), c);
				expect(problemsOf(merged)).toEqual([]);
			}),
			{ numRuns: 200 }
		));
});
