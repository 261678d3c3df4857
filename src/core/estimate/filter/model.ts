import {
	tripInUse,
	type Entry,
	type Habit,
	type Instrument,
	type Logbook,
	type Rig,
	type Tank
} from '../../logbook/index.js';
import {
	emptyOf,
	flowOf,
	fullSdOf,
	usableOf,
	usualTimesPerDay,
	type Flow,
	type Regime
} from '../../rig/index.js';
import { crewOf, type Crew } from '../prior/crew.js';
import type { Sparse } from './gaussian.js';
import { PARAMETERS } from '../parameters.js';
import type { Moments } from './normal.js';
import { diurnalUseOf, type DiurnalUse } from '../prior/diurnalUse.js';

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

/** Where use that nobody writes down goes: one habit's outlet, or any outlet in a rig without habits. */
export interface Stream {
	/** where its litres per exposure stand in the state */
	readonly index: number;
	readonly habit: Habit | undefined;
	/** whether it is reckoned per person and day, or per day */
	readonly perPerson: boolean;
	/** times per exposure by the rig's own word, and the doubt of that as a share */
	readonly usual: number;
	readonly cadenceSd: number;
	/** mean square over mean of the litres of one time: unlogged use comes in such lumps */
	readonly lumpL: number;
	/** litres per exposure before the log is counted */
	readonly broad: Moments;
	gains(regime: KeyedRegime): Sparse;
}

/**
 * Everything about a rig that the replay of its entries needs: where each number stands in the state
 * [ pools | litres counted by each meter | error of each meter | litres of one time of each habit |
 * unlogged litres per exposure of each stream | the amount last moved ], and what was believed of them beforehand.
 */
export interface Model {
	readonly rig: Rig;
	readonly size: number;
	readonly pools: readonly Pool[];
	readonly places: ReadonlyMap<string, Place>;
	readonly counted: ReadonlyMap<string, number>;
	readonly meterError: ReadonlyMap<string, number>;
	readonly habit: ReadonlyMap<string, number>;
	readonly streams: readonly Stream[];
	/** the rig says how much goes unlogged: the log's counts are then not asked */
	readonly statedRate: Rig['unlogged'];
	readonly moved: number;
	readonly crew: Crew;
	readonly wake: DiurnalUse;
	readonly instruments: ReadonlyMap<string, Instrument>;
	readonly habits: ReadonlyMap<string, Habit>;
	flow(habit: Habit, regime: KeyedRegime): Flow;
}

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
		emptySdL: PARAMETERS.residual * sum(tanks, emptyOf)
	}));
}

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

/** A regime that carries its own key, so that it need not be spelt out at every step. */
export interface KeyedRegime extends Regime {
	readonly regimeKey?: string;
}

export const regimeKeyOf = ({ mains, sewer, measures }: Regime): string =>
	`${mains}|${sewer}|${measures.join('|')}`;

const regimeKey = (regime: KeyedRegime): string => regime.regimeKey ?? regimeKeyOf(regime);

/** What one litre that goes unlogged through a habit's outlet brings to pools and meters. */
function streamGains(
	model: Pick<Model, 'places' | 'counted'>,
	flow: Flow,
	habit: Habit | undefined,
	to: string | undefined
): Sparse {
	const byIndex = new Map<number, number>();
	const add = (index: number | undefined, gain: number): void => {
		if (index !== undefined && gain !== 0) byIndex.set(index, (byIndex.get(index) ?? 0) + gain);
	};
	const drawn = flow.drawn.perLitre || 1;
	const mean = habit?.litresEach.mean ?? 0;
	const beside = habit?.addsL !== undefined && mean > 0 ? habit.addsL / mean : 0;
	for (const [tank, { perLitre }] of flow.tanks)
		add(model.places.get(tank)?.pool.index, perLitre / drawn + (tank === to ? beside : 0));
	for (const [meter, { perLitre }] of flow.meters) add(model.counted.get(meter), perLitre / drawn);
	return [...byIndex];
}

/** The streams of a rig; their indices begin at `next`. */
function streamsOf(rig: Rig, model: Pick<Model, 'places' | 'counted'>, next: number): readonly Stream[] {
	const crew = Math.max(rig.crew, 1);
	const used = rig.habits.filter(
		({ often, litresEach, retired }) => !retired && often.times > 0 && litresEach.mean > 0
	);
	const plain: readonly (Habit | Rig['outlets'][number])[] = used.length > 0 ? used : rig.outlets;
	const dailyL = (habit: Habit): number => usualTimesPerDay(rig, habit, crew) * habit.litresEach.mean;
	const totalL = used.reduce((sum, habit) => sum + dailyL(habit), 0);
	return plain.map((one, i): Stream => {
		const habit = 'litresEach' in one ? one : undefined;
		const perPerson = habit ? habit.often.per === 'person-day' : true;
		const { mean: each, sd } = habit?.litresEach ?? {
			mean: PARAMETERS.anyLumpL,
			sd: PARAMETERS.anyLumpL / 2
		};
		const usual = habit?.often.times ?? PARAMETERS.nobodyKnowsL / each / plain.length;
		const part = habit ? dailyL(habit) / totalL : 1 / plain.length;
		const scale = perPerson ? 1 : crew;
		const usualL = usual * each;
		const pipe: Habit = habit ?? {
			id: `~${one.id}`,
			name: one.name,
			outlet: one.id,
			litresEach: { mean: each, sd },
			often: { times: usual, per: 'person-day' }
		};
		const to = rig.outlets.find(({ id }) => id === pipe.outlet)?.to;
		const stated = rig.unlogged;
		return {
			index: next + i,
			habit,
			perPerson,
			usual,
			cadenceSd: habit?.often.sd === undefined || usual === 0 ? PARAMETERS.cadence : habit.often.sd / usual,
			lumpL: each > 0 ? (each * each + sd * sd) / each : PARAMETERS.anyLumpL,
			broad: stated
				? { mean: part * stated.mean * scale, sd: part * stated.sd * scale }
				: habit
					? { mean: 0.5 * usualL, sd: PARAMETERS.broad * usualL }
					: { mean: usualL, sd: usualL },
			gains: cached(regimeKey, (regime: KeyedRegime) =>
				streamGains(model, flowOf(rig, pipe, { ...regime, measures: [] }), habit, to)
			)
		};
	});
}

/**
 * Builds the model of one rig.
 *
 * @param entries the rig's entries that count, in order: only who is aboard is taken from them
 */
export function modelOf(rig: Rig, trips: Logbook['trips'], entries: readonly Entry[]): Model {
	const pools = poolsOf(rig);
	const meters = rig.instruments.filter(({ kind }) => kind === 'meter');
	let next = pools.length;
	const place = (list: readonly { readonly id: string }[]): ReadonlyMap<string, number> =>
		new Map(list.map(({ id }) => [id, next++]));
	const places = new Map(
		pools.flatMap((pool) =>
			pool.tanks.map((tank) => [tank.id, { pool, share: usableOf(tank) / pool.usableL }] as const)
		)
	);
	const counted = place(meters);
	const meterError = place(meters);
	const habit = place(rig.habits);
	const streams = streamsOf(rig, { places, counted }, next);
	next += streams.length;
	return {
		rig,
		pools,
		places,
		counted,
		meterError,
		habit,
		streams,
		statedRate: rig.unlogged,
		moved: next,
		size: next + 1,
		crew: crewOf(rig, trips.map(tripInUse), entries),
		wake: diurnalUseOf(rig.id, trips),
		instruments: new Map(rig.instruments.map((instrument) => [instrument.id, instrument])),
		habits: new Map(rig.habits.map((h) => [h.id, h])),
		flow: cached(
			(h, regime) => `${h.id}|${regimeKey(regime)}`,
			(h: Habit, regime: KeyedRegime) => flowOf(rig, h, regime)
		)
	};
}
