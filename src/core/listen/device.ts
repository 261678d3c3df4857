import { quantileOf } from '../numerics/index.js';
import type { Step } from './counted.js';

/** How a device reads its meter. */
export interface Device {
	/** how often it looks, ms */
	readonly everyMs: number;
	/** the least that it tells, litres */
	readonly stepL: number;
}

/** A device of which nothing is known yet. */
const UNKNOWN: Device = { everyMs: 1000, stepL: 0.01 };
/** Pauses up to so many times the shortest ones are those of a running tap. */
const RUNNING = 10;

/**
 * How often a device looks and how finely it counts, by its own steps: the usual pause while water runs, and the smallest steps
 * that are no exception.
 */
export function deviceOf(steps: readonly Step[]): Device {
	if (steps.length === 0) return UNKNOWN;
	const pauses = Float64Array.from(steps, ({ fromMs, toMs }) => toMs - fromMs).sort();
	const shortest = quantileOf(pauses, 0.1);
	const running = pauses.filter((pause) => pause <= RUNNING * shortest);
	const sizes = Float64Array.from(steps, ({ litres }) => litres).sort();
	return { everyMs: quantileOf(running, 0.5), stepL: quantileOf(sizes, 0.02) };
}
