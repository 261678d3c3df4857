import { seeded } from '../src/core/numerics';
import { estimate } from '../src/core/estimate';
import { usableOf } from '../src/core/rig';
import { forecast } from '../src/core/forecast';
import { levelsOver } from './score';
import { DAY, drawCase, START, type Manner } from './truth/index';

/** How a class of lives fared that the rig did not foresee, from the twelfth day on: shares of 1. */
export interface LivesScore {
	readonly name: string;
	readonly cases: number;
	/** share of levels inside the band that is to hold nine in ten, and its mean width, share of the tank */
	readonly inside: number;
	readonly width: number;
	/** shares of stays that ended before p10, p50 and p90 */
	readonly before: readonly [p10: number, p50: number, p90: number];
	/** median of p50 over what was true */
	readonly middle: number;
	/** median of (p90 − p10) / p50 */
	readonly spread: number;
}

const median = (values: readonly number[]): number =>
	[...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;
const mean = (values: readonly number[]): number =>
	values.reduce((sum, value) => sum + value, 0) / values.length;

/** From this day on it is known how they live. */
const KNOWN_AFTER = 12;
const LIVED = 28;
/** Nobody stays longer than this, days. */
const STAY = 40;

/** Lives four weeks, and from some moment after the twelfth day a stay without a tap or a drain until a tank binds. */
export function scoreLives(manner: Manner, cases: number, firstSeed = 1): LivesScore {
	const inside: number[] = [];
	const widths: number[] = [];
	const spreads: number[] = [];
	const middles: number[] = [];
	const ended: (readonly [boolean, boolean, boolean])[] = [];
	for (let seed = firstSeed; seed < firstSeed + cases; seed++) {
		const lived = drawCase(seed, manner, LIVED);
		const levels = levelsOver(lived.logbook);
		for (const { atMs, litres } of lived.truths) {
			if (atMs < START + KNOWN_AFTER * DAY) continue;
			for (const tank of levels(atMs).tanks) {
				const truth = litres.get(tank.id) ?? 0;
				const own = lived.rig.tanks.find(({ id }) => id === tank.id);
				inside.push(Number(truth >= tank.low - 1e-9 && truth <= tank.high + 1e-9));
				widths.push((tank.high - tank.low) / (own ? usableOf(own) : 1));
			}
		}
		const random = seeded(seed + 77_000);
		const fromMs = START + (KNOWN_AFTER + (LIVED - KNOWN_AFTER) * random.uniform()) * DAY;
		// One sets out full and empty, so that the length of the stay tells of the pace.
		const stay = { fromMs, toMs: fromMs + STAY * DAY, acts: () => [] };
		const { logbook, boundMs } = drawCase(seed, manner, LIVED + STAY, Infinity, stay);
		if (boundMs === undefined) continue;
		const { p10, p50, p90 } = forecast(estimate(logbook, 'rig', fromMs), {
			days: 60,
			paths: 1000
		}).autonomyDays;
		const days = (boundMs - fromMs) / DAY;
		ended.push([days < p10, days < p50, days < p90]);
		spreads.push((p90 - p10) / Math.max(p50, 0.1));
		middles.push(p50 / Math.max(days, 0.1));
	}
	return {
		name: manner.name,
		cases: ended.length,
		inside: mean(inside),
		width: mean(widths),
		before: [0, 1, 2].map((i) => mean(ended.map((one) => Number(one[i])))) as unknown as LivesScore['before'],
		middle: median(middles),
		spread: median(spreads)
	};
}
