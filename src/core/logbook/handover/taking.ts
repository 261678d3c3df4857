import { checkReferences } from '../validation/references.js';
import type { Entry, Logbook, Problem } from '../types.js';
import { canonical } from '../revisions/canonical.js';
import { keepUsed } from '../revisions/merge.js';
import { nextEdited, voided } from '../revisions/revise.js';
import { keyOf, type AnyRecord, type Kept } from '../kinds.js';
import { listsOf, recordsOf, type ChangeLog, type Lists } from './changeLog.js';
import { Numbers } from './numbers.js';
import { NO_FILE, settled, type Choice, type Settled } from './settling.js';
import { asAnother, stays, twinsAmong } from './twins.js';
import { coversAll, joined, type Stamp, type VersionVector } from './vector.js';

/** Choices by the key of the record that comes. */
export type Choices = Readonly<Record<string, Choice>>;

/** One record that comes, and how it stands to what is here. */
export type Coming = {
	readonly key: string;
	readonly theirs: Kept;
} & (
	| { readonly state: 'new' }
	/** a new entry of what is logged here, too, minutes apart; `stays` is the one that is kept */
	| {
			readonly state: 'twin';
			readonly mine: Entry;
			readonly kept: 'one' | 'two';
			readonly stays: 'mine' | 'theirs';
	  }
	| { readonly state: 'changed'; readonly mine: AnyRecord }
	/** both changed it, neither knowing of the other; with both kept, the places that both changed */
	| {
			readonly state: 'conflict';
			readonly mine: AnyRecord;
			readonly kept: Settled['kept'];
			readonly places: Settled['places'];
	  }
);

/** What taking a logbook in would do here, and what is known then. */
export interface Taken {
	readonly ok: true;
	readonly coming: readonly Coming[];
	/** the records to be put */
	readonly changes: readonly Kept[];
	/** what came, each with its number; none from a file that nobody numbered */
	readonly came: readonly { readonly record: Kept; readonly stamp: Stamp }[];
	readonly known: VersionVector;
	/** something that goes before it is not here: what is known here does not grow by it */
	readonly gap: boolean;
}
/** It names what is neither here nor in it. */
export interface Lacking {
	readonly ok: false;
	readonly problems: readonly Problem[];
	readonly more?: number;
}

/** What names something that is neither here nor in what comes, with its place in what comes. */
function lackingIn(theirs: Logbook, merged: Logbook): Lacking | undefined {
	// As they will be: what a rig has lost there and entries here name is kept in it. What is of no rig is in no merged list.
	const asMerged = <R extends AnyRecord>(list: readonly R[], all: readonly R[]): readonly R[] => {
		const by = new Map(all.map((record) => [record.id, record]));
		return list.map((record) => by.get(record.id) ?? record);
	};
	const others = <R extends AnyRecord>(list: readonly R[], all: readonly R[]): readonly R[] => {
		const own = new Set(list.map(({ id }) => id));
		return [...asMerged(list, all), ...all.filter(({ id }) => !own.has(id))];
	};
	const { handOver: _difference, ...head } = theirs;
	const { listed, more } = checkReferences({
		...head,
		rigs: others(theirs.rigs, merged.rigs),
		trips: others(theirs.trips, merged.trips),
		points: merged.points,
		entries: asMerged(theirs.entries, merged.entries)
	});
	return listed.length === 0 ? undefined : { ok: false, problems: listed, ...(more > 0 ? { more } : {}) };
}

/** What both sides have, as taking in needs it. */
interface Sides {
	readonly log: ChangeLog;
	readonly mine: Logbook;
	readonly theirs: Logbook;
}

/** What comes so far, and the records as they will be, by key. */
interface Answered {
	readonly coming: readonly Coming[];
	readonly next: ReadonlyMap<string, Kept>;
}

/** Whether a rig names only what is in it, and a trip only what is there. */
function namesWhatIsThere(record: Kept, all: Lists): boolean {
	const { rigs, trips, points } = listsOf([record]);
	return (
		checkReferences({
			format: 'dipsometer-logbook',
			version: 1,
			exportedAt: NO_FILE,
			rigs: trips.length > 0 ? all.rigs : rigs,
			trips,
			points: trips.length > 0 ? all.points : points,
			entries: []
		}).count === 0
	);
}

const withoutEdited = ({ edited: _edited, ...rest }: AnyRecord): string => canonical(rest);

/** Record by record: what is new, what changes, and what both changed. */
function compared(
	{ mine, theirs }: Sides,
	numbers: Numbers,
	choose: (key: string) => Choice | undefined,
	now: string
): Answered {
	const next = new Map(recordsOf(mine).map((record) => [keyOf(record), record]));
	const coming: Coming[] = [];
	const all = listsOf([
		...new Map([...next, ...recordsOf(theirs).map((one) => [keyOf(one), one] as const)]).values()
	]);
	for (const record of recordsOf(theirs)) {
		const key = keyOf(record);
		const own = next.get(key);
		if (!own) {
			next.set(key, record);
			coming.push({ key, theirs: record, state: 'new' });
			continue;
		}
		if (numbers.isKnownHere(record) || canonical(own.value) === canonical(record.value)) continue;
		const apart = numbers.areApart(own, record);
		const pair = {
			mine: own.value,
			theirs: record.value,
			base: apart ? numbers.baseOf(own) : undefined,
			isSound: (value: AnyRecord) => namesWhatIsThere({ kind: record.kind, value } as Kept, all)
		};
		const { value, kept, places } = settled(pair, choose(key), now);
		next.set(key, { kind: record.kind, value } as Kept);
		// Both did the same: there is nothing to be asked.
		if (withoutEdited(own.value) === withoutEdited(record.value)) continue;
		if (apart) coming.push({ key, theirs: record, state: 'conflict', mine: own.value, kept, places });
		else if (kept === 'theirs') coming.push({ key, theirs: record, state: 'changed', mine: own.value });
	}
	return { coming, next };
}

/** New entries of what is logged here, too: of each two one stays, unless somebody says that they are two. */
function paired(
	{ coming, next }: Answered,
	{ mine, theirs }: Sides,
	numbers: Numbers,
	choose: (key: string) => Choice | undefined,
	now: string
): Answered {
	const fresh = coming.flatMap(({ state, theirs: { kind, value } }) =>
		state === 'new' && kind === 'entry' ? [value] : []
	);
	// Of what is here only that which who hands over had not seen: who sees an entry and writes another one means it.
	const came = new Set(theirs.entries.map(({ id }) => id));
	const unseen = mine.entries.filter(
		(value) => !came.has(value.id) && !numbers.isKnownThere({ kind: 'entry', value })
	);
	const twins = new Map(twinsAmong(unseen, fresh).map((twin) => [`entry:${twin.theirs.id}`, twin]));
	const put = new Map(next);
	const rows = coming.map((one): Coming => {
		const twin = twins.get(one.key);
		if (!twin) return one;
		const kept = choose(one.key) === 'two' ? 'two' : 'one';
		const stay = stays(twin) === twin.mine ? 'mine' : 'theirs';
		const goes = stay === 'mine' ? twin.theirs : twin.mine;
		const value = kept === 'one' ? voided(goes, now) : { ...asAnother(goes), edited: nextEdited(goes, now) };
		put.set(`entry:${goes.id}`, { kind: 'entry', value });
		return { key: one.key, theirs: one.theirs, state: 'twin', mine: twin.mine, kept, stays: stay };
	});
	return { coming: rows, next: put };
}

/**
 * What taking in a logbook, or a difference, would do here. Twice, late or in any order it comes to the same.
 *
 * @param sides `log`: all of the logbook that is here is numbered in it
 * @param choices what the person said so far
 * @param now the instant at which it is taken in
 */
export function taking(sides: Sides, choices: Choices, now: string): Taken | Lacking {
	const { log, mine, theirs } = sides;
	const numbers = new Numbers(log, theirs);
	const choose = (key: string): Choice | undefined =>
		Object.hasOwn(choices, key) ? choices[key] : undefined;
	const { coming, next } = paired(compared(sides, numbers, choose, now), sides, numbers, choose, now);
	const lists = listsOf([...next.values()]);
	const merged = { ...mine, ...lists, ...keepUsed(lists.rigs, lists.trips, lists.entries, [mine, theirs]) };
	const lacking = lackingIn(theirs, merged);
	if (lacking) return lacking;
	const here = new Map(recordsOf(mine).map((record) => [keyOf(record), record.value]));
	const { handOver } = theirs;
	const gap = handOver !== undefined && !coversAll(log.known, handOver.since);
	return {
		ok: true,
		coming,
		changes: recordsOf(merged).filter((record) => {
			const was = here.get(keyOf(record));
			return !was || (was !== record.value && canonical(was) !== canonical(record.value));
		}),
		came: recordsOf(theirs).flatMap((record) => {
			const stamp = numbers.of(record);
			return stamp ? [{ record, stamp }] : [];
		}),
		known: handOver && !gap ? joined(log.known, handOver.upTo) : log.known,
		gap
	};
}
