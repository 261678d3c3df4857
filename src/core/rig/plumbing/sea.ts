/**
 * What a boat's valves have the sea do for now: outlets that are flushed with sea water, and waste tanks past which a Y-valve leads
 * overboard. Whether that is lawful is another question.
 */
export interface SeaState {
	readonly flush?: readonly string[] | undefined;
	readonly waste?: readonly string[] | undefined;
}

/** Whether an outlet draws sea water. */
export const drawsSea = (sea: SeaState | undefined, outlet: string): boolean =>
	sea?.flush?.includes(outlet) === true;

/** Whether what would run into a tank goes overboard past it. */
export const goesOverboard = (sea: SeaState | undefined, tank: string): boolean =>
	sea?.waste?.includes(tank) === true;

/** What the sea does, as text: equal for what is alike, empty where it does nothing. */
export function seaKey(sea: SeaState | undefined): string {
	const { flush = [], waste = [] } = sea ?? {};
	return flush.length + waste.length === 0
		? ''
		: `${[...flush].sort().join(',')}>${[...waste].sort().join(',')}`;
}
