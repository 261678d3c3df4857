<script lang="ts">
	import { glyphsOf, type SignFacts } from './glyphs';

	/** What there is at a place, in the shapes of the map; the words stand beside it. */
	const { services, noDischarge }: SignFacts = $props();
	const { shapes, width, height } = $derived(glyphsOf(services, noDischarge));
</script>

<svg class="glyphs" viewBox="0 0 {width} {height}" {width} {height} aria-hidden="true">
	{#each shapes as { marks, x } (x)}
		<g transform="translate({x} 0)">
			{#each marks as { d, className } (className)}<path {d} class={className} />{/each}
		</g>
	{/each}
</svg>

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
	:global(.glyphs .hollow) {
		fill: none;
	}
	:global(.glyphs .strike) {
		stroke: var(--ink);
		stroke-width: 1.6;
	}
	:global(.glyphs .hook),
	:global(.glyphs .wave),
	:global(.glyphs .bare) {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.3;
	}
</style>
