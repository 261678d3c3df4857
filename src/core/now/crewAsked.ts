import { instantMs, type Entry, type EntryOf } from '../logbook/index.js';
import { DAY_MS } from '../time/index.js';

/** People are asked about for so long. */
const ASKED_DAYS = 3;

/** Another number aboard than before, of which nobody has said whether they are the same people. */
export interface CrewAsked {
	readonly entry: EntryOf<'crew'>;
	readonly before: number;
}

/**
 * The crew that is to be asked about: "same people as before?" As many as were aboard once before are taken to be the same.
 *
 * @param entries of the rig, that count, in order
 * @param usual who is usually aboard
 */
export function crewAsked(entries: readonly Entry[], usual: number, nowMs: number): CrewAsked | undefined {
	const crews = entries.filter(
		(one): one is EntryOf<'crew'> => one.kind === 'crew' && instantMs(one.at) <= nowMs
	);
	const entry = crews.at(-1);
	if (!entry || entry.anew !== undefined || nowMs - instantMs(entry.at) > ASKED_DAYS * DAY_MS)
		return undefined;
	const sizes = [usual, ...crews.slice(0, -1).map(({ persons }) => persons)].filter((persons) => persons > 0);
	const before = sizes.at(-1);
	if (before === undefined || entry.persons === 0 || sizes.includes(entry.persons)) return undefined;
	return { entry, before };
}
