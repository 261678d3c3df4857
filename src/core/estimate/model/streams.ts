import type { Habit, Rig } from '../../logbook/index.js';
import { Matrix, type FlowNetwork, type Moments, type Sparse } from '../../numerics/index.js';
import { flowOf, rarityOf, usualTimesPerDay, type Amount, type Flow } from '../../rig/index.js';
import { cached, regimeKey, type KeyedRegime } from '../inputs/index.js';
import * as PARAMETERS from '../parameters.js';
import type { TankPlace } from './pools.js';

/**
 * Where use that nobody writes down goes: one habit's outlet, the small draws that are in no habit, or any outlet in a
 * rig without habits.
 */
export interface Stream {
	/** where its litres per exposure stand in the state */
	readonly index: number;
	readonly habit: Habit | undefined;
	/** whether it is reckoned per person and day, or per day */
	readonly perPerson: boolean;
	/** times per exposure by the rig's own word, and the doubt of that as a share */
	readonly usual: number;
	readonly cadenceSd: number;
	/** usual litres per exposure */
	readonly usualL: number;
	/** usual times a day for the usual crew */
	readonly perDay: number;
	/** mean square over mean of the litres of one time: unlogged use comes in such lumps */
	readonly lumpL: number;
	/** litres per exposure before the log is counted */
	readonly broad: Moments;
	/** what one litre of it brings to pools and meters */
	gains(regime: KeyedRegime): Sparse;
	/** of that what people add themselves: it comes though a measure of rarity spares the time */
	adds(regime: KeyedRegime): Sparse;
	/** litres drawn for one litre, less by the measures in force */
	drawn(regime: KeyedRegime): number;
	/** what one litre brings, for one that is neither drunk nor comes with anything beside it */
	drawnGains(regime: KeyedRegime): Sparse;
}

/** Where pools and meters stand in the state. */
interface Rows {
	readonly places: ReadonlyMap<string, TankPlace>;
	readonly counted: ReadonlyMap<string, number>;
}

/**
 * What one litre that goes unlogged through a habit's outlet brings to pools and meters: a litre as it would be without
 * measures, so that those in force change it as they change what is written down.
 *
 * @param each litres of one time
 */
function streamGains(rows: Rows, flow: Flow, each: number): Sparse {
	const byIndex = new Map<number, number>();
	const add = (index: number | undefined, { perLitre, fixed }: Amount): void => {
		const gain = perLitre + (fixed === 0 ? 0 : fixed / each);
		if (index !== undefined && gain !== 0) byIndex.set(index, (byIndex.get(index) ?? 0) + gain);
	};
	for (const [tank, amount] of flow.tanks) add(rows.places.get(tank)?.pool.index, amount);
	for (const [meter, amount] of flow.meters) add(rows.counted.get(meter), amount);
	return [...byIndex];
}

/** All streams as one network, as things stand. */
export function networkOf(streams: readonly Stream[], regime: KeyedRegime): FlowNetwork {
	const all = streams.map((stream) => new Map(stream.gains(regime)));
	const targets = [...new Set(all.flatMap((gains) => [...gains.keys()]))];
	return {
		sources: Int32Array.from(streams, ({ index }) => index),
		targets: Int32Array.from(targets),
		gains: new Matrix(
			targets.length,
			streams.length,
			Float64Array.from(targets.flatMap((target) => all.map((gains) => gains.get(target) ?? 0)))
		)
	};
}

/** Small draws that are in no habit: through the outlets that do not end in black, as their habits are used. */
function smallDraws(rig: Rig, streams: readonly Stream[], index: number): Stream | undefined {
	const black = new Set(rig.tanks.filter(({ holds }) => holds === 'black').map(({ id }) => id));
	const isBlack = ({ habit }: Stream): boolean =>
		rig.outlets.some(({ id, to }) => id === habit?.outlet && black.has(to));
	const through = streams.some((stream) => !isBlack(stream)) ? streams.filter((s) => !isBlack(s)) : streams;
	const crew = Math.max(rig.crew, 1);
	const dailyL = ({ usualL, perPerson }: Stream): number => usualL * (perPerson ? crew : 1);
	const usualL = streams.reduce((sum, stream) => sum + dailyL(stream), 0) / crew;
	const total = through.reduce((sum, stream) => sum + dailyL(stream), 0);
	if (!(total > 0)) return undefined;
	const mean = PARAMETERS.smallDrawsShare * usualL;
	return {
		index,
		habit: undefined,
		perPerson: true,
		usual: mean / PARAMETERS.smallLumpL,
		usualL: mean,
		cadenceSd: 1,
		perDay: (crew * mean) / PARAMETERS.smallLumpL,
		lumpL: PARAMETERS.smallLumpL,
		broad: { mean, sd: mean },
		gains: cached(regimeKey, (regime: KeyedRegime) => {
			const byIndex = new Map<number, number>();
			for (const stream of through)
				for (const [row, gain] of stream.drawnGains(regime))
					byIndex.set(row, (byIndex.get(row) ?? 0) + (gain * dailyL(stream)) / total);
			return [...byIndex];
		}),
		adds: () => [],
		drawn: () => 1,
		drawnGains: () => []
	};
}

/** The streams of a rig; their indices begin at `next`. */
export function streamsOf(rig: Rig, rows: Rows, next: number): readonly Stream[] {
	const crew = Math.max(rig.crew, 1);
	const used = rig.habits.filter(
		({ often, litresEach, retired }) => !retired && often.times > 0 && litresEach.mean > 0
	);
	const plain: readonly (Habit | Rig['outlets'][number])[] = used.length > 0 ? used : rig.outlets;
	const dailyL = (habit: Habit): number => usualTimesPerDay(habit, crew) * habit.litresEach.mean;
	const totalL = used.reduce((sum, habit) => sum + dailyL(habit), 0);
	const streams = plain.map((one, i): Stream => {
		const habit = 'litresEach' in one ? one : undefined;
		const perPerson = habit ? habit.often.per === 'person-day' : true;
		const { mean: each, sd } = habit?.litresEach ?? {
			mean: PARAMETERS.anyLumpL,
			sd: PARAMETERS.anyLumpL / 2
		};
		const usual = habit?.often.times ?? PARAMETERS.unknownUseLPerPersonDay / each / plain.length;
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
		const stated = rig.unlogged;
		const gainsOf = (of: Habit, inForce: (regime: KeyedRegime) => readonly string[]) =>
			cached(regimeKey, (regime: KeyedRegime) =>
				streamGains(rows, flowOf(rig, of, { ...regime, measures: inForce(regime) }), each)
			);
		const { keptFraction: _kept, addsL: _adds, ...plainPipe } = pipe;
		return {
			index: next + i,
			habit,
			perPerson,
			usual,
			cadenceSd:
				habit?.often.sd === undefined || usual === 0 ? PARAMETERS.cadenceSdShare : habit.often.sd / usual,
			usualL,
			perDay: usual * (perPerson ? crew : 1),
			lumpL: each > 0 ? (each * each + sd * sd) / each : PARAMETERS.anyLumpL,
			broad: stated
				? { mean: part * stated.mean * scale, sd: part * stated.sd * scale }
				: habit
					? { mean: 0.5 * usualL, sd: PARAMETERS.broadPriorSdShare * usualL }
					: { mean: usualL, sd: usualL },
			gains: gainsOf(pipe, ({ measures }) => measures),
			adds: cached(regimeKey, (regime: KeyedRegime) =>
				[...flowOf(rig, pipe, regime).adds].flatMap(([tank, litres]): Sparse => {
					const row = rows.places.get(tank)?.pool.index;
					return row === undefined ? [] : [[row, litres / each]];
				})
			),
			drawn: cached(regimeKey, (regime: KeyedRegime) => {
				const { drawn } = flowOf(rig, pipe, regime);
				return rarityOf(rig, pipe.id, regime.measures) * (drawn.perLitre + drawn.fixed / each);
			}),
			drawnGains: gainsOf(plainPipe, () => [])
		};
	});
	const small =
		rig.unlogged || used.length === 0 ? undefined : smallDraws(rig, streams, next + streams.length);
	return small ? [...streams, small] : streams;
}
