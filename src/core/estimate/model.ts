import {
	type Entry,
	type Habit,
	type Instrument,
	instantMs,
	type Logbook,
	type Rig,
	type Tank
} from '../logbook/index.js';
import {
	emptyOf,
	flowOf,
	fullSdOf,
	mixedFlow,
	usableOf,
	usualLitresPerDay,
	usualTimesPerDay,
	type Flow,
	type Regime
} from '../rig/index.js';
import type { Moments } from './normal.js';
import { crewOf, personDays, type Crew } from './crew.js';

/** Tanks that stand level through an open pipe are one pool; any other tank is a pool of its own. */
export interface Pool {
	readonly index: number;
	readonly tanks: readonly Tank[];
	readonly usableL: number;
	readonly fullSdL: number;
	readonly emptyL: number;
	readonly emptySdL: number;
}

/** What of a pool is a tank's: its share of the usable volume. */
export interface Place {
	readonly pool: Pool;
	readonly share: number;
}

/**
 * Everything about a rig that the replay of its entries needs: where each number stands in the state
 * [ pools | litres counted by each meter | error of each meter | litres of one time of each habit |
 * unlogged litres per person-day | the amount last moved ], and what was believed of them beforehand.
 */
export interface Model {
	readonly rig: Rig;
	readonly size: number;
	readonly pools: readonly Pool[];
	readonly places: ReadonlyMap<string, Place>;
	readonly counted: ReadonlyMap<string, number>;
	readonly meterError: ReadonlyMap<string, number>;
	readonly habit: ReadonlyMap<string, number>;
	readonly rate: number;
	readonly moved: number;
	readonly unlogged: Moments;
	/** litres of a typical single use, each weighed by its litres: unlogged use comes in such lumps */
	readonly lumpL: number;
	readonly crew: Crew;
	readonly instruments: ReadonlyMap<string, Instrument>;
	readonly habits: ReadonlyMap<string, Habit>;
	flow(habit: Habit, regime: Regime): Flow;
	mixed(persons: number, regime: Regime): Flow;
}

/** A waste tank's level after it was emptied is what a dump leaves, ± 35 %. */
const RESIDUAL_DOUBT = 0.35;

function poolsOf(rig: Rig): readonly Pool[] {
	const root = (tank: Tank, seen: ReadonlySet<string> = new Set()): Tank => {
		const next = rig.tanks.find(({ id }) => id === tank.joined);
		return next && !seen.has(tank.id) ? root(next, new Set([...seen, tank.id])) : tank;
	};
	const byRoot = new Map<string, Tank[]>();
	for (const tank of rig.tanks) byRoot.set(root(tank).id, [...(byRoot.get(root(tank).id) ?? []), tank]);
	const sum = (tanks: readonly Tank[], of: (tank: Tank) => number): number =>
		tanks.reduce((total, tank) => total + of(tank), 0);
	return [...byRoot.values()].map((tanks, index) => ({
		index,
		tanks,
		usableL: sum(tanks, usableOf),
		fullSdL: sum(tanks, fullSdOf),
		emptyL: sum(tanks, emptyOf),
		emptySdL: RESIDUAL_DOUBT * sum(tanks, emptyOf)
	}));
}

/** What a lump of use is in a rig without habits, litres. */
const ANY_LUMP_L = 3;

function lumpOf(rig: Rig): number {
	const [litres, squares] = rig.habits.reduce<readonly [number, number]>(
		([sum, square], habit) => {
			const daily = usualTimesPerDay(rig, habit, Math.max(rig.crew, 1)) * habit.litresEach.mean;
			return [sum + daily, square + daily * habit.litresEach.mean];
		},
		[0, 0]
	);
	return litres > 0 ? squares / litres : ANY_LUMP_L;
}

/** Doubt of unlogged use in a rig without habits, litres per person-day. */
const NOBODY_KNOWS_L = 8;

/** Caches a function of a regime (and a number) by what the regime says. */
function cached<A extends readonly unknown[], R>(
	keyOf: (...args: A) => string,
	compute: (...args: A) => R
): (...args: A) => R {
	const known = new Map<string, R>();
	return (...args) => {
		const key = keyOf(...args);
		const before = known.get(key);
		if (before !== undefined) return before;
		const value = compute(...args);
		known.set(key, value);
		return value;
	};
}

const regimeKey = ({ mains, sewer, measures }: Regime): string => `${mains}|${sewer}|${measures.join('|')}`;

/**
 * What is believed of unlogged use before any reading, litres per person-day: what the rig states, else what
 * the habits' usual cadence expects beyond what was written down so far.
 */
function unloggedPrior(rig: Rig, crew: Crew, entries: readonly Entry[], atMs: number): Moments {
	if (rig.unlogged) return rig.unlogged;
	const first = entries[0];
	const lived = first ? personDays(crew, instantMs(first.at), atMs) : 0;
	const times = new Map<string, number>();
	for (const entry of entries)
		if (entry.kind === 'use') times.set(entry.habit, (times.get(entry.habit) ?? 0) + entry.times);
	const persons = Math.max(crew.usual, 1);
	const usual = usualLitresPerDay(rig, persons) / persons;
	if (usual === 0) return { mean: 0, sd: NOBODY_KNOWS_L };
	const written = rig.habits.reduce(
		(sum, habit) => sum + (times.get(habit.id) ?? 0) * habit.litresEach.mean,
		0
	);
	const missing = Math.max(0, 1 - written / Math.max(lived, persons) / usual);
	// A log a little short of the usual cadence is more likely a quiet time than a forgotten one: hence the power.
	return { mean: usual * missing ** 1.5, sd: usual * (0.06 + 0.24 * Math.sqrt(missing)) };
}

/**
 * Builds the model of one rig for the entries up to an instant.
 *
 * @param entries the rig's entries that count, in order, none after `atMs`
 */
export function modelOf(rig: Rig, trips: Logbook['trips'], entries: readonly Entry[], atMs: number): Model {
	const pools = poolsOf(rig);
	const meters = rig.instruments.filter(({ kind }) => kind === 'meter');
	let next = pools.length;
	const place = (list: readonly { readonly id: string }[]): ReadonlyMap<string, number> =>
		new Map(list.map(({ id }) => [id, next++]));
	const crew = crewOf(rig, trips, entries);
	const counted = place(meters);
	const meterError = place(meters);
	const habit = place(rig.habits);
	return {
		rig,
		pools,
		places: new Map(
			pools.flatMap((pool) =>
				pool.tanks.map((tank) => [tank.id, { pool, share: usableOf(tank) / pool.usableL }])
			)
		),
		counted,
		meterError,
		habit,
		rate: next,
		moved: next + 1,
		size: next + 2,
		crew,
		lumpL: lumpOf(rig),
		unlogged: unloggedPrior(rig, crew, entries, atMs),
		instruments: new Map(rig.instruments.map((instrument) => [instrument.id, instrument])),
		habits: new Map(rig.habits.map((h) => [h.id, h])),
		flow: cached(
			(h, regime) => `${h.id}|${regimeKey(regime)}`,
			(h: Habit, regime: Regime) => flowOf(rig, h, regime)
		),
		mixed: cached(
			(persons, regime) => `${persons}|${regimeKey(regime)}`,
			(persons: number, regime: Regime) => mixedFlow(rig, persons, regime)
		)
	};
}
