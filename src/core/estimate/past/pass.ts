import type { Entry } from '../../logbook/index.js';
import { copyOfState, type FilterState, initialState, type Model } from '../filter/index.js';
import type { Checkpoint } from './estimateAt.js';
import { step } from './step.js';

/** A replay was stopped by whoever asked for it. */
export class ReplayStopped extends Error {
	override readonly name = 'ReplayStopped';
}

export interface ReplayOptions {
	/** told how far a long replay is, 0 … 1; it stops when this answers false */
	readonly onprogress?: (done: number) => boolean | void;
}

/** A copy of the state is kept every so many entries; a correction replays from the last one before it. */
const CHECKPOINT = 500;

/** One pass through the entries, with or without some gauges, with checkpoints on the way. */
export class Pass {
	readonly #model: Model;
	readonly failing: ReadonlySet<string>;
	/** where it begins: at another pass's checkpoint, or before everything */
	readonly #origin: Checkpoint | undefined;
	#checkpoints: Checkpoint[] = [];
	#entries: readonly Entry[];
	state: FilterState;

	/** @param before the entries up to the origin */
	constructor(
		model: Model,
		failing: ReadonlySet<string>,
		origin?: Checkpoint,
		before: readonly Entry[] = []
	) {
		this.#model = model;
		this.failing = failing;
		this.#origin = origin;
		this.#entries = origin ? before.slice(0, origin.count) : [];
		this.state = this.#begin();
	}

	/** How many entries it has come through. */
	get count(): number {
		return this.#entries.length;
	}

	/** After how many entries of another pass it begins; nothing when it begins before everything. */
	get begins(): number | undefined {
		return this.#origin?.count;
	}

	get checkpoints(): readonly Checkpoint[] {
		return this.#origin ? [this.#origin, ...this.#checkpoints] : this.#checkpoints;
	}

	#begin(): FilterState {
		return this.#origin ? copyOfState(this.#origin.state) : initialState(this.#model);
	}

	/** How many entries of a list it has come through, from the first on. */
	#shared(entries: readonly Entry[]): number {
		if (entries === this.#entries) return entries.length;
		let shared = 0;
		const limit = Math.min(entries.length, this.#entries.length);
		while (shared < limit && entries[shared] === this.#entries[shared]) shared++;
		return shared;
	}

	/** Whether a list of entries is still the one it began with. */
	fits(entries: readonly Entry[]): boolean {
		return !this.#origin || this.#shared(entries) >= this.#origin.count;
	}

	/** Another pass from the last checkpoint before a place in the list; this one stays as it is. */
	branch(at: number): Pass {
		const from = this.checkpoints.findLast(({ count }) => count <= at);
		return new Pass(this.#model, this.failing, from, this.#entries);
	}

	/** Comes to the end of a list of entries, from the last point that it shares with the list before. */
	to(entries: readonly Entry[], onprogress: ReplayOptions['onprogress']): void {
		let shared = this.#shared(entries);
		if (shared < this.#entries.length) {
			this.#checkpoints = this.#checkpoints.filter(({ count }) => count <= shared);
			const from = this.#checkpoints.at(-1);
			this.state = from ? copyOfState(from.state) : this.#begin();
			shared = from?.count ?? this.#origin?.count ?? 0;
		}
		if (shared < entries.length) this.#entries = entries.slice(0, shared);
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
