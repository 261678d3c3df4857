import { instantMs, type Entry } from '../logbook/index.js';
import { regimeKeyOf, type Model } from './model.js';
import { applyDump, applyFill, applyTransfer, applyUse, openToSewer } from './moves.js';
import { checkPossible } from './missing.js';
import { applyMark, applyReading } from './readings.js';
import type { Tally } from './tally.js';
import { passTime } from './time.js';

/** What an entry does at its own moment, in place; the time up to it must have passed. */
export function act(model: Model, tally: Tally, entry: Entry, failing: ReadonlySet<string>): void {
	switch (entry.kind) {
		case 'use': {
			const habit = model.habits.get(entry.habit);
			if (habit) applyUse(model, tally, entry, habit);
			return;
		}
		case 'fill':
			return applyFill(model, tally, entry);
		case 'dump':
			return applyDump(model, tally, entry);
		case 'transfer':
			return applyTransfer(model, tally, entry);
		case 'reading':
			return applyReading(model, tally, entry, failing);
		case 'mark':
			return applyMark(model, tally, entry);
		case 'measure': {
			const others = tally.measures.filter((id) => id !== entry.measure);
			tally.measures = entry.on ? [...others, entry.measure] : others;
			tally.regimeKey = regimeKeyOf(tally);
			return;
		}
		case 'hookup': {
			const opened = entry.sewer && !tally.sewer;
			[tally.mains, tally.sewer] = [entry.mains, entry.sewer];
			tally.regimeKey = regimeKeyOf(tally);
			if (opened) openToSewer(model, tally);
			return;
		}
		case 'crew':
		case 'stop':
		case 'care':
		case 'note':
			return;
	}
}

/** One entry on, in place: the time up to it passes, then it happens. */
export function step(model: Model, tally: Tally, entry: Entry, failing: ReadonlySet<string>): void {
	if (passTime(model, tally, instantMs(entry.at))) checkPossible(model, tally);
	act(model, tally, entry, failing);
}
