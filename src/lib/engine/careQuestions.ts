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
import { climateOf, readLevels, stepAt, type Estimate } from '$core/estimate';
import { tripAtHand, type Logbook } from '$core/logbook';

/** What wants looking after at a moment. */
export interface Care {
	readonly atMs: number;
	readonly tasks: readonly TaskDue[];
	readonly ages: readonly WaterAge[];
	readonly warnings: readonly WaterWarning[];
	readonly frost: readonly FrostNight[];
	/** the heat of these days, where a stop says it */
	readonly maxC?: number;
	/** what is in each tank, litres */
	readonly litres: readonly (readonly [tank: string, litres: number])[];
}

/** Everything about care that *Now* and the page of care show. */
export function* careOf(
	estimate: Estimate,
	{ trips, points }: Pick<Logbook, 'trips' | 'points'>
): Generator<number, Care> {
	const { model, atMs } = estimate;
	const { rig } = model;
	const litres = readLevels(estimate).tanks.map(({ id, litres: level }) => [id, level] as const);
	// Of the trip's stops, whether any habit rises with heat or not.
	const maxC = stepAt(climateOf(rig.id, trips), atMs)?.maxC;
	const ages = waterAges(estimate, points);
	return {
		atMs,
		tasks: yield* careBySteps(estimate),
		ages,
		warnings: waterWarnings(ages, maxC),
		frost: frostAhead(rig, tripAtHand(trips, rig.id, atMs), atMs, { litres: new Map(litres) }),
		...(maxC === undefined ? {} : { maxC }),
		litres
	};
}
