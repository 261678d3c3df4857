<script lang="ts">
	import type { Snippet } from 'svelte';

	/** Something to mind: a magenta rule at its side. `calm` for what is only worth knowing. */
	const { children, calm = false }: { children: Snippet; calm?: boolean } = $props();
</script>

<div class="notice" class:calm>{@render children()}</div>

<style>
	.notice {
		border-left: 3px solid var(--caution);
		padding: 0 0 0 var(--gap-3);
		overflow-wrap: anywhere;
	}
	.calm {
		border-color: var(--line);
		color: var(--soft-ink);
	}
</style>
