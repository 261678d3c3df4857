<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		/** how much room is kept for what comes later, so that nothing moves under a thumb; none where nothing comes */
		height?: string | undefined;
		children: Snippet;
	}
	const { height, children }: Props = $props();
</script>

<div class:kept={height} style:min-height={height}>{@render children()}</div>

<style>
	div {
		/* As wide as its section, even where that lets things be as wide as they are: a chart has no width of its own. */
		width: 100%;
		min-width: 0;
	}
	div:empty:not(.kept) {
		display: none;
	}
</style>
