/**
 * Dose arithmetic: what a label and a target ask for in millilitres. Whether and with what to treat water is the health
 * authority's and the label's word; what would be outside usual practice is refused with its reason.
 */

/** What goes into a tank to sanitise it. */
export type Product = 'plain-bleach' | 'scented-bleach' | 'other';
/** What may still be in the tank or the pipes from before. */
export type LeftInside = 'nothing' | 'acid' | 'ammonia' | 'other';

/** Free chlorine while it soaks, and for how long: usual practice for tanks that are rinsed afterwards. */
export const SOAKS: readonly { readonly mgPerL: number; readonly hours: number }[] = Object.freeze([
	{ mgPerL: 50, hours: 4 },
	{ mgPerL: 100, hours: 1 }
]);

/** Above this nobody sanitises a tank that one drinks from, mg/L of free chlorine. */
export const MOST_MG_PER_L = 100;
/** Below this it does not do what it should. */
const LEAST_MG_PER_L = 5;
/** What is sold for the household is within these, percent by mass over volume. */
const STRENGTH = { least: 0.5, most: 15 } as const;
/** Rinsed until no more than this is left, mg/L: no stronger than tap water commonly is. */
const RINSED_TO_MG_PER_L = 1;
/** Once is not enough, however little stays. */
const LEAST_RINSES = 2;
/** Where a tank keeps nearly all that is in it, rinsing helps no more. */
const MOST_RINSES = 20;

/** What a sanitising dose is reckoned from: litres of the system, the strength of the bleach in per cent, the wanted mg/L. */
export interface SanitisingAsk {
	/** litres of tank, and of heater and pipes, that are treated */
	readonly tankL: number;
	readonly systemL: number;
	/** litres that stay when the tank is drained */
	readonly staysL: number;
	/** free chlorine wanted, mg/L */
	readonly mgPerL: number;
	/** strength as on the label, percent */
	readonly percent: number;
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
	| { readonly kind: 'mixed'; readonly inside: Exclude<LeftInside, 'nothing'> }
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
 * millilitre. How long it soaks, and how often one rinses: each rinse dilutes what stays, by what stays over what is filled.
 */
export function sanitisingDose(ask: SanitisingAsk): DoseAnswer<SanitisingDose> {
	const { tankL, systemL, staysL, mgPerL, percent, product, inside } = ask;
	const treatedL = tankL + systemL;
	if (!(treatedL > 0) || !(systemL >= 0) || !Number.isFinite(treatedL)) return refuse({ kind: 'no-volume' });
	if (inside !== 'nothing') return refuse({ kind: 'mixed', inside });
	if (product !== 'plain-bleach') return refuse({ kind: 'product', product });
	if (!(percent >= STRENGTH.least && percent <= STRENGTH.most))
		return refuse({ kind: 'strength', percent, ...STRENGTH });
	if (!(mgPerL <= MOST_MG_PER_L)) return refuse({ kind: 'too-strong', mgPerL, most: MOST_MG_PER_L });
	if (!(mgPerL >= LEAST_MG_PER_L)) return refuse({ kind: 'too-weak', mgPerL, least: LEAST_MG_PER_L });
	const kept = Math.max(0, staysL) / treatedL;
	if (!(kept < 1)) return refuse({ kind: 'cannot-rinse', staysL });
	const needed = kept > 0 ? Math.ceil(Math.log(mgPerL / RINSED_TO_MG_PER_L) / -Math.log(kept) - 1e-9) : 1;
	if (!(needed <= MOST_RINSES)) return refuse({ kind: 'cannot-rinse', staysL });
	const rinses = Math.max(LEAST_RINSES, needed);
	return {
		ok: true,
		ml: (treatedL * mgPerL) / (10 * percent),
		treatedL,
		soakHours: soakHours(mgPerL),
		rinses,
		rinseL: rinses * treatedL,
		leavesMgPerL: mgPerL * kept ** rinses
	};
}

/** Concentration times time stays the same, as the table has it; weaker than its first row soaks no longer than overnight. */
function soakHours(mgPerL: number): number {
	const row = SOAKS.find((one) => mgPerL <= one.mgPerL) ?? SOAKS[SOAKS.length - 1];
	if (!row) return 0;
	return mgPerL >= row.mgPerL ? row.hours : Math.min(12, Math.ceil((row.hours * row.mgPerL) / mgPerL));
}

/** What a dose of treatment is reckoned from: what the label says, and what is in the tank, litres. */
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
