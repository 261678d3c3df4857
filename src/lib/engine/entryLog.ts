import { byTime, inOrder, instantMs, type Entry } from '$core/logbook';

/**
 * The entries that count, rig by rig and in their order, kept so while single entries come and change: a new one at
 * the end costs next to nothing.
 */
export class EntryLog {
	readonly #byRig = new Map<string, Entry[]>();
	readonly #known = new Map<string, Entry>();

	constructor(entries: readonly Entry[]) {
		for (const entry of entries) {
			this.#known.set(entry.id, entry);
			if (entry.void !== true) this.#rig(entry.rig).push(entry);
		}
		for (const [rig, list] of this.#byRig) this.#byRig.set(rig, [...inOrder(list)]);
	}

	#rig(id: string): Entry[] {
		const list = this.#byRig.get(id) ?? [];
		this.#byRig.set(id, list);
		return list;
	}

	/** Where an entry stands, or would stand. */
	#place(list: readonly Entry[], entry: Entry): number {
		let [low, high] = [0, list.length];
		while (low < high) {
			const middle = (low + high) >> 1;
			if (byTime(list[middle] as Entry, entry) < 0) low = middle + 1;
			else high = middle;
		}
		return low;
	}

	/** Puts an entry in the place of the one of its id. */
	put(entry: Entry): void {
		const before = this.#known.get(entry.id);
		if (before && before.void !== true) {
			const list = this.#rig(before.rig);
			list.splice(this.#place(list, before), 1);
		}
		this.#known.set(entry.id, entry);
		if (entry.void === true) return;
		const list = this.#rig(entry.rig);
		list.splice(this.#place(list, entry), 0, entry);
	}

	/** A rig's entries up to and including an instant, in order. */
	until(rig: string, atMs: number): readonly Entry[] {
		const list = this.#rig(rig);
		let end = list.length;
		while (end > 0 && instantMs((list[end - 1] as Entry).at) > atMs) end--;
		return list.slice(0, end);
	}

	/** All of a rig's entries that count, those of the future too. */
	of(rig: string): readonly Entry[] {
		return this.#rig(rig);
	}
}
