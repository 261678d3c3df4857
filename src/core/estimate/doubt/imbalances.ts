import type { EntryOf } from '../../logbook/index.js';
import { posterior } from '../filter/posterior.js';
import type { Model } from '../filter/model.js';
import { agreed } from '../filter/transitions.js';
import { PARAMETERS } from '../parameters.js';
import type { Measurement } from '../filter/measurementModel.js';
import type { Suspicion, FilterState } from '../filter/filterState.js';

type Reading = EntryOf<'reading'>;

/** A gap that a fill or dump nobody wrote down would explain: fresh higher, waste lower than believed. */
export function couldBeMissed(model: Model, pool: number, gapL: number): boolean {
	const of = model.pools[pool];
	const fresh = of?.tanks[0]?.holds === 'fresh';
	return of !== undefined && Math.abs(gapL) > 0.25 * of.usableL && gapL > 0 === fresh;
}

/**
 * Readings that lie a little lower, time after time, than the meter's account (a cumulative sum of deviations): water
 * goes where nothing counts it, or does not arrive where it should.
 */
export function drifted(
	model: Model,
	state: FilterState,
	entry: Reading,
	said: Measurement,
	gapL: number,
	deviations: number
): void {
	const counts = model.rig.instruments.some(
		({ id, kind }) => kind === 'meter' && model.counted.has(id) && state.meterBase.has(id)
	);
	if (!counts) return;
	const before = state.drift.get(entry.instrument) ?? { sum: 0, litres: 0, sinceMs: state.atMs ?? 0 };
	const sum = Math.max(0, before.sum - deviations - PARAMETERS.driftSlack);
	const now =
		sum === 0
			? { sum, litres: 0, sinceMs: state.atMs ?? 0 }
			: { ...before, sum, litres: before.litres - gapL };
	if (sum < PARAMETERS.drift) return void state.drift.set(entry.instrument, now);
	const fresh = model.pools[said.pool]?.tanks[0]?.holds === 'fresh';
	state.missing.push({
		kind: fresh ? 'leak' : 'not-arriving',
		pool: said.pool,
		afterMs: now.sinceMs,
		beforeMs: state.atMs ?? 0,
		litres: now.litres
	});
	// It may go on: from here on the account of this tank is worth less.
	state.belief.doubt(said.giveWay, now.litres ** 2);
	state.drift.set(entry.instrument, { sum: 0, litres: 0, sinceMs: state.atMs ?? 0 });
}

/** Remembers that a fill or dump seems not to be written down: after the last agreement, before the first doubt. */
export function noteMissedEntry(
	model: Model,
	state: FilterState,
	pool: number,
	told: { readonly litres?: number; readonly upToL?: number },
	first: Suspicion | undefined
): void {
	const fresh = model.pools[pool]?.tanks[0]?.holds === 'fresh';
	state.missing.push({
		kind: fresh ? 'fill' : 'dump',
		pool,
		afterMs: state.agreedMs.get(pool) ?? state.firstMs,
		beforeMs: first?.atMs ?? state.atMs ?? 0,
		...told
	});
}

/** Readings that were doubted have turned out right: they, and their gauges, are trusted again. */
export function wasRight(state: FilterState, readings: readonly Suspicion[]): void {
	const entries = new Set(readings.map(({ entry }) => entry));
	state.doubts = state.doubts.filter(({ entry }) => !entries.has(entry));
	for (const { instrument } of readings) {
		state.record.delete(instrument);
		state.strain.delete(instrument);
	}
}

/** Remembers that a pool holds less than the account says, by readings that agree, and no entry explains it. */
export function noteLoss(
	model: Model,
	state: FilterState,
	pool: number,
	gapL: number,
	first: Suspicion | undefined
): void {
	const fresh = model.pools[pool]?.tanks[0]?.holds === 'fresh';
	state.missing.push({
		kind: fresh ? 'leak' : 'not-arriving',
		pool,
		afterMs: state.agreedMs.get(pool) ?? state.firstMs,
		beforeMs: first?.atMs ?? state.atMs ?? 0,
		litres: -gapL
	});
}

/**
 * A tank cannot give what is not in it, nor hold what does not fit. When the belief runs that far, an entry is
 * missing: the level could be anything, and the balance is remembered as a missed fill or dump.
 */
export function checkPossible(model: Model, state: FilterState): void {
	for (const pool of model.pools) {
		const fresh = pool.tanks[0]?.holds === 'fresh';
		const raw = state.belief.mean[pool.index] ?? 0;
		const margin = PARAMETERS.impossible * pool.usableL;
		if (fresh ? raw > -margin : raw < pool.usableL + margin) continue;
		const now = posterior(model, state);
		const mean = now.mean[pool.index] ?? 0;
		const beyond = fresh ? -mean : mean - pool.usableL;
		if (beyond < Math.max(margin, 2 * now.sdOf(pool.index))) continue;
		const right = state.suspicions.filter((one) => one.pool === pool.index && one.couldBeMissed);
		const last = right.at(-1);
		if (last) {
			// A doubted reading said so before: it was right.
			const gap = last.saidL - last.believedL;
			noteMissedEntry(model, state, pool.index, { litres: Math.abs(gap), upToL: last.saidL }, right[0]);
			state.belief.doubt([[pool.index, 1]], gap ** 2);
			state.belief.learn([[pool.index, 1]], last.sdL ** 2, { mean: mean + gap, variance: 0 });
			wasRight(state, right);
		} else {
			noteMissedEntry(model, state, pool.index, {}, undefined);
			state.belief.set(pool.index, pool.usableL / 2, pool.usableL / Math.sqrt(12));
		}
		agreed(state, pool.index);
	}
}
