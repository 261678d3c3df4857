import { casual, type ParsedResult } from 'chrono-node/en';
import { tripSpan, type Stop } from '../../logbook/index.js';
import { DAY_MS, dayPlus, HOUR_MS, zonedMs, zonedTime } from '../../time/index.js';
import { onDay, sayDay } from '../../words/index.js';
import type { QuickContext } from '../context.js';
import { clockOf } from '../intents/clockOf.js';
import { COUNT, countOf } from '../lexing/counts.js';
import { plainWords } from '../lexing/names.js';
import { shielded } from '../lexing/shield.js';
import { namesOf } from '../lexing/things.js';
import type { Stretch, UntilSaid } from './question.js';

/** A part of a line that was read, and the rest of it. */
export interface Read<T> {
	readonly found: T;
	readonly rest: string;
}

/** Where something stands in a line. */
interface Place {
	readonly index: number;
	readonly length: number;
}
const placeOf = ({ 0: found, index }: RegExpExecArray): Place => ({ index, length: found.length });
/** A time with the little words before it. */
const withLead = (text: string, { index, text: found }: ParsedResult, leads: RegExp): Place => {
	const lead = leads.exec(text.slice(0, index))?.[0] ?? '';
	return { index: index - lead.length, length: lead.length + found.length };
};
const cutOut = (text: string, { index, length }: Place): string =>
	`${text.slice(0, index)} ${text.slice(index + length)}`.replaceAll(/\s+/g, ' ').trim();

const startOf = (day: string, { timeZone }: QuickContext, hour = 0): number => zonedMs(day, timeZone, hour);

const OF_DAYS = new RegExp(
	`\\b(?:in |over |during |for )?(?:the )?(?:last|past) ${COUNT}?\\s*(hours?|days?|nights?|weeks?)\\b`,
	'i'
);
const SINCE = /\bsince\b\s*(.*)$/i;
const NAMED: readonly (readonly [
	RegExp,
	(today: string, context: QuickContext) => readonly [number, number, string]
])[] = [
	[
		/\b(?:so far )?today(?: so far)?\b/i,
		(today, context) => [startOf(today, context), context.nowMs, 'today']
	],
	[/\bthis morning\b/i, (today, context) => [startOf(today, context), context.nowMs, 'this morning']],
	[
		/\byesterday\b/i,
		(today, context) => [startOf(dayPlus(today, -1), context), startOf(today, context), 'yesterday']
	],
	[
		/\blast night\b/i,
		(today, context) => [startOf(dayPlus(today, -1), context, 18), startOf(today, context, 6), 'last night']
	],
	[
		/\bthis week\b/i,
		(today, context) => {
			const { weekday } = zonedTime(context.nowMs, context.timeZone);
			return [startOf(dayPlus(today, -((weekday + 6) % 7)), context), context.nowMs, 'this week'];
		}
	],
	[
		/\b(?:a|per|each|every) day\b|\bdaily\b/i,
		(_, context) => [context.nowMs - 7 * DAY_MS, context.nowMs, 'in the last 7 days']
	]
];
const ON_TRIP =
	/\b(?:(?:on|during|in|for) )?(?:this|the|our) (?:trip|journey|cruise|passage)(?: so far)?\b|\bso far\b/i;

/** The stretch of the past that a question is about; nothing where it names none. */
export function stretchIn(asked: string, context: QuickContext): Read<Stretch> | undefined {
	// A tank called by a day is none.
	const text = shielded(asked, namesOf(context));
	const { nowMs, timeZone, trip } = context;
	const today = zonedTime(nowMs, timeZone).day;
	const read = (fromMs: number, toMs: number, said: string, at: Place): Read<Stretch> | undefined =>
		fromMs < toMs
			? { found: { fromMs, toMs: Math.min(toMs, nowMs), said }, rest: cutOut(asked, at) }
			: undefined;
	const since = SINCE.exec(text);
	if (since) {
		const [when] = casual.parse(since[1] ?? '', clockOf(nowMs, timeZone));
		if (!when) return undefined;
		let ms = when.start.date().getTime();
		if (ms > nowMs) ms -= 7 * DAY_MS;
		const { day } = zonedTime(ms, timeZone);
		const fromMs = when.start.isCertain('hour') ? ms : startOf(day, context);
		return read(fromMs, nowMs, `since ${sayDay(fromMs, nowMs, timeZone)}`, placeOf(since));
	}
	const of = OF_DAYS.exec(text);
	if (of) {
		const unit = (of[2] ?? '').toLowerCase();
		const length = unit.startsWith('hour') ? HOUR_MS : unit.startsWith('week') ? 7 * DAY_MS : DAY_MS;
		if (!(unit.startsWith('night') && of[1] === undefined)) {
			const count = of[1] === undefined ? 1 : countOf(of[1]);
			return read(
				nowMs - count * length,
				nowMs,
				`in the last ${count === 1 ? '' : `${count} `}${unit}`,
				placeOf(of)
			);
		}
	}
	for (const [says, span] of NAMED) {
		const at = says.exec(text);
		if (at) return read(...span(today, context), placeOf(at));
	}
	const onTrip = ON_TRIP.exec(text);
	if (onTrip && trip) return read(tripSpan(trip)[0], nowMs, `on ${trip.name} so far`, placeOf(onTrip));
	const [when] = casual.parse(text, clockOf(nowMs, timeZone));
	if (!when || !(when.start.isCertain('weekday') || when.start.isCertain('day'))) return undefined;
	let ms = when.start.date().getTime();
	if (ms > nowMs) ms -= 7 * DAY_MS;
	const { day } = zonedTime(ms, timeZone);
	const fromMs = startOf(day, context);
	const at = withLead(text, when, /\b(?:on|of|for) $/i);
	return read(fromMs, startOf(dayPlus(day, 1), context), onDay(fromMs, nowMs, timeZone), at);
}

const MORE_DAYS = new RegExp(
	`\\b(?:for |another |in )+(?:the next )?${COUNT}(?: more)? (days?|nights?|weeks?)\\b|\\b${COUNT} more (days?|nights?|weeks?)\\b`,
	'i'
);
const UNTIL = /\b(?:until|till?|to|through|by|for|before|over)\s+(?:the\s+)?/i;
const WEEKEND = /\b(?:the |this |over |for |through |until )*weekend\b/i;
const TRIP_END =
	/\b(?:the )?(?:end of (?:the|this|our) trip|end of it|(?:whole|rest of the|entire) trip|trip['’]?s end|trip ends?)\b|\b(?:for|through) the trip\b/i;
const NEXT_STOP = /\b(?:(?:the )?next (?:stop|tap|fill|dump|service))\b/i;
const NOON = 12;
const MORNING = 10;

/** A stop to come that is named behind `until` or `to`. */
function stopAhead(
	text: string,
	{ nowMs, trip }: QuickContext
): { readonly stop: Stop; readonly at: Place } | undefined {
	for (const stop of trip?.stops ?? []) {
		if (stop.retired || Date.parse(stop.arrive) <= nowMs) continue;
		const words = plainWords(stop.name).map((word) => word.replaceAll(/[^\p{L}\p{N}]/gu, ''));
		const at = new RegExp(
			`\\b(?:until|till?|to|before|as far as)\\s+(?:the\\s+)?${words.join('[^\\p{L}\\p{N}]+')}(?![\\p{L}\\p{N}])`,
			'iu'
		).exec(text);
		if (at) return { stop, at: placeOf(at) };
	}
	return undefined;
}

/** Until when a question asks whether something lasts; nothing where it names no end. */
export function untilIn(asked: string, context: QuickContext): Read<UntilSaid> | undefined {
	const text = shielded(asked, namesOf(context));
	const { nowMs, timeZone, trip } = context;
	const today = zonedTime(nowMs, timeZone).day;
	const read = (ms: number, said: string, at: Place): Read<UntilSaid> | undefined =>
		ms > nowMs ? { found: { ms, said }, rest: cutOut(asked, at) } : undefined;
	const more = MORE_DAYS.exec(text);
	if (more) {
		const count = countOf(more[1] ?? more[3] ?? '1');
		const unit = (more[2] ?? more[4] ?? 'days').toLowerCase();
		const ms = unit.startsWith('night')
			? startOf(dayPlus(today, count), context, MORNING)
			: nowMs + count * (unit.startsWith('week') ? 7 : 1) * DAY_MS;
		return read(
			ms,
			`for ${count} ${count === 1 ? unit.replace(/s$/, '') : unit.replace(/s?$/, 's')}`,
			placeOf(more)
		);
	}
	const ends = trip?.stops.filter(({ retired }) => !retired).map(({ depart }) => Date.parse(depart)) ?? [];
	const tripEnd = TRIP_END.exec(text);
	if (tripEnd && ends.length > 0) return read(Math.max(...ends), 'until the trip ends', placeOf(tripEnd));
	const nextStop = UNTIL.test(text) ? NEXT_STOP.exec(text) : null;
	const arrives = trip?.stops.map(({ arrive }) => Date.parse(arrive)).find((ms) => ms > nowMs);
	if (nextStop && arrives !== undefined) return read(arrives, 'until the next stop', placeOf(nextStop));
	const named = stopAhead(asked, context);
	if (named) return read(Date.parse(named.stop.arrive), `until ${named.stop.name}`, named.at);
	const weekend = WEEKEND.exec(text);
	if (weekend) {
		const { weekday } = zonedTime(nowMs, timeZone);
		return read(
			startOf(dayPlus(today, ((7 - weekday) % 7) + 1), context),
			'until Sunday night',
			placeOf(weekend)
		);
	}
	const found = casual.parse(text, clockOf(nowMs, timeZone), { forwardDate: true });
	const [when] = found;
	if (
		!when ||
		!(when.start.isCertain('weekday') || when.start.isCertain('day') || when.start.isCertain('hour'))
	)
		return undefined;
	const { day } = zonedTime(when.start.date().getTime(), timeZone);
	const hour = /\btonight\b/i.test(when.text)
		? 23
		: /\bmorning\b/i.test(when.text)
			? MORNING
			: /\bevening\b/i.test(when.text)
				? 20
				: NOON;
	const sure = when.start.isCertain('hour') && !/\b(?:tonight|morning|evening|afternoon)\b/i.test(when.text);
	const ms = sure ? when.start.date().getTime() : startOf(day, context, hour);
	const noon = hour === NOON && !sure ? ' noon' : '';
	const at = withLead(text, when, new RegExp(`${UNTIL.source}$`, 'i'));
	return read(
		ms,
		/tonight/i.test(when.text) ? 'through tonight' : `until ${sayDay(ms, nowMs, timeZone)}${noon}`,
		at
	);
}
