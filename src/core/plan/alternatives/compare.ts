import { DAY_MS } from '../../time/index.js';
import { withMorePersons, withTrips, type Estimate } from '../../estimate/index.js';
import type { Point, Trip } from '../../logbook/index.js';
import { changedTrip, type TripChange } from './changes.js';
import { bindsByPath, shareBy } from '../along/index.js';
import { workedPlan } from '../payload.js';
import type { Plan, PlanOptions, Worked } from '../plan.js';
import { serviceKindOf, PLANNED_KINDS, type ServiceKind } from '../trip/index.js';

/** What a trip comes to, to be compared. */
export interface Summary {
	readonly plan: Plan;
	/** days until the first tank binds if nothing is filled or dumped, at even odds; no more than the trip has left */
	readonly days: number;
	readonly endMs: number;
}

/** A service of one kind at one stop, by which two plans are told apart. */
export interface ServiceAt {
	readonly stop: string;
	readonly atMs: number;
	readonly kind: ServiceKind;
	readonly litres?: number;
}

/** A trip beside what a change makes of it. */
export interface Compared {
	readonly before: Summary;
	readonly after: Summary;
	/** what is to be done with the change and not without, and the other way round */
	readonly added: readonly ServiceAt[];
	readonly dropped: readonly ServiceAt[];
}

/** What an estimate looks ahead to when a trip is changed, or more people come. */
export function changedEstimate(
	estimate: Estimate,
	trips: readonly Trip[],
	next: Trip,
	change?: TripChange
): Estimate {
	const changed = trips.map((trip) => (trip.id === next.id ? next : trip));
	const model = withTrips(estimate.model, changed);
	return {
		...estimate,
		model: change?.kind === 'persons' ? withMorePersons(model, estimate.atMs, change.by) : model
	};
}

/** What a plan comes to. */
export function summaryOf({ problem, plan }: Worked): Summary {
	const { tanks, fromMs, endMs } = problem;
	const first = tanks
		.map((tank) => bindsByPath(problem, tank))
		.reduce<Float64Array | undefined>(
			(least, binds) => (least ? least.map((ms, path) => Math.min(ms, binds[path] as number)) : binds),
			undefined
		);
	const boundMs = first ? shareBy(first, 0.5) : Infinity;
	return { plan, days: (Math.min(boundMs, endMs) - fromMs) / DAY_MS, endMs };
}

/** What of a plan is taken, kind by kind. */
export const servicesAt = (
	{ services }: Plan,
	kindOfTank: (id: string) => ServiceKind
): readonly ServiceAt[] =>
	services.flatMap(({ stop, atMs, water, dump = [] }) =>
		PLANNED_KINDS.flatMap((kind): readonly ServiceAt[] => {
			if (kind === 'water') return water ? [{ stop, atMs, kind, litres: water.litres }] : [];
			return dump.some((id) => kindOfTank(id) === kind) ? [{ stop, atMs, kind }] : [];
		})
	);

/** What is in one list of services and not in another, by stop and kind; of water how much does not matter. */
export const missingFrom = (other: readonly ServiceAt[], list: readonly ServiceAt[]): readonly ServiceAt[] =>
	list.filter((one) => !other.some(({ stop, kind }) => stop === one.stop && kind === one.kind));

/** A trip beside what a change makes of it. Nothing is kept. */
export function compareTrips(
	estimate: Estimate,
	trips: readonly Trip[],
	trip: Trip,
	change: TripChange,
	points: readonly Point[],
	options: PlanOptions = {}
): Compared {
	const next = changedTrip(trip, change, points);
	const measures = change.kind === 'measures' ? [...estimate.state.measures, ...change.on] : undefined;
	const before = summaryOf(workedPlan(estimate, trip, options));
	const after = summaryOf(
		workedPlan(changedEstimate(estimate, trips, next, change), next, {
			...options,
			...(measures ? { measures } : {})
		})
	);
	const kindOfTank = (id: string): ServiceKind =>
		serviceKindOf(estimate.model.rig.tanks.find((tank) => tank.id === id)?.holds ?? 'fresh');
	const [was, is] = [servicesAt(before.plan, kindOfTank), servicesAt(after.plan, kindOfTank)];
	return { before, after, added: missingFrom(was, is), dropped: missingFrom(is, was) };
}
