import { quantileOf } from '../../forecast/index.js';
import type { Problem } from '../problem.js';
import { EXACT_L, marginOf, type Stretches } from './stretches.js';
import type { Mask } from './cheapest.js';

/** A way to serve the tanks along a trip. */
export interface Way {
	/** the kinds used, by visit */
	readonly used: readonly Mask[];
	/** the certainty of each stretch that part loads are made for; to the brim when absent */
	readonly guard?: number | undefined;
}

/** What is taken into one tank, or left behind by it. */
export interface Served {
	/** by place in the problem's list of tanks */
	readonly tank: number;
	readonly node: number;
	/** fresh: litres taken; waste: litres left behind; in the mean of all paths */
	readonly litres: number;
	/** to the brim, or to what a dump leaves */
	readonly whole: boolean;
}

/** Nobody stops the hose so shortly before the brim, as a share of what serves. */
const ALMOST_FULL = 0.01;

/** What is in a tank as a stretch begins, by path and in the mean. */
export interface Stage {
	readonly node: number;
	readonly levels: Float64Array;
	readonly litres: number;
	/** the service that the stretch begins with; none at the beginning */
	readonly served?: Served;
}

/** Follows one tank of a way: what is in it after each service, by path. */
export function* followed(
	problem: Problem,
	{ size }: Pick<Stretches, 'size'>,
	{ used, guard }: Way,
	index: number
): Generator<Stage> {
	const tank = problem.tanks[index];
	if (!tank) return;
	const bit = { water: 0, grey: 1, black: 2 }[tank.kind];
	const nodes = used.flatMap((mask, v) => ((mask >> bit) & 1 ? [v + 1] : []));
	let [from, levels] = [0, tank.start];
	yield { node: 0, levels, litres: tank.startL };
	for (const [i, node] of nodes.entries()) {
		const [before, now] = [tank.come[from] as Float64Array, tank.come[node] as Float64Array];
		const arrived = levels.map((litres, path) => litres + (now[path] as number) - (before[path] as number));
		const meanL = arrived.reduce((sum, litres) => sum + litres, 0) / arrived.length;
		const next = tank.come[nodes[i + 1] ?? size - 1] as Float64Array;
		const partL =
			tank.falls && guard !== undefined
				? quantileOf(
						arrived
							.map(
								(litres, path) =>
									(tank.limit[path] as number) + (now[path] as number) - (next[path] as number) - litres
							)
							.sort(),
						guard
					)
				: Infinity;
		const whole = !(meanL + partL < (1 - ALMOST_FULL) * tank.servedL);
		const litres = Math.max(0, whole ? (tank.falls ? 1 : -1) * (tank.servedL - meanL) : partL);
		// So many litres are added, whatever was really left; what is too much runs over.
		levels = whole
			? tank.served
			: arrived.map((left, path) => Math.min(tank.served[path] as number, Math.max(left, 0) + litres));
		from = node;
		const inIt = whole ? tank.servedL : meanL + litres;
		yield { node, levels, litres: inIt, served: { tank: index, node, litres, whole } };
	}
}

/** What a way comes to on all the paths. */
export interface Outcome {
	/** the share of paths on which some tank binds before the end */
	readonly risk: number;
	readonly served: readonly Served[];
}

/** Lives a way on all the paths. */
export function outcomeOf(problem: Problem, stretches: Pick<Stretches, 'size'>, way: Way): Outcome {
	const { paths } = problem.course;
	const bound = new Uint8Array(paths);
	const served: Served[] = [];
	problem.tanks.forEach((tank, index) => {
		const stages = [...followed(problem, stretches, way, index)];
		stages.forEach(({ node, levels, served: here }, i) => {
			if (here) served.push(here);
			const to = stages[i + 1]?.node ?? stretches.size - 1;
			const [before, after] = [tank.come[node] as Float64Array, tank.come[to] as Float64Array];
			for (let path = 0; path < paths; path++) {
				const litres = (levels[path] as number) + (after[path] as number) - (before[path] as number);
				if (marginOf(tank, litres, tank.limit[path] as number) < -EXACT_L) bound[path] = 1;
			}
		});
	});
	return { risk: bound.reduce((sum, one) => sum + one, 0) / paths, served };
}
