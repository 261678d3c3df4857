/** Something that holds from a moment on, until the next one says otherwise; rising in time. */
export type Timeline<T> = readonly { readonly ms: number; readonly is: T }[];

/** What holds at a moment; nothing before the first one. */
export const valueAt = <T>(timeline: Timeline<T>, ms: number): T | undefined =>
	timeline.findLast((change) => change.ms <= ms)?.is;

/** The time between two instants, cut where any of some moments lies between them: `[fromMs, toMs]` each. */
export function splitAt(
	fromMs: number,
	toMs: number,
	moments: readonly { readonly ms: number }[]
): readonly (readonly [fromMs: number, toMs: number])[] {
	if (!moments.some(({ ms }) => ms > fromMs && ms < toMs)) return [[fromMs, toMs]];
	const cuts = moments.map(({ ms }) => ms).filter((ms) => ms > fromMs && ms < toMs);
	const edges = [fromMs, ...new Set(cuts.sort((a, b) => a - b)), toMs];
	return edges.slice(1).map((end, i) => [edges[i] ?? fromMs, end] as const);
}
