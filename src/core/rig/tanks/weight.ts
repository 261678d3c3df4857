import type { Rig, Tank } from '../../logbook/index.js';
import { usableOf } from './tank.js';

/** Water weighs this much, kg per litre; waste hardly more. */
const KG_PER_LITRE = 1;

/** What the water and waste aboard weigh at one moment. */
export interface Weight {
	readonly freshKg: number;
	/** what heater and pipes hold while they are full */
	readonly systemKg: number;
	readonly wasteKg: number;
	/** empty weight of what is carried by hand: jugs, cassettes */
	readonly tareKg: number;
	readonly totalKg: number;
	/** of what the plate leaves for water, people and gear; undefined when the rig does not state it */
	readonly payloadShare: number | undefined;
	/** tanks with no place: how they bear on the axles is not known */
	readonly unplaced: readonly string[];
}

/** The mass of a tank with so many litres above what never drains: water, dead volume and the tank itself, kg. */
export const kgOf = (tank: Tank, litres: number): number =>
	KG_PER_LITRE * (litres + (tank.deadL ?? 0)) + (tank.tareKg ?? 0);

/**
 * What the plate leaves for water, people and gear, kg: its payload, and the water that its empty mass counts already, which
 * differs from plate to plate: all of a full fresh tank, nine tenths, or none. Undefined where the rig states no payload.
 */
export function payloadOf({ payloadKg, plateFreshShare = 0, tanks }: Rig): number | undefined {
	if (payloadKg === undefined) return undefined;
	const counted = tanks.filter(({ holds, portable }) => holds === 'fresh' && portable !== true);
	return (
		payloadKg + plateFreshShare * counted.reduce((sum, { nominalL }) => sum + KG_PER_LITRE * nominalL, 0)
	);
}

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
	const [freshKg, wasteKg, tareKg] = [
		sum(fresh, water),
		sum(waste, water),
		sum(rig.tanks, (t) => t.tareKg ?? 0)
	];
	const systemKg = fresh.length > 0 ? KG_PER_LITRE * (rig.systemL ?? 0) : 0;
	const totalKg = freshKg + systemKg + wasteKg + tareKg;
	const payloadKg = payloadOf(rig);
	return {
		freshKg,
		systemKg,
		wasteKg,
		tareKg,
		totalKg,
		payloadShare: payloadKg ? totalKg / payloadKg : undefined,
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
	const payloadKg = payloadOf(rig);
	if (payloadKg === undefined) return { litres: room, limit: 'room', payload: 'unstated' };
	const { totalKg } = weightOf(rig, litresIn);
	const left = (payloadKg - (otherKg ?? 0) - totalKg) / KG_PER_LITRE;
	// Even with nothing else aboard it would be too much.
	if (left < room) return { litres: Math.max(0, left), limit: 'payload' };
	return otherKg === undefined
		? { litres: room, limit: 'room', payload: 'unknown', payloadKg }
		: { litres: room, limit: 'room', payload: 'allows' };
}

/** What an axle or the hitch carries, and what it may still take, kg; less than nothing where it is over its limit. */
export interface AxleLoad {
	readonly name: string;
	readonly carriesKg: number;
	readonly sparesKg: number;
}

/**
 * What the two axles of a rig (or axle and hitch) carry with so much water and waste aboard: each tank bears on both by its lever.
 *
 * @param litresIn litres in a tank by id
 * @returns nothing where no limits are stated, or a tank that holds something has no place
 */
export function axleLoads(rig: Rig, litresIn: ReadonlyMap<string, number>): readonly AxleLoad[] | undefined {
	const [front, rear] = rig.axles ?? [];
	if (!front || !rear) return undefined;
	const loads = rig.tanks
		.map((tank) => ({ xM: tank.position?.xM, kg: kgOf(tank, litresIn.get(tank.id) ?? 0) }))
		.filter(({ kg }) => kg > 0);
	if (loads.some(({ xM }) => xM === undefined)) return undefined;
	const span = front.xM - rear.xM;
	const onFront = loads.reduce((sum, { xM = 0, kg }) => sum + (kg * (xM - rear.xM)) / span, 0);
	const onRear = loads.reduce((sum, { kg }) => sum + kg, 0) - onFront;
	return [[front, onFront] as const, [rear, onRear] as const].map(([{ name, limitKg, weighedKg }, kg]) => ({
		name,
		carriesKg: weighedKg + kg,
		sparesKg: limitKg - weighedKg - kg
	}));
}
