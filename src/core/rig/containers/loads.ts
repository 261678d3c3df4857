import type { Container, Tank } from '../../logbook/index.js';

/** A hose, by its inside. */
export interface Hose {
	readonly lengthM: number;
	readonly diameterMm: number;
}

/** What is asked of a container that carries loads. */
export type Vessel = Pick<Container, 'capacityL' | 'headroomL' | 'tareKg' | 'count' | 'minutesPerLoad'>;

/** A usual waste hose is 75 mm wide inside and three metres long. */
export const USUAL_WASTE_HOSE: Hose = Object.freeze({ lengthM: 3, diameterMm: 75 });

/** What a hose holds, litres: π/4 · d² · length, in decimetres. */
export const hoseLitres = ({ lengthM, diameterMm }: Hose): number =>
	(Math.PI / 4) * (diameterMm / 100) ** 2 * (10 * lengthM);

/** What a hose still lets into a container when the valve has been shut, litres: none of fresh water, whose hose runs empty. */
export const hoseRestL = (carries: Tank['holds'], hose?: Hose): number =>
	hose && carries !== 'fresh' ? hoseLitres(hose) : 0;

/**
 * Litres of a container that must be free when the valve is shut: its headroom, and for waste on top of it what the hose still
 * holds, which runs in afterwards.
 */
export const keptFreeL = (carries: Tank['holds'], { headroomL }: Vessel, hose?: Hose): number =>
	headroomL + hoseRestL(carries, hose);

/**
 * The most that may leave a tank for an empty container, litres: all but its headroom. What stands in the hose is a part of it.
 *
 * @throws RangeError when headroom and hose leave no room
 */
export function fitsL(carries: Tank['holds'], vessel: Vessel, hose?: Hose): number {
	const free = keptFreeL(carries, vessel, hose);
	if (!(free < vessel.capacityL))
		throw new RangeError(
			`a container of ${vessel.capacityL} L keeps ${Number(free.toFixed(2))} L free, so nothing fits; choose a larger one or a shorter hose`
		);
	return vessel.capacityL - vessel.headroomL;
}

/** How some litres are carried away or fetched. */
export interface Loads {
	/** free in the container when the valve is shut */
	readonly keepFreeL: number;
	/** times a container is filled */
	readonly loads: number;
	/** times one walks or drives, with as many containers as there are */
	readonly trips: number;
	/** litres that leave the tank for each load: full ones, then what is left; they add up to the litres asked for */
	readonly loadL: readonly number[];
	/** absent where nobody has said how long a load takes */
	readonly minutes?: number;
	/** the fullest load with its container, kg: a litre weighs a kilogram */
	readonly heaviestKg: number;
}

/** More loads than this are a slip of the keyboard. */
export const MOST_LOADS = 10_000;
/** What is less than this is a rounding error and no load, litres. */
const NO_LOAD = 1e-9;

/**
 * Loads of a container.
 *
 * @param partL litres that it already holds: the first load is smaller by as much
 * @throws RangeError when nothing fits, there is no container, or it would take more than `MOST_LOADS`
 */
export function loadsOf(
	carries: Tank['holds'],
	litres: number,
	vessel: Vessel,
	hose?: Hose,
	partL = 0
): Loads {
	if (!(litres >= 0)) throw new RangeError(`${litres} L can’t be carried; give 0 or more`);
	if (!(vessel.count >= 1)) throw new RangeError('there are 0 of this container; give 1 or more');
	const full = fitsL(carries, vessel, hose);
	// One that is full already is emptied first.
	const holdsL = full - partL > NO_LOAD ? partL : 0;
	const first = full - holdsL;
	const more = Math.ceil((litres - first) / full - NO_LOAD);
	const loads = litres > NO_LOAD ? 1 + Math.max(0, more) : 0;
	if (!(loads <= MOST_LOADS))
		throw new RangeError(
			`${litres} L would take ${loads} loads; check the figure, or choose a larger container`
		);
	const loadL: number[] = [];
	let left = litres;
	for (let i = 0; i < loads; i++) {
		const load = i === loads - 1 ? left : Math.min(left, i === 0 ? first : full);
		loadL.push(load);
		left -= load;
	}
	const trips = Math.ceil(loads / vessel.count);
	return {
		keepFreeL: keptFreeL(carries, vessel, hose),
		loads,
		trips,
		loadL,
		...(vessel.minutesPerLoad === undefined ? {} : { minutes: trips * vessel.minutesPerLoad }),
		heaviestKg: vessel.tareKg + Math.max(0, ...loadL.map((load, i) => (i === 0 ? load + holdsL : load)))
	};
}
