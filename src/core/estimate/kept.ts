import type { Habit, Tank } from '../logbook/index.js';
import { drunkFrom, heeledOf, heelLossL, type Lean } from '../rig/index.js';
import { valueAt } from '../time/index.js';
import type { Estimate } from './filter/index.js';
import { personsAt, riseOf, USUAL_CLIMATE, type Climate } from './inputs/index.js';
import type { Model } from './model/index.js';

/** What is kept of a tank for drinking: litres for each person aboard, and the habit that makes it more in heat and work. */
export interface Kept {
	readonly perPersonL: number;
	readonly drink: Habit | undefined;
}

/** Who is aboard, and in what climate. */
export interface Aboard {
	readonly persons: number;
	readonly climate: Climate;
	/** how the boat leans, where that is said */
	readonly heel?: Lean | undefined;
}

/** What a rig keeps of a tank for drinking: of the pool that is drunk from, its share; nothing where the rig does not say. */
export function keptOf({ rig, places }: Model, tankId: string): Kept | undefined {
	const drunk = rig.drinking && drunkFrom(rig);
	const place = places.get(tankId);
	if (!rig.drinking || !drunk || !place?.pool.tanks.some(({ id }) => id === drunk.id)) return undefined;
	const { litresPerPersonDay, days } = rig.drinking;
	return {
		perPersonL: place.share * litresPerPersonDay * days,
		drink: rig.habits.find(({ keptFraction = 0, rises }) => keptFraction > 0 && rises !== undefined)
	};
}

/** What is kept for drinking by so many, litres; never less for the cold. */
export const drinkingL = ({ perPersonL, drink }: Kept, { persons, climate }: Aboard): number =>
	persons * perPersonL * (drink ? Math.max(1, riseOf(drink, climate)) : 1);

/** What bears on what is kept of a tank. */
interface Keeping extends Pick<Tank, 'reserveL'> {
	readonly kept?: Kept | undefined;
	/** what a lean puts out of reach of its pick-up, litres; absent for a tank that no lean touches */
	readonly outOfReachL?: ((heel: Lean) => number) | undefined;
}

/** What is kept of a tank, litres: its reserve, or what those aboard drink, or what the pick-up cannot reach, whichever is most. */
export const reserveOf = ({ reserveL, kept, outOfReachL }: Keeping, aboard: Aboard): number =>
	Math.max(
		reserveL,
		kept ? drinkingL(kept, aboard) : 0,
		outOfReachL && aboard.heel ? outOfReachL(aboard.heel) : 0
	);

/** Those aboard at an estimate's moment, and the climate there. */
export const aboardNow = ({ model, atMs }: Estimate): Aboard => ({
	persons: personsAt(model.crew, atMs),
	climate: valueAt(model.climate, atMs) ?? USUAL_CLIMATE,
	heel: valueAt(model.heel, atMs)
});

/** What is kept of a fresh tank at an estimate's moment, litres. */
export const reserveNow = (estimate: Estimate, tank: Tank): number =>
	reserveOf(
		{ reserveL: tank.reserveL, kept: keptOf(estimate.model, tank.id), outOfReachL: outOfReach(tank) },
		aboardNow(estimate)
	);

/** What a lean puts out of reach of a tank's pick-up, by the lean; nothing for a tank of which that is not known. */
export function outOfReach(tank: Tank): ((heel: Lean) => number) | undefined {
	if (!heeledOf(tank, {})) return undefined;
	const known = new Map<string, number>();
	return (heel) => {
		const key = `${heel.rollDeg}|${heel.pitchDeg}`;
		const litres = known.get(key) ?? heelLossL(tank, heel);
		known.set(key, litres);
		return litres;
	};
}
