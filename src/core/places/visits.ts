import { DAY_MS, zonedTime } from '../time/index.js';
import { instantMs, notRetired, type Entry, type Point, type Trip } from '../logbook/index.js';

/** A visit at a point after which nobody has said that it is still so. */
export interface Visit {
	readonly point: Point;
	readonly atMs: number;
	readonly did: 'fill' | 'dump' | 'stop';
}

/** After so many days nobody remembers. */
const REMEMBERED_DAYS = 21;

/** Where an entry says that one was; a stop is at its point. */
function pointOf(entry: Entry, stops: ReadonlyMap<string, string | undefined>): string | undefined {
	if (entry.kind === 'fill') return entry.point;
	if (entry.kind === 'dump') return entry.where;
	return entry.kind === 'stop' && entry.event === 'arrive' ? stops.get(entry.stop) : undefined;
}

/** Points where one has been lately, later than they were last seen to be so: the latest visit first. */
export function toConfirm(
	points: readonly Point[],
	entries: readonly Entry[],
	trips: readonly Trip[],
	nowMs: number,
	timeZone: string
): readonly Visit[] {
	const known = new Map(notRetired(points).map((point) => [point.id, point]));
	const stops = new Map(trips.flatMap((trip) => trip.stops.map(({ id, point }) => [id, point] as const)));
	const visits = new Map<string, Visit>();
	for (const entry of entries) {
		const point = entry.void ? undefined : known.get(pointOf(entry, stops) ?? '');
		// Of ten years' entries few are at a place: the time of no other is read.
		if (!point) continue;
		const atMs = instantMs(entry.at);
		if (atMs > nowMs || atMs < nowMs - REMEMBERED_DAYS * DAY_MS) continue;
		if (point.verified !== undefined && point.verified >= zonedTime(atMs, timeZone).day) continue;
		const before = visits.get(point.id);
		// Who dumped has seen the drain: that says more than having been there.
		const did = entry.kind === 'fill' || entry.kind === 'dump' ? entry.kind : (before?.did ?? 'stop');
		visits.set(point.id, { point, atMs: Math.max(atMs, before?.atMs ?? 0), did });
	}
	return [...visits.values()].sort((a, b) => b.atMs - a.atMs);
}

/** A point that is still as it was on a day: it and all there is at it. */
export const seenOn = (point: Point, day: string): Point => ({
	...point,
	verified: day,
	services: point.services.map((service) => ({ ...service, verified: day }))
});
