import type { Rig, Tank } from '../../logbook/index.js';
import { usableOf } from './tank.js';

/** Water weighs this much, kg per litre; waste hardly more. */
const KG_PER_LITRE = 1;

/** What the water and waste aboard weigh at one moment. */
export interface Weight {
	readonly freshKg: number;
	readonly wasteKg: number;
	/** empty weight of what is carried by hand: jugs, cassettes */
	readonly tareKg: number;
	readonly totalKg: number;
	/** of the payload by the plate; undefined when the rig does not state one */
	readonly payloadShare: number | undefined;
	/** about the datum, of tanks whose place is known: kg·m forward, and to port */
	readonly momentForeKgM: number;
	readonly momentPortKgM: number;
	/** tanks with no place, whose moment is therefore missing */
	readonly unplaced: readonly string[];
}

/** The mass of a tank with so many litres above what never drains: water, dead volume and the tank itself, kg. */
export const kgOf = (tank: Tank, litres: number): number =>
	KG_PER_LITRE * (litres + (tank.deadL ?? 0)) + (tank.tareKg ?? 0);

/**
 * Weighs what is aboard.
 *
 * @param litresIn litres in a tank by id; absent ones count as empty
 */
export function weightOf(rig: Rig, litresIn: ReadonlyMap<string, number>): Weight {
	const of = (tank: Tank): number => litresIn.get(tank.id) ?? 0;
	const sum = (tanks: readonly Tank[], one: (tank: Tank) => number): number =>
		tanks.reduce((total, tank) => total + one(tank), 0);
	const water = (tank: Tank): number => KG_PER_LITRE * (of(tank) + (tank.deadL ?? 0));
	const fresh = rig.tanks.filter(({ holds }) => holds === 'fresh');
	const waste = rig.tanks.filter(({ holds }) => holds !== 'fresh');
	const placed = rig.tanks.filter(({ position }) => position !== undefined);
	const [freshKg, wasteKg, tareKg] = [
		sum(fresh, water),
		sum(waste, water),
		sum(rig.tanks, (t) => t.tareKg ?? 0)
	];
	const totalKg = freshKg + wasteKg + tareKg;
	return {
		freshKg,
		wasteKg,
		tareKg,
		totalKg,
		payloadShare: rig.payloadKg ? totalKg / rig.payloadKg : undefined,
		momentForeKgM: sum(placed, (tank) => kgOf(tank, of(tank)) * (tank.position?.xM ?? 0)),
		momentPortKgM: sum(placed, (tank) => kgOf(tank, of(tank)) * (tank.position?.yM ?? 0)),
		unplaced: rig.tanks.filter(({ position }) => position === undefined).map(({ id }) => id)
	};
}

/** Every tank full to its usable volume. */
export const fullLoad = (rig: Rig): ReadonlyMap<string, number> =>
	new Map(rig.tanks.map((tank) => [tank.id, usableOf(tank)]));

/** How many litres of fresh water may still come aboard, and what ends it. */
export type Spare =
	/** what is left of the payload */
	| { readonly litres: number; readonly limit: 'payload' }
	/** the room in the fresh tanks; whether the payload allows that much is another question */
	| { readonly litres: number; readonly limit: 'room'; readonly payload: 'allows' | 'unstated' }
	| {
			readonly litres: number;
			readonly limit: 'room';
			readonly payload: 'unknown';
			readonly payloadKg: number;
	  };

/**
 * What may still be taken: no more than fits, and no more than what is left of the payload, as far as that is known.
 *
 * @param otherKg what else is loaded of the payload: people, gear, food; nobody has said when absent
 */
export function spareLitres(rig: Rig, litresIn: ReadonlyMap<string, number>, otherKg?: number): Spare {
	const room = rig.tanks
		.filter(({ holds }) => holds === 'fresh')
		.reduce((sum, tank) => sum + Math.max(0, usableOf(tank) - (litresIn.get(tank.id) ?? 0)), 0);
	const { payloadKg } = rig;
	if (payloadKg === undefined) return { litres: room, limit: 'room', payload: 'unstated' };
	const { totalKg } = weightOf(rig, litresIn);
	const left = (payloadKg - (otherKg ?? 0) - totalKg) / KG_PER_LITRE;
	// Even with nothing else aboard it would be too much.
	if (left < room) return { litres: Math.max(0, left), limit: 'payload' };
	return otherKg === undefined
		? { litres: room, limit: 'room', payload: 'unknown', payloadKg }
		: { litres: room, limit: 'room', payload: 'allows' };
}
