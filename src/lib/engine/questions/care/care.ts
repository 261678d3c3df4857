import {
	careBySteps,
	frostAhead,
	frostTyped,
	type FrostNight,
	type TaskDue,
	type TypedNight
} from '$core/care';
import { personsAt, readLevels, type Estimate } from '$core/estimate';
import { tripAtHand, type Logbook } from '$core/logbook';
import { heatOf } from '../../parts/heat';
import { question } from '../../question';

/** What wants looking after at a moment. */
export interface Care {
	readonly rig: string;
	readonly tasks: readonly TaskDue[];
	readonly frost: readonly FrostNight[];
	/** the heat of these days, where a stop says it */
	readonly maxC?: number;
}

/** What is due, and what may freeze; it pauses on its way. */
function* careOf(
	estimate: Estimate,
	trips: Logbook['trips'],
	typed: TypedNight | undefined
): Generator<number, Care> {
	const { model, atMs } = estimate;
	const { rig } = model;
	const litres = new Map(readLevels(estimate).tanks.map(({ id, litres: level }) => [id, level]));
	const maxC = heatOf(estimate, trips);
	return {
		rig: rig.id,
		tasks: yield* careBySteps(estimate),
		frost: [
			...(typed ? frostTyped(rig, typed, atMs, litres) : []),
			...frostAhead(rig, tripAtHand(trips, rig.id, atMs), atMs, {
				litres,
				personsAt: (ms) => personsAt(model.crew, ms)
			})
		],
		...(maxC === undefined ? {} : { maxC })
	};
}

/** What wants looking after. */
const care = question({
	outdatedBy: 'newer or change',
	answer: ({ estimate, book, inParts }, typed?: TypedNight): Promise<Care | undefined> =>
		inParts(careOf(estimate(), book.trips, typed))
});

declare module '../../question' {
	interface Questions {
		'care/care': typeof care;
	}
}

export default care;
