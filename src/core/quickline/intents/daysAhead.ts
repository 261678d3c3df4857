import { casual } from 'chrono-node/en';
import type { Ahead, Habit } from '../../logbook/index.js';
import { usualValves } from '../../rig/index.js';
import { DAY_MS, dayPlus, HOUR_MS, zonedIso, zonedMs, zonedTime } from '../../time/index.js';
import { sayAheadDays } from '../../words/index.js';
import { freeId, type LineReading, type Meaning, type QuickContext } from '../context.js';
import { capitalName, isOfRig } from './acts.js';
import { habitsNamed } from '../lexing/concepts.js';
import { COUNT, countOf } from '../lexing/counts.js';
import { plainWords } from '../lexing/names.js';
import { readLine } from '../lexing/tokens.js';
import { clockOf } from './clockOf.js';

/** A time to come. */
interface Window {
	readonly fromMs: number;
	readonly toMs: number;
}

/** A line of days to come, without its time. */
interface Found {
	readonly span: Window;
	readonly rest: string;
	/** it has an end, or is plainly an evening to come: no day of last week */
	readonly stretch: boolean;
}

/** Words that stand before a time and belong to it. */
const LEADS =
	/(?:\b(?:from|starting|as of|beginning|on|for|until|till|til|to|through|over|by)\s+(?:the\s+)?)$/i;
const NIGHTS = new RegExp(String.raw`\bfor\s+${COUNT}\s+(night|day|week)s?\b`, 'i');
/** The hour at which one is back, or leaves, where only the day is said. */
const NOON = 12;
const MORNING = 10;
/** Dinner, by the clock. */
const DINNER = { from: 18, to: 23 };
/** Nobody says more than a year ahead. */
const MOST_MS = 366 * DAY_MS;

/** Before a day on which something begins, without an end. */
const OPENS = /\b(?:from|starting(?: on)?|as of|beginning)\s+(?:the\s+)?$/i;
const TO_COME_DAY = /\b(?:dinner|lunch|breakfast|evening|afternoon)\b/i;
/** So long it is so where nobody says how long. */
const OPEN_MS = 14 * DAY_MS;

/** When days end of which no end is said: with the trip, or after two weeks. */
const openEnd = (fromMs: number, { trip, timeZone }: QuickContext): number => {
	const endMs = trip ? zonedMs(dayPlus(trip.to, 1), trip.timeZone || timeZone) : 0;
	return endMs > fromMs ? endMs : fromMs + OPEN_MS;
};

/** The time to come that a line speaks of; nothing where it speaks of none. */
function windowIn(text: string, context: QuickContext): Found | undefined {
	const { nowMs, timeZone } = context;
	const startOf = (day: string, hour = 0): number => zonedMs(day, timeZone, hour);
	const today = zonedTime(nowMs, timeZone).day;
	const nights = NIGHTS.exec(text);
	if (nights) {
		const count = countOf(nights[1] ?? '');
		const days = count * ((nights[2] ?? '').toLowerCase() === 'week' ? 7 : 1);
		const toMs =
			(nights[2] ?? '').toLowerCase() === 'night'
				? startOf(dayPlus(today, days), MORNING)
				: nowMs + days * DAY_MS;
		const rest = `${text.slice(0, nights.index)} ${text.slice(nights.index + nights[0].length)}`;
		return { span: { fromMs: nowMs, toMs }, rest, stretch: true };
	}
	const week = /\bnext (week|weekend)\b/i.exec(text);
	if (week) {
		const { weekday } = zonedTime(nowMs, timeZone);
		const monday = dayPlus(today, (8 - weekday) % 7 || 7);
		const end = (week[1] ?? '').toLowerCase() === 'weekend';
		const from = end ? dayPlus(monday, 5) : monday;
		const lead = LEADS.exec(text.slice(0, week.index))?.[0] ?? '';
		const rest = `${text.slice(0, week.index - lead.length)} ${text.slice(week.index + week[0].length)}`;
		return { span: { fromMs: startOf(from), toMs: startOf(dayPlus(monday, 7)) }, rest, stretch: true };
	}
	const thisWeekend = /\b(?:(?:for|over|through|during|on|at) )?(?:the|this) weekend\b/i.exec(text);
	if (thisWeekend) {
		const { weekday } = zonedTime(nowMs, timeZone);
		const monday = dayPlus(today, (8 - weekday) % 7 || 7);
		const fromMs = Math.max(nowMs, startOf(dayPlus(monday, -2)));
		const rest = `${text.slice(0, thisWeekend.index)} ${text.slice(thisWeekend.index + thisWeekend[0].length)}`;
		return { span: { fromMs, toMs: startOf(monday) }, rest, stretch: true };
	}
	const [first, second] = casual
		.parse(text, clockOf(nowMs, timeZone), { forwardDate: true })
		.filter(({ start }) => start.isCertain('day') || start.isCertain('weekday') || start.isCertain('hour'));
	if (!first) return undefined;
	// A time alone is of today or yesterday.
	if (!first.start.isCertain('day') && !first.start.isCertain('weekday') && !first.end && !TO_COME.test(text))
		return undefined;
	const lead = LEADS.exec(text.slice(0, first.index))?.[0] ?? '';
	const last = second ?? first;
	const rest = `${text.slice(0, first.index - lead.length)} ${text.slice(last.index + last.text.length)}`;
	const edge = (part: typeof first.start, hour: number): number => {
		const day = zonedTime(part.date().getTime(), timeZone).day;
		return part.isCertain('hour') ? part.date().getTime() : startOf(day, hour);
	};
	const end = first.end ?? second?.start;
	// "until Sunday": back at noon.
	if (/until|till?\b/i.test(lead) && !end)
		return { span: { fromMs: nowMs, toMs: edge(first.start, NOON) }, rest, stretch: true };
	const fromMs = Math.max(nowMs, edge(first.start, 0));
	if (/\b(tonight|evening)\b/i.test(first.text) || /\bdinner\b/i.test(text)) {
		const day = zonedTime(fromMs, timeZone).day;
		return {
			span: { fromMs: Math.max(nowMs, startOf(day, DINNER.from)), toMs: startOf(day, DINNER.to) },
			rest,
			stretch: true
		};
	}
	// "from Saturday": until the trip ends, or for two weeks.
	if (!end && OPENS.test(text.slice(0, first.index)) && !TO_COME_DAY.test(rest))
		return { span: { fromMs, toMs: openEnd(fromMs, context) }, rest, stretch: true };
	if (end) {
		const day = zonedTime(end.date().getTime(), timeZone).day;
		return {
			span: { fromMs, toMs: end.isCertain('hour') ? end.date().getTime() : startOf(dayPlus(day, 1)) },
			rest,
			stretch: true
		};
	}
	const day = zonedTime(fromMs, timeZone).day;
	return {
		span: {
			fromMs,
			toMs: first.start.isCertain('hour') ? fromMs + 4 * HOUR_MS : startOf(dayPlus(day, 1))
		},
		rest,
		stretch: false
	};
}

type Unlike = Omit<Ahead, 'id' | 'from' | 'to'>;

const ABOARD =
	/\b(aboard|on board|of us|crew|people|persons|guests?|visitors?|friends?|child(?:ren)?|kids?|grandchild(?:ren)?)\b/i;
const MORE = /\b(guests?|visitors?|friends?|child(?:ren)?|kids?|grandchild(?:ren)?|more)\b/i;
/** One of them, not several. */
const ONE = /\b(guest|visitor|friend|child|kid|grandchild)\b/i;
const AWAY = /\b(away|ashore|gone|home|not here|not aboard|at (?:my|our|the) \p{L}+)\b/iu;
const ALL_AWAY =
	/^(?:we(?:'?re| are)?|all|all of us|everyone|everybody|both|nobody|no one|ashore|away|gone|i am|i'm)\b/i;
/** Who goes, or comes, on a day to come. */
const LEAVES =
	/^\s*(\S+(?:\s+and\s+\S+)?)\s+(?:will\s+|is\s+|are\s+)?(?:leaves?|leaving|goes|going|departs?|departing|flies|disembarks?|gets? off)\b/iu;
const COMES =
	/^\s*(\S+(?:\s+and\s+\S+)?)\s+(?:will\s+|is\s+|are\s+)?(?:comes?|coming|arrives?|arriving|joins?|joining|boards?|boarding|returns?|returning|back)\b/iu;
const NO_NAME =
	/^(?:i|we|you|they|he|she|it|all|both|everyone|everybody|nobody|who|the|a|an|my|our|this|that|hook\S*|water|rain)\b/i;
const SICK = /\b(sick|ill|stomach bug|flu|fever)\b/i;
const HOOKED =
	/\b(hook(?:ed|ing)?[- ]?up|(?:on )?(?:the )?mains|plugged in|connected|shore ?(?:water|power)|city water)\b/i;
const UNHOOKED = /\b(?:not|off|no|un)\b/i;
const SEWER = /\b(?:full|sewer)\b/i;
/** What is plainly to come, whatever else a line says. */
const TO_COME = /\b(tomorrow|next|coming|will|going to|gonna|plan(?:ned|ning)?|want to|expect(?:ing)?)\b/i;
/** What is plainly past. */
const WAS = /\b(since|ago|last|yesterday|earlier|was|were|had|been|logged)\b/i;
/** Guests of whom no number is said. */
const SOME_GUESTS = [2, 4];
/** A sick child: the toilet, hands and washing go so many times as often. */
const SICK_FACTOR = 1.7;
const SICK_HABITS = /flush|toilet|loo|heads|hands?|laundry|shower|wash/i;
/** Done no more often than this, a habit is rather planned for a day than written down days later: times a day. */
const RARE = 0.3;

/** Who is aboard, or away, as a line says. */
function peopleIn(rest: string, context: QuickContext): readonly Unlike[] {
	const now = context.persons ?? context.rig.crew;
	const { figures } = readLine(rest, []);
	const count = figures[0]?.value;
	if (AWAY.test(rest)) {
		const all = ALL_AWAY.test(rest.trim()) && count === undefined;
		const gone = count === undefined || !Number.isInteger(count) ? 1 : count;
		const named = /^\s*(\p{L}[\p{L}'’-]*)\s+(?:is |will be )?(?:away|ashore|gone|home|not)\b/iu.exec(
			rest
		)?.[1];
		const note =
			named !== undefined && !NO_NAME.test(named) ? { note: `${capitalName(named, context)} away` } : {};
		return all || gone >= now ? [{ away: true }] : [{ persons: now - gone, ...note }];
	}
	const moves = [LEAVES, COMES].map((says) => says.exec(rest)?.[1]);
	const who = moves.find((name) => name !== undefined);
	if (who !== undefined && !NO_NAME.test(who) && !(isOfRig(who, context) && count === undefined)) {
		const change = (moves[0] === undefined ? 1 : -1) * (count ?? who.split(/\s+and\s+/i).length);
		if (now + change >= 0 && (count === undefined || MORE.test(rest)))
			return [
				{
					persons: now + change,
					...(count === undefined
						? { note: `${capitalName(who, context)} ${change < 0 ? 'away' : 'aboard'}` }
						: {})
				}
			];
	}
	if (!ABOARD.test(rest)) return [];
	if (count !== undefined && Number.isInteger(count) && count >= 0 && count <= 100)
		return [{ persons: MORE.test(rest) ? now + count : count }];
	if (!MORE.test(rest)) return [];
	return (ONE.test(rest) ? [1] : SOME_GUESTS).map((more) => ({ persons: now + more }));
}

/** What is done on those days. */
function doneIn(rest: string, context: QuickContext): readonly (Unlike & { readonly habit?: Habit })[] {
	const { figures } = readLine(rest, []);
	const times = figures[0]?.value ?? 1;
	if (figures.length > 1 || (figures[0]?.unit ?? '') !== '' || !Number.isInteger(times)) return [];
	return habitsNamed(
		plainWords(rest).filter((word) => !/^\d/.test(word)),
		context.rig.habits
	).map((habit) => ({
		habits: [{ habit: habit.id, times }],
		habit
	}));
}

const dailyOf = ({ often }: Habit, persons: number): number =>
	often.times * (often.per === 'person-day' ? Math.max(1, persons) : 1);

/**
 * Days to come that are unlike others: `six aboard from Saturday to Sunday`, `Ivo away Tuesday to Thursday`, `laundry on Saturday`,
 * `guests for dinner`, `a sick child until Friday`, `hooked up for two nights`, `ashore until Sunday`. Nothing where a line speaks
 * of what was.
 *
 * @returns ways to understand it, and whether it can mean nothing else
 */
export function aheadLine(
	text: string,
	context: QuickContext
): { readonly reading: LineReading; readonly alone: boolean } | undefined {
	const dinner = /\bguests?\b.*\bdinner\b|\bdinner\b.*\bguests?\b/i.test(text);
	const found = windowIn(text, context) ?? (dinner ? windowIn(`${text} tonight`, context) : undefined);
	const sick = SICK.test(text);
	if (WAS.test(text)) return undefined;
	const { nowMs, timeZone, rig } = context;
	if (!found && !sick) return undefined;
	const {
		span: said,
		rest,
		stretch
	} = found ?? {
		span: { fromMs: nowMs, toMs: nowMs + 3 * DAY_MS },
		rest: text,
		stretch: true
	};
	// Who leaves on Friday stays away.
	const goes = [LEAVES, COMES].some((says) => says.test(rest)) && !/\b(?:until|till?|for)\b/i.test(text);
	const span = goes && !stretch ? { fromMs: said.fromMs, toMs: openEnd(said.fromMs, context) } : said;
	if (!(span.toMs > Math.max(nowMs, span.fromMs)) || span.toMs - nowMs > MOST_MS) return undefined;
	const people = peopleIn(rest, context);
	const unlike: readonly Unlike[] = sick
		? [
				{
					habits: rig.habits
						.filter(({ name }) => SICK_HABITS.test(name))
						.map(({ id }) => ({ habit: id, factor: SICK_FACTOR })),
					note: 'Sick aboard'
				}
			]
		: HOOKED.test(rest)
			? [
					{
						hookup: UNHOOKED.test(rest)
							? { mains: false }
							: { mains: true, ...(SEWER.test(rest) ? { sewer: usualValves(rig) } : {}) }
					}
				]
			: people;
	const done = unlike.length > 0 ? [] : doneIn(rest, context);
	const all = unlike.length > 0 ? unlike : done.map(({ habits }) => ({ ...(habits ? { habits } : {}) }));
	if (all.length === 0 || all.some(({ habits }) => habits?.length === 0)) return undefined;
	const rare = done.every(({ habit }) => habit !== undefined && dailyOf(habit, context.persons ?? 1) <= RARE);
	if (done.length > 0 && !TO_COME.test(text) && (!rare || span.fromMs <= nowMs)) return undefined;
	const reading = all.map((one): Meaning => {
		const ahead: Ahead = {
			id: freeId(rig, 'ahead'),
			from: zonedIso(span.fromMs, timeZone),
			to: zonedIso(span.toMs, timeZone),
			...one
		};
		return { does: [], adds: ahead, says: sayAheadDays(ahead, { rig, nowMs, timeZone }) };
	});
	return { reading, alone: (unlike.length > 0 && (stretch || goes)) || TO_COME.test(text) };
}
