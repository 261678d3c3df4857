/** The end of something that pauses on its way. */
export function ended<T>(living: Generator<unknown, T>): T {
	for (;;) {
		const { done, value } = living.next();
		if (done) return value;
	}
}
