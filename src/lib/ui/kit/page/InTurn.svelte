<script lang="ts">
	import { onMount, type Snippet } from 'svelte';
	import { waitForTurn } from './pageTurns';

	interface Props {
		/** it waits for no turn */
		atOnce?: boolean;
		/** stands in its place until it is made */
		meanwhile?: Snippet;
		children: Snippet;
	}
	/** A part of a page that is made a frame after what stands over it: long pages come from the top, and nothing in them moves. */
	const { atOnce = false, meanwhile, children }: Props = $props();
	// svelte-ignore state_referenced_locally
	let made = $state(atOnce);
	onMount(() => (made ? undefined : waitForTurn(() => (made = true))));
</script>

{#if made}{@render children()}{:else}{@render meanwhile?.()}{/if}
