import type { Entry } from '../../logbook/index.js';
import type { Model } from '../model/index.js';
import type { Checkpoint } from './estimateAt.js';
import { copyOfState, initialState, type FilterState } from './filterState.js';
import type { ForwardStep } from './forwardStep.js';

/** A replay was stopped by whoever asked for it. */
export class ReplayStopped extends Error {
	override readonly name = 'ReplayStopped';
}

/** How a long replay is followed and stopped. */
export interface ReplayOptions {
	/** told how far a long replay is, 0 … 1; it stops when this answers false */
	readonly onprogress?: (done: number) => boolean | void;
}

/** A copy of the state is kept every so many entries; a correction replays from the last one before it. */
const CHECKPOINT = 500;

/** What a pass goes forward with: the model of a rig, and the step from entry to entry. */
export interface Forward {
	readonly model: Model;
	readonly step: ForwardStep['step'];
}

/** One pass through the entries, with or without some gauges, with checkpoints on the way. */
export class ForwardPass {
	readonly #forward: Forward;
	readonly failing: ReadonlySet<string>;
	/** where it begins: at another pass's checkpoint, or before everything */
	readonly #origin: Checkpoint | undefined;
	#checkpoints: Checkpoint[] = [];
	#entries: readonly Entry[];
	state: FilterState;

	/** @param before the entries up to the origin */
	constructor(
		forward: Forward,
		failing: ReadonlySet<string>,
		origin?: Checkpoint,
		before: readonly Entry[] = []
	) {
		this.#forward = forward;
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
		return this.#origin ? copyOfState(this.#origin.state) : initialState(this.#forward.model);
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
	branch(at: number): ForwardPass {
		const from = this.checkpoints.findLast(({ count }) => count <= at);
		return new ForwardPass(this.#forward, this.failing, from, this.#entries);
	}

	/** Comes to the end of a list of entries, from the last point that it shares with the list before. */
	to(entries: readonly Entry[], onprogress: ReplayOptions['onprogress']): void {
		const { model, step } = this.#forward;
		let shared = this.#shared(entries);
		if (shared < this.#entries.length) {
			this.#checkpoints = this.#checkpoints.filter(({ count }) => count <= shared);
			const from = this.#checkpoints.at(-1);
			this.state = from ? copyOfState(from.state) : this.#begin();
			shared = from?.count ?? this.#origin?.count ?? 0;
		}
		if (shared < entries.length) this.#entries = entries.slice(0, shared);
		for (let i = shared; i < entries.length; i++) {
			step(model, this.state, entries[i] as Entry, this.failing);
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
