<script lang="ts">
	import { zonedTime } from '$core/time';
	import type { Rig, Trip } from '$core/logbook';
	import type { UnitChoice } from '$core/units';
	import { dayText, sayPlan } from '$core/words';
	import type { TripPlan } from '$lib/engine';
	import PageHead from '../../kit/page/PageHead.svelte';
	import Spans from '../../kit/page/Spans.svelte';

	interface Props {
		rig: Rig;
		trip: Trip;
		planned: TripPlan | undefined;
		over: boolean;
		nowMs: number;
		units: UnitChoice;
	}
	/** What is next on a trip, and why; its name where nothing is planned. */
	const { rig, trip, planned, over, nowMs, units }: Props = $props();

	const words = $derived(
		planned && sayPlan(rig, trip, planned.plan, planned.settingOut ? planned.fromMs : nowMs, units)
	);
</script>

{#if words}
	<PageHead>
		{#snippet title()}<Spans spans={words.headline} />{/snippet}
		{#snippet says()}<p class="detail soft"><Spans spans={words.detail} /></p>{/snippet}
	</PageHead>
{:else if over}<PageHead title={trip.name} says="This trip is over." />
{:else}<PageHead title={trip.name} />{/if}
{#if planned?.settingOut}
	<p class="soft">
		Planned as if you set out on {dayText(zonedTime(planned.fromMs, trip.timeZone).day)} with full water and empty
		waste tanks, living as you do now.
	</p>
{/if}
