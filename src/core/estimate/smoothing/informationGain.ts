import { initialState, type Estimate } from '../filter/index.js';
import { step } from '../gating/index.js';
import type { Basis } from './sensitivity.js';

/** What is known of a habit's litres, and from where: the shares of the prior and of all entries add to 1. */
export interface InformationShares {
	/** share of what the rig states */
	readonly stated: number;
	/** entries that taught something, most first */
	readonly basis: readonly Basis[];
}

/** Below this share an entry has taught nothing worth saying. */
const LEAST = 1e-4;

/**
 * From where the litres of one time of a habit are known: the rig's own figure and each entry by the precision
 * (inverse variance) that it added, in the order in which they came. Replays the entries once.
 *
 * @returns nothing for a habit that the rig does not have
 */
export function informationGain(
	{ model, entries, failing }: Estimate,
	habitId: string
): InformationShares | undefined {
	const index = model.habitRow.get(habitId);
	if (index === undefined) return undefined;
	const state = initialState(model);
	const precision = (): number => 1 / state.belief.sdOf(index) ** 2;
	const first = precision();
	let before = first;
	const gained: { readonly entry: string; readonly gain: number }[] = [];
	if (Number.isFinite(first))
		for (const entry of entries) {
			step(model, state, entry, failing);
			const now = precision();
			if (now > before) gained.push({ entry: entry.id, gain: now - before });
			before = now;
		}
	const total = gained.reduce((sum, { gain }) => sum + gain, first);
	const basis = gained
		.map(({ entry, gain }) => ({ entry, weight: gain / total }))
		.filter(({ weight }) => weight >= LEAST)
		.sort((a, b) => b.weight - a.weight);
	return {
		stated: Number.isFinite(first) ? 1 - basis.reduce((sum, { weight }) => sum + weight, 0) : 1,
		basis
	};
}
