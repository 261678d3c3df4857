import { canonical, type Entry, type Point } from '$core/logbook';
import { kmBetween, twinOf, type LatLon } from '$core/places';

/** How a point that comes in stands to those that are here. */
export type Standing =
	| { readonly kind: 'new' }
	/** the same record, as it is here */
	| { readonly kind: 'here' }
	/** the same record, changed */
	| { readonly kind: 'changed'; readonly of: Point }
	/** by its place or name it may be one that is here */
	| { readonly kind: 'twin'; readonly of: Point; readonly km: number };

const plain = ({ edited: _edited, retired: _retired, ...rest }: Point): string => canonical(rest);

/** How a point stands to those that are here. */
export function standingOf(point: Point, here: readonly Point[]): Standing {
	const same = here.find(({ id }) => id === point.id);
	if (same && !same.retired)
		return plain(same) === plain(point) ? { kind: 'here' } : { kind: 'changed', of: same };
	const twin = twinOf(point, here);
	return twin ? { kind: 'twin', of: twin, km: kmBetween(twin.position, point.position) } : { kind: 'new' };
}

/** Nobody goes so far for a tap, km; and so near the others it would be the other way round. */
const FAR_KM = 1500;
const NEAR_KM = 200;
const MOST_LAT = 90;

/** Whether a place is far from all others, and near one of them with latitude and longitude changed about. */
export function looksSwapped([lon, lat]: LatLon, others: readonly LatLon[]): boolean {
	const nearest = (place: LatLon): number => Math.min(...others.map((other) => kmBetween(place, other)));
	return Math.abs(lon) <= MOST_LAT && nearest([lon, lat]) > FAR_KM && nearest([lat, lon]) < NEAR_KM;
}

/** What is to be done with a point that comes in. */
export type Fate = 'keep' | 'join' | 'leave';
/** What is proposed: new ones are kept; what may be here already is left out until a person says otherwise. */
export const fateProposed = ({ kind }: Standing): Fate =>
	kind === 'new' || kind === 'changed' ? 'keep' : 'leave';

/** Entries that are not here yet, or otherwise. */
export const entriesNew = (found: readonly Entry[], here: readonly Entry[]): readonly Entry[] => {
	const known = new Map(here.map((entry) => [entry.id, entry]));
	return found.filter((entry) => {
		const same = known.get(entry.id);
		return !same || canonical(same) !== canonical(entry);
	});
};
