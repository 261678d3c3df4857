import { DAY_MS, dayPlus, zonedMs, zonedTime } from '../time/index.js';
import {
	instantMs,
	tripInUse,
	weatherOfStay,
	weatherOn,
	isWeatherByDay,
	type Outlet,
	type Rig,
	type Stop,
	type Tank,
	type Trip
} from '../logbook/index.js';
import { dumpedOf, isFlushTank, usableOf } from '../rig/index.js';

type Exposure = NonNullable<Tank['exposure']>;

/**
 * From which low on something is at risk, °C: two degrees of margin, since forecasts err and the ground under a
 * rig is colder than the air where it is measured. Wind, a long night and a heater that is off make it worse: a rule of thumb.
 */
export const RISKS_AT_C: Readonly<Record<Exposure, number>> = Object.freeze({
	outside: 2,
	underslung: 1,
	bilge: -3,
	inside: -4
});
/** A tank with its own heater, while that runs. */
const HEATED_AT_C = -10;
/** Pipes, heater and low points inside a rig that is lived in; and in one that nobody heats. */
const PIPES_AT_C = { lived: -2, left: 1 } as const;
/** Hoses and the shower in the outside wall. */
const HOSES_AT_C = 2;
/** About here a water heater with an automatic valve lets its water go, °C. */
const VALVE_DROPS_AT_C = 3;
/** So little in a waste tank that was dumped has room to freeze, as a share of what it holds. */
const NEXT_TO_EMPTY = 0.05;

/** What one does about it: emptied where that is allowed, warmed, or brought in. */
export type FrostAct = 'drain' | 'dump' | 'heat' | 'switch-on' | 'bring-in' | 'hose-in' | 'look';

/** Something that may freeze, and what to do about it tonight. */
export interface FrostRisk {
	readonly kind: 'tank' | 'pipes' | 'outside-outlet' | 'hoses' | 'flush-tank' | 'auto-valve';
	/** the tank or the outlet */
	readonly id?: string;
	readonly name?: string;
	readonly does: FrostAct;
	/** litres in it, where that is known */
	readonly litres?: number;
	/** it depends on where it hangs, which nobody has said */
	readonly unsaid?: true;
}

/** A night that may freeze something: when, how cold, °C, and what of the rig is at risk. */
export interface FrostNight {
	/** the stop, where it is one of a trip */
	readonly stop?: string;
	readonly name?: string;
	readonly minC: number;
	/** when it begins, or from when on one is there, ms */
	readonly fromMs: number;
	/** it is the coldest of several nights, and nobody says which */
	readonly coldestOf?: number;
	/** where the figure comes from, where that is known */
	readonly from?: Stop['weatherFrom'];
	/** somebody lives in it then: it is kept warm; else it is drained */
	readonly lived: boolean;
	readonly risks: readonly FrostRisk[];
}

/** Warmth first while one lives in it, the lowest first where it is left: what runs out by itself, then what is higher, then what is carried. */
const RANK = { underslung: 1, bilge: 2, outside: 3, hoses: 4, inside: 5, carried: 6, valve: 7 } as const;

const isOutside = ({ to, retired }: Outlet): boolean => !retired && to === 'ground';

/** Where a tank is: what is carried by hand and is said to be nowhere stands inside. */
const placeOf = ({ exposure, portable }: Tank): Exposure => exposure ?? (portable ? 'inside' : 'underslung');

/** Whether a tank holds no more than a dump leaves in it, which has room to freeze. */
const isAsDumped = (tank: Tank, litres: number): boolean =>
	litres < 0.5 || (tank.holds !== 'fresh' && litres <= dumpedOf(tank) + NEXT_TO_EMPTY * usableOf(tank));

function actOf(tank: Tank, lived: boolean): FrostAct {
	if (tank.portable) return 'bring-in';
	if (lived && tank.heated) return 'switch-on';
	if (lived && ['inside', 'bilge'].includes(placeOf(tank))) return 'heat';
	return tank.holds === 'fresh' ? 'drain' : 'dump';
}

/** What is asked of a night beside how cold it is. */
export interface FrostAsk {
	/** what is in each tank, by id, where it is known */
	readonly litres?: ReadonlyMap<string, number> | undefined;
	/** somebody lives in it that night, so that it is heated */
	readonly lived?: boolean | undefined;
}

/** What may freeze at a low. A rig that is lived in is kept warm, pipes first; one that is left is drained, the lowest first. */
export function frostRisks(
	rig: Rig,
	minC: number,
	{ litres, lived = true }: FrostAsk = {}
): readonly FrostRisk[] {
	const found: { readonly rank: number; readonly risk: FrostRisk }[] = [];
	for (const tank of rig.tanks) {
		const { id, name, exposure, portable, retired, heated } = tank;
		const place = placeOf(tank);
		const fromC = lived && heated ? Math.min(HEATED_AT_C, RISKS_AT_C[place]) : RISKS_AT_C[place];
		if (retired || minC > (lived ? fromC : Math.max(fromC, PIPES_AT_C.left))) continue;
		const inIt = litres?.get(id);
		if (inIt !== undefined && isAsDumped(tank, inIt)) continue;
		found.push({
			rank: portable ? RANK.carried : RANK[place],
			risk: {
				kind: 'tank',
				id,
				name,
				does: actOf(tank, lived),
				...(inIt === undefined ? {} : { litres: inIt }),
				...(exposure === undefined && !portable ? { unsaid: true as const } : {})
			}
		});
	}
	if (minC <= (lived ? PIPES_AT_C.lived : PIPES_AT_C.left)) {
		const does = lived ? ('heat' as const) : ('drain' as const);
		const system = rig.systemL === undefined ? {} : { litres: rig.systemL };
		found.push({ rank: 0, risk: { kind: 'pipes', does, ...system } });
		for (const { id, name } of rig.outlets.filter((outlet) => isFlushTank(rig, outlet)))
			found.push({ rank: RANK.inside, risk: { kind: 'flush-tank', id, name, does } });
	}
	if (minC <= HOSES_AT_C) {
		for (const outlet of rig.outlets.filter(isOutside))
			found.push({
				rank: RANK.outside,
				risk: { kind: 'outside-outlet', id: outlet.id, name: outlet.name, does: 'drain' }
			});
		found.push({ rank: RANK.hoses, risk: { kind: 'hoses', does: 'hose-in' } });
	}
	// Nothing else may freeze yet, and the water is gone all the same.
	if (minC <= VALVE_DROPS_AT_C && rig.kind === 'camper' && (rig.systemL ?? 0) > 0)
		found.push({ rank: RANK.valve, risk: { kind: 'auto-valve', does: 'look' } });
	return found.sort((a, b) => a.rank - b.rank).map(({ risk }) => risk);
}

/** How far ahead nights are looked at, and who lives in the rig. */
export interface FrostOptions extends FrostAsk {
	readonly days?: number;
	/** how many are aboard at a moment; somebody where absent */
	readonly personsAt?: (ms: number) => number;
}

/** The nights of a stay, each from its evening: how cold, and when. */
interface Night {
	readonly fromMs: number;
	readonly minC: number;
	readonly coldestOf?: number;
}

/** The hour at which a night begins. */
const EVENING = 18;
/** How many of the coming days are looked at. */
const USUAL_DAYS = 3;

/** The nights of a stop within a time: one by one where its weather is known by day, else the coldest of the stay. */
function nightsOf(
	{ arrive, depart, weather }: Stop,
	timeZone: string,
	fromMs: number,
	toMs: number
): readonly Night[] {
	const [arriveMs, departMs] = [instantMs(arrive), instantMs(depart)];
	const begin = Math.max(arriveMs, fromMs);
	const stay = weatherOfStay(weather);
	if (!stay || departMs <= fromMs || begin > toMs) return [];
	if (!isWeatherByDay(weather)) {
		const nights = Math.round((departMs - arriveMs) / DAY_MS);
		return [{ fromMs: begin, minC: stay.minC, ...(nights > 1 ? { coldestOf: nights } : {}) }];
	}
	const found: Night[] = [];
	for (let { day } = zonedTime(begin, timeZone); ; day = dayPlus(day, 1)) {
		const evening = Math.max(begin, zonedMs(day, timeZone, EVENING));
		if (evening > Math.min(departMs, toMs)) break;
		// A night is coldest towards its morning, which is of the next day.
		const low = weatherOn(weather, dayPlus(day, 1)) ?? weatherOn(weather, day);
		if (low) found.push({ fromMs: evening, minC: low.minC });
	}
	return found;
}

/** The nights at stops of a trip within some days whose low puts something at risk; the weather is the stops' own. */
export function frostAhead(
	rig: Rig,
	trip: Trip | undefined,
	nowMs: number,
	{ days = USUAL_DAYS, litres, personsAt }: FrostOptions = {}
): readonly FrostNight[] {
	if (!trip) return [];
	return tripInUse(trip).stops.flatMap((stop): readonly FrostNight[] =>
		nightsOf(stop, trip.timeZone, nowMs, nowMs + days * DAY_MS).flatMap((night): readonly FrostNight[] => {
			const lived = (personsAt?.(night.fromMs) ?? 1) > 0;
			const risks = frostRisks(rig, night.minC, { litres, lived });
			const { id, name, weatherFrom } = stop;
			return risks.length === 0
				? []
				: [{ stop: id, name, ...night, ...(weatherFrom ? { from: weatherFrom } : {}), lived, risks }];
		})
	);
}

/** A cold night that somebody typed: how cold, °C, and whether somebody lives in the rig then. */
export interface TypedNight {
	readonly minC: number;
	readonly lived: boolean;
}

/** A night that somebody typed, wherever the rig is; nothing where it puts nothing at risk. */
export function frostTyped(
	rig: Rig,
	{ minC, lived }: TypedNight,
	nowMs: number,
	litres?: ReadonlyMap<string, number>
): readonly FrostNight[] {
	const risks = frostRisks(rig, minC, { litres, lived });
	return risks.length === 0 ? [] : [{ minC, fromMs: nowMs, from: 'typed', lived, risks }];
}
