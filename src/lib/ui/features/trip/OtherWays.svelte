<script lang="ts">
	import type { Rig, School, Trip } from '$core/logbook';
	import type { UnitChoice } from '$core/units';
	import type { WaysOfTrip } from '$lib/engine';
	import Columns from '../../kit/page/Columns.svelte';
	import Section from '../../kit/page/Section.svelte';
	import LoadBefore from './LoadBefore.svelte';
	import Schools from './Schools.svelte';
	import WhatIs from '../../parts/glossary/WhatIs.svelte';

	interface Props {
		rig: Rig;
		trip: Trip;
		ways: WaysOfTrip;
		units: UnitChoice;
		onchoose: (school: School | undefined) => void;
		/** asks to change the prices that costs rest on */
		onprices: () => void;
	}
	/** What to load before one leaves, and what each school of filling and dumping comes to. */
	const { rig, trip, ways, units, onchoose, onprices }: Props = $props();
</script>

<Columns>
	{#if ways.load}
		<Section title="How much to load before you leave" ruled>
			<LoadBefore {rig} {trip} load={ways.load} {units} />
		</Section>
	{/if}
	<Section title="Plan styles for this trip" ruled>
		<details>
			<summary>Compare {ways.schools.length} plan styles</summary>
			<Schools {trip} schools={ways.schools} {units} {onchoose} />
		</details>
		<p class="soft small">
			Costs are fees, and minutes, detours and carried water at your prices: <button
				class="why small"
				onclick={onprices}>change them</button
			>.
		</p>
		<WhatIs words={['plan style', 'falls short']} />
	</Section>
</Columns>
