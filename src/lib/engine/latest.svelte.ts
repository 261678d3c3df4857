import { errorMessage } from '$lib/errorMessage';
import { dequal } from 'dequal';
import { onDestroy, untrack } from 'svelte';
import type { Asked } from './asked';

/** The answer to the latest of a row of questions: a late answer to an earlier one is dropped, here and nowhere else. */
export class Latest<T> {
	/** the last answer that came; it stays while the next one is waited for, and when that is the same: nothing is drawn anew for it */
	value = $state.raw<T | undefined>();
	waiting = $state(false);
	/** why the latest question failed */
	trouble = $state<string | undefined>();
	#run = 0;

	/** Waits for an answer; resolves when it is in or was dropped, and never rejects. */
	async take(asked: Promise<T | undefined>): Promise<void> {
		const own = ++this.#run;
		this.waiting = true;
		try {
			const answer = await asked;
			if (own !== this.#run) return;
			if (answer !== undefined && !dequal(answer, this.value)) this.value = answer;
			this.trouble = undefined;
		} catch (error) {
			if (own === this.#run) this.trouble = errorMessage(error);
		} finally {
			if (own === this.#run) this.waiting = false;
		}
	}

	/** A first answer to the latest question, while the whole one is waited for. @returns takes it, unless a newer question was asked */
	early(): (answer: T) => void {
		const own = this.#run + 1;
		return (answer) => {
			if (own === this.#run && this.waiting) this.value = answer;
		};
	}

	/** Forgets the answer, and drops the one under way. */
	clear(): void {
		this.#run++;
		[this.value, this.waiting, this.trouble] = [undefined, false, undefined];
	}
}

/**
 * Asks, and asks again whenever what the question reads has changed; with the component goes what it asked. For use while a
 * component is set up.
 *
 * @param question nothing when there is nothing to ask; then there is no answer either
 * @param when what it is asked again for, where that is less than all that it reads: the past does not change with the clock
 */
export function latest<T>(question: () => Asked<T | undefined> | undefined, when?: () => unknown): Latest<T> {
	const resource = new Latest<T>();
	let under: Asked<T | undefined> | undefined;
	// A question goes out to the worker: that is an effect, and its answer comes at another time.
	$effect(() => {
		when?.();
		const asked = when ? untrack(question) : question();
		untrack(() => (asked ? void resource.take(asked) : resource.clear()));
		under = asked;
	});
	onDestroy(() => resource.waiting && under?.giveUp?.());
	return resource;
}
