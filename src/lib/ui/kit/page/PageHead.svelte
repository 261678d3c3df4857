<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		title: string | Snippet;
		/** so many lines are kept for the title, where it may come later than the page */
		lines?: number | undefined;
		/** one line beside the title */
		says?: string | Snippet;
		/** what can be done to all of it */
		acts?: Snippet;
	}
	/** What a page answers, in its largest letters; what it is of; and what can be done. */
	const { title, lines, says, acts }: Props = $props();
</script>

<header>
	<h1 style:min-height={lines && `${lines}lh`}>
		{#if typeof title === 'string'}{title}{:else}{@render title()}{/if}
	</h1>
	{#if typeof says === 'string'}<p class="soft">{says}</p>{:else}{@render says?.()}{/if}
	{#if acts}<p class="buttons">{@render acts()}</p>{/if}
</header>

<style>
	header {
		display: grid;
		gap: var(--gap-2);
		justify-items: start;
	}
	h1 {
		max-width: 48rem;
		text-wrap: balance;
	}
	h1 :global(.soft) {
		font: 400 var(--step-1) var(--text);
		letter-spacing: 0;
	}
	header :global(p) {
		font-size: var(--step-0);
	}
	header :global(p.detail) {
		font-size: var(--step-1);
	}
	@media (max-width: 640px) {
		header :global(p.detail) {
			font-size: var(--step-0);
		}
	}
	header :global(p.detail strong) {
		color: var(--ink);
	}
</style>
