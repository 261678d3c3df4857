import type { Logbook } from '../types.js';
import { keyOf, type AnyRecord, type Kept } from '../kinds.js';
import { recordsOf, type ChangeLog } from './changeLog.js';
import { stampsOf } from './difference.js';
import { covers, type Stamp, type VersionVector } from './vector.js';

/** How what came is numbered; a logbook that nobody numbered tells by its edits alone. */
export class Numbers {
	readonly #stamps: ReadonlyMap<string, Stamp>;
	readonly #log: ChangeLog;
	readonly #upTo: VersionVector | undefined;

	constructor(log: ChangeLog, theirs: Logbook) {
		this.#log = log;
		this.#upTo = theirs.handOver?.upTo;
		const stamps = theirs.handOver ? stampsOf(theirs.handOver) : [];
		this.#stamps = new Map(
			recordsOf(theirs).flatMap((record, i) => {
				const stamp = stamps[i];
				return stamp ? [[keyOf(record), stamp] as const] : [];
			})
		);
	}

	of(record: Kept): Stamp | undefined {
		return this.#stamps.get(keyOf(record));
	}

	/** What is here already, or something that came after it. */
	isKnownHere(theirs: Kept): boolean {
		const stamp = this.of(theirs);
		return stamp !== undefined && covers(this.#log.known, stamp);
	}

	/** Whether who hands over had what is here. */
	isKnownThere(mine: Kept): boolean {
		const stamp = this.#log.stamps.get(keyOf(mine));
		return stamp !== undefined && this.#upTo !== undefined && covers(this.#upTo, stamp);
	}

	/** Whether two versions were made by people who did not know of the other's: not where only one of them was ever changed. */
	areApart(mine: Kept, theirs: Kept): boolean {
		return (
			!this.isKnownThere(mine) && (mine.value.edited === undefined) === (theirs.value.edited === undefined)
		);
	}

	/** The newest version here that who hands over had, too. */
	baseOf(mine: Kept): AnyRecord | undefined {
		const { versions } = this.#log;
		const upTo = this.#upTo;
		return upTo && versions.get(keyOf(mine))?.findLast((version) => covers(upTo, version))?.value;
	}
}
