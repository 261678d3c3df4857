import type * as z from 'zod/mini';
import type {
	containerSchema,
	entrySchema,
	habitSchema,
	instrumentSchema,
	logbookSchema,
	measureSchema,
	outletSchema,
	pointSchema,
	rigSchema,
	serviceSchema,
	shapeSchema,
	stopSchema,
	tankSchema,
	trialSchema,
	tripSchema
} from './validation/schema.js';

/**
 * The inferred type without the index signature that keeps unknown fields, and read-only all the way down:
 * records are never changed in place, a change makes a new record.
 */
type Known<T> = T extends readonly unknown[]
	? { readonly [K in keyof T]: Known<T[K]> }
	: T extends object
		? { readonly [K in keyof T as string extends K ? never : K]: Known<T[K]> }
		: T;

export type Logbook = Known<z.infer<typeof logbookSchema>>;
export type Rig = Known<z.infer<typeof rigSchema>>;
export type Tank = Known<z.infer<typeof tankSchema>>;
export type Shape = Known<z.infer<typeof shapeSchema>>;
export type Trial = Known<z.infer<typeof trialSchema>>;
export type Outlet = Known<z.infer<typeof outletSchema>>;
export type Habit = Known<z.infer<typeof habitSchema>>;
export type Measure = Known<z.infer<typeof measureSchema>>;
export type Instrument = Known<z.infer<typeof instrumentSchema>>;
export type Meter = Extract<Instrument, { kind: 'meter' }>;
export type Gauge = Extract<Instrument, { kind: 'gauge' }>;
export type Rod = Extract<Instrument, { kind: 'rod' }>;
export type Container = Known<z.infer<typeof containerSchema>>;
export type CareTask = Rig['care'][number];
export type Trip = Known<z.infer<typeof tripSchema>>;
export type School = NonNullable<NonNullable<Trip['policy']>['school']>;
export type Stop = Known<z.infer<typeof stopSchema>>;
export type Service = Known<z.infer<typeof serviceSchema>>;
export type Point = Known<z.infer<typeof pointSchema>>;
export type Entry = Known<z.infer<typeof entrySchema>>;
export type EntryKind = Entry['kind'];
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>;

type WithoutIdentity<T> = T extends unknown ? Omit<T, 'id' | 'rig'> : never;
/** An entry before it is given its id and its rig. */
export type EntryDraft = WithoutIdentity<Entry>;
type WithoutTime<T> = T extends unknown ? Omit<T, 'at'> : never;
/** What happened, before the moment is put to it. */
export type Happening = WithoutTime<EntryDraft>;

/** One thing wrong with data from outside: where it stands, what was expected there, what was found. */
export interface Problem {
	/** JSON path, e.g. `$.entries[3].litres` */
	readonly path: string;
	readonly expected: string;
	readonly got: string;
}
