import { xoroshiro128plus } from 'pure-rand';

/** A source of random numbers that gives the same ones for the same seed, on any machine. */
export interface Random {
	/** uniform in [0, 1) */
	uniform(): number;
	/** standard normal (Box and Muller 1958) */
	normal(): number;
}

export function seeded(seed: number): Random {
	const generator = xoroshiro128plus(Math.trunc(seed));
	let spare: number | undefined;
	const uniform = (): number => (generator.unsafeNext() >>> 0) / 4294967296;
	return {
		uniform,
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
