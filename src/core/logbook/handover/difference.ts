import { keyOf, type Kept, RECORD_KINDS } from '../kinds.js';
import type { HandOver, Logbook } from '../types.js';
import { listsOf, recordsOf, type ChangeLog } from './changeLog.js';
import { covers, type Stamp, type VersionVector } from './vector.js';

/** What is handed over: a logbook with fewer records, and what it is the difference between. */
export type Difference = Logbook & { readonly handOver: HandOver };

const compareStamps = (a: Stamp, b: Stamp): number =>
	a.device === b.device ? a.change - b.change : a.device < b.device ? -1 : 1;

/** Runs of records that came with the same change. */
function runsOf(stamps: readonly Stamp[]): HandOver['changes'] {
	const runs: [string, number, number][] = [];
	for (const { device, change } of stamps) {
		const last = runs.at(-1);
		if (last && last[0] === device && last[1] === change) last[2] += 1;
		else runs.push([device, change, 1]);
	}
	return runs;
}

/** The records that somebody who knows so much has not got, oldest change first within each list. */
export function lackingTo(log: ChangeLog, logbook: Logbook, partner: VersionVector): readonly Kept[] {
	const stampOf = (record: Kept): Stamp =>
		log.stamps.get(keyOf(record)) ?? { device: log.device, change: Number.MAX_SAFE_INTEGER };
	const lacking = recordsOf(logbook).filter((record) => !covers(partner, stampOf(record)));
	return RECORD_KINDS.flatMap((kind) =>
		lacking.filter((one) => one.kind === kind).sort((a, b) => compareStamps(stampOf(a), stampOf(b)))
	);
}

/**
 * What a partner has not got of a logbook, as a logbook.
 *
 * @param log all of the logbook is numbered in it
 * @param partner what the partner is known to have; nothing: all of it is handed over
 * @param by the name of who hands over
 */
export function differenceFor(
	log: ChangeLog,
	logbook: Logbook,
	partner: VersionVector,
	by: string
): Difference {
	const lacking = lackingTo(log, logbook, partner);
	const stamps = lacking.flatMap((record) => log.stamps.get(keyOf(record)) ?? []);
	return {
		format: 'dipsometer-logbook',
		version: 1,
		exportedAt: logbook.exportedAt,
		...listsOf(lacking),
		handOver: { device: log.device, by, since: partner, upTo: log.known, changes: runsOf(stamps) }
	};
}

/** The number that each record of what came was handed over with, in the order of its lists. */
export function stampsOf({ changes }: HandOver): readonly Stamp[] {
	return changes.flatMap(([device, change, count]) =>
		Array.from({ length: count }, () => ({ device, change }))
	);
}
