import type { Habit } from '../logbook/index.js';
import { PARAMETERS, truncate, type Estimate } from '../estimate/index.js';
import type { Amount, Flow } from '../rig/index.js';
import { cadenceAhead, dispersionOf, lived, trustInLog, type Ahead, type Cadence } from './cadence.js';

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

/** Use that nobody writes down, ahead: one habit's, or one outlet's in a rig without habits. */
export interface UnloggedAhead {
	/** where its litres per exposure stand in the belief */
	readonly index: number;
	/** litres a day for each litre per exposure */
	readonly perDay: number;
	/** litres a day, and the doubt of that */
	readonly mean: number;
	readonly sd: number;
	/** what comes of one litre, by pool */
	readonly gains: ReadonlyMap<number, number>;
	/** litres of the lumps it comes in */
	readonly lumpL: number;
}

/** Everything a day ahead is made of. */
export interface DayAhead {
	readonly persons: number;
	readonly habits: readonly HabitAhead[];
	readonly unlogged: readonly UnloggedAhead[];
	/** variance over mean of how often a habit is done in a day: 0 as by the clock, 1 at random */
	readonly dispersion: number;
}

/** What a day looks like from an estimate's moment on, for a crew and a set of measures. */
export function dayAhead(estimate: Estimate, ahead: Ahead): DayAhead {
	const { model, state, belief } = estimate;
	const regime = { mains: state.mains, sewer: state.sewer, measures: ahead.measures };
	const log = lived(estimate);
	const marginal = (index: number): { mean: number; sd: number } => {
		const { mean, sd } = truncate({ mean: belief.mean[index] ?? 0, sd: belief.sdOf(index) }, 0, Infinity);
		return { mean, sd };
	};
	const weight = model.rig.unlogged || model.rig.habits.length === 0 ? 1 : trustInLog(log);
	return {
		persons: ahead.persons,
		habits: model.rig.habits
			.filter(({ retired }) => !retired)
			.map((habit) => ({
				habit,
				cadence: cadenceAhead(estimate, habit, log, ahead),
				flow: model.flow(habit, regime),
				litresEach: marginal(model.habit.get(habit.id) ?? 0),
				scatterL: habit.litresEach.sd * Math.sqrt(1 - PARAMETERS.meanShare)
			})),
		unlogged: model.streams.map((stream) => {
			const perDay = weight * (stream.perPerson ? ahead.persons : Math.min(1, ahead.persons));
			const rate = marginal(stream.index);
			return {
				index: stream.index,
				perDay,
				mean: perDay * rate.mean,
				sd: perDay * rate.sd,
				gains: new Map(stream.gains(regime)),
				lumpL: stream.broad.sd > 0 ? stream.lumpL : 0
			};
		}),
		dispersion: dispersionOf(estimate)
	};
}

/** What one litre of unlogged use brings to a tank. */
export function unloggedGain(estimate: Estimate, { gains }: UnloggedAhead, tankId: string): number {
	const place = estimate.model.places.get(tankId);
	return place ? place.share * (gains.get(place.pool.index) ?? 0) : 0;
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

/** What one habit, or all that nobody writes down, does to a tank in a day ahead, litres: more or less in it. */
export interface DailyPart {
	/** absent for what nobody writes down */
	readonly habit?: Habit;
	readonly timesPerDay?: number;
	readonly litres: number;
}

/** What a day ahead does to a tank, habit by habit; what nobody writes down comes last. */
export function dailyParts(estimate: Estimate, day: DayAhead, tankId: string): readonly DailyPart[] {
	const byHabit = day.habits.map(({ habit, cadence, flow, litresEach }): DailyPart => ({
		habit,
		timesPerDay: cadence.timesPerDay,
		litres: cadence.timesPerDay * litresOf(gainOf(estimate, flow, tankId), litresEach.mean)
	}));
	const unlogged = day.unlogged.reduce(
		(sum, stream) => sum + unloggedGain(estimate, stream, tankId) * stream.mean,
		0
	);
	return [...byHabit, { litres: unlogged }];
}

/** What a day ahead does to a tank. */
export function dailyChange(estimate: Estimate, day: DayAhead, tankId: string): DailyChange {
	const mean = dailyParts(estimate, day, tankId).reduce((sum, { litres }) => sum + litres, 0);
	let [drift, scatter] = [0, 0];
	for (const { cadence, flow, litresEach, scatterL } of day.habits) {
		const gain = gainOf(estimate, flow, tankId);
		const { perLitre } = gain;
		const once = litresOf(gain, litresEach.mean);
		drift += (cadence.sd * once) ** 2 + (cadence.timesPerDay * perLitre * litresEach.sd) ** 2;
		scatter += cadence.timesPerDay * (perLitre * scatterL) ** 2;
		if (cadence.sd > 0)
			scatter +=
				(DAY_DIFFERS * cadence.timesPerDay * once) ** 2 + day.dispersion * cadence.timesPerDay * once ** 2;
	}
	for (const stream of day.unlogged) {
		const gain = unloggedGain(estimate, stream, tankId);
		drift += (gain * stream.sd) ** 2;
		scatter += gain ** 2 * stream.mean * stream.lumpL;
	}
	return { mean, driftSd: Math.sqrt(drift), daySd: Math.sqrt(scatter) };
}

/** Litres drawn in a day ahead by the whole crew, whatever they are drawn from. */
export const drawnPerDay = (day: DayAhead): number =>
	day.habits.reduce(
		(sum, { cadence, flow, litresEach }) => sum + cadence.timesPerDay * litresOf(flow.drawn, litresEach.mean),
		day.unlogged.reduce((sum, { mean }) => sum + mean, 0)
	);
