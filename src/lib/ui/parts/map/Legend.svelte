<svelte:options runes />

<script lang="ts">
	import Glyphs from './Glyphs.svelte';

	/** What the shapes of the map mean. */
	const SHAPES = [
		{ services: [{ kind: 'water' as const, potable: true }], says: 'drinking water' },
		{ services: [{ kind: 'water' as const, potable: false }], says: 'not for drinking' },
		{ services: [{ kind: 'water' as const }], says: 'not known to be drinkable' },
		{ services: [{ kind: 'grey' as const }], says: 'grey drain' },
		{ services: [{ kind: 'black' as const }], says: 'dump point' },
		{ services: [{ kind: 'mains' as const }], says: 'hook-up' },
		{ services: [], noDischarge: true, says: 'nothing overboard' }
	];
</script>

<ul class="small soft" aria-label="What the signs mean">
	{#each SHAPES as { services, noDischarge, says } (says)}
		<li><Glyphs {services} {noDischarge} />{says}</li>
	{/each}
	<li><span class="plate"></span>dashed edge: not checked for a year</li>
	<li><span class="line"></span>until the last chance</li>
	<li><span class="line beyond"></span>beyond it</li>
</ul>

<style>
	ul {
		display: flex;
		flex-wrap: wrap;
		gap: 0.1rem var(--gap-3);
	}
	li {
		display: flex;
		align-items: center;
		gap: 0.25rem;
	}
	.plate {
		width: 16px;
		height: 14px;
		border: 1px dashed var(--ink);
		border-radius: var(--corner);
	}
	.line {
		width: 22px;
		border-top: 4px solid var(--ink);
	}
	.beyond {
		border-top: 3px dotted var(--caution);
	}
</style>
