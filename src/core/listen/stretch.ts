/** From when to when something was heard. */
export interface Stretch {
	readonly fromMs: number;
	readonly toMs: number;
}

/** One is mostly within the other: so much of the shorter one. */
const MOSTLY = 0.5;

/**
 * How far two stretches are the same, 0 … 1: what they have in common of what they span together (Jaccard 1901); 0 where less than
 * half of the shorter one lies in the other.
 */
export function sameStretch(a: Stretch, b: Stretch): number {
	const common = Math.min(a.toMs, b.toMs) - Math.max(a.fromMs, b.fromMs);
	if (!(common > MOSTLY * Math.min(a.toMs - a.fromMs, b.toMs - b.fromMs))) return 0;
	return common / (Math.max(a.toMs, b.toMs) - Math.min(a.fromMs, b.fromMs));
}
