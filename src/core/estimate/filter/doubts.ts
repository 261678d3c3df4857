/** Why a reading is left out, as a fact with its numbers, litres unless said. */
export type DoubtCause =
	/** what it says at the nearest, what everything else says, and how sure that is (half of its 90 % band) */
	| {
			readonly kind: 'unexplained';
			readonly saysL: number;
			readonly believedL: number;
			readonly bandL: number;
	  }
	/** a meter shows less than it counts from (more, when it counts down), displayed units: it was reset */
	| { readonly kind: 'reset'; readonly shows: number; readonly from: number; readonly counts: 'up' | 'down' }
	/** a figure of a meter that does not fit, and the slip of the pen that would explain it, displayed units; none where only the next one tells of it */
	| { readonly kind: 'mistyped'; readonly shows: number; readonly meant?: number }
	/** the gauge has no such reading on its curve */
	| { readonly kind: 'off-curve' }
	/** a depth in a tank without a shape */
	| { readonly kind: 'no-shape' }
	/** less than nothing was shown */
	| { readonly kind: 'below-nothing'; readonly shows: number };

/** A reading that the belief and its own error cannot explain: shown and explained, but left out. */
export interface Doubt {
	readonly entry: string;
	readonly instrument: string;
	readonly cause: DoubtCause;
}

/** A doubted reading kept in mind: if another one agrees with it, the belief gives way. */
export interface DoubtedReading {
	readonly entry: string;
	readonly atMs: number;
	readonly instrument: string;
	/** what the reading said at the nearest minus what was believed, litres, and its standard deviation */
	readonly gapL: number;
	readonly sdL: number;
	/** what the reading itself says, litres: the middle of a band; and what was believed then */
	readonly saidL: number;
	readonly believedL: number;
	readonly pool: number;
	/** a fill or dump that nobody wrote down would explain it */
	readonly couldBeMissed: boolean;
	/** the gauge moved as after a fill or dump, at a time when one was due: a stuck one does not */
	readonly wasDue: boolean;
	/** of an instrument that is judged and not used */
	readonly shadow: boolean;
}

/**
 * Something the replay came to that no entry explains: a fill or dump that was not written down; water that left fresh
 * without passing its meter; water that passed it and did not arrive in a waste tank.
 */
export interface Imbalance {
	readonly kind: 'fill' | 'dump' | 'leak' | 'not-arriving';
	readonly pool: number;
	/** it happened after the one and before the other */
	readonly afterMs: number;
	readonly beforeMs: number;
	/** how much, where a reading tells */
	readonly litres?: number;
	/** the level it came to, where a reading tells */
	readonly upToL?: number;
	/** how far the account had run below empty or above full, where that tells of it */
	readonly beyondL?: number;
}

/** An entry that is most likely a slip of the pen: written down twice, or with a digit too many. */
export type LikelySlip =
	| { readonly kind: 'twice'; readonly entry: string; readonly other: string; readonly atMs: number }
	| { readonly kind: 'tenfold'; readonly entry: string; readonly litres: number; readonly atMs: number };
