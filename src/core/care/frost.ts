import { DAY_MS } from '../time/index.js';
import { instantMs, tripInUse, type Outlet, type Rig, type Tank, type Trip } from '../logbook/index.js';

type Exposure = NonNullable<Tank['exposure']>;

/**
 * From which forecast low on something is at risk, °C: two degrees of margin, since forecasts err and the ground under a
 * rig is colder than the air where it is measured. Wind, a long night and a dry heater make it worse: a rule of thumb.
 */
export const RISKS_AT_C: Readonly<Record<Exposure, number>> = Object.freeze({
	outside: 2,
	underslung: 1,
	bilge: -3,
	inside: -4
});
/** Pipes, heater and low points inside a rig that is heated by day. */
const PIPES_AT_C = -2;
/** Hoses and the shower in the outside wall. */
const HOSES_AT_C = 2;

/** What one does about it: opened where it may run out, emptied where that is allowed, warmed, or brought in. */
export type FrostAct = 'drain' | 'dump' | 'heat' | 'bring-in' | 'hose-in';

/** Something that may freeze, and what to do about it tonight. */
export interface FrostRisk {
	readonly kind: 'tank' | 'pipes' | 'outside-outlet' | 'hoses';
	/** the tank or the outlet */
	readonly id?: string;
	readonly name?: string;
	readonly does: FrostAct;
	/** litres in it, where that is known */
	readonly litres?: number;
	/** it depends on where it hangs, which nobody has said */
	readonly unsaid?: true;
}

/** A night that may freeze something: when, how cold, °C, and what of the rig lies lowest. */
export interface FrostNight {
	readonly stop: string;
	readonly name: string;
	readonly minC: number;
	/** from when on one is there, ms */
	readonly fromMs: number;
	readonly risks: readonly FrostRisk[];
}

/** The lowest first: what runs out by itself, then what is higher, then what is carried. */
const RANK = { underslung: 0, bilge: 1, pipes: 2, outside: 3, hoses: 4, inside: 5, carried: 6 } as const;

const isOutside = ({ to, retired }: Outlet): boolean => !retired && to === 'ground';

/**
 * What may freeze at a low, the lowest point first.
 *
 * @param litres what is in each tank, by id, where it is known
 */
export function frostRisks(
	rig: Rig,
	minC: number,
	litres: ReadonlyMap<string, number> = new Map()
): readonly FrostRisk[] {
	const found: { readonly rank: number; readonly risk: FrostRisk }[] = [];
	for (const { id, name, holds, exposure, portable, retired } of rig.tanks) {
		const hangs = exposure ?? (portable ? 'outside' : 'underslung');
		if (retired || minC > RISKS_AT_C[hangs]) continue;
		const inIt = litres.get(id);
		// An empty tank does not freeze.
		if (inIt !== undefined && inIt < 0.5) continue;
		const does: FrostAct = portable
			? 'bring-in'
			: exposure === 'inside' || exposure === 'bilge'
				? 'heat'
				: holds === 'fresh'
					? 'drain'
					: 'dump';
		found.push({
			rank: portable ? RANK.carried : RANK[hangs],
			risk: {
				kind: 'tank',
				id,
				name,
				does,
				...(inIt === undefined ? {} : { litres: inIt }),
				...(exposure === undefined ? { unsaid: true as const } : {})
			}
		});
	}
	if (minC <= PIPES_AT_C)
		found.push({
			rank: RANK.pipes,
			risk: { kind: 'pipes', does: 'drain', ...(rig.systemL === undefined ? {} : { litres: rig.systemL }) }
		});
	if (minC <= HOSES_AT_C) {
		for (const outlet of rig.outlets.filter(isOutside))
			found.push({
				rank: RANK.outside,
				risk: { kind: 'outside-outlet', id: outlet.id, name: outlet.name, does: 'drain' }
			});
		found.push({ rank: RANK.hoses, risk: { kind: 'hoses', does: 'hose-in' } });
	}
	return found.sort((a, b) => a.rank - b.rank).map(({ risk }) => risk);
}

/** The nights at stops of a trip within some days whose low puts something at risk; the weather is the stops' own. */
export function frostAhead(
	rig: Rig,
	trip: Trip | undefined,
	nowMs: number,
	{ days = 3, litres }: { readonly days?: number; readonly litres?: ReadonlyMap<string, number> } = {}
): readonly FrostNight[] {
	if (!trip) return [];
	return tripInUse(trip).stops.flatMap(({ id, name, arrive, depart, weather }): readonly FrostNight[] => {
		const fromMs = Math.max(instantMs(arrive), nowMs);
		if (!weather || instantMs(depart) <= nowMs || fromMs > nowMs + days * DAY_MS) return [];
		const risks = frostRisks(rig, weather.minC, litres);
		return risks.length > 0 ? [{ stop: id, name, minC: weather.minC, fromMs, risks }] : [];
	});
}
