import type { Problem, Rig } from '$core/logbook';
import { impactOf, type Impact } from '$core/rig';
import { problemsWith, saidProblems, type App } from '$lib/state';

/** A change of a rig that was asked for with one tap, and what stands against it. */
export interface Held {
	readonly label: string;
	readonly change: (rig: Rig) => Rig;
	readonly problems: readonly Problem[];
	readonly impacts: readonly Impact[];
}

/**
 * Changes a rig by what was changed, so that two changes in quick succession both stand; one that would make wrong
 * what is stored is held until the person says so.
 */
export class Proposals {
	held = $state.raw<Held | undefined>();
	readonly #app: App;

	constructor(app: App) {
		this.#app = app;
	}

	async put(id: string, change: (rig: Rig) => Rig, label: string): Promise<void> {
		const before = this.#app.records.rigs.find((rig) => rig.id === id);
		if (!before) return;
		const value = change(before);
		const problems = saidProblems(problemsWith(this.#app.records.logbook(), { kind: 'rig', value }));
		const impacts = problems.length > 0 ? [] : impactOf(before, value, this.#app.records.entries);
		this.held = undefined;
		if (problems.length > 0 || impacts.length > 0) this.held = { label, change, problems, impacts };
		else await this.#app.commands.change('rig', id, change, label);
	}

	/** Does what was held all the same; what is wrong in itself stays undone. */
	async insist(id: string): Promise<void> {
		const { held } = this;
		this.held = undefined;
		if (held && held.problems.length === 0)
			await this.#app.commands.change('rig', id, held.change, held.label);
	}

	leave(): void {
		this.held = undefined;
	}
}
