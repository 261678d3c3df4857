import { reserveNow } from './kept.js';
import type { Tank } from '../logbook/index.js';
import { dot, mixture, truncate, type Moments, type Truncated } from '../numerics/index.js';
import { flowOf } from '../rig/index.js';
import {
	bandOf,
	historyOf,
	levelBelieved,
	levelWithin,
	normalOf,
	placeOf,
	usableNow,
	type Band,
	type Doubt,
	type Estimate
} from './filter/index.js';
import { alternativeLevel } from './gating/index.js';
import type { TankPlace } from './model/index.js';
import * as PARAMETERS from './parameters.js';
import { personsAt } from './inputs/index.js';

/** How much is in one tank, as believed, litres. */
export interface TankLevel {
	readonly id: string;
	readonly litres: number;
	readonly sd: number;
	/** 5 % and 95 % points of the belief */
	readonly low: number;
	readonly high: number;
	/** what really serves, as believed; and the doubt of that, 0 where it was measured */
	readonly usableL: number;
	readonly usableSdL: number;
}

/** More has been quiet than the log explains: what may be in a tank. */
export interface SilentLevels {
	/** the last use that was written down, ms */
	readonly sinceMs: number;
	/** the chance that one lived on, and did not write */
	readonly lived: number;
	readonly tanks: readonly {
		readonly id: string;
		/** litres, had one lived as usual, and had nobody been there */
		readonly livedL: number;
		readonly awayL: number;
	}[];
}

/** How much is in each tank, and what one time of each habit takes, as believed. */
export interface Levels {
	/** while it is quiet, until it is told what that means */
	readonly silent?: SilentLevels;
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

/** A chance that no band shows. */
const NEGLIGIBLE = 1e-6;

type Quiet = NonNullable<Estimate['quiet']>;

/** A pool's level had a quiet stretch been lived, or had nobody been there. */
function levelHad({ flow, plain }: Quiet, { pool }: TankPlace, how: 'lived' | 'away'): Moments {
	const { shift, litres, lessVariance } = flow[how];
	const level = levelBelieved(pool, plain);
	const gain = new Map(flow.along).get(pool.index) ?? 0;
	const rest = Math.max(level.sd ** 2 / 4, level.sd ** 2 - gain ** 2 * lessVariance);
	return {
		mean: level.mean + (new Map(shift).get(pool.index) ?? 0),
		sd: Math.sqrt(rest + (gain * litres.sd) ** 2)
	};
}

/** A pool's level while it is quiet: of those who write and did nothing, who lived on, or who are away. */
function quietLevel(quiet: Quiet, place: TankPlace, held: (level: Moments) => Truncated): Truncated {
	const [away, lived] = [levelHad(quiet, place, 'away'), levelHad(quiet, place, 'lived')];
	return mixture(
		held(levelBelieved(place.pool, quiet.plain)),
		mixture(held(away), held(lived), quiet.lived),
		quiet.silent
	);
}

/** What a silence is said by; nothing where it is likelier that somebody writes. */
function silentLevels({ model, quiet }: Estimate): SilentLevels | undefined {
	if (!quiet || quiet.silent < PARAMETERS.silenceSaidChance) return undefined;
	return {
		sinceMs: quiet.sinceMs,
		lived: quiet.lived,
		tanks: model.rig.tanks.map(({ id }) => {
			const place = placeOf(model, id);
			const had = (how: 'lived' | 'away'): number =>
				levelWithin(place, quiet.plain, levelHad(quiet, place, how)).mean;
			return { id, livedL: had('lived'), awayL: had('away') };
		})
	};
}

/** A tank's band; while it is quiet, of what may have been lived. */
function levelBand(estimate: Estimate, level: Truncated, place: TankPlace): Band {
	const { quiet, belief } = estimate;
	const { low, high } = quiet
		? bandOf(level, place, quiet.plain, quietLevel(quiet, place, normalOf))
		: bandOf(level, place, belief);
	return { low, high: Math.max(low, Math.min(high, mostLeft(estimate, place))) };
}

/**
 * The most that is left of a pool behind a countdown that has come to 0, litres: what there was when it was set, and what was
 * filled since, less what it was set to. (A normal belief does not know that bound.)
 */
function mostLeft({ model, state, belief }: Estimate, { pool, share }: TankPlace): number {
	return model.rig.instruments.reduce((most, meter) => {
		const { leastL } = historyOf(state, meter.id);
		const [counted, error] = [model.countedRow.get(meter.id), model.meterErrorRow.get(meter.id)];
		if (leastL === undefined || counted === undefined || error === undefined) return most;
		if (meter.kind !== 'meter' || meter.place !== 'pump' || poolOf(model, meter.tank) !== pool) return most;
		const h = [[pool.index, 1] as const, [counted, 1] as const, [error, -leastL] as const];
		return Math.min(most, share * (dot(belief.mean, h) - leastL));
	}, Infinity);
}
const poolOf = (model: Estimate['model'], tank: string): TankPlace['pool'] | undefined =>
	model.places.get(tank)?.pool;

/**
 * A tank's level with the knowledge that it is between empty and full. While a doubted reading could mean that a fill
 * or dump was not written down, the band reaches to what it says: with a small chance it is the reading that is right.
 */
export function levelOf(estimate: Estimate, tankId: string): Truncated {
	const { model, state, belief, atMs } = estimate;
	const place = placeOf(model, tankId);
	const plain = estimate.quiet
		? quietLevel(estimate.quiet, place, (level) => levelWithin(place, belief, level))
		: levelWithin(place, belief);
	const pool = levelBelieved(place.pool, belief);
	const other = alternativeLevel(model, state, place.pool.index, pool, atMs);
	if (!other || other.chance < NEGLIGIBLE) return plain;
	// The band reaches out; the level itself stays where everything else puts it: a gauge that is wrong must not move it.
	return { ...mixture(plain, levelWithin(place, belief, other.level), other.chance), mean: plain.mean };
}

/** What really serves of a tank, as believed, litres: without doubt where it was measured. */
export function usableOfTank({ model, belief }: Estimate, tankId: string): Moments {
	const { pool, share } = placeOf(model, tankId);
	const { mean, sd } = usableNow(pool, belief);
	return { mean: share * mean, sd: share * sd };
}

/** Litres at which a tank binds: fresh down to its reserve, or to what is kept for drinking; waste up to what serves, as believed, less the room to keep. */
export const bindingLevel = (estimate: Estimate, tank: Tank): number =>
	tank.holds === 'fresh'
		? reserveNow(estimate, tank)
		: Math.max(0, usableOfTank(estimate, tank.id).mean - tank.reserveL);

/** The level of a whole pool, held between empty and full. */
export function levelOfPool({ model, belief }: Estimate, index: number): Truncated {
	const pool = model.pools[index];
	if (!pool) throw new RangeError(`there is no pool ${index} in this rig`);
	return levelWithin({ pool, share: 1 }, belief);
}

/** Litres per person and day that nobody writes down, over all streams, with the measures in force. */
function unloggedOf({ model, state, belief, atMs }: Estimate): Moments {
	const persons = Math.max(1, personsAt(model.crew, atMs));
	const h = model.streams.map(
		(stream) => [stream.index, stream.drawn(state) / (stream.perPerson ? 1 : persons)] as const
	);
	return truncate({ mean: dot(belief.mean, h), sd: Math.sqrt(belief.varianceOf(h)) }, 0, Infinity);
}

/** The answer to "how much is in each tank, and how sure are we?"; what each level rests on is asked of `basisOf`. */
export function readLevels(estimate: Estimate): Levels {
	const { model, state, belief } = estimate;
	const unlogged = unloggedOf(estimate);
	const silent = silentLevels(estimate);
	return {
		...(silent ? { silent } : {}),
		tanks: model.rig.tanks.map(({ id }) => {
			const level = levelOf(estimate, id);
			const usable = usableOfTank(estimate, id);
			return {
				id,
				litres: level.mean,
				sd: level.sd,
				...levelBand(estimate, level, placeOf(model, id)),
				usableL: usable.mean,
				usableSdL: usable.sd
			};
		}),
		unlogged: { litresPerPersonDay: unlogged.mean, sd: unlogged.sd },
		habits: model.rig.habits.map((habit) => {
			const index = model.habitRow.get(habit.id) ?? 0;
			const one = truncate({ mean: belief.mean[index] ?? 0, sd: belief.sdOf(index) }, 0, Infinity);
			const { drawn } = flowOf(model.rig, habit, state);
			const litresEach = drawn.perLitre * one.mean + drawn.fixed;
			return { id: habit.id, litresEach, sd: drawn.perLitre * one.sd, times: state.times.get(habit.id) ?? 0 };
		}),
		doubts: state.doubts
	};
}
