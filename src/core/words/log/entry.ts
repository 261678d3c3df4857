import { clockTime, dayWriter, utcMidnightMs, zonedTime } from '../../time/index.js';
import { instantMs, type EntryKind, type EntryOf, type Rig, type Trip } from '../../logbook/index.js';

/** How a time was lived of which nothing was logged. */
export const LIVED_WORDS: Readonly<Record<EntryOf<'gap'>['lived'], string>> = {
	'as-usual': 'As usual',
	less: 'Less than usual',
	away: 'Away'
};

/** Out of which source, where one is named. */
export const sayFrom = ({ sources = [] }: Rig, id: string | undefined): string =>
	id === undefined ? '' : ` from ${sources.find((one) => one.id === id)?.name ?? id}`;

/** What the ledger calls each kind. */
export const KIND_WORDS: Readonly<Record<EntryKind, string>> = {
	use: 'Use',
	fill: 'Fill',
	dump: 'Dump',
	transfer: 'Transfer',
	reading: 'Reading',
	mark: 'Seen',
	crew: 'Crew',
	gap: 'Not logged',
	measure: 'Way to save',
	hookup: 'Hook-up',
	stop: 'Stop',
	care: 'Care',
	note: 'Note'
};

/** What a kind is called within a sentence: `hook-up`. */
export const sayKind = ({ kind }: { readonly kind: EntryKind }): string => KIND_WORDS[kind].toLowerCase();

/** `07:25` in a zone. */
export function clockText(at: string, timeZone: string): string {
	return clockTime(zonedTime(instantMs(at), timeZone));
}

const DAY = dayWriter({ weekday: 'short', day: 'numeric', month: 'short' });
/** `Wed 21 Apr` for a calendar day. */
export const dayText = (day: string): string => DAY(utcMidnightMs(day)).replace(',', '');

/** `Wed 21 Apr to Mon 3 May` for the days of a trip. */
export const sayDays = ({ from, to }: Pick<Trip, 'from' | 'to'>): string =>
	`${dayText(from)} to ${dayText(to)}`;

/** `Wed 21 Apr 07:25` in a zone. */
export const sayInstant = (ms: number, timeZone: string): string => {
	const local = zonedTime(ms, timeZone);
	return `${dayText(local.day)} ${clockTime(local)}`;
};
