import { positive, truncate, type Moments } from '../../numerics/index.js';

import type { Habit, Source } from '../../logbook/index.js';
import { valueAt } from '../../time/index.js';
import {
	type Estimate,
	habitMeanVarianceShare,
	riseOf,
	type Stream,
	USUAL_CLIMATE,
	type WeekFactors
} from '../../estimate/index.js';
import { rarityOf, type Amount, type Flow, type Regime } from '../../rig/index.js';
import { sourcesAhead, type SourceAhead } from './inflow.js';
import { cadencesAhead, dispersionOf, type Ahead, type Cadence } from './cadence.js';

/** One habit as it is expected ahead. */
export interface HabitAhead {
	readonly habit: Habit;
	readonly cadence: Cadence;
	/** which of the unlogged streams is its own; none in a rig that states the rate of all */
	readonly stream: number | undefined;
	/** whether it is done by each person, or once for all */
	readonly perPerson: boolean;
	/** how its days of the week differ; nothing where all are alike */
	readonly week: WeekFactors | undefined;
	readonly flow: Flow;
	/** litres of one time as believed now, and the doubt of that mean */
	readonly litresEach: { readonly mean: number; readonly sd: number };
	/** scatter of single times about their mean, litres */
	readonly scatterL: number;
}

/** Use that nobody writes down, ahead: one habit's, or one outlet's in a rig without habits. */
export interface UnloggedAhead {
	/** the habit it is of, where it is one's */
	readonly habit: Habit | undefined;
	/** where its litres per exposure stand in the belief */
	readonly index: number;
	/** litres a day for each litre per exposure */
	readonly perDay: number;
	readonly perPerson: boolean;
	readonly week: WeekFactors | undefined;
	/** litres a day as it would be without measures, and the doubt of that */
	readonly mean: number;
	readonly sd: number;
	/** litres drawn for one litre, less by the measures in force */
	readonly drawn: number;
	/** what comes of one litre, by pool */
	readonly gains: ReadonlyMap<number, number>;
	/** litres of the lumps it comes in */
	readonly lumpL: number;
}

/** Everything a day ahead is made of. */
export interface DayAhead {
	readonly persons: number;
	readonly measures: readonly string[];
	readonly habits: readonly HabitAhead[];
	readonly unlogged: readonly UnloggedAhead[];
	/** what flows in without a stop */
	readonly sources: readonly SourceAhead[];
	/** variance over mean of how often a habit is done in a day: 0 as by the clock, 1 at random */
	readonly dispersion: number;
}

/**
 * What a litre that goes unlogged, as it would be without measures, brings to each pool under a regime: measures ahead
 * change it as they change what is written down.
 */
export function unloggedGains(
	{ model }: Estimate,
	stream: Stream,
	regime: Regime
): ReadonlyMap<number, number> {
	const often = stream.habit ? rarityOf(model.rig, stream.habit.id, regime.measures) : 1;
	const gains = new Map(stream.gains(regime).map(([pool, gain]) => [pool, often * gain] as const));
	if (often < 1)
		for (const [pool, added] of stream.adds(regime))
			gains.set(pool, (gains.get(pool) ?? 0) + (1 - often) * added);
	return gains;
}

/** Cut where it would be less than nothing. */
function atLeastNothing(moments: Moments): Moments {
	const { mean, sd } = truncate(moments, 0, Infinity);
	return { mean, sd };
}

const NOTHING: Amount = { perLitre: 0, fixed: 0 };

/** What a day looks like from an estimate's moment on, for a crew, a climate and a set of measures. */
export function dayAhead(estimate: Estimate, ahead: Ahead): DayAhead {
	const { model, state, belief } = estimate;
	const { mains, sewer } = ahead.hookUp ?? state;
	const sea = ahead.hookUp?.sea ?? state.sea;
	const ashore = valueAt(model.ashore, estimate.atMs);
	const regime = { mains, sewer, measures: ahead.measures, ashore, sea };
	const { climate = USUAL_CLIMATE } = ahead;
	const cadences = cadencesAhead(estimate, ahead);
	const marginalOf = (index: number): Moments => ({ mean: belief.mean[index] ?? 0, sd: belief.sdOf(index) });
	return {
		persons: ahead.persons,
		measures: ahead.measures,
		habits: model.rig.habits.flatMap((habit, i): readonly HabitAhead[] => {
			const cadence = cadences[i];
			if (habit.retired || !cadence) return [];
			const stream = model.streams.findIndex((one) => one.habit === habit);
			return [
				{
					habit,
					cadence,
					stream: stream < 0 ? undefined : stream,
					perPerson: habit.often.per === 'person-day',
					week: state.weekFactors.get(habit.id),
					flow: model.flow(habit, regime),
					litresEach: atLeastNothing(marginalOf(model.habitRow.get(habit.id) ?? 0)),
					scatterL: habit.litresEach.sd * Math.sqrt(1 - habitMeanVarianceShare)
				}
			];
		}),
		unlogged: model.streams.map((stream) => {
			const { habit } = stream;
			const aboard = stream.perPerson ? ahead.persons : Math.min(1, ahead.persons);
			const perDay = aboard * (habit ? riseOf(habit, climate) : 1);
			const rate = positive(marginalOf(stream.index));
			return {
				habit,
				index: stream.index,
				perDay,
				perPerson: stream.perPerson,
				week: habit && state.weekFactors.get(habit.id),
				mean: perDay * rate.mean,
				sd: perDay * rate.sd,
				gains: unloggedGains(estimate, stream, regime),
				drawn: stream.drawn(regime),
				lumpL: stream.broad.sd > 0 ? stream.lumpL : 0
			};
		}),
		sources: ahead.persons > 0 ? sourcesAhead(estimate) : [],
		dispersion: dispersionOf(estimate)
	};
}

/** What one litre of unlogged use brings to a tank. */
export function unloggedGain(
	estimate: Estimate,
	{ gains }: Pick<UnloggedAhead, 'gains'>,
	tankId: string
): number {
	const place = estimate.model.places.get(tankId);
	return place ? place.share * (gains.get(place.pool.index) ?? 0) : 0;
}

/** An amount in litres, at the believed mean of one time. */
export const litresOf = ({ perLitre, fixed }: Amount, litresEach: number): number =>
	perLitre * litresEach + fixed;

/** What a flow brings to a tank: its share of what it brings to all the tanks that stand level with it. */
export function gainOf(estimate: Estimate, flow: Flow, tankId: string): Amount {
	const place = estimate.model.places.get(tankId);
	const [share, members] = place ? [place.share, place.pool.tanks.map(({ id }) => id)] : [1, [tankId]];
	const sum = (part: keyof Amount): number =>
		share * members.reduce((total, id) => total + (flow.tanks.get(id)?.[part] ?? 0), 0);
	return { perLitre: sum('perLitre'), fixed: sum('fixed') };
}

/** What people add themselves each time, of what a flow brings to a tank, litres. */
export function addsOf(estimate: Estimate, { adds }: Pick<Flow, 'adds'>, tankId: string): number {
	const place = estimate.model.places.get(tankId);
	if (!place) return adds.get(tankId) ?? 0;
	return place.share * place.pool.tanks.reduce((sum, { id }) => sum + (adds.get(id) ?? 0), 0);
}

/** What one habit, or all that nobody writes down, does to a tank in a day ahead, litres: more or less in it. */
export interface DailyPart {
	/** absent for what nobody writes down, and for what flows in */
	readonly habit?: Habit;
	readonly source?: Source;
	readonly timesPerDay?: number;
	readonly litres: number;
}

/** What flows into a tank in a day ahead, source by source: its share where it stands level with others. */
export function inflowTo(
	estimate: Estimate,
	{ sources }: DayAhead,
	tankId: string
): readonly (DailyPart & { readonly source: Source })[] {
	const place = estimate.model.places.get(tankId);
	return sources.flatMap(({ source, timesPerDay, litresEach }) =>
		place?.pool.tanks.some(({ id }) => id === source.into)
			? [{ source, timesPerDay, litres: place.share * timesPerDay * litresEach.mean }]
			: []
	);
}

/** What a day ahead does to a tank, habit by habit; what nobody writes down comes last. */
export function dailyParts(estimate: Estimate, day: DayAhead, tankId: string): readonly DailyPart[] {
	const byHabit = day.habits.map(({ habit, cadence, flow, litresEach }): DailyPart => ({
		habit,
		timesPerDay: cadence.timesPerDay,
		litres:
			cadence.timesPerDay * litresOf(gainOf(estimate, flow, tankId), litresEach.mean) +
			cadence.sparedPerDay * addsOf(estimate, flow, tankId)
	}));
	const unlogged = day.unlogged.reduce(
		(sum, stream) => sum + unloggedGain(estimate, stream, tankId) * stream.mean,
		0
	);
	return [...byHabit, ...inflowTo(estimate, day, tankId), { litres: unlogged }];
}

/** What a day ahead does to a tank, litres. */
export const dailyChange = (estimate: Estimate, day: DayAhead, tankId: string): number =>
	dailyParts(estimate, day, tankId).reduce((sum, { litres }) => sum + litres, 0);

/** Litres a day that leave the fresh tanks, or would if no hook-up fed the outlets past them. */
export function litresPerDay(estimate: Estimate, { habits, unlogged, measures }: DayAhead): number {
	const { model, state } = estimate;
	const ashore = valueAt(model.ashore, estimate.atMs);
	const regime = { mains: false, sewer: state.sewer, measures, ashore, sea: state.sea };
	const fresh = model.rig.tanks.filter(({ holds }) => holds === 'fresh');
	const byHabit = habits.reduce((sum, { habit, cadence, litresEach }) => {
		const flow = model.flow(habit, regime);
		const gained = fresh.reduce(
			(litres, { id }) => litres + litresOf(flow.tanks.get(id) ?? NOTHING, litresEach.mean),
			0
		);
		return sum - cadence.timesPerDay * gained;
	}, 0);
	return model.streams.reduce((sum, stream, i) => {
		const gains = unloggedGains(estimate, stream, regime);
		const gained = fresh.reduce((litres, { id }) => litres + unloggedGain(estimate, { gains }, id), 0);
		return sum - gained * (unlogged[i]?.mean ?? 0);
	}, byHabit);
}

/** Litres that a day ahead brings past a meter that water passes as it is used. */
export function litresPast({ model }: Estimate, { habits, unlogged }: DayAhead, meter: string): number {
	const row = model.countedRow.get(meter);
	const byHabit = habits.reduce(
		(sum, { cadence, flow, litresEach }) =>
			sum + cadence.timesPerDay * litresOf(flow.meters.get(meter) ?? NOTHING, litresEach.mean),
		0
	);
	return unlogged.reduce(
		(sum, { mean, gains }) => sum + mean * (row === undefined ? 0 : (gains.get(row) ?? 0)),
		byHabit
	);
}
