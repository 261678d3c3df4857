import type { EntryOf, Habit } from '../logbook/index.js';
import type { Amount, Flow } from '../rig/index.js';
import { doubt, learn, move, type Belief, type NewRow, type Sparse } from './belief.js';
import { personStretches } from './crew.js';
import type { Model, Place } from './model.js';
import { MEAN_SHARE, type Tally } from './tally.js';

/** Which waste tank a day's unlogged use went to is known to about this share of what each should get. */
const MIX_DOUBT = 0.5;
/** The unlogged rate wanders by this share of its prior deviation in a day. */
const RATE_WALK = 0.15;

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

/** Time passes: unlogged use leaves, is counted and arrives by the mix of the habits; its rate wanders. */
export function passTime(model: Model, tally: Tally, toMs: number): Tally {
	if (tally.atMs === undefined || toMs <= tally.atMs)
		return { ...tally, atMs: Math.max(toMs, tally.atMs ?? toMs) };
	let belief = tally.belief;
	if (model.unlogged.mean > 0 || model.unlogged.sd > 0)
		for (const [days, persons] of personStretches(model.crew, tally.atMs, toMs))
			belief = passDays(model, tally, belief, days, persons);
	return { ...tally, belief, atMs: toMs };
}

function passDays(model: Model, tally: Tally, belief: Belief, days: number, persons: number): Belief {
	const direction = gains(model, model.mixed(persons, tally)).map(
		([i, { perLitre }]) => [i, perLitre] as const
	);
	const amount = days * persons;
	const rows = direction.map(([row, perLitre]): NewRow => ({
		row,
		from: [
			[row, 1],
			[model.rate, perLitre * amount]
		],
		constant: 0
	}));
	const perDayL = model.unlogged.sd > 0 ? Math.max(0, belief.mean[model.rate] ?? 0) * persons : 0;
	// Unlogged uses come at random, each a lump: the variance of a compound Poisson process.
	const flowed = doubt(move(belief, rows), direction, perDayL * model.lumpL * days);
	const mixed = direction
		.filter(([i, perLitre]) => perLitre > 0 && i < model.pools.length)
		.reduce((so, [i, perLitre]) => doubt(so, [[i, 1]], (MIX_DOUBT * perLitre * perDayL) ** 2 * days), flowed);
	return doubt(mixed, [[model.rate, 1]], (RATE_WALK * model.unlogged.sd) ** 2 * days);
}

/** What a measured amount is good for when the entry does not say, litres. */
const sdOfMeasuredUse = (litres: number): number => Math.max(0.2, 0.05 * litres);
const sdOfMovedLitres = (litres: number): number => Math.max(0.5, 0.03 * litres);

/** A logged use: the litres are the habit's, or, when measured, what was measured, and then they teach the habit. */
export function applyUse(model: Model, tally: Tally, entry: EntryOf<'use'>, habit: Habit): Tally {
	const flow = model.flow(habit, tally);
	const h = model.habit.get(habit.id) ?? 0;
	const n = entry.times;
	const { perLitre: f, fixed: c } = flow.drawn;
	const scatter = n * (1 - MEAN_SHARE) * (f * habit.litresEach.sd) ** 2;
	/** gain per litre drawn, and what comes beside it */
	const shares = gains(model, flow).map(([row, gain]) =>
		f > 0
			? ({ row, perDrawn: gain.perLitre / f, beside: n * (gain.fixed - (gain.perLitre / f) * c) } as const)
			: ({ row, perDrawn: c > 0 ? gain.fixed / c : 0, beside: c > 0 ? 0 : n * gain.fixed } as const)
	);
	const direction: Sparse = [
		[model.moved, 1],
		...shares.map(({ row, perDrawn }) => [row, perDrawn] as const)
	];
	const drawn: { from: Sparse; constant: number } =
		entry.litres === undefined
			? { from: [[h, n * f]], constant: n * c }
			: { from: [], constant: entry.litres };
	const rows: NewRow[] = shares.map(({ row, perDrawn, beside }) => ({
		row,
		from: [[row, 1], ...drawn.from.map(([i, k]) => [i, k * perDrawn] as const)],
		constant: drawn.constant * perDrawn + beside
	}));
	const variance = entry.litres === undefined ? scatter : (entry.sdL ?? sdOfMeasuredUse(entry.litres)) ** 2;
	let belief = doubt(move(tally.belief, [...rows, { row: model.moved, ...drawn }]), direction, variance);
	if (entry.litres !== undefined && habit.litresEach.sd > 0 && n > 0 && f > 0)
		belief = learn(
			belief,
			[
				[model.moved, 1],
				[h, -n * f]
			],
			scatter,
			{ mean: n * c, variance: 0 }
		);
	return {
		...tally,
		belief,
		times: new Map(tally.times).set(habit.id, (tally.times.get(habit.id) ?? 0) + n)
	};
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
function applyMovement(model: Model, tally: Tally, movement: Movement): Tally {
	const { out, into, settles, litres } = movement;
	const sign = (place: Place): number => (place === out ? -1 : 1);
	const carried: [number, number][] = [out, into].flatMap((place) =>
		place ? [[place.pool.index, sign(place)] as [number, number]] : []
	);
	for (const meter of movement.meters) {
		const index = model.counted.get(meter);
		if (index !== undefined) carried.push([index, 1]);
	}
	let belief = tally.belief;
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
		belief = move(belief, [...rows, { row: model.moved, from: amount, constant: way * settles.levelL }]);
		const spread: Sparse = [
			[model.moved, way],
			...carried.map(([row, k]) => [row, row === end ? 1 : k * way] as const)
		];
		belief = doubt(belief, spread, settles.sdL ** 2);
		if (litres !== undefined)
			belief = learn(belief, [[model.moved, 1]], (movement.sdL ?? sdOfMovedLitres(litres)) ** 2, {
				mean: litres,
				variance: 0
			});
	} else if (litres !== undefined) {
		const rows = carried.map(([row, k]): NewRow => ({ row, from: [[row, 1]], constant: k * litres }));
		belief = doubt(move(belief, rows), carried, (movement.sdL ?? sdOfMovedLitres(litres)) ** 2);
	}
	return { ...tally, belief };
}

export function applyFill(model: Model, tally: Tally, entry: EntryOf<'fill'>): Tally {
	const into = model.places.get(entry.tank);
	if (!into) return tally;
	const meters = model.rig.instruments.filter(
		(i) => i.kind === 'meter' && i.place === 'fill' && i.tank === entry.tank
	);
	return applyMovement(model, tally, {
		into,
		settles: entry.to === 'full' ? fullOf(into) : undefined,
		litres: entry.litres,
		sdL: entry.sdL,
		meters: meters.map(({ id }) => id)
	});
}

export function applyDump(model: Model, tally: Tally, entry: EntryOf<'dump'>): Tally {
	const out = model.places.get(entry.tank);
	if (!out) return tally;
	return applyMovement(model, tally, {
		out,
		settles: entry.to === 'empty' ? emptyOfPool(out) : undefined,
		litres: entry.litres,
		sdL: entry.sdL,
		meters: []
	});
}

export function applyTransfer(model: Model, tally: Tally, entry: EntryOf<'transfer'>): Tally {
	const out = model.places.get(entry.fromTank);
	const into = model.places.get(entry.toTank);
	if (!out || !into || out.pool === into.pool) return tally;
	const settles =
		entry.until === 'from-empty' ? emptyOfPool(out) : entry.until === 'to-full' ? fullOf(into) : undefined;
	return applyMovement(model, tally, {
		out,
		into,
		settles,
		litres: entry.litres,
		sdL: entry.sdL,
		meters: []
	});
}

/** The waste valves were opened into a sewer: every built-in waste tank runs down to what a dump leaves. */
export function openToSewer(model: Model, tally: Tally): Tally {
	const waste = model.rig.tanks.filter((tank) => tank.holds !== 'fresh' && tank.portable !== true);
	return waste.reduce((state, tank) => {
		const out = model.places.get(tank.id);
		return out ? applyMovement(model, state, { out, settles: emptyOfPool(out), meters: [] }) : state;
	}, tally);
}
