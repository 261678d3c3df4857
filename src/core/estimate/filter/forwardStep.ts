import { instantMs, type Entry, type EntryOf } from '../../logbook/index.js';
import { valueAt } from '../../time/index.js';
import { regimeKeyOf } from '../inputs/index.js';
import type { Model } from '../model/index.js';
import type { FilterState } from './filterState.js';
import { applyDump, applyFill, applyTransfer, openToSewer } from './movements.js';
import { predict } from './predict.js';
import { knowSince, settleQuiet, tellGap, writeAgain } from './silence.js';
import { enterUses } from './unenteredUse.js';
import { applyUse } from './uses.js';

/** What is judged before it counts: the part of a step that the gating plays. */
export interface Gating {
	/** a reading is taken in, doubted, or given way to */
	readonly assessReading: (
		model: Model,
		state: FilterState,
		entry: EntryOf<'reading'>,
		failing: ReadonlySet<string>
	) => void;
	/** a tank was seen full or empty */
	readonly applyMark: (model: Model, state: FilterState, entry: EntryOf<'mark'>) => void;
	/** a part of a day is over: levels that cannot be tell of a missing entry */
	readonly checkPossible: (model: Model, state: FilterState) => void;
}

/** The forward step of the filter in its parts; each changes the state in place. */
export interface ForwardStep {
	/** time passes until an instant, ms */
	predictTo(model: Model, state: FilterState, toMs: number): void;
	/** what an entry does at its own moment; the time up to it must have passed */
	applyEntry(model: Model, state: FilterState, entry: Entry, failing: ReadonlySet<string>): void;
	/** one entry on: the time up to it passes, then it happens */
	step(model: Model, state: FilterState, entry: Entry, failing: ReadonlySet<string>): void;
}

/** Whether there are showers ashore where one is now: some measures save only there. */
function comeAshore(model: Model, state: FilterState, atMs: number): void {
	const ashore = valueAt(model.ashore, atMs) ?? false;
	if (ashore === (state.ashore ?? false)) return;
	state.ashore = ashore;
	state.regimeKey = regimeKeyOf(state);
}

/** Whether a reading is that of a meter behind which uses are drawn, and which tells it by itself. */
const countsByItself = ({ rig }: Model, entry: Entry): boolean =>
	entry.kind === 'reading' &&
	entry.source === 'meter' &&
	rig.instruments.some((one) => one.id === entry.instrument && one.kind === 'meter' && one.place !== 'fill');

/** The forward step with a gating. `failing` are the instruments whose readings are judged and not used. */
export function forwardStep({ assessReading, applyMark, checkPossible }: Gating): ForwardStep {
	const predictTo: ForwardStep['predictTo'] = (model, state, toMs) => {
		if (predict(model, state, toMs)) checkPossible(model, state);
	};
	const applyEntry: ForwardStep['applyEntry'] = (model, state, entry, failing) => {
		const byItself = countsByItself(model, entry);
		if (entry.kind === 'use') writeAgain(model, state, entry);
		// A meter that counts by itself is heard whether somebody is there or not.
		else if (entry.kind !== 'note') settleQuiet(model, state, byItself ? 'asked' : 'presence');
		switch (entry.kind) {
			case 'use': {
				const habit = model.habits.get(entry.habit);
				if (habit) applyUse(model, state, entry, habit, enterUses(model, state, entry, habit));
				return;
			}
			case 'fill':
				return applyFill(model, state, entry);
			case 'dump':
				return applyDump(model, state, entry);
			case 'transfer':
				return applyTransfer(model, state, entry);
			case 'reading':
				assessReading(model, state, entry, failing);
				if (byItself) knowSince(state);
				return;
			case 'mark':
				return applyMark(model, state, entry);
			case 'measure': {
				const others = state.measures.filter((id) => id !== entry.measure);
				state.measures = entry.on ? [...others, entry.measure] : others;
				state.regimeKey = regimeKeyOf(state);
				return;
			}
			case 'hookup': {
				const { sewer: before } = state;
				[state.mains, state.sewer, state.sea] = [entry.mains, entry.sewer, entry.sea];
				state.regimeKey = regimeKeyOf(state);
				openToSewer(model, state, before);
				return;
			}
			case 'gap':
				return tellGap(model, state, entry, instantMs(entry.since));
			case 'crew':
			case 'stop':
			case 'care':
			case 'note':
				return;
		}
	};
	return {
		predictTo,
		applyEntry,
		step: (model, state, entry, failing) => {
			const atMs = instantMs(entry.at);
			predictTo(model, state, atMs);
			comeAshore(model, state, atMs);
			applyEntry(model, state, entry, failing);
		}
	};
}
