import { seeded, type Random } from '../../numerics/index.js';

/** What chance decides of a path, once or every day. */
const VARIABLES = [
	'level',
	'usable',
	'litres',
	'unlogged',
	'cadence',
	'phase',
	'day',
	'times',
	'amount',
	'left',
	'served',
	'pace',
	'weekend',
	'inflow',
	'inflow by day'
] as const;
/** What has a stream of chance of its own. */
export type Variable = (typeof VARIABLES)[number];

/**
 * A stream of chance of its own for each variable (common random numbers): what one of them is asked for changes nothing
 * of what the others give, so that two forecasts differ only by what differs between them.
 */
export const chanceStream = (seed: number, variable: Variable, index = 0): Random =>
	seeded(Math.trunc(seed) * 7919 + VARIABLES.indexOf(variable) * 104_729 + index * 1_299_709);
