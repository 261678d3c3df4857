import { lnGamma, predictive, updated, type NormalInverseGamma } from '../numerics/index.js';

/** How often the tap is opened for one use: 1, 2, 3, 4, 5 to 6, 7 to 9, 10 and more. */
export const OPENINGS = [1, 2, 3, 4, 5, 7, 10] as const;
export const HOURS = 24;

/** How somebody does a thing at the tap, as it is believed: what it takes, how it runs, when, how often. */
export interface Manner {
	/** logarithm of litres of one use */
	readonly litres: NormalInverseGamma;
	/** logarithm of litres a minute */
	readonly flow: NormalInverseGamma;
	/** logarithm of the seconds between two openings of the tap */
	readonly pause: NormalInverseGamma;
	/** how often it is opened: counts by the classes of OPENINGS */
	readonly openings: readonly number[];
	/** by the hour of the day, counts */
	readonly hours: readonly number[];
	/** times a day: counts, in so many days */
	readonly times: number;
	readonly days: number;
}

/** What was seen of one manner, each use by its weight. */
export interface Seen {
	readonly weight: number;
	readonly logLitres: number;
	readonly logLpm: number;
	readonly logPauses: readonly number[];
	readonly openings: number;
	/** hour of the day, 0 … 24 */
	readonly hour: number;
}

/** The class of OPENINGS that a number of openings belongs to. */
export const openingClass = (openings: number): number =>
	Math.max(
		0,
		OPENINGS.findLastIndex((least) => openings >= least)
	);

/** Hours beside the one in which something was seen are likely, too: sd, hours. */
const HOUR_SD = 1.1;

const sumsOf = (pairs: readonly (readonly [weight: number, value: number])[]) => ({
	weight: pairs.reduce((sum, [weight]) => sum + weight, 0),
	sum: pairs.reduce((sum, [weight, value]) => sum + weight * value, 0),
	squares: pairs.reduce((sum, [weight, value]) => sum + weight * value ** 2, 0)
});

/** A manner after some uses, in so many days. */
export function learned(prior: Manner, seen: readonly Seen[], days: number): Manner {
	const openings = [...prior.openings];
	const hours = [...prior.hours];
	for (const one of seen) {
		const at = openingClass(one.openings);
		openings[at] = (openings[at] ?? 0) + one.weight;
		for (let h = 0; h < HOURS; h++) {
			const off = Math.abs(one.hour - h - 0.5);
			const apart = Math.min(off, HOURS - off) / HOUR_SD;
			hours[h] =
				(hours[h] ?? 0) + (one.weight * Math.exp(-0.5 * apart ** 2)) / (HOUR_SD * Math.sqrt(2 * Math.PI));
		}
	}
	return {
		litres: updated(prior.litres, sumsOf(seen.map((one) => [one.weight, one.logLitres]))),
		flow: updated(prior.flow, sumsOf(seen.map((one) => [one.weight, one.logLpm]))),
		pause: updated(
			prior.pause,
			sumsOf(seen.flatMap((one) => one.logPauses.map((pause) => [one.weight, pause] as const)))
		),
		openings,
		hours,
		times: prior.times + seen.reduce((sum, { weight }) => sum + weight, 0),
		days: prior.days + days
	};
}

/** A manner as it is asked of: logarithms of densities, each by what is seen and the variance of its error. */
export interface Likelihood {
	litres(logLitres: number, errorVariance: number): number;
	flow(logLpm: number, errorVariance: number): number;
	/** of the seconds between two openings, a second */
	pause(logSeconds: number): number;
	/** of a number of openings */
	readonly openings: readonly number[];
	/** uses a second, by the hour of the day */
	readonly perSecond: readonly number[];
	/** uses a day */
	readonly perDay: number;
}

export function likelihoodOf(manner: Manner): Likelihood {
	const pause = predictive(manner.pause);
	const all = manner.openings.reduce((sum, one) => sum + one, 0);
	const hours = manner.hours.reduce((sum, one) => sum + one, 0);
	const perDay = manner.times / manner.days;
	return {
		litres: predictive(manner.litres),
		flow: predictive(manner.flow),
		pause: (logSeconds) => pause(logSeconds) - logSeconds,
		openings: manner.openings.map((one) => Math.log(one / all)),
		perSecond: manner.hours.map((one) => ((perDay / 3600) * one) / hours),
		perDay
	};
}

/** How evenly a use is spread over its openings: the symmetric Dirichlet's figure, and its constants by the number of them. */
const EVENNESS = 2.5;
const EVEN: number[] = [];
/** The logarithm of the Dirichlet density's constant for so many shares. */
export function sharesConstant(openings: number): number {
	return (EVEN[openings] ??= lnGamma(openings * EVENNESS) - openings * lnGamma(EVENNESS));
}
/**
 * The logarithm of the density of how litres are shared among openings, in logarithms of litres.
 *
 * @param sumLogs the sum of the logarithms of each opening's litres
 */
export const sharesOf = (openings: number, sumLogs: number, logLitres: number): number =>
	openings === 1 ? 0 : sharesConstant(openings) + EVENNESS * (sumLogs - openings * logLitres);
