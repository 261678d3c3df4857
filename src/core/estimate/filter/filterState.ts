import type { Habit, Rig } from '../../logbook/index.js';
import * as PARAMETERS from '../../parameters.js';
import { type Counted, useInLog } from '../prior/index.js';
import { Gaussian } from './gaussian.js';
import type { Model } from './model.js';
import type { Pool } from './pools.js';
import { countedStreams, rateMeasurements, type RateMeasurement } from './rates.js';
import { regimeKeyOf, type KeyedRegime } from './regime.js';

/** Why a reading is left out, as a fact with its numbers, litres unless said. */
export type DoubtCause =
	/** what it says at the nearest, what everything else says, and how sure that is (half of its 90 % band) */
	| {
			readonly kind: 'unexplained';
			readonly saysL: number;
			readonly believedL: number;
			readonly bandL: number;
	  }
	/** a meter shows less than it counts from (more, when it counts down), displayed units: it was reset */
	| { readonly kind: 'reset'; readonly shows: number; readonly from: number; readonly counts: 'up' | 'down' }
	/** the gauge has no such reading on its curve */
	| { readonly kind: 'off-curve' }
	/** a depth in a tank without a shape */
	| { readonly kind: 'no-shape' }
	/** less than nothing was shown */
	| { readonly kind: 'below-nothing'; readonly shows: number };

/** A reading that the belief and its own error cannot explain: shown and explained, but left out. */
export interface Doubt {
	readonly entry: string;
	readonly instrument: string;
	readonly cause: DoubtCause;
}

/** A doubted reading kept in mind: if another one agrees with it, the belief gives way. */
export interface DoubtedReading {
	readonly entry: string;
	readonly atMs: number;
	readonly instrument: string;
	/** what the reading said at the nearest minus what was believed, litres, and its standard deviation */
	readonly gapL: number;
	readonly sdL: number;
	/** what the reading itself says, litres: the middle of a band; and what was believed then */
	readonly saidL: number;
	readonly believedL: number;
	readonly pool: number;
	/** a fill or dump that nobody wrote down would explain it */
	readonly couldBeMissed: boolean;
	/** the gauge moved as after a fill or dump, at a time when one was due: a stuck one does not */
	readonly wasDue: boolean;
	/** of an instrument that is judged and not used */
	readonly shadow: boolean;
}

/**
 * Something the replay came to that no entry explains: a fill or dump that was not written down; water that left fresh
 * without passing its meter; water that passed it and did not arrive in a waste tank.
 */
export interface Imbalance {
	readonly kind: 'fill' | 'dump' | 'leak' | 'not-arriving';
	readonly pool: number;
	/** it happened after the one and before the other */
	readonly afterMs: number;
	readonly beforeMs: number;
	/** how much, where a reading tells */
	readonly litres?: number;
	/** the level it came to, where a reading tells */
	readonly upToL?: number;
}

/**
 * How one gauge fared of late, reading by reading: 0 taken in, 1 doubted, ½ doubted where a missed fill or dump would
 * explain it as well.
 */
export type Fits = readonly number[];

/** When a gauge came under suspicion, and when it last gave reason for it, ms. */
export interface Hint {
	readonly sinceMs: number;
	readonly lastMs: number;
}

/** What was lived and written down up to a moment. */
export interface Counts {
	readonly atMs: number;
	/** times each habit was logged */
	readonly times: ReadonlyMap<string, number>;
	readonly days: number;
	readonly personDays: number;
	/** for habits that rise with heat or exertion, or that a measure makes rarer: each day counted as often as they are done in it */
	readonly risen: ReadonlyMap<string, number>;
}

/** Whether a habit is done more often in heat or at work, or more rarely by a measure. */
export const changesOften = ({ measures }: Rig, { id, rises }: Habit): boolean =>
	rises !== undefined || measures.some(({ habit, effect }) => habit === id && effect.kind === 'rarer');

/** The days or person-days in which a habit was to be done so often as usual. */
export const exposureTo = (
	{ days, personDays, risen }: Omit<Counts, 'atMs' | 'times'>,
	habit: Habit | undefined,
	perPerson: boolean
): number => (habit && risen.get(habit.id)) ?? (perPerson ? personDays : days);

/**
 * Everything known after replaying some entries. Kept in place by the replay, for speed; `copyOfState` makes one that
 * may go another way.
 */
export interface FilterState extends KeyedRegime {
	atMs: number | undefined;
	firstMs: number;
	belief: Gaussian;
	mains: boolean;
	sewer: boolean;
	measures: readonly string[];
	regimeKey: string;
	/** displayed value from which each meter counts since its reset; it goes down by a round when the meter rolls over */
	readonly meterBase: Map<string, number>;
	/** times each habit was logged */
	readonly times: Map<string, number>;
	doubts: Doubt[];
	suspected: readonly DoubtedReading[];
	imbalances: Imbalance[];
	/** the last moment at which each pool was looked into and agreed, ms */
	readonly agreedMs: Map<number, number>;
	/** how each gauge fared, its last few readings */
	readonly record: Map<string, Fits>;
	/** what each gauge said when it was last taken in, litres */
	readonly shownL: Map<string, number>;
	/** gauges whose doubted readings another look into the tank spoke against: by how much they were off, litres */
	readonly refuted: Map<string, number>;
	/** how strained each gauge's readings are: see `cusum` */
	readonly strain: Map<string, { readonly sum: number; readonly hint: number }>;
	/** how far each rod's and gauge's readings have run below the account, little by little */
	readonly drift: Map<string, { readonly sum: number; readonly litres: number; readonly sinceMs: number }>;
	/** gauges that deserve a look at what everything else says without them */
	readonly hinted: Map<string, Hint>;
	/** days and person-days lived with a log */
	days: number;
	personDays: number;
	readonly risen: Map<string, number>;
	/** the same up to the last whole part of a day: what goes on now teaches nothing yet of how often things are done */
	learned: Counts;
	/** what those counts say of use that nobody writes down */
	rates: readonly RateMeasurement[];
	/** unlogged litres per exposure of each stream as last counted */
	unlogged: readonly number[];
	/** where uses are written in batches: the sitting under way, and the habits written at it */
	sitting: { readonly atMs: number; readonly habits: readonly string[] } | undefined;
	/** times of each habit that are expected to be written at the next sitting */
	readonly expected: Map<string, number>;
}

/** A level that could be anything: as wide again as the tank, so that within it all levels are about as likely. */
export const anywhere = (belief: Gaussian, { index, usableL }: Pool): void =>
	belief.set(index, usableL / 2, usableL);

/** Before anything was written down: tanks anywhere between empty and full, habits and rates at their priors. */
export function initialState(model: Model): FilterState {
	const belief = new Gaussian(model.size);
	for (const pool of model.pools) {
		anywhere(belief, pool);
		if (pool.usable !== undefined) belief.set(pool.usable, pool.usableL, pool.usableSdL);
	}
	for (const [id, index] of model.meterError) {
		const instrument = model.instruments.get(id);
		belief.set(index, 0, instrument?.kind === 'meter' ? (instrument.sdFraction ?? PARAMETERS.meterShare) : 0);
	}
	for (const [id, index] of model.gaugeError)
		belief.set(index, 0, Math.sqrt(PARAMETERS.gaugeLasts) * (model.gaugeSdL.get(id) ?? 0));
	for (const [id, index] of model.habit) {
		const one = model.habits.get(id)?.litresEach;
		if (one) belief.set(index, one.mean, one.sd * Math.sqrt(PARAMETERS.meanShare));
	}
	for (const { index, broad } of model.streams)
		belief.set(
			index,
			broad.mean,
			model.statedRate ? PARAMETERS.statedMix * broad.mean * (broad.sd > 0 ? 1 : 0) : broad.sd
		);
	// A stated rate is one doubt that all streams share.
	if (model.statedRate)
		belief.doubt(
			model.streams.map(({ index, broad }) => [index, broad.sd] as const),
			1
		);
	const state: FilterState = {
		atMs: undefined,
		firstMs: 0,
		belief,
		meterBase: new Map(),
		times: new Map(),
		doubts: [],
		suspected: [],
		imbalances: [],
		agreedMs: new Map(),
		record: new Map(),
		shownL: new Map(),
		refuted: new Map(),
		strain: new Map(),
		hinted: new Map(),
		drift: new Map(),
		days: 0,
		personDays: 0,
		risen: new Map(
			model.rig.habits.flatMap((habit) => (changesOften(model.rig, habit) ? [[habit.id, 0] as const] : []))
		),
		learned: { atMs: -Infinity, times: new Map(), days: 0, personDays: 0, risen: new Map() },
		rates: [],
		unlogged: model.streams.map(({ broad }) => broad.mean),
		sitting: undefined,
		expected: new Map(),
		mains: false,
		sewer: false,
		measures: [],
		regimeKey: regimeKeyOf({ mains: false, sewer: false, measures: [] })
	};
	recount(model, state);
	return state;
}

export const copyOfState = (state: FilterState): FilterState => ({
	...state,
	belief: state.belief.copy(),
	meterBase: new Map(state.meterBase),
	times: new Map(state.times),
	risen: new Map(state.risen),
	doubts: [...state.doubts],
	imbalances: [...state.imbalances],
	agreedMs: new Map(state.agreedMs),
	record: new Map(state.record),
	shownL: new Map(state.shownL),
	refuted: new Map(state.refuted),
	strain: new Map(state.strain),
	hinted: new Map(state.hinted),
	drift: new Map(state.drift),
	expected: new Map(state.expected)
});

/** What was lived and written down up to now. */
export const countsNow = ({ atMs, times, days, personDays, risen }: FilterState): Counts => ({
	atMs: atMs ?? -Infinity,
	times: new Map(times),
	days,
	personDays,
	risen: new Map(risen)
});

/** The habits that the log's counts speak of, with what was counted of each. */
export const countedHabits = (
	model: Model,
	belief: Gaussian,
	counts: Omit<Counts, 'atMs'>
): readonly Counted[] =>
	countedStreams(model).map(({ habit, usual, cadenceSd, perPerson, perDay }) => ({
		usual,
		cadenceSd,
		perDay,
		times: habit ? (counts.times.get(habit.id) ?? 0) : 0,
		exposure: exposureTo(counts, habit, perPerson),
		litres: Math.max(0, belief.mean[(habit && model.habit.get(habit.id)) ?? -1] ?? 0)
	}));

/** Brings what the log's counts say up to date; they set how much unlogged use scatters, too. */
export function recount(model: Model, state: FilterState): void {
	const { belief, learned } = state;
	const { unlogged } = useInLog(countedHabits(model, belief, learned));
	const streams = countedStreams(model);
	state.rates = rateMeasurements(model, unlogged);
	state.unlogged = model.streams.map((stream) => {
		const at = streams.indexOf(stream);
		return Math.max(0, (at < 0 ? belief.mean[stream.index] : unlogged.mean[at]) ?? 0);
	});
}
