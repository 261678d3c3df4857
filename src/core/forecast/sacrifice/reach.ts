import type { Estimate } from '../../estimate/index.js';
import { rarityOf } from '../../rig/index.js';
import type { Outset } from '../forecast.js';
import { bring, spentIn, type Spent } from '../sampler/index.js';
import type { Group } from './sets.js';

/** What some measures of one habit bring to the lanes: by stretch, then by lane; nothing where they bring nothing. */
export type SumsPart = readonly (readonly (Float64Array | undefined)[])[];

/** Sums by stretch and lane, by path. */
export type Sums = readonly (readonly Float64Array[])[];

/** Everything about the time until the moment asked for, without any of the measures that may be taken. */
export interface Reach {
	readonly outset: Outset;
	readonly stretches: readonly Spent[];
	/** each stretch is a step of its own: levels need not go one way only */
	readonly each: boolean;
	/** what some measures of a group of habits (beside those in force) bring; without habits: all else */
	part(habits: readonly number[] | undefined, measures: readonly string[]): SumsPart;
}

/** What is lived until a moment, with a cache for each habit's variants. */
export function reachOf(
	estimate: Estimate,
	outset: Outset,
	days: number,
	habits: ReadonlySet<number>,
	each: boolean
): Reach {
	const { day, paths, lanes, measures: inForce } = outset;
	const all = Int32Array.from({ length: paths }, (_, path) => path);
	const asItIs = day.habits.map(({ cadence }) => cadence.rarer);
	const plain = spentIn(outset, days, asItIs, each);
	const rarer = new Map<string, readonly Spent[]>();
	/** the same where some habits are done more rarely, by themselves */
	const spentWith = (group: readonly number[] | undefined, measures: readonly string[]): readonly Spent[] => {
		const factorOf = (i: number): number =>
			rarityOf(estimate.model.rig, day.habits[i]?.habit.id ?? '', measures);
		if (!group || group.every((i) => factorOf(i) === asItIs[i])) return plain;
		const key = group.map((i) => `${i}:${factorOf(i)}`).join('|');
		const before = rarer.get(key);
		if (before) return before;
		const only = asItIs.map((_, i) => (group.includes(i) ? factorOf(i) : undefined));
		const spent = spentIn(outset, days, only, each);
		rarer.set(key, spent);
		return spent;
	};
	return {
		outset,
		stretches: plain,
		each,
		part(group, measures) {
			const set = [...inForce, ...measures];
			const isOf = (habit: number): boolean => (group ? group.includes(habit) : !habits.has(habit));
			return spentWith(group, set).map((spent) =>
				lanes.map((_, lane) => {
					const gains = outset.gains(set, spent.step);
					const own = (gains.habits[lane] ?? []).filter(({ habit }) => isOf(habit));
					const left = (gains.unlogged[lane] ?? []).filter(({ stream }) =>
						isOf(day.habits.findIndex((one) => one.stream === stream))
					);
					const inflow = group ? [] : (gains.inflow[lane] ?? []);
					if (own.length === 0 && left.length === 0 && inflow.length === 0) return undefined;
					const change = new Float64Array(paths);
					bring(change, 0, { habits: [own], unlogged: [left], inflow: [inflow] }, spent, all);
					return change;
				})
			);
		}
	};
}

/** Sums with a part on top, written into others of the same shape. */
export const plus = (sums: Sums, part: SumsPart, into: Sums): Sums =>
	sums.map((lanes, k) =>
		lanes.map((sum, lane) => {
			const more = part[k]?.[lane];
			if (!more) return sum;
			const out = into[k]?.[lane] as Float64Array;
			out.set(sum);
			addTo(out, more);
			return out;
		})
	);

function addTo(sum: Float64Array, more: Float64Array): void {
	for (let path = 0; path < sum.length; path++) sum[path] = (sum[path] as number) + (more[path] as number);
}

const meanOf = (list: Float64Array): number => list.reduce((sum, one) => sum + one, 0) / list.length;

/** Of what moves a tank one way, so much the other way may turn its level back on the way. */
const TURNS = 0.1;

/** Whether some habits fill a tank that others empty: its level may then turn back before the moment asked for. */
export const turns = (reach: Reach, groups: readonly Group[]): boolean => {
	const { lanes } = reach.outset;
	/** the most litres up and down that some part brings to a lane on average */
	const most = (parts: readonly SumsPart[], lane: number): readonly [up: number, down: number] => {
		const means = parts.map((part) =>
			part.reduce((sum, changes) => sum + (changes[lane] ? meanOf(changes[lane]) : 0), 0)
		);
		return [Math.max(0, ...means), Math.max(0, ...means.map((mean) => -mean))];
	};
	const all = [
		[reach.part(undefined, [])],
		...groups.map(({ habits, measures }) => {
			const ids = measures.map(({ id }) => id);
			return [[], ...ids.map((id) => [id])].map((set) => reach.part(habits, set));
		})
	];
	return lanes.some(({ binds }, lane) => {
		const [up, down] = all
			.map((parts) => most(parts, lane))
			.reduce(([a, b], [c, d]) => [a + c, b + d] as const, [0, 0] as const);
		return binds && Math.min(up, down) > TURNS * Math.max(up, down);
	});
};
