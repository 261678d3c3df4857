<script lang="ts" generics="T">
	import type { Snippet } from 'svelte';

	interface Props {
		label: string;
		rows: readonly T[];
		idOf: (row: T) => string;
		row: Snippet<[T]>;
	}
	/** What was found, one thing a line; of many the first, until all are asked for. */
	const { label, rows, idOf, row }: Props = $props();
	const MOST = 60;
	let all = $state(false);
</script>

<ul aria-label={label}>
	{#each all ? rows : rows.slice(0, MOST) as one (idOf(one))}<li>{@render row(one)}</li>{/each}
</ul>
{#if rows.length > MOST && !all}
	<p><button class="quiet" onclick={() => (all = true)}>Show all {rows.length}</button></p>
{/if}

<style>
	ul {
		width: 100%;
		max-height: 22rem;
		overflow-y: auto;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0 var(--gap-3);
		align-items: center;
		justify-content: space-between;
		border-top: var(--hairline);
		padding: 0.2rem 0;
		overflow-wrap: anywhere;
	}
</style>
