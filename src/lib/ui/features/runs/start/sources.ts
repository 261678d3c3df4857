import distance from '@turf/distance';
import type { App } from '$lib/state';
import { instantMs, notRetired, type Point, type Service, type Stop, type Trip } from '$core/logbook';

/** The stop of a trip where one is now. */
export const stopNow = (trip: Trip | undefined, nowMs: number): Stop | undefined =>
	trip?.stops.find(
		({ arrive, depart, retired }) => !retired && instantMs(arrive) <= nowMs && instantMs(depart) > nowMs
	);

/** The stop that an act is for: one that was named, else where one is. */
export const stopAtHand = (
	{ tripAtHand, nowMs }: Pick<App, 'tripAtHand' | 'nowMs'>,
	named: string | null
): Stop | undefined => tripAtHand?.stops.find(({ id }) => id === named) ?? stopNow(tripAtHand, nowMs);

/** A place to fill or dump at, to be chosen. */
export interface FillPlace {
	readonly id: string;
	readonly name: string;
	readonly services: readonly Service[];
}

/** Where one can fill or dump: the known points that serve it, the one where one is first. */
export function placesFor(
	points: readonly Point[],
	kinds: readonly Service['kind'][],
	here: Stop | undefined
): readonly FillPlace[] {
	const serves = ({ services }: Pick<Point, 'services'>): boolean =>
		services.some(({ kind }) => kinds.includes(kind));
	return notRetired(points)
		.filter((point) => serves(point) || point.id === here?.point)
		.map(({ id, name, services }) => ({
			id,
			name,
			// What the stop says of today counts more than what the point says of every day.
			services: id === here?.point && here.services.length > 0 ? here.services : services
		}))
		.sort((a, b) => Number(b.id === here?.point) - Number(a.id === here?.point));
}

/** How far one is from a place by the straight line, km; nothing where either is not known. */
const kmFrom = (here: readonly [number, number] | undefined, point: Point): number | undefined =>
	here && distance([...here], [...point.position]);

/** Points with a service, the nearest first, and how far they are. */
export const nearestWith = (
	points: readonly Point[],
	kinds: readonly Service['kind'][],
	here: readonly [number, number] | undefined
): readonly { readonly point: Point; readonly service: Service; readonly km: number | undefined }[] =>
	notRetired(points)
		.flatMap((point) => {
			const service = point.services.find(({ kind }) => kinds.includes(kind));
			return service ? [{ point, service, km: kmFrom(here, point) }] : [];
		})
		.sort((a, b) => (a.km ?? 0) - (b.km ?? 0));

/** What is known of the water at a place. */
export const waterAt = (place: FillPlace | undefined, here: Stop | undefined): Service | undefined =>
	(place?.services ?? here?.services)?.find(({ kind }) => kind === 'water' || kind === 'mains');
