import type { Measurand } from '$core/units';

/** One field of a form over a plain record. `key` is a dotted path into it, e.g. `litresEach.mean`. */
export type Field = {
	readonly key: string;
	readonly label: string;
	readonly hint?: string;
	readonly optional?: boolean;
} & (
	| { readonly type: 'text' }
	| { readonly type: 'number'; readonly of?: Measurand; readonly suffix?: string; readonly percent?: boolean }
	| {
			readonly type: 'select';
			readonly options: readonly { readonly value: string; readonly label: string }[];
	  }
	/** `both`: unticked is written as false; otherwise the field is then left out */
	| { readonly type: 'check'; readonly both?: boolean }
	| { readonly type: 'moment' }
	| { readonly type: 'day' }
);

export type Draft = Readonly<Record<string, unknown>>;

const isDraft = (value: unknown): value is Draft =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

/** What stands at a dotted path, or `undefined`. */
export const valueAt = (draft: Draft, key: string): unknown =>
	key.split('.').reduce<unknown>((here, step) => (isDraft(here) ? here[step] : undefined), draft);

/** A copy with a value put at a dotted path; `undefined` takes it out. Everything else is kept, unknown fields too. */
export function withValue(draft: Draft, key: string, value: unknown): Draft {
	const [head = '', ...rest] = key.split('.');
	const { [head]: before, ...others } = draft;
	if (rest.length > 0)
		return { ...draft, [head]: withValue(isDraft(before) ? before : {}, rest.join('.'), value) };
	return value === undefined ? others : { ...draft, [head]: value };
}
