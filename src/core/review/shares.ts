import type { Estimate } from '../estimate/index.js';
import { aheadNow, dayAhead, litresPerDay } from '../habits/index.js';
import type { Rig } from '../logbook/index.js';
import type { Review } from './review.js';

/** What something drew in a stretch. */
export interface Share {
	readonly id: string;
	readonly name: string;
	/** times written down */
	readonly times: number;
	readonly litres: number;
	/** litres per person and day; absent where nobody was aboard */
	readonly perPersonDayL?: number;
	/** of all that was drawn, 0 … 1 */
	readonly share: number;
}

/** The id of what is in no habit. */
export const IN_NO_HABIT = '';

function share(review: Review, id: string, name: string, times: number, litres: number): Share {
	return {
		id,
		name,
		times,
		litres,
		...(review.personDays > 0 ? { perPersonDayL: litres / review.personDays } : {}),
		share: review.drawnL > 0 ? litres / review.drawnL : 0
	};
}

/**
 * What each habit drew, written down or not, the most first; what is in no habit comes last, so that all of them make up
 * what was drawn.
 */
export function byHabit(review: Review, rig: Rig): readonly Share[] {
	const named = review.habits
		.map(({ id, times, litres, unloggedL }) =>
			share(review, id, rig.habits.find((habit) => habit.id === id)?.name ?? id, times, litres + unloggedL)
		)
		.filter(({ litres, times }) => times > 0 || litres > 0.05)
		.sort((a, b) => b.litres - a.litres);
	const rest = review.drawnL - named.reduce((sum, { litres }) => sum + litres, 0);
	return rest > 0.05 ? [...named, share(review, IN_NO_HABIT, 'In no habit', 0, rest)] : named;
}

/** What was drawn at each outlet, the most first. */
export function byOutlet(review: Review, rig: Rig): readonly Share[] {
	const sums = new Map<string, { times: number; litres: number }>();
	for (const { id, times, litres } of byHabit(review, rig)) {
		const outlet = rig.habits.find((habit) => habit.id === id)?.outlet ?? IN_NO_HABIT;
		const sum = sums.get(outlet) ?? { times: 0, litres: 0 };
		sums.set(outlet, { times: sum.times + times, litres: sum.litres + litres });
	}
	return [...sums]
		.map(([id, { times, litres }]) =>
			share(review, id, rig.outlets.find((outlet) => outlet.id === id)?.name ?? 'In no habit', times, litres)
		)
		.sort((a, b) => b.litres - a.litres);
}

/** Litres per person and day as one lived before a stretch began, for so many persons: what was to be expected. */
export function expectedPerPersonDay(before: Estimate, persons: number): number | undefined {
	if (!(persons > 0) || before.entries.length === 0) return undefined;
	const litres = litresPerDay(before, dayAhead(before, { ...aheadNow(before), persons }));
	return litres > 0 ? litres / persons : undefined;
}
