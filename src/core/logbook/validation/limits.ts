import { PARTS } from '../parts.js';
import type { Problem } from '../types.js';
import { describe, jsonPath } from './problems.js';

/** So many problems are listed; of the rest only the number is told. */
export const MOST_PROBLEMS = 100;
/** Deeper nesting is no logbook: it could be neither cloned nor stored. */
export const DEEPEST = 64;
/** The lists that stand within one record, and the most that one of them may hold. */
const LONGEST_LIST = 2000;
const LISTS_WITHIN: ReadonlySet<string> = new Set([
	...PARTS,
	'stops',
	'services',
	'trials',
	'readings',
	'curve',
	'outline',
	'rows',
	'meters'
]);

/** Gathers problems: the first ones whole, the others as a number. */
export class ProblemList {
	readonly listed: Problem[] = [];
	#more = 0;

	get full(): boolean {
		return this.listed.length >= MOST_PROBLEMS;
	}
	get count(): number {
		return this.listed.length + this.#more;
	}
	/** how many there are beside the listed ones */
	get more(): number {
		return this.#more;
	}
	/** Takes a problem; what it says is only made up when it will be listed. */
	add(problem: () => Problem): void {
		if (this.full) this.#more++;
		else this.listed.push(problem());
	}
	/** Counts problems that nobody looks at one by one. */
	countMore(count: number): void {
		this.#more += count;
	}
}

type Path = readonly (string | number)[];
interface Excess {
	readonly path: Path;
	readonly expected: string;
	readonly got: string;
}

/** The first place where data goes deeper, or lists within a record run longer, than any logbook does. */
function excessIn(value: unknown, depth: number, key: string | number): Excess | undefined {
	if (typeof value !== 'object' || value === null) return undefined;
	if (depth > DEEPEST)
		return { path: [], expected: `data nested at most ${DEEPEST} levels deep`, got: 'deeper nesting' };
	if (Array.isArray(value)) {
		if (value.length > LONGEST_LIST && LISTS_WITHIN.has(String(key)))
			return { path: [], expected: `a list of at most ${LONGEST_LIST}`, got: describe(value) };
		for (let i = 0; i < value.length; i++) {
			const found = excessIn(value[i], depth + 1, key);
			if (found) return { ...found, path: [i, ...found.path] };
		}
		return undefined;
	}
	for (const name in value) {
		const part = (value as Readonly<Record<string, unknown>>)[name];
		// Most parts are words and figures.
		if (typeof part !== 'object') continue;
		const found = excessIn(part, depth + 1, name);
		if (found) return { ...found, path: [name, ...found.path] };
	}
	return undefined;
}

/** Steps of a path that are shown: the place can be found, and the message can be read. */
const SHOWN_STEPS = 5;

/**
 * What makes a value too deep or too long to be looked at; the schema is not asked then. Recursion ends at the
 * deepest level that is allowed, so any value can be given.
 */
export function excessOf(value: unknown, at: Path): Problem | undefined {
	const found = excessIn(value, 0, at.at(-1) ?? '');
	return (
		found && {
			path: jsonPath([...at, ...found.path.slice(0, SHOWN_STEPS)]),
			expected: found.expected,
			got: found.got
		}
	);
}
