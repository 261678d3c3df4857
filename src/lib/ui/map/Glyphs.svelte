<script lang="ts">
	import { glyphsOf, type SignFacts } from './glyphs';

	/** What there is at a place, in the shapes of the map; the words stand beside it. */
	const { services }: Pick<SignFacts, 'services'> = $props();
	const drawn = $derived(glyphsOf(services));
	let element = $state<SVGElement>();
	// Shapes of our own making, with no text in them: the map's library takes them as markup too.
	$effect(() => {
		if (element) element.innerHTML = drawn.inside;
	});
</script>

<svg
	bind:this={element}
	class="glyphs"
	viewBox="0 0 {drawn.width} 16"
	width={drawn.width}
	height="16"
	aria-hidden="true"
></svg>

<style>
	svg {
		flex: none;
		display: block;
	}
	/* On the map the same shapes are put in by its library, outside this component. */
	:global(.glyphs .water) {
		fill: var(--fresh);
		stroke: var(--fresh);
		stroke-width: 1.3;
	}
	:global(.glyphs .grey) {
		fill: var(--grey);
		stroke: var(--grey);
	}
	:global(.glyphs .black) {
		fill: var(--black);
		stroke: var(--black);
	}
	:global(.glyphs [data-hollow]) {
		fill: none;
	}
	:global(.glyphs .strike) {
		stroke: var(--ink);
		stroke-width: 1.6;
	}
	:global(.glyphs .hook),
	:global(.glyphs .bare) {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.3;
	}
</style>
