import { entriesUntil, instantMs, type Entry, type Habit, type Rig } from '../logbook/index.js';
import { isLoss } from '../rig/index.js';

/** Litres that came in or went out beside stops and habits: bought, made, given, spilled, leaked. */
export interface BesideFlow {
	/** of the source or the habit */
	readonly id: string;
	readonly name: string;
	readonly litres: number;
	readonly times: number;
}

/** What came in from sources, and what left by another way than use, as it was logged. */
export interface BesideFlows {
	readonly came: readonly BesideFlow[];
	readonly went: readonly BesideFlow[];
}

/** Sums by the id of a source or habit, in the rig's order; what nothing was logged of is left out. */
function sums<T extends { readonly id: string; readonly name: string }>(
	of: readonly T[],
	logged: readonly (readonly [id: string, litres: number, times: number])[]
): readonly BesideFlow[] {
	return of.flatMap(({ id, name }) => {
		const own = logged.filter(([by]) => by === id);
		const litres = own.reduce((sum, [, l]) => sum + l, 0);
		return own.length > 0 ? [{ id, name, litres, times: own.reduce((sum, [, , n]) => sum + n, 0) }] : [];
	});
}

/** What came in and went out in a stretch beside stops and habits. */
export function besideFlows(rig: Rig, entries: readonly Entry[], fromMs: number, toMs: number): BesideFlows {
	const within = entriesUntil(entries, rig.id, toMs).filter(({ at }) => instantMs(at) >= fromMs);
	const losses: readonly Habit[] = rig.habits.filter((habit) => isLoss(rig, habit));
	const meanOf = (id: string): number => losses.find((habit) => habit.id === id)?.litresEach.mean ?? 0;
	return {
		came: sums(
			rig.sources ?? [],
			within.flatMap((entry) =>
				entry.kind === 'fill' && entry.from !== undefined ? [[entry.from, entry.litres ?? 0, 1] as const] : []
			)
		),
		went: sums(
			losses,
			within.flatMap((entry) =>
				entry.kind === 'use'
					? [[entry.habit, entry.litres ?? entry.times * meanOf(entry.habit), entry.times] as const]
					: []
			)
		)
	};
}
