import { listen, type HeardUse, type Listened } from '../src/core/listen/index';
import { instantMs, type Meter } from '../src/core/logbook/index';
import { HOUR_MS } from '../src/core/time/index';
import { heardLife, HEARINGS, type HeardLife, type Hearing, type TrueUse } from './truth/heard';

export { HEARINGS };

/** How lives were heard: shares of the true uses, of those found, and what was made up. */
export interface HeardScore {
	readonly name: string;
	readonly uses: number;
	readonly found: number;
	readonly right: number;
	readonly litres: number;
	readonly extra: number;
	readonly brier: number;
	/** lives with a leak in which it was found within a day, with its rate within a third; and leaks that were none */
	readonly leaks: number;
	readonly leaksFound: number;
	readonly leaksInvented: number;
	readonly ms: number;
}

const overlapMs = (a: { fromMs: number; toMs: number }, b: { fromMs: number; toMs: number }): number =>
	Math.min(a.toMs, b.toMs) - Math.max(a.fromMs, b.fromMs);

/** Pairs of true and heard uses, each in one: those that ran longest at once first, litres deciding between equals. */
export function pairsOf(
	uses: readonly TrueUse[],
	heard: readonly HeardUse[],
	slackMs: number
): readonly (readonly [TrueUse, HeardUse])[] {
	const pairs = uses
		.flatMap((use) => heard.map((one) => ({ use, one, both: overlapMs(use, one) })))
		.filter(({ both }) => both > -slackMs)
		.map((pair) => ({
			...pair,
			fits:
				pair.both / Math.max(pair.use.toMs - pair.use.fromMs, pair.one.toMs - pair.one.fromMs, 1000) -
				Math.abs(Math.log(pair.use.litres / pair.one.litres))
		}))
		.sort((a, b) => b.fits - a.fits);
	const used = new Set<unknown>();
	return pairs.flatMap(({ use, one }) => {
		if (used.has(use) || used.has(one)) return [];
		used.add(use).add(one);
		return [[use, one] as const];
	});
}

/** Listens to a life, and to no more of it than its meter and its logbook. */
export function heardOf(life: HeardLife): Listened {
	const rig = life.logbook.rigs[0];
	const meter = rig?.instruments.find((one): one is Meter => one.kind === 'meter');
	if (!rig || !meter) throw new Error('a life has a rig with a meter');
	return listen({
		rig,
		meter,
		entries: life.logbook.entries,
		showings: life.samples.map(([at, shows]) => [instantMs(at), shows] as const),
		atMs: instantMs(life.at),
		timeZone: 'Europe/London'
	});
}

/** Whether a leak was found within a day of its beginning, at a rate within a third of what it is. */
function isLeakFound({ leaks }: Listened, hearing: Hearing, fromMs: number): boolean {
	const rate = hearing.drip?.litresPerHour ?? 0;
	return leaks.some(
		(leak) =>
			Math.abs(leak.fromMs - fromMs) < 24 * HOUR_MS &&
			leak.toMs === undefined &&
			Math.abs(leak.litresPerHour - rate) < rate / 3
	);
}

/** Lives of one kind, heard from the hour on from which nothing is written by hand. */
export function scoreHeard(hearing: Hearing, lives: number): HeardScore {
	const sum = {
		uses: 0,
		found: 0,
		right: 0,
		litres: 0,
		extra: 0,
		brier: 0,
		leaks: 0,
		leaksFound: 0,
		leaksInvented: 0,
		ms: 0
	};
	for (let seed = 1; seed <= lives; seed++) {
		const life = heardLife(hearing, seed);
		const beganMs = performance.now();
		const listened = heardOf(life);
		sum.ms += performance.now() - beganMs;
		const fromMs = instantMs(life.from);
		const uses = life.uses.filter((use) => use.fromMs >= fromMs);
		const heard = listened.uses.filter((use) => use.fromMs >= fromMs);
		const pairs = pairsOf(uses, heard, 1500 * hearing.everyS + (hearing.accumulator ? 20_000 : 0));
		sum.uses += uses.length;
		sum.found += pairs.length;
		sum.extra += heard.length - pairs.length;
		for (const [use, one] of pairs) {
			const [top] = one.choices;
			const isRight = top ? top.habit === use.habit : use.habit === 'unnamed';
			if (isRight) sum.right++;
			if (Math.abs(one.litres - use.litres) <= use.litres / 6) sum.litres++;
			sum.brier += ((top?.chance ?? 0) - (isRight ? 1 : 0)) ** 2;
		}
		if (life.leakFromMs !== undefined) {
			sum.leaks++;
			if (isLeakFound(listened, hearing, life.leakFromMs)) sum.leaksFound++;
		}
		const invented = listened.leaks.filter(
			({ toMs = instantMs(life.at) }) => life.leakFromMs === undefined || toMs < life.leakFromMs
		);
		sum.leaksInvented += invented.length;
	}
	const { uses, found } = sum;
	return {
		...sum,
		name: hearing.name,
		found: found / uses,
		right: sum.right / found,
		litres: sum.litres / found,
		extra: sum.extra / uses,
		brier: sum.brier / found,
		ms: sum.ms / lives
	};
}

/** What must be reached where the meter shows taps well: shares, and the Brier score. */
const GOAL = { found: 0.95, right: 0.9, litres: 0.9, extra: 0.04, brier: 0.12 };

/**
 * What a class of lives missed, in words; nothing is asked where the meter hardly shows taps.
 *
 * @param slack of shares, for chance where there are few lives
 */
export function heardMisses({ name, hardly }: Hearing, score: HeardScore, slack = 0): readonly string[] {
	const { found, right, litres, extra, brier, leaks, leaksFound, leaksInvented } = score;
	if (hardly) return [];
	return [
		...(found < GOAL.found - slack ? [`${name}: ${found} found`] : []),
		...(right < GOAL.right - slack ? [`${name}: ${right} right`] : []),
		...(litres < GOAL.litres - slack ? [`${name}: ${litres} of the litres`] : []),
		...(extra > GOAL.extra + slack ? [`${name}: ${extra} made up`] : []),
		...(brier > GOAL.brier ? [`${name}: Brier ${brier}`] : []),
		...(leaksFound < leaks ? [`${name}: ${leaksFound} of ${leaks} drips`] : []),
		...(leaksInvented > 0 ? [`${name}: ${leaksInvented} drips made up`] : [])
	];
}
