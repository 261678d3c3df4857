import type { Estimate } from '$core/estimate';
import {
	hoursGiven,
	sacrifice,
	stayLine,
	worth,
	type Sacrifice,
	type SacrificeOptions,
	type StayLine,
	type Worth
} from '$core/forecast';
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
export function* savingOf(estimate: Estimate): Generator<number, Saving> {
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

/** The least sacrifice, the line of the stay with it, and the hours that each of the other ways gives. */
export interface LeastSacrifice {
	readonly atMs: number;
	readonly found: Sacrifice;
	readonly line: StayLine;
	readonly othersGiveH: readonly number[];
}

export function* wayTo(estimate: Estimate, asked: SacrificeOptions): Generator<number, LeastSacrifice> {
	const found = yield* sacrifice(estimate, asked);
	const set = (found.best ?? found.nearest).measures.filter((id) => !estimate.state.measures.includes(id));
	return {
		atMs: estimate.atMs,
		found,
		line: stayLine(estimate, set),
		othersGiveH: hoursGiven(estimate, found.others, asked)
	};
}
