import { type Estimate } from '../estimate/index.js';
import { instantMs, type Logbook, type Service, type Trip } from '../logbook/index.js';
import {
	ifShutOf,
	lastChances,
	shortfallOf,
	type IfShut,
	type LastChance,
	type Shortfall
} from './along/index.js';
import {
	carriedOf,
	cheapestKeepingChance,
	servedOn,
	stretchesOf,
	takingAll,
	riskTakingAll,
	type PolicyFound,
	type Stretches,
	strategyOf
} from './optimum/index.js';
import {
	planProblemOf,
	type PlannedTank,
	type PlanProblem,
	type ProblemOptions,
	costOfServices,
	hasKind,
	hookupsAt,
	pricesOf,
	type Prices,
	PLANNED_KINDS,
	type ServiceKind
} from './trip/index.js';

/** Services taken at one stop. */
export interface PlannedService {
	readonly stop: string;
	readonly atMs: number;
	/** `to` where every fresh tank, and what is poured into it, is filled to the brim */
	readonly water?: { readonly litres: number; readonly to?: 'full' };
	/** ids of the tanks that are emptied */
	readonly dump?: readonly string[];
	/** what of the stop's services is used */
	readonly services: readonly Service[];
}

/** What a plan takes of its people beside the water, in all. */
export interface Effort {
	readonly fees: number;
	readonly minutes: number;
	readonly detourKm: number;
	readonly stops: number;
	/** kilograms of fresh water times kilometres */
	readonly kgKm: number;
}

/** The services to take along a trip, whether it holds, what it costs, and what is left to know. */
export interface Plan {
	/** whether no tank binds before the last departure, at the policy's certainty; with a fallback also when any one service is shut */
	readonly feasible: boolean;
	/** by the policy's prices */
	readonly cost: number;
	/** the chance that no tank binds before the last departure; where it is not feasible, with every service taken */
	readonly chance: number;
	/** for every service that is used: what happens when just that one is found shut */
	readonly ifShut: readonly IfShut[];
	/** where a fallback is asked for, none can be had, and the plan is one without: the service that cannot be spared, all others being taken */
	readonly unspared?: IfShut;
	readonly effort: Effort;
	readonly services: readonly PlannedService[];
	/** the first stop with a service to take, the instant by which one of its tanks would bind, and what to take */
	readonly next?: { readonly stop: string; readonly byMs: number; readonly what: readonly ServiceKind[] };
	/** for tanks that would bind if every service were passed by: the last stop that serves them before */
	readonly lastChance: readonly LastChance[];
	/** when each tank would bind, at the policy's certainty, if every service were passed by; those that last are left out */
	readonly binds: readonly { readonly tank: string; readonly bindsMs: number }[];
	/** the first tank that binds although every service in reach is taken */
	readonly shortfall?: Shortfall;
	/** where it fills more than the payload allows, at most: no less would do; where the rig says what else is aboard */
	readonly overload?: { readonly stop: string; readonly kg: number };
}

/** How a trip is planned, its prices apart. */
export type PlanOptions = Omit<ProblemOptions, 'prices'>;

/** A plan with all it was made from. */
export interface Worked {
	readonly problem: PlanProblem;
	readonly stretches: Stretches;
	readonly found: PolicyFound;
	readonly plan: Plan;
}

/** A tank and what stands in for it: both are emptied. */
const withSpares = (one: PlannedTank | undefined): readonly string[] =>
	one ? [one.tank.id, ...one.feeders] : [];

/** What of a trip's services a way uses, in order of time: together what is used at one moment of a stop. */
function servicesOf(
	problem: PlanProblem,
	stretches: Stretches,
	found: PolicyFound
): readonly PlannedService[] {
	const served = servedOn(problem, stretches, found);
	return problem.visits.flatMap(({ stop, openMs, atMs, services }, v): readonly PlannedService[] => {
		const mask = found.used[v] ?? 0;
		const momentOf = (kind: ServiceKind): number => openMs[PLANNED_KINDS.indexOf(kind)] ?? atMs;
		const kinds = PLANNED_KINDS.filter((kind) => hasKind(mask, kind));
		const moments = [...new Set(kinds.map(momentOf))].sort((a, b) => a - b);
		return moments.map((ms, i): PlannedService => {
			const now = kinds.filter((kind) => momentOf(kind) === ms);
			const here = served.filter(
				({ node, tank }) => node === v + 1 && now.some((kind) => kind === problem.tanks[tank]?.kind)
			);
			const fills = here.filter(({ tank }) => problem.tanks[tank]?.falls);
			const dumps = here.filter(({ tank }) => problem.tanks[tank]?.falls === false);
			const full = !problem.capped && fills.every(({ whole }) => whole);
			return {
				stop: stop.id,
				atMs: ms,
				...(now.includes('water')
					? {
							water: {
								litres: sum(fills.map(({ litres }) => litres)),
								...(full ? { to: 'full' as const } : {})
							}
						}
					: {}),
				...(dumps.length > 0 ? { dump: dumps.flatMap(({ tank }) => withSpares(problem.tanks[tank])) } : {}),
				// a hook-up is made first
				services: (services[mask] ?? []).filter(({ kind }) =>
					kind === 'mains' || kind === 'sewer' ? i === 0 : now.includes(kind)
				)
			};
		});
	});
}

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

/** The hook-ups that are chosen where no other service is taken, stop by stop: they are paid for all the same. */
const hookedBeside = (
	{ trip, fromMs }: PlanProblem,
	services: readonly PlannedService[],
	prices: Prices
): readonly (readonly Service[])[] =>
	trip.stops
		.filter(({ id, arrive }) => instantMs(arrive) >= fromMs && !services.some(({ stop }) => stop === id))
		.map((stop) => hookupsAt(stop, prices))
		.filter((hooked) => hooked.length > 0);

/** @param taken the services taken, stop by stop */
function effortOf(
	problem: PlanProblem,
	stretches: Stretches,
	found: PolicyFound,
	taken: readonly (readonly Service[])[]
): Effort {
	const used = taken.flat();
	return {
		fees: sum(used.map(({ fee = 0 }) => fee)),
		minutes: sum(used.map(({ minutes = 0 }) => minutes)),
		detourKm: sum(taken.map((one) => Math.max(0, ...one.map(({ detourKm = 0 }) => detourKm)))),
		stops: taken.length,
		kgKm: carriedOf(problem, stretches, found)
	};
}

/** A plan of a problem by a way to find one. */
export function workOut(
	problem: PlanProblem,
	seek: (problem: PlanProblem, stretches: Stretches) => PolicyFound = cheapestKeepingChance,
	stretches = stretchesOf(problem)
): Worked {
	const found = seek(problem, stretches);
	if (problem.fallback && !found.holds) return withoutFallback(problem, seek);
	const services = servicesOf(problem, stretches, found);
	const chances = lastChances(problem);
	const first = services[0];
	const kindsAt = (service: PlannedService): readonly ServiceKind[] =>
		PLANNED_KINDS.filter((kind) =>
			kind === 'water'
				? service.water !== undefined
				: service.dump?.some((id) =>
						problem.tanks.some(({ tank, kind: of }) => tank.id === id && of === kind)
					)
		);
	const prices = pricesOf(problem.trip);
	const visited = problem.visits.flatMap(({ services: by }, v) => {
		const mask = found.used[v] ?? 0;
		return mask === 0 ? [] : [by[mask] ?? []];
	});
	const taken = [...visited, ...hookedBeside(problem, services, prices)];
	const effort = effortOf(problem, stretches, found, taken);
	const cost = sum(taken.map((one) => costOfServices(one, prices))) + prices.perKgKm * effort.kgKm;
	const shortfall = found.holds ? undefined : shortfallOf(problem, stretches, takingAll(problem));
	const plan: Plan = {
		feasible: found.holds,
		cost,
		chance: 1 - (found.holds ? found.risk : riskTakingAll(problem)),
		ifShut: ifShutOf(problem, stretches, found),
		effort,
		services,
		...(first
			? {
					next: {
						stop: first.stop,
						byMs: Math.min(
							problem.endMs,
							...chances.all.filter(({ kind }) => kindsAt(first).includes(kind)).map(({ bindsMs }) => bindsMs)
						),
						what: kindsAt(first)
					}
				}
			: {}),
		lastChance: chances.last,
		binds: chances.all.map(({ tank, bindsMs }) => ({ tank, bindsMs })),
		...(shortfall ? { shortfall } : {})
	};
	return { problem, stretches, found, plan };
}

/** A plan where none survives every service being shut: the one without a fallback, which therefore does not do what is asked. */
function withoutFallback(
	problem: PlanProblem,
	seek: (problem: PlanProblem, stretches: Stretches) => PolicyFound
): Worked {
	const plain = workOut({ ...problem, fallback: false }, seek);
	const unspared = ifShutOf(plain.problem, plain.stretches, takingAll(problem)).find(({ binds }) => binds);
	return { ...plain, plan: { ...plain.plan, feasible: false, ...(unspared ? { unspared } : {}) } };
}

/** A trip of a logbook, of the rig that an estimate is of. */
export function tripNamed(estimate: Estimate, { trips }: Pick<Logbook, 'trips'>, tripId: string): Trip {
	const found = trips.find(({ id }) => id === tripId);
	const { rig } = estimate.model;
	if (!found || found.rig !== rig.id)
		throw new RangeError(`there is no trip ${JSON.stringify(tripId)} of rig ${JSON.stringify(rig.id)}`);
	return found;
}

/** A plan of a trip with all it was made from, whatever it weighs. */
export function workedFreely(estimate: Estimate, trip: Trip, options: PlanOptions = {}): Worked {
	const { prices, seek } = strategyOf(trip);
	return workOut(planProblemOf(estimate, trip, { ...options, prices }), seek);
}
