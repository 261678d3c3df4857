import type { EntryOf, Point } from '../logbook/index.js';

/** Whether water of a source is drinking water: a sign or a person said so, said no, or nobody said. */
export type Potable = 'yes' | 'no' | 'unknown';

/** Whether a fill says that it is drinking water, or the point does where it was filled. */
export function potableOf(
	fill: Pick<EntryOf<'fill'>, 'potable' | 'point'>,
	points: readonly Point[]
): Potable {
	if (fill.potable !== undefined) return fill.potable ? 'yes' : 'no';
	const taps = points
		.find(({ id }) => id === fill.point)
		?.services.filter(({ kind }) => kind === 'water' || kind === 'mains');
	if (!taps || taps.length === 0) return 'unknown';
	if (taps.every(({ potable }) => potable === true)) return 'yes';
	return taps.every(({ potable }) => potable === false) ? 'no' : 'unknown';
}
