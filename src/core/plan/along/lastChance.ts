import { instantMs } from '../../logbook/index.js';
import { EXACT_L, marginOf } from '../optimum/index.js';
import {
	hasKind,
	PLANNED_KINDS,
	type PlannedTank,
	type PlanProblem,
	type ServiceKind
} from '../trip/index.js';

/** A tank that binds unless something is done, and the last stop on the way that can serve it. */
export interface LastChance {
	readonly tank: string;
	readonly stop: string;
	readonly arriveMs: number;
	/** when it binds at the policy's certainty if every service is passed by */
	readonly bindsMs: number;
}

/** When a tank binds on each path if nothing is served, ms; Infinity where it never does before the end. */
export function bindsByPath({ course, endMs }: PlanProblem, tank: PlannedTank): Float64Array {
	const { knots, paths } = course;
	const come = course.cumulativeL[tank.lane] ?? [];
	const binds = new Float64Array(paths).fill(Infinity);
	for (let path = 0; path < paths; path++) {
		const left = (knot: number): number =>
			marginOf(
				tank,
				(tank.start[path] as number) + (come[knot]?.[path] as number),
				tank.limit[path] as number
			);
		let before = left(0);
		if (before < -EXACT_L) {
			binds[path] = knots[0] as number;
			continue;
		}
		for (let knot = 1; knot < knots.length; knot++) {
			const after = left(knot);
			if (after < -EXACT_L) {
				const [from, to] = [knots[knot - 1] as number, knots[knot] as number];
				const ms = from + ((to - from) * Math.max(0, before)) / (Math.max(0, before) - after);
				if (ms < endMs) binds[path] = ms;
				break;
			}
			before = after;
		}
	}
	return binds;
}

/** The moment by which so large a share has happened; Infinity when it never does. */
export const shareBy = (times: Float64Array, share: number): number =>
	times.slice().sort()[Math.min(times.length - 1, Math.floor(share * times.length))] ?? Infinity;

/** When each tank binds at the certainty if every service is passed by, and the last stops before. */
export function lastChances(problem: PlanProblem): {
	readonly all: readonly { readonly tank: string; readonly kind: ServiceKind; readonly bindsMs: number }[];
	readonly last: readonly LastChance[];
} {
	const all = problem.tanks
		.map((one) => ({
			tank: one.tank.id,
			kind: one.kind,
			bindsMs: shareBy(bindsByPath(problem, one), 1 - problem.certainty)
		}))
		.filter(({ bindsMs }) => bindsMs < Infinity);
	return {
		all,
		last: all.flatMap(({ tank, kind, bindsMs }): readonly LastChance[] => {
			const stop = problem.visits.findLast(
				({ offers, atMs, openMs }) =>
					hasKind(offers, kind) && (openMs[PLANNED_KINDS.indexOf(kind)] ?? atMs) <= bindsMs
			)?.stop;
			return stop ? [{ tank, stop: stop.id, arriveMs: instantMs(stop.arrive), bindsMs }] : [];
		})
	};
}
