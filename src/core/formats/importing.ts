import { readCalendar } from './calendar/readCalendar.js';
import { readCsv } from './csv/readCsv.js';
import { readGeoJson } from './geojson/readGeoJson.js';
import { readGpx } from './gpx/readGpx.js';
import type { Imported, ReadingContext } from './imported.js';

/** The formats that can be read. */
export const IMPORT_FORMATS = ['csv', 'gpx', 'geojson', 'ics'] as const;
/** A format that can be read. */
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
