import { type PlannedTank, type PlanProblem, PLANNED_KINDS, type Mask } from '../trip/index.js';
import { EXACT_L, markBound, noPaths, unite, type Stretches } from './stretches.js';

/** A way to serve the tanks along a trip. */
export interface ServicePolicy {
	/** the kinds used, by visit */
	readonly used: readonly Mask[];
	/** the certainty of each stretch that part loads are made for; to the brim when absent */
	readonly guard?: number | undefined;
}

/** What is taken into one tank, or left behind by it. */
export interface PolicyService {
	/** by place in the problem's list of tanks */
	readonly tank: number;
	readonly node: number;
	/** fresh: litres taken; waste: litres left behind; in the mean of all paths */
	readonly litres: number;
	/** to the brim, or to what a dump leaves */
	readonly whole: boolean;
}

/** What is in a tank as a stretch begins, by path and in the mean. */
export interface Stage {
	readonly node: number;
	readonly levels: Float64Array;
	readonly litres: number;
	/** the service that the stretch begins with; none at the beginning */
	readonly served?: PolicyService;
}

/** Follows one tank of a way: what is in it after each service, by path. */
export function* followTank(
	problem: PlanProblem,
	{ size, load }: Pick<Stretches, 'size' | 'load'>,
	{ used, guard }: ServicePolicy,
	index: number
): Generator<Stage> {
	const tank = problem.tanks[index];
	if (!tank) return;
	const bit = PLANNED_KINDS.indexOf(tank.kind);
	const nodes = used.flatMap((mask, v) => ((mask >> bit) & 1 ? [v + 1] : []));
	let [from, levels, litres] = [0, tank.start, tank.startL];
	yield { node: 0, levels, litres };
	for (const [i, node] of nodes.entries()) {
		const arrivedL = litres + (tank.comeL[node] ?? 0) - (tank.comeL[from] ?? 0);
		const aimsL =
			tank.falls && guard !== undefined
				? Math.max(arrivedL, load(tank, node, nodes[i + 1] ?? size - 1, guard))
				: tank.servedL;
		const whole = !tank.falls || aimsL >= tank.servedL - EXACT_L;
		litres = whole ? tank.servedL : aimsL;
		const movedL = Math.max(0, tank.falls ? litres - arrivedL : arrivedL - litres);
		levels = whole ? tank.served : filledUp(tank, levels, from, node, movedL);
		from = node;
		yield { node, levels, litres, served: { tank: index, node, litres: movedL, whole } };
	}
}

/** Levels after so many litres were added, whatever was really left; what is too much runs over. */
function filledUp(
	{ come, served }: PlannedTank,
	levels: Float64Array,
	from: number,
	node: number,
	litres: number
): Float64Array {
	const [before, now] = [come[from] as Float64Array, come[node] as Float64Array];
	return levels.map((level, path) => {
		const left = level + (now[path] as number) - (before[path] as number);
		return Math.min(served[path] as number, (left > 0 ? left : 0) + litres);
	});
}

const BITS = Uint8Array.from({ length: 256 }, (_, byte) => {
	let count = 0;
	for (let rest = byte; rest > 0; rest >>= 1) count += rest & 1;
	return count;
});
/** The share of all paths that a set marks; its last bits may stand for none. */
export const shareOf = (set: Uint32Array, paths: number): number => Math.min(1, countOf(set) / paths);
const countOf = (set: Uint32Array): number =>
	new Uint8Array(set.buffer, set.byteOffset, set.byteLength).reduce(
		(sum, byte) => sum + (BITS[byte] as number),
		0
	);

/** The share of paths on which some tank binds before the end of a way. */
export function riskOf(problem: PlanProblem, stretches: Stretches, way: ServicePolicy): number {
	const { size, bound } = stretches;
	const set = noPaths(problem.course.paths);
	PLANNED_KINDS.forEach((kind, index) => {
		// Fresh tanks that are filled in part are followed; all else is known, stretch by stretch.
		if (kind === 'water' && way.guard !== undefined) return;
		let from = 0;
		for (const to of [...way.used.flatMap((mask, v) => ((mask >> index) & 1 ? [v + 1] : [])), size - 1]) {
			unite(set, bound[index]?.[from * size + to]);
			from = to;
		}
	});
	if (way.guard !== undefined)
		problem.tanks.forEach((tank, index) => {
			if (!tank.falls) return;
			const stages = [...followTank(problem, stretches, way, index)];
			stages.forEach(({ node, levels }, i) =>
				markBound(set, tank, levels, node, stages[i + 1]?.node ?? size - 1)
			);
		});
	return shareOf(set, problem.course.paths);
}

/** What is taken and left behind on a way. */
export const servedOn = (
	problem: PlanProblem,
	stretches: Stretches,
	way: ServicePolicy
): readonly PolicyService[] =>
	problem.tanks.flatMap((_, index) =>
		[...followTank(problem, stretches, way, index)].flatMap(({ served }) => served ?? [])
	);

/** Everything that is offered, taken: no way risks less. */
export const takingAll = ({ visits }: Pick<PlanProblem, 'visits'>): ServicePolicy => ({
	used: visits.map(({ offers }) => offers)
});

/** The share of paths on which some tank binds though everything is taken; without a look at other ways. */
export function riskTakingAll(problem: PlanProblem): number {
	const size = problem.visits.length + 2;
	const load = (): number => Infinity;
	const set = noPaths(problem.course.paths);
	problem.tanks.forEach((tank, index) => {
		const stages = [...followTank(problem, { size, load }, takingAll(problem), index)];
		stages.forEach(({ node, levels }, i) =>
			markBound(set, tank, levels, node, stages[i + 1]?.node ?? size - 1)
		);
	});
	return shareOf(set, problem.course.paths);
}
