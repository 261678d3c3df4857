import type { Entry } from '../logbook/index.js';
import { flowOf, passesMeter, usableOf } from '../rig/index.js';
import type { Estimate } from './estimate.js';
import { personsAt } from './prior/crew.js';
import { dot } from './filter/gaussian.js';
import { mixed, truncate, type Truncated } from './filter/normal.js';
import { alternativeLevel } from './doubt/missedEntryHypothesis.js';
import { ceilingOf, type Doubt } from './filter/filterState.js';

/** One entry behind a level, and its share of the figure (all shares add to 1). */
export interface Basis {
	readonly entry: string;
	readonly weight: number;
}

export interface TankLevel {
	readonly id: string;
	readonly litres: number;
	readonly sd: number;
	/** 5 % and 95 % points of the belief */
	readonly low: number;
	readonly high: number;
	readonly usableL: number;
	readonly basis: readonly Basis[];
}

export interface Levels {
	readonly tanks: readonly TankLevel[];
	readonly unlogged: { readonly litresPerPersonDay: number; readonly sd: number };
	readonly habits: readonly {
		readonly id: string;
		readonly litresEach: number;
		readonly sd: number;
		readonly times: number;
	}[];
	readonly doubts: readonly Doubt[];
}

const marginal = ({ belief }: Estimate, index: number): { mean: number; sd: number } => ({
	mean: belief.mean[index] ?? 0,
	sd: belief.sdOf(index)
});

/** A chance that no band shows. */
const NEGLIGIBLE = 1e-6;

/**
 * A tank's level with the knowledge that it is between empty and full. While a doubted reading could mean that a fill
 * or dump was not written down, the band reaches to what it says: with a small chance it is the reading that is right.
 */
export function levelOf(estimate: Estimate, tankId: string): Truncated {
	const { model, state, atMs } = estimate;
	const place = model.places.get(tankId);
	if (!place) throw new RangeError(`there is no tank ${JSON.stringify(tankId)} in this rig`);
	const { index } = place.pool;
	const pool = marginal(estimate, index);
	const cut = (mean: number, sd: number): Truncated =>
		truncate({ mean: mean * place.share, sd: sd * place.share }, 0, ceilingOf(model, tankId));
	const plain = cut(pool.mean, pool.sd);
	const other = alternativeLevel(model, state, index, pool, atMs);
	if (!other || other.chance < NEGLIGIBLE) return plain;
	// The band reaches out; the level itself stays where all else has it, lest a liar move it.
	return { ...mixed(plain, cut(other.level.mean, other.level.sd), other.chance), mean: plain.mean };
}

/** How much one entry says of a tank: 'settles' it, 'looks' at it, or moves litres in or out of it. */
function bearing(
	estimate: Estimate,
	entry: Entry,
	tankIds: ReadonlySet<string>
): 'settles' | 'looks' | number {
	const { rig, instruments, habits } = estimate.model;
	switch (entry.kind) {
		case 'mark':
			return tankIds.has(entry.tank) ? 'settles' : 0;
		case 'fill':
		case 'dump':
			return tankIds.has(entry.tank) ? (entry.to ? 'settles' : (entry.litres ?? 0)) : 0;
		case 'transfer': {
			const settled =
				entry.until === 'from-empty' ? entry.fromTank : entry.until === 'to-full' ? entry.toTank : undefined;
			if (settled !== undefined && tankIds.has(settled)) return 'settles';
			return tankIds.has(entry.fromTank) || tankIds.has(entry.toTank) ? (entry.litres ?? 1) : 0;
		}
		case 'reading': {
			const instrument = instruments.get(entry.instrument);
			if (!instrument || estimate.state.doubts.some((doubt) => doubt.entry === entry.id)) return 0;
			if (instrument.kind !== 'meter') return tankIds.has(instrument.tank) ? 'looks' : 0;
			return rig.outlets
				.filter((outlet) => passesMeter(outlet, instrument))
				.some(({ from, to }) => tankIds.has(from) || tankIds.has(to))
				? 'looks'
				: 0;
		}
		case 'use': {
			const habit = habits.get(entry.habit);
			const outlet = rig.outlets.find(({ id }) => id === habit?.outlet);
			if (!habit || !outlet || !(tankIds.has(outlet.from) || tankIds.has(outlet.to))) return 0;
			return entry.litres ?? entry.times * habit.litresEach.mean;
		}
		default:
			return 0;
	}
}

/** Readings older than the last few carry little: each look leaves this share of what was known before it. */
const LOOK_LEAVES = 0.6;

/**
 * The entries a level rests on: back to the last time it was settled. A movement weighs by its litres, a look
 * by what it leaves of all before it.
 */
function basisOf(estimate: Estimate, tankId: string): readonly Basis[] {
	const pool = estimate.model.places.get(tankId)?.pool;
	if (!pool) return [];
	const ids = new Set(pool.tanks.map(({ id }) => id));
	const found: { entry: string; weight: number }[] = [];
	let fade = 1;
	for (let i = estimate.entries.length - 1; i >= 0; i--) {
		const entry = estimate.entries[i] as Entry;
		const bears = bearing(estimate, entry, ids);
		if (bears === 0) continue;
		if (typeof bears === 'number') found.push({ entry: entry.id, weight: (fade * bears) / pool.usableL });
		else found.push({ entry: entry.id, weight: fade });
		if (bears === 'settles') break;
		if (bears === 'looks') fade *= LOOK_LEAVES;
	}
	const total = found.reduce((sum, { weight }) => sum + weight, 0);
	return total > 0 ? found.map(({ entry, weight }) => ({ entry, weight: weight / total })) : [];
}

/** Litres per person and day that nobody writes down, over all streams. */
function unloggedOf({ model, belief, atMs }: Estimate): { mean: number; sd: number } {
	const persons = Math.max(1, personsAt(model.crew, atMs));
	const h = model.streams.map(({ index, perPerson }) => [index, perPerson ? 1 : 1 / persons] as const);
	return truncate({ mean: dot(belief.mean, h), sd: Math.sqrt(belief.varianceOf(h)) }, 0, Infinity);
}

/** The answer to "how much is in each tank, and how sure are we?" */
export function readLevels(estimate: Estimate): Levels {
	const { model, state } = estimate;
	const unlogged = unloggedOf(estimate);
	return {
		tanks: model.rig.tanks.map((tank) => {
			const level = levelOf(estimate, tank.id);
			return {
				id: tank.id,
				litres: level.mean,
				sd: level.sd,
				low: level.quantile(0.05),
				high: level.quantile(0.95),
				usableL: usableOf(tank),
				basis: basisOf(estimate, tank.id)
			};
		}),
		unlogged: { litresPerPersonDay: unlogged.mean, sd: unlogged.sd },
		habits: model.rig.habits.map((habit) => {
			const one = truncate(marginal(estimate, model.habit.get(habit.id) ?? 0), 0, Infinity);
			const { drawn } = flowOf(model.rig, habit, state);
			const litresEach = drawn.perLitre * one.mean + drawn.fixed;
			return { id: habit.id, litresEach, sd: drawn.perLitre * one.sd, times: state.times.get(habit.id) ?? 0 };
		}),
		doubts: state.doubts
	};
}
