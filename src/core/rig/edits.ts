import type { Gauge, Habit, Meter, Rig, Tank, Trial } from '../logbook/index.js';

/** The list with one item put in the place of the one of its id, or at the end. */
export const withItem = <T extends { readonly id: string }>(list: readonly T[], item: T): readonly T[] =>
	list.some(({ id }) => id === item.id)
		? list.map((one) => (one.id === item.id ? item : one))
		: [...list, item];

/** A habit as somebody restates it: how sure a guess was says nothing of the word that takes its place. What is exact stays so. */
export function restated(before: Habit, after: Habit): Habit {
	const { often } = after;
	if (!often.sd || (often.times === before.often.times && often.per === before.often.per)) return after;
	const { sd: _, ...said } = often;
	return { ...after, often: said };
}

/** The rig with one tank changed in part. */
export const withTank = (rig: Rig, id: string, part: Partial<Tank>): Rig => ({
	...rig,
	tanks: rig.tanks.map((tank) => (tank.id === id ? { ...tank, ...part } : tank))
});

/** The rig with the trials of one tank changed. */
export const withTrials = (
	rig: Rig,
	tank: string,
	change: (trials: readonly Trial[]) => readonly Trial[]
): Rig => ({
	...rig,
	tanks: rig.tanks.map((one) => (one.id === tank ? { ...one, trials: [...change(one.trials ?? [])] } : one))
});

/**
 * The rig with what the log has learned that a tank serves, kept as the result of a trial and reckoned with from now on.
 *
 * @param at the instant of the trial
 */
export function reckonedWith(rig: Rig, tank: string, litres: number, id: string, at: string): Rig {
	const kind = rig.tanks.find((one) => one.id === tank)?.holds === 'fresh' ? 'run-dry' : 'back-up';
	const trial: Trial = { id, at, kind, litres, used: true, note: 'As the log shows' };
	return withTank(
		withTrials(rig, tank, (trials) => [...trials, trial]),
		tank,
		{ usableL: litres }
	);
}

/** Rounded to this many litres: a curve is learned no finer. */
const CURVE_DECIMALS = 2;

/** The rig with a gauge's curve replaced by what was learned. */
export function withCurve(rig: Rig, gauge: string, points: Gauge['curve']): Rig {
	const curve = points.map(({ reads, litres }) => ({
		reads,
		litres: Number(litres.toFixed(CURVE_DECIMALS))
	}));
	return {
		...rig,
		instruments: rig.instruments.map((one) =>
			one.id === gauge && one.kind === 'gauge' ? { ...one, curve } : one
		)
	};
}

/** A bucket test is never better than this: a bucket is filled by eye. */
const LEAST_SD_FRACTION = 0.003;

/** The rig with a meter's scale, and how far it is right, replaced by what a bucket test found. */
export function withScale(rig: Rig, meter: string, found: Pick<Meter, 'scale' | 'sdFraction'>): Rig {
	const { scale, sdFraction } = found;
	const part = {
		scale,
		...(sdFraction === undefined ? {} : { sdFraction: Math.max(LEAST_SD_FRACTION, sdFraction) })
	};
	return {
		...rig,
		instruments: rig.instruments.map((one) =>
			one.id === meter && one.kind === 'meter' ? { ...one, ...part } : one
		)
	};
}
