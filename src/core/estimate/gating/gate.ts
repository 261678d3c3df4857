import { normalCdf } from '../../numerics/index.js';
import { historyOf, type DoubtedReading, type FilterState } from '../filter/index.js';
import * as PARAMETERS from '../parameters.js';
import type { Innovation } from './innovation.js';

/** What an instrument is; what a gauge says is worth less than a look at a rod or a counter. */
export type InstrumentKind = 'meter' | 'gauge' | 'rod';

/** A reading further than this from the belief is doubted, standard deviations of both together. */
const gateOf = (state: FilterState, instrument: string, kind: InstrumentKind): number => {
	if (kind !== 'gauge') return PARAMETERS.gateSds;
	return (historyOf(state, instrument).misfits.at(-1) ?? 0) > 0
		? PARAMETERS.distrustedGaugeGateSds
		: PARAMETERS.gaugeGateSds;
};

/**
 * Whether a reading passes: it is within its gate, and the readings of its gauge are not strained. A light is doubted
 * when the belief gives its band less than the two-sided chance beyond the gate.
 */
export const passesGate = (
	state: FilterState,
	instrument: string,
	kind: InstrumentKind,
	{ gapL, chance }: Innovation,
	strain: number
): boolean =>
	(gapL === 0 || chance > 2 * normalCdf(-gateOf(state, instrument, kind))) &&
	strain < PARAMETERS.strainCusumLimitNats;

/** Gaps to the account that are the same: within 2.5 deviations and about a seventh of themselves. */
export const sameGap = (oneL: number, otherL: number, sdL: number): boolean =>
	Math.abs(oneL - otherL) <= PARAMETERS.sameGapSds * sdL + PARAMETERS.sameGapShare * Math.abs(otherL);

/** Doubted readings of different instruments (or two dips, two totals) stand together when they say the same. */
export const agrees = (one: DoubtedReading, gapL: number, sdL: number): boolean =>
	sameGap(one.gapL, gapL, Math.hypot(one.sdL, sdL));
