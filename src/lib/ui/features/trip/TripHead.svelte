<script lang="ts">
	import { zonedTime } from '$core/time';
	import type { Point, Rig, Trip } from '$core/logbook';
	import type { Plan, PlanMend } from '$core/plan';
	import type { UnitChoice } from '$core/units';
	import { dayText, sayMendOfTrip, sayPlan, sayPlannedFrom } from '$core/words';
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
		/** what would fix a trip that falls short, once it is known */
		mend?: PlanMend | undefined;
		points: readonly Point[];
	}
	/** What is next on a trip, and why; its name where nothing is planned. */
	const { rig, trip, plan, settingOutMs, waits, over, nowMs, units, mend, points }: Props = $props();

	const words = $derived(plan && sayPlan(rig, trip, plan, settingOutMs ?? nowMs, units));
</script>

{#if words}
	<PageHead>
		{#snippet title()}<Spans spans={words.headline} />{/snippet}
		{#snippet says()}{#if plan?.shortfall && mend}<p>
					{sayMendOfTrip(mend, { rig, trip, points, units })}
				</p>{/if}
			<p class="detail soft"><Spans spans={words.detail} /></p>{/snippet}
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
