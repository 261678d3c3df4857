import { MINUTE_MS } from '../time/index.js';
import type { Counted, Step } from './counted.js';

/** A stretch of one flow. */
export interface Level {
	readonly fromMs: number;
	readonly toMs: number;
	readonly litres: number;
	/** litres a minute */
	readonly lpm: number;
}

/** Water that ran without a pause, in stretches of one flow each. */
export interface Run {
	readonly levels: readonly Level[];
	/** how unsure its flow is by how the device reads, as a share */
	readonly flowError: number;
}

/** What passed a meter, told apart. */
export interface Heard {
	readonly runs: readonly Run[];
	/** what trickled in between: it is no use, but may be a drip */
	readonly trickle: readonly Step[];
	/** runs of a single step of a coarse counter: each a small use, or a drip's next step */
	readonly single: readonly Run[];
}

/** Nobody opens a tap to less, litres a minute; nor for less than so much, litres. */
const LEAST_LPM = 0.45;
const LEAST_L = 0.05;
/** Water has paused where nothing came for so many times the usual pause. */
const PAUSED = 2.6;
/** ... or for so many times as long as the counter needs for a step at the flow that runs. */
const PAUSED_STEPS = 2.2;
/** Flow has changed where it differs by so much, as a share and litres a minute; it trembles by less. */
const CHANGED = 0.13;
const CHANGED_LPM = 0.45;
/** A flow holds for so long before it counts as one, ms. */
const HELD_MS = 3000;
/** How unsure a flow is in any case, as a share. */
const TREMBLE = 0.04;

/** One step of a counter is no more than so many of its least. */
const SINGLE = 1.5;
/** A single step tells next to nothing of its flow: a logarithm's sd. */
const UNSEEN_FLOW = 0.6;

const minutes = (ms: number): number => ms / MINUTE_MS;

/** Steps between which water did not pause. */
function togetherIn({ steps, everyMs, stepL }: Counted): readonly (readonly Step[])[] {
	const slowest = PAUSED * everyMs + (stepL / LEAST_LPM) * MINUTE_MS;
	const lots: Step[][] = [];
	let [lot, litres, lasted] = [[] as Step[], 0, 0];
	for (const step of steps) {
		const pause = step.toMs - step.fromMs;
		const usual = lasted > 0 ? (stepL * lasted) / litres : slowest;
		const most = Math.min(slowest, PAUSED * everyMs + PAUSED_STEPS * usual);
		const goesOn = lot.length > 0 && step.fromMs === lot.at(-1)?.toMs && pause <= most;
		if (!goesOn) {
			[lot, litres, lasted] = [[], 0, 0];
			lots.push(lot);
		} else {
			litres += step.litres;
			lasted += pause;
		}
		lot.push(step);
	}
	return lots;
}

/** When water began to run that a lot of steps tells of: so long before the first of them as it took at the flow of the rest. */
function beginning(lot: readonly Step[], { everyMs }: Counted): number {
	const [first, ...rest] = lot;
	if (!first) return 0;
	const litres = rest.reduce((sum, step) => sum + step.litres, 0);
	const lasted = (lot.at(-1)?.toMs ?? first.toMs) - first.toMs;
	const took = lasted > 0 ? (first.litres * lasted) / litres : 0.7 * everyMs;
	return Math.max(first.fromMs, first.toMs - Math.max(took, 0.3 * everyMs));
}

const levelOf = (steps: readonly Step[]): Level => {
	const litres = steps.reduce((sum, step) => sum + step.litres, 0);
	const [fromMs, toMs] = [steps[0]?.fromMs ?? 0, steps.at(-1)?.toMs ?? 0];
	return { fromMs, toMs, litres, lpm: litres / minutes(Math.max(toMs - fromMs, 1)) };
};

/**
 * Where a run's flow changes: by binary segmentation (Vostrikova 1981): the split that explains most, wherever both sides differ by more
 * than the counter's steps and the flow's own trembling.
 */
function levelsOf(steps: readonly Step[], counted: Counted): readonly Level[] {
	const whole = levelOf(steps);
	const held = Math.max(HELD_MS, 2 * counted.everyMs);
	if (whole.toMs - whole.fromMs < 2 * held) return [whole];
	let [best, at, litres] = [0, 0, 0];
	for (const [i, step] of steps.entries()) {
		litres += step.litres;
		const [before, after] = [step.toMs - whole.fromMs, whole.toMs - step.toMs];
		if (before < held || after < held) continue;
		const [a, b] = [litres / minutes(before), (whole.litres - litres) / minutes(after)];
		const steady = 0.7 * counted.stepL * (1 / minutes(before) + 1 / minutes(after));
		if (Math.abs(a - b) < Math.max(CHANGED_LPM, CHANGED * Math.max(a, b)) + steady) continue;
		const explains = ((before * after) / (before + after)) * (a - b) ** 2;
		if (explains > best) [best, at] = [explains, i + 1];
	}
	return at === 0
		? [whole]
		: [...levelsOf(steps.slice(0, at), counted), ...levelsOf(steps.slice(at), counted)];
}

/** Levels with those that are so slow that no tap is open taken out, in runs of what is left. */
function withoutTrickle(levels: readonly Level[]): readonly (readonly Level[])[] {
	const runs: Level[][] = [[]];
	for (const level of levels)
		if (level.lpm < LEAST_LPM) runs.push([]);
		else runs.at(-1)?.push(level);
	return runs.filter(({ length }) => length > 0);
}

/**
 * What passed a meter as runs of water, each in stretches of one flow, and as what trickled in between.
 */
export function runsIn(counted: Counted): Heard {
	const runs: Run[] = [];
	const single: Run[] = [];
	const trickle: Step[] = [];
	for (const lot of togetherIn(counted)) {
		const litres = lot.reduce((sum, step) => sum + step.litres, 0);
		if (litres < LEAST_L) {
			trickle.push(...lot);
			continue;
		}
		const [first, ...rest] = lot;
		const steps = first ? [{ ...first, fromMs: beginning(lot, counted) }, ...rest] : [];
		const levels = levelsOf(steps, counted);
		trickle.push(...levels.filter(({ lpm }) => lpm < LEAST_LPM));
		for (const run of withoutTrickle(levels)) {
			const all = levelOf(run);
			const unsure = Math.hypot(
				TREMBLE,
				(0.4 * counted.everyMs) / (all.toMs - all.fromMs),
				(0.4 * counted.stepL) / all.litres
			);
			if (lot.length > 1 || all.litres > SINGLE * counted.stepL)
				runs.push({ levels: run, flowError: lot.length > 1 ? unsure : Math.max(unsure, UNSEEN_FLOW) });
			else single.push({ levels: run, flowError: UNSEEN_FLOW });
		}
	}
	return { runs, trickle, single };
}
