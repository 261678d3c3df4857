import { seaKey, valvesKey, type Regime } from '../../rig/index.js';

/** Caches a function of a regime (and a number) by what the regime says. */
export function cached<A extends readonly unknown[], R>(
	keyOf: (...args: A) => string,
	compute: (...args: A) => R
): (...args: A) => R {
	const known = new Map<string, R>();
	return (...args) => {
		const key = keyOf(...args);
		const before = known.get(key);
		if (before !== undefined) return before;
		const value = compute(...args);
		known.set(key, value);
		return value;
	};
}

/** A regime that carries its own key, so that it need not be spelt out at every step. */
export interface KeyedRegime extends Regime {
	readonly regimeKey?: string;
}

/** What a regime says, as text: equal for regimes that are alike. */
export const regimeKeyOf = ({ mains, sewer, ashore = false, measures, sea }: Regime): string =>
	`${mains}|${valvesKey(sewer)}|${ashore}|${seaKey(sea)}|${measures.join('|')}`;

/** The same, as it was kept with the regime, where it was. */
export const regimeKey = (regime: KeyedRegime): string => regime.regimeKey ?? regimeKeyOf(regime);
