/**
 * Dose arithmetic: what a label and a target ask for in millilitres. Whether and with what to treat water is the health
 * authority's and the label's word; what would be outside usual practice is refused with its reason.
 */

/** What goes into a tank to sanitise it. */
export type Product = 'plain-bleach' | 'scented-bleach' | 'other';
/** What may still be in the tank or the pipes from before. */
export type LeftInside = 'nothing' | 'acid' | 'ammonia' | 'other';

/**
 * Concentration times contact time of a sanitising soak, mg/L · h: 50 mg/L for four hours, as is usual practice for tanks that
 * are rinsed afterwards. Half the strength asks for twice the time.
 */
export const CONTACT_MG_H_PER_L = 200;
/** The strengths that are offered, mg/L of free chlorine. */
export const STRENGTHS_MG_PER_L: readonly number[] = Object.freeze([25, 50, 100]);

/** Above this nobody sanitises a drinking-water tank, mg/L of free chlorine. */
export const MOST_MG_PER_L = 100;
/** Below this it does not do what it should. */
const LEAST_MG_PER_L = 5;
/** What is sold for the household is within these, percent by mass over volume. */
const STRENGTH = { least: 0.5, most: 15 } as const;
/** Rinsed until no more than this is left, mg/L: no stronger than tap water commonly is. */
const RINSED_TO_MG_PER_L = 1;
/** Once is not enough, however little stays. */
const LEAST_RINSES = 2;
/** Older bleach is thrown away: what is left of it nobody knows. */
const OLDEST_YEARS = 3;
/** Where a tank keeps nearly all that is in it, rinsing helps no more. */
const MOST_RINSES = 20;

/** What of its chlorine a bottle keeps in a year, in a cool place; in heat less. */
const KEPT_A_YEAR = 0.8;
/** Of heater and pipes so much stays when low points and heater drain are open, as a share. */
const STAYS_BEHIND_LOW_POINTS = 0.1;

/** What a sanitising dose is worked out from: litres of the system, the strength of the bleach in per cent, the wanted mg/L. */
export interface SanitisingAsk {
	/** litres of tank, and of heater and pipes, that are treated */
	readonly tankL: number;
	readonly systemL: number;
	/** litres that stay in the tank when it is drained */
	readonly staysL: number;
	/** low points and heater drain are opened at each rinse; else all that is in heater and pipes stays */
	readonly lowPoints: boolean;
	/** free chlorine wanted, mg/L */
	readonly mgPerL: number;
	/** strength as on the label, percent */
	readonly percent: number;
	/** how long ago the bleach was made or bought, years; nothing where nobody knows */
	readonly ageYears: number | undefined;
	readonly product: Product;
	readonly inside: LeftInside;
}

/** Why no dose is given: what is asked would be unsafe, or what is known does not do. */
export type DoseRefusal =
	| { readonly kind: 'no-volume' }
	| { readonly kind: 'strength'; readonly percent: number; readonly least: number; readonly most: number }
	| { readonly kind: 'too-strong'; readonly mgPerL: number; readonly most: number }
	| { readonly kind: 'too-weak'; readonly mgPerL: number; readonly least: number }
	| { readonly kind: 'product'; readonly product: Exclude<Product, 'plain-bleach'> }
	| { readonly kind: 'too-old'; readonly years: number; readonly most: number }
	| { readonly kind: 'mixed'; readonly inside: Exclude<LeftInside, 'nothing'> }
	| { readonly kind: 'not-for-drinking' }
	| { readonly kind: 'cannot-rinse'; readonly staysL: number };

/** A dose of bleach, ml, with how long it is to soak and how it is rinsed. */
export interface SanitisingDose {
	readonly ml: number;
	readonly treatedL: number;
	readonly soakHours: number;
	readonly rinses: number;
	/** clean water for the rinses, litres */
	readonly rinseL: number;
	/** what is then left, mg/L */
	readonly leavesMgPerL: number;
	/** what stays of each filling, as a share: in the tank, in heater and pipes */
	readonly keptShare: number;
	/** strength that was reckoned with, percent: that of the label, less what its age has taken */
	readonly percent: number;
}

/** A dose, or why there is none. */
export type DoseAnswer<T> =
	({ readonly ok: true } & T) | { readonly ok: false; readonly refused: DoseRefusal };
const refuse = (refused: DoseRefusal): { readonly ok: false; readonly refused: DoseRefusal } => ({
	ok: false,
	refused
});

/**
 * Millilitres of plain household bleach for a concentration: V · c ÷ (10 · percent), since p % holds 10·p mg in each
 * millilitre; an old bottle holds less. How long it soaks: by concentration × time. How often one rinses: each rinse thins what
 * stays in tank, heater and pipes by what stays over all that is filled.
 *
 * Where nobody knows how old the bleach is, the dose is that of a new bottle, and the soak that of one a year old.
 */
export function sanitisingDose(ask: SanitisingAsk): DoseAnswer<SanitisingDose> {
	const { tankL, systemL, staysL, lowPoints, mgPerL, percent: label, ageYears, product, inside } = ask;
	const treatedL = tankL + systemL;
	if (!(treatedL > 0) || !(systemL >= 0) || !Number.isFinite(treatedL)) return refuse({ kind: 'no-volume' });
	if (inside !== 'nothing') return refuse({ kind: 'mixed', inside });
	if (product !== 'plain-bleach') return refuse({ kind: 'product', product });
	if (!(label >= STRENGTH.least && label <= STRENGTH.most))
		return refuse({ kind: 'strength', percent: label, ...STRENGTH });
	if (!(mgPerL <= MOST_MG_PER_L)) return refuse({ kind: 'too-strong', mgPerL, most: MOST_MG_PER_L });
	if (!(mgPerL >= LEAST_MG_PER_L)) return refuse({ kind: 'too-weak', mgPerL, least: LEAST_MG_PER_L });
	if (ageYears !== undefined && !(ageYears >= 0 && ageYears <= OLDEST_YEARS))
		return refuse({ kind: 'too-old', years: ageYears, most: OLDEST_YEARS });
	const systemStaysL = (lowPoints ? STAYS_BEHIND_LOW_POINTS : 1) * systemL;
	const kept = (Math.max(0, staysL) + systemStaysL) / treatedL;
	if (!(kept < 1)) return refuse({ kind: 'cannot-rinse', staysL: Math.max(0, staysL) + systemStaysL });
	const needed = kept > 0 ? Math.ceil(Math.log(mgPerL / RINSED_TO_MG_PER_L) / -Math.log(kept) - 1e-9) : 1;
	if (!(needed <= MOST_RINSES)) return refuse({ kind: 'cannot-rinse', staysL: staysL + systemStaysL });
	const rinses = Math.max(LEAST_RINSES, needed);
	const percent = label * KEPT_A_YEAR ** (ageYears ?? 0);
	return {
		ok: true,
		ml: (treatedL * mgPerL) / (10 * percent),
		treatedL,
		soakHours: soakHours(mgPerL * (ageYears === undefined ? KEPT_A_YEAR : 1)),
		rinses,
		rinseL: rinses * treatedL,
		leavesMgPerL: mgPerL * kept ** rinses,
		keptShare: kept,
		percent
	};
}

/** Hours of soaking at a concentration, to the next half: concentration × time is what counts. */
export const soakHours = (mgPerL: number): number => Math.ceil((2 * CONTACT_MG_H_PER_L) / mgPerL - 1e-9) / 2;

/** What a dose of treatment is worked out from: what the label says, and what is in the tank, litres. */
export interface TreatmentAsk {
	/** what the label says: so many millilitres for so many litres of tank */
	readonly labelMl: number;
	readonly labelL: number;
	/** litres that serve of the tank */
	readonly tankL: number;
	/** water that goes back with it, litres */
	readonly waterL: number;
	readonly inside: LeftInside;
}

/** Treatment of a black tank after a dump, by its label, for the whole tank. */
export function treatmentDose({
	labelMl,
	labelL,
	tankL,
	waterL,
	inside
}: TreatmentAsk): DoseAnswer<{ readonly ml: number; readonly waterL: number }> {
	if (inside !== 'nothing') return refuse({ kind: 'mixed', inside });
	if (!(labelMl > 0) || !(labelL > 0) || !(tankL > 0) || !Number.isFinite((labelMl * tankL) / labelL))
		return refuse({ kind: 'no-volume' });
	return { ok: true, ml: (labelMl * tankL) / labelL, waterL };
}

/** What a dose of drinking-water treatment is worked out from: its label, and what is in the tank now, litres. */
export interface WaterDoseAsk {
	/** what the label says: so much, in its own unit (mL, drops, tablets), for so many litres of water */
	readonly labelAmount: number;
	readonly labelL: number;
	/** litres that are in the tank */
	readonly waterL: number;
	/** it is sold for drinking water, and its label says how to dose it */
	readonly forDrinking: boolean;
	readonly inside: LeftInside;
}

/** How much of a drinking-water treatment for the water that is in a tank, in the unit of its label. */
export function waterDose({
	labelAmount,
	labelL,
	waterL,
	forDrinking,
	inside
}: WaterDoseAsk): DoseAnswer<{ readonly amount: number }> {
	if (inside !== 'nothing') return refuse({ kind: 'mixed', inside });
	if (!forDrinking) return refuse({ kind: 'not-for-drinking' });
	if (!(labelAmount > 0) || !(labelL > 0) || !(waterL > 0)) return refuse({ kind: 'no-volume' });
	const amount = (labelAmount * waterL) / labelL;
	return Number.isFinite(amount) ? { ok: true, amount } : refuse({ kind: 'no-volume' });
}
