import { instantMs, type Entry, type Rig } from '../logbook/index.js';
import type { LastRead } from './context.js';

/** What earlier entries of a rig tell, to understand a line by. */
export interface Known {
	/** names of those who wrote, the latest first */
	readonly people: readonly string[];
	/** what each meter showed last */
	readonly lastRead: ReadonlyMap<string, LastRead>;
}

/** @param entries of the rig, in any order; those that are void or after now do not count */
export function knownFrom(rig: Rig, entries: readonly Entry[], nowMs: number): Known {
	const meters = new Set(rig.instruments.flatMap(({ id, kind }) => (kind === 'meter' ? [id] : [])));
	const lastRead = new Map<string, LastRead>();
	const people = new Map<string, number>();
	for (const entry of entries) {
		if (entry.void === true) continue;
		const atMs = instantMs(entry.at);
		if (entry.by !== undefined) people.set(entry.by, Math.max(atMs, people.get(entry.by) ?? 0));
		if (
			entry.kind !== 'reading' ||
			!meters.has(entry.instrument) ||
			typeof entry.value !== 'number' ||
			atMs > nowMs
		)
			continue;
		const before = lastRead.get(entry.instrument);
		if (!before || atMs >= before.atMs) lastRead.set(entry.instrument, { value: entry.value, atMs });
	}
	return { people: [...people].sort((a, b) => b[1] - a[1]).map(([name]) => name), lastRead };
}
