export { itemsIn, SCHOOLS } from './parts.js';
export { ABSURD_LITRES, schemas } from './validation/schema.js';
export { logbookJsonSchema } from './validation/jsonSchema.js';
export { problemsOf } from './validation/problems.js';
export type {
	Ahead,
	CareTask,
	Container,
	Entry,
	EntryDraft,
	EntryKind,
	EntryOf,
	Gauge,
	Habit,
	HandOver,
	Happening,
	Instrument,
	Logbook,
	Measure,
	Meter,
	Outlet,
	Point,
	Problem,
	Rig,
	Rod,
	School,
	Service,
	Shape,
	Source,
	Stop,
	Tank,
	Trial,
	Trip
} from './types.js';
export { canShow, checkReferences } from './validation/references.js';
export { byTime, entriesUntil, inOrder, instantMs } from './order.js';
export {
	failedLast,
	hasHours,
	isShut,
	lastReport,
	SHUT,
	type HoursPlace,
	type HoursReader
} from './service.js';
export { knownUntil } from './silence.js';
export { isWeatherByDay, weatherOfStay, weatherOn, type Warmth } from './weather.js';
export { deedOf, isMeant } from './deed.js';
export { canonical } from './revisions/canonical.js';
export {
	compareMerge,
	mergeLogbooks,
	previewMerge,
	type ListChange,
	type MergePreview,
	type Retired
} from './revisions/merge.js';
export {
	coversAll,
	differenceFor,
	isOf,
	joined as joinedVector,
	lackingTo,
	listsOf,
	newChangeLog,
	noted,
	numbered,
	recordsOf,
	taking,
	type ChangeLog,
	type Choice,
	type Choices,
	type Coming,
	type Difference,
	type Lacking,
	type Taken,
	type VersionVector
} from './handover/index.js';
export { inUse, notRetired } from './revisions/inUse.js';
export { keepNamed, keepStops, stopsNamed } from './revisions/keepNamed.js';
export { rebase, type Conflict, type Rebased } from './revisions/rebase.js';
export {
	keyOf,
	LIST_OF,
	RECORD_KINDS,
	type AnyRecord,
	type Kept,
	type RecordKind,
	type RecordTypes
} from './kinds.js';
export {
	parseLogbook,
	parseLogbookText,
	parseRecord,
	parseStop,
	saidMore,
	type Parsed,
	type ParseOptions,
	type Refusal
} from './validation/parse.js';
export { corrected, nextEdited, restored, voided } from './revisions/revise.js';
export { crossingSides, doubleArea, type Corner } from './validation/outline.js';
export {
	certaintyOf,
	currentTrip,
	DEFAULT_CERTAINTY,
	tripAtHand,
	tripInUse,
	tripSpan,
	tripUnderWay,
	zoneAt
} from './trips.js';
export { readable, type Readable } from './validation/readable.js';
export { MOST_PROBLEMS } from './validation/limits.js';
export { writersOf } from './writers.js';
