import { EXPORT_FORMATS, EXPORT_LISTS, IMPORT_FORMATS, type ImportFormat } from '$core/formats';
import {
	currentTrip,
	instantMs,
	problemsOf,
	schemas,
	type Logbook,
	type Rig,
	type Trip
} from '$core/logbook';
import * as z from 'zod/mini';
import { mustBe, withLogbook, type Read } from './bodies';

const importBody = z.looseObject({
	format: z.enum(IMPORT_FORMATS),
	text: z.string(),
	rig: z.optional(z.string()),
	timeZone: z.optional(schemas.timeZone),
	logbook: z.optional(z.unknown())
});
const exportBody = z.looseObject({
	logbook: z.unknown(),
	format: z.enum(EXPORT_FORMATS),
	rig: z.optional(z.string()),
	trip: z.optional(z.string()),
	// additions of ours, see docs/logbook.md
	list: z.optional(z.enum(EXPORT_LISTS)),
	decimalComma: z.optional(z.boolean())
});

const wayBody = z.looseObject({
	text: z.string(),
	from: schemas.instant,
	rig: z.optional(z.string()),
	timeZone: z.optional(schemas.timeZone),
	logbook: z.optional(z.unknown())
});

export interface ImportBody {
	readonly format: ImportFormat;
	readonly text: string;
	readonly rig?: string | undefined;
	readonly timeZone?: string | undefined;
	readonly logbook?: Logbook | undefined;
}

/** Something to be read, beside a logbook where one is sent along; a rig that is named is one of it. */
function besideLogbook<Body extends { readonly rig?: string | undefined; readonly logbook?: unknown }>(
	schema: z.ZodMiniType<Body>,
	data: unknown
): Read<Body & { readonly logbook?: Logbook | undefined }> {
	const alone = typeof data !== 'object' || data === null || !('logbook' in data);
	if (alone) {
		const outer = schema.safeParse(data);
		return outer.success
			? { body: { ...outer.data, logbook: undefined } }
			: { errors: problemsOf(outer.error, data) };
	}
	const read = withLogbook(schema, data);
	if ('errors' in read) return read;
	const { rig, logbook } = read.body;
	return rig === undefined || logbook.rigs.some(({ id }) => id === rig)
		? read
		: { errors: [mustBe('$.rig', 'the id of a rig in the logbook', rig)] };
}

/** A file to be read. */
export const readImportBody = (data: unknown): Read<ImportBody> => besideLogbook(importBody, data);

export interface WayBody {
	readonly text: string;
	readonly from: string;
	readonly rig?: string | undefined;
	readonly timeZone?: string | undefined;
	readonly logbook?: Logbook | undefined;
}

/** A trip in lines to be read. */
export const readWayBody = (data: unknown): Read<WayBody> => besideLogbook(wayBody, data);

export type ExportBody = z.infer<typeof exportBody> & {
	readonly logbook: Logbook;
	/** the rig and the trip that are meant, where any are */
	readonly of: { readonly rig: Rig | undefined; readonly trip: Trip | undefined };
};

/** A logbook to be written; a calendar without a named trip is of the one under way when the logbook was written. */
export function readExportBody(data: unknown): Read<ExportBody> {
	const read = withLogbook(exportBody, data);
	if ('errors' in read) return read;
	const { logbook, format, rig: rigId, trip: tripId } = read.body;
	const rig = logbook.rigs.find(({ id }) => id === rigId);
	if (rigId !== undefined && !rig)
		return { errors: [mustBe('$.rig', 'the id of a rig in the logbook', rigId)] };
	const named = logbook.trips.find(({ id, rig: of }) => id === tripId && (!rig || of === rig.id));
	if (tripId !== undefined && !named)
		return {
			errors: [
				mustBe('$.trip', rig ? 'the id of a trip of that rig' : 'the id of a trip in the logbook', tripId)
			]
		};
	const own = logbook.trips.filter((trip) => !rig || trip.rig === rig.id);
	const atMs = instantMs(logbook.exportedAt);
	const usual = logbook.rigs.map(({ id }) => currentTrip(own, id, atMs)).find((trip) => trip !== undefined);
	const trip = named ?? (format === 'ics' ? (usual ?? own.at(-1)) : undefined);
	if (format === 'ics' && !trip)
		return {
			errors: [mustBe('$.trip', 'the id of a trip: a calendar is of one', 'a logbook without a trip')]
		};
	return {
		body: { ...read.body, of: { rig: rig ?? logbook.rigs.find(({ id }) => id === trip?.rig), trip } }
	};
}
