<script lang="ts">
	import type { Shown } from './quickLine.svelte';

	interface Act {
		readonly name: string;
		readonly does: () => void;
	}
	interface Props {
		shown: Shown;
		/** views and acts that the text names */
		acts: readonly Act[];
		chips: readonly string[];
		chipsAlways: boolean;
		undo: { readonly label: string; readonly does: () => void } | undefined;
		ontake: (line: string) => void;
		onact: (act: Act) => void;
		onpick: (index: number) => void;
	}
	/** What stands over the line: what is likely next, how it may go on, or which of several things is meant. */
	const { shown, acts, chips, chipsAlways, undo, ontake, onact, onpick }: Props = $props();
	const empty = $derived(shown.text === '');
	const ways = $derived(empty ? chips : [...shown.meant, ...shown.ways]);
	/** a whole line is taken as it stands; a beginning goes on */
	const taken = (way: string): string => (empty || shown.meant.includes(way) ? way : `${way} `);
</script>

{#if ways.length > 0}
	<div
		class="ways"
		class:chips={empty}
		class:always={chipsAlways || undo !== undefined}
		aria-label={empty ? 'Likely next' : 'Continue as'}
		role="group"
	>
		{#if empty && undo}<button type="button" class="undo" onclick={undo.does}>Undo {undo.label}</button>{/if}
		{#each ways as way, i (i)}
			<button type="button" onclick={() => ontake(taken(way))}>{way}</button>
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
		{#each shown.choices as choice, i (i)}
			<li>
				<button
					type="button"
					class:picked={i === shown.picked}
					aria-pressed={i === shown.picked}
					onclick={() => onpick(i)}>{choice.says}</button
				>
			</li>
		{/each}
	</ul>
{/if}

<style>
	.ways {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-2);
		padding-bottom: var(--gap-2);
	}
	/* Chips are for the thumb, and for who does not know yet what can be said. */
	.chips {
		display: none;
	}
	:global(.quickline:focus-within) .chips {
		display: flex;
		position: absolute;
		inset: auto 0 100%;
		flex-wrap: nowrap;
		overflow-x: auto;
		background: var(--shoal);
		padding: var(--gap-2) 0;
	}
	.chips button {
		flex: none;
	}
	.act {
		border-style: dashed;
	}
	button {
		font-size: var(--step--1);
		border-color: var(--line);
	}
	.undo {
		max-width: 12rem;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		border-color: var(--ink);
	}
	button.picked {
		border-color: var(--ink);
		box-shadow: inset 0 -3px 0 var(--ink);
	}
	@media (pointer: coarse), (max-width: 640px) {
		.chips.always,
		:global(.quickline:focus-within) .chips {
			display: flex;
			position: static;
			padding: 0 0 var(--gap-2);
			flex-wrap: nowrap;
			overflow-x: auto;
		}
		button {
			flex: none;
			min-height: var(--touch);
		}
	}
</style>
