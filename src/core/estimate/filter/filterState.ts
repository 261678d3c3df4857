import { usableOf } from '../../rig/index.js';
import { Gaussian } from './gaussian.js';
import { regimeKeyOf, type KeyedRegime, type Model } from './model.js';
import { PARAMETERS } from '../parameters.js';
import { unloggedFrom } from '../prior/unloggedUse.js';

/** A reading that the belief and its own error cannot explain: shown and explained, but left out. */
export interface Doubt {
	readonly entry: string;
	readonly instrument: string;
	readonly why: string;
}

/** A doubted reading kept in mind: if another one agrees with it, the belief gives way. */
export interface Suspicion {
	readonly entry: string;
	readonly atMs: number;
	readonly instrument: string;
	/** what the reading said at the nearest minus what was posterior, litres, and its standard deviation */
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

/**
 * Everything known after replaying some entries. Kept in place by the replay, for speed; `copyOfState` makes one that may
 * go another way.
 */
export interface FilterState extends KeyedRegime {
	atMs: number | undefined;
	firstMs: number;
	belief: Gaussian;
	mains: boolean;
	sewer: boolean;
	measures: readonly string[];
	regimeKey: string;
	/** displayed value from which each meter counts since its reset */
	readonly meterBase: Map<string, number>;
	/** times each habit was logged */
	readonly times: Map<string, number>;
	doubts: Doubt[];
	suspicions: readonly Suspicion[];
	missing: Imbalance[];
	/** the last moment at which each pool was looked into and agreed, ms */
	readonly agreedMs: Map<number, number>;
	/** how each gauge fared, its last few readings */
	readonly record: Map<string, Fits>;
	/** what each gauge said when it was last taken in, litres */
	readonly shownL: Map<string, number>;
	/** gauges whose doubted readings another look into the tank spoke against: by how much they were off, litres */
	readonly refuted: Map<string, number>;
	/** how strained each gauge's readings are: see `strained` */
	readonly strain: Map<string, { readonly sum: number; readonly hint: number }>;
	/** how far each rod's and gauge's readings have run below the account, little by little */
	readonly drift: Map<string, { readonly sum: number; readonly litres: number; readonly sinceMs: number }>;
	/** gauges that deserve a look at what everything else says without them */
	readonly hinted: Set<string>;
	/** days and person-days lived with a log */
	days: number;
	personDays: number;
	/** unlogged litres per exposure of each stream as last counted, and when */
	unlogged: readonly number[];
	countedMs: number;
}

/** Before anything was written down: tanks anywhere between empty and full, habits and rates at their priors. */
export function initialState(model: Model): FilterState {
	const belief = new Gaussian(model.size);
	// A uniform distribution over the tank has the standard deviation width / √12.
	for (const pool of model.pools) belief.set(pool.index, pool.usableL / 2, pool.usableL / Math.sqrt(12));
	for (const [id, index] of model.meterError) {
		const instrument = model.instruments.get(id);
		belief.set(index, 0, instrument?.kind === 'meter' ? (instrument.sdFraction ?? PARAMETERS.meterShare) : 0);
	}
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
		suspicions: [],
		missing: [],
		agreedMs: new Map(),
		record: new Map(),
		shownL: new Map(),
		refuted: new Map(),
		strain: new Map(),
		hinted: new Set(),
		drift: new Map(),
		days: 0,
		personDays: 0,
		unlogged: model.streams.map(({ broad }) => broad.mean),
		countedMs: -Infinity,
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
	doubts: [...state.doubts],
	missing: [...state.missing],
	agreedMs: new Map(state.agreedMs),
	record: new Map(state.record),
	shownL: new Map(state.shownL),
	refuted: new Map(state.refuted),
	strain: new Map(state.strain),
	hinted: new Set(state.hinted),
	drift: new Map(state.drift)
});

/** What the log's counts say of unlogged use just now. */
export const countedNow = (model: Model, state: FilterState): ReturnType<typeof unloggedFrom> =>
	unloggedFrom(
		model,
		model.streams.map(({ habit }) => (habit ? (state.times.get(habit.id) ?? 0) : 0)),
		state.personDays,
		state.days,
		model.streams.map(({ habit }) => {
			const index = habit && model.habit.get(habit.id);
			return index === undefined ? PARAMETERS.anyLumpL : Math.max(0, state.belief.mean[index] ?? 0);
		})
	);

/** Brings the counted rates up to date; they set how much unlogged use scatters. */
export function recount(model: Model, state: FilterState): void {
	state.countedMs = state.atMs ?? -Infinity;
	if (model.statedRate || model.streams.every(({ habit }) => !habit))
		state.unlogged = model.streams.map(({ index }) => Math.max(0, state.belief.mean[index] ?? 0));
	else state.unlogged = countedNow(model, state).mean;
}

/** The largest a tank's level is answered as: its usable volume, or a little more where only the plate is known. */
export const ceilingOf = (model: Model, tankId: string): number => {
	const tank = model.places.get(tankId)?.pool.tanks.find(({ id }) => id === tankId);
	if (!tank) return 0;
	return tank.usableL === undefined ? PARAMETERS.plateCeiling * tank.nominalL : usableOf(tank);
};
