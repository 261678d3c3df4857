import { instantMs, type Entry } from '../../logbook/index.js';
import { regimeKeyOf, type Model } from '../filter/model.js';
import { applyDump, applyFill, applyTransfer, applyUse, openToSewer } from '../filter/transitions.js';
import { checkPossible } from '../doubt/imbalances.js';
import { applyMark, applyReading } from '../doubt/assessReading.js';
import type { FilterState } from '../filter/filterState.js';
import { passTime } from '../filter/timeUpdate.js';

/** What an entry does at its own moment, in place; the time up to it must have passed. */
export function act(model: Model, state: FilterState, entry: Entry, failing: ReadonlySet<string>): void {
	switch (entry.kind) {
		case 'use': {
			const habit = model.habits.get(entry.habit);
			if (habit) applyUse(model, state, entry, habit);
			return;
		}
		case 'fill':
			return applyFill(model, state, entry);
		case 'dump':
			return applyDump(model, state, entry);
		case 'transfer':
			return applyTransfer(model, state, entry);
		case 'reading':
			return applyReading(model, state, entry, failing);
		case 'mark':
			return applyMark(model, state, entry);
		case 'measure': {
			const others = state.measures.filter((id) => id !== entry.measure);
			state.measures = entry.on ? [...others, entry.measure] : others;
			state.regimeKey = regimeKeyOf(state);
			return;
		}
		case 'hookup': {
			const opened = entry.sewer && !state.sewer;
			[state.mains, state.sewer] = [entry.mains, entry.sewer];
			state.regimeKey = regimeKeyOf(state);
			if (opened) openToSewer(model, state);
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
export function step(model: Model, state: FilterState, entry: Entry, failing: ReadonlySet<string>): void {
	if (passTime(model, state, instantMs(entry.at))) checkPossible(model, state);
	act(model, state, entry, failing);
}
