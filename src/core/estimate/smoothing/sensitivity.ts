import type { Entry } from '../../logbook/index.js';
import type { Operation, Sparse } from '../../numerics/index.js';
import { continueFrom, placeOf, type Estimate, type FilterState } from '../filter/index.js';
import { step } from '../gating/index.js';
import { pathsOf, type Model } from '../model/index.js';

/** One entry behind a level, and its share of what is known of it (all shares add to 1). */
export interface Basis {
	readonly entry: string;
	readonly weight: number;
}

/** What one entry did: its operations in order, and, for a use, the doubt that writing it down took off. */
interface Recorded {
	readonly entry: Entry;
	readonly operations: readonly Operation[];
	readonly spared?: { readonly paths: Sparse; readonly variance: number };
}

/** Entries looked at where a tank was never known full or empty. */
const FARTHEST = 1500;

const settles = (model: Model, entry: Entry, pool: number): boolean => {
	const of = (tank: string): boolean => model.places.get(tank)?.pool.index === pool;
	switch (entry.kind) {
		case 'mark':
			return of(entry.tank);
		case 'fill':
		case 'dump':
			return entry.to !== undefined && of(entry.tank);
		case 'transfer':
			return (
				(entry.until === 'from-empty' && of(entry.fromTank)) ||
				(entry.until === 'to-full' && of(entry.toTank))
			);
		default:
			return false;
	}
};

/**
 * Writing down a use spares the doubt whether it was: that of a random number of times (a Poisson's, n times the square
 * of the litres of one).
 */
function sparedBy(model: Model, state: FilterState, entry: Entry): Recorded['spared'] {
	if (entry.kind !== 'use') return undefined;
	const habit = model.habits.get(entry.habit);
	const index = habit && model.habitRow.get(habit.id);
	if (!habit || index === undefined) return undefined;
	const each = state.belief.mean[index] ?? 0;
	return { paths: pathsOf(model, state, habit), variance: entry.times * each ** 2 };
}

/** The way from before the tanks were last known to now, written down operation by operation. */
function recorded(estimate: Estimate, pools: readonly number[]): readonly Recorded[] {
	const { model, entries, failing } = estimate;
	const lastSettled = Math.min(
		...pools.map((pool) => entries.findLastIndex((entry) => settles(model, entry, pool)))
	);
	const first = Math.max(lastSettled, entries.length - FARTHEST, 0);
	const { count, state } = continueFrom(estimate, (checkpoint) => checkpoint.count <= first);
	const found: Recorded[] = [];
	for (const entry of entries.slice(count)) {
		const operations: Operation[] = [];
		state.belief.tape = operations;
		const spared = sparedBy(model, state, entry);
		step(model, state, entry, failing);
		found.push({ entry, operations, ...(spared ? { spared } : {}) });
	}
	return found;
}

/**
 * How much less would be known of a figure without something that it leans on by a weight: of the weights that make up
 * the figure, 1/σ² each, this one's share is w, so that without it the variance would be P/(1 − w) in place of P. It is no
 * more than what it took off when it came, as far as that is left.
 *
 * @param variance P, of the figure as it is known now
 * @param taken what was taken off the variance then, times the square of how the figure depends on it
 */
const takenOff = (weight: number, variance: number, taken: number): number => {
	const w = Math.min(Math.abs(weight), 1);
	return w < 1 ? Math.min(taken, (variance * w) / (1 - w)) : taken;
};

/**
 * Goes back over one operation: from how a figure depends on the state after it to how it depends on the state before.
 *
 * @param by dependence on each component of the state, changed in place
 * @param variance of the figure as it is known now
 * @returns the variance that the operation takes off the figure
 */
function back(by: Float64Array, operation: Operation, variance: number): number {
	switch (operation.kind) {
		case 'flow': {
			const { source, gains, times } = operation;
			let sum = by[source] as number;
			for (const [row, gain] of gains) sum += gain * times * (by[row] as number);
			by[source] = sum;
			return 0;
		}
		case 'network': {
			const { network, exposure } = operation;
			network.sources.forEach((source, s) => {
				let sum = by[source] as number;
				network.targets.forEach((target, t) => {
					sum += network.gains.at(t, s) * (exposure[s] as number) * (by[target] as number);
				});
				by[source] = sum;
			});
			return 0;
		}
		case 'replace':
			by[operation.index] = 0;
			return 0;
		case 'condition': {
			let own = 0;
			for (let i = 0; i < by.length; i++) own += (by[i] as number) * (operation.gain[i] as number);
			for (const [row, h] of operation.h) by[row] = (by[row] as number) - h * own;
			return takenOff(own, variance, own ** 2 * operation.variance);
		}
		case 'rows': {
			const old = operation.rows.map(({ row }) => by[row] as number);
			for (const { row } of operation.rows) by[row] = 0;
			let taken = 0;
			operation.rows.forEach(({ from }, i) => {
				const dependence = old[i] as number;
				for (const [row, k] of from) by[row] = (by[row] as number) + k * dependence;
				const then = dependence ** 2 * Math.max(0, operation.taken[i] as number);
				taken += takenOff(dependence, variance, then);
			});
			return taken;
		}
	}
}

/**
 * The entries that a tank's level rests on, by what each takes off its variance: by how much less would be known without
 * it. They go back to the last time the tank was known full or empty. How the level leans on each follows by going back
 * over all that happened since, operation by operation, a later reading taking over from earlier ones.
 */
export function basisOf(estimate: Estimate, tanks: readonly string[]): ReadonlyMap<string, readonly Basis[]> {
	const { model } = estimate;
	const pools = tanks.map((tank) => placeOf(model, tank).pool.index);
	const way = estimate.entries.length > 0 ? recorded(estimate, pools) : [];
	return new Map(
		tanks.map((tank, t) => {
			const pool = pools[t] as number;
			const variance = estimate.belief.sdOf(pool) ** 2;
			const by = new Float64Array(model.size);
			by[pool] = 1;
			const found: Basis[] = [];
			for (let i = way.length - 1; i >= 0; i--) {
				const { entry, operations, spared } = way[i] as Recorded;
				let weight = 0;
				if (spared) {
					const along = spared.paths.reduce((sum, [row, k]) => sum + k * (by[row] as number), 0);
					weight += along ** 2 * spared.variance;
				}
				for (let k = operations.length - 1; k >= 0; k--)
					weight += back(by, operations[k] as Operation, variance);
				if (weight > 0) found.push({ entry: entry.id, weight });
				if (settles(model, entry, pool)) break;
			}
			const total = found.reduce((sum, { weight }) => sum + weight, 0);
			return [tank, found.map(({ entry, weight }) => ({ entry, weight: weight / total }))] as const;
		})
	);
}
