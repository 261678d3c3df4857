import type { Gaussian } from '../../numerics/index.js';
import type { OpenValves, SeaState } from '../../rig/index.js';
import {
	copyOfWeeks,
	copyOfWriting,
	noWeeks,
	noWriting,
	regimeKeyOf,
	unloggedInLog,
	weeksOf,
	type KeyedRegime,
	type WeekCounts,
	type WeekFactors,
	type WritingCounts
} from '../inputs/index.js';
import { priorBelief, type Model } from '../model/index.js';
import * as PARAMETERS from '../parameters.js';
import { evidenceOf, rateMeasurements, type RateMeasurement } from './countMeasurements.js';
import {
	changesOften,
	countedHabits,
	countsLess,
	type Counts,
	type CrewAboard,
	type LastUse,
	type LivedCounts
} from './counts.js';
import type { Doubt, DoubtedReading, Imbalance, LikelySlip } from './doubts.js';
import type { InstrumentHistory } from './instrumentHistory.js';
import { posterior } from './posterior.js';
import type { Silence } from './quiet.js';

/**
 * Everything known after replaying some entries. Kept in place by the replay, for speed; `copyOfState` makes one that
 * may go another way.
 */
export interface FilterState extends KeyedRegime {
	/** the instant it is of; absent before the first entry, ms */
	atMs: number | undefined;
	firstMs: number;
	belief: Gaussian;
	mains: boolean;
	ashore?: boolean;
	sewer: OpenValves;
	/** what the sea flushes and takes, as the valves are set */
	sea: SeaState | undefined;
	measures: readonly string[];
	regimeKey: string;
	/** what is remembered of each instrument, by its id */
	readonly instruments: Map<string, InstrumentHistory>;
	/** times each habit was logged */
	readonly times: Map<string, number>;
	/** of each habit the last one */
	readonly lastUses: Map<string, LastUse>;
	/** uses that were written down, and how many of them were likely there already */
	written: { readonly uses: number; readonly twice: number };
	doubts: Doubt[];
	suspected: readonly DoubtedReading[];
	imbalances: Imbalance[];
	/** of late */
	slips: readonly LikelySlip[];
	/** the last moment at which each pool was looked into and agreed, ms */
	readonly agreedMs: Map<number, number>;
	/** days and person-days lived with a log */
	days: number;
	personDays: number;
	readonly risen: Map<string, number>;
	/** of these, what says nothing of those who are aboard now */
	ofOthers: LivedCounts;
	/** those aboard last, and since when */
	crew: CrewAboard | undefined;
	/** sizes of crews that were aboard before */
	readonly crewsKnown: Set<number>;
	/** the same up to the last whole part of a day: what goes on now teaches nothing yet of how often things are done */
	learned: Counts;
	/** what those counts say of use that nobody writes down */
	rates: readonly RateMeasurement[];
	/** what was lived and written down by day of the week, and the factors of its days on each habit as last counted */
	readonly weeks: WeekCounts;
	weekFactors: ReadonlyMap<string, WeekFactors>;
	/** when uses are written down */
	readonly writing: WritingCounts;
	/** the last stretch of which nothing was written, as far as it is taken in */
	silence: Silence | undefined;
	/** when they were last asked, ms */
	recountedMs: number;
	/** unlogged litres per exposure of each stream as last counted */
	unloggedL: readonly number[];
	/** where uses are written in batches: the sitting under way, and the habits written at it */
	sitting: { readonly atMs: number; readonly habits: readonly string[] } | undefined;
	/** times of each habit that are expected to be written at the next sitting */
	readonly expectedUses: Map<string, number>;
}

/** Before anything was written down: tanks anywhere between empty and full, habits and rates at their priors. */
export function initialState(model: Model): FilterState {
	const state: FilterState = {
		atMs: undefined,
		firstMs: 0,
		belief: priorBelief(model),
		instruments: new Map(),
		times: new Map(),
		lastUses: new Map(),
		written: { uses: 0, twice: 0 },
		doubts: [],
		suspected: [],
		imbalances: [],
		slips: [],
		agreedMs: new Map(),
		days: 0,
		personDays: 0,
		risen: new Map(
			model.rig.habits.flatMap((habit) => (changesOften(model.rig, habit) ? [[habit.id, 0] as const] : []))
		),
		ofOthers: { times: new Map(), days: 0, personDays: 0, risen: new Map() },
		crew: undefined,
		crewsKnown: new Set(),
		learned: { atMs: -Infinity, times: new Map(), days: 0, personDays: 0, risen: new Map() },
		rates: [],
		weeks: noWeeks(),
		weekFactors: new Map(),
		writing: noWriting(),
		silence: undefined,
		recountedMs: -Infinity,
		unloggedL: model.streams.map(({ broad }) => broad.mean),
		sitting: undefined,
		expectedUses: new Map(),
		mains: false,
		sewer: false,
		sea: undefined,
		measures: [],
		regimeKey: regimeKeyOf({ mains: false, sewer: false, measures: [] })
	};
	recount(model, state);
	return state;
}

/** A state that may go another way: a change of the one does not change the other. */
export const copyOfState = (state: FilterState): FilterState => ({
	...state,
	belief: state.belief.copy(),
	instruments: new Map(state.instruments),
	times: new Map(state.times),
	lastUses: new Map(state.lastUses),
	weeks: copyOfWeeks(state.weeks),
	writing: copyOfWriting(state.writing),
	crewsKnown: new Set(state.crewsKnown),
	risen: new Map(state.risen),
	doubts: [...state.doubts],
	imbalances: [...state.imbalances],
	agreedMs: new Map(state.agreedMs),
	expectedUses: new Map(state.expectedUses)
});

/** What was lived and written down up to now, by those who are aboard. */
export const countsNow = (state: FilterState): Counts => ({
	atMs: state.atMs ?? -Infinity,
	...countsLess(state, state.ofOthers, 1)
});

/** Brings what the log's counts say up to date; they set how much unlogged use scatters, too. */
export function recount(model: Model, state: FilterState): void {
	const { belief, learned } = state;
	state.recountedMs = learned.atMs;
	state.weekFactors = weeksOf(model.rig.habits, state.weeks);
	const unlogged = unloggedInLog(countedHabits(model, belief, learned), evidenceOf(model, belief));
	state.rates = rateMeasurements(model, belief, unlogged);
	// What readings say of the rates counts, too: how much use scatters goes by all that is known of it.
	const { mean } = posterior(state);
	state.unloggedL = model.streams.map(({ index }) => Math.max(0, mean[index] ?? 0));
}

/** A pool's level was looked at and is known: what was suspected of it before is settled. */
export function settled(state: FilterState, pool: number): void {
	state.suspected = state.suspected.filter((one) => one.pool !== pool);
	if (state.atMs !== undefined) state.agreedMs.set(pool, state.atMs);
}

/** An entry is most likely a slip; only what is of late is kept. */
export const noteSlip = (state: FilterState, slip: LikelySlip): void =>
	void (state.slips = [...state.slips.slice(1 - PARAMETERS.slipsKept), slip]);
