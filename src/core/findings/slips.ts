import { DAY_MS, MINUTE_MS, zonedIso } from '../time/index.js';
import { deedOf, inOrder, instantMs, isMeant, type Entry } from '../logbook/index.js';

/** A slip that shows in the entries alone: written twice, or with a clock set wrong. */
export type Slip =
	| { readonly kind: 'twice'; readonly entry: string; readonly other: string }
	/** a digit too many or too few: it was a tenth of what was written, or ten times as much */
	| { readonly kind: 'tenfold'; readonly entry: string; readonly litres: number }
	| {
			readonly kind: 'clock';
			readonly entry: string;
			readonly off: 'future' | 'past';
			/** when it more likely was; absent when no shift by a day or a year fits */
			readonly suggestedAt?: string;
			/** how many later entries are off in the same way: then it is the clock of the reader, or a plan, more likely */
			readonly more?: number;
	  };

/** Two notes of one thing are rarely further apart. */
const TWICE_WITHIN_MS = 12 * MINUTE_MS;
/** A hole this long in a log is more likely a year typed wrong. */
const HOLE_MS = 250 * DAY_MS;
/** More entries ahead of the clock than this are said in one sentence. */
const EACH_SAID = 2;
/** Slips older than this are not brought up again. */
const LOOK_BACK_MS = 21 * DAY_MS;

/** What two entries of one deed have in common, amounts included; nothing for uses, which are often done twice in a row, unless they are measured. */
function sameAs(entry: Entry): string | undefined {
	const deed = deedOf(entry);
	const { litres, to, until } = entry as { litres?: number; to?: string; until?: string };
	return deed === undefined || (entry.kind === 'use' && litres === undefined)
		? undefined
		: [deed, litres, to, until].join('|');
}

const yearLater = (ms: number, years: number): number => {
	const date = new Date(ms);
	date.setUTCFullYear(date.getUTCFullYear() + years);
	return date.getTime();
};

/** The first shift of a moment by a day or a year that falls among the other entries. */
function mended(ms: number, ways: readonly number[], firstMs: number, nowMs: number): string | undefined {
	const found = ways.find((shifted) => shifted <= nowMs && shifted >= firstMs - DAY_MS);
	return found === undefined || found === ms ? undefined : zonedIso(found, 'Etc/UTC');
}

/** A note may lie ahead, and so may the days of a trial: they are plans. */
const isPlanned = (entry: Entry): boolean =>
	entry.kind === 'note' || (entry.kind === 'measure' && entry.trial !== undefined);

/**
 * Slips among one rig's entries.
 *
 * @param nowMs the clock of the person who reads them: entries later than it are in the future
 */
export function slipsIn(entries: readonly Entry[], nowMs: number): readonly Slip[] {
	const own = inOrder(entries.filter((entry) => entry.void !== true)).map((entry) => ({
		entry,
		ms: instantMs(entry.at)
	}));
	const past = own.filter(({ ms }) => ms <= nowMs);
	const firstMs = past.find(({ ms }, i) => (past[i + 1]?.ms ?? nowMs) - ms < HOLE_MS)?.ms ?? nowMs;
	const twice = past
		.filter(({ ms }) => nowMs - ms < LOOK_BACK_MS)
		.flatMap(({ entry, ms }, i, list): readonly Slip[] => {
			const what = sameAs(entry);
			const before =
				what === undefined || isMeant(entry)
					? undefined
					: list
							.slice(0, i)
							.findLast((other) => ms - other.ms <= TWICE_WITHIN_MS && sameAs(other.entry) === what);
			return before ? [{ kind: 'twice', entry: entry.id, other: before.entry.id }] : [];
		});
	const future = own
		.filter(({ ms, entry }) => ms > nowMs + 10 * MINUTE_MS && !isPlanned(entry))
		.map(({ entry, ms }): Extract<Slip, { kind: 'clock' }> => {
			const suggestedAt = mended(ms, [ms - DAY_MS, yearLater(ms, -1)], firstMs, nowMs);
			return { kind: 'clock', entry: entry.id, off: 'future', ...(suggestedAt ? { suggestedAt } : {}) };
		});
	const early = past
		.filter(({ ms }) => ms < firstMs)
		.map(({ entry, ms }): Slip => {
			const suggestedAt = mended(ms, [yearLater(ms, 1), yearLater(ms, 2)], firstMs, nowMs);
			return { kind: 'clock', entry: entry.id, off: 'past', ...(suggestedAt ? { suggestedAt } : {}) };
		});
	const [first] = future;
	const ahead: readonly Slip[] =
		first && future.length > EACH_SAID
			? [{ kind: 'clock', entry: first.entry, off: 'future', more: future.length - 1 }]
			: future;
	return [...ahead, ...early, ...twice].slice(0, 6);
}
