<script lang="ts">
	import type { Shown } from './quickLine.svelte';

	interface Props {
		shown: Shown;
		chips: readonly string[];
		chipsAlways: boolean;
		ontake: (line: string) => void;
		onpick: (index: number) => void;
	}
	/** What stands over the line: what is likely next, how it may go on, or which of several things is meant. */
	const { shown, chips, chipsAlways, ontake, onpick }: Props = $props();
	const empty = $derived(shown.text === '');
	const ways = $derived(empty ? chips : shown.ways);
</script>

{#if ways.length > 0}
	<div
		class="ways"
		class:chips={empty}
		class:always={chipsAlways}
		aria-label={empty ? 'Likely next' : 'Goes on as'}
		role="group"
	>
		{#each ways as way, i (i)}
			<button type="button" onclick={() => ontake(empty ? way : `${way} `)}>{way}</button>
		{/each}
	</div>
{/if}
{#if shown.choices.length > 1}
	<ul class="ways" aria-label="Which is meant?">
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
	/* Chips are for the thumb: a keyboard has Tab. */
	.chips {
		display: none;
	}
	button {
		font-size: var(--step--1);
		border-color: var(--line);
	}
	button.picked {
		border-color: var(--ink);
		box-shadow: inset 0 -3px 0 var(--ink);
	}
	@media (pointer: coarse), (max-width: 640px) {
		.chips.always,
		:global(.quickline:focus-within) .chips {
			display: flex;
			flex-wrap: nowrap;
			overflow-x: auto;
		}
		button {
			flex: none;
			min-height: var(--touch);
		}
	}
</style>
