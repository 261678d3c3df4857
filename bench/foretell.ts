import { seeded } from '../src/core/numerics';
import { estimate } from '../src/core/estimate';
import { forecast } from '../src/core/forecast';
import { DAY, drawCase, START, type Manner } from './truth/index';

/** How forecasts fared against what then happened, as shares of 1. */
export interface ForetellingScore {
	readonly name: string;
	readonly cases: number;
	/** share of stays that ended before p10, and after p90 */
	readonly sooner: number;
	readonly later: number;
	/** median of (p90 − p10) / p50 */
	readonly width: number;
	/** median error of p50 as a share of the stay */
	readonly error: number;
}

const median = (values: readonly number[]): number =>
	[...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;

/** Days that a made-up trip may go on in all. */
const LIVED_DAYS = 40;

/**
 * Foretells stays of made-up trips: after some days of log the crew stays where it is, without a tap or a drain,
 * until a tank binds.
 */
export function scoreForetelling(manner: Manner, cases: number, firstSeed = 1): ForetellingScore {
	let [sooner, later, all] = [0, 0, 0];
	const widths: number[] = [];
	const errors: number[] = [];
	for (let seed = firstSeed; seed < firstSeed + cases; seed++) {
		const random = seeded(seed + 77_000);
		const fromMs = START + (3 + 6 * random.uniform()) * DAY;
		const { logbook, boundMs } = drawCase(seed, manner, LIVED_DAYS, fromMs);
		if (boundMs === undefined) continue;
		const ahead = forecast(estimate(logbook, 'rig', fromMs), { days: 60, paths: 1000 });
		const { p10, p50, p90 } = ahead.autonomyDays;
		const days = (boundMs - fromMs) / DAY;
		all++;
		if (days < p10) sooner++;
		if (days > p90) later++;
		widths.push((p90 - p10) / Math.max(p50, 0.1));
		errors.push(Math.abs(p50 - days) / Math.max(days, 0.1));
	}
	return {
		name: manner.name,
		cases: all,
		sooner: sooner / all,
		later: later / all,
		width: median(widths),
		error: median(errors)
	};
}
