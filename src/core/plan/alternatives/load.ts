import type { Estimate } from '../../estimate/index.js';
import type { Trip } from '../../logbook/index.js';
import { riskTakingAll, stretchesOf, type Stretches, strategyOf } from '../optimum/index.js';
import { loaded, planProblemOf, type PlanProblem } from '../trip/index.js';
import type { PlanOptions } from '../plan.js';

/** How much fresh water to set out with, litres in all the tanks of the plan and the jugs that feed them; a litre weighs a kilogram. */
export interface Load {
	/** everything full */
	readonly mostL: number;
	/** with less the trip does not hold, though every service were taken */
	readonly leastL: number;
	/** with more it costs no less, and more is carried */
	readonly paysL: number;
	/** what the plan then costs, by the policy's prices */
	readonly cost: number;
	/** what it costs with the least */
	readonly leastCost: number;
}

const HALVINGS = 12;
/** Loads that are tried between the least and the most. */
const MOST_TRIED = 8;

/** What all the fresh tanks hold. */
const holdsL = ({ tanks }: PlanProblem): number =>
	tanks.reduce((sum, { falls, servedL }) => sum + (falls ? servedL : 0), 0);

/** The loads that just reach a place to fill, or the end: between them nothing is gained. */
function reaching(problem: PlanProblem, { load, size }: Stretches): readonly number[] {
	const fresh = problem.tanks.filter(({ falls }) => falls);
	const guard = (1 + problem.certainty) / 2;
	const nodes = [...problem.visits.flatMap(({ offers }, v) => (offers & 1 ? [v + 1] : [])), size - 1];
	return nodes.map((node) => fresh.reduce((sum, tank) => sum + load(tank, 0, node, guard), 0));
}

/**
 * How much to load before a trip: the least that holds, and the most that pays. Waste tanks are as they are.
 *
 * @returns nothing where the trip does not hold though everything is full, or has no fresh tank
 */
export function loadBefore(estimate: Estimate, trip: Trip, options: PlanOptions = {}): Load | undefined {
	const { prices, seek } = strategyOf(trip);
	const plain = planProblemOf(estimate, trip, { ...options, prices });
	const mostL = holdsL(plain);
	if (!(mostL > 0)) return undefined;
	const withLoad = (litres: number): PlanProblem => ({ ...plain, tanks: loaded(plain.tanks, litres) });
	const allowed = 1 - plain.certainty + 1e-9;
	const holds = (litres: number): boolean => riskTakingAll(withLoad(litres)) <= allowed;
	if (!holds(mostL)) return undefined;
	let [less, leastL] = [0, mostL];
	for (let i = 0; i < HALVINGS; i++) {
		const middle = (less + leastL) / 2;
		if (holds(middle)) leastL = middle;
		else less = middle;
	}
	const between = reaching(plain, stretchesOf(plain)).filter((litres) => litres > leastL && litres < mostL);
	const every = Math.max(1, Math.ceil(between.length / MOST_TRIED));
	const tried = [leastL, ...between.filter((_, i) => i % every === 0).sort((a, b) => a - b), mostL];
	const costs = tried.map((litres) => {
		const problem = withLoad(litres);
		const found = seek(problem, stretchesOf(problem));
		return { litres, cost: found.holds ? found.cost : Infinity };
	});
	const best = costs.reduce((least, one) => (one.cost < least.cost - 1e-9 ? one : least));
	return { mostL, leastL, paysL: best.litres, cost: best.cost, leastCost: costs[0]?.cost ?? best.cost };
}
