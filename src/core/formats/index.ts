export { IMPORT_FORMATS, importText, type ImportFormat } from './importing.js';
export { formatOf } from './formatOf.js';
export type { Imported, ReadingContext } from './imported.js';
export {
	EXPORT_FORMATS,
	EXPORT_LISTS,
	exportText,
	MEDIA_TYPES,
	type ExportFormat,
	type ExportOptions
} from './exporting.js';
export { doingAt, type PlannedServices } from './calendar/writeCalendar.js';
export { mainTag, readTags, tagsOf, type Tags } from './tags/openMapTags.js';
export { ENTRY_COLUMNS, POINT_COLUMNS, SERVICE_COLUMNS, STOP_COLUMNS } from './csv/columns.js';
export { readSamples, type SampleTable } from './csv/samples.js';
export { REVIEW_TABLES, reviewCsv, type ReviewTable } from './csv/reviewCsv.js';
