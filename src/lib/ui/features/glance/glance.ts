import { instantMs, type Entry, type EntryOf, type Gauge } from '$core/logbook';

/** The lights of a gauge, lowest first; none where it shows numbers. */
export const lightsOf = ({ curve }: Gauge): readonly string[] =>
	[...curve]
		.sort((a, b) => a.litres - b.litres)
		.flatMap(({ reads }) => (typeof reads === 'string' ? [reads] : []));

/** What each instrument showed last, by its id. */
export function lastShown(entries: readonly Entry[], nowMs: number): ReadonlyMap<string, EntryOf<'reading'>> {
	const last = new Map<string, EntryOf<'reading'>>();
	for (const entry of entries) {
		if (entry.kind !== 'reading' || entry.void || instantMs(entry.at) > nowMs) continue;
		const before = last.get(entry.instrument);
		if (!before || instantMs(entry.at) >= instantMs(before.at)) last.set(entry.instrument, entry);
	}
	return last;
}
