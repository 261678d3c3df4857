import { PLANNED_KINDS, type PlanProblem } from '../trip/index.js';
import { followTank, shareOf, type ServicePolicy, type Stage } from './evaluatePolicy.js';
import { markBound, nodesOf, noPaths, unite, type Stretches } from './stretches.js';

/** A use that fails, and all later ones at that stop with it: its kind, by place among the planned kinds, and its node. */
export interface Failure {
	readonly kind: number;
	readonly node: number;
}

/** The stages of one tank of a way; where a use of its kind fails it is served at every later other stop instead, all that can be. */
export function stagesOf(
	problem: PlanProblem,
	stretches: Pick<Stretches, 'size' | 'load' | 'instead'>,
	way: ServicePolicy,
	index: number,
	failure?: Failure
): readonly Stage[] {
	const tank = problem.tanks[index];
	const stages = [...followTank(problem, stretches, way, index)];
	if (!tank || !failure || PLANNED_KINDS[failure.kind] !== tank.kind) return stages;
	const again = stretches.instead[failure.kind]?.[failure.node] ?? stretches.size - 1;
	const { served: levels, servedL: litres } = tank;
	return [
		...stages.filter(({ node }) => node < failure.node),
		...nodesOf(problem, failure.kind)
			.filter((node) => node >= again)
			.map((node) => ({ node, levels, litres }))
	];
}

/** By node: the paths on which a tank of a kind binds from there on, when all that is offered is taken. */
function finishing(
	problem: PlanProblem,
	{ size, bound }: Stretches,
	kind: number
): ReadonlyMap<number, Uint32Array> {
	const sets = new Map<number, Uint32Array>([[size - 1, noPaths(problem.course.paths)]]);
	let next = size - 1;
	for (const node of nodesOf(problem, kind).toReversed()) {
		const set = (sets.get(next) as Uint32Array).slice();
		unite(set, bound[kind]?.[node * size + next]);
		sets.set(node, set);
		next = node;
	}
	return sets;
}

/**
 * What is risked when a use of a kind fails, for each that may: the first at each stop. Everything that is offered from the next other stop
 * on is taken then; only tanks of that kind are looked at.
 */
export function failureRisks(
	problem: PlanProblem,
	stretches: Stretches,
	way: ServicePolicy,
	kind: number
): readonly (Failure & { readonly risk: number })[] {
	const { size, bound, instead } = stretches;
	const { paths } = problem.course;
	const nodes = way.used.flatMap((mask, v) => ((mask >> kind) & 1 ? [v + 1] : []));
	if (nodes.length === 0) return [];
	const partly = PLANNED_KINDS[kind] === 'water' && way.guard !== undefined;
	const followed = problem.tanks.flatMap((tank, i) =>
		partly && tank.falls ? [{ tank, stages: [...followTank(problem, stretches, way, i)] }] : []
	);
	const after = finishing(problem, stretches, kind);
	/** marks what binds on the stretch that begins with a use, or with the beginning, to a node */
	const addStretch = (set: Uint32Array, use: number, to: number): void => {
		const from = use === 0 ? 0 : (nodes[use - 1] as number);
		if (!partly) return unite(set, bound[kind]?.[from * size + to]);
		for (const { tank, stages } of followed) markBound(set, tank, (stages[use] as Stage).levels, from, to);
	};
	const before = noPaths(paths);
	const risks: (Failure & { readonly risk: number })[] = [];
	nodes.forEach((node, use) => {
		const stop = problem.visits[node - 1]?.stop.id;
		if (use === 0 || problem.visits[(nodes[use - 1] as number) - 1]?.stop.id !== stop) {
			const again = instead[kind]?.[node] ?? size - 1;
			const set = before.slice();
			addStretch(set, use, again);
			unite(set, after.get(again));
			risks.push({ kind, node, risk: shareOf(set, paths) });
		}
		addStretch(before, use, node);
	});
	return risks;
}

/** What is risked when the use of a way fails that can least be spared. */
export const worstFailure = (problem: PlanProblem, stretches: Stretches, way: ServicePolicy): number =>
	Math.max(
		0,
		...PLANNED_KINDS.flatMap((_, kind) => failureRisks(problem, stretches, way, kind).map(({ risk }) => risk))
	);
