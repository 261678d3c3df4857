import { checkReferences, LIST_OF, parseRecord, type Logbook, type Problem } from '$core/logbook';
import type { Change } from '$lib/store';

/**
 * What a change would make wrong, before it is made: problems of the record itself come first, with paths within
 * it; then those it would cause elsewhere, such as entries that would name nothing, with paths in the logbook.
 */
export function problemsWith(logbook: Logbook, change: Change): readonly Problem[] {
	const parsed = parseRecord(change.kind, change.value);
	if (!parsed.ok) return parsed.problems;
	const list = LIST_OF[change.kind];
	const others = (logbook[list] as readonly { readonly id: string }[]).filter(
		({ id }) => id !== change.value.id
	);
	const candidate: Logbook = { ...logbook, [list]: [change.value, ...others] };
	const before = new Set(checkReferences(logbook).listed.map(({ path, expected }) => `${path}|${expected}`));
	return checkReferences(candidate)
		.listed.filter(
			({ path, expected }) => path.startsWith(`$.${list}[0]`) || !before.has(`${path}|${expected}`)
		)
		.map((problem) => ({ ...problem, path: problem.path.replace(`$.${list}[0]`, '$') }));
}

/** Problems as a person should read them: those that stored entries would have are counted, not listed. */
export function saidProblems(problems: readonly Problem[]): readonly Problem[] {
	const own = problems.filter(({ path }) => !/^\$\.(entries|trips|rigs)\[/.test(path));
	const elsewhere = problems.length - own.length;
	if (elsewhere === 0) return own;
	const [first] = problems.filter((problem) => !own.includes(problem));
	return [
		...own,
		{
			path: '$.in use',
			expected: 'nothing removed that stored entries or trips still name',
			got: `${elsewhere} that would name ${first?.got ?? 'nothing'}`
		}
	];
}
