import { DAY_MS, zonedIso, zonedTime } from '../time/index.js';
import { careDue } from '../care/index.js';
import { instantMs, knownUntil, type Entry, type Stop } from '../logbook/index.js';
import { aheadNow, dayAhead, litresOf } from '../habits/index.js';
import { hookupsListed, livedTrip, opensAt, stopServes } from '../plan/index.js';
import { byHabit, IN_NO_HABIT, NothingToReview, reviewOf, type Review } from '../review/index.js';
import {
	describeEntry,
	sayLastDone,
	sayNextStop,
	sayNoStop,
	sayStopHas,
	sayUsed,
	sayUsedBy
} from '../words/index.js';
import type { Question } from '../quickline/questions/question.js';
import type { Answered } from './answer.js';
import type { Known } from './known.js';

/** The review of a stretch as the review's view has it; nothing where nothing was logged in it. */
function reviewIn(
	{ estimateAt, entries, timeZone, trips }: Known,
	fromMs: number,
	toMs: number
): Review | undefined {
	const until = entries.filter(({ at }) => instantMs(at) <= toMs);
	try {
		return reviewOf(estimateAt(knownUntil(until, toMs, timeZone)), { fromMs, timeZone, trips, whole: true });
	} catch (error) {
		if (error instanceof NothingToReview) return undefined;
		throw error;
	}
}

/** What was used in a stretch, by a habit or in all, and what took most. */
export function answerUsed(question: Extract<Question, { kind: 'used' }>, known: Known): Answered {
	const { rig } = known.estimate.model;
	const { stretch, habits, most, by, perDay } = question;
	if (by !== undefined) return usedBy(question, by, known);
	const review = reviewIn(known, stretch.fromMs, stretch.toMs);
	const dayOf = (ms: number): string => zonedTime(ms, known.timeZone).day;
	const days = { from: dayOf(stretch.fromMs), to: dayOf(Math.max(stretch.fromMs, stretch.toMs - 1)) };
	const href = `/ledger/review?from=${days.from}&to=${days.to}`;
	const act = { href, label: 'Show the review' };
	if (!review)
		return {
			answer: {
				kind: 'used',
				says: `Nothing is logged for ${stretch.said.replace(/^(?:on|in|since) /, '')} yet.`
			},
			act
		};
	const shares = byHabit(review, rig).filter(({ id, litres }) => id !== IN_NO_HABIT && litres > 0);
	const [top] = [...shares].sort((a, b) => b.litres - a.litres);
	const told = habits.length > 0 ? shares.filter(({ id }) => habits.includes(id)) : [];
	const litres =
		habits.length > 0
			? told.reduce((sum, one) => sum + one.litres, 0)
			: most
				? (top?.litres ?? 0)
				: review.drawnL;
	const times = habits.length > 0 ? told.reduce((sum, one) => sum + one.times, 0) : undefined;
	const named = habits.length > 0 ? (told[0]?.id ?? habits[0]) : top?.id;
	return {
		answer: {
			kind: 'used',
			says: sayUsed(
				{
					said: stretch.said,
					drawnL: review.drawnL,
					unloggedL: review.unloggedL,
					perPersonDayL: review.perPersonDayL,
					days: review.days,
					top,
					about: habits.length > 0 ? told : undefined,
					names: habits.map((id) => rig.habits.find((habit) => habit.id === id)?.name ?? id),
					most,
					perDay: perDay === true
				},
				known.units
			),
			...(named === undefined ? {} : { habit: named }),
			litres,
			...(times === undefined ? {} : { times })
		},
		act
	};
}

/** Litres of what was logged by each person in a stretch, the most first. */
function byPerson(
	{ estimate, entries }: Known,
	{ stretch, habits }: Extract<Question, { kind: 'used' }>
): readonly { readonly name: string; readonly litres: number; readonly times: number }[] {
	const each = new Map(dayAhead(estimate, aheadNow(estimate)).habits.map((one) => [one.habit.id, one]));
	const sums = new Map<string, { litres: number; times: number }>();
	for (const entry of entries) {
		const ms = instantMs(entry.at);
		if (entry.kind !== 'use' || ms < stretch.fromMs || ms > stretch.toMs) continue;
		if (habits.length > 0 && !habits.includes(entry.habit)) continue;
		const ahead = each.get(entry.habit);
		const litres =
			entry.litres ?? (ahead ? entry.times * litresOf(ahead.flow.drawn, ahead.litresEach.mean) : 0);
		const before = sums.get(entry.by ?? '') ?? { litres: 0, times: 0 };
		sums.set(entry.by ?? '', { litres: before.litres + litres, times: before.times + entry.times });
	}
	return [...sums].map(([name, sum]) => ({ name, ...sum })).sort((a, b) => b.litres - a.litres);
}

/** What somebody used in a stretch, or who used most: as far as entries bear names. */
function usedBy(question: Extract<Question, { kind: 'used' }>, by: string, known: Known): Answered {
	const all = byPerson(known, question);
	const named = all.filter(({ name }) => name !== '');
	const told = by === 'who' ? named : named.filter(({ name }) => name.toLowerCase() === by.toLowerCase());
	const [first] = told;
	const nameless = all.find(({ name }) => name === '')?.litres ?? 0;
	return {
		answer: {
			kind: 'used',
			says: sayUsedBy(question.stretch.said, told, by === 'who' ? undefined : by, nameless, known.units),
			...(question.habits[0] === undefined ? {} : { habit: question.habits[0] }),
			litres: first?.litres ?? 0,
			...(question.habits.length > 0 ? { times: first?.times ?? 0 } : {})
		},
		act: { href: '/ledger', label: 'Show in Ledger' }
	};
}

/** When something was last done. */
export function answerLast(
	{ done, by, due: asksDue }: Extract<Question, { kind: 'last' }>,
	known: Known
): Answered {
	const { estimate, entries, timeZone, units, trips } = known;
	const { rig } = estimate.model;
	const { atMs } = estimate;
	const is = (entry: Entry): boolean => {
		switch (done.kind) {
			case 'dump':
				return entry.kind === 'dump' && done.tanks.includes(entry.tank);
			case 'fill':
				return entry.kind === 'fill' && done.tanks.includes(entry.tank);
			case 'care':
				return entry.kind === 'care' && done.tasks.includes(entry.task);
			case 'use':
				return entry.kind === 'use' && done.habits.includes(entry.habit);
			case 'reading':
				return entry.kind === 'reading' && done.instruments.includes(entry.instrument);
			case 'stop':
				return entry.kind === 'stop';
		}
	};
	const found = entries.findLast(
		(entry) => is(entry) && (by === undefined || entry.by?.toLowerCase() === by.toLowerCase())
	);
	// A task may be known to have been done before the log begins.
	const tasks =
		done.kind === 'care' && by === undefined
			? careDue(estimate).filter(({ task }) => done.tasks.includes(task.id))
			: [];
	const [due] = tasks
		.filter(({ doneMs }) => doneMs !== undefined)
		.sort((a, b) => (b.doneMs ?? 0) - (a.doneMs ?? 0));
	const [dueNext] = tasks
		.filter(({ dueMs }) => dueMs !== undefined)
		.sort((a, b) => (a.dueMs ?? 0) - (b.dueMs ?? 0));
	const ms = due?.doneMs ?? (found ? instantMs(found.at) : undefined);
	const names =
		done.kind === 'dump' || done.kind === 'fill'
			? rig.tanks.filter(({ id }) => done.tanks.includes(id)).map(({ name }) => name)
			: done.kind === 'care'
				? rig.care.filter(({ id }) => done.tasks.includes(id)).map(({ name }) => name)
				: done.kind === 'use'
					? rig.habits.filter(({ id }) => done.habits.includes(id)).map(({ name }) => name)
					: [];
	const what = found ? describeEntry(found, { rig, trips, units }) : due ? `Done: ${due.task.name}` : '';
	return {
		answer: {
			kind: 'last',
			says: sayLastDone(
				{ kind: done.kind, names, what, by: found?.by ?? by, dueMs: asksDue ? dueNext?.dueMs : undefined },
				ms,
				atMs,
				timeZone
			),
			...(found && 'tank' in found ? { tank: found.tank } : {}),
			...(found?.kind === 'use' ? { habit: found.habit } : {}),
			...(found && 'litres' in found && found.litres !== undefined ? { litres: found.litres } : {}),
			...(ms === undefined ? {} : { at: zonedIso(ms, timeZone), days: (atMs - ms) / DAY_MS })
		},
		act:
			done.kind === 'care'
				? { href: '/rig/care', label: 'Show care' }
				: { href: `/ledger?kind=${done.kind}`, label: 'Show in Ledger' }
	};
}

/** Which stop has a service next. */
export function answerNext({ service, at }: Extract<Question, { kind: 'next' }>, known: Known): Answered {
	const { estimate, timeZone, trip, entries, hours } = known;
	const { atMs } = estimate;
	const opens = opensAt(trip ?? { timeZone }, hours, atMs);
	const act = { href: '/trip', label: 'Show the trip' };
	const lived = trip && livedTrip(trip, entries);
	const ahead = (lived?.stops ?? []).filter(({ depart, retired }) => !retired && instantMs(depart) > atMs);
	const has = (stop: Stop): boolean => {
		if (service === undefined) return instantMs(stop.arrive) > atMs;
		return service === 'mains' ? hookupsListed(stop).includes('mains') : stopServes(stop, service, opens);
	};
	const asked = at === undefined ? undefined : lived?.stops.find(({ id }) => id === at);
	if (asked && service) {
		const arriveMs = instantMs(asked.arrive);
		return {
			answer: {
				kind: 'next',
				says: sayStopHas(asked.name, service, has(asked)),
				stop: asked.id,
				enough: has(asked),
				at: zonedIso(arriveMs, timeZone)
			},
			act
		};
	}
	const stop = ahead.find(has);
	if (!stop) return { answer: { kind: 'next', says: sayNoStop(service, lived?.name) }, act };
	const arriveMs = instantMs(stop.arrive);
	return {
		answer: {
			kind: 'next',
			says: sayNextStop(stop, service, arriveMs, atMs, timeZone),
			stop: stop.id,
			at: zonedIso(arriveMs, timeZone),
			days: Math.max(0, (arriveMs - atMs) / DAY_MS)
		},
		act
	};
}
