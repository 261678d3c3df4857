import type { EntryOf, Habit } from '../../logbook/index.js';
import type { Amount, Flow } from '../../rig/index.js';
import type { NewRow, Sparse } from './gaussian.js';
import type { Gains } from './accountRows.js';
import type { Model } from './model.js';
import type { Pool } from './pools.js';
import * as PARAMETERS from '../../parameters.js';
import type { FilterState } from './filterState.js';

const known = new WeakMap<Flow, Gains>();

/** A flow's gains by state index: pools together with the meters it passes. Flows are made once per model. */
export function gainsOf(model: Model, flow: Flow): Gains {
	const before = known.get(flow);
	if (before) return before;
	const byIndex = new Map<number, Amount>();
	const add = (index: number | undefined, { perLitre, fixed }: Amount): void => {
		if (index === undefined) return;
		const sum = byIndex.get(index) ?? { perLitre: 0, fixed: 0 };
		byIndex.set(index, { perLitre: sum.perLitre + perLitre, fixed: sum.fixed + fixed });
	};
	for (const [tank, amount] of flow.tanks) add(model.places.get(tank)?.pool.index, amount);
	for (const [meter, amount] of flow.meters) add(model.counted.get(meter), amount);
	const found = [...byIndex, ...(model.accounts?.gains.get(flow) ?? [])];
	known.set(flow, found);
	return found;
}

/** What one litre of a habit brings to pools and meters as things stand, by row of the state. */
export const pathsOf = (model: Model, state: FilterState, habit: Habit): Sparse =>
	gainsOf(model, model.flow(habit, state)).map(([row, { perLitre }]) => [row, perLitre] as const);

/** What a measured amount is good for when the entry does not say, litres. */
const sdOfMeasuredUse = (litres: number): number =>
	Math.max(PARAMETERS.usedLeastL, PARAMETERS.usedShare * litres);
const sdOfMovedLitres = (litres: number): number =>
	Math.max(PARAMETERS.movedLeastL, PARAMETERS.movedShare * litres);

/** What a litre drawn brings, by row of the state, and what comes with each time beside it. */
interface Drawn {
	readonly paths: Sparse;
	readonly beside: Sparse;
}
const drawnKnown = new WeakMap<Flow, Drawn>();

function drawnOf(model: Model, flow: Flow): Drawn {
	const before = drawnKnown.get(flow);
	if (before) return before;
	const { perLitre: f, fixed: c } = flow.drawn;
	const shares = gainsOf(model, flow).map(([row, gain]) => {
		const perDrawn = f > 0 ? gain.perLitre / f : c > 0 ? gain.fixed / c : 0;
		const beside = f > 0 ? gain.fixed - perDrawn * c : c > 0 ? 0 : gain.fixed;
		return { row, perDrawn, beside };
	});
	const found = {
		paths: shares.map(({ row, perDrawn }) => [row, perDrawn] as const),
		beside: shares.filter(({ beside }) => beside !== 0).map(({ row, beside }) => [row, beside] as const)
	};
	drawnKnown.set(flow, found);
	return found;
}

/**
 * A logged use: the litres are the habit's, or, when measured, what was measured, and then they teach the habit.
 *
 * @param n how many of its times happen now
 */
export function applyUse(
	model: Model,
	state: FilterState,
	entry: EntryOf<'use'>,
	habit: Habit,
	n = entry.times
): void {
	const { belief } = state;
	const flow = model.flow(habit, state);
	const h = model.habit.get(habit.id) ?? 0;
	const { perLitre: f, fixed: c } = flow.drawn;
	const scatter = n * (1 - PARAMETERS.meanShare) * (f * habit.litresEach.sd) ** 2;
	const { paths, beside } = drawnOf(model, flow);
	state.times.set(habit.id, (state.times.get(habit.id) ?? 0) + entry.times);
	for (const [row, fixed] of beside) belief.mean[row] = (belief.mean[row] as number) + n * fixed;
	if (entry.litres === undefined) {
		belief.flow(h, paths, n * f, n * c);
		return belief.doubt(paths, scatter);
	}
	const measuredL = entry.litres;
	const direction: Sparse = [[model.moved, 1], ...paths];
	belief.set(model.moved, 0, 0);
	for (const [row, k] of direction) belief.mean[row] = (belief.mean[row] ?? 0) + k * measuredL;
	belief.doubt(direction, (entry.sdL ?? sdOfMeasuredUse(measuredL)) ** 2);
	if (habit.litresEach.sd > 0 && n > 0 && f > 0)
		belief.learn(
			[
				[model.moved, 1],
				[h, -n * f]
			],
			scatter,
			{ mean: n * c, variance: 0 }
		);
}

/** A level that a movement ends at: what serves of a pool, or a figure; and the doubt of it, litres. */
export interface KnownLevel {
	readonly pool: Pool;
	/** what of the state it depends on */
	readonly from: Sparse;
	readonly constant: number;
	readonly sdL: number;
}

/** To the brim: what really serves, where that is still being learned. */
export const fullOf = (pool: Pool): KnownLevel => ({
	pool,
	from: pool.usable === undefined ? [] : [[pool.usable, 1]],
	constant: pool.usable === undefined ? pool.usableL : 0,
	sdL: pool.fullSdL
});
export const emptyOfPool = (pool: Pool): KnownLevel => ({
	pool,
	from: [],
	constant: pool.emptyL,
	sdL: pool.emptySdL
});

/** A movement of water between pools, or between a pool and a tap or drain outside. */
interface Movement {
	readonly out?: Pool | undefined;
	readonly into?: Pool | undefined;
	/** the end that is brought to a known level */
	readonly settles?: KnownLevel | undefined;
	readonly litres?: number | undefined;
	readonly sdL?: number | undefined;
	readonly meters: readonly string[];
}

/**
 * Moves water between pools, or in and out of the rig. The amount is what was measured, or what brings the
 * settled end to its level; with both, the one is checked against the other.
 */
function applyMovement(model: Model, state: FilterState, movement: Movement): void {
	const { out, into, settles, litres } = movement;
	const sign = (pool: Pool): number => (pool === out ? -1 : 1);
	const rows = model.accounts?.rows;
	const carried: [number, number][] = [];
	const carry = (row: number | undefined, k: number): void => {
		if (row !== undefined) carried.push([row, k]);
	};
	for (const pool of [out, into]) {
		if (!pool) continue;
		carry(pool.index, sign(pool));
		carry((pool === out ? rows?.movedOut : rows?.movedIn)?.get(pool.index), 1);
	}
	for (const meter of movement.meters) {
		carry(model.counted.get(meter), 1);
		carry(rows?.passed.get(meter), 1);
	}
	const { belief } = state;
	if (settles) {
		const end = settles.pool.index;
		const way = sign(settles.pool);
		// amount = ±(level − what was there); every end and meter on the way moves by it, the settled end lands on its level
		const amount: Sparse = [[end, -way], ...settles.from.map(([row, k]) => [row, way * k] as const)];
		const rows: NewRow[] = carried.map(([row, k]) =>
			row === end
				? { row, from: settles.from, constant: settles.constant }
				: {
						row,
						from: [[row, 1], ...amount.map(([i, a]) => [i, a * k] as const)],
						constant: way * settles.constant * k
					}
		);
		belief.move([...rows, { row: model.moved, from: amount, constant: way * settles.constant }]);
		const spread: Sparse = [
			[model.moved, way],
			...carried.map(([row, k]) => [row, row === end ? 1 : k * way] as const)
		];
		belief.doubt(spread, settles.sdL ** 2);
		if (litres !== undefined)
			belief.learn([[model.moved, 1]], (movement.sdL ?? sdOfMovedLitres(litres)) ** 2, {
				mean: litres,
				variance: 0
			});
	} else if (litres !== undefined) {
		for (const [row, k] of carried) belief.mean[row] = (belief.mean[row] ?? 0) + k * litres;
		belief.doubt(carried, (movement.sdL ?? sdOfMovedLitres(litres)) ** 2);
	}
	if (settles) settled(state, settles.pool.index);
}

/** A pool's level was looked at and is known: what was suspected of it before is settled. */
export function settled(state: FilterState, pool: number): void {
	state.suspected = state.suspected.filter((one) => one.pool !== pool);
	if (state.atMs !== undefined) state.agreedMs.set(pool, state.atMs);
}

const poolOf = (model: Model, tank: string): Pool | undefined => model.places.get(tank)?.pool;

export function applyFill(model: Model, state: FilterState, entry: EntryOf<'fill'>): void {
	const into = poolOf(model, entry.tank);
	if (!into) return;
	const meters = model.rig.instruments.filter(
		(i) => i.kind === 'meter' && i.place === 'fill' && i.tank === entry.tank
	);
	applyMovement(model, state, {
		into,
		settles: entry.to === 'full' ? fullOf(into) : undefined,
		litres: entry.litres,
		sdL: entry.sdL,
		meters: meters.map(({ id }) => id)
	});
}

export function applyDump(model: Model, state: FilterState, entry: EntryOf<'dump'>): void {
	const out = poolOf(model, entry.tank);
	if (!out) return;
	applyMovement(model, state, {
		out,
		settles: entry.to === 'empty' ? drainedTo(out, entry.leftL) : undefined,
		litres: entry.litres,
		sdL: entry.sdL,
		meters: []
	});
}

/** What a dump leaves behind: the usual rest, or, where it was not quite emptied, about so much. */
const drainedTo = (pool: Pool, leftL: number | undefined): KnownLevel =>
	leftL === undefined
		? emptyOfPool(pool)
		: { pool, from: [], constant: leftL, sdL: Math.max(pool.emptySdL, PARAMETERS.leftShare * leftL) };

export function applyTransfer(model: Model, state: FilterState, entry: EntryOf<'transfer'>): void {
	const out = poolOf(model, entry.fromTank);
	const into = poolOf(model, entry.toTank);
	if (!out || !into || out === into) return;
	const settles =
		entry.until === 'from-empty' ? emptyOfPool(out) : entry.until === 'to-full' ? fullOf(into) : undefined;
	applyMovement(model, state, { out, into, settles, litres: entry.litres, sdL: entry.sdL, meters: [] });
}

/** The waste valves were opened into a sewer: every built-in waste tank runs down to what a dump leaves. */
export function openToSewer(model: Model, state: FilterState): void {
	for (const tank of model.rig.tanks) {
		const out = poolOf(model, tank.id);
		if (tank.holds !== 'fresh' && tank.portable !== true && out)
			applyMovement(model, state, { out, settles: emptyOfPool(out), meters: [] });
	}
}
