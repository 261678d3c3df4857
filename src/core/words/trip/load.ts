import type { Rig, Trip } from '../../logbook/index.js';
import type { Load } from '../../plan/index.js';
import { payloadOf } from '../../rig/index.js';
import { formatLitres, formatQuantity, type UnitChoice } from '../../units/index.js';

/** A figure, and what it means. */
export interface LoadLine {
	readonly figure: string;
	readonly says: string;
}

/** Less than this of a cost is none. */
const SAVES = 0.05;
/** Loads closer than this are one, as a share of what fits. */
const ALIKE = 0.02;
const PERCENT = 100;

/** How much to load: the least you need, the most worth carrying, everything full, each with what it weighs. */
export function sayLoad(rig: Rig, trip: Trip, load: Load, units: UnitChoice): readonly LoadLine[] {
	const kg = (litres: number): string => formatQuantity(litres, 'mass', units);
	const payloadKg = payloadOf(rig);
	const share = (litres: number): string =>
		payloadKg ? `, ${Math.round((PERCENT * litres) / payloadKg)}% of the payload` : '';
	const figure = (litres: number): string => formatLitres(litres, units);
	const saved = load.leastCost - load.cost;
	const carries = (trip.policy?.feePerKgKm ?? 0) > 0;
	const alike = (a: number, b: number): boolean => Math.abs(a - b) < ALIKE * load.mostL;
	const least: LoadLine = {
		figure: figure(load.leastL),
		says: `is the least you need, using every stop: ${kg(load.leastL)}${share(load.leastL)}.`
	};
	const pays: LoadLine = {
		figure: figure(load.paysL),
		says: `is the most worth carrying: ${kg(load.paysL)}${share(load.paysL)}${
			saved > SAVES ? `; it saves ${Number(saved.toFixed(1))} over the least` : ''
		}. ${carries ? 'More costs more to carry than it saves.' : 'With more you would stop just as often.'}`
	};
	const most: LoadLine = {
		figure: figure(load.mostL),
		says: `is everything full: ${kg(load.mostL)}${share(load.mostL)}.`
	};
	return [
		least,
		...(alike(load.paysL, load.leastL) || alike(load.paysL, load.mostL) ? [] : [pays]),
		...(alike(load.mostL, load.leastL)
			? []
			: [
					alike(load.paysL, load.mostL)
						? {
								...most,
								says: `${most.says.slice(0, -1)}, and worth carrying${saved > SAVES ? `: it saves ${Number(saved.toFixed(1))} over the least` : ''}.`
							}
						: most
				])
	];
}
