import { DAY_MS } from '../time/index.js';
import { quantileOf } from '../numerics/index.js';
import { type Estimate } from '../estimate/index.js';
import { tankById } from '../rig/index.js';
import { COMPARED_PATHS, outsetOf, type Outset } from './forecast.js';
import { useClockOf } from './useClock.js';
import { bring, spareBehind, spareOf, spentIn, inflateSpread, type Spent } from './sampler/index.js';

/** How much may be used to reach a moment, and how much is being used, litres drawn per person and day. */
export interface Ration {
	readonly untilMs: number;
	/** the tank that allows least */
	readonly tank: string;
	readonly allowedL: number;
	readonly usingL: number;
	/** it is less than one drinks: no figure to live by; until when what there is would do for drinking alone, ms */
	readonly drinkableUntilMs?: number;
}

/** The part of all use that a tank bears which nothing fills or empties. */
const ANYTHING = 1e12;

/** By lane and path: the part of all use that the tank bears until a moment. */
function partsBorne(
	{ lanes, draws, gains, measures, paths }: Outset,
	stretches: readonly Spent[]
): readonly Float64Array[] {
	const all = Int32Array.from({ length: paths }, (_, path) => path);
	const change = new Float64Array(paths);
	return lanes.map((lane, i) => {
		const { binds, falls, drainsToL, id } = lane;
		const borne = new Float64Array(paths).fill(ANYTHING);
		if (!binds) return borne;
		const from = (draws.levels[i] as Float64Array).slice();
		const used = new Float64Array(paths);
		const come = new Float64Array(paths);
		const inflow = new Float64Array(paths);
		const nothing = lanes.map(() => []);
		for (const spent of stretches) {
			const { habits, unlogged, inflow: sources } = gains(measures, spent.step);
			bring(change, i, { habits, unlogged, inflow: nothing }, spent, all);
			bring(inflow, i, { habits: nothing, unlogged: nothing, inflow: sources }, spent, all);
			inflateSpread(change, all, draws.spread);
			const opens = spent.step.opens.includes(id);
			for (let path = 0; path < paths; path++) {
				if (opens) {
					from[path] = Math.min(from[path] as number, drainsToL);
					used[path] = 0;
				}
				used[path] = (used[path] as number) + (falls ? -1 : 1) * (change[path] as number);
				const own = spareOf(lane, from[path] as number, draws.usable[i]?.[path] as number, spent.step);
				const others = spareBehind(lanes, draws, lane, path, spent.step);
				come[path] = (come[path] as number) + (inflow[path] as number);
				const room = Math.max(0, own + others + (come[path] as number));
				if ((used[path] as number) > 0)
					borne[path] = Math.min(borne[path] as number, room / (used[path] as number));
			}
		}
		return borne;
	});
}

/** Litres drawn until a moment, on average. */
function drawnL({ day, paths }: Outset, stretches: readonly Spent[]): number {
	const sum = (list: Float64Array | undefined): number => list?.reduce((total, one) => total + one, 0) ?? 0;
	const ofHabits = day.habits.map(({ flow }, h) =>
		stretches.reduce(
			(total, { litres, times }) =>
				total + flow.drawn.perLitre * sum(litres[h]) + flow.drawn.fixed * sum(times[h]),
			0
		)
	);
	const unlogged = stretches.reduce(
		(total, spent) =>
			total + spent.unlogged.reduce((all, list, u) => all + (day.unlogged[u]?.drawn ?? 1) * sum(list), 0),
		0
	);
	return (ofHabits.reduce((a, b) => a + b, 0) + unlogged) / paths;
}

/**
 * The daily share that keeps every tank from binding before a moment, with a certainty; all habits cut alike.
 *
 * @returns `undefined` when the moment is past, nobody is aboard until then or no tank bears anything
 */
export function ration(estimate: Estimate, untilMs: number, certainty: number): Ration | undefined {
	const days = useClockOf(estimate).useDays((untilMs - estimate.atMs) / DAY_MS);
	if (!(days > 0)) return undefined;
	const paths = COMPARED_PATHS;
	const outset = outsetOf(estimate, { days, paths });
	const { day, steps } = outset;
	const personDays = steps.reduce(
		(sum, { start, length, persons }) => sum + persons * Math.max(0, Math.min(length, days - start)),
		0
	);
	if (!(personDays > 0)) return undefined;
	const stretches = spentIn(
		outset,
		days,
		day.habits.map(({ cadence }) => cadence.rarer),
		false
	);
	const borne = partsBorne(outset, stretches);
	const atLeast = (list: Float64Array): number => quantileOf(list.slice().sort(), 1 - certainty);
	const least = borne.reduce(
		(all, one) => all.map((part, path) => Math.min(part, one[path] as number)),
		new Float64Array(paths).fill(ANYTHING)
	);
	const tanks = outset.lanes.map(({ id }, i) => ({ id, part: atLeast(borne[i] as Float64Array) }));
	const tightest = tanks.reduce((a, b) => (b.part < a.part ? b : a), { id: '', part: ANYTHING });
	const part = atLeast(least);
	if (part >= ANYTHING) return undefined;
	const usingL = drawnL(outset, stretches) / personDays;
	const allowedL = usingL * part;
	const { rig } = estimate.model;
	const drinksL =
		tankById(rig, tightest.id)?.holds === 'fresh' ? rig.drinking?.litresPerPersonDay : undefined;
	return {
		untilMs,
		tank: tightest.id,
		allowedL,
		usingL,
		...(drinksL !== undefined && allowedL < drinksL
			? { drinkableUntilMs: estimate.atMs + (allowedL / drinksL) * (untilMs - estimate.atMs) }
			: {})
	};
}
