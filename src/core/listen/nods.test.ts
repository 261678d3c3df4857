import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Entry, EntryOf } from '../logbook/index.js';
import { HOUR_MS } from '../time/index.js';
import type { Showing } from './counted.js';
import { heard, meter, MORNING, rig, showingsOf, START, written, type Open } from './heard.fixture.js';
import { joined, readingsDue, useDraft } from './logging.js';
import { heardByDay, heardLitres, nodsFor, type Nod } from './nods.js';

const nodsOf = (taps: readonly Open[], lastS: number, entries: readonly Entry[] = []): readonly Nod[] =>
	nodsFor(rig, meter, heard(showingsOf(taps, lastS), lastS, entries).uses, entries);
const kinds = (nods: readonly Nod[]): readonly string[] => nods.map(({ kind }) => kind);

/** What the log has when all that has a name was nodded at. */
function nodded(nods: readonly Nod[]): readonly EntryOf<'use'>[] {
	return nods.flatMap((nod, i): readonly EntryOf<'use'>[] => {
		if (nod.kind === 'joins') return [joined(nod.entry, nod.use, meter, 0.01)];
		if (nod.kind !== 'named') return [];
		const at = new Date(nod.use.fromMs).toISOString();
		return [{ id: `n${i}`, rig: 'r', at, ...useDraft(nod.use, nod.habit, meter, { stepL: 0.01 }) }];
	});
}

describe('what is to be done with what was heard', () => {
	it('is offered by its name, once: nodded at, it is in the log with its litres', () => {
		const before = nodsOf(MORNING, 10_000);
		expect(kinds(before)).toEqual(['named', 'named', 'named']);
		expect(heardLitres(before).unloggedL).toBeCloseTo(8 + 4 + 0.48, 1);
		const log = nodded(before);
		expect(log.map(({ habit, litres }) => [habit, litres])).toEqual([
			['shower', 8],
			['dishes', 4],
			['hands', expect.closeTo(0.48, 2)]
		]);
		const after = nodsOf(MORNING, 10_000, log);
		expect(kinds(after)).toEqual(['logged', 'logged', 'logged']);
		expect(heardLitres(after).unloggedL).toBe(0);
		expect(heardByDay(after, () => '2027-04-18')).toEqual([
			{ day: '2027-04-18', ...heardLitres(before), unloggedL: 0 }
		]);
	});
	it('joins what somebody wrote by hand: one use, with the litres that were heard; what a person measured stands', () => {
		const byHand = [written('a', 420, 'shower'), written('b', 4300, 'dishes', { litres: 4.4 })];
		const nods = nodsOf(MORNING, 10_000, byHand);
		expect(kinds(nods)).toEqual(['joins', 'joins', 'named']);
		const [shower, dishes] = nodded(nods);
		expect(shower).toMatchObject({ id: 'a', at: byHand[0]?.at, litres: 8, heard: { meter: 'm' } });
		expect(dishes).toMatchObject({ id: 'b', litres: 4.4, heard: { meter: 'm' } });
		expect(kinds(nodsOf(MORNING, 10_000, nodded(nods)))).toEqual(['logged', 'logged', 'logged']);
	});
	it('gives way to the same by hand, written after it was logged by itself or nodded at', () => {
		const log = nodded(nodsOf(MORNING, 10_000));
		const byItself = log.map((entry): EntryOf<'use'> => ({
			...entry,
			...(entry.heard ? { heard: { ...entry.heard, unasked: true } } : {})
		}));
		for (const before of [log, byItself]) {
			const nods = nodsOf(MORNING, 10_000, [...before, written('late', 600, 'shower')]);
			expect(kinds(nods)).toEqual(['joins', 'logged', 'logged']);
			expect(nods[0]).toMatchObject({ entry: { id: 'late' }, replaces: { id: 'n0' } });
		}
		// Said to be another one, it stands beside it.
		const another = written('again', 600, 'hands', { again: true });
		expect(kinds(nodsOf(MORNING, 10_000, [...log, another]))[0]).toBe('logged');
	});
	it('asks about what was voided, and never logs it by that name again', () => {
		const log = nodded(nodsOf(MORNING, 10_000)).map((entry): Entry => ({ ...entry, void: true }));
		expect(kinds(nodsOf(MORNING, 10_000, log))).toEqual(['doubtful', 'doubtful', 'doubtful']);
	});
	it('takes a use that went on after it was logged as one, with all of its litres', () => {
		const early = nodded(nodsOf(MORNING, 160)).map((entry) => ({ ...entry, id: 'early' }));
		expect(early[0]?.litres).toBeCloseTo(5, 1);
		const later = nodsOf(MORNING, 10_000, early);
		expect(later[0]).toMatchObject({ kind: 'joins', entry: { id: 'early' } });
		expect(nodded(later)[0]?.litres).toBeCloseTo(8, 1);
	});
	it('keeps two taps that ran at once apart in the log', () => {
		const both: Open[] = [
			[100, 80, 6],
			[130, 9, 4]
		];
		const log = nodded(nodsOf(both, 900));
		expect(log).toHaveLength(2);
		expect(nodsOf(both, 900, log).map((nod) => nod.kind === 'logged' && nod.entry.habit)).toEqual([
			'shower',
			'hands'
		]);
	});
	it('leaves what is like no habit without a name, at the outlet that runs so', () => {
		const [odd] = nodsOf([[100, 1500, 4]], 3000);
		expect(odd?.kind === 'unnamed' ? odd.outlet?.id : odd?.kind).toBe('sink');
	});
	it('settles: whatever is heard, what is nodded at is logged next time, none of it twice', () => {
		const tap = fc.tuple(
			fc.integer({ min: 0, max: 20_000 }),
			fc.integer({ min: 4, max: 90 }),
			fc.constantFrom(3.6, 4, 6)
		);
		fc.assert(
			fc.property(fc.array(tap, { maxLength: 8 }), (taps) => {
				const log = nodded(nodsOf(taps, 21_000));
				const after = nodsOf(taps, 21_000, log);
				const entries = after.flatMap((nod) =>
					nod.kind === 'logged' || nod.kind === 'joins' ? [nod.entry.id] : []
				);
				expect(new Set(entries).size).toBe(entries.length);
				expect(entries.length).toBe(log.length);
			}),
			{ numRuns: 40 }
		);
	});
});

describe('readings of a meter that counts by itself', () => {
	it('go into the log every six hours in which it was heard, and not beside one by hand', () => {
		const showings = Array.from({ length: 30 }, (_, i): Showing => [START + i * HOUR_MS, 100 + i]);
		const due = readingsDue(meter, [], showings);
		// From 6:00 on: at the ends of the quarters of a day, the last of which is not over.
		expect(due.map(({ value }) => value)).toEqual([105, 111, 117, 123]);
		const read: Entry = {
			id: 'x',
			rig: 'r',
			kind: 'reading',
			instrument: 'm',
			value: 111,
			at: new Date(START + 12 * HOUR_MS).toISOString()
		};
		expect(readingsDue(meter, [read], showings).map(({ value }) => value)).toEqual([105, 117, 123]);
		const logged = due.map(({ atMs, value }, i): Entry => ({
			...read,
			id: `r${i}`,
			value,
			at: new Date(atMs).toISOString()
		}));
		expect(readingsDue(meter, logged, showings)).toEqual([]);
	});
});
