import type { EntryOf } from '../../logbook/index.js';
import type { Sparse } from '../../numerics/index.js';
import {
	posterior,
	posteriorOf,
	remember,
	settled,
	type DoubtedReading,
	type FilterState,
	type Imbalance
} from '../filter/index.js';
import { anywhere, emptyOfPool, fullOf, type KnownLevel, type Model, type Pool } from '../model/index.js';
import * as PARAMETERS from '../parameters.js';
import { isFresh } from './innovation.js';

/** A gap that a fill or dump nobody wrote down would explain: fresh higher, waste lower than believed. */
export function couldBeMissed(model: Model, pool: number, gapL: number): boolean {
	const of = model.pools[pool];
	return (
		of !== undefined &&
		Math.abs(gapL) > PARAMETERS.missedEntryGapShare * of.usableL &&
		gapL > 0 === isFresh(model, pool)
	);
}

/** Something that seems not to be written down: after the last agreement, before the first doubt. */
const imbalanceOf = (
	model: Model,
	state: FilterState,
	kinds: readonly [fresh: Imbalance['kind'], waste: Imbalance['kind']],
	pool: number,
	told: Pick<Imbalance, 'litres' | 'upToL' | 'beyondL'>,
	first: DoubtedReading | undefined
): Imbalance => ({
	kind: kinds[isFresh(model, pool) ? 0 : 1],
	pool,
	afterMs: state.agreedMs.get(pool) ?? state.firstMs,
	beforeMs: first?.atMs ?? state.atMs ?? 0,
	...told
});

/** A fill or a dump that nobody wrote down. */
export const noteMissedEntry = (
	model: Model,
	state: FilterState,
	pool: number,
	told: Pick<Imbalance, 'litres' | 'upToL' | 'beyondL'>,
	first: DoubtedReading | undefined
): void => void state.imbalances.push(imbalanceOf(model, state, ['fill', 'dump'], pool, told, first));

/** A pool holds less than the account says, by readings that agree. */
export const noteLoss = (
	model: Model,
	state: FilterState,
	pool: number,
	gapL: number,
	first: DoubtedReading | undefined
): void =>
	void state.imbalances.push(
		imbalanceOf(model, state, ['leak', 'not-arriving'], pool, { litres: -gapL }, first)
	);

/** Readings that were doubted have turned out right: they, and their gauges, are trusted again. */
export function wasRight(state: FilterState, readings: readonly DoubtedReading[]): void {
	const entries = new Set(readings.map(({ entry }) => entry));
	state.doubts = state.doubts.filter(({ entry }) => !entries.has(entry));
	for (const { instrument } of readings) remember(state, instrument, { misfits: [], strain: undefined });
}

/** How far a pool's level is beyond what it can be, litres: below empty for fresh, above full for waste. */
function beyond(model: Model, { index, usableRow: usable, usableL }: Pool, mean: Float64Array): number {
	const level = mean[index] ?? 0;
	if (isFresh(model, index)) return -level;
	return level - (usable === undefined ? usableL : (mean[usable] ?? usableL));
}

/** How far the belief has run beyond what a pool can hold or give, litres, where an entry must be missing for that. */
function impossibleBy(model: Model, state: FilterState, pool: Pool): number | undefined {
	const margin = PARAMETERS.impossibleBeyondShare * pool.usableL;
	if (beyond(model, pool, state.belief.mean) < margin) return undefined;
	const now = posterior(state);
	const byL = beyond(model, pool, now.mean);
	const slack: Sparse =
		pool.usableRow === undefined || isFresh(model, pool.index)
			? [[pool.index, 1]]
			: [
					[pool.index, 1],
					[pool.usableRow, -1]
				];
	return byL < Math.max(margin, 2 * Math.sqrt(now.varianceOf(slack))) ? undefined : byL;
}

/** Fills and dumps that must be missing as things stand. */
export const overdueEntries = (model: Model, state: FilterState): readonly Imbalance[] =>
	model.pools.flatMap((pool): readonly Imbalance[] => {
		const beyondL = impossibleBy(model, state, pool);
		return beyondL === undefined
			? []
			: [imbalanceOf(model, state, ['fill', 'dump'], pool.index, { beyondL }, undefined)];
	});

/**
 * A tank cannot give what is not in it, nor hold what does not fit. When the belief runs that far, an entry is
 * missing: the level could be anything, and the balance is remembered as a missed fill or dump.
 */
export function checkPossible(model: Model, state: FilterState): void {
	for (const pool of model.pools) {
		const byL = impossibleBy(model, state, pool);
		if (byL === undefined) continue;
		const right = state.suspected.filter((one) => one.pool === pool.index && one.couldBeMissed);
		const last = right.at(-1);
		if (last) {
			// A doubted reading said so before: it was right.
			const gap = last.saidL - last.believedL;
			noteMissedEntry(model, state, pool.index, { litres: Math.abs(gap), upToL: last.saidL }, right[0]);
			state.belief.addNoise([[pool.index, 1]], gap ** 2);
			state.belief.condition([[pool.index, 1]], last.sdL ** 2, {
				mean: posteriorOf(state, [[pool.index, 1]]).mean + gap,
				variance: 0
			});
			wasRight(state, right);
		} else {
			noteMissedEntry(model, state, pool.index, { beyondL: byL }, undefined);
			anywhere(state.belief, pool);
		}
		settled(state, pool.index);
	}
}

/** Full or empty seen with one's own eyes: nearly exact; a belief that cannot explain it gives way. */
export function applyMark(model: Model, state: FilterState, entry: EntryOf<'mark'>): void {
	const pool = model.places.get(entry.tank)?.pool;
	if (!pool) return;
	const { belief } = state;
	const seen: KnownLevel = entry.state === 'full' ? fullOf(pool) : emptyOfPool(pool);
	const sdL = Math.max(seen.sdL, PARAMETERS.emptySdShare * pool.usableL);
	const h: Sparse = [[pool.index, 1], ...seen.from.map(([row, k]) => [row, -k] as const)];
	const now = posteriorOf(state, h);
	const gap = seen.constant - now.mean;
	if (gap ** 2 > PARAMETERS.gateSds ** 2 * (now.variance + sdL ** 2)) {
		if (couldBeMissed(model, pool.index, gap))
			noteMissedEntry(
				model,
				state,
				pool.index,
				{ litres: Math.abs(gap), upToL: posteriorOf(state, [[pool.index, 1]]).mean + gap },
				undefined
			);
		belief.addNoise([[pool.index, 1]], gap ** 2);
	}
	belief.condition(h, sdL ** 2, { mean: seen.constant, variance: 0 });
	settled(state, pool.index);
}
