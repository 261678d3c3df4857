import { Gaussian } from '../../numerics/index.js';
import * as PARAMETERS from '../parameters.js';
import type { Model } from './model.js';
import type { Pool } from './pools.js';

/** A level that could be anything: as wide again as the tank, so that within it all levels are about as likely. */
export const anywhere = (belief: Gaussian, { index, usableL }: Pool): void =>
	belief.replace(index, usableL / 2, usableL);

/** What is believed before anything was written down: tanks anywhere between empty and full, habits and rates at their priors. */
export function priorBelief(model: Model): Gaussian {
	const belief = new Gaussian(model.size);
	for (const pool of model.pools) {
		anywhere(belief, pool);
		if (pool.usableRow !== undefined) belief.replace(pool.usableRow, pool.usableL, pool.usableSdL);
	}
	for (const [id, index] of model.meterErrorRow) {
		const instrument = model.instruments.get(id);
		belief.replace(
			index,
			0,
			instrument?.kind === 'meter' ? (instrument.sdFraction ?? PARAMETERS.meterSdShare) : 0
		);
	}
	for (const [id, index] of model.gaugeErrorRow)
		belief.replace(index, 0, Math.sqrt(PARAMETERS.gaugeLastingVarianceShare) * (model.gaugeSdL.get(id) ?? 0));
	for (const [id, index] of model.habitRow) {
		const one = model.habits.get(id)?.litresEach;
		if (one) belief.replace(index, one.mean, one.sd * Math.sqrt(PARAMETERS.habitMeanVarianceShare));
	}
	for (const { index, broad } of model.streams)
		belief.replace(
			index,
			broad.mean,
			model.statedRate ? PARAMETERS.statedMixSdShare * broad.mean * (broad.sd > 0 ? 1 : 0) : broad.sd
		);
	if (model.weekendRow !== undefined) belief.replace(model.weekendRow, 0, PARAMETERS.weekendSd);
	// A stated rate is one doubt that all streams share.
	if (model.statedRate)
		belief.addNoise(
			model.streams.map(({ index, broad }) => [index, broad.sd] as const),
			1
		);
	return belief;
}
