<script lang="ts">
	import type { NamedAct, Shown } from './quickLine.svelte';

	interface Props {
		shown: Shown;
		/** views and acts that a text names */
		actsOf: (text: string) => Promise<readonly NamedAct[]>;
		ontake: (line: string) => void;
		onact: (act: NamedAct) => void;
		onpick: (index: number) => void;
		onleave: () => void;
	}
	/** What is said of a line that is being typed: how it may go on, what it may mean, what it does, or what it is answered with. */
	const { shown, actsOf, ontake, onact, onpick, onleave }: Props = $props();
	const choice = $derived(shown.choices[shown.picked]);
	/** so short a text names too much */
	const LEAST_NAMED = 3;
	let acts = $state.raw<readonly NamedAct[]>([]);
	$effect(() => {
		const { text, choices, question } = shown;
		acts = [];
		if (text.trim().length < LEAST_NAMED || choices.length > 0 || question) return;
		actsOf(text).then(
			(found) => {
				if (shown.text === text) acts = found;
			},
			(error: unknown) => console.warn('No acts by that name:', error)
		);
	});
	const ways = $derived(shown.text === '' ? [] : [...shown.meant, ...shown.ways]);
</script>

<div class="over" class:open={shown.text !== ''}>
	{#if ways.length > 0}
		<div class="ways" aria-label="Continue as" role="group">
			{#each ways as way, i (i)}
				<!-- a whole line is taken as it stands; a beginning goes on -->
				<button type="button" onclick={() => ontake(shown.meant.includes(way) ? way : `${way} `)}
					>{way}</button
				>
			{/each}
		</div>
	{/if}
	{#if acts.length > 0}
		<div class="ways" role="group" aria-label="Go and do">
			{#each acts as act (act.name)}
				<button type="button" class="act" onclick={() => onact(act)}>{act.name} →</button>
			{/each}
		</div>
	{/if}
	{#if shown.choices.length > 1}
		<ul class="ways" aria-label="Which do you mean?">
			{#each shown.choices as one, i (i)}
				<li>
					<button
						type="button"
						class:picked={i === shown.picked}
						aria-pressed={i === shown.picked}
						onclick={() => onpick(i)}>{one.says}</button
					>
				</li>
			{/each}
		</ul>
	{/if}
	<p id="quickline-says" class="says" aria-live="polite">
		{#if shown.failed}<span class="mind">{shown.failed}</span>{/if}
		{#if shown.problem}
			<span class="mind">{shown.problem}</span>
		{:else if shown.answer}
			<span>{shown.answer.answer.says}</span>
			<a class="as-button" href={shown.answer.act.href} onclick={onleave}>{shown.answer.act.label}</a>
		{:else if choice}
			<span>{choice.says}.</span>
			{#if choice.warns}<span class="mind">{choice.warns}</span>{/if}
			{#if shown.effect}<strong class:mind={shown.effect.shortens}>{shown.effect.words}</strong>
				{#if shown.effect.why}<span class="soft">Why? {shown.effect.why}</span>{/if}{/if}
			{#if shown.run}<a class="as-button" href={shown.run}>Step by step</a>{/if}
		{/if}
	</p>
</div>

<style>
	/* The field grows upward, over the view: nothing in that moves while one types. */
	.over {
		position: absolute;
		inset: auto 0 calc(100% - 1px);
		z-index: 5;
		max-height: 55dvh;
		overflow-y: auto;
		background: var(--paper);
		border-radius: var(--corner) var(--corner) 0 0;
	}
	.over.open:has(.says:not(:empty), .ways) {
		border: 1px solid var(--ink);
		border-bottom: var(--hairline);
		padding: var(--gap-2) 1.1rem;
	}
	.ways {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-2);
		padding-bottom: var(--gap-2);
	}
	button {
		font-size: var(--step--1);
		border-color: var(--line);
	}
	.act {
		border-style: dashed;
	}
	button.picked {
		border-color: var(--ink);
		box-shadow: inset 0 -3px 0 var(--ink);
	}
	.says {
		display: flex;
		flex-wrap: wrap;
		gap: 0 var(--gap-2);
		align-items: baseline;
		line-height: 1.35;
		overflow-wrap: anywhere;
	}
	@media (pointer: coarse), (max-width: 640px) {
		button {
			min-height: var(--touch);
		}
	}
	@media (max-width: 800px) {
		.over.open:has(.says:not(:empty), .ways) {
			padding: var(--gap-2) var(--gap-3);
		}
	}
</style>
