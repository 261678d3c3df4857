import { type PlannedTank, type PlanProblem, PLANNED_KINDS, type Mask } from '../trip/index.js';
import { EXACT_L, markBound, nodesOf, noPaths, type Stretches } from './stretches.js';

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
const countOf = (set: Uint32Array): number =>
	new Uint8Array(set.buffer, set.byteOffset, set.byteLength).reduce(
		(sum, byte) => sum + (BITS[byte] as number),
		0
	);

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

/**
 * The share of paths on which some tank binds before the end of a way.
 *
 * @param failure a use of it that fails: only tanks of that kind are looked at
 */
export function riskOf(
	problem: PlanProblem,
	stretches: Stretches,
	way: ServicePolicy,
	failure?: Failure
): number {
	const { size, bound } = stretches;
	const set = noPaths(problem.course.paths);
	let everyPath = false;
	const add = (more: Uint32Array | undefined): void => {
		if (more) for (let i = 0; i < set.length; i++) set[i] = (set[i] as number) | (more[i] as number);
		else everyPath = true;
	};
	PLANNED_KINDS.forEach((kind, index) => {
		if (failure && failure.kind !== index) return;
		// Fresh tanks that are filled in part are followed; all else is known, stretch by stretch.
		if (kind === 'water' && way.guard !== undefined) {
			problem.tanks.forEach((tank, i) => {
				if (!tank.falls) return;
				const stages = stagesOf(problem, stretches, way, i, failure);
				stages.forEach(({ node, levels }, k) =>
					markBound(set, tank, levels, node, stages[k + 1]?.node ?? size - 1)
				);
			});
			return;
		}
		const used = way.used.flatMap((mask, v) => ((mask >> index) & 1 ? [v + 1] : []));
		const again = failure && (stretches.instead[index]?.[failure.node] ?? size - 1);
		const nodes =
			failure && again
				? [
						...used.filter((node) => node < failure.node),
						...nodesOf(problem, index).filter((node) => node >= again)
					]
				: used;
		let from = 0;
		for (const to of [...nodes, size - 1]) {
			add(bound[index]?.[from * size + to]);
			from = to;
		}
	});
	return everyPath ? 1 : countOf(set) / problem.course.paths;
}

/** Every use of a way that may fail: the first of its kind at each stop. */
export const failuresOf = ({ visits }: PlanProblem, { used }: ServicePolicy): readonly Failure[] =>
	PLANNED_KINDS.flatMap((_, kind) => {
		const seen = new Set<string | undefined>();
		return used.flatMap((mask, v): readonly Failure[] => {
			const stop = visits[v]?.stop.id;
			if (((mask >> kind) & 1) === 0 || seen.has(stop)) return [];
			seen.add(stop);
			return [{ kind, node: v + 1 }];
		});
	});

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
	return countOf(set) / problem.course.paths;
}
