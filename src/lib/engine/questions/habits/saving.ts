import type { Estimate } from '$core/estimate';
import { worth, type Worth } from '$core/forecast';
import {
	aheadNow,
	dayAhead,
	dayFlows,
	didItPay,
	measuredOf,
	type DayFlow,
	type DidItPay,
	type Repeats
} from '$core/habits';
import { question } from '../../question';

/** What the view of habits shows of each habit, beside its price. */
export interface HabitFacts {
	readonly id: string;
	readonly timesPerDay: number;
	/** what the log has measured of one time; absent where it has nothing */
	readonly measured?: Repeats;
}

/** Everything that is known of what things cost and what would save. */
export interface Saving {
	readonly atMs: number;
	readonly worth: Worth;
	readonly habits: readonly HabitFacts[];
	readonly flows: readonly DayFlow[];
	readonly paid: readonly DidItPay[];
}

/** Long steps in between are given to other questions: it pauses with each measure. */
function* savingOf(estimate: Estimate): Generator<number, Saving> {
	const day = dayAhead(estimate, aheadNow(estimate));
	const found = yield* worth(estimate);
	return {
		atMs: estimate.atMs,
		worth: found,
		habits: day.habits.map(({ habit, cadence }) => {
			const measured = measuredOf(estimate.entries, habit.id);
			return { id: habit.id, timesPerDay: cadence.timesPerDay, ...(measured ? { measured } : {}) };
		}),
		flows: dayFlows(estimate, day),
		paid: estimate.model.rig.measures.flatMap(({ id, retired }) =>
			retired ? [] : (didItPay(estimate, id) ?? [])
		)
	};
}

/** What each habit costs and each measure gives, and where the litres of a day go. */
const saving = question({
	outdatedBy: 'newer or change',
	answer: ({ estimate, inParts }): Promise<Saving | undefined> => inParts(savingOf(estimate()))
});

declare module '../../question' {
	interface Questions {
		'habits/saving': typeof saving;
	}
}

export default saving;
