import { zonedTime } from '$core/time';
import { instantMs, type Entry } from '$core/logbook';

/** What was written on one day, or a part of that: long days come in pieces, so that no piece is long to draw. */
export interface DayPart {
	readonly day: string;
	readonly entries: readonly Entry[];
	/** all of that day, where this is its first part */
	readonly whole: readonly Entry[] | undefined;
}

/** Entries of one part at most. */
const MOST = 25;

/** Entries by the calendar day of a zone, in the order in which they come. */
export function byDay(entries: readonly Entry[], timeZone: string): readonly DayPart[] {
	const days = new Map<string, Entry[]>();
	for (const entry of entries) {
		const { day } = zonedTime(instantMs(entry.at), timeZone);
		const own = days.get(day);
		if (own) own.push(entry);
		else days.set(day, [entry]);
	}
	return [...days].flatMap(([day, whole]) =>
		Array.from({ length: Math.ceil(whole.length / MOST) }, (_, i) => ({
			day,
			entries: whole.slice(MOST * i, MOST * (i + 1)),
			whole: i === 0 ? whole : undefined
		}))
	);
}
