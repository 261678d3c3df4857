import type { Habit } from '../logbook/index.js';
import { truncate, type Estimate } from '../estimate/index.js';
import type { Amount, Flow } from '../rig/index.js';
import { cadenceAhead, lived, trustInLog, type Ahead, type Cadence } from './cadence.js';

/** One habit as it is expected ahead. */
export interface HabitAhead {
	readonly habit: Habit;
	readonly cadence: Cadence;
	readonly flow: Flow;
	/** litres of one time as believed now, and the doubt of that mean */
	readonly litresEach: { readonly mean: number; readonly sd: number };
	/** scatter of single times about their mean, litres */
	readonly scatterL: number;
}

/** Everything a day ahead is made of. */
export interface DayAhead {
	readonly persons: number;
	readonly habits: readonly HabitAhead[];
	/** litres a day that nobody writes down, the doubt of that, and where one such litre goes */
	readonly unlogged: {
		readonly mean: number;
		readonly sd: number;
		readonly weight: number;
		readonly flow: Flow;
	};
}

/** Half of the variance of one time's litres is scatter, as in the estimate's prior. */
const SCATTER_SHARE = 0.5;

/** What a day looks like from an estimate's moment on, for a crew and a set of measures. */
export function dayAhead(estimate: Estimate, ahead: Ahead): DayAhead {
	const { model, tally } = estimate;
	const regime = { mains: tally.mains, sewer: tally.sewer, measures: ahead.measures };
	const log = lived(estimate);
	const marginal = (index: number): { mean: number; sd: number } => {
		const { mean, sd } = truncate(
			{
				mean: tally.belief.mean[index] ?? 0,
				sd: Math.sqrt(Math.max(0, tally.belief.cov[index * model.size + index] ?? 0))
			},
			0,
			Infinity
		);
		return { mean, sd };
	};
	const rate = marginal(model.rate);
	const weight = model.rig.unlogged ? 1 : trustInLog(log);
	return {
		persons: ahead.persons,
		habits: model.rig.habits.map((habit) => ({
			habit,
			cadence: cadenceAhead(estimate, habit, log, ahead),
			flow: model.flow(habit, regime),
			litresEach: marginal(model.habit.get(habit.id) ?? 0),
			scatterL: habit.litresEach.sd * Math.sqrt(SCATTER_SHARE)
		})),
		unlogged: {
			mean: weight * rate.mean * ahead.persons,
			sd: weight * rate.sd * ahead.persons,
			weight,
			flow: model.mixed(ahead.persons, regime)
		}
	};
}

/** An amount in litres, at the believed mean of one time. */
export const litresOf = ({ perLitre, fixed }: Amount, litresEach: number): number =>
	perLitre * litresEach + fixed;

/** A tank's change per day: mean, the doubt of that mean (it stays the same day after day), the scatter of days. */
export interface DailyChange {
	readonly mean: number;
	readonly driftSd: number;
	readonly daySd: number;
}

/** Days differ by about this share of themselves, beyond the scatter of single times. */
export const DAY_DIFFERS = 0.22;

/** What a flow brings to a tank: its share of what it brings to all the tanks that stand level with it. */
export function gainOf(estimate: Estimate, flow: Flow, tankId: string): Amount {
	const place = estimate.model.places.get(tankId);
	const [share, members] = place ? [place.share, place.pool.tanks.map(({ id }) => id)] : [1, [tankId]];
	const sum = (part: keyof Amount): number =>
		share * members.reduce((total, id) => total + (flow.tanks.get(id)?.[part] ?? 0), 0);
	return { perLitre: sum('perLitre'), fixed: sum('fixed') };
}

/** What a day ahead does to a tank. */
export function dailyChange(estimate: Estimate, day: DayAhead, tankId: string): DailyChange {
	let [mean, drift, scatter] = [0, 0, 0];
	for (const { cadence, flow, litresEach, scatterL } of day.habits) {
		const { perLitre, fixed } = gainOf(estimate, flow, tankId);
		const once = perLitre * litresEach.mean + fixed;
		mean += cadence.timesPerDay * once;
		drift += (cadence.sd * once) ** 2 + (cadence.timesPerDay * perLitre * litresEach.sd) ** 2;
		scatter += cadence.timesPerDay * (perLitre * scatterL) ** 2;
		if (cadence.sd > 0) scatter += (DAY_DIFFERS * cadence.timesPerDay * once) ** 2;
	}
	const unlogged = gainOf(estimate, day.unlogged.flow, tankId).perLitre;
	mean += unlogged * day.unlogged.mean;
	drift += (unlogged * day.unlogged.sd) ** 2;
	scatter += day.unlogged.sd > 0 ? (0.35 * unlogged * day.unlogged.mean) ** 2 : 0;
	return { mean, driftSd: Math.sqrt(drift), daySd: Math.sqrt(scatter) };
}

/** Litres drawn in a day ahead by the whole crew, whatever they are drawn from. */
export const drawnPerDay = (day: DayAhead): number =>
	day.habits.reduce(
		(sum, { cadence, flow, litresEach }) => sum + cadence.timesPerDay * litresOf(flow.drawn, litresEach.mean),
		day.unlogged.mean
	);
