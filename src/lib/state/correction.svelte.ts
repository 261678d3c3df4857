import type { Conflict, Problem, RecordTypes } from '$core/logbook';
import type { App } from './app.svelte';
import { problemsWith, saidProblems } from './validate';
import type { Change } from '$lib/store';

/**
 * A record that is being changed in a form, from the version that it was opened with. What is wrong with it, and what
 * others changed in the same place meanwhile, is told before anything is stored.
 */
export class Correction<K extends Change['kind']> {
	problems = $state.raw<readonly Problem[]>([]);
	conflicts = $state.raw<readonly Conflict[]>([]);
	readonly #app: App;
	readonly #kind: K;
	/** as it was opened; nothing for a new record */
	readonly #base: RecordTypes[K] | undefined;

	constructor(app: App, kind: K, base: RecordTypes[K] | undefined) {
		[this.#app, this.#kind, this.#base] = [app, kind, base];
	}

	/** Looks for what stands against a record as it is to be. */
	check(value: RecordTypes[K]): boolean {
		const change = { kind: this.#kind, value } as unknown as Change;
		this.problems = saidProblems(problemsWith(this.#app.records.logbook(), change));
		return this.problems.length === 0;
	}

	/**
	 * Stores it, unless something stands against it. A conflict is told once: the next time it is stored all the same,
	 * unless a new one has come meanwhile.
	 *
	 * @returns whether the form has done its work
	 */
	async save(value: RecordTypes[K], label: string): Promise<boolean> {
		if (!this.check(value)) return false;
		const told = this.conflicts;
		const { conflicts } = await this.#app.commands.correct(this.#kind, this.#base, value, label, told);
		this.conflicts = conflicts;
		return conflicts.length === 0;
	}
}
