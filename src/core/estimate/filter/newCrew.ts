import type { Model, Stream } from '../model/index.js';
import * as PARAMETERS from '../parameters.js';
import { countsLess, type LivedCounts } from './counts.js';
import type { FilterState } from './filterState.js';

const plus = (one: LivedCounts, other: LivedCounts): LivedCounts => {
	const sum = (a: ReadonlyMap<string, number>, b: ReadonlyMap<string, number>): ReadonlyMap<string, number> =>
		new Map([...new Set([...a.keys(), ...b.keys()])].map((id) => [id, (a.get(id) ?? 0) + (b.get(id) ?? 0)]));
	return {
		times: sum(one.times, other.times),
		days: one.days + other.days,
		personDays: one.personDays + other.personDays,
		risen: sum(one.risen, other.risen)
	};
};

/**
 * Others are aboard: as many of them as are new may live at another pace. What was learned of those before is a prior of
 * theirs, wide again. As many as were aboard once before are taken to be the same people, unless it is said that they are not.
 *
 * @param anew whether they are other people altogether, where that was said
 */
export function meetCrew(
	model: Model,
	state: FilterState,
	persons: number,
	atMs: number,
	anew?: boolean
): void {
	const before = state.crew;
	if (!(persons > 0)) return;
	const known = state.crewsKnown.has(persons);
	state.crewsKnown.add(persons);
	if (!before) {
		state.crew = { persons, sinceMs: atMs, kept: 1 };
		return;
	}
	const others =
		anew === undefined
			? known
				? 0
				: Math.abs(persons - before.persons) / Math.max(persons, before.persons)
			: Number(anew);
	if (persons === before.persons && !anew) return;
	const kept = 1 - (1 - PARAMETERS.otherCrewKeptShare) * others;
	state.crew = { persons, sinceMs: atMs, kept };
	if (others === 0) return;
	const mine = countsLess(state, state.ofOthers, 1);
	const forgotten = countsLess(mine, mine, kept);
	state.ofOthers = plus(state.ofOthers, forgotten);
	const { belief, unloggedL } = state;
	const pace = model.streams.map(({ index }, s) => [index, unloggedL[s] as number] as const);
	belief.addNoise(pace, (PARAMETERS.paceSdLog * others) ** 2);
	model.streams.forEach(({ index, cadenceSd }: Stream, s) =>
		belief.addNoiseAt(index, (Math.min(cadenceSd, 1) * others * (unloggedL[s] as number)) ** 2)
	);
}
