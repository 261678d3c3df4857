<script lang="ts">
	import type { FrostNight } from '$core/care';
	import type { UnitChoice } from '$core/units';
	import { FROST_CAUTION, sayFrostNight, sayFrostRisk } from '$core/words';

	interface Props {
		nights: readonly FrostNight[];
		/** whether a trip is under way, whose stops could say frost */
		underWay: boolean;
		nowMs: number;
		timeZone: string;
		units: UnitChoice;
	}
	/** The nights of frost ahead, and what freezes in them. */
	const { nights, underWay, nowMs, timeZone, units }: Props = $props();
</script>

<div id="frost">
	{#each nights as night (night.stop)}
		<p class="mind"><strong>{sayFrostNight(night, nowMs, timeZone, units)}</strong></p>
		<ol class="read">
			{#each night.risks as risk, i (i)}<li>{sayFrostRisk(risk, units)}</li>{/each}
		</ol>
	{:else}
		<p>
			No stop of the next three days says frost{underWay ? '' : ' (no trip is under way)'}. The weather of a
			stop is typed or fetched in <a href="/trip">Trip</a>.
		</p>
	{/each}
	<p class="soft">{FROST_CAUTION}</p>
</div>

<style>
	div {
		display: grid;
		gap: var(--gap-2);
		width: 100%;
	}
</style>
