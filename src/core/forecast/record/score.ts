import { DAY_MS, valueAt } from '../../time/index.js';
import { smoothedSums, personDays, type SmoothedSums, type Estimate } from '../../estimate/index.js';
import { aheadNow, dayAhead } from '../../habits/index.js';
import { instantMs } from '../../logbook/index.js';
import type { Foretold, ForetoldTank } from './foretold.js';

/** What came of one tank's forecast. */
export interface ScoredTank {
	readonly id: string;
	/** litres that would have been in it without fills and dumps, as later readings tell */
	readonly cameL: number;
	/** how far off, in deviations of the forecast as it should have been: within ±1.28 is inside its band of eight in ten */
	readonly z: number;
	readonly inside: boolean;
}

/** Why an evening came otherwise. */
export type Surprise =
	| { readonly kind: 'people'; readonly foretold: number; readonly were: number }
	| { readonly kind: 'heat'; readonly maxC: number }
	| { readonly kind: 'hook-up' }
	| { readonly kind: 'measure'; readonly measure: string; readonly on: boolean }
	| { readonly kind: 'leak'; readonly tank: string }
	/** a habit was done so many times, where so many were usual */
	| { readonly kind: 'habit'; readonly habit: string; readonly times: number; readonly usual: number }
	/** more went unwritten than usual, litres */
	| { readonly kind: 'unwritten'; readonly litres: number };

/** A forecast held against what came, tank by tank. */
export interface Score {
	readonly tanks: readonly ScoredTank[];
	/** empty where everything came as foretold, or nobody knows */
	readonly why: readonly Surprise[];
}

/** Half of a band of eight in ten, in deviations. */
const EIGHT_IN_TEN = 1.2816;
/** What came is known well enough when its own doubt is so much of the forecast's, or less. */
const KNOWN = 0.5;
/** Farther off than this is all the same. */
const FARTHEST = 9;
/** So long is waited for a reading that tells what came, days. */
const WAIT_DAYS = 3;

/**
 * One tank's forecast against what came. What came is itself only believed: of the forecast's variance that of the belief
 * could not yet show (var(came − foretold) = forecast's − belief's), so that a middling knowledge makes no forecast look good.
 */
function scoredTank(tank: ForetoldTank, cameL: number, sd: number): ScoredTank | undefined {
	const half = cameL >= tank.p50 ? tank.p90 - tank.p50 : tank.p50 - tank.p10;
	const sdForetold = (tank.p90 - tank.p10) / (2 * EIGHT_IN_TEN);
	if (!(sdForetold > 0) || sd > KNOWN * sdForetold) return undefined;
	const shown = Math.sqrt(1 - (sd / sdForetold) ** 2);
	const z =
		half > 0 ? (EIGHT_IN_TEN * (cameL - tank.p50)) / (half * shown) : cameL === tank.p50 ? 0 : FARTHEST;
	return {
		id: tank.id,
		cameL,
		z: Math.max(-FARTHEST, Math.min(FARTHEST, z)),
		inside: Math.abs(z) <= EIGHT_IN_TEN
	};
}

/** What was otherwise than foretold, most telling first. */
function surprises(
	estimate: Estimate,
	{ madeMs, forMs, persons, maxC }: Foretold,
	account: SmoothedSums
): readonly Surprise[] {
	const { model, state, entries } = estimate;
	const found: Surprise[] = [];
	const within = (ms: number): boolean => ms > madeMs && ms <= forMs;
	for (const { kind, pool, afterMs, beforeMs } of state.imbalances)
		if (kind === 'leak' && afterMs < forMs && beforeMs > madeMs)
			found.push({ kind: 'leak', tank: model.pools[pool]?.tanks[0]?.id ?? '' });
	const were = personDays(model.crew, madeMs, forMs) / ((forMs - madeMs) / DAY_MS);
	if (Math.abs(were - persons) >= 0.4) found.push({ kind: 'people', foretold: persons, were });
	for (const entry of entries) {
		if (!within(instantMs(entry.at))) continue;
		if (entry.kind === 'hookup') found.push({ kind: 'hook-up' });
		if (entry.kind === 'measure') found.push({ kind: 'measure', measure: entry.measure, on: entry.on });
	}
	const hot = valueAt(model.climate, forMs)?.maxC;
	if (hot !== undefined && hot >= 28 && hot - (maxC ?? 20) >= 3) found.push({ kind: 'heat', maxC: hot });
	const day = dayAhead(estimate, aheadNow(estimate));
	const days = (forMs - madeMs) / DAY_MS;
	const odd = day.habits
		.map(({ habit, cadence, litresEach }) => {
			const usual = cadence.timesPerDay * days;
			const times = entries.reduce(
				(sum, entry) =>
					sum +
					(entry.kind === 'use' && entry.habit === habit.id && within(instantMs(entry.at)) ? entry.times : 0),
				0
			);
			return { habit: habit.id, times, usual, litres: Math.abs(times - usual) * litresEach.mean };
		})
		.filter(({ times, usual }) => Math.abs(times - usual) >= Math.max(1, 1.3 * Math.sqrt(usual)))
		.sort((a, b) => b.litres - a.litres)[0];
	if (odd) found.push({ kind: 'habit', habit: odd.habit, times: odd.times, usual: odd.usual });
	const unwritten = account.of(
		[...account.rows.streams, account.rows.unwritten].map((row) => [row, 1] as const)
	).mean;
	const usually = day.unlogged.reduce((sum, { mean }) => sum + mean, 0) * days;
	if (found.length === 0 && unwritten - usually > 3 && unwritten > 1.5 * usually)
		found.push({ kind: 'unwritten', litres: unwritten - usually });
	return found.slice(0, 3);
}

/**
 * Holds what was foretold against what came, as soon as readings tell.
 *
 * @param estimate at a moment after that for which it was foretold; up to a few days later is best
 * @returns `later` while nobody knows yet, `untold` when nobody will
 */
export function scoreOf(estimate: Estimate, foretold: Foretold): Score | 'later' | 'untold' {
	const { madeMs, forMs } = foretold;
	const { model, atMs } = estimate;
	// Who knows already cannot foretell.
	if (!(forMs > madeMs)) return 'untold';
	if (atMs < forMs) return 'later';
	const pools = [...new Set(foretold.tanks.flatMap(({ id }) => model.places.get(id)?.pool.index ?? []))];
	if (pools.length === 0) return 'untold';
	const account = smoothedSums(estimate, {
		fromMs: madeMs,
		scope: { pools, meters: [], drawn: true },
		cuts: ({ usedIn, usedOut }) => [
			{
				ms: forMs,
				sums: pools.map((pool) => [
					[usedIn.get(pool) as number, 1],
					[usedOut.get(pool) as number, -1]
				])
			}
		]
	});
	const tanks = foretold.tanks.flatMap((tank): readonly ScoredTank[] => {
		const place = model.places.get(tank.id);
		if (!place) return [];
		const at = pools.indexOf(place.pool.index);
		const came = account.of([
			[account.start.get(place.pool.index) as number, place.share],
			[account.cuts[0]?.[at] as number, place.share]
		]);
		const scored = scoredTank(tank, came.mean, came.sd);
		return scored ? [scored] : [];
	});
	if (tanks.length === 0) return atMs - forMs < WAIT_DAYS * DAY_MS ? 'later' : 'untold';
	return {
		tanks,
		why: tanks.every(({ inside }) => inside) ? [] : surprises(estimate, foretold, account)
	};
}
