/** What stands where something was cut out of a line: a border between words. */
export const CUT = '\ue000';

/** A line of which what is understood is cut out piece by piece. */
export class Cutting {
	text: string;

	constructor(text: string) {
		this.text = text;
	}

	/** Cuts out the first match of a pattern, and gives it; a function may refuse it, and it stays. */
	take(
		pattern: RegExp,
		accept: (match: RegExpExecArray) => boolean = () => true
	): RegExpExecArray | undefined {
		for (const match of this.text.matchAll(
			new RegExp(pattern.source, `${pattern.flags.replace('g', '')}g`)
		)) {
			if (!accept(match)) continue;
			this.#cut(match.index, match[0].length);
			return match;
		}
		return undefined;
	}

	/** Cuts out some characters. */
	cut(from: number, length: number): void {
		this.#cut(from, length);
	}

	#cut(from: number, length: number): void {
		this.text = `${this.text.slice(0, from)} ${CUT} ${this.text.slice(from + length)}`;
	}
}
