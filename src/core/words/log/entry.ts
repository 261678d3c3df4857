import { clockTime, utcMidnightMs, writtenOffsetMs, zonedTime } from '../../time/index.js';
import {
	instantMs,
	type Entry,
	type EntryKind,
	type EntryOf,
	type Instrument,
	type Rig,
	type Trip
} from '../../logbook/index.js';
import { isLoss, tankById } from '../../rig/index.js';
import { formatLitres, formatQuantity, type UnitChoice } from '../../units/index.js';
import { saySea, sayValves } from './valves.js';

/** What entries are told by: the rig, the trips, the units and the zone. */
export interface DescribeContext {
	readonly rig: Rig;
	readonly trips: readonly Trip[];
	readonly units: UnitChoice;
}

const amount = (litres: number | undefined, units: UnitChoice): string =>
	litres === undefined ? '' : formatLitres(litres, units);

function readingText(instrument: Instrument | undefined, value: number | string, units: UnitChoice): string {
	if (!instrument) return String(value);
	if (instrument.kind === 'rod' && typeof value === 'number')
		return `${instrument.name} ${formatQuantity(value, 'length', units)}`;
	// A meter is told as it shows; a gauge to a tenth.
	const shown = instrument.kind === 'gauge' && typeof value === 'number' ? Number(value.toFixed(1)) : value;
	return `${instrument.name} ${typeof shown === 'string' ? `“${shown}”` : shown}`;
}

/** How a time was lived of which nothing was logged. */
export const LIVED_WORDS: Readonly<Record<EntryOf<'gap'>['lived'], string>> = {
	'as-usual': 'As usual',
	less: 'Less than usual',
	away: 'Away'
};

/** The day and time of an instant as it was written: `Fri 12 Jun 18:00`. */
const sayMinute = (at: string): string => sayInstant(Date.parse(at) + writtenOffsetMs(at), 'UTC');

/** Out of which source, where one is named. */
export const sayFrom = ({ sources = [] }: Rig, id: string | undefined): string =>
	id === undefined ? '' : ` from ${sources.find((one) => one.id === id)?.name ?? id}`;

/** An entry in a few words, for the ledger and for *Why?*. */
export function describeEntry(entry: Entry, { rig, trips, units }: DescribeContext): string {
	const tank = (id: string): string => tankById(rig, id)?.name ?? id;
	const nameIn = (list: readonly { readonly id: string; readonly name: string }[], id: string): string =>
		list.find((item) => item.id === id)?.name ?? id;
	switch (entry.kind) {
		case 'use': {
			const habit = rig.habits.find(({ id }) => id === entry.habit);
			const how = habit && isLoss(rig, habit) ? '' : 'measured ';
			return `${nameIn(rig.habits, entry.habit)}${entry.times === 1 ? '' : ` × ${entry.times}`}${entry.litres === undefined ? '' : `, ${how}${amount(entry.litres, units)}`}`;
		}
		case 'fill':
			return `${tank(entry.tank)} filled${sayFrom(rig, entry.from)} ${[amount(entry.litres, units), entry.to ? 'to full' : ''].filter(Boolean).join(', ')}`;
		case 'dump':
			return `${entry.to || entry.litres === undefined ? `${tank(entry.tank)} emptied${entry.litres === undefined ? '' : `, ${amount(entry.litres, units)}`}` : `${amount(entry.litres, units)} dumped from ${tank(entry.tank)}`}${entry.leftL === undefined || entry.leftL < 0.05 ? '' : `, ${amount(entry.leftL, units)} left`}`;
		case 'transfer':
			return `${tank(entry.fromTank)} to ${tank(entry.toTank)} ${amount(entry.litres, units) || (entry.until === 'to-full' ? 'until full' : 'all of it')}`;
		case 'reading':
			return `${readingText(
				rig.instruments.find(({ id }) => id === entry.instrument),
				entry.value,
				units
			)}${entry.reset ? ', set' : ''}${entry.trusted ? ', trusted' : ''}`;
		case 'mark':
			return `${tank(entry.tank)} seen ${entry.state}`;
		case 'crew':
			return `${entry.persons} aboard`;
		case 'gap':
			return `${LIVED_WORDS[entry.lived]} since ${sayMinute(entry.since)}`;
		case 'measure':
			return `${nameIn(rig.measures, entry.measure)} ${entry.on ? 'on' : 'off'}`;
		case 'hookup':
			return `Mains ${entry.mains ? 'on' : 'off'}, sewer ${entry.sewer === false ? 'off' : `on${entry.sewer === true ? '' : ` (${sayValves(rig, entry.sewer)})`}`}${entry.sea ? `, ${saySea(rig, entry.sea)}` : ''}`;
		case 'stop':
			return `${entry.event === 'arrive' ? 'Arrived at' : 'Left'} ${nameIn(
				trips.flatMap(({ stops }) => stops),
				entry.stop
			)}`;
		case 'care':
			return `Done: ${nameIn(rig.care, entry.task)}`;
		case 'note':
			return entry.text;
	}
}

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

const DAY = new Intl.DateTimeFormat('en-GB', {
	timeZone: 'UTC',
	weekday: 'short',
	day: 'numeric',
	month: 'short'
});
/** `Wed 21 Apr` for a calendar day. */
export const dayText = (day: string): string => DAY.format(utcMidnightMs(day)).replace(',', '');

/** `Wed 21 Apr to Mon 3 May` for the days of a trip. */
export const sayDays = ({ from, to }: Pick<Trip, 'from' | 'to'>): string =>
	`${dayText(from)} to ${dayText(to)}`;

/** `Wed 21 Apr 07:25` in a zone. */
export const sayInstant = (ms: number, timeZone: string): string => {
	const local = zonedTime(ms, timeZone);
	return `${dayText(local.day)} ${clockTime(local)}`;
};
