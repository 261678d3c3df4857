import type { Meter, Rig } from '../../logbook/index.js';
import { litresPerUnit } from '../../rig/index.js';
import { passedBetween, showsAfter, type Counter } from '../fill/index.js';
import type { FillSetup, Run } from './run.js';

/** The figures of one filling by a meter on the hose, displayed units. */
export interface StopMark {
	readonly meter: Meter;
	/** where the meter stands as it begins */
	readonly from: number;
	/** where to stop, and where it should overflow; absent where a counter that goes down stops at 0 before */
	readonly stop?: number;
	readonly overflow?: number;
}

/** A meter is read to a tenth of its unit. */
const TENTHS = 10;
/** A figure as a display is read: to a tenth. */
export const asRead = (shows: number): number => Math.round(shows * TENTHS) / TENTHS;

const meterOf = (rig: Rig, setup: FillSetup): Meter | undefined => {
	const found = rig.instruments.find(({ id }) => id === setup.meter?.id);
	return found?.kind === 'meter' ? found : undefined;
};

const stopOf = (meter: Counter, from: number, litres: number): number | undefined => {
	const stop = showsAfter(meter, from, litres);
	return stop === undefined ? undefined : asRead(stop);
};

/**
 * Where to stop at a part of a fill: it begins where the part before it ended.
 *
 * @returns nothing without a meter on the hose, or where nobody read it at the part before
 */
export function markOf(rig: Rig, run: Run, part: number): StopMark | undefined {
	const { setup, answers } = run;
	if (setup.kind !== 'fill' || !setup.meter) return undefined;
	const meter = meterOf(rig, setup);
	if (!meter) return undefined;
	let from: number | undefined = setup.meter.reads;
	for (let i = 0; i < part && from !== undefined; i++) {
		const answer = answers[`fill-${i}`];
		const takes = setup.parts[i]?.takeL ?? 0;
		if (answer?.how === 'done') from = stopOf(meter, from, takes);
		else if (answer?.how === 'figure') from = answer.shows;
		else if (answer?.how === 'full') from = answer.shows;
		else if (answer?.how === 'litres') from = stopOf(meter, from, answer.litres);
	}
	const of = setup.parts[part];
	if (from === undefined || !of) return undefined;
	const [stop, overflow] = [stopOf(meter, from, of.takeL), stopOf(meter, from, of.roomL.p50)];
	return {
		meter,
		from,
		...(stop === undefined ? {} : { stop }),
		...(overflow === undefined ? {} : { overflow })
	};
}

/** What is in the tank while the meter shows so much, litres, and what is still to go. */
export function soFar(
	rig: Rig,
	run: Run,
	part: number,
	shows: number
): { readonly passedL: number; readonly toGoL: number; readonly levelL: number } | undefined {
	const mark = markOf(rig, run, part);
	const of = run.setup.kind === 'fill' ? run.setup.parts[part] : undefined;
	if (!mark || !of) return undefined;
	const passed = passedBetween(mark.meter, mark.from, shows);
	if (passed.kind === 'backwards') return undefined;
	return { passedL: passed.litres, toGoL: of.takeL - passed.litres, levelL: of.levelL + passed.litres };
}

/**
 * What a counter at the pump that goes down is set to after a fill: what may be drawn until the reserve, displayed units, rounded
 * down. It warns at its margin by itself.
 */
export function counterSetting(rig: Rig, run: Run, meterId: string): number | undefined {
	const meter = rig.instruments.find(({ id }) => id === meterId);
	const tank = meter?.kind === 'meter' ? rig.tanks.find(({ id }) => id === meter.tank) : undefined;
	if (meter?.kind !== 'meter' || !tank || run.setup.kind !== 'fill') return undefined;
	const at = run.setup.parts.findIndex((part) => part.tank === tank.id);
	const part = run.setup.parts[at];
	if (!part) return undefined;
	const reached = reachedL(rig, run, at);
	return Math.max(0, Math.floor((reached - tank.reserveL) / litresPerUnit(meter)));
}

/** What is in a tank when its part is done, litres. */
function reachedL(rig: Rig, run: Run, at: number): number {
	const part = run.setup.kind === 'fill' ? run.setup.parts[at] : undefined;
	const answer = run.answers[`fill-${at}`];
	if (!part) return 0;
	if (answer?.how === 'full') return part.usableL;
	if (answer?.how === 'skipped') return part.levelL;
	if (answer?.how === 'litres') return Math.min(part.usableL, part.levelL + answer.litres);
	if (answer?.how === 'figure')
		return Math.min(part.usableL, soFar(rig, run, at, answer.shows)?.levelL ?? part.leavesL);
	return part.leavesL;
}
