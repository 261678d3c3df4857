import type { Point, Service } from '$core/logbook';
import { nearPlace, nearWay, type NearPoint, type LatLon, type Route } from '$core/places';
import { sayServices } from '$core/words';
import MiniSearch from 'minisearch';

/** What points are looked for. */
export interface PointWish {
	readonly text: string;
	readonly kinds: readonly Service['kind'][];
	/** only where it is called drinking water */
	readonly drinking: boolean;
	readonly near: { readonly place: LatLon } | { readonly way: Route; readonly withinKm: number } | undefined;
}

/** A point of the list; how far it is, where that was asked. */
export type Listed = Pick<NearPoint, 'point'> & Partial<Omit<NearPoint, 'point'>>;

const LONGEST_SLIP = 0.2;
/** What else people call what is there. */
const ALSO: Readonly<Record<Service['kind'], string>> = {
	water: 'tap',
	grey: 'waste',
	black: 'black, disposal, toilet',
	mains: 'hook-up',
	sewer: 'hook-up'
};
/** The points in which each word of a text stands, a slip or an unfinished word notwithstanding; the best first. */
function bySearch(points: readonly Point[], text: string): readonly Point[] {
	const index = new MiniSearch<Record<string, string>>({ fields: ['name', 'what', 'more'], idField: 'id' });
	index.addAll(
		points.map(({ id, name, services, access, hours, season, source, note }) => ({
			id,
			name,
			what: [sayServices(services), ...services.map(({ kind }) => ALSO[kind])].join(' '),
			more: [access, hours, season, source, note, ...services.map((service) => service.note)]
				.filter(Boolean)
				.join(' ')
		}))
	);
	const known = new Map(points.map((point) => [point.id, point]));
	return index
		.search(text, { prefix: true, fuzzy: LONGEST_SLIP, combineWith: 'AND', boost: { name: 2 } })
		.flatMap(({ id }) => known.get(id as string) ?? []);
}

const serves = ({ services }: Point, kind: Service['kind'], drinking: boolean): boolean =>
	services.some(
		(service) => service.kind === kind && (kind !== 'water' || !drinking || service.potable === true)
	);

/** The points that are wanted: near something in the order in which they come, else as they were found or by name. */
export function chosenFrom(
	points: readonly Point[],
	{ text, kinds, drinking, near }: PointWish
): readonly Listed[] {
	const named =
		text.trim() === '' ? [...points].sort((a, b) => a.name.localeCompare(b.name)) : bySearch(points, text);
	const asked = drinking && !kinds.includes('water') ? [...kinds, 'water' as const] : kinds;
	const served = named.filter((point) => asked.every((kind) => serves(point, kind, drinking)));
	if (!near) return served.map((point) => ({ point }));
	return 'place' in near ? nearPlace(served, near.place) : nearWay(served, near.way, near.withinKm);
}
