import { type Gaussian, type Moments, truncate, type Truncated } from '../../numerics/index.js';
import type { Model, TankPlace, Pool } from '../model/index.js';
import * as PARAMETERS from '../parameters.js';

/** What serves of a pool as believed now, litres; without doubt where it was measured. */
export function usableNow({ usableRow: usable, usableL }: Pool, belief: Gaussian): Moments {
	return usable === undefined
		? { mean: usableL, sd: 0 }
		: { mean: belief.mean[usable] ?? usableL, sd: belief.sdOf(usable) };
}

/**
 * A pool's level given that it is no more than what serves, where that is itself only believed: the level moves with
 * the room that is left, whose normal is cut at 0 (moments matched).
 */
function underBrim({ index, usableRow: usable }: Pool, belief: Gaussian, now: Moments): Moments {
	if (usable === undefined) return now;
	const [level, volume] = [now.sd ** 2, belief.sdOf(usable) ** 2];
	const both = belief.cov.at(index, usable);
	const variance = level + volume - 2 * both;
	const room = { mean: (belief.mean[usable] ?? 0) - now.mean, sd: Math.sqrt(Math.max(0, variance)) };
	if (!(room.sd > 1e-9)) return now;
	const cut = truncate(room, 0, Infinity);
	const gain = (both - level) / variance;
	return {
		mean: now.mean + gain * (cut.mean - room.mean),
		sd: Math.sqrt(Math.max(0, level - gain ** 2 * (variance - cut.sd ** 2)))
	};
}

/** A pool's level as the belief has it, before it is held between empty and full. */
export const levelBelieved = ({ index }: Pool, belief: Gaussian): Moments => ({
	mean: belief.mean[index] ?? 0,
	sd: belief.sdOf(index)
});

/** A tank's level with the knowledge that it is between empty and what serves. */
export function levelWithin(
	{ pool, share }: TankPlace,
	belief: Gaussian,
	level: Moments = levelBelieved(pool, belief)
): Truncated {
	const { mean, sd } = underBrim(pool, belief, level);
	const usable = usableNow(pool, belief);
	return truncate(
		{ mean: mean * share, sd: sd * share },
		0,
		(usable.mean + PARAMETERS.ceilingSds * usable.sd) * share
	);
}

/** 5 % and 95 % points of a level, litres. */
export interface Band {
	readonly low: number;
	readonly high: number;
}

/**
 * The band of a level that holds nine in ten. A tank can stand quite empty or quite full, and often does, which no cut
 * normal allows for: where the belief reaches a bound, so does the band.
 *
 * @param uncut the pool's level before it is held between empty and full, where it is no plain normal
 */
export function bandOf(
	level: Truncated,
	{ pool, share }: TankPlace,
	belief: Gaussian,
	uncut: Pick<Truncated, 'quantile'> = normalOf(levelBelieved(pool, belief))
): Band {
	const top = usableNow(pool, belief).mean * share;
	const at = (p: number): number => Math.min(Math.max(uncut.quantile(p) * share, 0), top);
	return {
		low: Math.min(level.quantile(0.05), at(0.05)),
		high: Math.max(level.quantile(0.95), at(0.95))
	};
}

/** A normal that is not cut anywhere. */
export const normalOf = (moments: Moments): Truncated => truncate(moments, -Infinity, Infinity);

/** The place of a tank in the model. @throws RangeError when the rig has no such tank */
export function placeOf(model: Model, tankId: string): TankPlace {
	const place = model.places.get(tankId);
	if (!place) throw new RangeError(`there is no tank ${JSON.stringify(tankId)} in this rig`);
	return place;
}
