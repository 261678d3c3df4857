import { inOrder, type Entry } from '../logbook/index.js';
import { DAY_MS } from '../time/index.js';
import {
	estimateFrom,
	ForwardPass,
	historyOf,
	type Checkpoint,
	type Estimate,
	type FilterState,
	type ReplayOptions
} from './filter/index.js';
import { step } from './gating/index.js';
import type { Model } from './model/index.js';
import * as PARAMETERS from './parameters.js';

/**
 * A gauge under suspicion is left out of so much of the past, and a little more: the beginning moves on by whole
 * periods, so that it is not replayed anew with every entry. What an older lie did to the levels is long washed out.
 */
const PERIOD_MS = 60 * DAY_MS;

const NONE = JSON.stringify([]);

/** Whether a gauge's latest readings, held against all else, call it failing. */
const fails = (state: FilterState, gauge: string): boolean =>
	misfits(state, gauge) >= PARAMETERS.failingMisfitsReadings;
const misfits = (state: FilterState, gauge: string): number =>
	historyOf(state, gauge).misfits.reduce((sum, misfit) => sum + misfit, 0);

/**
 * A replay that remembers: a new entry at the end is one step, a correction in the middle replays from the last
 * checkpoint before it, and both give what a whole replay would.
 */
export class Replay {
	readonly #model: Model;
	readonly #options: ReplayOptions;
	/** passes through the entries by the gauges left out, each kept for the next question */
	readonly #passes = new Map<string, ForwardPass>();

	constructor(model: Model, options: ReplayOptions = {}) {
		this.#model = model;
		this.#options = options;
	}

	/** Whether it has come through any entry. */
	get begun(): boolean {
		return this.#passes.size > 0;
	}

	/** The pass without some gauges that leaves the open one at some point, brought to the end of the entries. */
	#pass(gauges: readonly string[], origin: Checkpoint | undefined, entries: readonly Entry[]): ForwardPass {
		const key = JSON.stringify(gauges);
		const before = this.#passes.get(key);
		const pass =
			before?.begins === origin?.count && before?.fits(entries)
				? before
				: new ForwardPass({ model: this.#model, step }, new Set(gauges), origin, entries);
		this.#passes.set(key, pass);
		pass.to(entries, this.#options.onprogress);
		return pass;
	}

	/** The pass with all gauges. */
	#open(entries: readonly Entry[]): ForwardPass {
		return this.#pass([], undefined, entries);
	}

	/** The pass without some gauges: it leaves the open one some time ago. */
	#without(gauges: readonly string[], open: ForwardPass, entries: readonly Entry[]): ForwardPass {
		if (gauges.length === 0) return open;
		const beginsMs = (Math.floor((open.state.atMs ?? 0) / PERIOD_MS) - 1) * PERIOD_MS;
		const origin = open.checkpoints.findLast(({ state }) => (state.atMs ?? 0) <= beginsMs);
		return this.#pass(gauges, origin, entries);
	}

	/** Dips that do not fit. */
	#dipsDoubted({ doubts }: FilterState): number {
		return doubts.filter(({ instrument }) => this.#model.instruments.get(instrument)?.kind === 'rod').length;
	}

	/**
	 * The gauges to be left out: those that fail against all else, and those without which a doubted dip fits. A liar
	 * makes honest gauges fail too, through all that flows between tanks: where leaving out the worst one alone brings
	 * the others to fit, it is the only one.
	 */
	#failing(open: ForwardPass, entries: readonly Entry[]): readonly string[] {
		const { state } = open;
		const alone = (id: string): FilterState => this.#without([id], open, entries).state;
		const dips = this.#dipsDoubted(state);
		const found = [...state.instruments]
			.filter(
				([, { suspicion }]) =>
					suspicion && (state.atMs ?? 0) - suspicion.lastMs < PARAMETERS.suspicionDays * DAY_MS
			)
			.map(([id]) => id)
			.filter((id) => this.#model.instruments.get(id)?.kind === 'gauge')
			.map((id) => ({ id, dips: dips > 0 ? this.#dipsDoubted(alone(id)) : 0 }))
			.filter((one) => one.dips < dips || fails(alone(one.id), one.id))
			.sort(
				(a, b) =>
					a.dips - b.dips || misfits(alone(b.id), b.id) - misfits(alone(a.id), a.id) || (a.id < b.id ? -1 : 1)
			)
			.map(({ id }) => id);
		const liar = found.find((id) => found.every((other) => other === id || !fails(alone(id), other)));
		return liar === undefined ? [...found].sort() : [liar];
	}

	/** The pass that is answered from, brought to the end of the entries. */
	#trusted(entries: readonly Entry[]): ForwardPass {
		const open = this.#open(entries);
		return this.#without(this.#failing(open, entries), open, entries);
	}

	#estimate(pass: ForwardPass, entries: readonly Entry[], atMs: number): Estimate {
		return estimateFrom(this.#model, pass.state, pass.failing, entries, atMs, pass.checkpoints);
	}

	/**
	 * Brings the pass with all gauges to the end of some entries, so that a long replay can be taken in parts.
	 *
	 * @returns whether there was anything to do
	 */
	advance(entries: readonly Entry[]): boolean {
		const open = this.#passes.get(NONE);
		if (open && open.count >= entries.length) return false;
		this.#open(entries);
		return true;
	}

	/**
	 * Another replay that goes on from this one's checkpoints, for a question about the past; this one stays where it is.
	 *
	 * @param count how many entries it will at most be asked about
	 */
	branch(count: number): Replay {
		const other = new Replay(this.#model, this.#options);
		for (const [key, pass] of this.#passes) other.#passes.set(key, pass.branch(count));
		return other;
	}

	/** The estimate with more entries somewhere among the others, without forgetting the way as it is. */
	aside(entries: readonly Entry[], added: readonly Entry[], atMs: number): Estimate {
		const among = inOrder([...entries, ...added]);
		const at = among.findIndex((one) => added.includes(one));
		const pass = this.#trusted(entries).branch(at);
		pass.to(among, undefined);
		return this.#estimate(pass, among, atMs);
	}

	/**
	 * The estimate at an instant. A gauge with strained readings is held against what everything else says without
	 * it; one that fails there is left out of the past months, too.
	 *
	 * @param entries the rig's entries that count, in order, none later than `atMs`
	 * @throws ReplayStopped when `onprogress` answered false
	 */
	to(entries: readonly Entry[], atMs: number): Estimate {
		return this.#estimate(this.#trusted(entries), entries, atMs);
	}
}
