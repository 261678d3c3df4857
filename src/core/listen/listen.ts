import { inUse, type Entry, type Meter, type Rig } from '../logbook/index.js';
import { sumOf } from '../numerics/index.js';
import { DAY_MS, HOUR_MS, wallMs } from '../time/index.js';
import { isBlurred, throughAccumulator } from './accumulator.js';
import { readingsOf } from './bursts.js';
import { countedBy, type Counted, type Showing } from './counted.js';
import type { Device } from './device.js';
import { examplesIn } from './examples.js';
import { leaksIn, type Leak } from './leaks.js';
import { learned, likelihoodOf, type Manner } from './manner.js';
import { FLATTEN, named, stretchesOf, type Named } from './naming.js';
import { heardBy, UNNAMED } from './priors.js';
import { runsIn, type Flowed, type Level, type Run } from './runs.js';

/** What a use that was heard may be: that habit, so many times, with a chance. */
export interface Choice {
	readonly habit: string;
	readonly times: number;
	readonly chance: number;
}

/** A use that was heard. */
export interface HeardUse {
	readonly fromMs: number;
	readonly toMs: number;
	readonly litres: number;
	/** litres a minute while it ran */
	readonly lpm: number;
	/** the likeliest first; what is left of 1 is that no habit of the rig is meant */
	readonly choices: readonly Choice[];
	/** the entry by which somebody said what it was */
	readonly told?: string;
}

/** What has been learned of a meter and of those who live behind it: what comes next is heard with that, at once. */
export interface Ear {
	readonly device: Device;
	readonly habits: readonly string[];
	readonly manners: readonly Manner[];
	/** what drips: in the little that comes next nobody would see it */
	readonly leaks: readonly Leak[];
}

/** What was heard. */
export interface Listened {
	readonly uses: readonly HeardUse[];
	readonly leaks: readonly Leak[];
	/** when taps ran, each in stretches of one flow */
	readonly flows: readonly Level[];
	/** litres that came in between, too slowly for any use */
	readonly trickledL: number;
	/** litres that passed while the meter was not heard */
	readonly unheardL: number;
	readonly ear: Ear;
}

/** What is listened to. */
export interface Listening {
	readonly rig: Rig;
	readonly meter: Meter;
	/** entries of the rig: uses that people wrote down in the same hours are examples */
	readonly entries: readonly Entry[];
	readonly showings: readonly Showing[];
	/** nothing later counts */
	readonly atMs: number;
	readonly timeZone: string;
}

/** So often the habits are learned anew from what they were taken for. */
const ROUNDS = 3;
/** A use that nobody named teaches less than one that somebody did, and only where it is fairly sure. */
const UNTOLD = 0.5;
const FAIRLY_SURE = 0.6;
const LEAST_WEIGHT = 0.05;
/** A device hardly sees taps that looks so seldom, ms, or steps by so much, litres. */
const SELDOM_MS = 15_000;
const COARSE_L = 0.2;
/** Less chance than this is not worth naming. */
const WORTH_NAMING = 0.02;
/** So little that is like no habit is no use: litres. */
const NOTHING_L = 0.08;
/** The cadence of the first hours says little: days. */
const LEAST_DAYS = 0.25;

const hourIn =
	(timeZone: string) =>
	(ms: number): number =>
		(wallMs(ms, timeZone) % DAY_MS) / HOUR_MS;

/** What was seen of one manner in a use that it may have been. */
function seenOf({ group }: Named, weight: number, hourOf: (ms: number) => number) {
	const { bursts } = group;
	const pauseS = (i: number): number => ((bursts[i + 1]?.fromMs ?? 0) - (bursts[i]?.toMs ?? 0)) / 1000;
	return {
		weight,
		logLitres: Math.log(group.litres),
		logLpm: group.logLpm,
		logPauses: bursts.slice(1).map((_, i) => Math.log(Math.max(1, pauseS(i)))),
		openings: bursts.length,
		hour: hourOf(group.fromMs)
	};
}

/** The manners after what was taken for theirs. */
const learnedFrom = (
	priors: readonly Manner[],
	uses: readonly Named[],
	days: number,
	hourOf: (ms: number) => number
): readonly Manner[] =>
	priors.map((prior, i) =>
		learned(
			prior,
			uses.flatMap((use) => {
				const chance = use.chances[i] ?? 0;
				const weight = use.told !== undefined ? chance : chance >= FAIRLY_SURE ? UNTOLD * chance : 0;
				return weight < LEAST_WEIGHT ? [] : [seenOf(use, weight, hourOf)];
			}),
			days
		)
	);

/** What ran, told apart into runs of taps and what dripped. */
interface Ran {
	readonly runs: readonly Run[];
	readonly leaks: readonly Leak[];
	readonly trickledL: number;
	/** an accumulator stands between */
	readonly blurred: boolean;
}

const beginOf = ({ levels }: Run): number => levels[0]?.fromMs ?? 0;

/** @param leaksOf what drips, by what ran */
function ranIn(counted: Counted, leaksOf: (flowed: Flowed) => readonly Leak[]): Ran {
	const flowed = runsIn(counted);
	const leaks = leaksOf(flowed);
	const isDrip = (run: Run): boolean =>
		leaks.some(({ fromMs: from, toMs: to = Infinity }) => from <= beginOf(run) && beginOf(run) < to);
	const blurred = isBlurred(flowed.runs);
	const tapped = blurred ? throughAccumulator(flowed.runs) : flowed.runs;
	const dripped = flowed.single.filter(isDrip).flatMap(({ levels }) => levels);
	return {
		runs: [...tapped, ...flowed.single.filter((run) => !isDrip(run))].sort((a, b) => beginOf(a) - beginOf(b)),
		leaks,
		trickledL: sumOf([...flowed.trickle, ...dripped].map(({ litres }) => litres)),
		blurred
	};
}

/** Whether something is a use: what is next to nothing is one only where it is like a habit. */
const isUse = ({ group, chances, told }: Named, habits: number): boolean =>
	group.litres >= NOTHING_L || told !== undefined || (chances[habits] ?? 1) < 0.5;

/** A use as it is answered: without what dripped meanwhile. */
function heardUse(
	{ group, chances, told }: Named,
	habits: readonly string[],
	leaks: readonly Leak[]
): HeardUse {
	const ranMs = sumOf(group.bursts.map(({ fromMs, toMs }) => toMs - fromMs));
	const drip = leaks.find(({ fromMs, toMs = Infinity }) => fromMs <= group.fromMs && group.fromMs < toMs);
	const drippedL = ((drip?.litresPerHour ?? 0) * ranMs) / HOUR_MS;
	const choices = habits
		.map((habit, i) => ({ habit, times: 1, chance: chances[i] ?? 0 }))
		.filter(({ chance }) => chance >= WORTH_NAMING)
		.sort((a, b) => b.chance - a.chance);
	return {
		fromMs: group.fromMs,
		toMs: group.toMs,
		litres: Math.max(0.5 * group.litres, group.litres - drippedL),
		lpm: Math.exp(group.logLpm),
		choices,
		...(told === undefined ? {} : { told })
	};
}

/**
 * What a meter that counts by itself tells: the uses in it with the habits they may be, and what flows when nothing should.
 *
 * Runs of water are cut into openings of taps, these grouped into uses, each named by what the habits take, how they run, when, and what
 * was just before; all that is learned from the uses that people wrote down in the same hours, and from what is sure enough. See docs/listen.md.
 *
 * @param ear what was learned before: then nothing is learned anew, and the answer comes at once
 */
export function listen(listening: Listening, ear?: Ear): Listened {
	const { rig, meter, entries, atMs, timeZone } = listening;
	const hourOf = hourIn(timeZone);
	const showings = listening.showings.filter(([ms]) => ms <= atMs);
	const firstMs = showings.reduce((least, [ms]) => Math.min(least, ms), atMs);
	const counted = countedBy(meter, showings, ear?.device);
	const { runs, leaks, trickledL, blurred } = ranIn(
		counted,
		(flowed) =>
			ear?.leaks ?? leaksIn({ ...flowed, stepL: counted.stepL, fromMs: firstMs, toMs: atMs, hourOf })
	);
	const of = heardBy(inUse(rig), meter);
	const habits = of.map(({ habit }) => habit.id);
	const examples = examplesIn(entries).filter(
		({ atMs: ms, habit }) => ms >= firstMs - HOUR_MS && ms <= atMs && habits.includes(habit)
	);
	const hardly = blurred || counted.everyMs >= SELDOM_MS || counted.stepL >= COARSE_L;
	const teaching = { examples, flatten: hardly ? FLATTEN.hardly : FLATTEN.seen };
	const stretches = stretchesOf(runs).map((together) => together.map(readingsOf));
	const priors = [...of.map(({ manner }) => manner), UNNAMED];
	const days = Math.max(LEAST_DAYS, (atMs - firstMs) / DAY_MS);
	let manners = ear && ear.habits.join() === habits.join() ? ear.manners : priors;
	const isLearned = manners !== priors;
	let uses: readonly Named[] = [];
	for (let round = 0; round < (isLearned ? 1 : ROUNDS); round++) {
		const known = { manners: manners.map(likelihoodOf), stepL: counted.stepL, hourOf };
		uses = named(stretches, habits, known, teaching);
		if (!isLearned) manners = learnedFrom(priors, uses, days, hourOf);
	}
	const isTold = (one: Named): boolean => isUse(one, habits.length);
	const rest = uses.filter((one) => !isTold(one));
	return {
		uses: uses.filter(isTold).map((one) => heardUse(one, habits, leaks)),
		leaks,
		flows: runs.flatMap(({ levels }) => levels),
		trickledL: trickledL + sumOf(rest.map(({ group }) => group.litres)),
		unheardL: counted.unheardL,
		ear: { device: { everyMs: counted.everyMs, stepL: counted.stepL }, habits, manners, leaks }
	};
}
