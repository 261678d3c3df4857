<script lang="ts">
	import type { Snippet } from 'svelte';
	import InTurn from '../../kit/page/InTurn.svelte';

	/** The answer with the rods at the left, what it costs at the right; one under the other where there is no room. */
	const { main, beside }: { main: Snippet<[{ rodPx: number }]>; beside: Snippet } = $props();
	let windowPx = $state(800);
	let widthPx = $state(1280);
	const isPhone = $derived(widthPx <= 640);
	/** Rods fill the window's height, between what can be read and what is silly. */
	const rodPx = $derived(
		isPhone ? Math.min(400, Math.max(150, windowPx - 670)) : Math.min(520, Math.max(220, windowPx - 505))
	);
</script>

<svelte:window bind:innerHeight={windowPx} bind:innerWidth={widthPx} />

<div class="now">
	<section>{@render main({ rodPx })}</section>
	<!-- After the rods, which stand over it on a phone: it would be pushed down by them. -->
	<InTurn><aside aria-label="What it costs">{@render beside()}</aside></InTurn>
</div>

<style>
	.now {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 24.5rem;
		min-height: 100%;
	}
	section {
		display: grid;
		gap: var(--gap-4);
		align-content: start;
		padding: 1.4rem var(--gap-4) var(--gap-3);
		min-width: 0;
	}
	aside {
		border-left: var(--hairline);
		padding: 1.5rem 1.7rem;
		display: grid;
		align-content: start;
		gap: 1.6rem;
	}
	@media (max-width: 1000px) {
		.now {
			grid-template-columns: minmax(0, 1fr);
		}
		aside {
			border-left: 0;
			border-top: var(--hairline);
		}
	}
	@media (max-width: 640px) {
		section,
		aside {
			gap: var(--gap-3);
			padding: var(--gap-3);
		}
	}
</style>
