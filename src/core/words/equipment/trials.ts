import { formatLitres, type UnitChoice } from '../../units/index.js';

/** A trial that found more than the tank's rated size. */
export const sayOverRated = (ratedL: number, units: UnitChoice): string =>
	`That is over 15% more than the rated ${formatLitres(ratedL, units)}: did water go elsewhere, or was a jug counted twice?`;

/** Trials that are far from the others. */
export const sayOutliers = (count: number): string =>
	`${count === 1 ? 'One trial is' : `${count} trials are`} far from the others, and still counted. Switch it off if you know why: a leaking valve, a tank not drained, a misread figure.`;

/** What a change leaves of the entries that it makes impossible. */
export const ENTRIES_STAY = 'The entries stay as they are. The levels after them will be less certain.';

/** How much the pump cannot reach, of all that there is. */
export const sayOutOfReach = (deadL: number, usableL: number, units: UnitChoice): string =>
	`The pump can’t reach ${formatLitres(deadL, units)} of ${formatLitres(deadL + usableL, units)} in all.`;

/** What a larger tank is tried with. */
export const TRIED_WITH =
	'Set out full, with empty waste tanks and nothing hooked up, living as your log says.';
/** What the sizes that a stay needs count. */
export const SIZES_COUNT =
	'Reserves and what is kept for drinking are included; jugs and spares behind a tank are not.';
/** How sure a size is before there is a log. */
export const BY_AVERAGE_USE =
	'Enough 9 times in 10, by average use: some people use half of what others do. Two weeks of your own log make it much closer.';
