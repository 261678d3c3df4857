import { normalQuantile } from '../../estimate/index.js';
import { xoroshiro128plus } from 'pure-rand';

/** A source of random numbers that gives the same ones for the same seed, on any machine. */
export interface Random {
	/** uniform in [0, 1) */
	uniform(): number;
	/** standard normal (Box and Muller 1958) */
	normal(): number;
	/** where in the table of `normalAt` the next number stands */
	slot(): number;
}

const WARM_UP = 64;

const TABLE_BITS = 13;
/** The middles of equally likely slices of the standard normal: a tenth of the time of `normal`, tails to ±3.8. */
const SLICES = Float64Array.from({ length: 2 ** TABLE_BITS }, (_, i) =>
	normalQuantile((i + 0.5) / 2 ** TABLE_BITS)
);

/** A standard normal from the table of equally likely values. */
export const normalAt = (slot: number): number => SLICES[slot] as number;

/** The uniform number, 0 … 1, that stands where a normal one of the table does: both rise together. */
export const uniformAt = (slot: number): number => (slot + 0.5) / 2 ** TABLE_BITS;

export function seeded(seed: number): Random {
	const generator = xoroshiro128plus(Math.trunc(seed));
	// Its state begins with few bits set: the first numbers of neighbouring seeds are alike.
	for (let i = 0; i < WARM_UP; i++) generator.unsafeNext();
	let spare: number | undefined;
	const uniform = (): number => (generator.unsafeNext() >>> 0) / 4294967296;
	return {
		uniform,
		slot: () => generator.unsafeNext() >>> (32 - TABLE_BITS),
		normal: () => {
			if (spare !== undefined) {
				const kept = spare;
				spare = undefined;
				return kept;
			}
			const radius = Math.sqrt(-2 * Math.log(1 - uniform()));
			const angle = 2 * Math.PI * uniform();
			spare = radius * Math.sin(angle);
			return radius * Math.cos(angle);
		}
	};
}

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
	'served'
] as const;
export type Variable = (typeof VARIABLES)[number];

/**
 * A stream of chance of its own for each variable (common random numbers): what one of them is asked for changes nothing
 * of what the others give, so that two forecasts differ only by what differs between them.
 */
export const streamOf = (seed: number, variable: Variable, index = 0): Random =>
	seeded(Math.trunc(seed) * 7919 + VARIABLES.indexOf(variable) * 104_729 + index * 1_299_709);
