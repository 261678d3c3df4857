<script lang="ts">
	import { useApp } from '$lib/state';
	import { noonOfFlag } from '$lib/ui/parts/goal/noon';
	import NowHead from '$lib/ui/features/now/NowHead.svelte';
	import NowLayout from '$lib/ui/features/now/NowLayout.svelte';
	import Waiting from '$lib/ui/parts/notices/Waiting.svelte';
	import { later } from '$lib/ui/kit/later.svelte';
	import InTurn from '$lib/ui/kit/page/InTurn.svelte';
	import KeptPlace from '$lib/ui/kit/page/KeptPlace.svelte';
	import Spans from '$lib/ui/kit/page/Spans.svelte';
	import LargeRods from '$lib/ui/parts/rods/LargeRods.svelte';
	import { tankViews } from '$lib/ui/parts/rods/tankView';

	const app = useApp();
	let asked = $state<string>();
	let glancing = $state(false);
	const gauges = $derived(app.liveRig?.instruments.some(({ kind }) => kind === 'gauge') === true);
	const now = $derived(app.engine.assessment);
	/** what can wait until one has seen what one came for */
	const LATER_MS = 1500;
	/** a log with fewer entries is new: what is worth doing next stands here */
	const YOUNG = 80;
	/** what is said of a silence stands over the rods */
	const SILENCE_PX = 90;
	const LEAST_ROD_PX = 150;
	/** a line under a rod: what stands behind it, whether one may drink it */
	const LINE_PX = 22;
	const rest = later(LATER_MS, () => now !== undefined);
	/** what is said of a silence stands over all else, which comes with it */
	let SilenceNews = $state.raw<typeof import('$lib/ui/features/now/SilenceNews.svelte').default>();
	let unsaid = $state(false);
	const isSilent = $derived(now?.silence !== undefined);
	$effect(() => {
		if (!isSilent) return;
		import('$lib/ui/features/now/SilenceNews.svelte').then(
			({ default: loaded }) => (SilenceNews = loaded),
			() => (unsaid = true)
		);
	});
	const stands = $derived(!isSilent || SilenceNews !== undefined || unsaid);
	const units = $derived(app.prefs.current.units);
	const tanks = $derived(app.liveRig && now ? tankViews(app.liveRig, now, units, app.timeZone) : []);

	const besidePx = $derived(
		LINE_PX * Math.max(0, ...tanks.map(({ behind, drink }) => Number(behind !== '') + Number(drink !== '')))
	);

	/** the plan follows the first look: its place is kept, so that nothing moves under a thumb */
	const planComes = $derived(app.tripAtHand !== undefined && now?.plan === undefined);
	/** A tap on a day's flag: how much a day to reach it. */
	const reach = (ms: number): Promise<void> =>
		app.aim({ until: new Date(noonOfFlag(ms, app.nowMs, app.timeZone)).toISOString() });
</script>

{#if app.liveRig && now && stands}
	<NowLayout>
		{#snippet main({ rodPx })}
			<NowHead
				verdict={now.verdict}
				{planComes}
				onwhy={(tank) => (asked = tank)}
				onglance={gauges ? () => (glancing = true) : undefined}
			/>
			{#if now.silence && SilenceNews}<SilenceNews {app} silence={now.silence} />{/if}
			<InTurn>
				<LargeRods
					{tanks}
					{units}
					heightPx={Math.max(LEAST_ROD_PX, rodPx - (now.silence ? SILENCE_PX : 0) - besidePx)}
					onwhy={(tank) => (asked = tank)}
					onday={(ms) => void reach(ms)}
				/>
			</InTurn>
		{/snippet}
		{#snippet beside()}
			{#if app.rigEntries.length < YOUNG}
				{#await import('$lib/ui/features/now/NextSteps.svelte') then { default: NextSteps }}<NextSteps
						{app}
					/>{/await}
			{/if}
			<KeptPlace height={app.liveRig?.care.length ? '2.25rem' : undefined}>
				{#if rest.over}
					{#await import('$lib/ui/features/care/CareNews.svelte') then { default: CareNews }}<CareNews
							{app}
						/>{/await}
				{/if}
			</KeptPlace>
			{#if rest.over}
				{#await import('./News.svelte') then { default: News }}<News
						{app}
						hasValves={app.liveRig?.kind === 'boat' || now.sewer !== false}
					/>{/await}
			{/if}
			{#if now.lastChance || now.shut || planComes}<KeptPlace height="4lh"
					><p class="mind"><strong>{now.lastChance ?? ''}</strong></p>
					{#each now.shut ?? [] as spans, i (i)}<p class="small"><Spans {spans} /></p>{/each}</KeptPlace
				>{/if}
			{#if now.prices}
				{@const { prices } = now}
				<InTurn>
					{#await import('./Costs.svelte') then { default: Costs }}
						<Costs {app} {prices} later={rest.over} />
						{#if rest.over}
							{#await import('./Afterwards.svelte') then { default: Afterwards }}<Afterwards {app} />{/await}
						{/if}
					{/await}
				</InTurn>
			{/if}
		{/snippet}
	</NowLayout>
	{#if glancing}
		{#await import('$lib/ui/features/glance/Glance.svelte') then { default: Glance }}
			<Glance {app} onclose={() => (glancing = false)} />
		{/await}
	{/if}
	{#if asked !== undefined}
		{#await import('$lib/ui/features/why/WhyTank.svelte') then { default: WhyTank }}
			<WhyTank {app} tank={asked ?? ''} onclose={() => (asked = undefined)} />
		{/await}
	{/if}
{:else}
	<Waiting trouble={app.engine.trouble} />
{/if}
