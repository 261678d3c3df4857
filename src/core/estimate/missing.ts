import type { EntryOf } from '../logbook/index.js';
import { believed } from './informed.js';
import type { Model } from './model.js';
import { agreed } from './moves.js';
import { NOISE } from './noise.js';
import type { Said } from './says.js';
import type { Suspicion, Tally } from './tally.js';

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
	tally: Tally,
	entry: Reading,
	said: Said,
	gapL: number,
	deviations: number
): void {
	const counts = model.rig.instruments.some(
		({ id, kind }) => kind === 'meter' && model.counted.has(id) && tally.meterBase.has(id)
	);
	if (!counts) return;
	const before = tally.drift.get(entry.instrument) ?? { sum: 0, litres: 0, sinceMs: tally.atMs ?? 0 };
	const sum = Math.max(0, before.sum - deviations - NOISE.driftSlack);
	const now =
		sum === 0
			? { sum, litres: 0, sinceMs: tally.atMs ?? 0 }
			: { ...before, sum, litres: before.litres - gapL };
	if (sum < NOISE.drift) return void tally.drift.set(entry.instrument, now);
	const fresh = model.pools[said.pool]?.tanks[0]?.holds === 'fresh';
	tally.missing.push({
		kind: fresh ? 'leak' : 'not-arriving',
		pool: said.pool,
		afterMs: now.sinceMs,
		beforeMs: tally.atMs ?? 0,
		litres: now.litres
	});
	// It may go on: from here on the account of this tank is worth less.
	tally.belief.doubt(said.giveWay, now.litres ** 2);
	tally.drift.set(entry.instrument, { sum: 0, litres: 0, sinceMs: tally.atMs ?? 0 });
}

/** Remembers that a fill or dump seems not to be written down: after the last agreement, before the first doubt. */
export function noteMissing(
	model: Model,
	tally: Tally,
	pool: number,
	told: { readonly litres?: number; readonly upToL?: number },
	first: Suspicion | undefined
): void {
	const fresh = model.pools[pool]?.tanks[0]?.holds === 'fresh';
	tally.missing.push({
		kind: fresh ? 'fill' : 'dump',
		pool,
		afterMs: tally.agreedMs.get(pool) ?? tally.firstMs,
		beforeMs: first?.atMs ?? tally.atMs ?? 0,
		...told
	});
}

/** Readings that were doubted have turned out right: they, and their gauges, are trusted again. */
export function wasRight(tally: Tally, readings: readonly Suspicion[]): void {
	const entries = new Set(readings.map(({ entry }) => entry));
	tally.doubts = tally.doubts.filter(({ entry }) => !entries.has(entry));
	for (const { instrument } of readings) {
		tally.record.delete(instrument);
		tally.strain.delete(instrument);
	}
}

/** Remembers that a pool holds less than the account says, by readings that agree, and no entry explains it. */
export function noteLoss(
	model: Model,
	tally: Tally,
	pool: number,
	gapL: number,
	first: Suspicion | undefined
): void {
	const fresh = model.pools[pool]?.tanks[0]?.holds === 'fresh';
	tally.missing.push({
		kind: fresh ? 'leak' : 'not-arriving',
		pool,
		afterMs: tally.agreedMs.get(pool) ?? tally.firstMs,
		beforeMs: first?.atMs ?? tally.atMs ?? 0,
		litres: -gapL
	});
}

/**
 * A tank cannot give what is not in it, nor hold what does not fit. When the belief runs that far, an entry is
 * missing: the level could be anything, and the balance is remembered as a missed fill or dump.
 */
export function checkPossible(model: Model, tally: Tally): void {
	for (const pool of model.pools) {
		const fresh = pool.tanks[0]?.holds === 'fresh';
		const raw = tally.belief.mean[pool.index] ?? 0;
		const margin = NOISE.impossible * pool.usableL;
		if (fresh ? raw > -margin : raw < pool.usableL + margin) continue;
		const now = believed(model, tally);
		const mean = now.mean[pool.index] ?? 0;
		const beyond = fresh ? -mean : mean - pool.usableL;
		if (beyond < Math.max(margin, 2 * now.sdOf(pool.index))) continue;
		const right = tally.suspicions.filter((one) => one.pool === pool.index && one.couldBeMissed);
		const last = right.at(-1);
		if (last) {
			// A doubted reading said so before: it was right.
			const gap = last.saidL - last.believedL;
			noteMissing(model, tally, pool.index, { litres: Math.abs(gap), upToL: last.saidL }, right[0]);
			tally.belief.doubt([[pool.index, 1]], gap ** 2);
			tally.belief.learn([[pool.index, 1]], last.sdL ** 2, { mean: mean + gap, variance: 0 });
			wasRight(tally, right);
		} else {
			noteMissing(model, tally, pool.index, {}, undefined);
			tally.belief.set(pool.index, pool.usableL / 2, pool.usableL / Math.sqrt(12));
		}
		agreed(tally, pool.index);
	}
}
