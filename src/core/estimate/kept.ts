import type { Habit, Tank } from '../logbook/index.js';
import { drunkFrom } from '../rig/index.js';
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

/** What is kept of a tank, litres: its reserve, or what those aboard drink where that is more. */
export const reserveOf = (
	{ reserveL, kept }: Pick<Tank, 'reserveL'> & { readonly kept?: Kept | undefined },
	aboard: Aboard
): number => (kept ? Math.max(reserveL, drinkingL(kept, aboard)) : reserveL);

/** Those aboard at an estimate's moment, and the climate there. */
export const aboardNow = ({ model, atMs }: Estimate): Aboard => ({
	persons: personsAt(model.crew, atMs),
	climate: valueAt(model.climate, atMs) ?? USUAL_CLIMATE
});

/** What is kept of a fresh tank at an estimate's moment, litres. */
export const reserveNow = (estimate: Estimate, { id, reserveL }: Tank): number =>
	reserveOf({ reserveL, kept: keptOf(estimate.model, id) }, aboardNow(estimate));
