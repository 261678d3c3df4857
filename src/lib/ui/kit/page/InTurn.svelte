<script module lang="ts">
	/** what waits to be made, in the order in which it stands on the page; and what has come since the last turn */
	let waiting: readonly (() => void)[] = [];
	let come: readonly (() => void)[] = [];
	let asked = false;

	/** One a frame: a tap is heard in between. */
	function next(): void {
		// What a part brought with it stands in it, before all that comes after it.
		const [first, ...rest] = [...come, ...waiting];
		[come, waiting] = [[], rest];
		asked = first !== undefined;
		if (!first) return;
		first();
		requestAnimationFrame(() => setTimeout(next));
	}
	function wait(turn: () => void): () => void {
		come = [...come, turn];
		if (!asked) requestAnimationFrame(() => setTimeout(next));
		asked = true;
		const others = (turns: readonly (() => void)[]) => turns.filter((one) => one !== turn);
		return () => ([come, waiting] = [others(come), others(waiting)]);
	}
</script>

<script lang="ts">
	import { onMount, type Snippet } from 'svelte';

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
	onMount(() => (made ? undefined : wait(() => (made = true))));
</script>

{#if made}{@render children()}{:else}{@render meanwhile?.()}{/if}
