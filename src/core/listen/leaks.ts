import { HOUR_MS } from '../time/index.js';
import type { Step } from './step.js';
import type { Run } from './runs.js';

/** Water that flows when nothing should. */
export interface Leak {
	readonly fromMs: number;
	/** when it ended; still flowing, where absent */
	readonly toMs?: number;
	readonly litresPerHour: number;
}

/** A quiet hour: how long it was quiet, in hours, what came in it, in steps, and how many steps an hour come without a leak. */
interface Hour {
	readonly fromMs: number;
	readonly hours: number;
	readonly steps: number;
	readonly usualPerHour: number;
}

/** What comes in quiet hours where nothing drips, litres an hour: the rest of a step, a glass that is rinsed. */
const USUAL_LPH = 0.02;
/** Single steps of a coarse counter that are small uses, an hour: by day and at night. */
const SINGLES = { day: 0.4, night: 0.1 };
/** Less than this is no leak, litres an hour. */
const LEAST_LPH = 0.08;
/** A leak shows in so many hours at least, and is so much likelier than none, a logarithm. */
const LEAST_HOURS = 5;
const LIKELIER = 14;
/** It flows in most of its hours: of those in which steps were to come, so many have one. */
const STEADY = 0.75;
const TO_COME = 2.5;
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
			usualPerHour: USUAL_LPH / stepL + singles
		};
	});
}

/** Sums from the first hour on, so that any stretch of hours is known at once. */
class Sums {
	readonly #hours: Float64Array;
	readonly #beyond: Float64Array;
	readonly #all: Float64Array;
	/** steps, by how many are usual in their hours */
	readonly #steps = new Map<number, Float64Array>();
	constructor(hours: readonly Hour[]) {
		const added = (each: (hour: Hour) => number): Float64Array => {
			const sums = new Float64Array(hours.length + 1);
			for (const [i, hour] of hours.entries()) sums[i + 1] = (sums[i] ?? 0) + each(hour);
			return sums;
		};
		this.#hours = added((hour) => hour.hours);
		this.#all = added((hour) => hour.steps);
		this.#beyond = added((hour) => hour.steps - hour.hours * hour.usualPerHour);
		for (const usual of new Set(hours.map(({ usualPerHour }) => usualPerHour)))
			this.#steps.set(
				usual,
				added((hour) => (hour.usualPerHour === usual ? hour.steps : 0))
			);
	}

	/** How much likelier a leak is than none over some hours, a logarithm (Poisson), and its steps an hour. */
	likelier(from: number, to: number): { readonly gain: number; readonly perHour: number } {
		const of = (sums: Float64Array): number => (sums[to] ?? 0) - (sums[from] ?? 0);
		const perHour = of(this.#beyond) / of(this.#hours);
		if (!(perHour > 0)) return { gain: -Infinity, perHour: 0 };
		let gain = -perHour * of(this.#hours);
		for (const [usual, steps] of this.#steps) gain += of(steps) * Math.log1p(perHour / usual);
		return { gain, perHour };
	}

	/** Whether steps came in most windows of some hours so long that two steps and more were to come in each. */
	isSteady(from: number, to: number, perHour: number): boolean {
		const window = Math.max(1, Math.ceil(TO_COME / perHour));
		let [windows, filled] = [0, 0];
		for (let at = from; at + window <= to; at += window) {
			windows++;
			if ((this.#all[at + window] ?? 0) - (this.#all[at] ?? 0) >= 0.5) filled++;
		}
		return windows > 1 && filled >= STEADY * windows;
	}
}

/** The stretch of hours in which a leak is likeliest, beside none. */
function likeliest(
	hours: readonly Hour[],
	stepL: number
): { readonly from: number; readonly to: number; readonly perHour: number } | undefined {
	let best: { from: number; to: number; perHour: number } | undefined;
	let most = LIKELIER;
	const sums = new Sums(hours);
	for (let from = 0; from < hours.length; from++)
		for (let to = hours.length; to >= from + LEAST_HOURS; to--) {
			const { gain, perHour } = sums.likelier(from, to);
			if (gain <= most || perHour * stepL < LEAST_LPH || !sums.isSteady(from, to, perHour)) continue;
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
