import { instantMs } from '../../logbook/index.js';
import { augment, dot, runToCompletion, type Moments, type Sparse } from '../../numerics/index.js';
import { placeOf, posterior, predict, settleQuiet, usableNow, type Estimate } from '../filter/index.js';
import { applyEntry, predictTo } from '../gating/index.js';
import type { AccountRows, AccountScope } from '../model/index.js';
import { accountRows, withAccounts } from './accountModel.js';
import { stateBefore } from './stateBefore.js';

/** At a moment of the stretch the sums are remembered as they stand then: to know what has flowed by it, or since. */
export interface Cut {
	readonly ms: number;
	/** which sums of the account's rows */
	readonly sums: readonly Sparse[];
}

/** What flowed in a stretch, jointly with all that is believed at its end. */
export interface SmoothedSums {
	readonly fromMs: number;
	readonly toMs: number;
	readonly rows: AccountRows;
	/** where each pool's level at the beginning stands */
	readonly start: ReadonlyMap<number, number>;
	/** where the sums remembered at each cut stand, in the order in which they were asked */
	readonly cuts: readonly (readonly number[])[];
	/** waking days of it in which, as it seems, nobody wrote */
	readonly silentDays: number;
	/** a sum of rows, with its doubt */
	of(h: Sparse): Moments;
	/**
	 * A tank's level at the beginning and at the end, litres, held between empty and full: the middle of the belief, so that
	 * what flowed makes the difference (an answered level is the mean of what the bounds leave of it).
	 */
	levelsOf(tankId: string): { readonly start: number; readonly startSd: number; readonly end: number };
}

/** Of which stretch sums are kept, and of what. */
export interface SmoothedSumsOptions {
	readonly fromMs: number;
	readonly scope: AccountScope;
	/** what is to be remembered on the way; asked with the rows that the sums stand in */
	readonly cuts?: (rows: AccountRows) => readonly Cut[];
}

/** After so many entries it pauses. */
const AT_ONCE = 200;

/**
 * Keeps the account of a stretch that ends at the estimate's moment. One pass: each sum is a row of the joint belief, and is
 * corrected with it by all that is read until the end, across resets of meters and marks of full and empty.
 *
 * A stretch that begins before the log begins with its first entry.
 */
export const smoothedSums = (estimate: Estimate, options: SmoothedSumsOptions): SmoothedSums =>
	runToCompletion(smoothedSumsInParts(estimate, options));

/** The same in parts: it pauses every so many entries, and says then how far it is, 0 … 1. */
export function* smoothedSumsInParts(
	estimate: Estimate,
	{ fromMs, scope, cuts }: SmoothedSumsOptions
): Generator<number, SmoothedSums> {
	const { model, failing, atMs } = estimate;
	const rows = accountRows(model, scope);
	const wanted = [...(cuts?.(rows) ?? [])];
	let next = rows.end;
	const start = new Map(scope.pools.map((pool) => [pool, next++]));
	const places = wanted.map(({ sums }) => sums.map(() => next++));
	const kept = withAccounts(model, rows, next);

	const { state, later } = stateBefore(estimate, fromMs);
	const first = later[0];
	const beginMs = state.atMs === undefined && first ? Math.max(fromMs, instantMs(first.at)) : fromMs;
	predict(model, state, Math.min(beginMs, atMs));
	state.belief = augment(state.belief, next);
	state.belief.propagate([...start].map(([pool, row]) => ({ row, from: [[pool, 1]], constant: 0 })));

	const passTo = (ms: number): void => predictTo(kept, state, ms);
	const daysBefore = state.days;
	const open = wanted.map((cut, i) => ({ ...cut, at: places[i] ?? [] })).sort((a, b) => a.ms - b.ms);
	const cutUntil = (ms: number): void => {
		for (let cut = open[0]; cut && cut.ms <= ms; cut = open[0]) {
			open.shift();
			passTo(Math.min(Math.max(cut.ms, state.atMs ?? cut.ms), atMs));
			state.belief.propagate(cut.sums.map((from, i) => ({ row: cut.at[i] as number, from, constant: 0 })));
		}
	};
	let taken = 0;
	for (const entry of later) {
		if (++taken % AT_ONCE === 0) yield taken / later.length;
		const ms = instantMs(entry.at);
		cutUntil(ms);
		passTo(ms);
		applyEntry(kept, state, entry, failing);
	}
	cutUntil(atMs);
	passTo(atMs);
	settleQuiet(kept, state, 'asked');
	cutUntil(Infinity);
	const belief = posterior(state);
	return {
		fromMs: beginMs,
		toMs: atMs,
		rows,
		start,
		cuts: places,
		silentDays: Math.max(0, model.wakingDay.days(beginMs, atMs) - (state.days - daysBefore)),
		of: (h) => ({ mean: dot(belief.mean, h), sd: Math.sqrt(belief.varianceOf(h)) }),
		levelsOf(tankId) {
			const place = placeOf(model, tankId);
			const row = start.get(place.pool.index);
			if (row === undefined)
				throw new RangeError(`no account was kept of the tank ${JSON.stringify(tankId)}`);
			const most = usableNow(place.pool, belief).mean;
			const held = (litres: number | undefined): number =>
				place.share * Math.min(Math.max(litres ?? 0, 0), most);
			return {
				start: held(belief.mean[row]),
				startSd: place.share * belief.sdOf(row),
				end: held(belief.mean[place.pool.index])
			};
		}
	};
}
