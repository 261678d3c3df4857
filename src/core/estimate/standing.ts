import * as PARAMETERS from '../parameters.js';
import { levelBelieved, placeOf, truncate, usableNow, type Moments, type Truncated } from './filter/index.js';
import type { Estimate } from './past/index.js';

/**
 * The room in a tank, and in those that stand level with it, litres: what serves less what is in it, both as believed, with
 * what is known of the one by the other.
 */
export function roomOf({ model, belief }: Estimate, tankId: string): Truncated {
	const { pool } = placeOf(model, tankId);
	const usable = usableNow(pool, belief);
	const level = levelBelieved(pool, belief);
	const both = pool.usable === undefined ? 0 : (belief.cov[pool.index * belief.size + pool.usable] ?? 0);
	const variance = usable.sd ** 2 + level.sd ** 2 - 2 * both;
	return truncate(
		{ mean: usable.mean - level.mean, sd: Math.sqrt(Math.max(0, variance)) },
		0,
		usable.mean + PARAMETERS.ceiling * usable.sd
	);
}

/** What a meter should show now, displayed units, and how sure that is; nothing before it was first read. */
export function meterNow({ model, state, belief }: Estimate, meterId: string): Moments | undefined {
	const meter = model.rig.instruments.find(({ id }) => id === meterId);
	const [base, row] = [state.meterBase.get(meterId), model.counted.get(meterId)];
	if (meter?.kind !== 'meter' || base === undefined || row === undefined) return undefined;
	const inUnit = meter.unitL * (meter.scale ?? 1);
	const counted = (belief.mean[row] ?? 0) / inUnit;
	return {
		mean: meter.counts === 'up' ? base + counted : Math.max(0, base - counted),
		sd: belief.sdOf(row) / inUnit
	};
}

/** The ids of a tank and of all that stand level with it. */
export const standingLevelWith = ({ model }: Estimate, tankId: string): readonly string[] =>
	placeOf(model, tankId).pool.tanks.map(({ id }) => id);
