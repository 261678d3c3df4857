<script lang="ts">
	import type { Snippet } from 'svelte';

	/** The figures of a chart as a table, behind it. */
	const { children }: { children: Snippet } = $props();
</script>

<details>
	<summary>The same in figures</summary>
	{@render children()}
</details>

<style>
	details {
		width: 100%;
	}
	summary {
		min-height: var(--touch);
		padding-top: 0.6rem;
		cursor: pointer;
	}
</style>
