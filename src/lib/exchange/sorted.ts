import { canonical, type Entry, type Point } from '$core/logbook';
import { kmBetween, twinOf } from '$core/places';

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
