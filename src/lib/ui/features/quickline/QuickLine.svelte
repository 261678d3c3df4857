<script lang="ts">
	import type { Understood } from '$core/quickline';
	import { onMount, untrack, type Snippet } from 'svelte';
	import {
		QuickLineState,
		type AnswerOf,
		type Context,
		type EffectOf,
		type NamedAct
	} from './quickLine.svelte';
	import Chips from './Chips.svelte';

	interface Props {
		context: Context;
		/** lines that are likely next, for the thumb */
		chips: readonly string[];
		/** the chips stand here even while the line has no focus */
		chipsAlways: boolean;
		effectOf: EffectOf;
		answerOf: AnswerOf;
		/** views and acts that a text names */
		actsOf: (text: string) => Promise<readonly NamedAct[]>;
		/** goes where an answer's figures are */
		ongo: (href: string) => void;
		/** what can be taken back, in reach of the thumb */
		undo: { readonly label: string; readonly does: () => void } | undefined;
		/** who writes */
		writer: Snippet;
		onlog: (choice: Understood) => Promise<boolean>;
	}
	/**
	 * The one control that logs. It is long by its looks alone: field, words and button stand in one frame, and wrap
	 * within it on a phone.
	 */
	const { context, chips, chipsAlways, effectOf, answerOf, actsOf, ongo, undo, writer, onlog }: Props =
		$props();

	const DRAFT = 'dipsometer.quickline';
	let input = $state<HTMLInputElement>();
	const line = new QuickLineState(
		() => context,
		{ effectOf: (choice) => effectOf(choice), answerOf: (question) => answerOf(question) },
		() => import('./grammar')
	);
	const shown = $derived(line.shown);

	/** What stands in the line survives a reload, as when a new build is taken over. */
	const keepDraft = (): void => sessionStorage.setItem(DRAFT, shown.text);

	function type(text: string): void {
		line.type(text);
		keepDraft();
	}
	// Figures and names around the line change while it stands there: it is read anew with them.
	$effect(() => {
		void context;
		untrack(() => line.reread());
	});

	onMount(() => {
		const draft = sessionStorage.getItem(DRAFT) ?? '';
		if (draft === '') return;
		type(draft);
		input?.focus();
		input?.setSelectionRange(draft.length, draft.length);
	});

	export function focus(text?: string): void {
		if (text === undefined) input?.focus();
		else take(text);
	}

	function take(text: string): void {
		type(text);
		input?.focus();
	}

	function log(): void {
		if (!line.ready) return void line.load().then(() => line.ready && log());
		const { choice } = line;
		if (shown.answer) {
			const { href } = shown.answer.act;
			type('');
			input?.blur();
			return ongo(href);
		}
		if (!choice) return;
		const { text } = shown;
		// It stays the draft until it is stored: who leaves the page sooner finds it in the line.
		line.type('');
		void onlog(choice)
			.catch((error: unknown) => line.takeBack(text, error))
			.finally(keepDraft);
	}

	function keydown(event: KeyboardEvent): void {
		const { completion } = shown;
		if (event.key === 'Enter') log();
		else if (event.key === 'Tab' && !event.shiftKey && completion !== undefined) take(`${completion} `);
		else if (event.key === 'ArrowDown' && shown.choices.length > 1) line.pick(shown.picked + 1);
		else if (event.key === 'ArrowUp' && shown.choices.length > 1) line.pick(shown.picked - 1);
		else if (event.key === 'Escape') {
			if (shown.text === '') input?.blur();
			else take('');
			return;
		} else return;
		event.preventDefault();
	}
</script>

<form
	class="quickline"
	onsubmit={(event) => {
		event.preventDefault();
		log();
	}}
>
	{#if shown.text === ''}<Chips {chips} always={chipsAlways} {undo} ontake={take} />{/if}
	{#if line.said}
		<line.said
			{shown}
			{actsOf}
			ontake={take}
			onact={(act) => {
				type('');
				act.does();
			}}
			onpick={(i) => {
				line.pick(i);
				input?.focus();
			}}
			onleave={() => type('')}
		/>
	{/if}
	<div class="box">
		<label class="visually-hidden" for="quickline">What happened? Or ask</label>
		<input
			id="quickline"
			bind:this={input}
			value={shown.text}
			oninput={(event) => type(event.currentTarget.value)}
			onkeydown={keydown}
			onfocus={() => void line.load()}
			placeholder="Log it, or ask"
			autocomplete="off"
			autocapitalize="off"
			spellcheck="false"
			enterkeyhint={shown.question ? 'go' : 'done'}
			aria-describedby={line.said ? 'quickline-says' : undefined}
		/>
		{@render writer()}
		<button class="enter" type="submit" disabled={!line.choice && !shown.answer}
			>{shown.question ? 'Go' : 'Enter'}</button
		>
	</div>
</form>

<style>
	.quickline {
		position: relative;
		flex: 1;
		min-width: 0;
	}
	.box {
		display: flex;
		align-items: center;
		gap: var(--gap-3);
		background: var(--paper);
		border: 1px solid var(--ink);
		border-radius: var(--corner);
		padding-right: var(--gap-3);
		min-height: 3.25rem;
	}
	.box:focus-within {
		outline: 3px solid var(--fresh);
		outline-offset: 1px;
	}
	input[id] {
		flex: 1;
		min-width: 0;
		align-self: stretch;
		border: 0;
		padding: 0 1.1rem;
		font-size: 1.2rem;
		background: none;
		outline: none;
		text-overflow: ellipsis;
	}
	.enter {
		flex: none;
		min-height: 1.9rem;
		padding: 0 0.6rem;
		font-size: var(--step--1);
		font-weight: 600;
		color: var(--soft-ink);
		border-color: var(--line);
	}
	.enter:enabled {
		color: var(--ink);
		border-color: var(--ink);
	}
	@media (pointer: coarse), (max-width: 640px) {
		.enter {
			min-height: var(--touch);
		}
	}
	@media (max-width: 800px) {
		.box {
			padding-right: var(--gap-2);
		}
		input[id] {
			padding: 0 var(--gap-3);
			font-size: 1.1rem;
		}
	}
</style>
