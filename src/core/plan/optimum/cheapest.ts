import { PLANNED_KINDS, type Mask, type Offer } from '../trip/index.js';

/**
 * Where services can be used, in order of time, and what a stretch between two uses of a kind costs. Nodes: 0 is the
 * beginning, i + 1 the visit i, and the last one the end.
 */
export interface ServiceNetwork {
	readonly visits: readonly Offer[];
	/** by kind: the least that the stretch between two nodes, row by row, costs beside the services; Infinity where it does not hold */
	readonly stretches: readonly Float64Array[];
	/** what water costs beyond that, where more is aboard already than the stretch asks for; nothing where it is absent */
	readonly excess?: Excess;
}

/**
 * Fresh tanks to which nothing was added yet may hold more than a stretch asks for: that is carried all the same. They are told apart by a
 * bit each; a tank that was filled holds just what its stretch asks for.
 */
export interface Excess {
	/** every fresh tank */
	readonly untouched: number;
	/** of the tanks untouched as a stretch begins those that still are, and what the stretch costs beyond its least */
	readonly over: (
		from: number,
		to: number,
		untouched: number
	) => { readonly untouched: number; readonly cost: number };
}

interface Reached {
	readonly cost: number;
	readonly used: Mask;
	/** the node of the last use, by kind */
	readonly last: readonly number[];
	/** the fresh tanks that nothing was added to before the last water was taken */
	readonly untouched: number;
	readonly before: Reached | undefined;
}

const WATER = PLANNED_KINDS.indexOf('water');
const NO_EXCESS: Excess = { untouched: 0, over: () => ({ untouched: 0, cost: 0 }) };

/**
 * Among plans of one cost the one with the fewest services, then the fewest stops, then the latest ones; as shares of what
 * some plan costs, far below what anyone pays.
 */
const TIES = { service: 1e-9, stop: 5e-10, early: 1e-11 } as const;
const NOISE = 1e-13;

const bits = (mask: Mask, kinds: number): readonly number[] =>
	Array.from({ length: kinds }, (_, kind) => kind).filter((kind) => (mask >> kind) & 1);

/** What a visit costs by the kinds used, ties told apart. */
function pricesOf({ visits, stretches }: ServiceNetwork, most: number): readonly (readonly number[])[] {
	const kinds = stretches.length;
	return visits.map(({ cost }, v) =>
		cost.map((price, mask) => {
			const count = bits(mask, kinds).length;
			if (count === 0) return 0;
			const early = (visits.length - v) / (visits.length + 1);
			return price + most * (count * (TIES.service + TIES.early * early) + TIES.stop);
		})
	);
}

/**
 * A share of each visit's price for each kind, so that the shares of the kinds used never come to more than their price
 * together: in proportion to what each kind costs alone.
 */
function sharesOf(
	prices: readonly (readonly number[])[],
	{ visits, stretches }: ServiceNetwork
): Float64Array[] {
	const kinds = stretches.length;
	return visits.map(({ offers }, v) =>
		Float64Array.from({ length: kinds }, (_, kind) => {
			if (!((offers >> kind) & 1)) return Infinity;
			const alone = (one: number): number => prices[v]?.[1 << one] ?? Infinity;
			let least = Infinity;
			for (let mask = 1; mask < 1 << kinds; mask++) {
				if (!((mask >> kind) & 1) || (mask & offers) !== mask) continue;
				const sum = bits(mask, kinds).reduce((total, one) => total + alone(one), 0);
				least = Math.min(least, sum > 0 ? ((prices[v]?.[mask] ?? Infinity) * alone(kind)) / sum : 0);
			}
			return least;
		})
	);
}

/**
 * The least that is still to pay for one kind, by the node of its last use (row) and the next visit to come (column), when
 * a use at a visit costs its share; and the next node to use on that way.
 */
function restOf(
	kind: number,
	share: (visit: number) => number,
	{ visits, stretches }: ServiceNetwork
): { readonly rest: Float64Array; readonly next: Int32Array } {
	const [count, size] = [visits.length, visits.length + 2];
	const stretch = stretches[kind] as Float64Array;
	const rest = new Float64Array(size * size).fill(Infinity);
	const next = new Int32Array(size * size).fill(count + 1);
	for (let last = count; last >= 0; last--) {
		rest[last * size + count] = stretch[last * size + count + 1] as number;
		for (let v = count - 1; v >= last; v--) {
			const skip = rest[last * size + v + 1] as number;
			const onwards = rest[(v + 1) * size + v + 1] as number;
			const use = (stretch[last * size + v + 1] as number) + share(v) + onwards;
			const uses = use < skip;
			rest[last * size + v] = uses ? use : skip;
			next[last * size + v] = uses ? v + 1 : (next[last * size + v + 1] as number);
		}
	}
	return { rest, next };
}

/** What a whole set of uses costs, by the visits' prices. */
function costOf(
	used: readonly Mask[],
	prices: readonly (readonly number[])[],
	network: ServiceNetwork
): number {
	const { excess = NO_EXCESS, visits, stretches } = network;
	const size = visits.length + 2;
	const services = used.reduce((sum, mask, v) => sum + (prices[v]?.[mask] ?? Infinity), 0);
	return stretches.reduce((sum, stretch, kind) => {
		let [last, untouched] = [0, excess.untouched];
		const nodes = [...used.flatMap((mask, v) => ((mask >> kind) & 1 ? [v + 1] : [])), size - 1];
		for (const to of nodes) {
			sum += stretch[last * size + to] as number;
			if (kind === WATER) {
				const over = excess.over(last, to, untouched);
				sum += over.cost;
				untouched = over.untouched;
			}
			last = to;
		}
		return sum;
	}, services);
}

/** The cheapest uses of each kind by itself, when each has a price of its own; nothing where a kind has none that hold. */
function apart(
	network: ServiceNetwork,
	price: (visit: number, kind: number) => number
): readonly Mask[] | undefined {
	const count = network.visits.length;
	const size = count + 2;
	const used = new Array<Mask>(count).fill(0);
	for (const kind of network.stretches.keys()) {
		const { rest, next } = restOf(kind, (v) => price(v, kind), network);
		if (rest[0] === Infinity) return undefined;
		for (let at = next[0] as number; at <= count; at = next[at * size + at] as number)
			used[at - 1] = (used[at - 1] as Mask) | (1 << kind);
	}
	return used;
}

/**
 * The cheapest set of uses, exactly: dynamic programming over the visits, the state being the visit at which each kind was
 * last used, and which fresh tanks hold what they began with. What must still be paid at least, kind by kind, cuts off what
 * cannot be cheapest (as in A*: Hart, Nilsson and Raphael 1968).
 *
 * @returns the kinds used at each visit; nothing where no set holds
 */
export function cheapest(network: ServiceNetwork): readonly Mask[] | undefined {
	const { visits, stretches, excess = NO_EXCESS } = network;
	const [count, kinds] = [visits.length, stretches.length];
	const size = count + 2;
	// Each kind by itself, put together: something that holds, and the most that need be paid.
	const raw = visits.map(({ cost }) => cost);
	const together = apart(network, (v, kind) =>
		((visits[v] as Offer).offers >> kind) & 1 ? (raw[v]?.[1 << kind] ?? Infinity) : Infinity
	);
	if (!together) return undefined;
	const prices = pricesOf(network, Math.max(1, costOf(together, raw, network)));
	const shares = sharesOf(prices, network);
	const bounds = stretches.map((_, kind) => restOf(kind, (v) => shares[v]?.[kind] ?? Infinity, network));
	const byPrice = apart(network, (v, kind) =>
		((visits[v] as Offer).offers >> kind) & 1 ? (prices[v]?.[1 << kind] ?? Infinity) : Infinity
	);
	let most = costOf(byPrice ?? together, prices, network);
	// The shares, as if they were prices, may lead to a better one.
	const shared = apart(network, (v, kind) => shares[v]?.[kind] ?? Infinity);
	if (shared) most = Math.min(most, costOf(shared, prices, network));
	const limit = most + NOISE * Math.max(1, Math.abs(most));

	const stillFrom = (last: readonly number[], visit: number): number =>
		last.reduce((sum, node, kind) => sum + (bounds[kind]?.rest[node * size + visit] as number), 0);
	let reached: Reached[] = [
		{ cost: 0, used: 0, last: stretches.map(() => 0), untouched: excess.untouched, before: undefined }
	];
	for (let v = 0; v < count; v++) {
		const { offers } = visits[v] as Offer;
		const states = new Map<number, Reached>();
		for (const from of reached)
			for (let mask = 0; mask < 1 << kinds; mask++) {
				if ((mask & offers) !== mask) continue;
				let cost = from.cost + (prices[v]?.[mask] ?? Infinity);
				let { untouched } = from;
				if ((mask >> WATER) & 1) {
					const over = excess.over(from.last[WATER] ?? 0, v + 1, untouched);
					cost += over.cost;
					untouched = over.untouched;
				}
				let key = untouched;
				const last = from.last.map((node, kind) => {
					const uses = (mask >> kind) & 1;
					if (uses) cost += stretches[kind]?.[node * size + v + 1] ?? Infinity;
					const now = uses ? v + 1 : node;
					key = key * size + now;
					return now;
				});
				if (!(cost + stillFrom(last, v + 1) <= limit)) continue;
				const known = states.get(key);
				if (!known || cost < known.cost) states.set(key, { cost, used: mask, last, untouched, before: from });
			}
		reached = [...states.values()];
	}
	const costAtEnd = (state: Reached): number =>
		state.cost +
		stillFrom(state.last, count) +
		excess.over(state.last[WATER] ?? 0, count + 1, state.untouched).cost;
	const best = reached.reduce<Reached | undefined>(
		(least, state) => (!least || costAtEnd(state) < costAtEnd(least) ? state : least),
		undefined
	);
	const used: Mask[] = [];
	for (let state = best; state?.before; state = state.before) used.unshift(state.used);
	return best ? used : undefined;
}
