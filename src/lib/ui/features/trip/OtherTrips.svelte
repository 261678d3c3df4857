<script lang="ts">
	import { tripSpan, type Trip } from '$core/logbook';
	import { sayDays } from '$core/words';
	import Section from '../../kit/page/Section.svelte';

	/** Trips of a rig to be looked at, by their addresses; nothing where there are none. */
	const { rig, trips, nowMs }: { rig: string; trips: readonly Trip[]; nowMs: number } = $props();
</script>

{#if trips.length > 0}
	<Section title="Other trips of {rig}" ruled>
		<ul>
			{#each trips as trip (trip.id)}<li>
					<a href="/trip?trip={encodeURIComponent(trip.id)}">{trip.name}</a><span class="soft"
						>, {sayDays(trip)}{tripSpan(trip)[1] <= nowMs ? ', over' : ''}</span
					>
				</li>{/each}
		</ul>
	</Section>
{/if}
