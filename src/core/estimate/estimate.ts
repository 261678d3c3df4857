import { entriesUntil, instantMs, type Entry, type Logbook, type Rig } from '../logbook/index.js';
import { applyDump, applyFill, applyTransfer, applyUse, openToSewer, passTime } from './moves.js';
import { modelOf, type Model } from './model.js';
import { applyMark, applyReading } from './readings.js';
import { beforeAnything, type Tally } from './tally.js';

/** What is believed of a rig at an instant, with all that is needed to go on from there. */
export interface Estimate {
	readonly model: Model;
	readonly tally: Tally;
	readonly atMs: number;
	/** the entries it rests on, in order */
	readonly entries: readonly Entry[];
}

function apply(model: Model, tally: Tally, entry: Entry): Tally {
	switch (entry.kind) {
		case 'use': {
			const habit = model.habits.get(entry.habit);
			return habit ? applyUse(model, tally, entry, habit) : tally;
		}
		case 'fill':
			return applyFill(model, tally, entry);
		case 'dump':
			return applyDump(model, tally, entry);
		case 'transfer':
			return applyTransfer(model, tally, entry);
		case 'reading':
			return applyReading(model, tally, entry);
		case 'mark':
			return applyMark(model, tally, entry);
		case 'measure': {
			const others = tally.measures.filter((id) => id !== entry.measure);
			return { ...tally, measures: entry.on ? [...others, entry.measure] : others };
		}
		case 'hookup': {
			const next = { ...tally, mains: entry.mains, sewer: entry.sewer };
			return entry.sewer && !tally.sewer ? openToSewer(model, next) : next;
		}
		case 'crew':
		case 'stop':
		case 'care':
		case 'note':
			return tally;
	}
}

/** One entry on: the time up to it passes, then it happens. Pure. */
export const step = (model: Model, tally: Tally, entry: Entry): Tally =>
	apply(model, passTime(model, tally, instantMs(entry.at)), entry);

/**
 * Replays a rig's entries up to and including an instant. The order of the entries in the logbook does not matter.
 *
 * @throws RangeError when the logbook has no rig of that id
 */
export function estimate(logbook: Logbook, rigId: string, atMs: number): Estimate {
	const rig: Rig | undefined = logbook.rigs.find(({ id }) => id === rigId);
	if (!rig) throw new RangeError(`there is no rig ${JSON.stringify(rigId)} in the logbook`);
	const entries = entriesUntil(logbook.entries, rigId, atMs);
	const model = modelOf(rig, logbook.trips, entries, atMs);
	const replayed = entries.reduce<Tally>((tally, entry) => step(model, tally, entry), beforeAnything(model));
	return { model, tally: passTime(model, replayed, atMs), atMs, entries };
}

/**
 * The estimate with one more entry at its end, without a replay. The entry's time is taken as now when it lies
 * before: good for a preview; a stored entry is replayed in its place.
 */
export function withEntry(before: Estimate, entry: Entry): Estimate {
	const tally = step(before.model, before.tally, entry);
	return {
		...before,
		tally,
		atMs: Math.max(before.atMs, instantMs(entry.at)),
		entries: [...before.entries, entry]
	};
}
