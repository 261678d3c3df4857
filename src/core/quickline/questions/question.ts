import type { More } from '../../forecast/index.js';
import type { Happening } from '../../words/index.js';

/** A stretch that was, as it was said: `today`, `since Friday`. */
export interface Stretch {
	readonly fromMs: number;
	readonly toMs: number;
	readonly said: string;
}

/** Until when something must last, as it was said: `Friday`. */
export interface UntilSaid {
	readonly ms: number;
	readonly said: string;
}

/** What would be otherwise: things done now, or lived otherwise from now on. */
export interface Otherwise {
	/** as it was said: `without Dishes`, `with Ines aboard` */
	readonly said: string;
	readonly does: readonly Happening[];
	/** habits done no more, or so many times as often */
	readonly habits: readonly { readonly habit: string; readonly factor: number }[];
}

/** What is asked for of things that were done: dumps and fills of tanks, care tasks, habits, readings. */
export type Done =
	| { readonly kind: 'dump' | 'fill'; readonly tanks: readonly string[] }
	| { readonly kind: 'care'; readonly tasks: readonly string[] }
	| { readonly kind: 'use'; readonly habits: readonly string[] }
	| { readonly kind: 'reading'; readonly instruments: readonly string[] }
	| { readonly kind: 'stop' };

/** A question of the quick line, understood; ids are of the rig. */
export type Question =
	/** how much is in a tank, in all fresh ones, or in every one; or how much fits */
	| {
			readonly kind: 'level';
			readonly tanks: readonly string[];
			readonly of: 'tank' | 'water' | 'all';
			readonly room: boolean;
	  }
	/** how long a tank, or all, lasts; until a moment where one is said */
	| {
			readonly kind: 'lasts';
			readonly tanks: readonly string[];
			readonly until?: UntilSaid;
			readonly otherwise?: Otherwise;
	  }
	/** whether there is enough for some things; each way to understand them */
	| { readonly kind: 'enough'; readonly ways: readonly (readonly More[])[]; readonly until?: UntilSaid }
	/** how many times of a habit are left */
	| { readonly kind: 'left'; readonly habits: readonly string[] }
	/** what some times of a habit cost */
	| { readonly kind: 'cost'; readonly ways: readonly (readonly More[])[] }
	/** what was used in a stretch: in all, by a habit, or what took most */
	| {
			readonly kind: 'used';
			readonly stretch: Stretch;
			readonly habits: readonly string[];
			readonly most: boolean;
			/** by somebody, or by whom most */
			readonly by?: string | 'who';
			/** a day of it is asked for */
			readonly perDay?: boolean;
	  }
	| {
			readonly kind: 'last';
			readonly done: Done;
			/** by somebody */
			readonly by?: string | undefined;
			/** when it is due next is asked, too */
			readonly due?: boolean;
	  }
	/** which stop has a service next; the next stop where none is said */
	| {
			readonly kind: 'next';
			readonly service?: 'water' | 'grey' | 'black' | 'mains' | undefined;
			/** whether this stop has it */
			readonly at?: string | undefined;
	  }
	| { readonly kind: 'drink'; readonly tanks: readonly string[] };
