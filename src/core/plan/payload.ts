import { type Estimate } from '../estimate/index.js';
import { type Logbook, type Trip } from '../logbook/index.js';
import { payloadOf, weightOf } from '../rig/index.js';
import { levelsAtStops } from './levelsAlong.js';
import { tripNamed, workedFreely, type Plan, type PlanOptions, type Worked } from './plan.js';

/** A little more than the plate says is chance, not overload, kg. */
const HAIR_KG = 0.5;
/** Loads that are tried before it is said that no less would do. */
const MOST_TRIES = 4;
/** So finely is sought the least that does. */
const HALVINGS = 6;

/** Where a plan fills most beyond what is left of the payload, and by how much; nothing where it keeps within. */
function overloadOf(worked: Worked, leftKg: number): Plan['overload'] {
	const { rig } = worked.problem.estimate.model;
	const filling = new Set(worked.plan.services.flatMap(({ stop, water }) => (water ? [stop] : [])));
	return levelsAtStops(worked)
		.filter(({ stop }) => filling.has(stop))
		.map(({ stop, onDeparture }) => ({ stop, kg: weightOf(rig, onDeparture).totalKg - leftKg }))
		.reduce<Plan['overload']>((most, one) => (one.kg > (most?.kg ?? HAIR_KG) ? one : most), undefined);
}

/**
 * A plan of a trip with all it was made from. Where the rig says what else is aboard, no more is filled than the payload leaves; where no
 * less would do, the plan says by how much it is broken.
 */
export function workedPlan(estimate: Estimate, trip: Trip, options: PlanOptions = {}): Worked {
	const free = workedFreely(estimate, trip, options);
	const { elseKg } = estimate.model.rig;
	const payloadKg = payloadOf(estimate.model.rig);
	if (payloadKg === undefined || elseKg === undefined) return free;
	const leftKg = payloadKg - elseKg;
	const overload = overloadOf(free, leftKg);
	if (!overload) return free;
	const fullL = free.problem.tanks.reduce((sum, { falls, servedL }) => sum + (falls ? servedL : 0), 0);
	const withAtMost = (mostL: number): Worked =>
		workedFreely(estimate, trip, { ...options, course: free.problem.course, mostL });
	let mostL = fullL;
	for (let i = 0, over: Plan['overload'] = overload; i < MOST_TRIES && over && mostL > over.kg; i++) {
		mostL -= over.kg;
		const less = withAtMost(mostL);
		if (!less.plan.feasible && free.plan.feasible)
			return leastOver(free, { mostL, fullL }, withAtMost, leftKg);
		over = overloadOf(less, leftKg);
		if (!over) return less;
	}
	return { ...free, plan: { ...free.plan, overload } };
}

/** Of the loads between one that does not reach and the fullest, about the least that does: it breaks the payload by least. */
function leastOver(
	free: Worked,
	{ mostL, fullL }: { readonly mostL: number; readonly fullL: number },
	withAtMost: (mostL: number) => Worked,
	leftKg: number
): Worked {
	let [low, high, best] = [mostL, fullL, free];
	for (let i = 0; i < HALVINGS; i++) {
		const middle = (low + high) / 2;
		const some = withAtMost(middle);
		if (some.plan.feasible) [high, best] = [middle, some];
		else low = middle;
	}
	const overload = overloadOf(best, leftKg);
	return overload ? { ...best, plan: { ...best.plan, overload } } : best;
}

/**
 * Where to fill and dump along a trip, from an estimate's moment to the last departure, at the least cost that keeps the
 * policy's promise and, where it is known, the payload.
 *
 * @throws RangeError when the logbook has no such trip, or the trip is another rig's
 */
export const plan = (
	estimate: Estimate,
	logbook: Pick<Logbook, 'trips'>,
	tripId: string,
	options?: PlanOptions
): Plan => workedPlan(estimate, tripNamed(estimate, logbook, tripId), options).plan;
