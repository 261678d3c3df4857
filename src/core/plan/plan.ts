import {
	certaintyOf,
	instantMs,
	tripInUse,
	type Logbook,
	type Service,
	type Stop,
	type Trip
} from '../logbook/index.js';
import { levelOf, type Estimate } from '../estimate/index.js';
import { isCarried, neverBinds } from '../rig/index.js';
import { tankScheduleOf, expectedAt, type TankSchedule, type Shortfall } from './tankSchedule.js';
import { needsOf, servesKind, type Needs } from './stretch.js';

/** Services taken at one stop, on arrival. */
export interface PlannedService {
	readonly stop: string;
	readonly water?: { readonly litres: number };
	readonly dump?: readonly string[];
}

export type ServiceKind = 'water' | 'grey' | 'black';

export interface Plan {
	/** whether no tank binds before the last departure, at the policy's certainty */
	readonly feasible: boolean;
	readonly cost: number;
	readonly services: readonly PlannedService[];
	/** the first stop with a service to take, the instant by which one of its tanks would bind, and what to take */
	readonly next?: { readonly stop: string; readonly byMs: number; readonly what: readonly ServiceKind[] };
	/** for tanks that would bind if every service were passed by: the last stop that serves them before */
	readonly lastChance: readonly { readonly tank: string; readonly stop: string }[];
	/** the first tank that binds although every service in reach is taken */
	readonly shortfall?: Shortfall;
	/** each tank's way, for drawing */
	readonly schedules: readonly TankSchedule[];
}

/** Groups the tanks' services by stop, in the order of the stops. */
function byStop(trip: Trip, schedules: readonly TankSchedule[]): readonly PlannedService[] {
	return trip.stops.flatMap((stop): PlannedService[] => {
		const here = schedules.flatMap((schedule) =>
			schedule.services
				.filter((service) => service.stop.id === stop.id)
				.map((service) => ({ tank: schedule.tank, service }))
		);
		if (here.length === 0) return [];
		const fills = here.filter(({ tank }) => tank.holds === 'fresh');
		const dumps = here.filter(({ tank }) => tank.holds !== 'fresh');
		return [
			{
				stop: stop.id,
				...(fills.length > 0
					? { water: { litres: fills.reduce((sum, { service }) => sum + service.litres, 0) } }
					: {}),
				...(dumps.length > 0 ? { dump: dumps.map(({ tank }) => tank.id) } : {})
			}
		];
	});
}

/** The services of a stop that a plan uses there: of each kind the first that serves it. */
export function servicesUsed(stop: Stop, schedules: readonly TankSchedule[]): readonly Service[] {
	const kinds = new Set(
		schedules
			.filter(({ services }) => services.some((service) => service.stop.id === stop.id))
			.map(({ tank }) => tank.holds)
	);
	return [...kinds].flatMap((holds) =>
		stop.services.filter((service) => servesKind({ ...stop, services: [service] }, holds)).slice(0, 1)
	);
}

function costOf(estimate: Estimate, trip: Trip, schedules: readonly TankSchedule[], needs: Needs): number {
	const { feePerMinute = 0, feePerKm = 0, feePerKgKm = 0 } = trip.policy ?? {};
	const fresh = schedules.filter(({ tank }) => tank.holds === 'fresh');
	const carried = estimate.model.rig.tanks
		.filter((tank) => tank.holds === 'fresh' && isCarried(estimate.model.rig, tank))
		.reduce((sum, tank) => sum + levelOf(estimate, tank.id).mean, 0);
	return trip.stops.reduce((cost, stop) => {
		const services = servicesUsed(stop, schedules);
		const fees = services.reduce((sum, { fee = 0, minutes = 0 }) => sum + fee + minutes * feePerMinute, 0);
		const detour = Math.max(0, ...services.map(({ detourKm = 0 }) => detourKm)) * feePerKm;
		const arriveMs = instantMs(stop.arrive);
		// What is aboard on the leg to this stop: the level just before its own services.
		const aboard =
			arriveMs > estimate.atMs
				? fresh.reduce((sum, schedule) => sum + expectedAt(schedule, needs, arriveMs - 1), carried)
				: 0;
		return cost + fees + detour + feePerKgKm * stop.legKm * aboard;
	}, 0);
}

const earliest = (list: readonly number[]): number =>
	list.reduce((least, value) => Math.min(least, value), Infinity);

/**
 * Where to fill and dump along a trip, from an estimate's moment to the last departure: a plain plan that puts
 * each service off to the last stop in reach, so that every tank is served as rarely as it can be.
 *
 * @throws RangeError when the logbook has no such trip, or the trip is another rig's
 */
export function plan(estimate: Estimate, logbook: Pick<Logbook, 'trips'>, tripId: string): Plan {
	const found = logbook.trips.find(({ id }) => id === tripId);
	const { rig } = estimate.model;
	if (!found || found.rig !== rig.id)
		throw new RangeError(`there is no trip ${JSON.stringify(tripId)} of rig ${JSON.stringify(rig.id)}`);
	const trip = tripInUse(found);
	const needs = needsOf(estimate, trip);
	const endMs = Math.max(estimate.atMs, ...trip.stops.map(({ depart }) => instantMs(depart)));
	const certainty = certaintyOf(trip);
	const context = { estimate, needs, certainty, endMs, carryLight: (trip.policy?.feePerKgKm ?? 0) > 0 };
	const schedules = rig.tanks
		.filter((tank) => !neverBinds(rig, tank))
		.map((tank) => tankScheduleOf(context, trip, tank));
	const services = byStop(trip, schedules);
	const shortfall = schedules
		.flatMap((schedule) => schedule.shortfall ?? [])
		.sort((a, b) => a.atMs - b.atMs)[0];
	const first = services[0];
	const firstCourses = schedules.filter((schedule) => schedule.services[0]?.stop.id === first?.stop);
	const next = first && {
		stop: first.stop,
		byMs: earliest(firstCourses.map((schedule) => schedule.bindsMs ?? endMs)),
		what: (['water', 'grey', 'black'] as const).filter((kind) =>
			firstCourses.some(({ tank }) => (tank.holds === 'fresh' ? 'water' : tank.holds) === kind)
		)
	};
	return {
		feasible: shortfall === undefined,
		cost: costOf(estimate, trip, schedules, needs),
		services,
		...(next ? { next } : {}),
		lastChance: schedules.flatMap(({ tank, lastChance }) =>
			lastChance ? [{ tank: tank.id, stop: lastChance.id }] : []
		),
		...(shortfall ? { shortfall } : {}),
		schedules
	};
}
