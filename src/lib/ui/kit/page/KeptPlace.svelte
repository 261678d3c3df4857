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
	div:empty:not(.kept) {
		display: none;
	}
</style>
