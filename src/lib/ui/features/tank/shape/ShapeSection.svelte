<script lang="ts">
	import type { Tank } from '$core/logbook';
	import { depthFor, fullLitres } from '$core/rig';
	import { formatLitres, type UnitChoice } from '$core/units';
	import Section from '../../../kit/page/Section.svelte';
	import { depthText } from '../dip/dipView';
	import SectionDrawing from './SectionDrawing.svelte';

	interface Props {
		tank: Tank;
		/** litres in it now, where they are known */
		litresNow: number | undefined;
		units: UnitChoice;
		onchange: () => void;
	}
	/** The inside of a tank, drawn with what is in it. */
	const { tank, litresNow, units, onchange }: Props = $props();

	const litres = (l: number): string => formatLitres(l, units);
	const drawn = $derived(tank.shape && tank.shape.form !== 'table' ? tank.shape : undefined);
	const waterMm = $derived(
		drawn && litresNow !== undefined
			? depthFor(drawn, Math.min(fullLitres(drawn), litresNow + (tank.deadL ?? 0)))
			: undefined
	);
</script>

<Section title="Shape">
	{#if drawn}
		<div class="shape">
			<SectionDrawing
				shape={drawn}
				{waterMm}
				holds={tank.holds}
				label="Cross-section of {tank.name}, looking forward, with the level now"
			/>
			<p>
				Holds {litres(fullLitres(drawn))} to the brim.
				{#if litresNow !== undefined && waterMm !== undefined}
					Now {litres(litresNow)}, a dipstick would be wet to {depthText(waterMm, units)}.{/if}
			</p>
		</div>
	{:else if tank.shape?.form === 'table'}<p>A table of {tank.shape.rows.length} depths.</p>
	{:else}<p class="soft">
			Not known. Measure the inside, or fill it step by step; then a dipped depth becomes litres.
		</p>{/if}
	<button onclick={onchange}>{tank.shape ? 'Change shape' : 'Enter its shape'}</button>
</Section>

<style>
	.shape {
		display: grid;
		grid-template-columns: minmax(0, 20rem) minmax(0, 1fr);
		gap: var(--gap-4);
		align-items: center;
		width: 100%;
	}
	@media (max-width: 800px) {
		.shape {
			grid-template-columns: minmax(0, 1fr);
			gap: var(--gap-2);
		}
	}
</style>
