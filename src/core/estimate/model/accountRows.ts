import type { Amount } from '../../rig/index.js';

/** What a litre, and a time, bring to rows of the state. */
export type FlowGains = readonly (readonly [index: number, gain: Amount])[];

/** Of what an account is kept. */
export interface AccountScope {
	/** indices of pools: what comes in and goes out, by use and by being moved */
	readonly pools: readonly number[];
	/** ids of meters: what passes them, across their resets */
	readonly meters: readonly string[];
	/** what is drawn, by habit and by stream of unlogged use */
	readonly drawn: boolean;
}

/**
 * Where sums of litres that have flowed stand in a state, beyond all else: they know of every reading what the levels know,
 * through the covariance, so that they are the best account of a stretch without a second pass backward (fixed-point
 * smoothing by a state that is carried along; Anderson and Moore 1979, section 7.2).
 */
export interface AccountRows {
	readonly usedIn: ReadonlyMap<number, number>;
	readonly usedOut: ReadonlyMap<number, number>;
	readonly movedIn: ReadonlyMap<number, number>;
	readonly movedOut: ReadonlyMap<number, number>;
	/** by meter */
	readonly passed: ReadonlyMap<string, number>;
	/** litres drawn by what was written down, by habit */
	readonly habits: ReadonlyMap<string, number>;
	/** where those rows begin and end */
	readonly habitsFrom: number;
	readonly habitsTo: number;
	/** litres drawn by what would have been written down and is not: in a silence, or kept in mind until a sitting */
	readonly unwritten: number;
	/** litres drawn that nobody wrote down, by the order of the model's streams; empty where they are not asked for */
	readonly streams: readonly number[];
	/** the first row that is free */
	readonly end: number;
}
