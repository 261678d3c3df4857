import type { Rig } from '../../logbook/index.js';
import type { Fault } from '../../runs/index.js';
import { tankById } from '../../rig/index.js';
import { formatLitres, type UnitChoice } from '../../units/index.js';
import { sayShown } from './step.js';

/** What does not fit in an answer, and what to do. */
export function sayStepFault(fault: Fault, rig: Rig, units: UnitChoice): string {
	const litres = (l: number): string => formatLitres(l, units);
	switch (fault.kind) {
		case 'backwards':
			return `${sayShown(fault.shows)} is ${fault.counts === 'up' ? 'below' : 'above'} the ${sayShown(fault.from)} it started at. Read it once more; if it counts the other way, change that in Rig.`;
		case 'stopped':
			return 'The counter is at 0: any more that passed was not counted. Enter in litres what went in, or that it is full.';
		case 'beyond':
			return `That is ${litres(fault.litres)}, and ${tankById(rig, fault.tank)?.name ?? 'the tank'} had room for about ${litres(fault.roomL)}. Check the figure and its unit; if it ran over, choose that it is full.`;
		case 'over-full': {
			const name = rig.containers.find(({ id }) => id === fault.container)?.name ?? 'The container';
			return `${name} has room for ${litres(fault.fitsL)}; ${litres(fault.litres)} does not fit. Check the figure.`;
		}
		case 'more-than-holds':
			return `${tankById(rig, fault.tank)?.name ?? 'The tank'} holds ${litres(fault.holdsL)}; ${litres(fault.litres)} can’t be right. Check the figure and its unit.`;
		case 'negative':
			return 'Give 0 or more.';
	}
}
