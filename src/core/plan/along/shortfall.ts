import {
	EXACT_L,
	marginOf,
	stagesOf,
	type Failure,
	type ServicePolicy,
	type Stretches
} from '../optimum/index.js';
import { PLANNED_KINDS, type PlanProblem } from '../trip/index.js';
import { cumulativeAt } from '../../forecast/index.js';
import { shareBy } from './lastChance.js';

/** When a tank would bind at the policy's certainty, and by how much it falls short at the end of that stretch. */
export interface Shortfall {
	readonly tank: string;
	readonly atMs: number;
	readonly shortL: number;
	/** the level at which it binds, in the mean: what is kept for drinking, and of what stands behind it, included */
	readonly limitL: number;
}

/** A moment within a stretch is found to a millionth of it. */
const HALVINGS = 20;

/**
 * The first stretch of a way on which a tank binds too often; where none does by itself, the one that risks most.
 *
 * @param failure a use of it that fails: only tanks of that kind are looked at
 */
export function shortfallOf(
	problem: PlanProblem,
	stretches: Stretches,
	way: ServicePolicy,
	failure?: Failure
): Shortfall | undefined {
	const { endMs, certainty, course } = problem;
	const spent = problem.tanks.flatMap((tank, index) => {
		if (failure && PLANNED_KINDS[failure.kind] !== tank.kind) return [];
		const timeOf = (node: number): number => tank.nodeMs[node] ?? endMs;
		const stages = stagesOf(problem, stretches, way, index, failure);
		return stages.map(({ node, levels }, i) => {
			const to = stages[i + 1]?.node ?? stretches.size - 1;
			const left = (ms: number): Float64Array => {
				const [before, now] = [tank.come[node] as Float64Array, cumulativeAt(course, tank.lane, ms)];
				return levels.map((litres, path) =>
					marginOf(
						tank,
						litres + (now[path] as number) - (before[path] as number),
						tank.limit[path] as number
					)
				);
			};
			const atEnd = left(timeOf(to));
			const risk = atEnd.reduce((count, margin) => count + (margin < -EXACT_L ? 1 : 0), 0) / course.paths;
			return {
				tank: tank.tank.id,
				limitL: tank.limitL,
				fromMs: timeOf(node),
				toMs: timeOf(to),
				risk,
				left,
				atEnd
			};
		});
	});
	const allowed = 1 - certainty;
	const first = spent.filter(({ risk }) => risk > allowed).sort((a, b) => a.fromMs - b.fromMs)[0];
	const worst = first ?? [...spent].sort((a, b) => b.risk - a.risk)[0];
	if (!worst || worst.risk === 0) return undefined;
	// The share that may bind, or where no stretch goes beyond it by itself, half of what this one risks.
	const share = Math.min(allowed, worst.risk / 2);
	const boundBy = (ms: number): boolean => shareBy(worst.left(ms), share) < -EXACT_L;
	let [early, late] = [worst.fromMs, worst.toMs];
	if (boundBy(early)) late = early;
	for (let i = 0; i < HALVINGS && late > early; i++) {
		const middle = (early + late) / 2;
		if (boundBy(middle)) late = middle;
		else early = middle;
	}
	const { tank, limitL } = worst;
	return { tank, limitL, atMs: late, shortL: Math.max(0, -shareBy(worst.atEnd, share)) };
}
