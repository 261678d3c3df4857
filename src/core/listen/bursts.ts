import { MINUTE_MS } from '../time/index.js';
import { litresOf, type Level, type Run } from './runs.js';

/** One tap, open once. */
export interface Burst {
	readonly run: Run;
	readonly fromMs: number;
	readonly toMs: number;
	readonly litres: number;
	/** logarithm of litres a minute */
	readonly logLpm: number;
	/** variance of the error with which that is seen */
	readonly errorVariance: number;
}

/** What taps may have made a run: the bursts, and how likely it is that they would run together so, a logarithm. */
export interface Reading {
	readonly bursts: readonly Burst[];
	readonly logChance: number;
}

/** A tap that is turned up or down while it runs: how often, and by how much, a logarithm's sd. */
const TURNED = 0.06;
const TURNED_BY = 0.4;
/** A flow that falls is that of a tap that rose, but for so much, as a logarithm's sd. */
const SAME_FLOW = 0.12;
/** Two things at one moment are within so many seconds. */
const AT_ONCE_S = 2;
/** A flow this far from a tap's, as a logarithm, is not that tap's. */
const OTHER_FLOW = 0.5;
/** Runs of more stretches than that are read as one tap, or one after another. */
const MOST_LEVELS = 24;

const seconds = (ms: number): number => Math.max(ms, 1000) / 1000;
const logNormal = (value: number, sd: number): number =>
	-0.5 * (value / sd) ** 2 - Math.log(sd) - 0.5 * Math.log(2 * Math.PI);

/** A tap as it is followed through the stretches of a run. */
interface Tap {
	readonly from: number;
	to: number;
	lpm: number;
	litres: number;
}

function burstOf(run: Run, levels: readonly Level[], litres: number): Burst {
	const [fromMs, toMs] = [levels[0]?.fromMs ?? 0, levels.at(-1)?.toMs ?? 0];
	return {
		run,
		fromMs,
		toMs,
		litres,
		logLpm: Math.log((litres * MINUTE_MS) / Math.max(toMs - fromMs, 1)),
		errorVariance: run.flowError ** 2
	};
}

/** What a change of one tap's flow at some moment of a run is worth, a logarithm. */
const turned = (run: readonly Level[], ratio: number): number =>
	Math.log(TURNED) -
	Math.log(seconds((run.at(-1)?.toMs ?? 0) - (run[0]?.fromMs ?? 0))) +
	logNormal(Math.log(ratio), TURNED_BY);

/** One tap made it all, and was turned at each change. */
function oneTap(run: Run): Reading {
	const { levels } = run;
	const logChance = levels
		.slice(1)
		.reduce((sum, level, i) => sum + turned(levels, level.lpm / (levels[i]?.lpm ?? 1)), 0);
	return { bursts: [burstOf(run, levels, litresOf(levels))], logChance };
}

/** Each change is one tap shut and the next one opened, within a second or two. */
const oneAfterAnother = (run: Run): Reading => ({
	bursts: run.levels.map((level) => burstOf(run, [level], level.litres)),
	logChance: (run.levels.length - 1) * Math.log(AT_ONCE_S)
});

/**
 * Taps over one another: where the flow rises one more is open, where it falls the one whose flow is gone is shut.
 *
 * @param levels in the order of time, or against it
 */
function overlaid(run: Run, levels: readonly Level[], isBackward: boolean): Reading | undefined {
	const taps: Tap[] = [];
	let open: Tap[] = [];
	let logChance = 0;
	for (const [i, level] of levels.entries()) {
		const change = level.lpm - (levels[i - 1]?.lpm ?? 0);
		if (change > 0) {
			const tap = { from: i, to: i, lpm: change, litres: 0 };
			taps.push(tap);
			open.push(tap);
		} else {
			const gone = open.reduce<Tap | undefined>(
				(best, tap) =>
					!best || Math.abs(Math.log(-change / tap.lpm)) < Math.abs(Math.log(-change / best.lpm))
						? tap
						: best,
				undefined
			);
			if (!gone || open.length < 2) return undefined;
			const off = Math.log(-change / gone.lpm);
			if (Math.abs(off) > OTHER_FLOW) return undefined;
			logChance += logNormal(off, Math.hypot(SAME_FLOW, run.flowError));
			open = open.filter((tap) => tap !== gone);
		}
		const sum = open.reduce((all, { lpm }) => all + lpm, 0);
		for (const tap of open) {
			tap.to = i;
			tap.litres += (level.litres * tap.lpm) / sum;
		}
	}
	if (taps.length < 2) return undefined;
	const lasted = seconds((run.levels.at(-1)?.toMs ?? 0) - (run.levels[0]?.fromMs ?? 0));
	logChance += (open.length - 1) * Math.log(Math.min(1, AT_ONCE_S / lasted));
	const bursts = taps.map(({ from, to, litres }) => {
		const within = levels.slice(from, to + 1);
		return burstOf(run, isBackward ? within.reverse() : within, litres);
	});
	return { bursts: bursts.sort((a, b) => a.fromMs - b.fromMs), logChance };
}

/** What a run of water may have been: one tap, several one after another, several over one another. */
export function readingsOf(run: Run): readonly Reading[] {
	const { levels } = run;
	if (levels.length === 1) return [oneTap(run)];
	if (levels.length > MOST_LEVELS) return [oneTap(run), oneAfterAnother(run)];
	const forward = overlaid(run, levels, false);
	const backward = overlaid(run, [...levels].reverse(), true);
	const isNew =
		backward &&
		(backward.bursts.length !== forward?.bursts.length ||
			backward.bursts.some(
				(burst, i) => burst.fromMs !== forward.bursts[i]?.fromMs || burst.toMs !== forward.bursts[i]?.toMs
			));
	return [
		oneTap(run),
		oneAfterAnother(run),
		...(forward ? [forward] : []),
		...(isNew && backward ? [backward] : [])
	];
}
