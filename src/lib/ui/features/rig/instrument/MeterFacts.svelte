<script lang="ts">
	import type { Meter } from '$core/logbook';
	import type { UnitChoice } from '$core/units';
	import { METER_PLACES, sayBeep, sayMeterCount, sayMeterUnit } from '$core/words';
	import Section from '../../../kit/page/Section.svelte';

	/** How a meter counts. */
	const { meter, units }: { meter: Meter; units: UnitChoice } = $props();
	const beep = $derived(sayBeep(meter, units));
	const USUAL_SD = 0.02;
</script>

<Section title="How it counts">
	<dl>
		<dt>Sits</dt>
		<dd>{METER_PLACES[meter.place]}</dd>
		<dt>Counts in</dt>
		<dd>{sayMeterUnit(meter)}</dd>
		<dt>Counts</dt>
		<dd>{sayMeterCount(meter)}</dd>
		{#if beep}
			<dt>At the beep</dt>
			<dd>{beep}</dd>
		{/if}
		<dt>Accurate to</dt>
		<dd>± {(100 * (meter.sdFraction ?? USUAL_SD)).toFixed(1)}%</dd>
	</dl>
	<p>
		Is it right? <a href="/rig/tank/{encodeURIComponent(meter.tank)}">Test it with a bucket</a>, under the
		tank’s trials.
	</p>
</Section>

<style>
	dl {
		display: grid;
		grid-template-columns: minmax(7rem, 11rem) minmax(0, 1fr);
		gap: var(--gap-2) var(--gap-3);
	}
	dt {
		color: var(--soft-ink);
	}
</style>
