import { levelOf, type Estimate } from '../estimate/index.js';
import { instantMs, tripInUse, type Trip } from '../logbook/index.js';
import { expectedAt } from './tankSchedule.js';
import type { Plan } from './plan.js';
import { needsOf } from './stretch.js';

/** What is expected in each tank at a stop of a plan, litres by tank id. */
export interface LevelsAtStop {
	readonly stop: string;
	readonly atMs: number;
	readonly onArrival: ReadonlyMap<string, number>;
	/** after the services taken there */
	readonly onDeparture: ReadonlyMap<string, number>;
}

/** What is aboard at each stop still ahead, by a plan; carried supplies stay as they are now. */
export function levelsAtStops(estimate: Estimate, whole: Trip, planned: Plan): readonly LevelsAtStop[] {
	const trip = tripInUse(whole);
	const needs = needsOf(estimate, trip);
	const at = (ms: number): ReadonlyMap<string, number> =>
		new Map(
			estimate.model.rig.tanks.map(({ id }) => {
				const schedule = planned.schedules.find(({ tank }) => tank.id === id);
				return [id, schedule ? expectedAt(schedule, needs, ms) : levelOf(estimate, id).mean];
			})
		);
	return trip.stops
		.filter(({ depart }) => instantMs(depart) >= estimate.atMs)
		.map(({ id, arrive, depart }) => {
			const arriveMs = Math.max(instantMs(arrive), estimate.atMs);
			const before = instantMs(arrive) > estimate.atMs ? arriveMs - 1 : arriveMs;
			return {
				stop: id,
				atMs: arriveMs,
				onArrival: at(before),
				onDeparture: at(Math.max(instantMs(depart) - 1, arriveMs))
			};
		});
}
