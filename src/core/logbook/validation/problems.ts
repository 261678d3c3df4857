import type * as z from 'zod/mini';
import type { Problem } from '../types.js';

type Path = readonly PropertyKey[];

/** `['entries', 3, 'litres']` as `$.entries[3].litres`. */
export const jsonPath = (path: Path): string =>
	path.reduce<string>(
		(text, step) =>
			typeof step === 'number'
				? `${text}[${step}]`
				: /^[A-Za-z_$][\w$]*$/.test(String(step))
					? `${text}.${String(step)}`
					: `${text}[${JSON.stringify(String(step))}]`,
		'$'
	);

/** What stands at a path of some data; `undefined` where nothing does. */
const valueAt = (data: unknown, path: Path): unknown =>
	path.reduce<unknown>(
		(here, step) =>
			typeof here === 'object' && here !== null ? (here as Record<PropertyKey, unknown>)[step] : undefined,
		data
	);

/** A found value in words, short enough for a message. */
export function describe(value: unknown): string {
	if (value === undefined) return 'nothing';
	if (value === null) return 'null';
	if (Array.isArray(value)) return `a list of ${value.length}`;
	if (typeof value === 'object') return 'an object';
	const text = JSON.stringify(value) ?? String(value);
	return text.length > 80 ? `${text.slice(0, 60)}… (${text.length - 2} characters)` : text;
}

const quoted = (values: readonly unknown[]): string =>
	values.map((value) => JSON.stringify(value)).join(' | ');

const FORMATS: ReadonlyMap<string, string> = new Map([['date', 'a calendar day such as 2027-04-18']]);

const TYPES: ReadonlyMap<string, string> = new Map([
	['array', 'a list'],
	['object', 'an object'],
	['tuple', 'a pair of numbers'],
	['string', 'a text'],
	['number', 'a number'],
	['int', 'a whole number'],
	['boolean', 'true or false']
]);

const bound = (word: string, limit: unknown, origin: string): string =>
	origin === 'string'
		? `a text of ${word} ${limit} characters`
		: origin === 'array'
			? `a list of ${word} ${limit}`
			: `a number ${word} ${limit}`;

function expectation(issue: z.core.$ZodIssue): string {
	switch (issue.code) {
		case 'invalid_type':
			return TYPES.get(issue.expected) ?? issue.expected;
		case 'invalid_value':
			return quoted(issue.values);
		case 'invalid_format':
			return FORMATS.get(issue.format) ?? `a ${issue.format}`;
		case 'too_small':
			if (issue.origin === 'string' && issue.minimum === 1) return 'a text that is not empty';
			return bound(issue.inclusive ? 'of at least' : 'above', issue.minimum, issue.origin).replace(
				'of of',
				'of'
			);
		case 'too_big':
			return bound(issue.inclusive ? 'of at most' : 'below', issue.maximum, issue.origin).replace(
				'of of',
				'of'
			);
		case 'custom':
			return typeof issue.params?.expected === 'string' ? issue.params.expected : issue.message;
		case 'invalid_union':
			return 'options' in issue && Array.isArray(issue.options)
				? quoted(issue.options)
				: [...new Set(issue.errors.flatMap(([first]) => (first ? expectation(first) : [])))].join(', or ');
		default:
			return issue.message;
	}
}

/**
 * Of several forms that a value may have, the fault of the one that it has: an object with a wrong field says the field. Where it
 * has none of them, the fault is of all.
 */
function meant(issue: z.core.$ZodIssue): z.core.$ZodIssue {
	if (issue.code !== 'invalid_union') return issue;
	const [form, ...others] = issue.errors.filter(
		([first]) => first && (first.path.length > 0 || first.code !== 'invalid_type')
	);
	const [first] = form ?? [];
	return first && others.length === 0 ? meant({ ...first, path: [...issue.path, ...first.path] }) : issue;
}

/** One of Zod's issues as the contract's `{ path, expected, got }`. */
export function problemOf(found: z.core.$ZodIssue, data: unknown, root: Path = []): Problem {
	const issue = meant(found);
	return {
		path: jsonPath([...root, ...issue.path]),
		expected: expectation(issue),
		got:
			issue.code === 'custom' && typeof issue.params?.got === 'string'
				? issue.params.got
				: describe(valueAt(data, issue.path))
	};
}

/** Zod's issues as problems, in the order found. */
export const problemsOf = (error: z.core.$ZodError, data: unknown, root: Path = []): readonly Problem[] =>
	error.issues.map((issue) => problemOf(issue, data, root));
