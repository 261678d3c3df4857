import { padded } from '../time/index.js';

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;
const DAYS = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su'] as const;
const DAY_NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
const LONG_DAYS = [
	'Mondays',
	'Tuesdays',
	'Wednesdays',
	'Thursdays',
	'Fridays',
	'Saturdays',
	'Sundays'
] as const;

const MONTH = String.raw`(?:(\d{1,2})\.?\s*)?(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?(?:\s*(\d{1,2})(?![\d:.]*\s*(?:am|pm|[-:]))(?:st|nd|rd|th)?)?`;
const DAY = String.raw`(mon(?:days?)?|tue(?:s|sdays?)?|wed(?:nesdays?|s)?|thu(?:rs?|rsdays?)?|fri(?:days?)?|sat(?:urdays?)?|sun(?:days?)?|mo|tu|we|th|fr|sa|su)(?![a-z])\.?`;
const TO = String.raw`\s*(?:-|to|till?|until|through)\s*`;
const WORD = (source: string): RegExp => new RegExp(String.raw`(?<![a-z\d])(?:${source})(?![a-z])`);
const MONTH_RANGE = WORD(MONTH + TO + MONTH);
const ONE_MONTH = WORD(String.raw`(?:in\s+|only\s+)?${MONTH}`);
const DAY_RANGE = WORD(String.raw`(?:on\s+)?${DAY}${TO}${DAY}`);
const DAY_LIST = WORD(String.raw`(?:on\s+)?${DAY}(?:\s*(?:,|and|&|\+)\s*${DAY}){0,5}`);
const CLOCK = String.raw`(?:(\d{1,2})(?:[:.h](\d{2}))?\s*(am|pm)?|(noon|midnight))`;
const HOURS = WORD(String.raw`(?:from\s+|between\s+)?${CLOCK}\s*(?:-|to|till?|until|and)\s*${CLOCK}`);
const FROM_HOUR = WORD(String.raw`(?:from|after)\s+${CLOCK}`);
const UNTIL_HOUR = WORD(String.raw`(?:until|till?|before)\s+${CLOCK}`);
const DAYLIGHT = WORD(String.raw`(?:in\s+)?day\s*light|by\s+day|(?:dawn|sunrise)${TO}(?:dusk|sunset)`);
const NOT = String.raw`(?:(?:but\s+)?(?:not|except|closed|shut|no|never)(?:\s+(?:on|at|in))?\s+)`;
const NOT_HOLIDAYS = WORD(`${NOT}(?:public\\s+|bank\\s+)?holidays?`);
const NOT_DAYS = WORD(String.raw`${NOT}(?:weekends?|${DAY}(?:${TO}${DAY}|(?:\s*(?:,|and|or|&)\s*${DAY})*))`);
const FILLER =
	/(?<![a-z])(?:open|daily|every\s*day|all\s+year|only|all\s+week|hours?|h|o’clock|and|on|the|from)(?![a-z])|[,;:.()]/g;

const monthAt = (name: string): number =>
	MONTHS.findIndex((month) => month.toLowerCase() === name.slice(0, 3));
const dayAt = (name: string): number => DAYS.findIndex((day) => day.toLowerCase() === name.slice(0, 2));

/** One clock of a text, as minutes of the day; nothing where there is no such time. */
function minutesOf(
	[hour, minute = '0', half, word]: readonly (string | undefined)[],
	otherHalf?: string
): number | undefined {
	if (word) return word === 'noon' ? 720 : 1440;
	const typed = Number(hour);
	const pm = half ?? otherHalf;
	const h = pm === 'pm' && typed < 12 ? typed + 12 : pm === 'am' && typed === 12 ? 0 : typed;
	const all = 60 * h + Number(minute);
	return h > 24 || Number(minute) > 59 || all > 1440 ? undefined : all;
}
const clock = (minutes: number): string => `${padded(Math.floor(minutes / 60))}:${padded(minutes % 60)}`;

/** Takes the first match of a pattern out of a text. */
class Text {
	text: string;
	constructor(text: string) {
		this.text = text;
	}
	take(pattern: RegExp): RegExpExecArray | undefined {
		const match = pattern.exec(this.text);
		if (!match) return undefined;
		this.text = `${this.text.slice(0, match.index)} , ${this.text.slice(match.index + match[0].length)}`;
		return match;
	}
}

const dateOf = (month: string, day: string | undefined): string =>
	`${MONTHS[monthAt(month)] ?? ''}${day ? ` ${padded(Number(day))}` : ''}`;

function monthsIn(text: Text): string {
	const range = text.take(MONTH_RANGE);
	if (range) {
		const [
			,
			before = undefined,
			from = '',
			behind = undefined,
			before2 = undefined,
			to = '',
			behind2 = undefined
		] = range;
		return `${dateOf(from, before ?? behind)}-${dateOf(to, before2 ?? behind2)}`;
	}
	const one = text.take(ONE_MONTH);
	return one ? dateOf(one[2] ?? '', one[1] ?? one[3]) : '';
}

function daysIn(text: string): string {
	const days = (from: number, to: number): string => `${DAYS[from]}-${DAYS[to]}`;
	if (/weekend/.test(text)) return days(5, 6);
	if (/week\s*days/.test(text)) return days(0, 4);
	const range = DAY_RANGE.exec(text);
	if (range) return days(dayAt(range[1] ?? ''), dayAt(range[2] ?? ''));
	const named = [...text.matchAll(new RegExp(WORD(DAY).source, 'g'))].map(
		([, name = '']) => DAYS[dayAt(name)]
	);
	return [...new Set(named)].join(',');
}

/** The hours of a text; nothing where a time of day in it does not exist. */
function hoursIn(text: Text): string | undefined {
	if (text.take(DAYLIGHT)) return 'sunrise-sunset';
	const all: string[] = [];
	for (let found = text.take(HOURS); found; found = text.take(HOURS)) {
		const [, ...parts] = found;
		const to = minutesOf(parts.slice(4, 8));
		const from = minutesOf(
			parts.slice(0, 4),
			parts[6] && Number(parts[0]) < Number(parts[4]) ? parts[6] : undefined
		);
		if (from === undefined || to === undefined) return undefined;
		all.push(`${clock(from)}-${clock(to)}`);
	}
	const [after, before] = [text.take(FROM_HOUR), text.take(UNTIL_HOUR)];
	if (after ?? before) {
		const from = after ? minutesOf(after.slice(1)) : 0;
		const to = before ? minutesOf(before.slice(1)) : 1440;
		if (from === undefined || to === undefined) return undefined;
		all.push(`${clock(from)}-${clock(to)}`);
	}
	return all.join(',');
}

/**
 * Opening hours as people say them, in the open map's syntax: `Apr–Oct, 8–18, not on Sundays` is `Apr-Oct 08:00-18:00; Su off`.
 *
 * @returns nothing where some of it is not understood
 */
export function hoursFromWords(said: string): string | undefined {
	const text = new Text(
		` ${said.trim().toLowerCase().replaceAll(/[–—−]/g, '-').replaceAll(/[’']/g, '’').replaceAll(/\s+/g, ' ')} `
	);
	if (/^ (?:24\/7|24 ?h(?:ours)?|always|day and night|any ?time|round the clock)(?: open)? $/.test(text.text))
		return '24/7';
	if (/^ (?:off|shut|closed|out of order|frozen)(?: (?:until further notice|for now))? $/.test(text.text))
		return 'off';
	const noHolidays = text.take(NOT_HOLIDAYS) !== undefined;
	const not = text.take(NOT_DAYS);
	const months = monthsIn(text);
	const dayText =
		text.take(WORD(String.raw`(?:on\s+)?(?:at\s+)?week\s*(?:days|ends?)`)) ??
		text.take(DAY_RANGE) ??
		text.take(DAY_LIST);
	const hours = hoursIn(text);
	if (hours === undefined || text.text.replaceAll(FILLER, '').trim() !== '') return undefined;
	const days = dayText ? daysIn(dayText[0]) : '';
	const rule = [months, days, hours].filter((part) => part !== '').join(' ');
	if (rule === '' && !not && !noHolidays) return undefined;
	return [
		rule === '' ? '00:00-24:00' : rule,
		...(not ? [`${daysIn(not[0])} off`] : []),
		...(noHolidays ? ['PH off'] : [])
	].join('; ');
}

const MONTH_PART = String.raw`(?:Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec)(?: \d\d)?`;
const DAY_PART = String.raw`(?:Mo|Tu|We|Th|Fr|Sa|Su)`;
const RULE = new RegExp(
	String.raw`^(${MONTH_PART}(?:-${MONTH_PART})?)?:? ?(${DAY_PART}(?:[-,]${DAY_PART})*)? ?((?:\d\d?:\d\d-\d\d?:\d\d)(?:, ?\d\d?:\d\d-\d\d?:\d\d)*|sunrise-sunset)?$`
);
const OFF = new RegExp(String.raw`^((?:${DAY_PART}|PH)(?:[-,](?:${DAY_PART}|PH))*) off$`);
const nameOfDay = (day: string): string => DAY_NAMES[DAYS.findIndex((one) => one === day)] ?? day;
const longDay = (day: string): string => LONG_DAYS[DAYS.findIndex((one) => one === day)] ?? day;
const spelled = (part: string, name: (day: string) => string): string =>
	part
		.split(',')
		.map((one) => one.split('-').map(name).join('–'))
		.join(', ');

/** Opening hours in the open map's syntax as people say them; what is more than that stays as it is. */
export function sayHours(open: string): string {
	const plain = open.trim();
	if (plain === '24/7') return 'always';
	if (/^(?:off|closed)$/i.test(plain)) return 'shut';
	const [first = '', ...others] = plain.split(/\s*;\s*/);
	const rule = RULE.exec(first);
	const offs = others.map((other) => OFF.exec(other)?.[1]);
	if (!rule || offs.includes(undefined)) return open;
	const [, months, days, hours] = rule;
	const clocks = hours
		?.replace('sunrise-sunset', 'sunrise to sunset')
		.replaceAll(/\b0(\d:)/g, '$1')
		.replaceAll(/(\d)-(\d)/g, '$1–$2')
		.replaceAll(/,\s*/g, ', ');
	const parts = [
		months?.replaceAll(/([A-Z][a-z]{2}) 0?(\d{1,2})/g, '$2 $1').replace('-', '–'),
		days && spelled(days, nameOfDay),
		hours === '00:00-24:00' && others.length > 0 ? undefined : clocks,
		...offs.flatMap((off) =>
			(off ?? '').split(',').length > 0
				? [off === 'PH' ? 'not on public holidays' : `not on ${spelled(off ?? '', longDay)}`]
				: []
		)
	];
	return parts.filter((part) => part !== undefined && part !== '').join(', ');
}
