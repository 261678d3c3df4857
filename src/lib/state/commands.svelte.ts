import { errorMessage } from '$lib/errorMessage';
import type { FindingMend } from '$core/findings';
import {
	canonical,
	instantMs,
	type Conflict,
	type Entry,
	type EntryDraft,
	type RecordTypes
} from '$core/logbook';
import { EmptiedElsewhere, type Change, type Edit } from '$lib/store';
import { v7 as uuid } from 'uuid';
import { editOf, puttingEdits, stamped } from './edits';
import { History, type Act, type HistoryStep } from './history.svelte';
import type { Records } from './records.svelte';

/** So near to each other two uses of a habit are seen together, ms. */
const SEEN_MS = 10 * 60_000;

/** What a command needs to know of where it is done. */
export interface Surroundings {
	/** the rig in view */
	readonly rig: () => string;
	/** the name put to new entries */
	readonly by: () => string | undefined;
	/** the instant now, as it is written */
	readonly now: () => string;
}

/** How a correction went: nothing is stored while there are conflicts. */
export interface Corrected {
	readonly kept: boolean;
	readonly conflicts: readonly Conflict[];
}

type Value = Change['value'];
type Kind = Change['kind'];

/** What corrections and undo need: loaded with the first of them. */
const fetchRevising = () => import('./revising');

/** Everything a person does: written in its turn to the newest records, and taken back by undo. */
export class Commands {
	/** why the last thing done is not stored */
	trouble = $state<string | undefined>();
	/** edits that could not be stored: their outcome is on screen, to be tried again or saved to a file */
	unsaved = $state.raw<readonly Edit[]>([]);
	readonly history = new History();
	readonly #records: Records;
	readonly #here: Surroundings;
	/** all that was done and is on its way to the store: until it is there it is not among what can be taken back */
	#doing: Promise<unknown> = Promise.resolve();
	#retrying: Promise<boolean> | undefined;
	readonly #revising: typeof fetchRevising;

	constructor(records: Records, here: Surroundings, revising = fetchRevising) {
		this.#records = records;
		this.#here = here;
		this.#revising = revising;
	}

	/**
	 * Writes edits; on failure their outcome stays on screen and they are listed as unsaved.
	 *
	 * @param since the epoch in which the act began: what is begun in a logbook does not go into the one after a wipe
	 * @param made called before what came of them is shown
	 */
	async #write(edits: readonly Edit[], label: string, since: unknown, made?: () => void): Promise<boolean> {
		try {
			await this.#records.update(edits, made, since);
			this.#settled(edits);
			if (this.unsaved.length === 0) this.trouble = undefined;
			return true;
		} catch (error) {
			if (error instanceof EmptiedElsewhere) {
				this.#settled(edits);
				await this.#records.start();
				return this.#gone(label);
			}
			const full = error instanceof DOMException && error.name === 'QuotaExceededError';
			const reason = errorMessage(error);
			this.trouble = full
				? 'The disk is full: the last entry is on screen but not stored. Save it to a file, free some space, then try again.'
				: `The last entry is on screen but not stored: ${reason}. Save it to a file, or try again.`;
			this.unsaved = [...new Set([...this.unsaved, ...edits])];
			const outcome = await this.#records.preview(edits);
			made?.();
			this.#records.show(outcome);
			return false;
		}
	}

	/** Nothing of these is left to be stored. */
	#settled(edits: readonly Edit[]): void {
		if (this.unsaved.length > 0) this.unsaved = this.unsaved.filter((edit) => !edits.includes(edit));
	}

	/** Says that an act was of a logbook that is no more. */
	#gone(label: string): false {
		this.trouble = `Another tab has wiped this browser, so “${label}” was not saved.`;
		return false;
	}

	/** Says that nothing was done, as where the code for it could not be fetched. */
	#notDone(label: string, error: unknown): void {
		this.trouble = `“${label}” was not done: ${errorMessage(error)}. Reload the page when there is a signal, and try again.`;
	}

	/** Does something that can be undone. Resolves with true once it is durable. */
	do(edits: readonly Edit[], label: string): Promise<boolean> {
		return this.#doingNow(label, (since) => this.#do(edits, label, since), false);
	}

	/**
	 * @param act is given the epoch in which it began
	 * @param failed what is answered where it could not be done, which is said
	 */
	#doingNow<T>(label: string, act: (since: unknown) => Promise<T>, failed: T): Promise<T> {
		const doing = act(this.#records.epoch).catch((error: unknown) => {
			this.#notDone(label, error);
			return failed;
		});
		this.#doing = Promise.all([this.#doing, doing]);
		return doing;
	}

	async #do(
		edits: readonly Edit[],
		label: string,
		since: unknown,
		done?: (act: Act) => void
	): Promise<boolean> {
		const steps = new Map<Edit, HistoryStep>();
		const watched = edits.map((edit) =>
			editOf(edit.kind, edit.id, (newest) => {
				const after = (edit.make as (newest: Value | undefined) => Value | undefined)(newest);
				if (after) steps.set(edit, { kind: edit.kind, before: newest, after });
				return after;
			})
		);
		return this.#write(watched, label, since, () => {
			if (steps.size === 0) return;
			const act = { label, steps: [...steps.values()] };
			this.history.add(act);
			done?.(act);
		});
	}

	/** Puts new records, after edits that they need. */
	put(changes: readonly Change[], label: string, needs: readonly Edit[] = []): Promise<boolean> {
		return this.do([...needs, ...puttingEdits(changes)], label);
	}

	/** A new entry from a draft. */
	entryFrom(draft: EntryDraft, id = uuid()): Entry {
		const by = this.#here.by();
		const again = this.#standsAlready(draft) ? { again: true } : {};
		return { ...(by ? { by } : {}), ...again, ...draft, id, rig: this.#here.rig() } as Entry;
	}

	/** Whether the same use was written down here minutes ago: who sees it and writes another one means it. */
	#standsAlready(draft: EntryDraft): boolean {
		if (draft.kind !== 'use') return false;
		const atMs = instantMs(draft.at);
		return this.#records.entries.some(
			(one) =>
				one.kind === 'use' &&
				one.habit === draft.habit &&
				one.void !== true &&
				// What was heard may be this very one: then they are joined.
				one.heard === undefined &&
				Math.abs(instantMs(one.at) - atMs) < SEEN_MS
		);
	}

	log(draft: EntryDraft, label: string): Promise<boolean> {
		return this.put([{ kind: 'entry', value: this.entryFrom(draft) }], label);
	}

	/** A change of the newest version of a record, to be done; it does nothing when that is not there or the change is none. */
	editOf<K extends Kind>(kind: K, id: string, change: (newest: RecordTypes[K]) => RecordTypes[K]): Edit {
		return editOf(kind, id, (newest) => {
			const next = newest && change(newest as RecordTypes[K]);
			if (!next || canonical(next) === canonical(newest)) return undefined;
			return stamped(next as Value, newest, this.#here.now());
		});
	}

	/** Changes the newest version of a record. */
	change<K extends Kind>(
		kind: K,
		id: string,
		change: (newest: RecordTypes[K]) => RecordTypes[K],
		label: string
	): Promise<boolean> {
		return this.do([this.editOf(kind, id, change)], label);
	}

	/**
	 * Puts a record that was changed from an earlier version of it: only what was changed is put, into the newest. A new
	 * record has no earlier version. Where others changed the same place meanwhile, nothing is stored and that is told.
	 *
	 * @param known conflicts that the person has been told of: there this change stands
	 */
	correct<K extends Kind>(
		kind: K,
		base: RecordTypes[K] | undefined,
		value: RecordTypes[K],
		label: string,
		known: readonly Conflict[] = []
	): Promise<Corrected> {
		const correct = async (since: unknown): Promise<Corrected> => {
			const { correcting } = await this.#revising();
			const { edit, conflicts } = correcting(kind, base, value, this.#here.now(), known);
			const kept = await this.#do([edit], label, since);
			return { kept: kept && conflicts().length === 0, conflicts: conflicts() };
		};
		return this.#doingNow(label, correct, { kept: false, conflicts: [] });
	}

	/** Takes entries out of account, or brings them back; other records may be put in the same act. */
	setVoid(
		ids: readonly string[],
		isVoid: boolean,
		label: string,
		also: readonly Change[] = []
	): Promise<boolean> {
		const setThem = async (since: unknown): Promise<boolean> => {
			const { voiding } = await this.#revising();
			const edits = ids.map((id) => voiding(id, isVoid, this.#here.now()));
			return this.#do([...edits, ...puttingEdits(also)], label, since);
		};
		return this.#doingNow(label, setThem, false);
	}

	/** Does what mends a finding. */
	mend(mend: FindingMend, label: string): Promise<boolean> {
		const mendIt = async (since: unknown): Promise<boolean> => {
			const { mending } = await this.#revising();
			if (since !== this.#records.epoch) return this.#gone(label);
			const stands = (entry: string): boolean => this.#records.standing('entry', entry) !== undefined;
			return mending(this, mend, label, this.#here.rig(), stands);
		};
		return this.#doingNow(label, mendIt, false);
	}

	/** Takes back what was done last, also where that is not stored yet. */
	undo(): Promise<Act | undefined> {
		return this.#goBack('Undo', 'undoing', () => this.history.takeDone());
	}

	/** Does again what was taken back last. */
	redo(): Promise<Act | undefined> {
		return this.#goBack('Redo', 'redoing', () => this.history.takeUndone());
	}

	/** @param take takes the act from the history: only once there is what is needed for it */
	async #goBack(
		label: string,
		edits: 'undoing' | 'redoing',
		take: () => Act | undefined
	): Promise<Act | undefined> {
		const since = this.#records.epoch;
		try {
			const revising = await this.#revising();
			await this.#doing;
			const act = take();
			if (act) await this.#write(revising[edits](act, this.#here.now()), act.label, since);
			return act;
		} catch (error) {
			this.#notDone(label, error);
			return undefined;
		}
	}

	/**
	 * Tries again to store what could not be stored: each edit is made to what is newest now. That it is not stored is said until it
	 * is; to try twice at once is to try once.
	 */
	async retry(): Promise<void> {
		this.#retrying ??= this.#write(this.unsaved, 'What was not stored', this.#records.epoch).finally(
			() => (this.#retrying = undefined)
		);
		await this.#retrying;
	}

	/**
	 * Takes in what another logbook would change here; where a record was changed meanwhile, the later edit counts.
	 *
	 * @param done given the act, to be undone by
	 */
	takeIn(changes: readonly Change[], label: string, done?: (act: Act) => void): Promise<boolean> {
		const take = async (since: unknown): Promise<boolean> => {
			if (changes.length === 0) return true;
			const { takingIn } = await import('./keeping');
			return this.#do(takingIn(changes), label, since, done);
		};
		return this.#doingNow(label, take, false);
	}

	/** Forgets what could be undone, tried again or said. */
	clear(): void {
		this.history.clear();
		[this.unsaved, this.trouble] = [[], undefined];
	}
}
