import { truncate, type Truncated } from '../numerics/index.js';
import { levelBelieved, placeOf, usableNow, type Estimate } from './filter/index.js';
import * as PARAMETERS from './parameters.js';

/**
 * The room in a tank, and in those that stand level with it, litres: what serves less what is in it, both as believed, with
 * what is known of the one by the other.
 */
export function headroomOf({ model, belief }: Estimate, tankId: string): Truncated {
	const { pool } = placeOf(model, tankId);
	const usable = usableNow(pool, belief);
	const level = levelBelieved(pool, belief);
	const both = pool.usableRow === undefined ? 0 : belief.cov.at(pool.index, pool.usableRow);
	const variance = usable.sd ** 2 + level.sd ** 2 - 2 * both;
	return truncate(
		{ mean: usable.mean - level.mean, sd: Math.sqrt(Math.max(0, variance)) },
		0,
		usable.mean + PARAMETERS.ceilingSds * usable.sd
	);
}

/** The ids of a tank and of all that stand level with it. */
export const standingLevelWith = ({ model }: Estimate, tankId: string): readonly string[] =>
	placeOf(model, tankId).pool.tanks.map(({ id }) => id);
