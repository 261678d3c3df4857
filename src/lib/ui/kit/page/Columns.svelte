<script lang="ts">
	import type { Snippet } from 'svelte';

	/** Sections beside one another where there is room. */
	const { children }: { children: Snippet } = $props();
</script>

<div>{@render children()}</div>

<style>
	div {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(28rem, 100%), 1fr));
		gap: var(--gap-4);
		align-items: start;
	}
</style>
