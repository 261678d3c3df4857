import { meanOf, sumOf } from '../../numerics/index.js';
import type { Foretold } from './foretold.js';
import type { Score } from './score.js';

/** A forecast that has come true, one way or the other. */
export interface Settled {
	readonly foretold: Foretold;
	readonly score: Score;
}

/** Too few to say; as they should be; sharper (what came lay too often outside); duller (they could have been narrower). */
export type RecordVerdict = 'young' | 'fits' | 'sharper' | 'duller';

/** How the forecasts of one tank have fared. */
export interface TankRecord {
	readonly id: string;
	readonly evenings: number;
	readonly inside: number;
	/** how many times as wide as they were the bands should have been, as far as so few tell */
	readonly wide: number;
	readonly verdict: RecordVerdict;
}

/** How the forecasts of a rig have fared, and what that asks of the coming ones. */
export interface ForecastRecord {
	/** evenings that could be held against what came */
	readonly evenings: number;
	/** forecasts of single tanks in them, and how many of them fell inside their band: eight in ten should */
	readonly forecasts: number;
	readonly inside: number;
	readonly tanks: readonly TankRecord[];
	readonly verdict: RecordVerdict;
	/** how many times as wide as the engine draws them forecasts are to be from now on; 1 leaves them alone */
	readonly spread: number;
}

/** Before so many evenings nothing is asked. */
const YOUNG = 10;
/** The latest evenings count: habits and seasons change. */
const REMEMBERED = 60;
/** A single evening that was far off, such as a leak, weighs no more than this, deviations squared. */
const FARTHEST_SQUARED = 9;
/** One chance in a hundred that good forecasts are found wanting. */
const Z_99 = 2.576;
/** So many evenings as foretold are thought along: what few ask for is not taken whole. */
const THOUGHT_ALONG = 10;
const LEAST = 0.6;
const MOST = 2;

/** A point of the chi-square distribution over its degrees of freedom (Wilson and Hilferty 1931). */
const chiSquareOver = (degrees: number, z: number): number => {
	const a = 2 / (9 * degrees);
	return (1 - a + z * Math.sqrt(a)) ** 3;
};

/** What a mean of squared deviations over so many evenings says of the forecasts. */
function verdictOf(found: number, evenings: number): RecordVerdict {
	if (evenings < YOUNG) return 'young';
	if (found > chiSquareOver(evenings, Z_99)) return 'sharper';
	return found < chiSquareOver(evenings, -Z_99) ? 'duller' : 'fits';
}

/** How far off a tank was, squared, as if nothing had been corrected when it was foretold. */
const squared = (z: number, spread: number): number => Math.min(FARTHEST_SQUARED, (z * spread) ** 2);

/**
 * What the record of a rig says. Each evening counts once, as the mean over its tanks (which move together): under good
 * forecasts their sum is about chi-square. Only when that is hardly possible is the spread corrected, and not by all of what is
 * asked while it rests on few.
 *
 * @param settled in any order; what came before `sinceMs` does not count
 */
export function forecastRecordOf(settled: readonly Settled[], sinceMs = -Infinity): ForecastRecord {
	const latest = settled
		.filter(({ foretold, score }) => foretold.madeMs >= sinceMs && score.tanks.length > 0)
		.sort((a, b) => a.foretold.madeMs - b.foretold.madeMs)
		.slice(-REMEMBERED);
	const evenings = latest.length;
	const byEvening = latest.map(({ foretold: { spread }, score }) =>
		meanOf(score.tanks.map(({ z }) => squared(z, spread)))
	);
	const ids = [...new Set(latest.flatMap(({ score }) => score.tanks.map(({ id }) => id)))];
	const tanks = ids.map((id) => {
		const own = latest.flatMap(({ foretold: { spread }, score }) =>
			score.tanks
				.filter((tank) => tank.id === id)
				.map(({ z, inside }) => ({ inside, squared: squared(z, spread) }))
		);
		const found = meanOf(own.map((one) => one.squared));
		return {
			id,
			evenings: own.length,
			inside: own.filter(({ inside }) => inside).length,
			wide: Math.sqrt(found),
			verdict: verdictOf(found, own.length)
		};
	});
	const all = {
		forecasts: sumOf(tanks.map((tank) => tank.evenings)),
		inside: sumOf(tanks.map((tank) => tank.inside))
	};
	const found = evenings > 0 ? meanOf(byEvening) : 1;
	const verdict = verdictOf(found, evenings);
	const asked = Math.sqrt((evenings * found + THOUGHT_ALONG) / (evenings + THOUGHT_ALONG));
	return {
		evenings,
		...all,
		tanks,
		verdict,
		spread: verdict === 'fits' || verdict === 'young' ? 1 : Math.min(Math.max(asked, LEAST), MOST)
	};
}
