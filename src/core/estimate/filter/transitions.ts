import type { EntryOf, Habit } from '../../logbook/index.js';
import type { Amount, Flow } from '../../rig/index.js';
import type { NewRow, Sparse } from './gaussian.js';
import type { Model, Place } from './model.js';
import { PARAMETERS } from '../parameters.js';
import type { FilterState } from './filterState.js';

type Gains = readonly (readonly [index: number, gain: Amount])[];
const known = new WeakMap<Flow, Gains>();

/** A flow's gains by state index: pools together with the meters it passes. Flows are made once per model. */
function gains(model: Model, flow: Flow): Gains {
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
	const found = [...byIndex];
	known.set(flow, found);
	return found;
}

/** What a measured amount is good for when the entry does not say, litres. */
const sdOfMeasuredUse = (litres: number): number =>
	Math.max(PARAMETERS.usedLeastL, PARAMETERS.usedShare * litres);
const sdOfMovedLitres = (litres: number): number =>
	Math.max(PARAMETERS.movedLeastL, PARAMETERS.movedShare * litres);

/** A logged use: the litres are the habit's, or, when measured, what was measured, and then they teach the habit. */
export function applyUse(model: Model, state: FilterState, entry: EntryOf<'use'>, habit: Habit): void {
	const { belief } = state;
	const flow = model.flow(habit, state);
	const h = model.habit.get(habit.id) ?? 0;
	const n = entry.times;
	const { perLitre: f, fixed: c } = flow.drawn;
	const scatter = n * (1 - PARAMETERS.meanShare) * (f * habit.litresEach.sd) ** 2;
	/** gain per litre drawn, and what comes beside it */
	const shares = gains(model, flow).map(([row, gain]) =>
		f > 0
			? ({ row, perDrawn: gain.perLitre / f, beside: n * (gain.fixed - (gain.perLitre / f) * c) } as const)
			: ({ row, perDrawn: c > 0 ? gain.fixed / c : 0, beside: c > 0 ? 0 : n * gain.fixed } as const)
	);
	state.times.set(habit.id, (state.times.get(habit.id) ?? 0) + n);
	const paths: Sparse = shares.map(({ row, perDrawn }) => [row, perDrawn] as const);
	for (const { row, beside } of shares) belief.mean[row] = (belief.mean[row] ?? 0) + beside;
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

/** One end of a movement of water: a pool, or a tap or drain outside. */
interface Movement {
	readonly out?: Place | undefined;
	readonly into?: Place | undefined;
	/** which end is brought to a known level, and the doubt of that level */
	readonly settles?: { readonly place: Place; readonly levelL: number; readonly sdL: number } | undefined;
	readonly litres?: number | undefined;
	readonly sdL?: number | undefined;
	readonly meters: readonly string[];
}

const fullOf = (place: Place): Movement['settles'] => ({
	place,
	levelL: place.pool.usableL,
	sdL: place.pool.fullSdL
});
const emptyOfPool = (place: Place): Movement['settles'] => ({
	place,
	levelL: place.pool.emptyL,
	sdL: place.pool.emptySdL
});

/**
 * Moves water between pools, or in and out of the rig. The amount is what was measured, or what brings the
 * settled end to its level; with both, the one is checked against the other.
 */
function applyMovement(model: Model, state: FilterState, movement: Movement): void {
	const { out, into, settles, litres } = movement;
	const sign = (place: Place): number => (place === out ? -1 : 1);
	const carried: [number, number][] = [out, into].flatMap((place) =>
		place ? [[place.pool.index, sign(place)] as [number, number]] : []
	);
	for (const meter of movement.meters) {
		const index = model.counted.get(meter);
		if (index !== undefined) carried.push([index, 1]);
	}
	const { belief } = state;
	if (settles) {
		const end = settles.place.pool.index;
		const way = sign(settles.place);
		// amount = ±(level − what was there); every end and meter on the way moves by it, the settled end lands on its level
		const amount: Sparse = [[end, -way]];
		const rows: NewRow[] = carried.map(([row, k]) =>
			row === end
				? { row, from: [], constant: settles.levelL }
				: {
						row,
						from: [[row, 1], ...amount.map(([i, a]) => [i, a * k] as const)],
						constant: way * settles.levelL * k
					}
		);
		belief.move([...rows, { row: model.moved, from: amount, constant: way * settles.levelL }]);
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
	if (settles) agreed(state, settles.place.pool.index);
}

/** A pool's level was looked at and is known: what was suspected of it before is settled. */
export function agreed(state: FilterState, pool: number): void {
	state.suspicions = state.suspicions.filter((one) => one.pool !== pool);
	if (state.atMs !== undefined) state.agreedMs.set(pool, state.atMs);
}

export function applyFill(model: Model, state: FilterState, entry: EntryOf<'fill'>): void {
	const into = model.places.get(entry.tank);
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
	const out = model.places.get(entry.tank);
	if (!out) return;
	applyMovement(model, state, {
		out,
		settles: entry.to === 'empty' ? emptyOfPool(out) : undefined,
		litres: entry.litres,
		sdL: entry.sdL,
		meters: []
	});
}

export function applyTransfer(model: Model, state: FilterState, entry: EntryOf<'transfer'>): void {
	const out = model.places.get(entry.fromTank);
	const into = model.places.get(entry.toTank);
	if (!out || !into || out.pool === into.pool) return;
	const settles =
		entry.until === 'from-empty' ? emptyOfPool(out) : entry.until === 'to-full' ? fullOf(into) : undefined;
	applyMovement(model, state, {
		out,
		into,
		settles,
		litres: entry.litres,
		sdL: entry.sdL,
		meters: []
	});
}

/** The waste valves were opened into a sewer: every built-in waste tank runs down to what a dump leaves. */
export function openToSewer(model: Model, state: FilterState): void {
	for (const tank of model.rig.tanks) {
		const out = model.places.get(tank.id);
		if (tank.holds !== 'fresh' && tank.portable !== true && out)
			applyMovement(model, state, { out, settles: emptyOfPool(out), meters: [] });
	}
}
