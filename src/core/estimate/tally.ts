import type { Regime } from '../rig/index.js';
import type { Belief } from './belief.js';
import type { Model } from './model.js';
import { usableOf } from '../rig/index.js';

/** A reading that the belief and its own error cannot explain: shown and explained, but left out. */
export interface Doubt {
	readonly entry: string;
	readonly instrument: string;
	readonly why: string;
}

/** A doubted reading kept in mind: if another one agrees with it, the belief gives way. */
export interface Suspicion {
	readonly instrument: string;
	/** what the reading said minus what was believed, litres, and its standard deviation */
	readonly gapL: number;
	readonly sdL: number;
	readonly pool: number;
}

/** Everything known after replaying some entries. `step` makes the next one; nothing is changed in place. */
export interface Tally extends Regime {
	readonly atMs: number | undefined;
	readonly belief: Belief;
	/** displayed value from which each meter counts since its reset */
	readonly meterBase: ReadonlyMap<string, number>;
	/** times each habit was logged */
	readonly times: ReadonlyMap<string, number>;
	readonly doubts: readonly Doubt[];
	readonly suspicions: readonly Suspicion[];
	/** how many readings in a row of an instrument were doubted */
	readonly distrust: ReadonlyMap<string, number>;
}

/** The share of the variance of one time's litres that is doubt about the mean; the rest is scatter. */
export const MEAN_SHARE = 0.5;

/** Before anything was written down: tanks anywhere between empty and full, habits and rate at their priors. */
export function beforeAnything(model: Model): Tally {
	const mean = new Float64Array(model.size);
	const cov = new Float64Array(model.size * model.size);
	const prior = (index: number, m: number, sd: number): void => {
		mean[index] = m;
		cov[index * model.size + index] = sd * sd;
	};
	// A uniform distribution over the tank has the standard deviation width / √12.
	for (const pool of model.pools) prior(pool.index, pool.usableL / 2, pool.usableL / Math.sqrt(12));
	for (const [id, index] of model.meterError) {
		const instrument = model.instruments.get(id);
		prior(index, 0, instrument?.kind === 'meter' ? (instrument.sdFraction ?? 0.02) : 0);
	}
	for (const [id, index] of model.habit) {
		const belief = model.habits.get(id)?.litresEach;
		if (belief) prior(index, belief.mean, belief.sd * Math.sqrt(MEAN_SHARE));
	}
	prior(model.rate, model.unlogged.mean, model.unlogged.sd);
	return {
		atMs: undefined,
		belief: { mean, cov },
		meterBase: new Map(),
		times: new Map(),
		doubts: [],
		suspicions: [],
		distrust: new Map(),
		mains: false,
		sewer: false,
		measures: []
	};
}

/** The largest a tank's level is answered as: its usable volume, or a little more where only the plate is known. */
export const ceilingOf = (model: Model, tankId: string): number => {
	const tank = model.places.get(tankId)?.pool.tanks.find(({ id }) => id === tankId);
	if (!tank) return 0;
	return tank.usableL === undefined ? 1.08 * tank.nominalL : usableOf(tank);
};
