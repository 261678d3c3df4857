import type { Entry, Logbook, Point, Rig, Trip } from './types.js';

/** The records of a logbook as they are kept one by one in a store. */
export interface RecordTypes {
	readonly rig: Rig;
	readonly trip: Trip;
	readonly point: Point;
	readonly entry: Entry;
}
/** A kind of record that a logbook has a list of. */
export type RecordKind = keyof RecordTypes;

/** The list of a logbook in which records of a kind stand. */
export const LIST_OF = { rig: 'rigs', trip: 'trips', point: 'points', entry: 'entries' } as const satisfies {
	readonly [K in RecordKind]: keyof Logbook;
};
/** The kinds of records, in the order of a logbook's lists. */
export const RECORD_KINDS = Object.keys(LIST_OF) as readonly RecordKind[];

/** A record of any kind, by the kind. */
export type AnyRecord = RecordTypes[RecordKind];
/** A record with its kind: what a logbook holds, one by one. */
export type Kept = {
	readonly [K in RecordKind]: { readonly kind: K; readonly value: RecordTypes[K] };
}[RecordKind];

/** A record's name among all of a logbook: `entry:018f…`. */
export const keyOf = ({ kind, value }: Kept): string => `${kind}:${value.id}`;
