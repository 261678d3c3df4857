import { describe, expect, it } from 'vitest';
import { estimate, readLevels } from '../estimate/index.js';
import { instantMs, type Entry, type Logbook } from '../logbook/index.js';
import { DAY_MS, HOUR_MS } from '../time/index.js';
import { logbookOf } from '../../../tests/helpers/logbooks.js';
import { heard, meter, MORNING, rig, showingsOf, START, type Open } from './heard.fixture.js';
import { readingsDue, useDraft } from './logging.js';
import { nodsFor } from './nods.js';

/** Four days that are all like the first morning, with something in the evening. */
const DAYS = 4;
const LAST_S = DAYS * 86_400;
const taps: Open[] = Array.from({ length: DAYS }, (_, day) =>
	[...MORNING, [50_000, 40, 4], [50_080, 40, 4]].map(([s = 0, lasts = 0, lpm = 0]): Open => [
		s + day * 86_400,
		lasts,
		lpm
	])
).flat();
const showings = showingsOf(taps, LAST_S);
const full: Entry = {
	id: 'full',
	rig: 'r',
	at: new Date(START - HOUR_MS).toISOString(),
	kind: 'fill',
	tank: 'main',
	to: 'full'
};
const first: Entry = {
	id: 'first',
	rig: 'r',
	at: new Date(START - HOUR_MS / 2).toISOString(),
	kind: 'reading',
	instrument: 'm',
	value: 100
};
const readings = readingsDue(meter, [], showings).map(({ atMs, value }, i): Entry => ({
	id: `r${i}`,
	rig: 'r',
	at: new Date(atMs).toISOString(),
	kind: 'reading',
	instrument: 'm',
	value,
	source: 'meter'
}));
const uses = nodsFor(rig, meter, heard(showings, LAST_S).uses, []).flatMap((nod, i): Entry[] =>
	nod.kind === 'named'
		? [
				{
					id: `u${i}`,
					rig: 'r',
					at: new Date(nod.use.fromMs).toISOString(),
					...useDraft(nod.use, nod.habit, meter, { stepL: 0.01 })
				}
			]
		: []
);
const book = (entries: readonly Entry[]): Logbook => ({
	...logbookOf(
		[...entries].sort((a, b) => instantMs(a.at) - instantMs(b.at)),
		{ ...rig, tanks: rig.tanks.map((tank) => ({ ...tank, usableL: 100 })) },
		[]
	)
});
const levelsOf = (entries: readonly Entry[], atMs = START + DAYS * DAY_MS) =>
	readLevels(estimate(book(entries), 'r', atMs));

describe('the belief of a log that a meter keeps', () => {
	it('takes each litre once, whether its readings alone are in the log or the uses that it heard, too, and doubts none of them', () => {
		const { atMs, value } = readingsDue(meter, [], showings).at(-1) ?? { atMs: 0, value: 0 };
		const known = 100 - (value - 100);
		for (const entries of [readings, [...uses, ...readings]]) {
			const { tanks, doubts } = levelsOf([full, first, ...entries], atMs);
			const [main] = tanks;
			expect(doubts).toEqual([]);
			expect(Math.abs((main?.litres ?? 0) - known)).toBeLessThan(4);
			expect(main?.low).toBeLessThan(known);
			expect(main?.high).toBeGreaterThan(known);
		}
	});
	it('is calm while the meter is heard, though nobody writes: no silence, and a narrower range', () => {
		const [quiet, calm] = [
			levelsOf([full, first, ...uses.slice(0, 4)]),
			levelsOf([full, first, ...uses.slice(0, 4), ...readings])
		];
		const width = ({ tanks }: typeof quiet): number => (tanks[0]?.high ?? 0) - (tanks[0]?.low ?? 0);
		expect(width(calm)).toBeLessThan(0.5 * width(quiet));
		expect(calm.silent).toBeUndefined();
	});
});
