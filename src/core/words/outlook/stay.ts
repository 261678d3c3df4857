import { clockTime, DAY_MS, zonedTime } from '../../time/index.js';
import { formatDuration } from '../../units/index.js';
import { sayWhen } from '../when.js';

/** How the stay changes with one more entry. */
export type StayChange =
	| { readonly kind: 'same' }
	/** the entry lies ahead and does not count yet */
	| { readonly kind: 'later' }
	| {
			readonly kind: 'moves';
			readonly fromDays: number;
			readonly toDays: number;
			/** by how much, before it is cut off at now */
			readonly movedDays: number;
			/** the tank that then binds first, when it is another one */
			readonly first: string | undefined;
	  };

/** To the half hour: `15:30`. */
const clock = (ms: number, timeZone: string): string => {
	const { hour, minute } = zonedTime(ms, timeZone);
	return clockTime({ hour, minute: minute < 30 ? 0 : 30 });
};

/** A text with a capital first letter. */
export const capital = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;

/**
 * What one more entry does to the stay: `Lasts until Thursday night, not Friday around noon.`
 *
 * @param horizon how far was looked ahead, days
 */
export function sayStay(change: StayChange, nowMs: number, horizon: number, timeZone: string): string {
	if (change.kind === 'same') return 'You can stay just as long.';
	if (change.kind === 'later') return 'That is still to come; it counts from then on.';
	const beyond = change.toDays >= horizon;
	const say = (days: number): string =>
		days >= horizon ? `more than ${horizon} days` : sayWhen(nowMs + days * DAY_MS, nowMs, timeZone);
	const [from, to] = [say(change.fromDays), say(change.toDays)];
	const lasts = beyond ? `${to}, not until ${from}` : `until ${to}, not ${from}`;
	const hours = Math.round(Math.abs(change.movedDays) * 24);
	const words =
		from === to
			? `${hours === 1 ? 'An hour' : `${hours} hours`} ${change.movedDays < 0 ? 'less' : 'more'}: until ${clock(nowMs + change.toDays * DAY_MS, timeZone)}`
			: `Lasts ${lasts}${change.first === undefined ? '' : `; ${change.first} becomes the limit`}`;
	return `${capital(words)}.`;
}

/** Less than this is no difference that one would notice, days. */
const HARDLY_DAYS = 1 / 12;

/** What a change of the rig gains: a figure, and which tank binds first then. */
export function sayGain(
	days: number,
	bindsNow: string,
	bindsThen: string
): { readonly figure: string; readonly says: string } {
	if (Math.abs(days) < HARDLY_DAYS)
		return { figure: 'It would change nothing', says: `: ${bindsNow} is still the limit` };
	return {
		figure: `${formatDuration(Math.abs(days))} ${days > 0 ? 'more' : 'less'}`,
		says: `; then ${bindsThen} is the limit`
	};
}
