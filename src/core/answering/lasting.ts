import { DAY_MS, zonedIso } from '../time/index.js';
import { withAhead, withEntry, type Estimate } from '../estimate/index.js';
import { basket, forecast, lastingOf, type Forecast, type More } from '../forecast/index.js';
import { aheadNow, dayAhead, gainOf, litresOf } from '../habits/index.js';
import { roomOf, ROUNDING } from './room.js';
import { certaintyOf, type Entry } from '../logbook/index.js';
import { neverBinds, tankById } from '../rig/index.js';
import {
	sayBasket,
	sayLastsAnswer,
	sayLastsUntil,
	sayEnoughAnswer,
	sayOtherwise,
	type Until
} from '../words/index.js';
import type { Otherwise, Question } from '../quickline/questions/question.js';
import { nextServed } from '../now/nextServed.js';
import type { Answered } from './answer.js';
import { forecastOf, LOOKED_DAYS, type Known } from './known.js';

/** How long some tanks, or all, last by a forecast: days to the first of them. */
function lastsBy(
	ahead: Forecast,
	tanks: readonly string[]
): { readonly tank: string | undefined; readonly days: number; readonly early: number } {
	if (tanks.length === 0) {
		// As the verdict tells it: when the tank that most often is the first binds.
		const { p50, p10 } = ahead.autonomyDays;
		const binds = p50 < LOOKED_DAYS ? ahead.tanks.find(({ id }) => id === ahead.binding[0]?.tank) : undefined;
		const lasting = binds ? lastingOf(binds) : ahead.autonomyDays;
		return { tank: binds?.id, days: lasting.p50, early: Math.min(lasting.p10, p10) };
	}
	const [first] = ahead.tanks
		.filter(({ id }) => tanks.includes(id))
		.map((tank) => ({ tank: tank.id, days: lastingOf(tank).p50, early: lastingOf(tank).p10 }))
		.sort((a, b) => a.days - b.days);
	return first ?? { tank: tanks[0], days: LOOKED_DAYS, early: LOOKED_DAYS };
}

/** The forecast as it would be otherwise: somebody more aboard, a way to save, habits left out, something done now. */
function forecastIf(known: Known, { does, habits }: Otherwise): Forecast {
	const { estimate, trips, timeZone } = known;
	const { atMs } = estimate;
	const rig = estimate.model.rig.id;
	let persons: number | undefined;
	let measures: readonly string[] | undefined;
	let then: Estimate = estimate;
	does.forEach((happening, i) => {
		if (happening.kind === 'crew') persons = happening.persons;
		else if (happening.kind === 'measure') {
			const others = (measures ?? estimate.state.measures).filter((id) => id !== happening.measure);
			measures = happening.on ? [...others, happening.measure] : others;
		} else
			then = withEntry(then, {
				...happening,
				id: `what-if-${i}`,
				rig,
				at: zonedIso(atMs, timeZone)
			} as Entry);
	});
	if (habits.length > 0)
		then = {
			...then,
			model: withAhead(then.model, trips, {
				id: 'what-if',
				from: zonedIso(atMs, timeZone),
				to: zonedIso(atMs + 2 * LOOKED_DAYS * DAY_MS, timeZone),
				habits: [...habits]
			})
		};
	return forecast(then, { days: LOOKED_DAYS, persons, measures });
}

/** How long it lasts, until when, and what would change that. */
export function answerLasts(question: Extract<Question, { kind: 'lasts' }>, known: Known): Answered {
	const { estimate, timeZone } = known;
	const { rig } = estimate.model;
	const { atMs } = estimate;
	const act = { href: '/', label: 'Show on Now' };
	const nameOf = (id: string | undefined): string | undefined =>
		id === undefined ? undefined : tankById(rig, id)?.name;
	const now = lastsBy(forecastOf(known), question.tanks);
	const { otherwise, until } = question;
	const spoken = otherwise ? lastsBy(forecastIf(known, otherwise), question.tanks) : now;
	const beyond = spoken.days >= LOOKED_DAYS;
	const figures = {
		...(spoken.tank === undefined ? {} : { tank: spoken.tank }),
		days: spoken.days,
		...(beyond ? {} : { at: zonedIso(atMs + spoken.days * DAY_MS, timeZone) })
	};
	const about = {
		tank: nameOf(spoken.tank),
		holds: tankById(rig, spoken.tank ?? '')?.holds,
		days: spoken.days,
		earlyDays: spoken.early,
		horizon: LOOKED_DAYS,
		one: question.tanks.length > 0,
		atMs,
		timeZone
	};
	if (otherwise) {
		const hours = 24 * (spoken.days - now.days);
		return {
			answer: {
				kind: 'lasts',
				says: sayOtherwise(otherwise.said, about, { days: now.days, tank: nameOf(now.tank) }),
				...figures,
				hours,
				...(until ? { enough: atMs + spoken.days * DAY_MS >= until.ms } : {})
			},
			act: { href: '/habits', label: 'Show habits' }
		};
	}
	if (!until) return { answer: { kind: 'lasts', says: sayLastsAnswer(about), ...figures }, act };
	const asked = rig.tanks.filter(
		(tank) => !neverBinds(rig, tank) && (question.tanks.length === 0 || question.tanks.includes(tank.id))
	);
	const { before } = basket(estimate, [], new Map(asked.map(({ id }) => [id, until.ms])));
	// What the verdict says is the middle of the futures: so is this.
	const enough = beyond || atMs + spoken.days * DAY_MS >= until.ms;
	return {
		answer: {
			kind: 'lasts',
			says: sayLastsUntil(until.said, enough, before.chance, about),
			...figures,
			enough,
			chance: before.chance
		},
		act
	};
}

/** Whether there is enough for some things until each tank is next served, or until a moment that is said. */
export function answerEnough(question: Extract<Question, { kind: 'enough' }>, known: Known): Answered {
	const { estimate, timeZone, trip, units, hours } = known;
	const { rig } = estimate.model;
	const { atMs } = estimate;
	const served = nextServed(estimate, trip, hours);
	const until: ReadonlyMap<string, Until> = question.until
		? new Map([...served.keys()].map((id) => [id, { ms: question.until?.ms ?? atMs, for: 'goal' }]))
		: served;
	const certainty = certaintyOf(trip);
	const found = question.ways.map((more) => {
		const weighed = basket(estimate, more, new Map([...until].map(([id, { ms }]) => [id, ms])));
		const said = sayBasket(rig, weighed, until, certainty, atMs, timeZone);
		// What falls short without it as well is no reason against it, as long as there is enough for it now.
		const anyway = said.kind !== 'enough' && weighed.before.chance < certainty && fitsNow(known, more);
		return { more, after: weighed.after, said, anyway };
	});
	const [first] = found;
	if (!first) throw new RangeError('nothing was asked for');
	const [one] = first.more;
	const single = first.more.length === 1 ? one : undefined;
	const nameOf = (id: string): string => rig.habits.find((habit) => habit.id === id)?.name ?? id;
	const litresOfAll = (more: readonly More[]): number =>
		more.reduce((sum, part) => sum + drawnBy(known, part), 0);
	return {
		answer: {
			kind: 'enough',
			says: found
				.map(({ more, said, anyway }) =>
					sayEnoughAnswer(
						more.map(({ habit, times }) => ({ name: nameOf(habit), times })),
						litresOfAll(more),
						{ ...said, anyway },
						units
					)
				)
				.join(' '),
			...(single ? { habit: single.habit, times: single.times } : {}),
			...(first.after.tank === undefined ? {} : { tank: first.after.tank }),
			litres: litresOfAll(first.more),
			enough: first.said.kind === 'enough' || first.anyway,
			...(first.anyway ? {} : { chance: first.after.chance })
		},
		act: { href: '/#basket', label: 'Weigh it up' }
	};
}

/** Whether some things fit before any tank binds, as the levels are believed now. */
function fitsNow(known: Known, more: readonly More[]): boolean {
	const { estimate } = known;
	const day = dayAhead(estimate, aheadNow(estimate));
	return estimate.model.rig.tanks
		.filter((tank) => !neverBinds(estimate.model.rig, tank))
		.every((tank) => {
			const gain = more.reduce((sum, { habit, times }) => {
				const ahead = day.habits.find((one) => one.habit.id === habit);
				return ahead
					? sum + times * litresOf(gainOf(estimate, ahead.flow, tank.id), ahead.litresEach.mean)
					: sum;
			}, 0);
			return Math.abs(gain) < ROUNDING || Math.abs(gain) <= roomOf(estimate, tank) + ROUNDING;
		});
}

/** Litres that some times of a habit draw, as believed now. */
export function drawnBy({ estimate }: Known, { habit, times }: More): number {
	const ahead = dayAhead(estimate, aheadNow(estimate)).habits.find((one) => one.habit.id === habit);
	return ahead ? times * litresOf(ahead.flow.drawn, ahead.litresEach.mean) : 0;
}
