import type { Burst, Reading } from './bursts.js';
import { ROUNDING } from './device.js';
import { openingClass, sharesOf, type Likelihood } from './manner.js';

/** Bursts that may be one use, and what use that may be. */
export interface Group {
	readonly bursts: readonly Burst[];
	readonly fromMs: number;
	readonly toMs: number;
	readonly litres: number;
	/** logarithm of litres a minute */
	readonly logLpm: number;
	/** sums over the openings, for what comes next: logarithms of litres, logarithms of flows by their weights */
	readonly sumLogs: number;
	readonly precision: number;
	/** by manner: that one begins there and then, and pauses and flows, as logarithms of densities */
	readonly soFar: Float64Array;
	/** by manner: logarithm of the density of it all */
	readonly each: Float64Array;
	/** of all manners together */
	readonly evidence: number;
}

/** One account of what a stretch of bursts was, and how likely it is beside the others: chances add to 1. */
export interface Account {
	readonly groups: readonly Group[];
	readonly chance: number;
}

/** What bears on how bursts are grouped. */
export interface Known {
	readonly manners: readonly Likelihood[];
	/** the least that the counter tells, litres */
	readonly stepL: number;
	/** hour of the day, 0 … 24 */
	hourOf(ms: number): number;
}

/** The tap may be opened again for one use within so long, ms. */
export const LONGEST_PAUSE_MS = 240_000;
/** Accounts followed at a time. */
const FOLLOWED = 28;
/** Openings for one use run alike: sd of the logarithm, and how often they do not. */
const ALIKE = 0.1;
const UNLIKE = 0.1;
/** Uses come together: so many follow one another within minutes, and how soon, seconds. */
const FOLLOWS = 0.25;
const FOLLOWS_S = 60;

const LOG_ROOT = 0.5 * Math.log(2 * Math.PI);

export function logSumExp(values: ArrayLike<number>): number {
	let most = -Infinity;
	for (let i = 0; i < values.length; i++) most = Math.max(most, values[i] as number);
	if (most === -Infinity) return most;
	let sum = 0;
	for (let i = 0; i < values.length; i++) sum += Math.exp((values[i] as number) - most);
	return most + Math.log(sum);
}

/** A use begins: by the hour of the day, or because another one has just ended. */
function beginsAt({ manners, hourOf }: Known, fromMs: number, sinceEndMs: number): Float64Array {
	const hour = Math.floor(hourOf(fromMs));
	const soon =
		sinceEndMs < LONGEST_PAUSE_MS
			? (FOLLOWS / FOLLOWS_S) * Math.exp(-Math.max(0, sinceEndMs) / 1000 / FOLLOWS_S)
			: 0;
	const perDay = manners.reduce((sum, one) => sum + one.perDay, 0);
	return Float64Array.from(manners, (one) =>
		Math.log((one.perSecond[hour] ?? 0) + (soon * one.perDay) / perDay)
	);
}

/** What was seen of one use so far, closed: with its litres and its number of openings. */
function closed(known: Known, parts: Omit<Group, 'each' | 'evidence'>): Group {
	const { bursts, litres, sumLogs } = parts;
	const logLitres = Math.log(litres);
	const openings = openingClass(bursts.length);
	const errorVariance = ((ROUNDING * known.stepL) / litres) ** 2;
	const shared = sharesOf(bursts.length, sumLogs, logLitres);
	const each = Float64Array.from(
		known.manners,
		(one, i) =>
			(parts.soFar[i] ?? 0) + one.litres(logLitres, errorVariance) + (one.openings[openings] ?? 0) + shared
	);
	return { ...parts, each, evidence: logSumExp(each) };
}

/** Groups as they are begun and gone on with, each made once. */
class Groups {
	readonly #known: Known;
	readonly #begun = new Map<Burst, Map<number, Group>>();
	readonly #gone = new Map<Group, Map<Burst, Group>>();
	constructor(known: Known) {
		this.#known = known;
	}

	begin(burst: Burst, sinceEndMs: number): Group {
		const made = this.#begun.get(burst) ?? new Map<number, Group>();
		this.#begun.set(burst, made);
		const before = made.get(sinceEndMs);
		if (before) return before;
		const begins = beginsAt(this.#known, burst.fromMs, sinceEndMs);
		const { fromMs, toMs, litres, logLpm, errorVariance } = burst;
		const group = closed(this.#known, {
			bursts: [burst],
			fromMs,
			toMs,
			litres,
			logLpm,
			sumLogs: Math.log(litres),
			precision: 1 / (errorVariance + ALIKE ** 2),
			soFar: Float64Array.from(
				this.#known.manners,
				(one, i) => (begins[i] ?? 0) + one.flow(logLpm, errorVariance)
			)
		});
		made.set(sinceEndMs, group);
		return group;
	}

	goOn(group: Group, burst: Burst): Group {
		const made = this.#gone.get(group) ?? new Map<Burst, Group>();
		this.#gone.set(group, made);
		const before = made.get(burst);
		if (before) return before;
		const logSeconds = Math.log(Math.max(1, (burst.fromMs - group.toMs) / 1000));
		const variance = burst.errorVariance + ALIKE ** 2 + 1 / group.precision;
		const alike = -0.5 * ((burst.logLpm - group.logLpm) ** 2 / variance + Math.log(variance)) - LOG_ROOT;
		const soFar = Float64Array.from(this.#known.manners, (one, i) => {
			const other = one.flow(burst.logLpm, burst.errorVariance);
			const flow = Math.log((1 - UNLIKE) * Math.exp(alike) + UNLIKE * Math.exp(other));
			return (group.soFar[i] ?? 0) + one.pause(logSeconds) + flow;
		});
		const own = 1 / (burst.errorVariance + ALIKE ** 2);
		const precision = group.precision + own;
		const next = closed(this.#known, {
			bursts: [...group.bursts, burst],
			fromMs: group.fromMs,
			toMs: Math.max(group.toMs, burst.toMs),
			litres: group.litres + burst.litres,
			logLpm: (group.logLpm * group.precision + burst.logLpm * own) / precision,
			sumLogs: group.sumLogs + Math.log(burst.litres),
			precision,
			soFar
		});
		made.set(burst, next);
		return next;
	}
}

interface Followed {
	readonly groups: readonly Group[];
	readonly score: number;
	readonly endMs: number;
}

/** All that one burst may be, put to an account: a new use, or more of one that has paused. */
function* goingOn(made: Groups, { groups, score, endMs }: Followed, burst: Burst): Generator<Followed> {
	const since = burst.fromMs - endMs;
	const begun = made.begin(burst, since);
	const laterEnd = Math.max(endMs, burst.toMs);
	yield { groups: [...groups, begun], score: score + begun.evidence, endMs: laterEnd };
	for (let i = groups.length - 1; i >= 0; i--) {
		const group = groups[i];
		if (!group || burst.fromMs - group.toMs > LONGEST_PAUSE_MS) continue;
		if (burst.fromMs < group.toMs) continue;
		const next = made.goOn(group, burst);
		yield {
			groups: groups.with(i, next),
			score: score + next.evidence - group.evidence,
			endMs: laterEnd
		};
	}
}

const best = (accounts: readonly Followed[]): readonly Followed[] =>
	[...accounts].sort((a, b) => b.score - a.score).slice(0, FOLLOWED);

/**
 * What a stretch of runs with no long pause in it may have been, by a beam search over all ways to part their bursts into uses, where the
 * habits that each use may be are summed over (Lowerre 1976 for the search).
 *
 * @param readings of each run in the order of time
 * @returns the likeliest account first
 */
export function accountsOf(known: Known, readings: readonly (readonly Reading[])[]): readonly Account[] {
	const made = new Groups(known);
	let followed: readonly Followed[] = [{ groups: [], score: 0, endMs: -Infinity }];
	for (const options of readings) {
		followed = best(
			options.flatMap(({ bursts, logChance }) => {
				let within: readonly Followed[] = followed.map((one) => ({
					...one,
					score: one.score + logChance
				}));
				for (const burst of bursts)
					within = best(within.flatMap((account) => [...goingOn(made, account, burst)]));
				return within;
			})
		);
	}
	const all = logSumExp(followed.map(({ score }) => score));
	return followed.map(({ groups, score }) => ({ groups, chance: Math.exp(score - all) }));
}
