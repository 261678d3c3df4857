/** What waits to be made, in the order in which it stands on the page; and what has come since the last turn. */
let waiting: readonly (() => void)[] = [];
let come: readonly (() => void)[] = [];
let asked = false;

const ask = (): unknown => requestAnimationFrame(() => setTimeout(next));

/** One a frame: a tap is heard in between. */
function next(): void {
	// What a part brought with it stands in it, before all that comes after it.
	const [first, ...rest] = [...come, ...waiting];
	[come, waiting] = [[], rest];
	asked = first !== undefined;
	if (!first) return;
	first();
	ask();
}

/** Waits for a turn. @returns waits no longer */
export function waitForTurn(turn: () => void): () => void {
	come = [...come, turn];
	if (!asked) ask();
	asked = true;
	const others = (turns: readonly (() => void)[]) => turns.filter((one) => one !== turn);
	return () => void ([come, waiting] = [others(come), others(waiting)]);
}
