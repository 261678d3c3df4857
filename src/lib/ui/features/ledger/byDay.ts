import { zonedTime } from '$core/time';
import { instantMs, type Entry } from '$core/logbook';

/** Entries by the calendar day of a zone, in the order in which they come. */
export function byDay(
	entries: readonly Entry[],
	timeZone: string
): readonly (readonly [day: string, entries: readonly Entry[]])[] {
	const days = new Map<string, Entry[]>();
	for (const entry of entries) {
		const { day } = zonedTime(instantMs(entry.at), timeZone);
		const own = days.get(day);
		if (own) own.push(entry);
		else days.set(day, [entry]);
	}
	return [...days];
}
