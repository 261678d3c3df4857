import { quantileOf } from '../numerics/index.js';
import { MINUTE_MS } from '../time/index.js';
import type { Step } from './step.js';

/** How a device reads its meter. */
export interface Device {
	/** how often it looks, ms */
	readonly everyMs: number;
	/** the least that it tells, litres */
	readonly stepL: number;
}

/** A device of which nothing is known yet. */
const UNKNOWN: Device = { everyMs: 1000, stepL: 0.01 };
/** Nobody opens a tap to less, litres a minute. */
export const LEAST_LPM = 0.45;
/** A counter's rounding at both ends of what it counted: sd, in steps. */
export const ROUNDING = 0.41;
/** What displays and counters step by, in displayed units. */
const ROUND_STEPS = [1, 0.5, 0.25, 0.2, 0.1, 0.05, 0.025, 0.02, 0.01, 0.005, 0.002, 0.001];
/** Of all steps so many are whole multiples of what it steps by. */
const MOST = 0.98;

/** The round figure that the display steps by, displayed units; its smallest step where it is none. */
function resolution(displayed: Float64Array): number {
	const fits = (round: number): boolean => {
		const whole = displayed.filter((one) => Math.abs(one / round - Math.round(one / round)) < 1e-3);
		return whole.length >= MOST * displayed.length;
	};
	return ROUND_STEPS.find(fits) ?? quantileOf(displayed.toSorted(), 0.005);
}

/**
 * How often a device looks and how finely it counts, by its own steps: the usual pause while water runs, and what all of them are
 * multiples of.
 *
 * @param unitL litres in a displayed unit
 */
export function deviceOf(steps: readonly Step[], unitL: number): Device {
	if (steps.length === 0) return UNKNOWN;
	const pauseOf = ({ fromMs, toMs }: Step): number => toMs - fromMs;
	const running = steps.filter((step) => (step.litres * MINUTE_MS) / pauseOf(step) >= LEAST_LPM);
	const pauses = Float64Array.from(running.length > 0 ? running : steps, pauseOf).sort();
	return {
		everyMs: running.length > 0 ? quantileOf(pauses, 0.5) : Math.min(UNKNOWN.everyMs, pauses[0] ?? 0),
		stepL: unitL * resolution(Float64Array.from(steps, ({ litres }) => litres / unitL))
	};
}
