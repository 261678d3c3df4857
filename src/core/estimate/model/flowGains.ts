import type { Habit } from '../../logbook/index.js';
import type { Sparse } from '../../numerics/index.js';
import type { Amount, Flow } from '../../rig/index.js';
import type { KeyedRegime } from '../inputs/index.js';
import type { FlowGains } from './accountRows.js';
import type { Model } from './model.js';

const known = new WeakMap<Flow, FlowGains>();

/** A flow's gains by state index: pools together with the meters it passes. Flows are made once per model. */
export function flowGainsOf(model: Model, flow: Flow): FlowGains {
	const before = known.get(flow);
	if (before) return before;
	const byIndex = new Map<number, Amount>();
	const add = (index: number | undefined, { perLitre, fixed }: Amount): void => {
		if (index === undefined) return;
		const sum = byIndex.get(index) ?? { perLitre: 0, fixed: 0 };
		byIndex.set(index, { perLitre: sum.perLitre + perLitre, fixed: sum.fixed + fixed });
	};
	for (const [tank, amount] of flow.tanks) add(model.places.get(tank)?.pool.index, amount);
	for (const [meter, amount] of flow.meters) add(model.countedRow.get(meter), amount);
	const found = [...byIndex, ...(model.accounts?.gains.get(flow) ?? [])];
	known.set(flow, found);
	return found;
}

/** Where a gain is booked of what is not written down: no habit has it, as long as nobody says so. */
export function unwrittenRow({ accounts }: Model, row: number): number {
	if (!accounts || row < accounts.rows.habitsFrom || row >= accounts.rows.habitsTo) return row;
	return accounts.rows.unwritten;
}

/** What one litre of a habit brings to pools and meters as things stand, by row of the state. */
export const pathsOf = (model: Model, regime: KeyedRegime, habit: Habit): Sparse =>
	flowGainsOf(model, model.flow(habit, regime)).map(([row, { perLitre }]) => [row, perLitre] as const);

/** What a litre drawn brings, by row of the state, and what comes with each time beside it. */
export interface Drawn {
	readonly paths: Sparse;
	readonly beside: Sparse;
}
const drawnKnown = new WeakMap<Flow, Drawn>();

/** What a litre that a flow draws brings, by row of the state; made once per flow. */
export function drawnOf(model: Model, flow: Flow): Drawn {
	const before = drawnKnown.get(flow);
	if (before) return before;
	const { perLitre: f, fixed: c } = flow.drawn;
	const shares = flowGainsOf(model, flow).map(([row, gain]) => {
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
