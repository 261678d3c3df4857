import type { EntryOf } from '../../logbook/index.js';
import { normalPdf, type NewRow, type Sparse } from '../../numerics/index.js';
import { emptyOfPool, fullOf, type KnownLevel, type Model, type Pool } from '../model/index.js';
import * as PARAMETERS from '../parameters.js';
import { isDrainedBy, type OpenValves } from '../../rig/index.js';
import { noteSlip, settled, type FilterState } from './filterState.js';
import { intervalUpdate } from './measurementUpdate.js';
import { posteriorOf } from './posterior.js';

/** What a moved amount is good for when the entry does not say, litres, as a standard deviation. */
const sdOfMovedLitres = (litres: number): number =>
	Math.max(PARAMETERS.movedLeastSdL, PARAMETERS.movedSdShare * litres);

/** A figure that somebody wrote down. */
interface Figure {
	/** the entry it stands in; none where nobody wrote it */
	readonly entry?: string;
	readonly litres?: number | undefined;
	readonly sdL?: number | undefined;
	/** it is as written, whatever it looks like */
	readonly trusted?: true | undefined;
}

/** The chance that an account is off by more than it knows: not much, but after a silence, of which nobody said how it was lived. */
function accountOff({ silence, agreedMs }: FilterState, { index }: Pool): number {
	const unsaid = silence && silence.settledMs > (agreedMs.get(index) ?? -Infinity) ? silence.silent : 0;
	return Math.max(PARAMETERS.accountOffChance, PARAMETERS.accountOffAfterSilence * unsaid);
}

/**
 * Takes in the figure that stands beside a known level: how much was moved until a tank was full or empty. One that what is
 * believed cannot explain, and that with its point a place further would fit, is most likely mistyped so, and counts as that; unless
 * it is as likely that the account is off.
 */
function takeFigure(
	model: Model,
	state: FilterState,
	pool: Pool,
	{ entry, litres, sdL, trusted }: Figure & { readonly litres: number; readonly sdL: number }
): void {
	const moved: Sparse = [[model.movedRow, 1]];
	const take = (meant: number, sd: number): void =>
		state.belief.condition(moved, sd ** 2, { mean: meant, variance: 0 });
	if (trusted || entry === undefined) return take(litres, sdL);
	const expected = posteriorOf(state, moved);
	const density = (meant: number, sd: number): number => {
		const spread = Math.sqrt(expected.variance + sd ** 2);
		return normalPdf((meant - expected.mean) / spread) / spread;
	};
	const off = accountOff(state, pool);
	const asWritten = (1 - off) * density(litres, sdL) + off / pool.usableL;
	const typed = [litres / 10, litres * 10]
		.map((meant) => ({ meant, sd: PARAMETERS.mistypedSdShare * meant }))
		.map((one) => ({ ...one, weight: PARAMETERS.mistypedChance * density(one.meant, one.sd) }));
	const [likeliest] = typed.sort((a, b) => b.weight - a.weight);
	if (!likeliest || likeliest.weight < asWritten) return take(litres, sdL);
	noteSlip(state, { kind: 'tenfold', entry, litres: likeliest.meant, atMs: state.atMs ?? 0 });
	take(likeliest.meant, likeliest.sd);
}

/** A movement of water between pools, or between a pool and a tap or drain outside. */
interface Movement extends Figure {
	readonly out?: Pool | undefined;
	readonly into?: Pool | undefined;
	/** the end that is brought to a known level */
	readonly settles?: KnownLevel | undefined;
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
		carry(model.countedRow.get(meter), 1);
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
		belief.propagate([...rows, { row: model.movedRow, from: amount, constant: way * settles.constant }]);
		const spread: Sparse = [
			[model.movedRow, way],
			...carried.map(([row, k]) => [row, row === end ? 1 : k * way] as const)
		];
		belief.addNoise(spread, settles.sdL ** 2);
		if (litres !== undefined)
			takeFigure(model, state, settles.pool, {
				...movement,
				litres,
				sdL: movement.sdL ?? sdOfMovedLitres(litres)
			});
	} else if (litres !== undefined) {
		for (const [row, k] of carried) belief.mean[row] = (belief.mean[row] ?? 0) + k * litres;
		belief.addNoise(carried, (movement.sdL ?? sdOfMovedLitres(litres)) ** 2);
	}
	if (settles) settled(state, settles.pool.index);
}

const poolOf = (model: Model, tank: string): Pool | undefined => model.places.get(tank)?.pool;

/**
 * Before it was filled to the brim, a tank held no less than nothing, and before it was emptied, no more than serves:
 * nobody pumped air or backed up and wrote nothing of it. Said once of each stretch from brim to brim, it tells of the pace
 * of those who write nothing else. The further the account runs beyond, the likelier an entry is missing; where it does not
 * run beyond at all it is no news: how far from the end one fills is everyone's own way, and a bound alone would call it slow.
 */
function wasWithin(state: FilterState, pool: Pool): void {
	const fresh = pool.tanks[0]?.holds === 'fresh';
	const h: Sparse =
		fresh || pool.usableRow === undefined
			? [[pool.index, 1]]
			: [
					[pool.index, 1],
					[pool.usableRow, -1]
				];
	const top = pool.usableRow === undefined ? pool.usableL : 0;
	intervalUpdate(
		state.belief,
		posteriorOf(state, h),
		{
			h,
			from: fresh ? 0 : -Infinity,
			to: fresh ? Infinity : top,
			sd: PARAMETERS.impossibleBeyondShare * pool.usableL
		},
		{ missing: PARAMETERS.missedEntryBaseChance, most: PARAMETERS.withinMostChance }
	);
}

/** What a fill most likely was that no tank of its size could take: a digit too many. Nothing where that makes no sense either. */
function tenfold({ usableL }: Pool, { litres = 0, trusted }: EntryOf<'fill'>): number | undefined {
	if (trusted) return undefined;
	const most = PARAMETERS.impossibleFillShare * usableL;
	return litres > most && litres / 10 <= most ? litres / 10 : undefined;
}

/** Water came in from a tap: so much, or to the brim. */
export function applyFill(model: Model, state: FilterState, entry: EntryOf<'fill'>): void {
	const into = poolOf(model, entry.tank);
	if (!into) return;
	const meters = model.rig.instruments.filter(
		(i) => i.kind === 'meter' && i.place === 'fill' && i.tank === entry.tank
	);
	if (entry.to === 'full') wasWithin(state, into);
	const tenth = tenfold(into, entry);
	if (tenth !== undefined)
		noteSlip(state, { kind: 'tenfold', entry: entry.id, litres: tenth, atMs: state.atMs ?? 0 });
	applyMovement(model, state, {
		entry: entry.id,
		into,
		settles: entry.to === 'full' ? fullOf(into) : undefined,
		trusted: entry.trusted,
		litres: tenth ?? entry.litres,
		sdL: tenth === undefined ? entry.sdL : PARAMETERS.mistypedSdShare * tenth,
		meters: meters.map(({ id }) => id)
	});
}

/** A waste tank was emptied, or so much of it; what is put back afterwards is in it then, unless its valve is left open. */
export function applyDump(model: Model, state: FilterState, entry: EntryOf<'dump'>): void {
	const out = poolOf(model, entry.tank);
	if (!out) return;
	if (entry.to === 'empty') wasWithin(state, out);
	applyMovement(model, state, {
		entry: entry.id,
		out,
		settles: entry.to === 'empty' ? drainedTo(out, entry.leftL) : undefined,
		trusted: entry.trusted,
		litres: entry.litres,
		sdL: entry.sdL,
		meters: []
	});
	const open = out.tanks.some((tank) => isDrainedBy(state.sewer, tank));
	if (entry.to === 'empty' && entry.leftL === undefined && out.chargeL > 0 && !open)
		applyMovement(model, state, {
			into: out,
			litres: out.chargeL,
			sdL: PARAMETERS.chargeSdShare * out.chargeL,
			meters: []
		});
}

/** What stays when a tank is emptied: the usual rest, or, where it was not quite, about so much. */
const drainedTo = (pool: Pool, leftL: number | undefined): KnownLevel =>
	leftL === undefined
		? emptyOfPool(pool)
		: { pool, from: [], constant: leftL, sdL: Math.max(pool.emptySdL, PARAMETERS.leftSdShare * leftL) };

/** Water was moved from one tank to another: so much, until the one was empty or the other full. */
export function applyTransfer(model: Model, state: FilterState, entry: EntryOf<'transfer'>): void {
	const out = poolOf(model, entry.fromTank);
	const into = poolOf(model, entry.toTank);
	if (!out || !into || out === into) return;
	const settles =
		entry.until === 'from-empty' ? emptyOfPool(out) : entry.until === 'to-full' ? fullOf(into) : undefined;
	const { id, litres, sdL, trusted } = entry;
	applyMovement(model, state, { entry: id, out, into, settles, litres, sdL, trusted, meters: [] });
}

/** Waste valves were opened into a sewer: every tank whose valve was shut before runs down to what stays in it. */
export function openToSewer(model: Model, state: FilterState, before: OpenValves): void {
	for (const tank of model.rig.tanks) {
		const out = poolOf(model, tank.id);
		if (out && isDrainedBy(state.sewer, tank) && !isDrainedBy(before, tank))
			applyMovement(model, state, { out, settles: emptyOfPool(out), meters: [] });
	}
}
