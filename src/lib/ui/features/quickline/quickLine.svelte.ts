import type { Effect } from '$core/now';
import type { Answered } from '$core/answering';
import type { Question, Understood } from '$core/quickline';
import { errorMessage } from '$lib/errorMessage';
import type { LineContext } from './grammar';

/** Everything that is shown of a line, of one and the same text: a preview of another text cannot stand beside it. */
export interface Shown {
	readonly text: string;
	/** what it may mean, likeliest first */
	readonly choices: readonly Understood[];
	readonly picked: number;
	readonly problem: string | undefined;
	/** why it could not be logged */
	readonly failed: string | undefined;
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
	/** it asks: what, and what is answered, once that is known */
	readonly question: Question | undefined;
	readonly answer: Answered | undefined;
}

export type Context = Omit<LineContext, 'nowMs'>;
export type EffectOf = (choice: Understood) => Promise<Effect | undefined>;
export type AnswerOf = (question: Question) => Promise<Answered | undefined>;

/** A view or an act that a text names. */
export interface NamedAct {
	readonly name: string;
	readonly does: () => void;
}

export type Grammar = typeof import('./grammar');

/** A browser asks once alone for what it could not fetch. */
const RELOAD = 'Reload the page when there is a signal; what you typed is kept.';

const EMPTY: Shown = {
	text: '',
	choices: [],
	picked: 0,
	problem: undefined,
	failed: undefined,
	meant: [],
	ways: [],
	run: undefined,
	completion: undefined,
	effect: undefined,
	question: undefined,
	answer: undefined
};

/** The line that is being typed. */
export class QuickLineState {
	shown = $state.raw<Shown>(EMPTY);
	readonly #context: () => Context;
	readonly #effectOf: EffectOf;
	readonly #answerOf: AnswerOf;
	/** a question to the engine is under way; and what is shown since, of which it is asked next */
	#asking = false;
	#next: Shown | undefined;
	readonly #fetch: () => Promise<Grammar>;
	#grammar = $state.raw<Grammar>();
	/** a line that could not be logged, and why */
	#failed: { readonly text: string; readonly why: string } | undefined;
	/** the moment at which the line was last typed in: "now" in it */
	#nowMs = Date.now();

	/** @param grammar how the line is read, or where that is to be had */
	constructor(
		context: () => Context,
		{ effectOf, answerOf }: { readonly effectOf: EffectOf; readonly answerOf: AnswerOf },
		grammar: Grammar | (() => Promise<Grammar>)
	) {
		this.#context = context;
		this.#effectOf = effectOf;
		this.#answerOf = answerOf;
		if (typeof grammar === 'function') this.#fetch = grammar;
		else {
			this.#grammar = grammar;
			this.#fetch = () => Promise.resolve(grammar);
		}
	}

	/** What shows a line, once it can be read. */
	get said(): Grammar['Said'] | undefined {
		return this.#grammar?.Said;
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
			const problem = `The line can’t be read: ${errorMessage(error)}. ${RELOAD}`;
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
			failed: text === this.#failed?.text ? this.#failed.why : undefined,
			meant: answer.kind === 'problem' ? (answer.meant ?? []) : [],
			ways: answer.kind === 'problem' ? begun : [],
			completion: /\s$/.test(text) ? undefined : begun[0],
			question: answer.kind === 'question' ? answer.question : undefined,
			// The same line read again keeps what was said of it until that is known anew.
			...this.#stillSaid(text, choices[at])
		};
		this.shown = shown;
		void this.#preview(shown);
	}

	/** What stands beside a line already, where it is the same line and means the same. */
	#stillSaid(text: string, choice: Understood | undefined): Pick<Shown, 'effect' | 'answer'> {
		const before = this.shown;
		const same = before.text === text && before.choices[before.picked]?.says === choice?.says;
		return same ? { effect: before.effect, answer: before.answer } : { effect: undefined, answer: undefined };
	}

	/** Takes a line back that could not be logged, before what was typed since, and says why. */
	takeBack(logged: string, error: unknown): void {
		const text = [logged, this.shown.text].filter((one) => one !== '').join(', ');
		this.#failed = { text, why: `Not logged: ${errorMessage(error)}. ${RELOAD}` };
		this.type(text);
	}

	/**
	 * Adds the effect, or the answer, to the very line that it was asked for; when another one is shown by then, it is dropped. While
	 * one is under way no other is asked: of the lines typed meanwhile the last alone is asked about then.
	 */
	async #preview(of: Shown): Promise<void> {
		const choice = of.choices[of.picked];
		const { question } = of;
		if (!choice && !question) return;
		if (this.#asking) {
			this.#next = of;
			return;
		}
		this.#asking = true;
		try {
			const told = question
				? { answer: await this.#answerOf(question) }
				: { effect: choice && (await this.#effectOf(choice)) };
			if (this.shown === of && Object.values(told).some((one) => one !== undefined))
				this.shown = { ...of, ...told };
		} catch (error) {
			// The line can be entered all the same; that the engine fails is said above.
			console.warn('No preview of the line:', error);
		} finally {
			this.#asking = false;
		}
		const next = this.#next;
		this.#next = undefined;
		if (next && this.shown === next) await this.#preview(next);
	}
}
