import { deviation, mean, median } from 'd3-array';
import type { Meter, Tank, Trial } from '../../logbook/index.js';
import { litresPerUnit } from './meter.js';

/** What a meter's two figures mean. */
export type MeterCount =
	| { readonly kind: 'litres'; readonly litres: number }
	/** it moved against the way it counts: misread, set in between, or facing the wrong way */
	| { readonly kind: 'backwards'; readonly litres: number };

/**
 * Litres between two figures of a meter: an up counter rises, a down counter falls, each in its own unit and
 * with its scale.
 */
export function countedBetween(
	meter: Pick<Meter, 'counts' | 'unitL' | 'scale'>,
	from: number,
	to: number
): MeterCount {
	const moved = (meter.counts === 'up' ? to - from : from - to) * litresPerUnit(meter);
	return moved >= 0 ? { kind: 'litres', litres: moved } : { kind: 'backwards', litres: -moved };
}

/** Why a recommended figure is what it is. */
export type Rounding =
	/** one trial only: a little less than it found */
	| { readonly kind: 'single'; readonly lessL: number }
	/** two trials: the smaller one */
	| { readonly kind: 'smaller' }
	/** three or more: the mean less one standard deviation, so that five in six trials reach it */
	| { readonly kind: 'spread'; readonly sdL: number };

/** What the trials of a tank come to, litres. */
export interface TrialSummary {
	readonly count: number;
	readonly meanL: number;
	/** sample standard deviation, litres; 0 for one trial */
	readonly sdL: number;
	/** ids of trials that lie far from the others; they still count until switched off */
	readonly outliers: readonly string[];
	/** a figure to reckon with: rounded down to a whole litre, for fresh (less to draw) as for waste (less room) */
	readonly recommendedL: number;
	readonly rounding: Rounding;
}

/** One trial is trusted to about this share of itself. */
const SINGLE_DOUBT = 0.03;
/** Modified z-score beyond which a trial stands apart (Iglewicz and Hoaglin 1993). */
const APART = 3.5;
/** Trials are never alike to better than this share; without a floor, two equal ones would make any third an outlier. */
const LEAST_SPREAD = 0.02;

/** A mean and how far single ones lie from it. */
export interface MeanSpread {
	readonly mean: number;
	/** sample standard deviation; 0 for fewer than two values */
	readonly sd: number;
}
/** The mean of some figures and their standard deviation. */
export const meanSpread = (values: readonly number[]): MeanSpread => ({
	mean: mean(values) ?? 0,
	sd: deviation(values) ?? 0
});

/** A value with the id of the trial it comes from. */
interface Found {
	readonly id: string;
	readonly value: number;
}

function standApart(found: readonly Found[]): readonly string[] {
	if (found.length < 3) return [];
	const middle = median(found, ({ value }) => value) ?? 0;
	const spread = 1.4826 * (median(found, ({ value }) => Math.abs(value - middle)) ?? 0);
	const unit = Math.max(spread, LEAST_SPREAD * Math.abs(middle));
	return found.filter(({ value }) => Math.abs(value - middle) > APART * unit).map(({ id }) => id);
}

/**
 * What the trials of one kind say of a tank's usable volume: those switched on, of the same kind, with a figure.
 *
 * @returns `undefined` when there is none
 */
export function summarise(trials: readonly Trial[], kind: 'run-dry' | 'back-up'): TrialSummary | undefined {
	const found = trials.flatMap(({ id, kind: of, used, litres }): readonly Found[] =>
		of === kind && used && litres !== undefined && litres > 0 ? [{ id, value: litres }] : []
	);
	if (found.length === 0) return undefined;
	const values = found.map(({ value }) => value);
	const { mean, sd } = meanSpread(values);
	const rounding: Rounding =
		found.length === 1
			? { kind: 'single', lessL: SINGLE_DOUBT * mean }
			: found.length === 2
				? { kind: 'smaller' }
				: { kind: 'spread', sdL: sd };
	const safe =
		rounding.kind === 'single'
			? mean - rounding.lessL
			: rounding.kind === 'smaller'
				? Math.min(...values)
				: mean - sd;
	return {
		count: found.length,
		meanL: mean,
		sdL: sd,
		outliers: standApart(found),
		// Under a litre and a half, whole litres would round everything away.
		recommendedL: safe > 1.5 ? Math.floor(safe + 1e-9) : safe,
		rounding
	};
}

/** How a meter counts beside a known amount. */
export interface ScaleSummary {
	readonly count: number;
	/** true litres per displayed litre */
	readonly scale: number;
	/** spread of single tests about it, as a share; undefined for one */
	readonly sdFraction: number | undefined;
	readonly outliers: readonly string[];
}

/** What bucket tests say of a meter: `readings` are [known litres, displayed units], each run on its own. */
export function summariseBuckets(
	trials: readonly Trial[],
	meter: Pick<Meter, 'id' | 'unitL'>
): ScaleSummary | undefined {
	const found = trials.flatMap(({ id, kind, used, instrument, readings }): readonly Found[] =>
		kind === 'bucket' && used && (instrument === undefined || instrument === meter.id)
			? (readings ?? [])
					.filter(({ reads, litres }) => reads > 0 && litres > 0)
					.map(({ litres, reads }) => ({ id, value: litres / (reads * meter.unitL) }))
			: []
	);
	if (found.length === 0) return undefined;
	const { mean, sd } = meanSpread(found.map(({ value }) => value));
	return {
		count: found.length,
		scale: mean,
		sdFraction: found.length > 1 ? sd / mean : undefined,
		outliers: [...new Set(standApart(found))]
	};
}

/** The litres of a tank that has been measured, by the kind of trial that fits what it holds. */
export const trialKindOf = (tank: Pick<Tank, 'holds'>): 'run-dry' | 'back-up' =>
	tank.holds === 'fresh' ? 'run-dry' : 'back-up';
