import { instantMs, type Entry } from '../../logbook/index.js';
import { applyMark, checkPossible, readInstrument } from '../doubt/index.js';
import {
	applyDump,
	applyFill,
	applyTransfer,
	applyUse,
	type FilterState,
	type Model,
	openToSewer,
	passTime,
	regimeKeyOf,
	writeUp
} from '../filter/index.js';

/** What an entry does at its own moment, in place; the time up to it must have passed. */
export function update(model: Model, state: FilterState, entry: Entry, failing: ReadonlySet<string>): void {
	switch (entry.kind) {
		case 'use': {
			const habit = model.habits.get(entry.habit);
			if (habit) applyUse(model, state, entry, habit, writeUp(model, state, entry, habit));
			return;
		}
		case 'fill':
			return applyFill(model, state, entry);
		case 'dump':
			return applyDump(model, state, entry);
		case 'transfer':
			return applyTransfer(model, state, entry);
		case 'reading':
			return readInstrument(model, state, entry, failing);
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
	update(model, state, entry, failing);
}
