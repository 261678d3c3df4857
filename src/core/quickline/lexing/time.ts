import {
	clockTime,
	DAY_MS,
	dayPlus,
	HOUR_MS,
	isCalendarDay,
	MINUTE_MS,
	padded,
	zonedMs,
	zonedTime
} from '../../time/index.js';
import { casual, type ParsedResult } from 'chrono-node/en';
import { shielded, without } from './shield.js';
import { minutesHidden } from './tokens.js';

/** A moment that a line may mean. */
export interface Moment {
	readonly ms: number;
	/** said when the line does not name it outright */
	readonly warns?: string;
}

/**
 * What is left of a line once its time is taken out, and the moments that may be meant, likeliest first; or why there
 * is no such time.
 */
export type Timed =
	| { readonly rest: string; readonly moments: readonly Moment[]; readonly named: boolean }
	| { readonly problem: string };

/** Nobody writes down what lies further back, or so far ahead. */
const EARLIEST_MS = 20 * 366 * DAY_MS;
const LATEST_MS = 2 * 366 * DAY_MS;

const AGO_MS: ReadonlyMap<string, number> = new Map([
	['m', MINUTE_MS],
	['h', 60 * MINUTE_MS],
	['d', DAY_MS]
]);
/** `-2h`, `−30 min`: so long ago. */
const BACK = /(?<=^|\s)[-−]\s*(\d+(?:[.,]\d+)?)\s*(m|h|d)[a-z]*(?=\s|$)/i;
/** `an hour and a half ago`, of which the parser takes the half alone. */
export const AND_A_HALF = /(?<=^|\s)(an?|one|\d+)\s+(hour|day)s?\s+and\s+a\s+half\s+ago(?=\s|$)/i;
const BY_CALENDAR = /(?<=^|\s)\d{4}-\d{2}-\d{2}(?=$|[\sT])/;
/** Two figures as on a clock, whether or not a clock shows them. */
const LIKE_CLOCK = /(?<=^|\s|T)(\d{1,2}):(\d{2})(?=$|[\s,;.a-z])/i;
const WEEKDAYS = 'sun|mon|tue|wed|thu|fri|sat';

/** The hours that the parts of a day are taken for. */
const PARTS: readonly (readonly [RegExp, number])[] = [
	[/last night/, 22],
	[/morning/, 8],
	[/afternoon/, 15],
	[/evening/, 20],
	[/night$/, 22]
];

const STILL_TO_COME = 'That is still to come.';

const TOO_FAR = {
	problem: 'That is too far from today. Enter when, for example “yesterday 21:30” or “-2h”.'
};

/** Moments that a logbook may hold; a slip of the keyboard is none. */
const within = (timed: Extract<Timed, { rest: string }>, nowMs: number): Timed =>
	timed.moments.every(({ ms }) => ms >= nowMs - EARLIEST_MS && ms <= nowMs + LATEST_MS) ? timed : TOO_FAR;

type Component = 'year' | 'month' | 'day' | 'weekday' | 'hour' | 'minute' | 'meridiem';

/** A time that stands in a line. */
type Found = Pick<ParsedResult, 'index' | 'text' | 'start'>;

/** What several findings in a line say together: a day here, a time there. */
interface Saying {
	readonly text: string;
	readonly sure: (component: Component) => boolean;
	readonly get: (component: Component) => number | null;
}

const saysDay = ({ start }: Pick<Found, 'start'>): boolean =>
	start.isCertain('day') || start.isCertain('weekday');
const saysTime = ({ start, text }: Found): boolean =>
	start.isCertain('hour') || PARTS.some(([part]) => part.test(text.toLowerCase()));

function together(found: readonly Found[]): Saying | undefined {
	const [first, second] = found;
	if (!first) return undefined;
	const day = found.find(saysDay);
	const time = found.find(saysTime);
	if (second && !(day && time && found.length === 2)) return undefined;
	const of = (component: Component): Found =>
		(['hour', 'minute', 'meridiem'].includes(component) ? time : day) ?? first;
	return {
		text: found.map(({ text }) => text.toLowerCase()).join(' '),
		sure: (component) => of(component).start.isCertain(component),
		get: (component) => of(component).start.get(component)
	};
}

/** So long ago, or in so long: the parser reckons these by themselves. */
const RELATIVE = /\b(ago|before|earlier|later|now|in (?:an?|\d|half))\b/;
/** Words that the parser takes for a time and people here do not. */
const NO_TIME = /^((for )?(the |a )?night|second|seconds?|may|march|mar|dec|jan|sun\.|at \d+(?:[.,]\d+)?)$/;

/** Findings that are a time as people say one: with a letter or a colon, and not a month alone. */
const isTime =
	(measures: boolean) =>
	({ text, start }: Found): boolean => {
		const plain = text.toLowerCase();
		if (!/[a-z:]|^\d{4}-\d{2}/.test(plain)) return false;
		if (/^at \d{1,2}$/.test(plain)) return !measures;
		if (NO_TIME.test(plain)) return false;
		return saysDay({ start }) || start.isCertain('hour') || PARTS.some(([part]) => part.test(plain));
	};

/** The days that are meant, the likeliest first; none named means today, and yesterday for what is still to come. */
function daysOf(
	saying: Saying,
	today: string,
	weekday: number
): { readonly days: readonly string[]; readonly sure: boolean } {
	const written = `${saying.get('year')}-${padded(saying.get('month') ?? 1)}-${padded(saying.get('day') ?? 1)}`;
	if (saying.sure('weekday') && !saying.sure('day')) {
		const back = (weekday - (saying.get('weekday') ?? 0) + 7) % 7;
		if (/\bnext\b/.test(saying.text)) return { days: [dayPlus(today, 7 - back)], sure: true };
		// The last such day: "wed" on a Wednesday is today, "last wed" is not.
		return { days: [dayPlus(today, -(back === 0 && /\blast\b/.test(saying.text) ? 7 : back))], sure: true };
	}
	if (saying.sure('day')) {
		// A date without its year is the last such date.
		if (!saying.sure('year') && /[a-z]/.test(saying.text)) {
			const [, monthDay = ''] = /^\d+-(.*)$/.exec(written) ?? [];
			const year = Number(today.slice(0, 4));
			// A leap day may lie eight years back.
			const last = Array.from({ length: 9 }, (_, back) => `${year - back}-${monthDay}`).find(
				(day) => isCalendarDay(day) && day <= today
			);
			return { days: last === undefined ? [] : [last], sure: true };
		}
		return { days: [written], sure: true };
	}
	if (/last night/.test(saying.text)) return { days: [dayPlus(today, -1)], sure: true };
	if (/\b(this|today|tonight)\b/.test(saying.text)) return { days: [today], sure: true };
	return { days: [today, dayPlus(today, -1)], sure: false };
}

function hoursOf(
	saying: Saying,
	now: { hour: number; minute: number }
): readonly (readonly [number, number])[] {
	if (saying.sure('hour')) {
		const [hour, minute] = [saying.get('hour') ?? 0, saying.get('minute') ?? 0];
		const half =
			saying.sure('meridiem') || /:|noon|midnight|midday|morning|afternoon|evening|night/.test(saying.text);
		return half || hour === 0 || hour > 12
			? [[hour, minute]]
			: [
					[hour % 12 === 0 ? 12 : hour, minute],
					[(hour % 12) + 12, minute]
				];
	}
	const part = PARTS.find(([words]) => words.test(saying.text));
	return [part ? [part[1], 0] : [now.hour, now.minute]];
}

/** The moments that a saying may mean, likeliest first. */
function momentsOf(saying: Saying, nowMs: number, timeZone: string): readonly Moment[] {
	const { day: today, weekday, hour, minute } = zonedTime(nowMs, timeZone);
	const { days, sure } = daysOf(saying, today, weekday);
	const hours = hoursOf(saying, { hour, minute });
	const vague = !saying.sure('hour');
	const all = days.flatMap((day) =>
		hours.map(([h, m]) => {
			const ms = zonedMs(day, timeZone, h, m);
			// A part of today that has begun is no later than now.
			return vague &&
				day === today &&
				ms > nowMs &&
				ms - nowMs < 4 * HOUR_MS &&
				!/night|evening/.test(saying.text)
				? nowMs
				: ms;
		})
	);
	const past = [...new Set(all.filter((ms) => ms <= nowMs))].sort((a, b) => b - a);
	const ahead = [...new Set(all.filter((ms) => ms > nowMs))].sort((a, b) => a - b);
	if (sure || hours.length > 1) {
		const meant = past.length > 0 ? past : ahead;
		return meant
			.slice(0, hours.length)
			.map((ms): Moment => (ms > nowMs ? { ms, warns: STILL_TO_COME } : { ms }));
	}
	const [latest] = past;
	const [next] = ahead;
	if (next === undefined) return latest === undefined ? [] : [{ ms: latest }];
	return [
		...(latest === undefined
			? []
			: [{ ms: latest, warns: 'Taken as yesterday: it isn’t that time yet today.' }]),
		{ ms: next, warns: STILL_TO_COME }
	];
}

const DAY = `(?:yesterday|today|tomorrow|tonight|this|last|(?:${WEEKDAYS})[a-z]*)`;
const MONTH = '(?:jan|feb|mar|apr|may|june?|july?|aug|sep|oct|nov|dec)';
/** `20 yesterday`, `20 on monday`: an amount, and not eight in the evening. */
const BEFORE_A_DAY = new RegExp(
	`(?<=^|\\s)(?<!\\bat\\s+)\\d+(?:[.,]\\d+)?(?=\\s+(?:on\\s+)?${DAY}(?![a-z]))`,
	'gi'
);
/** `yesterday 2 showers`: an amount, and not two o'clock. */
const BEHIND_A_DAY = new RegExp(
	`(?<=(?:^|\\s)(?:${DAY}|morning|noon|afternoon|evening|night)\\s+)\\d+(?:[.,]\\d+)?(?=\\s|$)(?!\\s*(?:am|pm|o.?clock|${MONTH})(?![a-z]))`,
	'gi'
);
const hide = (amount: string): string => '_'.repeat(amount.length);

/** Figures of a clock or calendar in the forms that the parser reads; of the same length. */
const inParsersForm = (text: string): string =>
	text
		.replaceAll(/(?<=^|\s)([01]?\d|2[0-3])h([0-5]\d)(?=\s|$)/gi, '$1:$2')
		.replaceAll(
			new RegExp(
				`((?:yesterday|today|(?:${WEEKDAYS})[a-z]*)\\s+(?:at\\s+)?(?:[01]?\\d|2[0-3]))\\.([0-5]\\d)(?=\\s|$)`,
				'gi'
			),
			'$1:$2'
		)
		.replaceAll(BEFORE_A_DAY, hide)
		.replaceAll(BEHIND_A_DAY, hide);

/**
 * Takes the time out of a line, wherever it stands: `yesterday 21:30`, `08:15`, `-2h`, `30 min ago`, `yesterday evening`,
 * `tue 8am`, `2027-04-18 07:10`. A line without one means now.
 *
 * @param names of things that are no times, whatever they are called
 * @param measures the line is about a figure that something shows, so that `at 8` is one
 */
export function takeTime(
	text: string,
	nowMs: number,
	timeZone: string,
	names: readonly string[] = [],
	measures = false
): Timed {
	const hidden = inParsersForm(minutesHidden(shielded(text, names)));
	const back = BACK.exec(hidden);
	if (back) {
		const amount =
			Number((back[1] ?? '0').replace(',', '.')) * (AGO_MS.get((back[2] ?? 'h').toLowerCase()) ?? 0);
		const rest = without(text, [{ index: back.index, length: back[0].length }]);
		return within({ rest, moments: [{ ms: nowMs - amount }], named: true }, nowMs);
	}
	const half = AND_A_HALF.exec(hidden);
	if (half) {
		const count = /^\d/.test(half[1] ?? '') ? Number(half[1]) : 1;
		const ms = nowMs - (count + 0.5) * (half[2]?.toLowerCase() === 'day' ? DAY_MS : 60 * MINUTE_MS);
		return within(
			{
				rest: without(text, [{ index: half.index, length: half[0].length }]),
				moments: [{ ms }],
				named: true
			},
			nowMs
		);
	}
	const calendar = BY_CALENDAR.exec(hidden)?.[0];
	if (calendar !== undefined && !isCalendarDay(calendar))
		return { problem: `${calendar} is not a date. Enter the day like “2027-04-18”.` };
	if (calendar !== undefined && Math.abs(Date.parse(calendar) - nowMs) > EARLIEST_MS) return TOO_FAR;
	const clock = LIKE_CLOCK.exec(hidden);
	if (clock && (Number(clock[1]) > 23 || Number(clock[2]) > 59))
		return { problem: `${clock[1]}:${clock[2]} is not a time. Enter it like “21:30”.` };
	const found = parsed(hidden, nowMs, timeZone).filter(isTime(measures));
	if (found.length === 0) return { rest: text.trim(), moments: [{ ms: nowMs }], named: false };
	const rest = without(
		text,
		found.map(({ index, text: { length } }) => leadIn(hidden, index, length))
	);
	const [only] = found;
	if (
		found.length === 1 &&
		only &&
		RELATIVE.test(only.text.toLowerCase()) &&
		!/before yesterday/i.test(only.text)
	) {
		const ms = only.start.date().getTime();
		return within(
			{ rest, moments: [ms > nowMs + MINUTE_MS ? { ms, warns: STILL_TO_COME } : { ms }], named: true },
			nowMs
		);
	}
	const saying = together(found);
	if (!saying)
		return {
			problem: `When was it: ${found.map(({ text: said }) => `“${said}”`).join(' or ')}? Enter just one.`
		};
	const moments = momentsOf(saying, nowMs, timeZone);
	return moments.length > 0
		? within({ rest, moments, named: true }, nowMs)
		: { problem: `“${saying.text}” is not a date. Enter the day like “2027-04-18”.` };
}

/** What the parser finds, its clock being the one of the zone. */
function parsed(text: string, nowMs: number, timeZone: string): readonly ParsedResult[] {
	const local = zonedTime(nowMs, timeZone);
	const offset =
		(Date.parse(`${local.day}T${clockTime(local)}:00Z`) - Math.floor(nowMs / MINUTE_MS) * MINUTE_MS) /
		MINUTE_MS;
	return casual.parse(text, { instant: new Date(nowMs), timezone: offset });
}

/** A finding with the little word before it: `around 8am`, `on tue`. */
function leadIn(
	text: string,
	index: number,
	length: number
): { readonly index: number; readonly length: number } {
	const before = /(?:^|\s)(?:at|on|around|about|from|since|just|earlier)\s+$/i.exec(text.slice(0, index));
	return before ? { index: before.index, length: length + index - before.index } : { index, length };
}
