import type { DayAhead } from '../../habits/index.js';
import { seaKey, valvesKey } from '../../rig/index.js';
import type { Draws } from './draws.js';
import type { Lane } from './lanes.js';
import type { DayPart } from './steps.js';
import { usesOf, type Uses } from './uses.js';

/** What all paths use up between two looks at the tanks, summed over the steps in between. */
export interface Spent {
	readonly times: readonly Float64Array[];
	readonly litres: readonly Float64Array[];
	readonly unlogged: readonly Float64Array[];
	readonly spared: readonly Float64Array[];
	readonly inflow: readonly Float64Array[];
	/** the hook-ups and the time of the stretch: its first step */
	readonly step: DayPart;
}

/** What is lived: days of a rig, on paths drawn with a seed. */
interface LivedDays {
	readonly day: DayAhead;
	readonly draws: Draws;
	readonly lanes: readonly Lane[];
	readonly steps: readonly DayPart[];
	readonly paths: number;
	readonly seed: number;
}

/** Each costs as much as all of a time that is looked at only at its end. */
const MOST_STRETCHES = 20;

const sums = (lists: readonly Float64Array[]): readonly Float64Array[] =>
	lists.map((list) => new Float64Array(list.length));

function add(to: readonly Float64Array[], from: readonly Float64Array[], part: number): void {
	to.forEach((sum, i) => {
		const more = from[i] as Float64Array;
		for (let path = 0; path < sum.length; path++)
			sum[path] = (sum[path] as number) + part * (more[path] as number);
	});
}

/**
 * Sums up what is used, stretch by stretch: a new one begins where a hook-up does, where showers ashore or what is kept for drinking change, and where `each` asks with each day; no more of
 * those than twenty, so that of a long time some days are taken together.
 * Use is spread evenly over the step in which the time ends.
 *
 * @param days from now, perhaps not whole
 * @param rarer by habit: see `usesOf`
 */
export function spentIn(
	{ day, draws, lanes, steps, paths, seed }: LivedDays,
	days: number,
	rarer: readonly (number | undefined)[],
	each: boolean
): readonly Spent[] {
	const uses: Uses = usesOf(day, draws, paths, seed, rarer);
	const all = Int32Array.from({ length: paths }, (_, path) => path);
	/** what is kept for drinking goes by who is aboard */
	const keeps = lanes.some(({ kept }) => kept);
	const every = Math.ceil(days / MOST_STRETCHES);
	let began = -1;
	const out: { -readonly [K in keyof Spent]: Spent[K] }[] = [];
	for (const step of steps) {
		const part = Math.min(1, (days - step.start) / step.length);
		if (!(part > 0)) break;
		uses.live(step, all);
		let last = out.at(-1);
		const turns = each && step.day % every === 0 && step.day !== began;
		if (turns) began = step.day;
		if (
			!last ||
			turns ||
			step.mains !== last.step.mains ||
			valvesKey(step.sewer) !== valvesKey(last.step.sewer) ||
			seaKey(step.sea) !== seaKey(last.step.sea) ||
			step.ashore !== last.step.ashore ||
			(keeps && step.persons !== last.step.persons) ||
			step.heel !== last.step.heel ||
			step.opens.length > 0
		) {
			last = {
				times: sums(uses.times),
				litres: sums(uses.litres),
				unlogged: sums(uses.unlogged),
				spared: sums(uses.spared),
				inflow: sums(uses.inflow),
				step
			};
			out.push(last);
		}
		for (const what of ['times', 'litres', 'unlogged', 'spared', 'inflow'] as const)
			add(last[what], uses[what], part);
	}
	return out;
}
