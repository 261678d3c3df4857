import type { EntryDraft, Rig, Trip } from '../logbook/index.js';
import type { UnitChoice } from '../units/index.js';

/** What the quick line must know to understand a line. */
export interface QuickContext {
	readonly rig: Rig;
	readonly trip?: Trip | undefined;
	readonly nowMs: number;
	readonly timeZone: string;
	readonly units: UnitChoice;
	/** litres of one time of each habit as believed now; the rig's prior where absent */
	readonly litresEach?: ReadonlyMap<string, number> | undefined;
	/** litres believed in each tank */
	readonly levels?: ReadonlyMap<string, number> | undefined;
	readonly mains?: boolean | undefined;
	readonly sewer?: boolean | undefined;
}

type WithoutTime<T> = T extends unknown ? Omit<T, 'at'> : never;
/** What happened, before the moment is put to it. */
export type Happening = WithoutTime<EntryDraft>;

/** One way to understand a line without its time. */
export interface Reading {
	readonly happening: Happening;
	readonly says: string;
	readonly warns?: string;
}

/** Either ways to understand a line, or why there is none. */
export type Answer = readonly Reading[] | { readonly problem: string };

export const problem = (text: string): { readonly problem: string } => ({ problem: text });

export const isProblem = (answer: Answer): answer is { readonly problem: string } => 'problem' in answer;
