/** Lets one piece of work on the store go at a time. */
export type Turns = <T>(work: () => Promise<T>) => Promise<T>;

/** Turns within one tab, for tests and for browsers without locks. */
export function queuedTurns(): Turns {
	let last: Promise<unknown> = Promise.resolve();
	return (work) => {
		const turn = last.then(work);
		last = turn.catch(() => undefined);
		return turn;
	};
}

/** Turns among all tabs of this origin (Web Locks); within this tab where the browser has none. */
export function browserTurns(name: string): Turns {
	if (!('locks' in navigator)) return queuedTurns();
	return <T>(work: () => Promise<T>) => navigator.locks.request(name, work) as Promise<T>;
}
