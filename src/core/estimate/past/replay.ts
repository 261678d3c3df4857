import { byTime, type Entry } from '../../logbook/index.js';
import { estimateFrom, type Estimate } from '../estimate.js';
import type { Model } from '../filter/model.js';
import { step } from './step.js';
import { initialState, copyOfState, type FilterState } from '../filter/filterState.js';

export interface ReplayOptions {
	/** told how far a long replay is, 0 … 1; it stops when this answers false */
	readonly onprogress?: (done: number) => boolean | void;
}

/** A replay was stopped by whoever asked for it. */
export class ReplayStopped extends Error {
	override readonly name = 'ReplayStopped';
}

/** A copy of the state is kept every so many entries; a correction replays from the last one before it. */
const CHECKPOINT = 500;
/** Of a gauge's last six readings so many were doubted: it is called failing, until it has been right for a while. */
const FAILING = 2;

const NONE = JSON.stringify([]);

interface Checkpoint {
	readonly count: number;
	readonly state: FilterState;
}

/** Whether a gauge's latest readings, held against all else, call it failing. */
const fails = (state: FilterState, gauge: string): boolean => misfits(state, gauge) >= FAILING;
const misfits = (state: FilterState, gauge: string): number =>
	(state.record.get(gauge) ?? []).reduce((sum, misfit) => sum + misfit, 0);

/** One way through the entries with a set of failing gauges, with checkpoints on the way. */
class Lane {
	readonly #model: Model;
	readonly failing: ReadonlySet<string>;
	#checkpoints: Checkpoint[] = [];
	#entries: readonly Entry[] = [];
	state: FilterState;

	constructor(model: Model, failing: ReadonlySet<string>) {
		this.#model = model;
		this.failing = failing;
		this.state = initialState(model);
	}

	/** How many entries it has come through. */
	get count(): number {
		return this.#entries.length;
	}

	/** Another way from the last checkpoint before a place in the list; this one stays as it is. */
	branch(at: number): Lane {
		const other = new Lane(this.#model, this.failing);
		const from = this.#checkpoints.findLast(({ count }) => count <= at);
		if (!from) return other;
		other.state = copyOfState(from.state);
		other.#entries = this.#entries.slice(0, from.count);
		return other;
	}

	/** Comes to the end of a list of entries, from the last point that it shares with the list before. */
	to(entries: readonly Entry[], onprogress: ReplayOptions['onprogress']): void {
		let shared = 0;
		const limit = Math.min(entries.length, this.#entries.length);
		while (shared < limit && entries[shared] === this.#entries[shared]) shared++;
		if (shared < this.#entries.length) {
			this.#checkpoints = this.#checkpoints.filter(({ count }) => count <= shared);
			const from = this.#checkpoints.at(-1);
			this.state = from ? copyOfState(from.state) : initialState(this.#model);
			shared = from?.count ?? 0;
		}
		this.#entries = entries.slice(0, shared);
		for (let i = shared; i < entries.length; i++) {
			step(this.#model, this.state, entries[i] as Entry, this.failing);
			if ((i + 1) % CHECKPOINT !== 0) continue;
			this.#checkpoints.push({ count: i + 1, state: copyOfState(this.state) });
			if (onprogress?.((i + 1) / entries.length) === false) {
				this.#entries = entries.slice(0, i + 1);
				throw new ReplayStopped(`stopped after ${i + 1} of ${entries.length} entries`);
			}
		}
		this.#entries = entries;
	}
}

/**
 * A replay that remembers: a new entry at the end is one step, a correction in the middle replays from the last
 * checkpoint before it, and both give what a whole replay would.
 */
export class Replay {
	readonly #model: Model;
	readonly #options: ReplayOptions;
	/** ways through the entries by the gauges left out, each kept for the next question */
	readonly #lanes = new Map<string, Lane>();

	constructor(model: Model, options: ReplayOptions = {}) {
		this.#model = model;
		this.#options = options;
	}

	/** The way without some gauges, brought to the end of the entries. */
	#without(gauges: readonly string[], entries: readonly Entry[]): Lane {
		const key = JSON.stringify(gauges);
		const lane = this.#lanes.get(key) ?? new Lane(this.#model, new Set(gauges));
		this.#lanes.set(key, lane);
		lane.to(entries, this.#options.onprogress);
		return lane;
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
	#failing(open: FilterState, entries: readonly Entry[]): readonly string[] {
		const alone = (id: string): FilterState => this.#without([id], entries).state;
		const dips = this.#dipsDoubted(open);
		const found = [...open.hinted]
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

	/**
	 * Brings the way with all gauges to the end of some entries, so that a long replay can be taken in parts.
	 *
	 * @returns whether there was anything to do
	 */
	advance(entries: readonly Entry[]): boolean {
		const lane = this.#lanes.get(NONE);
		if (lane && lane.count >= entries.length) return false;
		this.#without([], entries);
		return true;
	}

	/**
	 * Another replay that goes on from this one's checkpoints, for a question about the past; this one stays where it is.
	 *
	 * @param count how many entries it will at most be asked about
	 */
	branch(count: number): Replay {
		const other = new Replay(this.#model, this.#options);
		for (const [key, lane] of this.#lanes) other.#lanes.set(key, lane.branch(count));
		return other;
	}

	/** The estimate with one more entry somewhere among the others, without forgetting the way as it is. */
	aside(entries: readonly Entry[], entry: Entry, atMs: number): Estimate {
		const at = entries.findLastIndex((one) => byTime(one, entry) < 0) + 1;
		const among = [...entries.slice(0, at), entry, ...entries.slice(at)];
		const failing = this.#failing(this.#without([], entries).state, entries);
		const lane = this.#without(failing, entries).branch(at);
		lane.to(among, undefined);
		return estimateFrom(this.#model, lane.state, lane.failing, among, atMs);
	}

	/**
	 * The estimate at an instant. A gauge with strained readings is held against what everything else says without
	 * it; one that fails there is left out of the whole past.
	 *
	 * @param entries the rig's entries that count, in order, none later than `atMs`
	 * @throws ReplayStopped when `onprogress` answered false
	 */
	to(entries: readonly Entry[], atMs: number): Estimate {
		const failing = this.#failing(this.#without([], entries).state, entries);
		const lane = this.#without(failing, entries);
		return estimateFrom(this.#model, lane.state, lane.failing, entries, atMs);
	}
}
