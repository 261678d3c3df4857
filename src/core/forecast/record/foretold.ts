import type { Spread } from '../../numerics/index.js';
import { DAY_MS, valueAt } from '../../time/index.js';
import { type Estimate } from '../../estimate/index.js';
import { personsNow } from '../../habits/index.js';
import { instantMs } from '../../logbook/index.js';
import { forecast } from '../forecast.js';

/** What was foretold of one tank: litres, if nothing is filled or dumped. */
export interface ForetoldTank extends Spread {
	readonly id: string;
}

/** What was foretold at one moment for a day later: small, so that years of it can be kept. */
export interface Foretold {
	readonly rig: string;
	/** when it was foretold, and for when: ms */
	readonly madeMs: number;
	readonly forMs: number;
	/** who was thought to be aboard, and what heat was expected */
	readonly persons: number;
	readonly maxC?: number;
	/** the correction that was in force */
	readonly spread: number;
	readonly tanks: readonly ForetoldTank[];
}

/** A band narrower than this is no forecast: everything is exact, litres. */
const LEAST_BAND_L = 0.3;
/** Nearer than this to empty or full, of what serves, a tank has come to its end: the band is cut there. */
const AT_ITS_END = 0.01;

/**
 * Foretells the tanks for a day later, to be kept and held against what comes.
 *
 * @param laterMs the last entry of the rig that is written for a later moment, if there is one: then the day is partly known
 * already, and nothing is foretold
 */
export function foretell(estimate: Estimate, laterMs?: number): Foretold | undefined {
	const { model, atMs, inflation: spread = 1, entries } = estimate;
	const last = entries.at(-1);
	if (!last || instantMs(last.at) > atMs || (laterMs ?? 0) > atMs) return undefined;
	const ahead = forecast(estimate, { days: 1 });
	const tanks = ahead.tanks.flatMap(({ id, byDay: [day] }): readonly ForetoldTank[] => {
		const place = model.places.get(id);
		if (!day || !place) return [];
		const usableL = place.share * place.pool.usableL;
		const free = day.p10 > AT_ITS_END * usableL && day.p90 < (1 - AT_ITS_END) * usableL;
		return free && day.p90 - day.p10 >= LEAST_BAND_L
			? [{ id, p10: day.p10, p50: day.p50, p90: day.p90 }]
			: [];
	});
	if (tanks.length === 0) return undefined;
	const maxC = valueAt(model.climate, atMs)?.maxC;
	return {
		rig: model.rig.id,
		madeMs: atMs,
		forMs: atMs + DAY_MS,
		persons: personsNow(estimate),
		...(maxC === undefined ? {} : { maxC }),
		spread,
		tanks
	};
}
