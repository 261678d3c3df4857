import type { Rig } from '../../logbook/index.js';
import { tankById } from '../../rig/index.js';
import type { Run } from '../../runs/index.js';
import { formatLitres, type UnitChoice } from '../../units/index.js';

/** A figure to watch, in large type. */
export interface SaidFigure {
	readonly says: string;
	readonly value: string;
	readonly unit?: string;
}

/** A step in words. */
export interface StepWords {
	/** what to do, as it stands in the list */
	readonly does: string;
	readonly figure?: SaidFigure;
	/** what else is good to know at this step */
	readonly tells: readonly string[];
	readonly caution?: string;
	/** the button that ticks it */
	readonly done: string;
	/** the button for what went otherwise */
	readonly other?: string;
}

/** What a step is told about. */
export interface About {
	readonly rig: Rig;
	readonly run: Run;
	readonly units: UnitChoice;
}

/** A tank's name, as its people typed it. */
export const nameOf = (rig: Rig, id: string): string => tankById(rig, id)?.name ?? id;
/** A container's name. */
export const containerOf = (rig: Rig, id: string): string =>
	rig.containers.find((one) => one.id === id)?.name ?? 'the container';

/** Litres in large type, their unit beside them. */
export function bigLitres(litres: number, units: UnitChoice): Pick<SaidFigure, 'value' | 'unit'> {
	const [value = '', ...unit] = formatLitres(litres, units).split(/\s/u);
	return { value, unit: unit.join(' ') };
}

/** Where waste goes: only where it may. */
export const DESIGNATED = 'Use only a place meant for it; local rules come first.';
