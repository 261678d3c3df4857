import { HOUR_MS } from '../time/index.js';
import type { Step } from './counted.js';
import type { Run } from './runs.js';

/** Water that flows when nothing should. */
export interface Leak {
	readonly fromMs: number;
	/** when it ended; still flowing, where absent */
	readonly toMs?: number;
	readonly litresPerHour: number;
}

/** A quiet hour: how long it was quiet, in hours, what came in it, in steps, and how many steps would come without a leak. */
interface Hour {
	readonly fromMs: number;
	readonly hours: number;
	readonly steps: number;
	readonly usual: number;
}

/** What comes in quiet hours where nothing drips, litres an hour: the rest of a step, a glass that is rinsed. */
const USUAL_LPH = 0.02;
/** Single steps of a coarse counter that are small uses, an hour: by day and at night. */
const SINGLES = { day: 0.25, night: 0.06 };
/** Less than this is no leak, litres an hour. */
const LEAST_LPH = 0.08;
/** A leak shows in so many hours at least, and is so much likelier than none, a logarithm. */
const LEAST_HOURS = 5;
const LIKELIER = 14;
/** It flows in most of its hours: of those in which steps were to come, so many have one. */
const STEADY = 0.75;
/** Two leaks are one where they differ by less, as a ratio. */
const ONE_RATIO = 1.5;

/** Shares of a stretch in the hours from `startMs` on, told one by one. */
function eachHour(
	fromMs: number,
	toMs: number,
	startMs: number,
	tell: (hour: number, share: number) => void
): void {
	const lasted = Math.max(1, toMs - fromMs);
	for (let hour = Math.floor((fromMs - startMs) / HOUR_MS); startMs + hour * HOUR_MS < toMs; hour++) {
		const [a, b] = [startMs + hour * HOUR_MS, startMs + (hour + 1) * HOUR_MS];
		tell(hour, (Math.min(b, toMs) - Math.max(a, fromMs)) / lasted);
	}
}

/** What leaks are looked for in. */
export interface Quiet {
	readonly runs: readonly Run[];
	readonly single: readonly Run[];
	readonly trickle: readonly Step[];
	readonly stepL: number;
	readonly fromMs: number;
	readonly toMs: number;
	/** hour of the day, 0 … 24 */
	hourOf(ms: number): number;
}

const levelsOf = (runs: readonly Run[]) => runs.flatMap(({ levels }) => levels);

/** The quiet hours from the first showing on. */
function quietHours({ runs, single, trickle, stepL, fromMs, toMs, hourOf }: Quiet): readonly Hour[] {
	const count = Math.max(0, Math.ceil((toMs - fromMs) / HOUR_MS));
	const steps = new Float64Array(count);
	const busy = new Float64Array(count);
	const put = (into: Float64Array, value: number) => (hour: number, share: number) => {
		if (hour >= 0 && hour < count) into[hour] = (into[hour] ?? 0) + share * value;
	};
	for (const { fromMs: from, toMs: to } of levelsOf(runs))
		eachHour(from, to, fromMs, put(busy, (to - from) / HOUR_MS));
	// A slow level lasts; a single step came when it came.
	for (const { fromMs: from, toMs: to, litres } of trickle)
		eachHour(litres > 2 * stepL ? from : to - 1, to, fromMs, put(steps, litres / stepL));
	for (const { toMs: to, litres } of levelsOf(single))
		eachHour(to - 1, to, fromMs, put(steps, litres / stepL));
	return Array.from({ length: count }, (_, i): Hour => {
		const from = fromMs + i * HOUR_MS;
		const hours = Math.max(0.02, Math.min(1, (toMs - from) / HOUR_MS) - (busy[i] ?? 0));
		const clock = hourOf(from);
		const singles = single.length === 0 ? 0 : clock >= 23 || clock < 6 ? SINGLES.night : SINGLES.day;
		return {
			fromMs: from,
			hours,
			steps: steps[i] ?? 0,
			usual: hours * (USUAL_LPH / stepL + singles)
		};
	});
}

/** How much likelier a leak is than none over some hours, a logarithm (Poisson), and its steps an hour. */
function likelier(hours: readonly Hour[]): { readonly gain: number; readonly perHour: number } {
	const lasted = hours.reduce((sum, one) => sum + one.hours, 0);
	const beyond = hours.reduce((sum, one) => sum + one.steps - one.usual, 0);
	const perHour = beyond / lasted;
	if (!(perHour > 0)) return { gain: -Infinity, perHour: 0 };
	const gain = hours.reduce(
		(sum, one) => sum + one.steps * Math.log1p((perHour * one.hours) / one.usual) - perHour * one.hours,
		0
	);
	return { gain, perHour };
}

/** Whether steps came in most hours in which they were to come. */
function isSteady(hours: readonly Hour[], perHour: number): boolean {
	// So long that two steps and more are to come.
	const window = Math.max(1, Math.ceil(2.5 / perHour));
	let [windows, filled] = [0, 0];
	for (let i = 0; i + window <= hours.length; i += window) {
		windows++;
		if (hours.slice(i, i + window).some(({ steps }) => steps >= 0.5)) filled++;
	}
	return windows > 1 && filled >= STEADY * windows;
}

/** The stretch of hours in which a leak is likeliest, beside none. */
function likeliest(
	hours: readonly Hour[],
	stepL: number
): { readonly from: number; readonly to: number; readonly perHour: number } | undefined {
	let best: { from: number; to: number; perHour: number } | undefined;
	let most = LIKELIER;
	for (let from = 0; from < hours.length; from++)
		for (let to = hours.length; to >= from + LEAST_HOURS; to--) {
			const within = hours.slice(from, to);
			const { gain, perHour } = likelier(within);
			if (gain <= most || perHour * stepL < LEAST_LPH || !isSteady(within, perHour)) continue;
			[most, best] = [gain, { from, to, perHour }];
		}
	return best;
}

/** The leaks of some hours: the likeliest first, then what is left on both sides of it. */
function leaksOf(hours: readonly Hour[], stepL: number, toMs: number): readonly Leak[] {
	const found = likeliest(hours, stepL);
	if (!found) return [];
	const { from, to, perHour } = found;
	const fromMs = hours[from]?.fromMs ?? 0;
	const ended = hours[to]?.fromMs;
	return [
		...leaksOf(hours.slice(0, from), stepL, fromMs),
		{ fromMs, ...(ended === undefined ? {} : { toMs: ended }), litresPerHour: perHour * stepL },
		...(ended === undefined ? [] : leaksOf(hours.slice(to), stepL, toMs))
	];
}

/** Neighbours that are much alike, as one leak. */
function joined(leaks: readonly Leak[]): readonly Leak[] {
	const all: Leak[] = [];
	for (const leak of leaks) {
		const before = all.at(-1);
		const ratio = before ? leak.litresPerHour / before.litresPerHour : 0;
		if (before && before.toMs === leak.fromMs && ratio < ONE_RATIO && ratio > 1 / ONE_RATIO)
			all[all.length - 1] = { ...leak, fromMs: before.fromMs };
		else all.push(leak);
	}
	return all;
}

/**
 * What flows when nothing should: stretches of hours in which, between uses, more comes than does where nothing drips, and steadily.
 */
export const leaksIn = (quiet: Quiet): readonly Leak[] =>
	joined(leaksOf(quietHours(quiet), quiet.stepL, quiet.toMs));
