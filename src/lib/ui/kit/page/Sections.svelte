<script lang="ts">
	import type { Snippet } from 'svelte';

	/** Sections below one another, with all that is behind a fold laid open on paper, where nothing can be opened. */
	const { children, busy = false }: { children: Snippet; busy?: boolean } = $props();

	let host = $state<HTMLDivElement>();
	function unfold(open: boolean): void {
		for (const details of host?.querySelectorAll('details') ?? []) details.open = open;
	}
</script>

<svelte:window onbeforeprint={() => unfold(true)} onafterprint={() => unfold(false)} />

<div aria-busy={busy} bind:this={host}>{@render children()}</div>

<style>
	div {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-4);
	}
</style>
