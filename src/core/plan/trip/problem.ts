import { meanOf } from '../../numerics/index.js';
import { cumulativeAt, cumulativeFlow, type CumulativeFlow } from '../../forecast/index.js';
import { levelOf, personsAt, reserveOf, USUAL_CLIMATE, type Estimate } from '../../estimate/index.js';
import { valueAt } from '../../time/index.js';
import {
	certaintyOf,
	instantMs,
	tripInUse,
	type HoursReader,
	type Tank,
	type Trip
} from '../../logbook/index.js';
import { isFrozenAt, neverBinds } from '../../rig/index.js';
import type { Mask } from './offer.js';
import {
	opensAt,
	serviceKindOf,
	pricesOf,
	PLANNED_KINDS,
	visitsOf,
	type Prices,
	type Reading,
	type ServiceKind,
	type ServiceVisit
} from './visits.js';

/** A tank that can bind, along the paths; what stands behind it, jugs that feed it or a spare, is a part of it. Lists are by path, litres. */
export interface PlannedTank {
	readonly tank: Tank;
	readonly kind: ServiceKind;
	readonly falls: boolean;
	/** by node: when it is served there, ms */
	readonly nodeMs: readonly number[];
	readonly start: Float64Array;
	/** after a service: what serves of it, or what a dump leaves */
	readonly served: Float64Array;
	/** what serves of it */
	readonly usable: Float64Array;
	/** at which it binds */
	readonly limit: Float64Array;
	readonly startL: number;
	readonly servedL: number;
	readonly limitL: number;
	/** by node, then by path: what has come to it since the beginning, and the mean of that */
	readonly come: readonly Float64Array[];
	readonly comeL: readonly number[];
	/** by leg: what has come to it as the leg ends, in the mean */
	readonly legComeL: readonly number[];
	/** its place among the lanes of the course */
	readonly lane: number;
	/** what stands behind it and is a part of it, by id */
	readonly feeders: readonly string[];
}

/** A leg driven after the beginning. */
export interface Leg {
	readonly stop: string;
	readonly km: number;
	readonly arriveMs: number;
}

/**
 * A trip from a moment on, as the plan sees it. Nodes: 0 is the beginning, i + 1 the visit i, and the last one the end.
 */
export interface PlanProblem {
	readonly estimate: Estimate;
	readonly trip: Trip;
	readonly fromMs: number;
	readonly endMs: number;
	/** how sure the trip must be to be called feasible */
	readonly certainty: number;
	/** how sure a plan of it should be, where one can be */
	readonly aim: number;
	/** whether any one service that is used may be found shut, and the trip still works */
	readonly fallback: boolean;
	readonly prices: Prices;
	readonly course: CumulativeFlow;
	readonly visits: readonly ServiceVisit[];
	readonly tanks: readonly PlannedTank[];
	readonly legs: readonly Leg[];
	/** by node: how many of the legs are driven before it */
	readonly legsBefore: readonly number[];
	/** fresh water aboard that no plan touches, litres */
	readonly carriedL: number;
	/** tanks are not filled to the brim: there is a most that may be aboard */
	readonly capped: boolean;
}

/** How the days ahead are lived and priced for a plan. */
export interface ProblemOptions {
	readonly reading?: Reading | undefined;
	readonly prices?: Prices | undefined;
	readonly measures?: readonly string[] | undefined;
	readonly paths?: number | undefined;
	/** one sets out then, with full fresh and empty waste tanks: for a trip that is still far off */
	readonly settingOutMs?: number | undefined;
	/** of the same estimate, trip and measures, where it is known already */
	readonly course?: CumulativeFlow | undefined;
	/** litres in all the fresh tanks of the plan together at the beginning, where that is to be chosen */
	readonly loadL?: number | undefined;
	/** the most litres that may be in all the fresh tanks of the plan together after a service */
	readonly mostL?: number | undefined;
	/** whether the plan is to survive a service that is shut; as the trip's policy says where it is absent */
	readonly fallback?: boolean | undefined;
	/** reads when services are open; without one only what is shut for good is known */
	readonly hours?: HoursReader | undefined;
}

/** Of a trip with more chances to serve than this, fewer paths are lived: their stretches are as many as the square. */
const MANY_VISITS = 30;
const FEW_PATHS = 600;

/** A tank that can bind, with what stands behind it, and where both stand in what is expected to flow. */
interface BindingTank {
	readonly tank: Tank;
	readonly lane: number;
	/** part of its pool */
	readonly share: number;
	readonly feeders: readonly { readonly id: string; readonly lane: number; readonly reserveL: number }[];
	/** litres kept of a fresh one, or free in one for waste: its reserve, or what those aboard drink where that is most */
	readonly keptL: number;
}

function bindingTank(estimate: Estimate, course: CumulativeFlow, tank: Tank, endMs: number): BindingTank {
	const { rig, crew, climate, heel } = estimate.model;
	const at = course.lanes.findIndex((lane) => lane.id === tank.id);
	const lane = course.lanes[at];
	const moments = [
		estimate.atMs,
		...[...crew.steps, ...climate, ...heel]
			.map(({ ms }) => ms)
			.filter((ms) => ms > estimate.atMs && ms < endMs)
	];
	const living = moments.map((ms) => ({
		persons: personsAt(crew, ms),
		climate: valueAt(climate, ms) ?? USUAL_CLIMATE,
		heel: valueAt(heel, ms)
	}));
	return {
		tank,
		lane: at,
		share: lane?.share ?? 1,
		feeders: (lane?.behind ?? []).flatMap((one) => {
			const { id, reserveL } = rig.tanks[one] ?? {};
			return id === undefined || reserveL === undefined ? [] : [{ id, lane: one, reserveL }];
		}),
		keptL: lane ? Math.max(...living.map((one) => reserveOf(lane, one))) : tank.reserveL
	};
}

/** Over which moments a tank is planned. */
interface Moments {
	/** now, each visit as it is used for a kind of service, and the end, ms */
	readonly timesOf: (kind: ServiceKind) => readonly number[];
	/** at the arrivals ahead, ms */
	readonly arrivals: readonly number[];
	/** one sets out full and empty, whatever is in the tanks now */
	readonly settingOut: boolean;
}

/** What a tank begins with, what it must keep, and what comes to it by each moment. */
function plannedTank(
	{ tank, lane, share, feeders, keptL }: BindingTank,
	course: CumulativeFlow,
	{ timesOf, arrivals, settingOut }: Moments
): PlannedTank {
	const falls = tank.holds === 'fresh';
	const withFeeders = (of: readonly Float64Array[]): Float64Array =>
		feeders.reduce(
			(sum, feeder) => sum.map((litres, path) => litres + share * (of[feeder.lane]?.[path] ?? 0)),
			of[lane] ?? new Float64Array(course.paths)
		);
	const served = withFeeders(course.served);
	const start = settingOut ? served : withFeeders(course.levels);
	const kept = keptL + share * feeders.reduce((sum, { reserveL }) => sum + reserveL, 0);
	const usable = withFeeders(course.usable);
	const limit = usable.map((litres) => (falls ? kept : Math.max(0, litres - kept)));
	const kind = serviceKindOf(tank.holds);
	const nodeMs = timesOf(kind);
	const come = nodeMs.map((ms) => cumulativeAt(course, lane, ms));
	return {
		tank,
		kind,
		nodeMs,
		falls,
		start,
		served,
		usable,
		limit,
		startL: meanOf(start),
		servedL: meanOf(served),
		limitL: meanOf(limit),
		come,
		comeL: come.map(meanOf),
		legComeL: arrivals.map((ms) => meanOf(cumulativeAt(course, lane, ms))),
		lane,
		feeders: feeders.map(({ id }) => id)
	};
}

/** What of fresh water is driven about beside the planned tanks and what is poured into them, litres. */
function carriedBeside(estimate: Estimate, planned: readonly BindingTank[]): number {
	const { rig } = estimate.model;
	const known = new Set(planned.flatMap(({ tank, feeders }) => [tank.id, ...feeders.map(({ id }) => id)]));
	return rig.tanks
		.filter(({ id, holds, retired }) => holds === 'fresh' && !known.has(id) && retired !== true)
		.reduce((sum, { id }) => sum + levelOf(estimate, id).mean, 0);
}

/**
 * Puts a trip as a problem: what may come to each tank between any two chances to serve it. The plan counts on the hook-ups
 * that are chosen, and on no other: one that holds now ends with the next arrival or departure.
 */
export function planProblemOf(now: Estimate, whole: Trip, options: ProblemOptions = {}): PlanProblem {
	const { settingOutMs } = options;
	const estimate = settingOutMs === undefined ? now : { ...now, atMs: settingOutMs };
	const trip = tripInUse(whole);
	const { reading = 'on-arrival', prices = pricesOf(trip) } = options;
	const { model, atMs: fromMs } = estimate;
	const endMs = Math.max(fromMs, ...trip.stops.map(({ depart }) => instantMs(depart)));
	const binding = model.rig.tanks.filter((tank) => !neverBinds(model.rig, tank));
	const maskOf = (fits: (of: readonly Tank[]) => boolean): Mask =>
		PLANNED_KINDS.reduce<Mask>((mask, kind, i) => {
			const of = binding.filter(({ holds }) => serviceKindOf(holds) === kind);
			return of.length > 0 && fits(of) ? mask | (1 << i) : mask;
		}, 0);
	const wanted = {
		wanted: maskOf(() => true),
		onSewer: maskOf((of) => of.every(({ holds, portable }) => holds !== 'fresh' && !portable))
	};
	const frozenAt = (ms: number): Mask =>
		PLANNED_KINDS.reduce<Mask>(
			(mask, kind, i) =>
				binding.some((tank) => serviceKindOf(tank.holds) === kind && isFrozenAt(tank, ms))
					? mask | (1 << i)
					: mask,
			0
		);
	const opens = opensAt(trip, options.hours, now.atMs);
	const visits = visitsOf(trip, fromMs, { prices, reading }, wanted, opens, frozenAt).filter(
		({ atMs }) => atMs <= endMs
	);
	const course =
		options.course ??
		cumulativeFlow(estimate, {
			toMs: endMs,
			measures: options.measures,
			paths: options.paths ?? (visits.length > MANY_VISITS ? FEW_PATHS : undefined)
		});
	const ahead = trip.stops
		.map((stop, order) => ({ stop, order, arriveMs: instantMs(stop.arrive) }))
		.filter(({ arriveMs }) => arriveMs > fromMs);
	const moments: Moments = {
		timesOf: (kind) => {
			const bit = PLANNED_KINDS.indexOf(kind);
			return [fromMs, ...visits.map(({ openMs, atMs }) => openMs[bit] ?? atMs), endMs];
		},
		arrivals: ahead.map(({ arriveMs }) => arriveMs),
		settingOut: settingOutMs !== undefined
	};
	const tanks = binding.map((tank) => bindingTank(estimate, course, tank, endMs));
	const planned = tanks.map((tank) => plannedTank(tank, course, moments));
	const within = options.mostL === undefined ? planned : capped(planned, options.mostL);
	const orderOf = new Map(trip.stops.map((stop, order) => [stop, order]));
	const driven = (order: number): number => ahead.filter((leg) => leg.order <= order).length;
	return {
		estimate,
		trip,
		fromMs,
		endMs,
		certainty: certaintyOf(trip),
		fallback: options.fallback ?? trip.policy?.fallback ?? false,
		aim: reading === 'while-there' ? forTheRest(trip, fromMs, endMs) : certaintyOf(trip),
		prices,
		course,
		visits,
		tanks: options.loadL === undefined ? within : loaded(within, options.loadL),
		capped: within !== planned,
		legs: ahead.map(({ stop, arriveMs }) => ({ stop: stop.id, km: stop.legKm, arriveMs })),
		legsBefore: [0, ...visits.map(({ stop }) => driven(orderOf.get(stop) ?? 0)), ahead.length],
		carriedL: carriedBeside(estimate, tanks)
	};
}

/** A trip's last hours need not be surer than this share of its chance allows. */
const LEAST_SHARE = 0.1;

/**
 * How sure the rest of a trip should be so that the trip as a whole is: of the chance that may be lost it has the share that is
 * left of the days. One who plans anew at every stop would else lose it again and again.
 */
function forTheRest(trip: Trip, fromMs: number, endMs: number): number {
	const first = trip.stops[0];
	const wholeMs = endMs - Math.min(fromMs, first ? instantMs(first.arrive) : fromMs);
	const left = wholeMs > 0 ? (endMs - fromMs) / wholeMs : 1;
	return 1 - (1 - certaintyOf(trip)) * Math.max(LEAST_SHARE, left);
}

/** The same tanks, never filled to more than so much fresh water in all: in proportion to what each can hold. */
function capped(tanks: readonly PlannedTank[], litres: number): readonly PlannedTank[] {
	const room = tanks.reduce((sum, { falls, servedL }) => sum + (falls ? servedL : 0), 0);
	const part = room > 0 ? litres / room : 1;
	return tanks.map((one) => {
		if (!one.falls || part >= 1) return one;
		const served = one.served.map((full) => Math.min(full, part * one.servedL));
		return { ...one, served, servedL: meanOf(served) };
	});
}

/** The same tanks with so much fresh water aboard at the beginning, in proportion to what each can hold. */
export function loaded(tanks: readonly PlannedTank[], litres: number): readonly PlannedTank[] {
	const room = tanks.reduce((sum, { falls, servedL }) => sum + (falls ? servedL : 0), 0);
	return tanks.map((one) => {
		if (!one.falls) return one;
		const part = room > 0 ? litres / room : 0;
		const start = one.served.map((usable) => Math.min(usable, part * one.servedL));
		return { ...one, start, startL: meanOf(start) };
	});
}
