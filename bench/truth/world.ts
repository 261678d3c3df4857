import { HOUR_MS, MINUTE_MS } from '../../src/core/time';
import type { Random } from '../../src/core/numerics';

export const HOUR = HOUR_MS;
export const MINUTE = MINUTE_MS;
export const DAY = 24 * HOUR;
export const START = Date.UTC(2027, 4, 3, 8);
export const ZONE_MS = 2 * HOUR;
/** hours of the local day in which water is used */
export const WAKING = [7, 23] as const;

/**
 * How the world differs from what a rig says of itself, whatever is written down of it: what people tell of their
 * gauges, their days and their notes.
 */
export const WORLD = {
	/** share of a gauge's variance that is one constant of that gauge */
	gaugeLasts: 0.5,
	/** spread of the chance of writing down, from habit to habit */
	writing: 0.12,
	/** how often things are done, against what the rig says */
	often: 0.18,
	/** days are busy or quiet as a whole, and for each habit */
	dayDiffers: 0.2,
	habitDayDiffers: 0.25,
	/** a rinse, a splash: times per person and day, and litres */
	smallTimes: [2, 12],
	smallL: [0.08, 0.25],
	/** what really serves, as a share of the plate */
	freshServes: [0.84, 1],
	wasteServes: [0.93, 1.1],
	/** chances of a slip: a fill or a dump that is forgotten, a figure that is mistyped, a use that both write down */
	forgets: 0.1,
	mistypes: 0.04,
	twice: 0.05,
	/** litres that stay in a jug poured out */
	dropsL: [0, 0.2]
} as const;

/** The waking hours between two moments, in days of waking. */
export function wakingDays(fromMs: number, toMs: number): number {
	const woken = (ms: number): number => {
		const local = ms + ZONE_MS;
		const hour = (local % DAY) / HOUR;
		const [wakes, sleeps] = WAKING;
		return Math.floor(local / DAY) + Math.min(Math.max((hour - wakes) / (sleeps - wakes), 0), 1);
	};
	return woken(toMs) - woken(fromMs);
}

/** A Poisson number (Knuth's multiplication), for small means. */
export function poisson(mean: number, random: Random): number {
	let [count, product] = [0, random.uniform()];
	for (const limit = Math.exp(-mean); product > limit; count++) product *= random.uniform();
	return count;
}

/** A factor about 1, 1 in the mean, lognormal. */
export const aboutOne = (sd: number, random: Random): number => Math.exp(sd * random.normal() - sd ** 2 / 2);
