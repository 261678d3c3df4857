import type { Habit } from '../../logbook/index.js';
import { rarityOf } from '../../rig/index.js';
import { splitAt, valueAt } from '../../time/index.js';
import {
	aheadCuts,
	personsAt,
	riseOf,
	saidAt,
	USUAL_CLIMATE,
	type Climate,
	type SaidOften
} from '../inputs/index.js';
import type { Model } from '../model/index.js';
import type { FilterState } from './filterState.js';

/** A part of time in which nothing changes, as it is lived. */
export interface LivedPart {
	readonly fromMs: number;
	readonly toMs: number;
	/** days of use: use follows the waking day */
	readonly days: number;
	readonly persons: number;
	/** 0 is Monday */
	readonly weekday: number;
	/** how many times as often as usual a habit is done; 1 for what is no habit */
	readonly often: (habit: Habit | undefined) => number;
}

const NOTHING_SAID: ReadonlyMap<string, SaidOften> = new Map();

/** How many times as often as usual a habit is done by what was said; times that are said are written down, too. */
const factorSaid = (said: SaidOften | undefined): number => (said && 'factor' in said ? said.factor : 1);

/** What some days of use, lived by so many persons, are of days or person-days. */
export const exposureOf = (days: number, persons: number, perPerson: boolean): number =>
	days * (perPerson ? persons : persons > 0 ? 1 : 0);

/** What a part is of a habit's usual days or person-days. */
export const exposureIn = ({ days, persons, often }: LivedPart, habit: Habit): number =>
	often(habit) * exposureOf(days, persons, habit.often.per === 'person-day');

/** How often a habit is done on a day of the week, in a climate and under the measures in force, of its usual. */
const oftenIn = (
	model: Model,
	{ measures, weekFactors }: FilterState,
	habit: Habit | undefined,
	climate: Climate,
	weekday: number
): number =>
	habit
		? riseOf(habit, climate) *
			rarityOf(model.rig, habit.id, measures) *
			(weekFactors.get(habit.id)?.[weekday] ?? 1)
		: 1;

/** A time in its parts: cut where people come or go, a climate changes, days unlike others begin or end, and at midnight. */
export function partsOf(
	model: Model,
	state: FilterState,
	fromMs: number,
	toMs: number
): readonly LivedPart[] {
	const { crew, climate, wakingDay, rig } = model;
	const cuts = rig.ahead ? [...crew.steps, ...aheadCuts(rig)] : crew.steps;
	const parts: LivedPart[] = [];
	// Nearly always nothing changes in between: the two lists are not joined for that.
	const inClimate = climate.length > 0 ? splitAt(fromMs, toMs, climate) : [[fromMs, toMs] as const];
	for (const [from, to] of inClimate)
		for (const [at, until] of splitAt(from, to, cuts))
			for (const [begins, ends] of wakingDay.byDay(at, until)) {
				const weekday = wakingDay.weekday(begins);
				const here = valueAt(climate, begins) ?? USUAL_CLIMATE;
				const said = rig.ahead ? saidAt(rig, begins) : NOTHING_SAID;
				parts.push({
					fromMs: begins,
					toMs: ends,
					days: wakingDay.days(begins, ends),
					persons: personsAt(crew, begins),
					weekday,
					often: (habit) =>
						oftenIn(model, state, habit, here, weekday) * factorSaid(habit && said.get(habit.id))
				});
			}
	return parts;
}

/** Counts a share of a part among what was lived with a log; a negative one takes it out again. */
export function countLived({ habits }: Model, state: FilterState, part: LivedPart, share: number): void {
	const days = share * part.days;
	state.days += days;
	state.personDays += days * part.persons;
	state.weeks.days[part.weekday] = Math.max(
		0,
		(state.weeks.days[part.weekday] as number) + (part.persons > 0 ? days : 0)
	);
	for (const [id, before] of state.risen) {
		const habit = habits.get(id);
		if (habit) state.risen.set(id, before + share * exposureIn(part, habit));
	}
}
