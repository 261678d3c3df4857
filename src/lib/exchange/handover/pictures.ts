import { fnv1a } from '$core/numerics';

/** One picture alone holds a link of so many characters: a denser one is hard to read off a scratched screen. */
export const LONGEST_ALONE = 1200;
/** Of several in turn each holds so much: less, so that each is read at a glance. */
const PART = 700;
/** More pictures than this take a minute: then a file is handed over. */
export const MOST_PICTURES = 150;
const LONGEST_PART = 2000;
/** Pictures of so many hand-overs are gathered beside each other; older ones are let go. */
const MOST_SETS = 4;

const sumOf = (text: string): string => fnv1a(text).toString(36);

/** What the pictures of a hand-over say, one after the other: its link, where one holds it; nothing where it takes too many. */
export function picturesOf(link: string, text: string): readonly string[] | undefined {
	if (link.length <= LONGEST_ALONE) return [link];
	const count = Math.ceil(text.length / PART);
	if (count > MOST_PICTURES) return undefined;
	const sum = sumOf(text);
	return Array.from(
		{ length: count },
		(_, i) => `dipsometer/${sum}/${i + 1}/${count}/${text.slice(i * PART, (i + 1) * PART)}`
	);
}

/** How many pictures have been read, of how many; and the whole once all are there. */
export interface Gathered {
	readonly read: number;
	readonly of: number;
	readonly text?: string;
}

/** Gathers what pictures say, in any order, each as often as it comes round. */
export class Gathering {
	readonly #sets = new Map<string, { readonly of: number; readonly parts: Map<number, string> }>();

	/** @returns nothing for a picture that is none of a hand-over */
	add(said: string): Gathered | undefined {
		if (/#v\d+\./.test(said)) return { read: 1, of: 1, text: said };
		const found = /^dipsometer\/([0-9a-z]+)\/(\d{1,3})\/(\d{1,3})\/(.+)$/s.exec(said);
		if (!found) return undefined;
		const [, sum = '', nth, count, part = ''] = found;
		const [at, of] = [Number(nth), Number(count)];
		if (at < 1 || at > of || of > MOST_PICTURES || part.length > LONGEST_PART) return undefined;
		const name = `${sum}/${of}`;
		const set = this.#sets.get(name) ?? { of, parts: new Map<number, string>() };
		// The newest last: what another phone showed before is let go.
		this.#sets.delete(name);
		this.#sets.set(name, set);
		const [oldest] = this.#sets.keys();
		if (this.#sets.size > MOST_SETS && oldest !== undefined) this.#sets.delete(oldest);
		set.parts.set(at, part);
		if (set.parts.size < of) return { read: set.parts.size, of };
		const text = Array.from({ length: of }, (_, i) => set.parts.get(i + 1) ?? '').join('');
		if (sumOf(text) === sum) return { read: of, of, text };
		// One was read wrong, or made by hand: all of them come round again.
		this.#sets.delete(name);
		return { read: 0, of };
	}
}
