/** How long is worked on before the engine listens, ms. */
const SLICE_MS = 40;

/** One question's turn. */
export interface Turn {
	/** whether a newer one of its kind has come, or it was given up; or, where that counts, anything has changed */
	isOver(orByChange: boolean): boolean;
}

/** Counts changes, and questions of each kind: a long answer to an earlier one is outdated. */
export class QuestionTurns {
	#changed = 0;
	readonly #begun = new Map<string, number>();

	/** A newer one of its kind: what was under way is given up. */
	begin(kind: string): Turn {
		const own = (this.#begun.get(kind) ?? 0) + 1;
		const before = this.#changed;
		this.#begun.set(kind, own);
		return {
			isOver: (orByChange) => this.#begun.get(kind) !== own || (orByChange && this.#changed !== before)
		};
	}

	change(): void {
		this.#changed++;
	}

	/** Lets what has come meanwhile be heard; whether that outdates who pauses. */
	async pause(outdated: () => boolean): Promise<boolean> {
		await new Promise((resolve) => setTimeout(resolve));
		return outdated();
	}

	/** Runs something that pauses on its way, and listens in between; nothing when it is outdated meanwhile. */
	async inParts<S, T>(
		computation: Generator<S, T>,
		outdated: () => boolean,
		onstep?: (step: S) => void
	): Promise<T | undefined> {
		let began = performance.now();
		for (;;) {
			const { done, value } = computation.next();
			if (done) return value;
			if (performance.now() - began < SLICE_MS) continue;
			onstep?.(value);
			if (await this.pause(outdated)) return undefined;
			began = performance.now();
		}
	}
}
