import type * as z from 'zod/mini';
import type {
	aheadSchema,
	containerSchema,
	entrySchema,
	habitSchema,
	handOverSchema,
	instrumentSchema,
	logbookSchema,
	measureSchema,
	outletSchema,
	pointSchema,
	rigSchema,
	serviceSchema,
	shapeSchema,
	sourceSchema,
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

/** A logbook: rigs, trips, points and entries; see docs/logbook.md. */
export type Logbook = Known<z.infer<typeof logbookSchema>>;
/** What a logbook with fewer records is the difference between; see docs/logbook.md. */
export type HandOver = Known<z.infer<typeof handOverSchema>>;
/** A camper or boat: its tanks, outlets, instruments, habits, measures, containers and care tasks. */
export type Rig = Known<z.infer<typeof rigSchema>>;
/** Something that holds fresh, grey or black water, litres. */
export type Tank = Known<z.infer<typeof tankSchema>>;
/** The inside of a tank, mm, from which depths become litres. */
export type Shape = Known<z.infer<typeof shapeSchema>>;
/** A trial of what a tank really holds. */
export type Trial = Known<z.infer<typeof trialSchema>>;
/** Where water leaves a tank, and where it goes. */
export type Outlet = Known<z.infer<typeof outletSchema>>;
/** Days unlike others, said beforehand. */
export type Ahead = Known<z.infer<typeof aheadSchema>>;
/** Something that is done with water: litres of one time, and how often. */
export type Habit = Known<z.infer<typeof habitSchema>>;
/** A conservation measure: what it does to a habit, and how much bother it is. */
export type Measure = Known<z.infer<typeof measureSchema>>;
/** What flows in without a stop: a watermaker, a rain sheet, a spring. */
export type Source = Known<z.infer<typeof sourceSchema>>;
/** A meter, a gauge or a rod. */
export type Instrument = Known<z.infer<typeof instrumentSchema>>;
/** A counter of litres in a hose or pipe. */
export type Meter = Extract<Instrument, { kind: 'meter' }>;
/** A gauge: lights or figures, by a curve. */
export type Gauge = Extract<Instrument, { kind: 'gauge' }>;
/** A rod that is dipped, mm. */
export type Rod = Extract<Instrument, { kind: 'rod' }>;
/** Something that water or waste is carried in. */
export type Container = Known<z.infer<typeof containerSchema>>;
/** Something to be looked after by days, litres or seasons. */
export type CareTask = Rig['care'][number];
/** A trip: its days, zone, people, policy and stops. */
export type Trip = Known<z.infer<typeof tripSchema>>;
/** A way of choosing services that a policy may name. */
export type School = NonNullable<NonNullable<Trip['policy']>['school']>;
/** A stop of a trip: when, where, and what there is. */
export type Stop = Known<z.infer<typeof stopSchema>>;
/** What a place offers: water, a drain, a hook-up; with fee, minutes and detour. */
export type Service = Known<z.infer<typeof serviceSchema>>;
/** A place of the person's own directory. */
export type Point = Known<z.infer<typeof pointSchema>>;
/** One thing that was written down. */
export type Entry = Known<z.infer<typeof entrySchema>>;
/** What an entry may be of. */
export type EntryKind = Entry['kind'];
/** An entry of one kind. */
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
