import type { Sparse } from '../../numerics/index.js';
import { comesFromOutside, type Flow } from '../../rig/index.js';
import { cached, regimeKey, type KeyedRegime } from '../inputs/index.js';
import {
	flowGainsOf,
	networkOf,
	type AccountRows,
	type AccountScope,
	type FlowGains,
	type Model
} from '../model/index.js';

/** Where the sums of an account stand: behind all else in the state. */
export function accountRows(model: Model, { pools, meters, drawn }: AccountScope): AccountRows {
	let next = model.size;
	const rows = <K>(keys: readonly K[]): ReadonlyMap<K, number> => new Map(keys.map((key) => [key, next++]));
	const moved = {
		usedIn: rows(pools),
		usedOut: rows(pools),
		movedIn: rows(pools),
		movedOut: rows(pools),
		passed: rows(meters.filter((id) => model.countedRow.has(id)))
	};
	const habitsFrom = next;
	const habits = rows(drawn ? model.rig.habits.map(({ id }) => id) : []);
	return {
		...moved,
		habits,
		habitsFrom,
		habitsTo: next,
		unwritten: next++,
		streams: drawn ? model.streams.map(() => next++) : [],
		end: next
	};
}

/** A fresh tank is drawn from and a waste tank filled by use, also where a measure gives some of it back. */
function sideOf(model: Model, pool: number, perLitre: number): 'in' | 'out' {
	if (perLitre !== 0) return perLitre > 0 ? 'in' : 'out';
	return model.pools[pool]?.tanks[0]?.holds === 'fresh' ? 'out' : 'in';
}

/** The model that keeps an account beside the levels, in a state of so many rows. */
export function withAccounts(model: Model, rows: AccountRows, size: number): Model {
	const meterOf = new Map([...model.countedRow].map(([id, row]) => [row, rows.passed.get(id)]));
	/** where a row's gain is booked, and with which sign */
	const booked = (row: number, perLitre: number): readonly [row: number, sign: number] | undefined => {
		const passed = meterOf.get(row);
		if (passed !== undefined) return [passed, 1];
		if (row >= model.pools.length) return undefined;
		const side = sideOf(model, row, perLitre);
		const at = (side === 'in' ? rows.usedIn : rows.usedOut).get(row);
		return at === undefined ? undefined : [at, side === 'in' ? 1 : -1];
	};
	const gains = new WeakMap<Flow, FlowGains>();
	const streams = model.streams.map((stream, s) => ({
		...stream,
		gains: cached(regimeKey, (regime: KeyedRegime): Sparse => {
			const own = stream.gains(regime);
			const unlogged = rows.streams[s];
			return [
				...own,
				...own.flatMap(([row, gain]) => {
					const to = booked(row, gain);
					return to ? [[to[0], to[1] * gain] as const] : [];
				}),
				...(unlogged === undefined || comesFromOutside(model.rig, stream.habit?.id, regime)
					? []
					: [[unlogged, stream.drawn(regime)] as const])
			];
		})
	}));
	return {
		...model,
		size,
		flow: cached(
			(habit, regime) => `${habit.id}|${regimeKey(regime)}`,
			(habit, regime: KeyedRegime) => {
				const plain = model.flow(habit, regime);
				const flow: Flow = { ...plain };
				const drawn = rows.habits.get(habit.id);
				gains.set(flow, [
					...flowGainsOf(model, plain).flatMap(([row, { perLitre, fixed }]) => {
						const to = booked(row, perLitre);
						return to ? [[to[0], { perLitre: to[1] * perLitre, fixed: to[1] * fixed }] as const] : [];
					}),
					...(drawn === undefined || comesFromOutside(model.rig, habit.id, regime)
						? []
						: [[drawn, flow.drawn] as const])
				]);
				return flow;
			}
		),
		streams,
		network: cached(regimeKey, (regime: KeyedRegime) => networkOf(streams, regime)),
		accounts: { rows, gains }
	};
}
