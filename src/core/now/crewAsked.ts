import { instantMs, tripSpan, tripUnderWay, type Entry, type EntryOf, type Trip } from '../logbook/index.js';
import { DAY_MS } from '../time/index.js';

/** People are asked about for so long. */
const ASKED_DAYS = 3;
/** There must have been a log for so long before a trip: else nobody is known who could be the same. */
const KNOWN_DAYS = 3;

/** Those aboard of whom nobody has said whether they are the same people as before, and where that is to be kept. */
export interface CrewAsked {
	readonly of:
		| { readonly kind: 'entry'; readonly value: EntryOf<'crew'> }
		| { readonly kind: 'trip'; readonly value: Trip };
	readonly persons: number;
	readonly before: number;
}

/** What is known of a rig's people. */
interface People {
	/** of the rig, that count, in order */
	readonly entries: readonly Entry[];
	readonly trips: readonly Trip[];
	readonly rig: { readonly id: string; readonly crew: number };
}

/**
 * The crew that is to be asked about, "same people as before?": when another number comes aboard than ever before, and when a
 * trip begins. As many as were aboard once before, other than on a trip, are taken to be the same.
 */
export function crewAsked({ entries, trips, rig }: People, nowMs: number): CrewAsked | undefined {
	const crews = entries.filter(
		(one): one is EntryOf<'crew'> => one.kind === 'crew' && instantMs(one.at) <= nowMs
	);
	const isNew = (ms: number): boolean => nowMs - ms <= ASKED_DAYS * DAY_MS;
	const sizesBefore = (ms: number): readonly number[] =>
		[rig.crew, ...crews.filter(({ at }) => instantMs(at) < ms).map(({ persons }) => persons)].filter(
			(persons) => persons > 0
		);
	const entry = crews.at(-1);
	const entryMs = entry && instantMs(entry.at);
	if (entry && entryMs !== undefined && isNew(entryMs)) {
		const sizes = sizesBefore(entryMs);
		const before = sizes.at(-1);
		if (entry.anew !== undefined || entry.persons === 0 || before === undefined) return undefined;
		if (!sizes.includes(entry.persons))
			return { of: { kind: 'entry', value: entry }, persons: entry.persons, before };
	}
	const trip = tripUnderWay(trips, rig.id, nowMs);
	const first = entries[0];
	if (!trip || trip.anew !== undefined || trip.persons === 0 || !first) return undefined;
	const [fromMs] = tripSpan(trip);
	const before = sizesBefore(fromMs).at(-1);
	if (!isNew(fromMs) || before === undefined || fromMs - instantMs(first.at) < KNOWN_DAYS * DAY_MS)
		return undefined;
	return { of: { kind: 'trip', value: trip }, persons: trip.persons, before };
}
