<script module lang="ts">
	/** what waits to be made, in the order in which it stands on the page */
	const waiting = new Set<() => void>();
	let asked = false;

	/** One a frame: a tap is heard in between. */
	function next(): void {
		const [first] = waiting;
		asked = first !== undefined;
		if (!first) return;
		waiting.delete(first);
		first();
		requestAnimationFrame(() => setTimeout(next));
	}
	function wait(turn: () => void): () => void {
		waiting.add(turn);
		if (!asked) requestAnimationFrame(() => setTimeout(next));
		asked = true;
		return () => waiting.delete(turn);
	}
</script>

<script lang="ts">
	import { onMount, type Snippet } from 'svelte';

	/** A part of a page that is made a frame after what stands over it: long pages come from the top, and nothing in them moves. */
	const { children }: { children: Snippet } = $props();
	let made = $state(false);
	onMount(() => wait(() => (made = true)));
</script>

{#if made}{@render children()}{/if}
