import { inUse, type Entry, type Meter, type Rig } from '../logbook/index.js';
import { sumOf } from '../numerics/index.js';
import { DAY_MS, HOUR_MS, wallMs } from '../time/index.js';
import { isBlurred, throughAccumulator } from './accumulator.js';
import { readingsOf, type Burst, type Reading } from './bursts.js';
import { countedBy, type Showing } from './counted.js';
import { examplesIn, matchExamples, MISNAMED, type Example } from './examples.js';
import { accountsOf, LONGEST_PAUSE_MS, type Account, type Group, type Known } from './grouping.js';
import { leaksIn, type Leak } from './leaks.js';
import { learned, likelihoodOf, type Manner } from './manner.js';
import { heardBy, UNNAMED } from './priors.js';
import { runsIn, type Run } from './runs.js';
import { chancesInTurn } from './turns.js';

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
}

/** What was heard. */
export interface Listened {
	readonly uses: readonly HeardUse[];
	readonly leaks: readonly Leak[];
	/** litres that came in between, too slowly for any use */
	readonly trickledL: number;
	/** litres that passed while the meter was not heard */
	readonly unheardL: number;
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
/** Chances are no surer than what they rest on: a power that flattens them, where the device sees taps well, and where it hardly does. */
const FLATTEN = { seen: 0.85, hardly: 0.65 };
/** A device hardly sees taps that looks so seldom, ms, or steps by so much, litres. */
const SELDOM_MS = 15_000;
const COARSE_L = 0.2;
/** Less chance than this is not worth naming. */
const WORTH_NAMING = 0.02;

/** Runs between which there was a pause that no use spans, apart from one another. */
function stretchesOf(runs: readonly Run[]): readonly (readonly Run[])[] {
	const stretches: Run[][] = [];
	let endMs = -Infinity;
	for (const run of runs) {
		const fromMs = run.levels[0]?.fromMs ?? 0;
		if (fromMs - endMs > LONGEST_PAUSE_MS) stretches.push([]);
		stretches.at(-1)?.push(run);
		endMs = Math.max(endMs, run.levels.at(-1)?.toMs ?? 0);
	}
	return stretches;
}

/** Litres that two bursts have in common: those of the same run, as far as they ran at once. */
function commonL(a: Burst, b: Burst): number {
	if (a === b) return a.litres;
	if (a.run !== b.run) return 0;
	const both = Math.min(a.toMs, b.toMs) - Math.max(a.fromMs, b.fromMs);
	if (both <= 0) return 0;
	return Math.min((a.litres * both) / (a.toMs - a.fromMs), (b.litres * both) / (b.toMs - b.fromMs));
}

/** Shares of the manners in what a group may be, alone. */
const sharesOf = ({ each, evidence }: Group): Float64Array => each.map((one) => Math.exp(one - evidence));

/** What another account has for the litres of a group: its groups, each with its share of them; the group itself where it is there, too. */
function counterparts(
	group: Group,
	groups: readonly Group[]
): readonly { readonly other: Group; readonly share: number }[] {
	if (groups.includes(group)) return [{ other: group, share: 1 }];
	const common = groups.map((other) => ({
		other,
		litres: sumOf(group.bursts.flatMap((a) => other.bursts.map((b) => commonL(a, b))))
	}));
	// Taps over one another have the same moment in common with more than one.
	const all = Math.max(group.litres, sumOf(common.map(({ litres }) => litres)));
	return common.map(({ other, litres }) => ({ other, share: litres / all }));
}

/** What a group of the likeliest account may be, all accounts taken together. */
function marginal(group: Group, accounts: readonly Account[], manners: number): Float64Array {
	const sum = new Float64Array(manners);
	for (const { groups, chance } of accounts)
		for (const { other, share } of counterparts(group, groups)) {
			if (share === 0) continue;
			const shares = sharesOf(other);
			for (let i = 0; i < manners; i++) sum[i] = (sum[i] ?? 0) + chance * share * (shares[i] ?? 0);
		}
	return sum;
}

/** A group of the likeliest account with the chances of the manners that it may be of. */
interface Named {
	readonly group: Group;
	readonly chances: Float64Array;
	readonly isTold: boolean;
}

const flattened = (chances: Float64Array, power: number): Float64Array => {
	const flat = chances.map((one) => Math.max(one, 1e-9) ** power);
	const all = flat.reduce((sum, one) => sum + one, 0);
	return flat.map((one) => one / all);
};

/** Names what was heard, by the manners as they are believed. */
function named(
	stretches: readonly (readonly (readonly Reading[])[])[],
	habits: readonly string[],
	known: Known,
	{ examples, flatten }: { readonly examples: readonly Example[]; readonly flatten: number }
): readonly Named[] {
	const accounts = stretches.map((readings) => accountsOf(known, readings));
	const alone = accounts.flatMap((of) =>
		(of[0]?.groups ?? []).map((group) => ({
			group,
			chances: flattened(marginal(group, of, known.manners.length), flatten)
		}))
	);
	const inTime = alone.sort((a, b) => a.group.fromMs - b.group.fromMs);
	const inTurn = chancesInTurn(
		inTime.map(({ group, chances }) => ({ fromMs: group.fromMs, toMs: group.toMs, chances })),
		known.manners.map(({ perDay }) => perDay)
	);
	const byGroup = new Map(inTime.map(({ group }, i) => [group, inTurn[i] ?? new Float64Array()]));
	const matched = matchExamples(examples, [...byGroup.keys()], (group, habit) =>
		Math.log(byGroup.get(group)?.[habits.indexOf(habit)] ?? 0)
	);
	return [...byGroup].map(([group, chances]): Named => {
		const match = matched.get(group);
		if (!match) return { group, chances, isTold: false };
		const at = habits.indexOf(match.example.habit);
		const odds = 1 + (Math.exp(match.nearness) * (1 - MISNAMED)) / MISNAMED;
		const told = chances.map((one, i) => (i === at ? one * odds : one));
		const all = told.reduce((sum, one) => sum + one, 0);
		return { group, chances: told.map((one) => one / all), isTold: true };
	});
}

const hourIn =
	(timeZone: string) =>
	(ms: number): number =>
		(wallMs(ms, timeZone) % DAY_MS) / HOUR_MS;

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
			uses.flatMap(({ group, chances, isTold }) => {
				const chance = chances[i] ?? 0;
				const weight = isTold ? chance : chance >= FAIRLY_SURE ? UNTOLD * chance : 0;
				return weight < 0.05
					? []
					: [
							{
								weight,
								logLitres: Math.log(group.litres),
								logLpm: group.logLpm,
								logPauses: group.bursts
									.slice(1)
									.map((burst, k) =>
										Math.log(Math.max(1, (burst.fromMs - (group.bursts[k]?.toMs ?? 0)) / 1000))
									),
								openings: group.bursts.length,
								hour: hourOf(group.fromMs)
							}
						];
			}),
			days
		)
	);

/** A use as it is answered. */
function heardUse({ group, chances }: Named, habits: readonly string[], leaks: readonly Leak[]): HeardUse {
	const ran = group.bursts.reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0);
	const dripsL = leaks.reduce(
		(sum, { fromMs, toMs = Infinity, litresPerHour }) =>
			fromMs <= group.fromMs && group.fromMs < toMs ? sum + (litresPerHour * ran) / HOUR_MS : sum,
		0
	);
	const choices = habits
		.map((habit, i) => ({ habit, times: 1, chance: chances[i] ?? 0 }))
		.filter(({ chance }) => chance >= WORTH_NAMING)
		.sort((a, b) => b.chance - a.chance);
	return {
		fromMs: group.fromMs,
		toMs: group.toMs,
		litres: Math.max(0.5 * group.litres, group.litres - dripsL),
		lpm: Math.exp(group.logLpm),
		choices
	};
}

/**
 * What a meter that counts by itself tells: the uses in it with the habits they may be, and what flows when nothing should.
 *
 * Runs of water are cut into openings of taps, these grouped into uses, each named by what the habits take, how they run, when, and what
 * was just before; all that is learned from the uses that people wrote down in the same hours, and from what is sure enough.
 */
export function listen({ rig, meter, entries, showings, atMs, timeZone }: Listening): Listened {
	const hourOf = hourIn(timeZone);
	const until = showings.filter(([ms]) => ms <= atMs);
	const counted = countedBy(meter, until);
	const heard = runsIn(counted);
	const firstMs = until.reduce((least, [ms]) => Math.min(least, ms), atMs);
	const leaks = leaksIn({ ...heard, stepL: counted.stepL, fromMs: firstMs, toMs: atMs, hourOf });
	const isDrip = ({ levels: [level] }: Run): boolean =>
		level !== undefined &&
		leaks.some(({ fromMs, toMs = Infinity }) => fromMs <= level.toMs && level.toMs < toMs);
	const blurred = isBlurred(heard.runs);
	const tapped = blurred ? throughAccumulator(heard.runs) : heard.runs;
	const runs = [...tapped, ...heard.single.filter((run) => !isDrip(run))].sort(
		(a, b) => (a.levels[0]?.fromMs ?? 0) - (b.levels[0]?.fromMs ?? 0)
	);
	const of = heardBy(inUse(rig), meter);
	const habits = of.map(({ habit }) => habit.id);
	const priors = [...of.map(({ manner }) => manner), UNNAMED];
	const days = Math.max(0.25, (atMs - firstMs) / DAY_MS);
	const examples = examplesIn(entries).filter(
		({ atMs: ms, habit }) => ms >= firstMs - HOUR_MS && ms <= atMs && habits.includes(habit)
	);
	const hardly = blurred || counted.everyMs >= SELDOM_MS || counted.stepL >= COARSE_L;
	const flatten = hardly ? FLATTEN.hardly : FLATTEN.seen;
	const stretches = stretchesOf(runs).map((together) => together.map(readingsOf));
	let manners: readonly Manner[] = priors;
	let uses: readonly Named[] = [];
	for (let round = 0; round < ROUNDS; round++) {
		uses = named(
			stretches,
			habits,
			{ manners: manners.map(likelihoodOf), stepL: counted.stepL, hourOf },
			{ examples, flatten }
		);
		manners = learnedFrom(priors, uses, days, hourOf);
	}
	const dripped = heard.single.filter(isDrip).flatMap(({ levels }) => levels);
	return {
		uses: uses.map((one) => heardUse(one, habits, leaks)),
		leaks,
		trickledL: sumOf([...heard.trickle, ...dripped].map(({ litres }) => litres)),
		unheardL: counted.unheardL
	};
}
