export { dayPlus, daysBetween, zonedIso, zonedMs, zonedTime, type ZonedTime } from './zone.js';
export { ABSURD_LITRES, logbookJsonSchema, schemas } from './schema.js';
export { problemsOf } from './problems.js';
export type {
	Entry,
	EntryDraft,
	EntryKind,
	EntryOf,
	Gauge,
	Habit,
	Instrument,
	Logbook,
	Measure,
	Meter,
	Outlet,
	Point,
	Problem,
	Rig,
	Rod,
	Service,
	Shape,
	Stop,
	Tank,
	Trial,
	Trip
} from './types.js';
export { checkReferences } from './check.js';
export { byTime, entriesUntil, inOrder, instantMs } from './order.js';
export { canonical, mergeLogbooks, previewMerge, type ListChange } from './merge.js';
export {
	parseLogbook,
	parseLogbookText,
	parseRecord,
	type Parsed,
	type RecordKind,
	type RecordTypes
} from './parse.js';
export { corrected, nextEdited, restored, voided } from './revise.js';
export { crossingSides, doubleArea, type Corner } from './outline.js';
