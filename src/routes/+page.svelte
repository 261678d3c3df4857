<script lang="ts">
	import { LOOK_AHEAD_DAYS } from '$core/now';
	import { useApp } from '$lib/state';
	import FileReminder from '$lib/ui/data/FileReminder.svelte';
	import Findings from '$lib/ui/now/Findings.svelte';
	import NowLayout from '$lib/ui/now/NowLayout.svelte';
	import PriceList from '$lib/ui/now/PriceList.svelte';
	import Ration from '$lib/ui/now/Ration.svelte';
	import Waiting from '$lib/ui/now/Waiting.svelte';
	import Notice from '$lib/ui/page/Notice.svelte';
	import PageHead from '$lib/ui/page/PageHead.svelte';
	import Spans from '$lib/ui/page/Spans.svelte';
	import LargeRods from '$lib/ui/rods/LargeRods.svelte';
	import { tankViews } from '$lib/ui/rods/tankView';
	import { logSaying, mendSaying } from '$lib/ui/shell/saying';

	const app = useApp();
	let asked = $state<string>();

	const now = $derived(app.engine.assessment);
	const units = $derived(app.prefs.current.units);
	const tanks = $derived(app.liveRig && now ? tankViews(app.liveRig, now, units, app.timeZone) : []);

	const logOne = (habit: string, name: string): Promise<boolean> =>
		logSaying(
			app,
			{
				kind: 'use',
				habit,
				times: 1,
				at: app.nowIso(),
				source: 'hand',
				...(app.trip ? { trip: app.trip.id } : {})
			},
			name
		);
</script>

{#if app.liveRig && now}
	<NowLayout>
		{#snippet main({ rodPx })}
			<PageHead>
				{#snippet title()}<Spans spans={now.verdict.headline} />{/snippet}
				{#snippet says()}
					<p class="detail soft">
						<Spans spans={now.verdict.detail} />
						{#if now.verdict.binds !== undefined}<button
								class="why small"
								onclick={() => (asked = now.verdict.binds)}>Why?</button
							>{/if}
					</p>
				{/snippet}
			</PageHead>
			<LargeRods {tanks} {units} heightPx={rodPx} onwhy={(tank) => (asked = tank)} />
		{/snippet}
		{#snippet beside()}
			{#if now.ration}<Ration ration={now.ration} atMs={now.atMs} timeZone={app.timeZone} {units} />{/if}
			{#if now.prices.length > 0}
				<PriceList prices={now.prices} {units} onlog={(price) => void logOne(price.habit, price.name)} />
			{:else}
				<p class="soft">
					No habit yet. Add what you do with water in <a href="/rig">Rig</a>, and its price in hours stands
					here.
				</p>
			{/if}
			<Findings findings={now.findings} onmend={(mend, label) => void mendSaying(app, mend, label)} />
			{#if now.plan && !now.plan.feasible}
				<Notice><p>The plan does not hold: see <a href="/trip">Trip</a>.</p></Notice>
			{/if}
			<FileReminder {app} />
			<p class="soft small">
				Looks {LOOK_AHEAD_DAYS} days ahead, as you live now. Payload and axle limits: the weighbridge and the plate
				decide.
			</p>
		{/snippet}
	</NowLayout>
	{#if asked !== undefined}
		{#await import('$lib/ui/why/WhyTank.svelte') then { default: WhyTank }}
			<WhyTank {app} tank={asked ?? ''} onclose={() => (asked = undefined)} />
		{/await}
	{/if}
{:else}
	<Waiting trouble={app.engine.trouble} />
{/if}
