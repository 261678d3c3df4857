<script lang="ts">
	import type { Point } from '$core/logbook';
	import { formatQuantity, type UnitChoice } from '$core/units';
	import { sayServices } from '$core/words';
	import type { Snippet } from 'svelte';
	import Glyphs from '../../parts/map/Glyphs.svelte';
	import type { Listed } from './choosing';

	interface Props {
		listed: readonly Listed[];
		units: UnitChoice;
		chosen: string | undefined;
		onchoose: (id: string | undefined) => void;
		details: Snippet<[Point]>;
	}
	/** Points in a list; the chosen one with all that is known of it. */
	const { listed, units, chosen, onchoose, details }: Props = $props();
	const MOST = 100;
	let all = $state(false);
	const shown = $derived(all ? listed : listed.filter(({ point }, i) => i < MOST || point.id === chosen));
	const far = ({ km, alongKm }: Listed): string =>
		km === undefined
			? ''
			: alongKm === undefined
				? formatQuantity(km, 'distance', units)
				: `in ${formatQuantity(alongKm, 'distance', units)}${km >= 1 ? `, ${formatQuantity(km, 'distance', units)} off` : ''}`;
</script>

<ul>
	{#each shown as one (one.point.id)}
		{@const { point } = one}
		<li class:chosen={point.id === chosen}>
			<button
				class="row"
				aria-expanded={point.id === chosen}
				onclick={() => onchoose(point.id === chosen ? undefined : point.id)}
			>
				<span class="glyph"><Glyphs services={point.services} /></span>
				<span class="what"
					><strong>{point.name}</strong><span class="soft small">{sayServices(point.services)}</span></span
				>
				<span class="far small">{far(one)}</span>
			</button>
			{#if point.id === chosen}{@render details(point)}{/if}
		</li>
	{/each}
</ul>
{#if shown.length < listed.length}
	<p><button class="quiet" onclick={() => (all = true)}>Show all {listed.length}</button></p>
{/if}

<style>
	ul {
		width: 100%;
	}
	li {
		border-top: var(--hairline);
		padding: 0 var(--gap-2);
	}
	.chosen {
		background: var(--shoal);
	}
	.row {
		display: grid;
		grid-template-columns: 3.2rem minmax(0, 1fr) auto;
		gap: var(--gap-2);
		align-items: center;
		width: 100%;
		border: 0;
		background: none;
		text-align: left;
		padding: 0.3rem 0;
		min-height: var(--touch);
	}
	.what {
		display: grid;
		line-height: 1.25;
		overflow-wrap: anywhere;
	}
	.far {
		text-align: right;
		font-variant-numeric: tabular-nums;
	}
</style>
