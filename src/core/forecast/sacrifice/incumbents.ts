import type { Measure } from '../../logbook/index.js';
import { effortOfAll, type Taken } from './sets.js';

/** What a search still wants: the cheapest sets that reach, or the surest while none does. */
export class Incumbents {
	readonly found: Taken[] = [];
	readonly #certainty: number;
	readonly #keep: number;
	/** efforts of the cheapest sets that reach, rising */
	#efforts: number[] = [];
	#surest = 0;

	constructor(certainty: number, keep: number) {
		this.#certainty = certainty;
		this.#keep = keep;
	}

	/** The least chance with which a set of an effort would be of interest; more than 1 where none would. */
	least(effort: number): number {
		if (this.#efforts.length === 0) return Math.min(this.#certainty, this.#surest);
		const dearest = this.#efforts[this.#keep - 1];
		return dearest !== undefined && effort > dearest ? 2 : this.#certainty;
	}

	/** Some set is as sure as that: less sure ones are not wanted while none reaches. */
	surest(chance: number): void {
		this.#surest = Math.max(this.#surest, chance);
	}

	take(taken: readonly Measure[], chance: number): void {
		this.found.push({ taken, chance });
		this.surest(chance);
		if (chance < this.#certainty) return;
		const efforts = [...this.#efforts, effortOfAll(taken)].sort((a, b) => a - b);
		this.#efforts = efforts.slice(0, this.#keep);
	}
}
