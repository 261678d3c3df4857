import { normalCdf, type Moments } from '../../numerics/index.js';
import { DAY_MS } from '../../time/index.js';
import type { DoubtedReading, FilterState, Imbalance } from '../filter/index.js';
import type { Model } from '../model/index.js';
import * as PARAMETERS from '../parameters.js';

/**
 * Which hypothesis one gauge's doubted readings speak for: the log likelihood ratio of following the water (a fill or dump was
 * missed, and the gap to the account stays) over standing still (it is stuck), each step's difference with the error
 * of both readings.
 */
export function followsWater(readings: readonly Pick<DoubtedReading, 'gapL' | 'saidL' | 'sdL'>[]): number {
	return readings.slice(1).reduce((sum, now, i) => {
		const last = readings[i] ?? now;
		const spread = 2 * (last.sdL ** 2 + now.sdL ** 2);
		return sum + ((now.saidL - last.saidL) ** 2 - (now.gapL - last.gapL) ** 2) / spread;
	}, 0);
}

/** Whether a gauge moved as after a fill or dump, from what it said when last taken in, while the tank was due for one. */
export function wasDue(
	model: Model,
	pool: number,
	shownL: number | undefined,
	saidL: number,
	believedL: number
): boolean {
	const of = model.pools[pool];
	if (!of || shownL === undefined) return false;
	const fresh = of.tanks[0]?.holds === 'fresh';
	const rose = (fresh ? saidL - shownL : shownL - saidL) / of.usableL;
	const spent = fresh ? 1 - believedL / of.usableL : believedL / of.usableL;
	return rose > PARAMETERS.missedEntryGapShare && spent > PARAMETERS.dueSpentShare;
}

/** The chance that doubted readings of one gauge are right, and a fill or dump was not written down. */
export function missedEntryChance(readings: readonly DoubtedReading[]): number {
	const [first] = readings;
	if (!first?.couldBeMissed) return 0;
	const prior = first.wasDue ? PARAMETERS.missedEntryPriorWhenDue : PARAMETERS.missedEntryPrior;
	return 1 / (1 + ((1 - prior) / prior) * Math.exp(-followsWater(readings)));
}

/** The doubted readings of a pool that could mean a missed entry: those of the instrument that was read last. */
function evidenceOf(state: FilterState, pool: number): readonly DoubtedReading[] {
	const here = state.suspected.filter((one) => one.pool === pool && one.couldBeMissed);
	const last = here.at(-1);
	return here.filter(({ instrument }) => instrument === last?.instrument);
}

/** What a pool holds if an entry is missing, and how likely that is. */
export interface AlternativeLevel {
	readonly chance: number;
	readonly level: Moments;
}

/**
 * What a pool may hold instead of what is believed: what a doubted gauge says, if a fill or dump was missed; anything, if
 * the account has run below empty or above full, and still water was drawn.
 */
export function alternativeLevel(
	model: Model,
	state: FilterState,
	pool: number,
	now: Moments,
	atMs: number
): AlternativeLevel | undefined {
	const of = model.pools[pool];
	if (!of) return undefined;
	const evidence = evidenceOf(state, pool);
	const last = evidence.at(-1);
	if (last && atMs - last.atMs < PARAMETERS.missedEntryDays * DAY_MS) {
		const chance = missedEntryChance(evidence);
		const level = { mean: now.mean + last.saidL - last.believedL, sd: Math.hypot(now.sd, last.sdL) };
		return { chance, level };
	}
	const fresh = of.tanks[0]?.holds === 'fresh';
	// An account runs a little beyond empty or full before that speaks for anything.
	const room =
		(fresh ? now.mean : of.usableL - now.mean) +
		PARAMETERS.beyondBeginsShare * PARAMETERS.impossibleBeyondShare * of.usableL;
	const possible = normalCdf(room / Math.max(now.sd, 1e-9));
	const chance =
		PARAMETERS.missedEntryBaseChance /
		(PARAMETERS.missedEntryBaseChance + (1 - PARAMETERS.missedEntryBaseChance) * possible);
	// What is beyond the chance that is always there and that the bands leave aside.
	return {
		chance: chance - PARAMETERS.missedEntryBaseChance,
		level: { mean: of.usableL / 2, sd: of.usableL / Math.sqrt(12) }
	};
}

/** A fill or dump that a doubted gauge tells of, and which gauge that is; only where it is the likelier hypothesis. */
export interface LikelyMissedEntry {
	readonly missing: Imbalance;
	readonly instrument: string;
}

/** What doubted gauges tell of fills and dumps that are more likely missing than not. */
export function likelyMissedEntries(model: Model, state: FilterState): readonly LikelyMissedEntry[] {
	return model.pools.flatMap(({ index, tanks }): readonly LikelyMissedEntry[] => {
		const evidence = evidenceOf(state, index);
		const [first] = evidence;
		if (!first || first.shadow || missedEntryChance(evidence) < 0.5) return [];
		const missing: Imbalance = {
			kind: tanks[0]?.holds === 'fresh' ? 'fill' : 'dump',
			pool: index,
			afterMs: state.agreedMs.get(index) ?? state.firstMs,
			beforeMs: first.atMs,
			litres: Math.abs(first.saidL - first.believedL),
			upToL: first.saidL
		};
		return [{ missing, instrument: first.instrument }];
	});
}
