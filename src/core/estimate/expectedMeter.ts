import type { Moments } from '../numerics/index.js';
import { litresPerUnit } from '../rig/index.js';
import type { Estimate } from './filter/index.js';

/** What a meter should show now, displayed units, and how sure that is; nothing before it was first read. */
export function expectedMeter({ model, state, belief }: Estimate, meterId: string): Moments | undefined {
	const meter = model.rig.instruments.find(({ id }) => id === meterId);
	const [base, row] = [state.instruments.get(meterId)?.countsFrom, model.countedRow.get(meterId)];
	if (meter?.kind !== 'meter' || base === undefined || row === undefined) return undefined;
	const inUnit = litresPerUnit(meter);
	const counted = (belief.mean[row] ?? 0) / inUnit;
	return {
		mean: meter.counts === 'up' ? base + counted : Math.max(0, base - counted),
		sd: belief.sdOf(row) / inUnit
	};
}
