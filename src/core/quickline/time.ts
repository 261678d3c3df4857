import { dayPlus, zonedMs, zonedTime } from '../logbook/index.js';

/** A moment that a line may mean. */
export interface Moment {
	readonly ms: number;
	/** said when the line does not name it outright */
	readonly warns?: string;
}

/** What is left of a line once its time is taken out, and the moments that may be meant, likeliest first. */
export interface Timed {
	readonly rest: string;
	readonly moments: readonly Moment[];
	/** whether the line named a time at all */
	readonly named: boolean;
}

const WEEKDAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'];
const DAY_WORD = String.raw`yesterday|today|(?:sun|mon|tue|wed|thu|fri|sat)[a-z]*|\d{4}-\d{2}-\d{2}`;
const CLOCK = String.raw`(?:at\s+)?([01]?\d|2[0-3])[:.h]([0-5]\d)`;
const AGO = String.raw`[-−]\s*(\d+(?:[.,]\d+)?)\s*(min|m|h|d)[a-z]*|(\d+(?:[.,]\d+)?)\s*(min|m|h|d)[a-z]*\s+ago`;

const AGO_MS: Readonly<Record<string, number>> = { m: 60_000, min: 60_000, h: 3_600_000, d: 86_400_000 };

/** A phrase at the start or at the end of a line, whole words only. */
const takeEither = (line: string, phrase: string): { match: RegExpExecArray; rest: string } | undefined => {
	const start = new RegExp(`^(?:${phrase})(?=\\s|$)`, 'i').exec(line);
	if (start) return { match: start, rest: line.slice(start[0].length).trim() };
	const end = new RegExp(`(?:^|\\s)(?:${phrase})$`, 'i').exec(line);
	return end ? { match: end, rest: line.slice(0, end.index).trim() } : undefined;
};

function dayNamed(word: string, nowMs: number, timeZone: string): string | undefined {
	const { day: today, weekday } = zonedTime(nowMs, timeZone);
	if (word === 'today') return today;
	if (word === 'yesterday') return dayPlus(today, -1);
	if (/^\d/.test(word)) return Number.isNaN(Date.parse(`${word}T00:00:00Z`)) ? undefined : word;
	const meant = WEEKDAYS.findIndex((name) => word.length >= 3 && name.startsWith(word));
	// The last such day: "wed" on a Wednesday is today.
	return meant === -1 ? undefined : dayPlus(today, -((weekday - meant + 7) % 7));
}

function clockAlone(hour: number, minute: number, nowMs: number, timeZone: string): readonly Moment[] {
	const { day } = zonedTime(nowMs, timeZone);
	const today = zonedMs(day, timeZone, hour, minute);
	if (today <= nowMs) return [{ ms: today }];
	return [
		{
			ms: zonedMs(dayPlus(day, -1), timeZone, hour, minute),
			warns: 'Yesterday is meant: today that time is still to come.'
		},
		{ ms: today, warns: 'That is still to come.' }
	];
}

/**
 * Takes the time out of a line: `yesterday 21:30`, `08:15`, `-2h`, `30 min ago`, `wed 18:00`, `2027-04-18 07:10`,
 * at its start or its end. A line without one means now.
 */
export function takeTime(line: string, nowMs: number, timeZone: string): Timed {
	const text = line.trim();
	const ago = takeEither(text, AGO);
	if (ago) {
		const amount = Number((ago.match[1] ?? ago.match[3] ?? '0').replace(',', '.'));
		const unit = (ago.match[2] ?? ago.match[4] ?? 'h').toLowerCase();
		return { rest: ago.rest, moments: [{ ms: nowMs - amount * (AGO_MS[unit] ?? 0) }], named: true };
	}
	const both = takeEither(text, `(${DAY_WORD})[\\sT]+${CLOCK}`);
	const dated = both ?? takeEither(text, `(${DAY_WORD})`);
	const day = dated && dayNamed((dated.match[1] ?? '').toLowerCase(), nowMs, timeZone);
	if (dated && day) {
		const { hour, minute } = both
			? { hour: Number(both.match[2]), minute: Number(both.match[3]) }
			: zonedTime(nowMs, timeZone);
		const ms = zonedMs(day, timeZone, hour, minute);
		return {
			rest: dated.rest,
			moments: [ms > nowMs ? { ms, warns: 'That is still to come.' } : { ms }],
			named: true
		};
	}
	const clock = takeEither(text, CLOCK.replace('[:.h]', '[:h]'));
	if (clock)
		return {
			rest: clock.rest,
			moments: clockAlone(Number(clock.match[1]), Number(clock.match[2]), nowMs, timeZone),
			named: true
		};
	return { rest: text, moments: [{ ms: nowMs }], named: false };
}
