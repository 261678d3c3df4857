import type { Conflict } from '$core/logbook';
import type { Measurand } from '$core/units';

/** One field of a form over a plain record. `key` is a dotted path into it, e.g. `litresEach.mean`. */
export type Field = {
	readonly key: string;
	readonly label: string;
	readonly hint?: string;
	readonly optional?: boolean;
	/** what few need: behind "more" */
	readonly more?: boolean;
} & (
	| { readonly type: 'text' }
	/** `percent`: a share of 1, asked for in percent */
	| { readonly type: 'number'; readonly of?: Measurand; readonly suffix?: string; readonly percent?: boolean }
	/** a number that people choose by what it means; `other` asks for the number itself */
	| {
			readonly type: 'meaning';
			readonly options: readonly { readonly value: number; readonly label: string }[];
			readonly other?: OtherNumber;
			/** what holds where nothing is said */
			readonly usual?: number;
	  }
	| {
			readonly type: 'select';
			readonly options: readonly { readonly value: string; readonly label: string }[];
	  }
	/** `both`: unticked is written as false; otherwise the field is then left out */
	| { readonly type: 'check'; readonly both?: boolean }
	/** any of several, kept as a list; `allMeans`: what a plain yes stands for */
	| {
			readonly type: 'checks';
			readonly options: readonly { readonly value: string; readonly label: string }[];
			readonly allMeans: readonly string[];
	  }
	| { readonly type: 'moment' }
	| { readonly type: 'day' }
);

/** The number itself, where none of those with a name is meant; `percent`: a share of 1, asked for in percent. */
export interface OtherNumber {
	readonly label: string;
	readonly suffix?: string;
	readonly percent?: boolean;
}

const HUNDRED = 100;
/** A share in percent, to a share of a thousandth: what is shown is what was typed. */
export const percentOf = (share: number | undefined): number | undefined =>
	share === undefined ? undefined : Number((HUNDRED * share).toFixed(3));
export const shareOf = (percent: number | undefined): number | undefined =>
	percent === undefined ? undefined : percent / HUNDRED;

export type Draft = Readonly<Record<string, unknown>>;

const isDraft = (value: unknown): value is Draft =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

/** What stands at a dotted path, or `undefined`. */
export const fieldValueAt = (draft: Draft, key: string): unknown =>
	key.split('.').reduce<unknown>((here, step) => (isDraft(here) ? here[step] : undefined), draft);

/**
 * A copy with a value put at a dotted path; `undefined` takes it out, and what holds nothing then. Everything else is
 * kept, unknown fields too.
 */
export function withValue(draft: Draft, key: string, value: unknown): Draft {
	const [head = '', ...rest] = key.split('.');
	const { [head]: before, ...others } = draft;
	if (rest.length > 0) {
		const inner = withValue(isDraft(before) ? before : {}, rest.join('.'), value);
		return Object.keys(inner).length === 0 ? others : { ...draft, [head]: inner };
	}
	return value === undefined ? others : { ...draft, [head]: value };
}

const shown = (value: unknown): string =>
	value === undefined ? 'nothing' : typeof value === 'object' ? 'something else' : String(value);

/** A place that two people changed, in words: which field, and what either made of it. */
export function sayConflict({ path, mine, theirs }: Conflict, fields: readonly Field[]): string {
	const field = fields.find(({ key }) => path === key || path.endsWith(`.${key}`));
	return `${field?.label ?? path}: ${shown(theirs)} there, ${shown(mine)} here.`;
}
