import { writtenOffsetMs } from '../../time/index.js';
import type { Entry, Instrument, Rig, Trip } from '../../logbook/index.js';
import { isLoss, tankById } from '../../rig/index.js';
import { formatLitres, formatQuantity, type UnitChoice } from '../../units/index.js';
import { LIVED_WORDS, sayFrom, sayInstant } from './entry.js';
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

/** The day and time of an instant as it was written: `Fri 12 Jun 18:00`. */
const sayMinute = (at: string): string => sayInstant(Date.parse(at) + writtenOffsetMs(at), 'UTC');

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
