import { dayFactorSd, habitDayFactorSd } from '../../estimate/index.js';
import { cholesky, Matrix, meanOf } from '../../numerics/index.js';
import type { Outset } from '../forecast.js';
import { inflateSpread, oftenOn, onWeekend, timesSaid, weekendIn, type DayPart } from '../sampler/index.js';

/** What a day brings while nothing changes, and how days differ. */
export interface Pace {
	/** by lane, then by path: litres a day */
	readonly perDay: readonly Float64Array[];
	/** lower triangular root of the correlation of single days about that, lanes × lanes */
	readonly root: Matrix;
	/** by lane: the standard deviation of a day, litres, and its skewness */
	readonly sd: Float64Array;
	readonly skewness: Float64Array;
}

/** Variances below this are settled. */
const SETTLED = 1e-12;
/** of a factor about 1 that is lognormal, for each unit of its deviation */
const LOGNORMAL_SKEW = 3;

/** How single days differ, lane by lane: sums of independent parts, by their second and third moments. */
class DayScatter {
	/** litres², lanes × lanes */
	readonly covariance: Matrix;
	/** third central moments by lane, litres³ */
	readonly third: Float64Array;
	/** litres a day by lane that are all more or less on a busy or quiet day */
	readonly together: Float64Array;

	constructor(lanes: number) {
		this.covariance = new Matrix(lanes);
		this.third = new Float64Array(lanes);
		this.together = new Float64Array(lanes);
	}

	/** Something that is independent of all else, by how far it moves each lane, and its skewness. */
	add(along: readonly number[], skewness: number): void {
		along.forEach((a, i) => {
			this.third[i] = (this.third[i] as number) + skewness * a ** 3;
			along.forEach((b, k) => this.covariance.add(i, k, a * b));
		});
	}
}

/** What a step brings, as it is summed up over habits and streams. */
interface Sums {
	readonly gains: ReturnType<Outset['gains']>;
	readonly perDay: readonly Float64Array[];
	readonly scatter: DayScatter;
}

/** What a habit brings a day, and how its days differ. */
function addHabit(
	{ day, lanes, draws, paths }: Outset,
	step: DayPart,
	h: number,
	{ gains, perDay, scatter }: Sums
): void {
	const ahead = day.habits[h] as Outset['day']['habits'][number];
	const { scatterL, cadence } = ahead;
	const usual = oftenOn(ahead, step, day);
	const share = cadence.rarer * usual;
	const spared = Math.max(0, 1 - cadence.rarer) * usual;
	const [times, each] = [draws.timesPerDay[h] as Float64Array, draws.litresEach[h] as Float64Array];
	const said = timesSaid(ahead.habit, step);
	const [often, eachL] = [share * meanOf(times), meanOf(each)];
	const gain = lanes.map((_, i) => gains.habits[i]?.find((one) => one.habit === h));
	gain.forEach((one, i) => {
		if (!one) return;
		const to = perDay[i] as Float64Array;
		for (let path = 0; path < paths; path++)
			to[path] =
				(to[path] as number) +
				(share * (times[path] as number) + said) * (one.perLitre * (each[path] as number) + one.fixed) +
				spared * (times[path] as number) * one.adds;
	});
	const once = gain.map((one) => (one ? one.perLitre * eachL + one.fixed : 0));
	if (scatterL > 0)
		scatter.add(
			gain.map((one) => (one?.perLitre ?? 0) * scatterL * Math.sqrt(often)),
			0
		);
	if (!(cadence.sd > 0) || !(often > 0)) return;
	// Counts are as skewed as they are scattered; busy days are so by the factor that they are.
	scatter.add(
		once.map((litres) => litres * Math.sqrt(day.dispersion * often)),
		Math.sqrt(day.dispersion / often)
	);
	scatter.add(
		once.map((litres) => litres * habitDayFactorSd * often),
		LOGNORMAL_SKEW * habitDayFactorSd
	);
	once.forEach((litres, i) => (scatter.together[i] = (scatter.together[i] as number) + litres * often));
}

/** What flows in a day, and how its days differ. */
function addInflow(
	{ day, lanes, draws, paths }: Outset,
	{ persons }: DayPart,
	s: number,
	{ gains, perDay, scatter }: Sums
): void {
	if (persons <= 0) return;
	const rate = draws.inflow[s] as Float64Array;
	const gain = lanes.map((_, i) => gains.inflow[i]?.find(({ source }) => source === s)?.perLitre ?? 0);
	gain.forEach((perLitre, i) => {
		const to = perDay[i] as Float64Array;
		for (let path = 0; path < paths; path++)
			to[path] = (to[path] as number) + perLitre * (rate[path] as number);
	});
	const { lumpL } = day.sources[s] as Outset['day']['sources'][number];
	const usual = meanOf(rate);
	if (lumpL > 0 && usual > 0)
		scatter.add(
			gain.map((perLitre) => perLitre * Math.sqrt(usual * lumpL)),
			Math.sqrt(lumpL / usual)
		);
}

/** What nobody writes down of one stream brings a day, and how its days differ. */
function addUnlogged(
	{ day, lanes, draws, paths }: Outset,
	step: DayPart,
	u: number,
	{ gains, perDay, scatter }: Sums
): void {
	const ahead = day.unlogged[u] as Outset['day']['unlogged'][number];
	const { lumpL } = ahead;
	const share = oftenOn(ahead, step, day);
	const weekend = weekendIn(step);
	const rate = (draws.unlogged[u] as Float64Array).map(
		(litres, path) => litres * onWeekend(draws, path, weekend)
	);
	const usual = share * meanOf(rate);
	const gain = lanes.map((_, i) => gains.unlogged[i]?.find((one) => one.stream === u)?.perLitre ?? 0);
	gain.forEach((perLitre, i) => {
		const to = perDay[i] as Float64Array;
		for (let path = 0; path < paths; path++)
			to[path] = (to[path] as number) + perLitre * share * (rate[path] as number);
	});
	if (!(lumpL > 0) || !(usual > 0)) return;
	// A compound Poisson of lumps that are exponential about their mean would have 3/√2; of equal lumps, 1.
	scatter.add(
		gain.map((perLitre) => perLitre * Math.sqrt(usual * lumpL)),
		Math.sqrt(lumpL / usual)
	);
	scatter.add(
		gain.map((perLitre) => perLitre * habitDayFactorSd * usual),
		LOGNORMAL_SKEW * habitDayFactorSd
	);
	gain.forEach((perLitre, i) => (scatter.together[i] = (scatter.together[i] as number) + perLitre * usual));
}

/**
 * The pace of a step. Days differ as in a forecast: each habit by how often (busy and quiet days, and at random) and by its
 * scatter, what nobody writes down by its lumps, and all together; but as gammas, since many of them are summed up.
 */
export function paceOf(outset: Outset, step: DayPart): Pace {
	const { day, lanes, draws, measures, paths } = outset;
	const perDay = lanes.map(() => new Float64Array(paths));
	const scatter = new DayScatter(lanes.length);
	const sums: Sums = { gains: outset.gains(measures, step), perDay, scatter };
	day.habits.forEach((_, h) => addHabit(outset, step, h, sums));
	day.unlogged.forEach((_, u) => addUnlogged(outset, step, u, sums));
	day.sources.forEach((_, s) => addInflow(outset, step, s, sums));
	scatter.add(
		[...scatter.together].map((litres) => dayFactorSd * litres),
		LOGNORMAL_SKEW * dayFactorSd
	);
	const all = Int32Array.from({ length: paths }, (_, path) => path);
	for (const change of perDay) inflateSpread(change, all, draws.spread);
	const { covariance, third } = scatter;
	const sd = Float64Array.from(lanes, (_, i) => Math.sqrt(covariance.at(i, i)));
	const correlation = new Matrix(lanes.length);
	lanes.forEach((_, i) =>
		lanes.forEach((_, k) => {
			const of = (sd[i] as number) * (sd[k] as number);
			correlation.set(i, k, of > 0 ? covariance.at(i, k) / of : 0);
		})
	);
	return {
		perDay,
		root: cholesky(correlation, () => SETTLED),
		sd,
		skewness: third.map((value, i) => ((sd[i] as number) > 0 ? value / (sd[i] as number) ** 3 : 0))
	};
}
