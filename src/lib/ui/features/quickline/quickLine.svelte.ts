import type { Effect } from '$core/now';
import type { Understood } from '$core/quickline';
import { errorMessage } from '$lib/errorMessage';
import type { LineContext } from './grammar';

/** Everything that is shown of a line, of one and the same text: a preview of another text cannot stand beside it. */
export interface Shown {
	readonly text: string;
	/** what it may mean, likeliest first */
	readonly choices: readonly Understood[];
	readonly picked: number;
	readonly problem: string | undefined;
	/** whole lines that are more likely meant */
	readonly meant: readonly string[];
	/** ways to go on from the text, while it means nothing yet */
	readonly ways: readonly string[];
	/** where a run leads through the picked choice */
	readonly run: string | undefined;
	/** how Tab finishes the word; nothing behind a finished one, so that Tab then leaves the line */
	readonly completion: string | undefined;
	/** what the picked choice does to the stay, once that is known */
	readonly effect: Effect | undefined;
}

export type Context = Omit<LineContext, 'nowMs'>;
export type EffectOf = (choice: Understood) => Promise<Effect | undefined>;

export type Grammar = typeof import('./grammar');

const EMPTY: Shown = {
	text: '',
	choices: [],
	picked: 0,
	problem: undefined,
	meant: [],
	ways: [],
	run: undefined,
	completion: undefined,
	effect: undefined
};

/** The line that is being typed. */
export class QuickLineState {
	shown = $state.raw<Shown>(EMPTY);
	readonly #context: () => Context;
	readonly #effectOf: EffectOf;
	readonly #fetch: () => Promise<Grammar>;
	#grammar: Grammar | undefined;
	/** the moment at which the line was last typed in: "now" in it */
	#nowMs = Date.now();

	/** @param grammar how the line is read, or where that is to be had */
	constructor(context: () => Context, effectOf: EffectOf, grammar: Grammar | (() => Promise<Grammar>)) {
		this.#context = context;
		this.#effectOf = effectOf;
		if (typeof grammar === 'function') this.#fetch = grammar;
		else {
			this.#grammar = grammar;
			this.#fetch = () => Promise.resolve(grammar);
		}
	}

	/** Whether the line can be read. */
	get ready(): boolean {
		return this.#grammar !== undefined;
	}

	/** Fetches the grammar, once; a text typed meanwhile is read then. */
	async load(): Promise<void> {
		if (this.#grammar) return;
		try {
			this.#grammar = await this.#fetch();
			this.reread();
		} catch (error) {
			const problem = `The line can’t be read: ${errorMessage(error)}. Reload the page when there is a signal; what you typed is kept.`;
			this.shown = { ...EMPTY, text: this.shown.text, problem };
		}
	}

	get choice(): Understood | undefined {
		return this.shown.choices[this.shown.picked];
	}

	/** Reads a text as typed just now. */
	type(text: string): void {
		this.#nowMs = Date.now();
		this.#show(text, 0);
	}

	/** Reads the same text again, when what is known around it has changed. */
	reread(): void {
		this.#show(this.shown.text, this.shown.picked);
	}

	pick(index: number): void {
		const { length } = this.shown.choices;
		if (length > 0) this.#show(this.shown.text, (index + length) % length);
	}

	#show(text: string, picked: number): void {
		if (!this.#grammar) {
			this.shown = { ...EMPTY, text };
			if (text !== '') void this.load();
			return;
		}
		const { understandHere, completions, runOf } = this.#grammar;
		const context: LineContext = { ...this.#context(), nowMs: this.#nowMs };
		const answer = understandHere(text, context);
		const begun = completions(text, context);
		const choices = answer.kind === 'understood' ? answer.matches : [];
		const at = Math.max(0, Math.min(picked, choices.length - 1));
		const shown: Shown = {
			text,
			choices,
			picked: at,
			run: choices[at] && runOf(choices[at], context),
			problem: answer.kind === 'problem' ? answer.problem : undefined,
			meant: answer.kind === 'problem' ? (answer.meant ?? []) : [],
			ways: answer.kind === 'problem' ? begun : [],
			completion: /\s$/.test(text) ? undefined : begun[0],
			effect: undefined
		};
		this.shown = shown;
		void this.#preview(shown);
	}

	/** Adds the effect to the very line that it was asked for; when another one is shown by then, it is dropped. */
	async #preview(of: Shown): Promise<void> {
		const choice = of.choices[of.picked];
		if (!choice) return;
		try {
			const effect = await this.#effectOf(choice);
			if (this.shown === of && effect) this.shown = { ...of, effect };
		} catch (error) {
			// The line can be entered all the same; that the engine fails is said above.
			console.warn('No preview of the line:', error);
		}
	}
}
