import { autonomyOf, COMPARED_PATHS, type More } from '../forecast/index.js';
import { aheadNow, dayAhead, gainOf, litresOf } from '../habits/index.js';
import { neverBinds } from '../rig/index.js';
import { sayCostAnswer, sayTimesLeft } from '../words/index.js';
import type { Question } from '../quickline/questions/question.js';
import type { Answered } from './answer.js';
import { drawnBy } from './lasting.js';
import { forecastOf, LOOKED_DAYS, type Known } from './known.js';
import { roomOf, ROUNDING } from './room.js';

/** How many times of a habit fit before the first tank binds, and which that is; without one where it touches none. */
export function timesLeft(
	{ estimate }: Known,
	habit: string
):
	| {
			readonly times: number;
			readonly tank: string;
			readonly all: readonly { tank: string; times: number }[];
	  }
	| undefined {
	const { rig } = estimate.model;
	const ahead = dayAhead(estimate, aheadNow(estimate)).habits.find((one) => one.habit.id === habit);
	if (!ahead) return undefined;
	const all = rig.tanks
		.filter((tank) => !neverBinds(rig, tank))
		.flatMap((tank) => {
			const gain = litresOf(gainOf(estimate, ahead.flow, tank.id), ahead.litresEach.mean);
			const waste = tank.holds !== 'fresh';
			if (Math.abs(gain) < ROUNDING || gain > 0 !== waste) return [];
			return [{ tank: tank.id, times: Math.floor(roomOf(estimate, tank) / Math.abs(gain) + ROUNDING) }];
		})
		.sort((a, b) => a.times - b.times);
	const [first] = all;
	return first && { ...first, all };
}

/** How many times of some habits are left. */
export function answerLeft(question: Extract<Question, { kind: 'left' }>, known: Known): Answered {
	const { rig } = known.estimate.model;
	const nameOf = (id: string): string => rig.tanks.find((tank) => tank.id === id)?.name ?? id;
	const found = question.habits.map((habit) => ({
		habit,
		name: rig.habits.find(({ id }) => id === habit)?.name ?? habit,
		left: timesLeft(known, habit)
	}));
	const [first] = found;
	if (!first) throw new RangeError('no habit was asked for');
	return {
		answer: {
			kind: 'left',
			says: found
				.map(({ name, left }) =>
					sayTimesLeft(
						name,
						left && {
							times: left.times,
							limits: left.all.map(({ tank, times }) => ({
								name: nameOf(tank),
								holds: rig.tanks.find(({ id }) => id === tank)?.holds ?? 'fresh',
								times
							}))
						}
					)
				)
				.join(' '),
			habit: first.habit,
			...(first.left ? { times: first.left.times, tank: first.left.tank } : {})
		},
		act: { href: '/habits', label: 'Show habits' }
	};
}

/** Hours of the stay that some things take, as the view has them. */
function hoursOf(known: Known, more: readonly More[]): number {
	const { shown, estimate } = known;
	const [one] = more;
	const price =
		more.length === 1 && one?.times === 1
			? shown?.prices?.find(({ habit }) => habit === one.habit)
			: undefined;
	if (price) return price.hours;
	const asked = {
		days: LOOKED_DAYS,
		paths: COMPARED_PATHS,
		about: shown?.binds ?? forecastOf(known).binding[0]?.tank
	};
	return Math.max(0, 24 * (autonomyOf(estimate, asked).days - autonomyOf(estimate, { ...asked, more }).days));
}

/** What some things cost: litres, and hours of the stay. */
export function answerCost(question: Extract<Question, { kind: 'cost' }>, known: Known): Answered {
	const { rig } = known.estimate.model;
	const found = question.ways.map((more) => ({
		more,
		litres: more.reduce((sum, one) => sum + drawnBy(known, one), 0),
		hours: hoursOf(known, more)
	}));
	const [first] = found;
	if (!first) throw new RangeError('nothing was asked for');
	const [one] = first.more;
	return {
		answer: {
			kind: 'cost',
			says: found
				.map(({ more, litres, hours }) =>
					sayCostAnswer(
						more.map(({ habit, times }) => ({
							name: rig.habits.find(({ id }) => id === habit)?.name ?? habit,
							times
						})),
						litres,
						hours,
						known.units
					)
				)
				.join(' '),
			...(one && first.more.length === 1 ? { habit: one.habit, times: one.times } : {}),
			litres: first.litres,
			hours: first.hours
		},
		act: { href: '/habits', label: 'Show habits' }
	};
}
