import { PLANNED_KINDS, type PlanProblem, type Mask } from '../trip/index.js';
import { cheapest, type Excess, type ServiceNetwork } from './cheapest.js';
import { followTank, riskOf, takingAll, type ServicePolicy } from './evaluatePolicy.js';
import { worstFailure } from './failures.js';
import { nodesOf, type Stretches } from './stretches.js';

/** A way, what it costs and what it risks. */
export interface PolicyFound extends ServicePolicy {
	readonly cost: number;
	/** the share of paths on which some tank binds */
	readonly risk: number;
	/** whether it keeps the promise: no more than the policy allows, with a fallback also when any one use fails */
	readonly holds: boolean;
}

/** So finely is sought between two certainties, or two prices of risk: times halved. */
const HALVINGS = 6;
/** Prices of risk that are tried, as shares of what all services together cost. */
const RISK_PRICES = [1e-11, 1e3] as const;
const SURE = 0.9999;

/** What a way costs: its services, and carrying what is aboard. */
export function costOfPolicy(problem: PlanProblem, stretches: Stretches, way: ServicePolicy): number {
	const services = way.used.reduce((sum, mask, v) => sum + (problem.visits[v]?.cost[mask] ?? 0), 0);
	const { perKgKm } = problem.prices;
	return perKgKm > 0 ? services + perKgKm * carriedOf(problem, stretches, way) : services;
}

/** Kilograms of fresh water times the kilometres it is carried, on all the legs of a way. */
export function carriedOf(problem: PlanProblem, stretches: Stretches, way: ServicePolicy): number {
	const beside = problem.legs.reduce((sum, { km }) => sum + km * problem.carriedL, 0);
	return problem.tanks.reduce((total, tank, index) => {
		if (!tank.falls) return total;
		const stages = [...followTank(problem, stretches, way, index)];
		return stages.reduce(
			(sum, { node, litres }, i) =>
				sum + stretches.carriedKgKm(tank, node, stages[i + 1]?.node ?? stretches.size - 1, litres),
			total
		);
	}, beside);
}

/** What judges and remembers ways: the cheapest one that keeps the promise. */
class Search {
	best: PolicyFound | undefined;
	/** the cheapest that holds, and is not as sure as one chosen among many should be */
	#holding: PolicyFound | undefined;
	readonly problem: PlanProblem;
	readonly stretches: Stretches;
	/** the share of paths on which a tank may bind */
	readonly lost: number;
	/** the same for a way that is the best of many: it looks a little better on the paths it was chosen on than it is, by about one standard error */
	readonly allowed: number;

	constructor(problem: PlanProblem, stretches: Stretches) {
		[this.problem, this.stretches] = [problem, stretches];
		this.lost = 1 - problem.certainty + 1e-9;
		const aim = 1 - problem.aim + 1e-9;
		const surer = aim - Math.sqrt((aim * (1 - aim)) / problem.course.paths);
		// Where not even taking everything is so sure, half of what is left to the policy may be lost.
		const least = riskOf(problem, stretches, takingAll(problem));
		this.allowed = least <= surer ? surer : Math.min(this.lost, (least + this.lost) / 2);
	}

	/** Lives a way, and keeps it when it is better than what is known. */
	judge(way: ServicePolicy): PolicyFound {
		const risk = riskOf(this.problem, this.stretches, way);
		const cost = costOfPolicy(this.problem, this.stretches, way);
		const survives = !this.problem.fallback || worstFailure(this.problem, this.stretches, way) <= this.lost;
		const holds = risk <= this.lost && survives;
		const found: PolicyFound = { ...way, cost, risk, holds };
		if (holds && risk <= this.allowed && (!this.best || better(found, this.best))) this.best = found;
		if (holds && (!this.#holding || better(found, this.#holding))) this.#holding = found;
		return found;
	}

	/** The best there is, or something that holds, or that at least. */
	or(all: PolicyFound): PolicyFound {
		return this.best ?? this.#holding ?? all;
	}

	/** Whether a way is there, and is sure enough to be chosen. */
	suits(way: ServicePolicy | undefined): boolean | undefined {
		if (!way) return undefined;
		const { holds, risk } = this.judge(way);
		return holds && risk <= this.allowed;
	}
}

const countOf = (used: readonly Mask[]): number =>
	used.reduce((sum, mask) => sum + PLANNED_KINDS.filter((_, kind) => (mask >> kind) & 1).length, 0);
const better = (one: PolicyFound, other: PolicyFound): boolean => {
	const differ = one.cost - other.cost;
	const same = Math.abs(differ) <= 1e-9 * Math.max(1, Math.abs(other.cost));
	return same ? countOf(one.used) < countOf(other.used) : differ < 0;
};

/**
 * What is carried beyond what stretches ask for, by tanks that nothing was added to.
 *
 * @param guard the certainty that part loads are made for
 */
function excessOf({ prices, tanks }: PlanProblem, { load, carriedKgKm }: Stretches, guard: number): Excess {
	const fresh = tanks.filter(({ falls }) => falls);
	return {
		untouched: (1 << fresh.length) - 1,
		over: (from, to, untouched) => {
			let [left, cost] = [from === 0 ? untouched : 0, 0];
			if (from === 0) return { untouched: left, cost };
			fresh.forEach((tank, i) => {
				if (((untouched >> i) & 1) === 0) return;
				const [arrivedL, loadL] = [tank.startL + (tank.comeL[from] ?? 0), load(tank, from, to, guard)];
				if (arrivedL < loadL) return;
				left |= 1 << i;
				const [carried, asked] = [arrivedL, loadL].map((litres) => carriedKgKm(tank, from, to, litres));
				cost += prices.perKgKm * ((carried ?? 0) - (asked ?? 0));
			});
			return { untouched: left, cost };
		}
	};
}

/**
 * The network of a problem: each stretch may bind on so many paths at the most, and what it risks has a price.
 *
 * @param guard the certainty that part loads are made for
 */
function networkOf(
	problem: PlanProblem,
	stretches: Stretches,
	allowed: number,
	riskPrice: number,
	guard: number,
	overrun?: readonly Float64Array[]
): ServiceNetwork {
	const { visits, prices, tanks } = problem;
	const { risk, load, carriedKgKm, size } = stretches;
	const fresh = tanks.filter(({ falls }) => falls);
	const carrying = (from: number, to: number): number =>
		prices.perKgKm > 0
			? prices.perKgKm *
				fresh.reduce(
					(sum, tank) =>
						sum + carriedKgKm(tank, from, to, from === 0 ? tank.startL : load(tank, from, to, guard)),
					0
				)
			: 0;
	return {
		visits,
		...(prices.perKgKm > 0 ? { excess: excessOf(problem, stretches, guard) } : {}),
		stretches: risk.map((shares, kind) =>
			shares.map((share, i) =>
				share > allowed
					? Infinity
					: riskPrice * (share + (overrun?.[kind]?.[i] ?? 0)) +
						(kind === 0 ? carrying(Math.floor(i / size), i % size) : 0)
			)
		)
	};
}

/** The cheapest way for a price of risk. */
function wayFor(
	{ problem, stretches }: Search,
	allowed: number,
	riskPrice: number,
	guard: number,
	overrun?: readonly Float64Array[]
): ServicePolicy | undefined {
	const used = cheapest(networkOf(problem, stretches, allowed, riskPrice, guard, overrun));
	return used && { used, guard: problem.prices.perKgKm > 0 ? guard : undefined };
}

/** Halves between what does not hold and what does, as long as that finds something. */
function halve(low: number, high: number, holds: (value: number) => boolean): void {
	let [from, to] = [low, high];
	for (let i = 0; i < HALVINGS; i++) {
		const middle = (from + to) / 2;
		if (holds(middle)) to = middle;
		else from = middle;
	}
}

/** Leaves out, dearest first, what the promise does not need. */
function pruned(search: Search, from: PolicyFound): void {
	for (let known = from; ;) {
		const spare = search.problem.visits.flatMap(({ cost }, v) =>
			PLANNED_KINDS.flatMap((_, kind) => {
				const mask = known.used[v] ?? 0;
				if (!((mask >> kind) & 1)) return [];
				return [
					{ v, mask: mask & ~(1 << kind), saves: (cost[mask] ?? 0) - (cost[mask & ~(1 << kind)] ?? 0) }
				];
			})
		);
		let next: PolicyFound | undefined;
		for (const { v, mask } of spare.sort((a, b) => b.saves - a.saves)) {
			const found = search.judge({ ...known, used: known.used.map((one, i) => (i === v ? mask : one)) });
			if (!found.holds || found.risk > search.allowed || !better(found, known)) continue;
			next = found;
			break;
		}
		if (!next) return;
		known = next;
	}
}

/**
 * The cheapest way that keeps a promise as a whole: that with a certainty no tank binds before the end. Each stretch gets its
 * share of the chance that may be lost, in two ways, and the cheaper one is taken: all stretches the same, or each as
 * much as it is worth (a price of risk, the multiplier of Lagrange). For either the optimum is exact; both are lived
 * on all paths together, since stretches of one trip bind together: the same people live on all of them.
 *
 * @returns a way that does not hold where none does: the least risky, at the least cost
 */
export function cheapestKeepingChance(problem: PlanProblem, stretches: Stretches): PolicyFound {
	const search = new Search(problem, stretches);
	const { aim } = problem;
	const all = search.judge(takingAll(problem));
	const prices = problem.visits.reduce((sum, { cost, offers }) => sum + (cost[offers] ?? 0), 0);
	const priceOfAll = Math.max(1, prices, all.cost);
	const [least, most] = RISK_PRICES.map((share) => Math.log(share * priceOfAll)) as [number, number];
	if (!all.holds) {
		const safest = wayFor(search, 1, Math.exp(most), SURE, stretches.overrun());
		return safest ? search.judge(safest) : all;
	}
	if (!search.suits(wayFor(search, search.allowed, 0, aim))) {
		halve(aim, SURE, (guard) => search.suits(wayFor(search, 1 - guard, 0, guard)) ?? true);
		// With part loads a stretch that is to risk little is made for more than the promise asks.
		const guard = search.best?.guard ?? (1 + aim) / 2;
		halve(
			least,
			most,
			(price) => search.suits(wayFor(search, search.allowed, Math.exp(price), guard)) ?? true
		);
	}
	if (search.best) pruned(search, search.best);
	return search.or(all);
}

/** Each kind is put off to the last visit in reach, at a certainty for each stretch. */
function putOff(problem: PlanProblem, { risk, size }: Stretches, guard: number): ServicePolicy | undefined {
	const used = problem.visits.map(() => 0);
	for (const [kind, shares] of risk.entries()) {
		const nodes = [...nodesOf(problem, kind), size - 1];
		for (let from = 0; from < size - 1;) {
			const to = nodes.findLast((node) => node > from && (shares[from * size + node] ?? 1) <= 1 - guard);
			if (to === undefined) return undefined;
			if (to < size - 1) used[to - 1] = (used[to - 1] ?? 0) | (1 << kind);
			from = to;
		}
	}
	return { used };
}

/** Each service only when it is due: the latest visit in reach, as sure as the promise asks. */
export function whenDue(problem: PlanProblem, stretches: Stretches): PolicyFound {
	const search = new Search(problem, stretches);
	const all = toppingUp(problem, stretches);
	if (all.holds && !search.suits(putOff(problem, stretches, problem.aim)))
		halve(problem.aim, SURE, (guard) => search.suits(putOff(problem, stretches, guard)) ?? true);
	return search.or(all);
}

/** Everything that is offered. */
export const toppingUp = (problem: PlanProblem, stretches: Stretches): PolicyFound =>
	new Search(problem, stretches).judge(takingAll(problem));
