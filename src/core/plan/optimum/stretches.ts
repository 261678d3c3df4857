import { normalQuantile } from '../../numerics/index.js';
import { PLANNED_KINDS, type ServiceKind, type PlannedTank, type PlanProblem } from '../trip/index.js';

/** Reserves hold to this, litres: sums of many days are no more exact. */
export const EXACT_L = 1e-6;

/** What of a tank is left before it binds, litres, when so much is in it. */
export const marginOf = ({ falls }: Pick<PlannedTank, 'falls'>, litres: number, limit: number): number =>
	falls ? litres - limit : limit - litres;

/** What is known of every stretch between two nodes, row by row. */
export interface Stretches {
	readonly size: number;
	/**
	 * By kind: the share of paths on which one of its tanks binds, when the service before the stretch did all it can; with a fallback
	 * until one would be served instead if the use at its end failed, and all of them where nothing serves then.
	 */
	readonly risk: readonly Float64Array[];
	/** by kind and node: where one is served instead when a use there fails, the next other stop with such a service; else the end */
	readonly instead: readonly Int32Array[];
	/** by kind and stretch: those paths, a bit for each; absent where it is all of them */
	readonly bound: readonly (readonly (Uint32Array | undefined)[])[];
	/**
	 * By kind: how much is missing or too much at the end of each stretch, in the mean of all paths, as a share of what the
	 * tank can hold; for plans that cannot hold, where the next service is wanted all the same.
	 */
	overrun(): readonly Float64Array[];
	/** kilograms carried times kilometres, of a fresh tank with so much in it as the stretch begins */
	carriedKgKm(tank: PlannedTank, from: number, to: number, litres: number): number;
	/**
	 * Litres aboard in a fresh tank as the stretch begins, when it is to need no more at a certainty; all it holds at the most. With a
	 * fallback enough to be served instead.
	 */
	load(tank: PlannedTank, from: number, to: number, guard: number): number;
}

/** The nodes at which a kind can be used: the visits that have it. */
export const nodesOf = ({ visits }: PlanProblem, kind: number): readonly number[] =>
	visits.flatMap(({ offers }, v) => ((offers >> kind) & 1 ? [v + 1] : []));

/** A bit for each path. */
export const noPaths = (paths: number): Uint32Array => new Uint32Array(Math.ceil(paths / 32));
/** Marks the paths of another set too; all of them where it is absent. */
export const unite = (set: Uint32Array, more: Uint32Array | undefined): void => {
	if (more) for (let i = 0; i < set.length; i++) set[i] = (set[i] as number) | (more[i] as number);
	else set.fill(0xffffffff);
};
const mark = (set: Uint32Array, path: number): void => {
	set[path >> 5] = (set[path >> 5] as number) | (1 << (path & 31));
};
const isMarked = (set: Uint32Array, path: number): boolean =>
	(((set[path >> 5] as number) >> (path & 31)) & 1) === 1;

/** Marks the paths on which a tank binds by the end of a stretch that begins with some levels; tells how many more those are. */
export function markBound(
	set: Uint32Array,
	{ falls, limit, come }: PlannedTank,
	levels: Float64Array,
	from: number,
	to: number
): number {
	const [before, now] = [come[from] as Float64Array, come[to] as Float64Array];
	let more = 0;
	for (let path = 0; path < levels.length; path++) {
		const litres = (levels[path] as number) + (now[path] as number) - (before[path] as number);
		const left = falls ? litres - (limit[path] as number) : (limit[path] as number) - litres;
		if (left >= -EXACT_L || isMarked(set, path)) continue;
		mark(set, path);
		more++;
	}
	return more;
}

/** The paths that bind on each stretch of a kind; only what begins with a service of it, or at the beginning, is one. */
function boundOn(
	problem: PlanProblem,
	kind: ServiceKind,
	index: number,
	size: number
): { readonly risk: Float64Array; readonly bound: readonly (Uint32Array | undefined)[] } {
	const { paths } = problem.course;
	const tanks = problem.tanks.filter((tank) => tank.kind === kind);
	const risk = new Float64Array(size * size).fill(1);
	const bound = new Array<Uint32Array | undefined>(size * size);
	const nodes = [...nodesOf(problem, index), size - 1];
	for (const from of [0, ...nodes]) {
		let set = noPaths(paths);
		let count = 0;
		for (const to of nodes) {
			if (to <= from) continue;
			// What has bound by one moment has bound by every later one.
			if (count === paths) break;
			const next = set.slice();
			const more = tanks.reduce(
				(sum, tank) => sum + markBound(next, tank, from === 0 ? tank.start : tank.served, from, to),
				0
			);
			if (more > 0) set = next;
			count += more;
			risk[from * size + to] = count / paths;
			bound[from * size + to] = set;
		}
	}
	return { risk, bound };
}

/** Where one is served instead when a use at a node fails, by node: at the next other stop with such a service, else nowhere before the end. */
function insteadOf(problem: PlanProblem, kind: number, size: number): Int32Array {
	const { visits } = problem;
	const nodes = nodesOf(problem, kind);
	return Int32Array.from(
		{ length: size },
		(_, node) =>
			nodes.find((later) => later > node && visits[later - 1]?.stop.id !== visits[node - 1]?.stop.id) ??
			size - 1
	);
}

/**
 * The risk of each stretch of a kind when the use at its end may fail: until one is served instead, and all paths where the trip cannot be
 * finished from there, though every service were taken.
 */
function survivable(
	problem: PlanProblem,
	kind: number,
	risk: Float64Array,
	instead: Int32Array
): Float64Array {
	const end = instead.length - 1;
	const allowed = 1 - problem.certainty + 1e-9;
	const nodes = nodesOf(problem, kind);
	const finishes = new Set([end]);
	for (const node of nodes.toReversed()) {
		const next = nodes.find((later) => later > node) ?? end;
		if (finishes.has(next) && (risk[node * instead.length + next] as number) <= allowed) finishes.add(node);
	}
	return risk.map((share, i) => {
		const [from, to] = [Math.floor(i / instead.length), i % instead.length];
		if (to === end || share >= 1) return share;
		const other = instead[to] as number;
		return finishes.has(other) ? (risk[from * instead.length + other] as number) : 1;
	});
}

/** One path in so many does for a mean. */
const SOME = 10;

/** How much is missing or too much at the end of each stretch of a kind. */
function overrunOf(problem: PlanProblem, kind: ServiceKind, index: number, size: number): Float64Array {
	const tanks = problem.tanks.filter((tank) => tank.kind === kind);
	const overrun = new Float64Array(size * size);
	const nodes = [...nodesOf(problem, index), size - 1];
	for (const from of [0, ...nodes])
		for (const to of nodes)
			for (const tank of to > from ? tanks : []) {
				const base = from === 0 ? tank.start : tank.served;
				const [before, now] = [tank.come[from] as Float64Array, tank.come[to] as Float64Array];
				let [over, looked] = [0, 0];
				for (let path = 0; path < base.length; path += SOME) {
					const litres = (base[path] as number) + (now[path] as number) - (before[path] as number);
					over += Math.max(0, -marginOf(tank, litres, tank.limit[path] as number));
					looked++;
				}
				const holdsL = Math.max(1, tank.falls ? tank.servedL : tank.limitL);
				overrun[from * size + to] = (overrun[from * size + to] ?? 0) + over / looked / holdsL;
			}
	return overrun;
}

/** Every stretch between two services: on which paths a tank binds in it. */
export function stretchesOf(problem: PlanProblem): Stretches {
	const size = problem.visits.length + 2;
	const fresh = problem.tanks.filter(({ falls }) => falls);
	const { legs, legsBefore, course } = problem;
	const sumUp = (values: readonly number[]): readonly number[] =>
		values.reduce<number[]>((sums, value) => [...sums, (sums.at(-1) ?? 0) + value], [0]);
	// Kilometres, and kilometres times what has come to each tank by then, summed up over the legs.
	const km = sumUp(legs.map((leg) => leg.km));
	const drawn = new Map(
		fresh.map(({ tank, legComeL }) => [tank.id, sumUp(legs.map((leg, i) => leg.km * (legComeL[i] ?? 0)))])
	);

	/** spread over the paths of what is in a tank at a node if nothing is served until then, litres; known once it was asked for */
	const spreads = new Map<string, number>();
	function spreadOf({ tank, start, come, startL, comeL }: PlannedTank, node: number): number {
		const key = `${tank.id}|${node}`;
		const known = spreads.get(key);
		if (known !== undefined) return known;
		const now = come[node] as Float64Array;
		const middle = startL + (comeL[node] ?? 0);
		const spread = Math.sqrt(
			start.reduce((sum, litres, path) => sum + (litres + (now[path] as number) - middle) ** 2, 0) /
				course.paths
		);
		spreads.set(key, spread);
		return spread;
	}
	// So many litres are added, whatever is left: what is not known of that is not known afterwards.
	function load(tank: PlannedTank, from: number, to: number, guard: number): number {
		const needL = (tank.comeL[from] ?? 0) - (tank.comeL[to] ?? 0);
		return Math.min(tank.servedL, tank.limitL + needL + normalQuantile(guard) * spreadOf(tank, to));
	}
	const byKind = PLANNED_KINDS.map((kind, index) => boundOn(problem, kind, index, size));
	const instead = PLANNED_KINDS.map((_, kind) => insteadOf(problem, kind, size));
	const { fallback } = problem;
	const risk = byKind.map((one) => one.risk);
	return {
		size,
		risk: fallback
			? risk.map((plain, kind) => survivable(problem, kind, plain, instead[kind] as Int32Array))
			: risk,
		bound: byKind.map(({ bound }) => bound),
		instead,
		load: (tank, from, to, guard) =>
			load(tank, from, fallback ? (instead[PLANNED_KINDS.indexOf(tank.kind)]?.[to] ?? to) : to, guard),
		overrun: () => PLANNED_KINDS.map((kind, index) => overrunOf(problem, kind, index, size)),
		carriedKgKm({ comeL, tank }, from, to, litres) {
			const [a, b] = [legsBefore[from] ?? 0, legsBefore[to] ?? 0];
			const length = (km[b] ?? 0) - (km[a] ?? 0);
			const { [a]: before = 0, [b]: after = 0 } = drawn.get(tank.id) ?? [];
			return length * (litres - (comeL[from] ?? 0)) + after - before;
		}
	};
}
