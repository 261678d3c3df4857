import type { Problem, Rig } from '$core/logbook';
import { impactOf, type Impact } from '$core/rig';
import { problemsWith, saidProblems, type App } from '$lib/state';

/** What stands against a changed rig: problems that forbid it, or entries that would no longer fit. */
export interface Objections {
	readonly problems: readonly Problem[];
	readonly impacts: readonly Impact[];
}

export function objectionsTo(app: App, next: Rig): Objections {
	const problems = saidProblems(problemsWith(app.logbook(), { kind: 'rig', value: next }));
	const before = app.rigs.find(({ id }) => id === next.id);
	return { problems, impacts: problems.length > 0 || !before ? [] : impactOf(before, next, app.entries) };
}

/** The list with one item put in the place of the one of its id, or at the end. */
export const withItem = <T extends { readonly id: string }>(list: readonly T[], item: T): readonly T[] =>
	list.some(({ id }) => id === item.id)
		? list.map((one) => (one.id === item.id ? item : one))
		: [...list, item];
