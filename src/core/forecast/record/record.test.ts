import { HOUR_MS } from '../../time/index.js';
import { seeded } from '../../numerics/index.js';
import { describe, expect, it } from 'vitest';
import { DAY, drawCase, MANNERS, START } from '../../../../bench/truth/index.js';
import { entry, exactRig, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate, type Estimate } from '../../estimate/index.js';
import type { Entry, Rig } from '../../logbook/index.js';
import { foretell, forecast, forecastRecordOf, scoreOf, type Foretold, type Settled } from '../index.js';

const at = (day: number, hour: number): string =>
	`2027-05-${String(day).padStart(2, '0')}T${String(hour).padStart(2, '0')}:00:00Z`;
const ms = (day: number, hour: number): number => Date.parse(at(day, hour));

const { unlogged: _unlogged, ...open } = exactRig;
/** A rig whose days differ, and of which not all is written down. */
const rig: Rig = {
	...open,
	habits: exactRig.habits.map(({ often, litresEach, ...habit }) => ({
		...habit,
		litresEach: { mean: litresEach.mean, sd: 0.2 * litresEach.mean },
		often: { times: often.times, per: often.per }
	}))
};
const known = (entries: readonly Entry[], day: number, hour: number, of: Rig = rig): Estimate =>
	estimate(logbookOf(entries, of), 'rig', ms(day, hour));
const pump = (value: number, day: number, hour: number): Entry =>
	entry({ kind: 'reading', at: at(day, hour), instrument: 'pump', value });

describe('one evening, held against what came', () => {
	const before = [...freshStart(), pump(0, 1, 7), pump(24, 2, 7), pump(50, 2, 19)];
	const foretold = foretell(known(before, 2, 20))!;
	const main = foretold.tanks.find(({ id }) => id === 'main')!;

	it('is kept small, and says what it went by', () => {
		expect(foretold).toMatchObject({ rig: 'rig', persons: 2, spread: 1, forMs: foretold.madeMs + DAY });
		expect(JSON.stringify(foretold).length).toBeLessThan(500);
		expect(main.p10).toBeLessThan(main.p50);
	});

	it('nobody knows before the time, nor while nothing is read', () => {
		expect(scoreOf(known(before, 3, 19), foretold)).toBe('later');
		expect(scoreOf(known(before, 4, 8), foretold)).toBe('later');
		expect(scoreOf(known(before, 8, 8), foretold)).toBe('untold');
	});

	it('the meter tells, and a fill in between does not matter', () => {
		const after = [
			...before,
			pump(62, 3, 9),
			entry({ kind: 'fill', at: at(3, 12), tank: 'main', to: 'full' }),
			pump(76, 3, 20),
			pump(80, 4, 7)
		];
		const score = scoreOf(known(after, 4, 8), foretold);
		if (typeof score === 'string') throw new Error(score);
		const came = score.tanks.find(({ id }) => id === 'main')!;
		// 50 L were in it; 26 L were drawn in that day.
		expect(came.cameL).toBeGreaterThan(20);
		expect(came.cameL).toBeLessThan(27);
		expect(came).toMatchObject({ inside: true });
		expect(score.why).toEqual([]);
	});

	it('when it came otherwise it says why: guests', () => {
		const after = [
			...before,
			entry({ kind: 'crew', at: at(2, 21), persons: 6 }),
			entry({ kind: 'use', at: at(3, 9), habit: 'shower', times: 5 }),
			pump(110, 3, 20),
			pump(112, 4, 7)
		];
		const big: Rig = { ...rig, tanks: rig.tanks.map((tank) => ({ ...tank, nominalL: 300, usableL: 300 })) };
		const earlier = foretell(known(before, 2, 20, big))!;
		const score = scoreOf(known(after, 4, 8, big), earlier);
		expect(score).toMatchObject({
			tanks: expect.arrayContaining([expect.objectContaining({ id: 'main', inside: false })])
		});
		expect(score).toMatchObject({
			why: [expect.objectContaining({ kind: 'people', foretold: 2 }), expect.anything()]
		});
	});

	it('is never foretold when it is known already, and never of what is no longer there', () => {
		expect(foretell(known([...before, pump(60, 2, 20)], 2, 20), ms(3, 9))).toBeUndefined();
		expect(scoreOf(known(before, 4, 8), { ...foretold, forMs: foretold.madeMs })).toBe('untold');
		const gone = { ...foretold, tanks: [{ id: 'sold', p10: 1, p50: 2, p90: 3 }] };
		expect(scoreOf(known(before, 4, 8), gone)).toBe('untold');
	});
});

/** Evenings whose deviations are drawn: as they should be for 1, twice as far off for 2. */
function evenings(count: number, off: number, seed: number, spread = 1): readonly Settled[] {
	const random = seeded(seed);
	return Array.from({ length: count }, (_, i) => {
		const common = random.normal();
		const tanks = ['main', 'grey'].map((id) => {
			// Two tanks move together.
			const z = (off / spread) * (0.8 * common + 0.6 * random.normal());
			return { id, cameL: 0, z, inside: Math.abs(z) <= 1.2816 };
		});
		const foretold: Foretold = {
			rig: 'rig',
			madeMs: i * DAY,
			forMs: (i + 1) * DAY,
			persons: 2,
			spread,
			tanks: []
		};
		return { foretold, score: { tanks, why: [] } };
	});
}

describe('the record as a whole', () => {
	it('of few evenings asks for nothing', () => {
		expect(forecastRecordOf(evenings(9, 3, 1))).toMatchObject({ evenings: 9, verdict: 'young', spread: 1 });
		expect(forecastRecordOf([])).toMatchObject({
			evenings: 0,
			forecasts: 0,
			inside: 0,
			spread: 1,
			tanks: []
		});
	});

	it('leaves good forecasts alone: of a hundred records of forty evenings hardly one is corrected', () => {
		const corrected = Array.from({ length: 100 }, (_, seed) =>
			forecastRecordOf(evenings(40, 1, seed + 1))
		).filter(({ spread }) => spread !== 1);
		expect(corrected.length).toBeLessThanOrEqual(2);
	});

	it.each([
		[2, 'sharper'],
		[0.45, 'duller']
	] as const)(
		'finds forecasts that should be %d times as wide, and brings them nearly there',
		(off, verdict) => {
			const found = Array.from({ length: 40 }, (_, seed) => forecastRecordOf(evenings(40, off, seed + 1)));
			expect(found.filter((one) => one.verdict === verdict).length).toBeGreaterThan(36);
			for (const { spread } of found) expect(Math.abs(Math.log(spread / off))).toBeLessThan(Math.log(2));
		}
	);

	it('what was foretold under a correction is held against what it would have been without: it is not corrected twice', () => {
		const plain = forecastRecordOf(evenings(50, 1.8, 7));
		const corrected = forecastRecordOf(evenings(50, 1.8, 7, 1.7));
		expect(corrected.spread).toBeCloseTo(plain.spread, 6);
	});

	it('a single evening far off corrects nothing, and a reset forgets', () => {
		const one = evenings(20, 0.9, 3).map((settled, i) =>
			i === 4
				? {
						...settled,
						score: { ...settled.score, tanks: settled.score.tanks.map((tank) => ({ ...tank, z: 9 })) }
					}
				: settled
		);
		expect(forecastRecordOf(one)).toMatchObject({ verdict: 'fits', spread: 1 });
		expect(forecastRecordOf(evenings(40, 2, 5), 35 * DAY)).toMatchObject({ evenings: 5, verdict: 'young' });
	});
});

describe('on logs from a hidden truth', () => {
	const manner = MANNERS.find(({ name }) => name === 'meter and habits')!;

	/** Evenings of made-up trips: what was known then, and what was known of the next one in the morning after. */
	const lives = () =>
		[4, 5, 6].flatMap((seed) => {
			const { logbook } = drawCase(seed, manner, 20);
			const evening = (day: number): number => START + day * DAY + 20.5 * HOUR_MS;
			return Array.from({ length: 14 }, (_, i) => i + 4).map((day) => ({
				then: estimate(logbook, 'rig', evening(day)),
				later: estimate(logbook, 'rig', evening(day + 1) + 0.6 * DAY)
			}));
		});
	/** Foretells each of them, so many times as wide, and scores it later. */
	const foretoldFrom = (nights: ReturnType<typeof lives>, spread: number): readonly Settled[] =>
		nights.flatMap(({ then, later }): readonly Settled[] => {
			const made = foretell({ ...then, inflation: spread });
			// As if the engine had drawn so badly, and not been corrected.
			const foretold = made && { ...made, spread: 1 };
			const score = foretold && scoreOf(later, foretold);
			return foretold && score && typeof score !== 'string' ? [{ foretold, score }] : [];
		});
	const share = (settled: readonly Settled[]): number => {
		const { inside, forecasts } = forecastRecordOf(settled);
		return inside / forecasts;
	};

	it('its own correction makes a bad spread better, and leaves a good one alone', () => {
		const nights = lives();
		const good = foretoldFrom(nights, 1);
		expect(share(good)).toBeGreaterThan(0.68);
		expect(share(good)).toBeLessThan(0.93);
		expect(forecastRecordOf(good).spread).toBe(1);
		const bad = foretoldFrom(nights, 0.4);
		const { verdict, spread } = forecastRecordOf(bad);
		expect(verdict).toBe('sharper');
		const mended = foretoldFrom(nights, 0.4 * spread);
		expect(share(mended)).toBeGreaterThan(share(bad) + 0.1);
		expect(Math.abs(share(mended) - 0.8)).toBeLessThan(Math.abs(share(bad) - 0.8));
	});
});

it('a spread changes how sure a forecast is, not its middle', () => {
	const log = [...freshStart(), pump(0, 1, 7), pump(22, 2, 7)];
	const plain = forecast(known(log, 2, 8), { days: 10 });
	const wide = forecast({ ...known(log, 2, 8), inflation: 1.6 }, { days: 10 });
	const [a, b] = [plain.tanks[0]!.byDay[0]!, wide.tanks[0]!.byDay[0]!];
	expect((b.p90 - b.p10) / (a.p90 - a.p10)).toBeCloseTo(1.6, 0);
	expect(Math.abs(b.p50 - a.p50)).toBeLessThan(0.15 * (a.p90 - a.p10));
	expect(wide.autonomyDays.p10).toBeLessThan(plain.autonomyDays.p10);
	expect(wide.autonomyDays.p90).toBeGreaterThan(plain.autonomyDays.p90);
	expect(forecast({ ...known(log, 2, 8), inflation: 1 }, { days: 10 })).toEqual(plain);
});
