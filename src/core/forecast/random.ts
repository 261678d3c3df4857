import { normalQuantile } from '../estimate/index.js';
import { xoroshiro128plus } from 'pure-rand';

/** A source of random numbers that gives the same ones for the same seed, on any machine. */
export interface Random {
	/** uniform in [0, 1) */
	uniform(): number;
	/** standard normal (Box and Muller 1958) */
	normal(): number;
	/** standard normal from a table of equally likely values: a tenth of the time, tails to ±3.8 */
	quickNormal(): number;
}

const WARM_UP = 64;

const TABLE_BITS = 13;
/** The middles of equally likely slices of the standard normal. */
const SLICES = Float64Array.from({ length: 2 ** TABLE_BITS }, (_, i) =>
	normalQuantile((i + 0.5) / 2 ** TABLE_BITS)
);

export function seeded(seed: number): Random {
	const generator = xoroshiro128plus(Math.trunc(seed));
	// Its state begins with few bits set: the first numbers of neighbouring seeds are alike.
	for (let i = 0; i < WARM_UP; i++) generator.unsafeNext();
	let spare: number | undefined;
	const uniform = (): number => (generator.unsafeNext() >>> 0) / 4294967296;
	return {
		uniform,
		quickNormal: () => SLICES[generator.unsafeNext() >>> (32 - TABLE_BITS)] as number,
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
