import type { Entry, Logbook, Point, Problem, Stop } from '../logbook/index.js';
import type { LatLon } from '../places/index.js';

/** What was found in a file of an open format; nothing of it is kept yet. */
export interface Imported {
	readonly points: readonly Point[];
	readonly stops: readonly Stop[];
	readonly entries: readonly Entry[];
	/** where a route, a track or a line leads, in the order of the file */
	readonly track?: readonly LatLon[];
	/** what did not fit, each with its line or path */
	readonly problems: readonly Problem[];
}

/** What is known where a file is read. */
export interface ReadingContext {
	/** the rig that entries without one are of */
	readonly rig?: string | undefined;
	/** the zone of times that say none */
	readonly timeZone?: string | undefined;
	/** the logbook that the file is read beside: names in it are understood, and what it lacks is a problem */
	readonly logbook?: Logbook | undefined;
	/** told now and then how much of the file has been looked at, 0 … 1 */
	readonly onprogress?: ((done: number) => void) | undefined;
}

/** The zone of times that say none: the one that is known, else that of the rig, else that of its trips where they have one alone. */
export function zoneOf({ timeZone, logbook, rig: id }: ReadingContext): string | undefined {
	if (timeZone !== undefined || !logbook) return timeZone;
	const rig = logbook.rigs.find((one) => id === undefined || one.id === id);
	const zones = new Set(logbook.trips.filter((trip) => trip.rig === rig?.id).map((trip) => trip.timeZone));
	return rig?.timeZone ?? (zones.size === 1 ? [...zones][0] : undefined);
}

/** So many problems are listed one by one. */
const MOST_LISTED = 100;

/** Gathers what is found and what is wrong. */
export class Findings {
	readonly points: Point[] = [];
	readonly stops: Stop[] = [];
	readonly entries: Entry[] = [];
	readonly track: LatLon[] = [];
	readonly #problems: Problem[] = [];
	#more = 0;

	/** Something that does not fit: where, what was expected, what stands there. */
	wrong(path: string, expected: string, got: string): void {
		if (this.#problems.length < MOST_LISTED) this.#problems.push({ path, expected, got });
		else this.#more++;
	}

	/** Whether nothing was found, and nothing wrong either. */
	get nothing(): boolean {
		const found = [this.points, this.stops, this.entries, this.track, this.#problems];
		return found.every((list) => list.length === 0);
	}

	/** What was found, in its end. */
	get ended(): Imported {
		const { points, stops, entries, track } = this;
		const more = { path: '$', expected: 'fewer problems', got: `${this.#more} more of this kind` };
		return {
			points,
			stops: [...stops].sort((a, b) => Date.parse(a.arrive) - Date.parse(b.arrive)),
			entries,
			...(track.length > 0 ? { track } : {}),
			problems: this.#more > 0 ? [...this.#problems, more] : this.#problems
		};
	}
}

/** A text in a message, short enough to be read. */
export const quoted = (text: string): string => {
	const MOST = 60;
	return JSON.stringify(text.length > MOST ? `${text.slice(0, MOST)}…` : text);
};
