import { basisOf, type Basis, type Estimate } from '$core/estimate';
import { sayWhy } from '$core/words';

/** Why a level is what it is: in a sentence, and the entries that it rests on. */
export interface WhyLevel {
	readonly why: string;
	readonly basis: readonly Basis[];
}

/** Why a level is what it is at an estimate's moment. */
export function whyLevelOf(estimate: Estimate, tank: string, timeZone: string): WhyLevel {
	const basis = basisOf(estimate, [tank]).get(tank) ?? [];
	return { why: sayWhy(estimate, tank, basis, timeZone), basis };
}
