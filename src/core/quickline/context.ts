import type { Happening, TellingContext } from '../words/index.js';

/** What the quick line must know to understand a line. */
export interface QuickContext extends TellingContext {
	/** litres believed in each tank */
	readonly levels?: ReadonlyMap<string, number> | undefined;
}

/** One way to understand a line without its time. */
export interface Meaning {
	readonly happening: Happening;
	/** what is written before it, of the same moment */
	readonly first?: Happening;
	/** what it is in words, where that is more than the happening says */
	readonly says?: string;
	readonly warns?: string;
}

/** Either ways to understand a line, or why there is none. */
export type Answer = readonly Meaning[] | { readonly problem: string };

export const problem = (text: string): { readonly problem: string } => ({ problem: text });

/** A figure that nothing in the line asks for is not passed over. */
export const oneTooMany = (figure: string): { readonly problem: string } =>
	problem(`What is ${figure}? One number is enough here; write two things as two lines.`);

export const isProblem = (answer: Answer): answer is { readonly problem: string } => 'problem' in answer;
