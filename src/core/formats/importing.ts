import { readCalendar } from './calendar/readCalendar.js';
import { readCsv } from './csv/readCsv.js';
import { readGeoJson } from './geojson/readGeoJson.js';
import { readGpx } from './gpx/readGpx.js';
import type { Imported, ReadingContext } from './imported.js';

export const IMPORT_FORMATS = ['csv', 'gpx', 'geojson', 'ics'] as const;
export type ImportFormat = (typeof IMPORT_FORMATS)[number];

const READERS: Readonly<Record<ImportFormat, (text: string, context: ReadingContext) => Imported>> = {
	csv: readCsv,
	gpx: readGpx,
	geojson: readGeoJson,
	ics: readCalendar
};

/** What a text of an open format holds; nothing of it is kept. */
export const importText = (format: ImportFormat, text: string, context: ReadingContext = {}): Imported =>
	READERS[format](text, context);

/** Which format a text is of: by its first characters, since names of files are often wrong. A logbook of ours is none of them. */
export function formatOf(text: string): ImportFormat | 'logbook' {
	const HEAD = 4000;
	const head = text
		.slice(0, HEAD)
		.replace(/^\ufeff/, '')
		.trimStart();
	if (/^begin:vcalendar/i.test(head)) return 'ics';
	if (head.startsWith('<')) return 'gpx';
	if (!/^[{[]/.test(head)) return 'csv';
	return /"format"\s*:\s*"dipsometer-logbook"/.test(text) || !/"(features|geometry|coordinates)"/.test(text)
		? 'logbook'
		: 'geojson';
}
