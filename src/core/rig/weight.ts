import type { Rig, Tank } from '../logbook/index.js';
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

/** How many litres of fresh water may still come aboard. */
export interface Spare {
	readonly litres: number;
	/** what ends it: the room in the fresh tanks, or the payload that is left for it */
	readonly limit: 'room' | 'payload';
}

/**
 * What may still be taken: no more than fits, and no more than what is left of the payload.
 *
 * @param otherKg what else is loaded of the payload: people beyond the driver, gear, food
 */
export function spareLitres(rig: Rig, litresIn: ReadonlyMap<string, number>, otherKg = 0): Spare {
	const room = rig.tanks
		.filter(({ holds }) => holds === 'fresh')
		.reduce((sum, tank) => sum + Math.max(0, usableOf(tank) - (litresIn.get(tank.id) ?? 0)), 0);
	const { totalKg } = weightOf(rig, litresIn);
	const left = rig.payloadKg === undefined ? Infinity : (rig.payloadKg - otherKg - totalKg) / KG_PER_LITRE;
	return left < room ? { litres: Math.max(0, left), limit: 'payload' } : { litres: room, limit: 'room' };
}
