import {
	instantMs,
	notRetired,
	tripSpan,
	type Entry,
	type Logbook,
	type Rig,
	type Trip
} from '../logbook/index.js';
import { doingAt, tripCalendar, type PlannedServices } from './calendar/writeCalendar.js';
import { entriesCsv, pointsCsv, stopsCsv, type CsvStyle } from './csv/writeCsv.js';
import { pointsGeoJson, tripGeoJson } from './geojson/writeGeoJson.js';
import { pointsGpx, tripGpx } from './gpx/writeGpx.js';

/** The formats that a logbook can be written in. */
export const EXPORT_FORMATS = ['csv', 'gpx', 'geojson', 'ics', 'json'] as const;
/** A format that a logbook can be written in. */
export type ExportFormat = (typeof EXPORT_FORMATS)[number];
/** The lists that can be written as a table. */
export const EXPORT_LISTS = ['entries', 'points', 'stops'] as const;

/** What each format is called among machines. */
export const MEDIA_TYPES: Readonly<Record<ExportFormat, string>> = {
	csv: 'text/csv; charset=utf-8',
	gpx: 'application/gpx+xml',
	geojson: 'application/geo+json',
	ics: 'text/calendar; charset=utf-8',
	json: 'application/json'
};

/** What of a logbook is written, and how. */
export interface ExportOptions extends CsvStyle {
	readonly rig?: Rig | undefined;
	readonly trip?: Trip | undefined;
	/** which list of a logbook a table is of */
	readonly list?: (typeof EXPORT_LISTS)[number] | undefined;
	/** what is planned along the trip */
	readonly planned?: PlannedServices | undefined;
}

/** Whether an entry belongs to a trip: it says so, or it says of none and was made on it. */
function isOf(entry: Entry, trip: Trip): boolean {
	if (entry.rig !== trip.rig || entry.trip !== undefined) return entry.trip === trip.id;
	const [fromMs, toMs] = tripSpan(trip);
	const atMs = instantMs(entry.at);
	return fromMs <= atMs && atMs < toMs;
}

/** A table of the list that is asked for, of the rig and the trip that are meant. */
function table(logbook: Logbook, { rig, trip, list = 'entries', ...style }: ExportOptions): string {
	if (list === 'points') return pointsCsv(logbook.points, style);
	const trips = trip ? [trip] : logbook.trips.filter((one) => !rig || one.rig === rig.id);
	if (list === 'stops')
		return stopsCsv(
			trips.flatMap(({ stops }) => stops),
			style
		);
	return entriesCsv(
		logbook.entries.filter((entry) => (!rig || entry.rig === rig.id) && (!trip || isOf(entry, trip))),
		style
	);
}

/** A logbook, or a trip of it, in an open format. A calendar is of one trip. */
export function exportText(format: ExportFormat, logbook: Logbook, options: ExportOptions = {}): string {
	const { trip, planned } = options;
	const points = notRetired(logbook.points);
	switch (format) {
		case 'json':
			return `${JSON.stringify(logbook, undefined, '\t')}\n`;
		case 'csv':
			return table(logbook, options);
		case 'gpx':
			return trip
				? tripGpx(trip, points, (stop) => (planned ? doingAt(stop, trip.timeZone, planned).join(' ') : ''))
				: pointsGpx(points);
		case 'geojson':
			return trip ? tripGeoJson(trip, points) : pointsGeoJson(points);
		case 'ics': {
			const rig = planned?.rig ?? options.rig ?? logbook.rigs.find(({ id }) => id === trip?.rig);
			if (!trip || !rig) throw new RangeError('A calendar needs a trip of a rig.');
			return tripCalendar(trip, planned ?? { rig, plan: undefined }, instantMs(logbook.exportedAt));
		}
	}
}
