import type { Change } from '$lib/store';

type Value = Change['value'];

/** What one thing that a person did made of one record. */
export interface HistoryStep {
	readonly kind: Change['kind'];
	/** absent where the record was new */
	readonly before: Value | undefined;
	readonly after: Value;
}

/** One thing a person did, with a name for the button that takes it back. */
export interface Act {
	readonly label: string;
	readonly steps: readonly HistoryStep[];
}

const DEEPEST = 100;

/** What can be undone and done again in this tab. */
export class History {
	done = $state.raw<readonly Act[]>([]);
	undone = $state.raw<readonly Act[]>([]);

	add(act: Act): void {
		this.done = [...this.done.slice(-(DEEPEST - 1)), act];
		this.undone = [];
	}

	takeDone(): Act | undefined {
		const act = this.done.at(-1);
		if (act) [this.done, this.undone] = [this.done.slice(0, -1), [...this.undone, act]];
		return act;
	}

	takeUndone(): Act | undefined {
		const act = this.undone.at(-1);
		if (act) [this.undone, this.done] = [this.undone.slice(0, -1), [...this.done, act]];
		return act;
	}

	clear(): void {
		[this.done, this.undone] = [[], []];
	}
}
