import type { Estimate } from '$core/estimate';
import {
	basket,
	ration,
	sacrifice,
	stayLine,
	worth,
	WORTH_DAYS,
	type More,
	type Ration,
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
import { certaintyOf, type Trip } from '$core/logbook';
import { nextServed } from '$core/now';
import { sayBasket, type BasketKind, type Span } from '$core/words';

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
	const found = yield* worth(estimate, { days: WORTH_DAYS });
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

/** The least sacrifice, and the line of the stay with it. */
export interface Way {
	readonly atMs: number;
	readonly found: Sacrifice;
	readonly line: StayLine;
}

export function* wayTo(estimate: Estimate, asked: SacrificeOptions): Generator<number, Way> {
	const found = yield* sacrifice(estimate, asked);
	const set = (found.best ?? found.nearest).measures.filter((id) => !estimate.state.measures.includes(id));
	return { atMs: estimate.atMs, found, line: stayLine(estimate, set) };
}

/** The answer to a basket, in words and as a line. */
export interface BasketAnswer {
	readonly kind: BasketKind;
	readonly headline: Span;
	readonly reason: string;
	readonly line: StayLine;
	readonly atMs: number;
}

export function basketAnswer(
	estimate: Estimate,
	more: readonly More[],
	trip: Trip | undefined,
	timeZone: string
): BasketAnswer {
	const until = nextServed(estimate, trip);
	const found = basket(estimate, more, new Map([...until].map(([tank, { ms }]) => [tank, ms])));
	const { rig } = estimate.model;
	const { atMs } = estimate;
	return {
		...sayBasket(rig, found, until, certaintyOf(trip), atMs, timeZone),
		line: stayLine(estimate, [], more),
		atMs
	};
}

export const rationTo = (estimate: Estimate, untilMs: number, certainty: number): Ration | undefined =>
	ration(estimate, untilMs, certainty);
export { stayLine };
