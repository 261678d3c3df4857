import type { Spread } from '../../numerics/index.js';
import type { DumpLine, DumpStep } from '../dump/index.js';

/** Where the water comes from. */
export interface Source {
	readonly point?: string;
	/** a sign or a person calls it drinking water: yes or no; absent when nobody said */
	readonly potable?: boolean;
	/** a pressure hose screwed to the rig, not one put into an inlet */
	readonly pressure?: boolean;
}

/** What goes into one tank, in the order in which the hose goes round. */
export interface FillPart {
	readonly tank: string;
	readonly toFull: boolean;
	readonly takeL: number;
	/** litres until it overflows */
	readonly roomL: Spread;
	readonly levelL: number;
	readonly leavesL: number;
	readonly usableL: number;
}

/** A fill as it was begun. */
export interface FillSetup {
	readonly kind: 'fill';
	readonly parts: readonly FillPart[];
	readonly source: Source;
	/** the meter on the hose, what it shows as it begins (displayed units), and what of that is not in the log yet */
	readonly meter?: {
		readonly id: string;
		readonly reads: number;
		/** `as-logged`: the log has it so; `first`: never read; `elsewhere`: what passed since went elsewhere; `unwritten`: into the first tank */
		readonly since: 'as-logged' | 'first' | 'elsewhere' | 'unwritten';
		/** litres that passed since it was last read, where they went into the tank */
		readonly passedL?: number;
	};
	/** litres a minute of the tap */
	readonly flowLpm?: number;
	/** counters at the pump that go down: set to what may be drawn, displayed units */
	readonly counters: readonly { readonly meter: string; readonly tank: string }[];
}

/** A dump as it was begun. */
export interface DumpSetup {
	readonly kind: 'dump';
	readonly order: readonly DumpStep[];
	/** each outlet's tanks and how they are emptied; absent in runs begun before this was known: by one hose */
	readonly lines?: readonly DumpLine[];
	/** the grey tank that is let back into black */
	readonly flushedFrom?: string;
	/** a point, or `sewer`, `ground`, `overboard` */
	readonly where?: string;
	/** pumped out by a service that calls, or at its berth */
	readonly pumped?: true;
}

/** What a tote takes, load by load, litres. */
export interface ToteSetup {
	readonly kind: 'tote';
	readonly tank: string;
	readonly container: string;
	/** what is to go in all, in as many loads as it takes */
	readonly litres: number;
	readonly capacityL: number;
	/** free in it when the valve is shut: headroom, and what the hose still holds */
	readonly keepFreeL: number;
	/** of that, what stands in the hose and runs in afterwards; none where it is poured */
	readonly hoseL?: number;
	readonly tareKg: number;
	/** what it holds already, litres; it is emptied first when nothing more fits */
	readonly partL: number;
	readonly emptyFirst: boolean;
}

/** A carrying of jugs or totes as it was begun. */
export interface CarrySetup {
	readonly kind: 'carry';
	readonly into: string;
	/** containers of the rig, jugs that are tanks of it, or bought bottles */
	readonly by:
		| { readonly kind: 'container'; readonly id: string }
		| { readonly kind: 'jugs'; readonly ids: readonly string[] }
		| { readonly kind: 'bottles' };
	/** by trip: litres of each container */
	readonly trips: readonly (readonly number[])[];
	readonly tareKg: number;
	readonly how: 'gravity' | 'pump';
	readonly source: Source;
}

/** A run as it was begun: fill, dump or carry. */
export type Setup = FillSetup | DumpSetup | ToteSetup | CarrySetup;

/** How a step went. */
export type StepAnswer =
	| { readonly how: 'done' }
	/** the hose meter shows so much, displayed units */
	| { readonly how: 'figure'; readonly shows: number }
	| { readonly how: 'litres'; readonly litres: number }
	/** it came back or ran over */
	| { readonly how: 'full'; readonly shows?: number }
	/** not quite empty: about so much stayed */
	| { readonly how: 'not-quite'; readonly leftL: number }
	/** water put back from a jug or a tap, not from the tank */
	| { readonly how: 'from-elsewhere' }
	| { readonly how: 'skipped' };

/** A step's answer and when it was given, an instant. */
export type Answered = StepAnswer & { readonly at: string };

/** A run under way: everything is in it, so that it goes on after a reload, and on another phone. */
export interface Run {
	readonly id: string;
	readonly rig: string;
	/** when it was begun, an instant */
	readonly begun: string;
	readonly setup: Setup;
	readonly answers: Readonly<Record<string, Answered>>;
	/** it was ended before its last step */
	readonly ended?: true;
}
