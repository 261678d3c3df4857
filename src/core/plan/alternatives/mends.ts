import type { Estimate } from '../../estimate/index.js';
import { effortOf } from '../../forecast/index.js';
import { certaintyOf, instantMs, notRetired, type Point, type Stop, type Trip } from '../../logbook/index.js';
import { carryingAt } from './carrying.js';
import { canBeShorter, changedTrip, detourTo, type TripChange } from './changes.js';
import { changedEstimate } from './compare.js';
import { riskTakingAll } from '../optimum/index.js';
import type { Plan } from '../plan.js';
import {
	planProblemOf,
	type ProblemOptions,
	serviceKindOf,
	type HOOKUPS,
	hookupsListed,
	PLANNED_KINDS,
	servesKind,
	stopServes,
	type Reading
} from '../trip/index.js';

/** A change that makes a trip hold. */
export interface PlanMend {
	readonly change: TripChange;
	/** the chance that no tank binds, with it, when every service is taken */
	readonly chance: number;
}

/** Few paths do to see whether a change is worth a closer look. */
const QUICK_PATHS = 250;
/** How many changes of a kind are tried. */
const MOST_TRIED = 12;
const MOST_SETS = 40;
/** Nobody drives further for a tap, there and back, km. */
const MOST_DETOUR_KM = 120;

interface Tried {
	readonly estimate: Estimate;
	readonly trips: readonly Trip[];
	readonly trip: Trip;
	readonly points: readonly Point[];
	readonly options: ProblemOptions;
}

/** The chance with a change, when every service is taken. */
function chanceWith(
	{ estimate, trips, trip, points, options }: Tried,
	change: TripChange,
	paths?: number
): number {
	const next = changedTrip(trip, change, points);
	const changed = changedEstimate(estimate, trips, next, change);
	const measures = change.kind === 'measures' ? [...estimate.state.measures, ...change.on] : undefined;
	return 1 - riskTakingAll(planProblemOf(changed, next, { ...options, measures, paths }));
}

/** The sets of some measures by what they ask, the least first. */
function* setsByEffort(
	measures: readonly { readonly id: string; readonly effort: number }[]
): Generator<readonly string[]> {
	const sets = Array.from({ length: 2 ** measures.length - 1 }, (_, i) => {
		const taken = measures.filter((_, bit) => ((i + 1) >> bit) & 1);
		return { ids: taken.map(({ id }) => id), effort: taken.reduce((sum, { effort }) => sum + effort, 0) };
	});
	for (const { ids } of sets.sort((a, b) => a.effort - b.effort || a.ids.length - b.ids.length)) yield ids;
}

/** The fewest measures, by what they ask, that do. Of many the ones that ask least are looked at first. */
function* byMeasures(tried: Tried, certainty: number): Generator<void, PlanMend | undefined> {
	const { model, state } = tried.estimate;
	const free = model.rig.measures
		.filter(({ id, retired }) => !retired && !state.measures.includes(id))
		.map((measure) => ({ id: measure.id, effort: effortOf(measure) }));
	if (free.length === 0) return undefined;
	const all: TripChange = { kind: 'measures', on: free.map(({ id }) => id) };
	const chanceOfAll = chanceWith(tried, all);
	if (chanceOfAll < certainty) return undefined;
	let looked = 0;
	const some = free.sort((a, b) => a.effort - b.effort).slice(0, MOST_TRIED);
	for (const on of setsByEffort(some)) {
		if (++looked > MOST_SETS) break;
		yield;
		const change: TripChange = { kind: 'measures', on };
		// A closer look only at what is near.
		if (chanceWith(tried, change, QUICK_PATHS) < certainty - 0.05) continue;
		const chance = chanceWith(tried, change);
		if (chance >= certainty) return { change, chance };
	}
	// All of them do: those that ask most are let go as long as the rest does.
	let on = free.map(({ id }) => id);
	let chance = chanceOfAll;
	for (const { id } of [...free].reverse()) {
		yield;
		const less = on.filter((one) => one !== id);
		const left = less.length > 0 ? chanceWith(tried, { kind: 'measures', on: less }) : 0;
		if (left >= certainty) [on, chance] = [less, left];
	}
	return { change: { kind: 'measures', on }, chance };
}

/** The first of some changes that does. */
function* firstOf(
	tried: Tried,
	changes: readonly TripChange[],
	certainty: number
): Generator<void, PlanMend | undefined> {
	for (const change of changes.slice(0, MOST_TRIED)) {
		yield;
		if (chanceWith(tried, change, QUICK_PATHS) < certainty - 0.05) continue;
		const chance = chanceWith(tried, change);
		if (chance >= certainty) return { change, chance };
	}
	return undefined;
}

/**
 * What would make a trip hold that does not: the least set of measures, a hook-up that a stop lists, loads carried by hand where a point is near, the
 * nearest known point that helps, one night less somewhere, a stop at another place in the order; of each the first that does,
 * in this order. It pauses between tries.
 */
export function* mends(
	estimate: Estimate,
	trips: readonly Trip[],
	trip: Trip,
	plan: Plan,
	known: readonly Point[],
	options: ProblemOptions = {}
): Generator<void, readonly PlanMend[]> {
	const points = notRetired(known);
	const { shortfall } = plan;
	const short = estimate.model.rig.tanks.find(({ id }) => id === shortfall?.tank);
	if (!shortfall || !short) return [];
	const tried: Tried = { estimate, trips, trip, points, options };
	const certainty = certaintyOf(trip) - 1e-9;
	const kind = serviceKindOf(short.holds);
	const { reading = 'on-arrival' as Reading } = options;
	const inTime = trip.stops.filter(
		({ depart, arrive }) => instantMs(depart) > estimate.atMs && instantMs(arrive) <= shortfall.atMs
	);
	const ways = inTime
		.filter(({ arrive }) => reading === 'while-there' || instantMs(arrive) >= estimate.atMs)
		.flatMap((stop) =>
			points
				.filter(({ services }) => services.some((service) => servesKind(service, kind)))
				.flatMap((point) => {
					const detourKm = detourTo(stop, point);
					return detourKm !== undefined && detourKm <= MOST_DETOUR_KM && stop.point !== point.id
						? [{ kind: 'point', stop: stop.id, point: point.id, detourKm } as const]
						: [];
				})
		)
		.sort((a, b) => a.detourKm - b.detourKm);
	const carried = inTime
		.filter(({ arrive }) => reading === 'while-there' || instantMs(arrive) >= estimate.atMs)
		.flatMap((stop) => carryingAt(estimate.model.rig, stop, points))
		.filter(({ service }) => service === kind)
		.sort((a, b) => a.minutes - b.minutes);
	const shorter = trip.stops
		.filter(({ depart }) => instantMs(depart) > estimate.atMs)
		.filter((stop) => canBeShorter(stop, trip.timeZone))
		.map((stop) => ({ kind: 'nights', stop: stop.id, by: -1 }) as const);
	const first = trip.stops.findIndex(({ arrive }) => instantMs(arrive) > estimate.atMs);
	const serves = (stop: Stop): boolean => PLANNED_KINDS.some((one) => stopServes(stop, one));
	const orders = trip.stops.flatMap((stop, at) =>
		at > first && first >= 0 && serves(stop) && instantMs(stop.arrive) > shortfall.atMs
			? [
					{ kind: 'order', stop: stop.id, to: Math.max(first, at - 1) } as const,
					{ kind: 'order', stop: stop.id, to: first } as const
				]
			: []
	);
	const listed = (stop: Stop, of: (typeof HOOKUPS)[number]): boolean =>
		!stop.hookup?.[of] && hookupsListed(stop).includes(of);
	const hookups = inTime.flatMap((stop): readonly TripChange[] => {
		const [mains, sewer] = [listed(stop, 'mains'), listed(stop, 'sewer')];
		const one = kind === 'water' ? mains : sewer;
		return [
			...(one
				? [{ kind: 'hookup', stop: stop.id, hookup: kind === 'water' ? { mains } : { sewer } } as const]
				: []),
			...(mains && sewer ? [{ kind: 'hookup', stop: stop.id, hookup: { mains, sewer } } as const] : [])
		];
	});
	const found = [
		yield* byMeasures(tried, certainty),
		yield* firstOf(tried, hookups, certainty),
		yield* firstOf(tried, carried, certainty),
		yield* firstOf(tried, ways, certainty),
		yield* firstOf(tried, shorter, certainty),
		yield* firstOf(tried, orders, certainty)
	];
	return found.flatMap((mend) => mend ?? []);
}
