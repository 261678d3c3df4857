import { instantMs, zonedTime, type Entry, type Point, type Trip } from '../logbook/index.js';

/** A visit at a point after which nobody has said that it is still so. */
export interface Visit {
	readonly point: Point;
	readonly atMs: number;
	readonly did: 'fill' | 'dump' | 'stop';
}

const DAY_MS = 86_400_000;
/** After so many days nobody remembers. */
const REMEMBERED_DAYS = 21;

/** Where an entry says that one was. */
function pointOf(entry: Entry, trips: readonly Trip[]): string | undefined {
	if (entry.kind === 'fill') return entry.point;
	if (entry.kind === 'dump') return entry.where;
	if (entry.kind !== 'stop' || entry.event !== 'arrive') return undefined;
	return trips.flatMap(({ stops }) => stops).find(({ id }) => id === entry.stop)?.point;
}

/** Points where one has been lately, later than they were last seen to be so: the latest visit first. */
export function toConfirm(
	points: readonly Point[],
	entries: readonly Entry[],
	trips: readonly Trip[],
	nowMs: number,
	timeZone: string
): readonly Visit[] {
	const known = new Map(points.filter(({ retired }) => !retired).map((point) => [point.id, point]));
	const visits = new Map<string, Visit>();
	for (const entry of entries) {
		const point = entry.void ? undefined : known.get(pointOf(entry, trips) ?? '');
		const atMs = instantMs(entry.at);
		if (!point || atMs > nowMs || atMs < nowMs - REMEMBERED_DAYS * DAY_MS) continue;
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
