import type { Rig } from '../../logbook/index.js';
import { tankById, usableOf } from '../../rig/index.js';
import { passedBetween } from '../fill/index.js';
import { markOf } from './figures.js';
import type { StepAnswer, Run } from './run.js';
import type { RunStep } from './steps.js';

/** Why an answer does not fit: nothing is written then. */
export type Fault =
	/** the meter began at `from` and counts the other way */
	| {
			readonly kind: 'backwards';
			readonly from: number;
			readonly shows: number;
			readonly counts: 'up' | 'down';
	  }
	/** a counter that goes down stands at 0: nobody knows how much more passed */
	| { readonly kind: 'stopped' }
	| { readonly kind: 'beyond'; readonly tank: string; readonly litres: number; readonly roomL: number }
	/** more than the container takes */
	| {
			readonly kind: 'over-full';
			readonly container: string;
			readonly litres: number;
			readonly fitsL: number;
	  }
	/** more than the tank can hold at all */
	| {
			readonly kind: 'more-than-holds';
			readonly tank: string;
			readonly litres: number;
			readonly holdsL: number;
	  }
	| { readonly kind: 'negative'; readonly litres: number };

/** So far over the room of a tank is no doubt of its level but a slip, as a share of what serves. */
const DOUBTED_SHARE = 0.15;

const usableIn = (rig: Rig, id: string): number | undefined => {
	const tank = tankById(rig, id);
	return tank && usableOf(tank);
};

/** What does not fit in an answer to a step, if anything. */
export function faultOf(rig: Rig, run: Run, step: RunStep, answer: StepAnswer): Fault | undefined {
	const { setup } = run;
	const given = answer.how === 'litres' ? answer.litres : answer.how === 'not-quite' ? answer.leftL : 0;
	if (!(given >= 0)) return { kind: 'negative', litres: given };
	if (step.kind === 'fill-to') {
		const { tank, roomL, usableL } = step.of;
		const mark = markOf(rig, run, step.part);
		const shows = answer.how === 'figure' || answer.how === 'full' ? answer.shows : undefined;
		const passed = mark && shows !== undefined ? passedBetween(mark.meter, mark.from, shows) : undefined;
		if (passed?.kind === 'backwards')
			return {
				kind: 'backwards',
				from: mark?.from ?? 0,
				shows: shows ?? 0,
				counts: mark?.meter.counts ?? 'up'
			};
		if (passed?.kind === 'stopped') return { kind: 'stopped' };
		const litres = passed?.litres ?? given;
		// What ran over is no level: of a tank that is full any figure fits.
		if (answer.how !== 'full' && litres > roomL.p90 + DOUBTED_SHARE * usableL)
			return { kind: 'beyond', tank, litres, roomL: roomL.p50 };
	}
	const of =
		step.kind === 'pour' && setup.kind === 'carry' ? setup.into : 'tank' in step ? step.tank : undefined;
	const holdsL = of === undefined ? undefined : usableIn(rig, of);
	if (of !== undefined && holdsL !== undefined && given > (1 + DOUBTED_SHARE) * holdsL)
		return { kind: 'more-than-holds', tank: of, litres: given, holdsL };
	if (step.kind === 'let-in' && setup.kind === 'tote') {
		// What is in the hose comes too: to the brim and no further.
		const fits = setup.capacityL - (step.load === 0 && !setup.emptyFirst ? setup.partL : 0);
		if (given > fits) return { kind: 'over-full', container: step.container, litres: given, fitsL: fits };
	}
	return undefined;
}
