import { valueAt } from '$core/time';
import {
	careBySteps,
	frostAhead,
	waterAges,
	waterWarnings,
	type FrostNight,
	type TaskDue,
	type WaterAge,
	type WaterWarning
} from '$core/care';
import { climateOf, readLevels, type Estimate } from '$core/estimate';
import { tripAtHand, tripInUse, type Logbook } from '$core/logbook';

/** What wants looking after at a moment. */
export interface Care {
	readonly rig: string;
	readonly tasks: readonly TaskDue[];
	readonly frost: readonly FrostNight[];
	/** the heat of these days, where a stop says it */
	readonly maxC?: number;
}

/** How old the water in the tanks is, and what is to be minded of it. */
export interface Water {
	readonly rig: string;
	readonly ages: readonly WaterAge[];
	readonly warnings: readonly WaterWarning[];
}

/** The heat that the stop at hand knows of, whether any habit rises with it or not, °C. */
const heatOf = ({ model, atMs }: Estimate, trips: Logbook['trips']): number | undefined =>
	valueAt(climateOf(model.rig.id, trips.map(tripInUse)), atMs)?.maxC;

/** What is due, and what may freeze; it pauses on its way. */
export function* careOf(estimate: Estimate, trips: Logbook['trips']): Generator<number, Care> {
	const { model, atMs } = estimate;
	const { rig } = model;
	const litres = new Map(readLevels(estimate).tanks.map(({ id, litres: level }) => [id, level]));
	const maxC = heatOf(estimate, trips);
	return {
		rig: rig.id,
		tasks: yield* careBySteps(estimate),
		frost: frostAhead(rig, tripAtHand(trips, rig.id, atMs), atMs, { litres }),
		...(maxC === undefined ? {} : { maxC })
	};
}

export function waterOf(estimate: Estimate, { trips, points }: Pick<Logbook, 'trips' | 'points'>): Water {
	const ages = waterAges(estimate, points);
	return { rig: estimate.model.rig.id, ages, warnings: waterWarnings(ages, heatOf(estimate, trips)) };
}
