import * as PARAMETERS from '../parameters.js';
import { instantMs, type Stop, type Tank, type Trip } from '../logbook/index.js';
import { bindingLevel, levelOf, usableOfTank, type Estimate } from '../estimate/index.js';
import { emptyOf, fullSdOf } from '../rig/index.js';
import { guardedLevel, servesKind, type Level, type Needs } from './stretch.js';

/** One service of one tank on the way. */
export interface TankService {
	readonly stop: Stop;
	readonly atMs: number;
	/** fresh: litres taken; waste: litres left behind */
	readonly litres: number;
}

/** When a tank would bind at the policy's certainty, and by how much it falls short at the end of that stretch. */
export interface Shortfall {
	readonly tank: string;
	readonly atMs: number;
	readonly shortL: number;
}

/** One tank's way through the trip. */
export interface TankSchedule {
	readonly tank: Tank;
	/** what serves of it, as believed, litres */
	readonly usableL: number;
	readonly services: readonly TankService[];
	/** the level after each service: the start, then one per service */
	readonly legs: readonly { readonly fromMs: number; readonly level: Level }[];
	readonly shortfall?: Shortfall;
	/** when the tank binds if every service is passed by; absent when it lasts to the end */
	readonly bindsMs?: number;
	/** the last stop with a service before that */
	readonly lastChance?: Stop;
}

export interface ScheduleContext {
	readonly estimate: Estimate;
	readonly needs: Needs;
	readonly certainty: number;
	readonly endMs: number;
	/** carrying water costs something: take what the stretch needs, else fill up */
	readonly carryLight: boolean;
}

const SEARCH_STEPS = 48;

/** The moment at which a tank binds at the certainty, by bisection on a margin that only falls; undefined when not before `toMs`. */
function bindsBetween(
	context: ScheduleContext,
	tank: Tank,
	from: { fromMs: number; level: Level },
	toMs: number
): number | undefined {
	const marginAt = (ms: number): number => marginOf(context, tank, from, ms);
	if (marginAt(toMs) >= 0) return undefined;
	let [early, late] = [from.fromMs, toMs];
	for (let i = 0; i < SEARCH_STEPS; i++) {
		const middle = (early + late) / 2;
		if (marginAt(middle) >= 0) early = middle;
		else late = middle;
	}
	return late;
}

/** Litres left before a tank binds, at the certainty; negative when it has bound. */
function marginOf(
	{ estimate, needs, certainty }: ScheduleContext,
	tank: Tank,
	from: { fromMs: number; level: Level },
	ms: number
): number {
	const falls = tank.holds === 'fresh';
	const guarded = guardedLevel(from.level, needs(tank.id, from.fromMs, ms), certainty, falls);
	const limit = bindingLevel(estimate, tank);
	return falls ? guarded - limit : limit - guarded;
}

/** The level after a service: what serves of a fresh tank, or what a dump leaves. */
function afterService(estimate: Estimate, tank: Tank): Level {
	if (tank.holds !== 'fresh')
		return { litres: emptyOf(tank), variance: (PARAMETERS.residual * emptyOf(tank)) ** 2 };
	const { mean, sd } = usableOfTank(estimate, tank.id);
	return { litres: mean, variance: fullSdOf(tank) ** 2 + sd ** 2 };
}

/** The level after a service that leaves `nextMs` as the next chance: no more than is needed, where carrying costs. */
function served(context: ScheduleContext, tank: Tank, atMs: number, nextMs: number, before: number): Level {
	const after = afterService(context.estimate, tank);
	if (tank.holds !== 'fresh' || !context.carryLight) return after;
	const spare = marginOf(context, tank, { fromMs: atMs, level: after }, nextMs);
	return { litres: Math.max(before, after.litres - Math.max(0, spare)), variance: after.variance };
}

/**
 * Walks one tank through the stops: each service is put off to the last stop that still reaches the next one,
 * which gives the fewest services for that tank.
 */
export function tankScheduleOf(context: ScheduleContext, trip: Trip, tank: Tank): TankSchedule {
	const { estimate, endMs, needs } = context;
	const level = levelOf(estimate, tank.id);
	const stops = trip.stops.filter(
		(stop) => instantMs(stop.arrive) >= estimate.atMs && servesKind(stop, tank.holds)
	);
	const start = { fromMs: estimate.atMs, level: { litres: level.mean, variance: level.sd ** 2 } };
	const bindsMs = bindsBetween(context, tank, start, endMs);
	const lastChance =
		bindsMs === undefined ? undefined : stops.filter(({ arrive }) => instantMs(arrive) <= bindsMs).at(-1);
	const services: TankService[] = [];
	const legs = [start];
	let shortfall: Shortfall | undefined;
	for (let here = start, next = 0; ;) {
		const binds = bindsBetween(context, tank, here, endMs);
		if (binds === undefined) break;
		let chosen = next - 1;
		while (chosen + 1 < stops.length && instantMs((stops[chosen + 1] as Stop).arrive) <= binds) chosen++;
		const late = chosen < next;
		if (late) chosen = next;
		const stop = stops[chosen];
		const untilMs = stop ? instantMs(stop.arrive) : endMs;
		if (late) shortfall ??= { tank: tank.id, atMs: binds, shortL: -marginOf(context, tank, here, untilMs) };
		if (!stop) break;
		const before = here.level.litres + needs(tank.id, here.fromMs, untilMs).meanL;
		const nextMs = reachFrom(context, tank, untilMs, stops.slice(chosen + 1));
		const after = served(context, tank, untilMs, nextMs, before);
		services.push({
			stop,
			atMs: untilMs,
			litres: Math.max(0, tank.holds === 'fresh' ? after.litres - before : before - after.litres)
		});
		here = { fromMs: untilMs, level: after };
		legs.push(here);
		next = chosen + 1;
	}
	return {
		tank,
		usableL: usableOfTank(estimate, tank.id).mean,
		services,
		legs,
		...(shortfall ? { shortfall } : {}),
		...(bindsMs === undefined ? {} : { bindsMs }),
		...(lastChance ? { lastChance } : {})
	};
}

/** With a full (or emptied) tank at a moment, how far it reaches: the last later stop in reach, or the end. */
function reachFrom(context: ScheduleContext, tank: Tank, fromMs: number, later: readonly Stop[]): number {
	const best = afterService(context.estimate, tank);
	const binds = bindsBetween(context, tank, { fromMs, level: best }, context.endMs);
	if (binds === undefined) return context.endMs;
	const reached = later.map(({ arrive }) => instantMs(arrive)).filter((ms) => ms <= binds);
	return reached.at(-1) ?? context.endMs;
}

/** The level expected on a schedule at a moment, litres. */
export function expectedAt(schedule: TankSchedule, needs: Needs, ms: number): number {
	const leg = schedule.legs.findLast(({ fromMs }) => fromMs <= ms) ?? schedule.legs[0];
	if (!leg) return 0;
	const litres = leg.level.litres + needs(schedule.tank.id, leg.fromMs, ms).meanL;
	return Math.min(Math.max(litres, 0), schedule.usableL);
}
