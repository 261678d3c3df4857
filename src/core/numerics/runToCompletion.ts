/** Runs a computation that pauses on its way to its end, without a pause, and gives what it came to. */
export function runToCompletion<T>(computation: Generator<unknown, T>): T {
	for (;;) {
		const { done, value } = computation.next();
		if (done) return value;
	}
}
