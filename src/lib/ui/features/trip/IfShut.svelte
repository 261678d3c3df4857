<script lang="ts">
	import type { Rig, Trip } from '$core/logbook';
	import type { Plan } from '$core/plan';
	import type { UnitChoice } from '$core/units';
	import { sayIfShut } from '$core/words';
	import Spans from '../../kit/page/Spans.svelte';

	interface Props {
		rig: Rig;
		trip: Trip;
		plan: Plan;
		/** of one stop alone; of all that are used when absent, each by its name */
		stop?: string;
		nowMs: number;
		units: UnitChoice;
	}
	/** What happens when a service that is planned is found shut. */
	const { rig, trip, plan, stop, nowMs, units }: Props = $props();

	const stops = $derived(
		[...new Set(plan.ifShut.map((one) => one.stop))].filter((id) => stop === undefined || id === stop)
	);
	const nameOf = (id: string): string => trip.stops.find((one) => one.id === id)?.name ?? id;
</script>

{#each stops as id (id)}
	{#each sayIfShut( rig, trip, plan.ifShut.filter((one) => one.stop === id), nowMs, units ) as spans, i (i)}
		<p class="small soft">
			{#if stop === undefined}<strong>{nameOf(id)}:</strong>{/if}<Spans {spans} />
		</p>
	{/each}
{/each}

<style>
	strong {
		margin-right: 0.3em;
	}
</style>
