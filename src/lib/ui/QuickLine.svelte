<script lang="ts">
	import { completions, understand, type QuickContext } from '$core/quickline';
	import type { Effect } from '$core/assess';
	import type { EntryDraft } from '$core/logbook';
	import { onMount } from 'svelte';

	interface Props {
		context: Omit<QuickContext, 'nowMs'>;
		/** lines that are likely next, for the thumb */
		chips: readonly string[];
		effectOf: (draft: EntryDraft) => Promise<Effect | undefined>;
		/** resolves with true once it is durable */
		onlog: (draft: EntryDraft, says: string) => Promise<boolean>;
	}
	const { context, chips, effectOf, onlog }: Props = $props();

	const DRAFT = 'dipsometer.quickline';
	let input = $state<HTMLInputElement>();
	// A keystroke survives a reload, as when a new build is taken over.
	let text = $state(sessionStorage.getItem(DRAFT) ?? '');
	let picked = $state(0);
	let effect = $state.raw<Effect | undefined>();
	let openedMs = $state(Date.now());
	let run = 0;

	const answer = $derived(understand(text, { ...context, nowMs: openedMs }));
	const matches = $derived(answer.kind === 'understood' ? answer.matches : []);
	const match = $derived(matches[Math.min(picked, matches.length - 1)]);
	const offers = $derived(completions(text, { ...context, nowMs: openedMs }));
	/** Ways to finish the line that a tap or Tab takes. */
	const ways = $derived(text === '' ? chips : answer.kind === 'problem' ? offers : []);

	onMount(() => {
		if (text === '') return;
		input?.focus();
		input?.setSelectionRange(text.length, text.length);
		void ask();
	});

	export function focus(): void {
		input?.focus();
	}

	function typed(): void {
		openedMs = Date.now();
		picked = 0;
		sessionStorage.setItem(DRAFT, text);
		void ask();
	}

	/** What the match does to the stay; an answer that comes after the next keystroke is dropped. */
	async function ask(): Promise<void> {
		const mine = ++run;
		effect = undefined;
		if (!match) return;
		const found = await effectOf(match.draft);
		if (mine === run) effect = found;
	}

	function take(line: string): void {
		text = line;
		typed();
		input?.focus();
	}

	async function log(): Promise<void> {
		if (!match) return;
		const chosen = match;
		text = '';
		typed();
		if (!(await onlog(chosen.draft, chosen.says))) take(text);
	}

	function keydown(event: KeyboardEvent): void {
		if (event.key === 'Enter') {
			event.preventDefault();
			void log();
		} else if (event.key === 'Tab' && !event.shiftKey && offers[0] !== undefined && text !== '') {
			event.preventDefault();
			take(`${offers[0]} `);
		} else if ((event.key === 'ArrowDown' || event.key === 'ArrowUp') && matches.length > 1) {
			event.preventDefault();
			picked = (picked + (event.key === 'ArrowDown' ? 1 : matches.length - 1)) % matches.length;
			void ask();
		} else if (event.key === 'Escape') {
			if (text === '') input?.blur();
			else take('');
		}
	}
</script>

<form
	class="quickline"
	onsubmit={(event) => {
		event.preventDefault();
		void log();
	}}
>
	{#if ways.length > 0}
		<div
			class="ways"
			class:always={text !== ''}
			aria-label={text === '' ? 'Likely next' : 'Goes on as'}
			role="group"
		>
			{#each ways as way, i (i)}
				<button type="button" onclick={() => take(text === '' ? way : `${way} `)}>{way}</button>
			{/each}
		</div>
	{/if}
	{#if matches.length > 1}
		<ul class="matches" aria-label="Which is meant?">
			{#each matches as one, i (one.says + one.atMs)}
				<li>
					<button
						type="button"
						class:picked={one === match}
						aria-pressed={one === match}
						onclick={() => ((picked = i), void ask(), input?.focus())}>{one.says}</button
					>
				</li>
			{/each}
		</ul>
	{/if}
	<div class="box">
		<label class="visually-hidden" for="quickline">What happened?</label>
		<input
			id="quickline"
			bind:this={input}
			bind:value={text}
			oninput={typed}
			onkeydown={keydown}
			placeholder="What happened?"
			autocomplete="off"
			autocapitalize="off"
			spellcheck="false"
			enterkeyhint="done"
			maxlength="500"
			aria-describedby="quickline-says"
		/>
		<p id="quickline-says" class="says" aria-live="polite">
			{#if answer.kind === 'problem'}
				<span class="problem">{answer.problem}</span>
			{:else if match}
				<span>{match.says}.</span>
				{#if match.warns}<span class="problem">{match.warns}</span>{/if}
				{#if effect}<strong class:shortens={effect.shortens}>{effect.words}</strong>{/if}
			{/if}
		</p>
		<button class="enter" type="submit" disabled={!match}>Enter</button>
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
		flex: 1 1 12rem;
		min-width: 0;
		align-self: stretch;
		border: 0;
		padding: 0 1.1rem;
		font-size: 1.2rem;
		background: none;
		outline: none;
	}
	.says {
		flex: 0 1 auto;
		max-width: 62%;
		text-align: right;
		font-size: var(--step-0);
		line-height: 1.25;
		overflow-wrap: anywhere;
	}
	.says strong.shortens,
	.problem {
		color: var(--caution);
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
	.ways,
	.matches {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-2);
		padding-bottom: var(--gap-2);
	}
	.ways:not(.always) {
		display: none;
	}
	.ways button,
	.matches button {
		font-size: var(--step--1);
		border-color: var(--line);
	}
	.matches button.picked {
		border-color: var(--ink);
		box-shadow: inset 0 -3px 0 var(--ink);
	}
	@media (pointer: coarse), (max-width: 640px) {
		.ways:not(.always) {
			display: flex;
			flex-wrap: nowrap;
			overflow-x: auto;
		}
		.ways button {
			flex: none;
			min-height: var(--touch);
		}
		.enter {
			min-height: var(--touch);
		}
	}
	@media (max-width: 800px) {
		.box {
			flex-wrap: wrap;
			row-gap: 0;
			padding-right: var(--gap-2);
		}
		input[id] {
			min-height: 3rem;
		}
		.says {
			order: 3;
			flex: 1 0 100%;
			max-width: none;
			text-align: left;
			padding: 0 1.1rem;
		}
		.says:not(:empty) {
			padding-bottom: var(--gap-2);
		}
	}
</style>
