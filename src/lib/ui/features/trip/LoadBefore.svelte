<script lang="ts">
	import type { Rig, Trip } from '$core/logbook';
	import type { Load } from '$core/plan';
	import { LIMITS_CAUTION, sayLoad, WATER_WEIGHS } from '$core/words';
	import type { UnitChoice } from '$core/units';

	interface Props {
		rig: Rig;
		trip: Trip;
		load: Load;
		units: UnitChoice;
	}
	/** How much fresh water to set out with: the least that holds, the most that pays, and what that weighs. */
	const { rig, trip, load, units }: Props = $props();
	const lines = $derived(sayLoad(rig, trip, load, units));
</script>

<dl>
	{#each lines as { figure, says } (says)}
		<div>
			<dt>{figure}</dt>
			<dd>{says}</dd>
		</div>
	{/each}
</dl>
<p class="soft small">
	{WATER_WEIGHS}
	{LIMITS_CAUTION}
</p>

<style>
	dl {
		display: grid;
		gap: var(--gap-2);
		margin: 0;
	}
	div {
		display: grid;
		grid-template-columns: 5.5rem minmax(0, 1fr);
		gap: var(--gap-2);
		align-items: baseline;
	}
	dt {
		font: 650 var(--step-2) var(--display);
		font-variant-numeric: tabular-nums;
	}
	dd {
		margin: 0;
	}
</style>
