<script lang="ts">
	import { zonedTime } from '$core/time';
	import type { Rig, Trip } from '$core/logbook';
	import type { Plan } from '$core/plan';
	import type { UnitChoice } from '$core/units';
	import { dayText, sayPlan, sayPlannedFrom } from '$core/words';
	import PageHead from '../../kit/page/PageHead.svelte';
	import Spans from '../../kit/page/Spans.svelte';

	interface Props {
		rig: Rig;
		trip: Trip;
		plan: Plan | undefined;
		/** from when on it is planned, where one has not set out */
		settingOutMs: number | undefined;
		/** the plan is still to come */
		waits: boolean;
		over: boolean;
		nowMs: number;
		units: UnitChoice;
	}
	/** What is next on a trip, and why; its name where nothing is planned. */
	const { rig, trip, plan, settingOutMs, waits, over, nowMs, units }: Props = $props();

	const words = $derived(plan && sayPlan(rig, trip, plan, settingOutMs ?? nowMs, units));
</script>

{#if words}
	<PageHead>
		{#snippet title()}<Spans spans={words.headline} />{/snippet}
		{#snippet says()}<p class="detail soft"><Spans spans={words.detail} /></p>{/snippet}
	</PageHead>
{:else if over}<PageHead title={trip.name} says="This trip is over." />
{:else}<PageHead
		title={trip.name}
		says={waits ? 'Working out the next refill and dump point…' : undefined}
	/>{/if}
{#if settingOutMs !== undefined}
	<p class="soft">
		{sayPlannedFrom(dayText(zonedTime(settingOutMs, trip.timeZone).day))}
	</p>
{/if}
