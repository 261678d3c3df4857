import { meanOf } from '../../numerics/index.js';
import type { Entry } from '../../logbook/index.js';

/** What some measurements of the same thing come to: how many, their mean, and their standard deviation. */
export interface Repeats {
	readonly count: number;
	readonly mean: number;
	/** absent for one alone */
	readonly sd?: number;
}

/** Repeated measurements averaged; nothing when there are none. */
export function averageOf(values: readonly number[]): Repeats | undefined {
	const count = values.length;
	if (count === 0) return undefined;
	const mean = meanOf(values);
	const squares = values.reduce((sum, value) => sum + (value - mean) ** 2, 0);
	return { count, mean, ...(count > 1 ? { sd: Math.sqrt(squares / (count - 1)) } : {}) };
}

/** Litres of one time of a habit, wherever the log has them measured. */
export const measuredOf = (entries: readonly Entry[], habit: string): Repeats | undefined =>
	averageOf(
		entries.flatMap((entry) =>
			!entry.void &&
			entry.kind === 'use' &&
			entry.habit === habit &&
			entry.litres !== undefined &&
			entry.times > 0
				? [entry.litres / entry.times]
				: []
		)
	);

const SECONDS_A_MINUTE = 60;

/** A jug filled at an outlet, and how long that took. */
export interface Pour {
	readonly litres: number;
	readonly seconds: number;
}

/** The flow that some pours show, litres a minute. */
export const flowOfPours = (pours: readonly Pour[]): Repeats | undefined =>
	averageOf(
		pours.flatMap(({ litres, seconds }) =>
			litres > 0 && seconds > 0 ? [(SECONDS_A_MINUTE * litres) / seconds] : []
		)
	);
