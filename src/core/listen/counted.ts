import type { Meter } from '../logbook/index.js';
import { litresPerUnit, rolledBy } from '../rig/index.js';
import { MINUTE_MS } from '../time/index.js';
import { deviceOf, type Device } from './device.js';
import type { Step } from './step.js';

/** What a meter showed at a moment: ms, displayed units. */
export type Showing = readonly [atMs: number, shows: number];

/** What a meter counted, and how it is read. */
export interface Counted {
	readonly steps: readonly Step[];
	/** how often the device looks, ms */
	readonly everyMs: number;
	/** the least that it tells, litres */
	readonly stepL: number;
	/** litres that passed while it was not heard: nothing can be told of them but their sum */
	readonly unheardL: number;
}

/** More does not run through the line of a camper or boat, litres a minute: it passed while nobody heard. */
const MOST_LPM = 40;
/** What a loss of so short a time hides may still be one use, ms. */
const SHORT_LOSS_MS = 5 * MINUTE_MS;
/** After a reset a counter shows no more than has run since, which is little: litres. */
const MOST_AFTER_RESET_L = 1;

/** How far a total went from one showing to the next, displayed units: across a roll-over, and from 0 after a reset. */
function wentOn(before: number, after: number, meter: Meter): number {
	const on = meter.counts === 'up' ? after - before : before - after;
	// A down counter that is set up again says nothing of what ran meanwhile.
	if (on >= 0 || meter.counts === 'down') return Math.max(0, on);
	const rolled = rolledBy(before, after);
	if (rolled > 0) return on + rolled;
	return after * litresPerUnit(meter) <= MOST_AFTER_RESET_L ? after : 0;
}

/** Showings in the order of time, without those that show what the one before did. */
const changesOf = (showings: readonly Showing[]): readonly Showing[] =>
	[...showings].sort(([a], [b]) => a - b).filter(([, shows], i, all) => i === 0 || shows !== all[i - 1]?.[1]);

/**
 * What passed a meter, from what it showed: in the order of time, resets and roll-overs seen through, and what passed while it was
 * not heard set apart.
 *
 * @param showings in any order; of two at one moment the later one counts
 * @param known how the device reads, where that was learned before
 */
export function countedBy(meter: Meter, showings: readonly Showing[], known?: Device): Counted {
	const inTime = changesOf(showings);
	const unitL = litresPerUnit(meter);
	const steps = inTime.slice(1).flatMap(([toMs, after], i): readonly Step[] => {
		const [fromMs, before] = inTime[i] ?? [toMs, after];
		const litres = unitL * wentOn(before, after, meter);
		return litres > 0 && toMs > fromMs ? [{ fromMs, toMs, litres }] : [];
	});
	const device = known ?? deviceOf(steps, unitL);
	const most = (step: Step): number => {
		const lasted = step.toMs - step.fromMs;
		return (MOST_LPM * (lasted <= SHORT_LOSS_MS ? lasted : device.everyMs)) / MINUTE_MS + device.stepL;
	};
	const heard = steps.filter((step) => step.litres <= most(step));
	const unheardL = steps.reduce((sum, step) => (step.litres <= most(step) ? sum : sum + step.litres), 0);
	return { steps: heard, ...device, unheardL };
}
