import { normalQuantile } from './normal.js';
import { xoroshiro128plus } from 'pure-rand';

/** A source of random numbers that gives the same ones for the same seed, on any machine. */
export interface Random {
	/** 32 random bits as a whole number, 0 … 2³² − 1 */
	bits(): number;
	/** uniform in [0, 1) */
	uniform(): number;
	/** standard normal (Box and Muller 1958) */
	normal(): number;
	/** where in the table of `normalAt` the next number stands */
	slot(): number;
}

/** The generator's state begins with few bits set: the first numbers of neighbouring seeds are alike. */
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

/** A stream of random numbers (xoroshiro128+, Blackman and Vigna 2018). */
export function seeded(seed: number): Random {
	const generator = xoroshiro128plus(Math.trunc(seed));
	for (let i = 0; i < WARM_UP; i++) generator.unsafeNext();
	let spare: number | undefined;
	const bits = (): number => generator.unsafeNext() >>> 0;
	const uniform = (): number => bits() / 4294967296;
	return {
		bits,
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
