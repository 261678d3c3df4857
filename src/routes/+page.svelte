<script lang="ts">
	import { LOOK_AHEAD_DAYS } from '$core/assess';
	import { formatFigure, fromBase, unitSymbol } from '$core/units';
	import { sayWhen } from '$core/verdict';
	import { useApp } from '$lib/state';
	import { concerns } from '$lib/ui/concerns';
	import Findings from '$lib/ui/Findings.svelte';
	import { mending } from '$lib/ui/mending';
	import LargeRods from '$lib/ui/LargeRods.svelte';
	import Notice from '$lib/ui/Notice.svelte';
	import PriceList from '$lib/ui/PriceList.svelte';
	import Spans from '$lib/ui/Spans.svelte';
	import { tankViews } from '$lib/ui/tankView';
	import { toast } from '$lib/ui/toast.svelte';

	const app = useApp();
	const mended = mending(app);
	let asked = $state<string>();
	let windowPx = $state(800);
	/** Rods fill the window's height, between what can be read and what is silly. */
	const rodPx = $derived(Math.min(520, Math.max(220, windowPx - 475)));

	const now = $derived(app.assessment);
	const units = $derived(app.prefs.current.units);
	const tanks = $derived(app.rig && now ? tankViews(app.rig, now, units, app.timeZone) : []);
	const figure = (litres: number): string => formatFigure(fromBase(litres, units.volume));
	const level = $derived(now?.levels.tanks.find(({ id }) => id === asked));
	const askedTank = $derived(app.rig?.tanks.find(({ id }) => id === asked));
	const days = $derived(now?.forecast.tanks.find(({ id }) => id === asked)?.days);

	async function logOne(habit: string, name: string): Promise<void> {
		const kept = await app.log(
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
		if (kept) toast(`${name}, logged`, { action: { label: 'Undo', onClick: () => void app.undo() } });
	}
</script>

<svelte:window bind:innerHeight={windowPx} />

{#if app.rig && now}
	<div class="now">
		<section class="main">
			<h1><Spans spans={now.verdict.headline} /></h1>
			<p class="detail soft">
				<Spans spans={now.verdict.detail} />
				{#if now.verdict.binds !== undefined}<button class="quiet" onclick={() => (asked = now.verdict.binds)}
						>Why?</button
					>{/if}
			</p>
			<LargeRods {tanks} {units} heightPx={rodPx} onwhy={(tank) => (asked = tank)} />
		</section>
		<aside aria-label="What it costs">
			{#if now.ration}
				<section class="ration">
					<h2>To reach {sayWhen(now.ration.untilMs, now.atMs, app.timeZone)}</h2>
					<p>
						<span class="figure">{figure(now.ration.allowedL)} {unitSymbol(units.volume)}</span>
						a day each. You are using
						<strong class:over={now.ration.usingL > now.ration.allowedL}>{figure(now.ration.usingL)}</strong>.
					</p>
				</section>
			{/if}
			{#if now.prices.length > 0}
				<PriceList prices={now.prices} {units} onlog={(price) => void logOne(price.habit, price.name)} />
			{:else}
				<p class="soft">
					No habit yet. Add what you do with water in <a href="/rig">Rig</a>, and its price in hours stands
					here.
				</p>
			{/if}
			<Findings findings={now.findings} onmend={(mend, label) => void mended(mend, label)} />
			{#if now.plan && !now.plan.feasible}
				<Notice><p>The plan does not hold: see <a href="/trip">Trip</a>.</p></Notice>
			{/if}
			<p class="soft small">
				Looks {LOOK_AHEAD_DAYS} days ahead, as you live now. Payload and axle limits: the weighbridge and the plate
				decide.
			</p>
		</aside>
	</div>
	{#if level && askedTank}
		{#await import('$lib/ui/Why.svelte') then { default: Why }}
			<Why
				name={askedTank.name}
				fresh={askedTank.holds === 'fresh'}
				lasting={app.whyLasting(askedTank.id)}
				days={days && days.p90 < LOOK_AHEAD_DAYS ? days : undefined}
				{level}
				entries={app.rigEntries}
				findings={now.findings.filter((found) => app.rig && asked && concerns(found, app.rig, asked))}
				why={now.why.get(asked ?? '') ?? ''}
				onmend={(mend, label) => void mended(mend, label)}
				context={{ rig: app.rig, trips: app.trips, units }}
				timeZone={app.timeZone}
				{units}
				onclose={() => (asked = undefined)}
			/>
		{/await}
	{/if}
{:else}
	<p class="soft wait">Working out the levels…</p>
{/if}

<style>
	.now {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 24.5rem;
		min-height: 100%;
	}
	.main {
		padding: 1.4rem var(--gap-4) var(--gap-3);
		min-width: 0;
	}
	h1 {
		max-width: 48rem;
		text-wrap: balance;
	}
	.detail {
		font-size: var(--step-1);
		margin: var(--gap-2) 0 var(--gap-4);
	}
	.detail button {
		padding: 0;
		min-height: 0;
		font-size: var(--step-0);
	}
	@media (pointer: coarse) {
		.detail button {
			padding-block: 0.75rem;
			margin-block: -0.75rem;
		}
	}
	.detail :global(strong) {
		color: var(--ink);
	}
	aside {
		border-left: var(--hairline);
		padding: 1.5rem 1.7rem;
		display: grid;
		align-content: start;
		gap: 1.6rem;
	}
	.ration h2 {
		font-family: var(--text);
		font-size: var(--step-0);
		font-weight: 650;
		color: var(--soft-ink);
		letter-spacing: 0;
	}
	.figure {
		font-family: var(--display);
		font-weight: 650;
		font-size: 1.9rem;
		margin-right: 0.3rem;
	}
	.over {
		color: var(--caution);
	}
	.small {
		font-size: var(--step--1);
	}
	.wait {
		padding: var(--gap-4);
	}
	@media (max-width: 1000px) {
		.now {
			grid-template-columns: minmax(0, 1fr);
		}
		aside {
			border-left: 0;
			border-top: var(--hairline);
		}
	}
	@media (max-width: 640px) {
		.main,
		aside {
			padding: var(--gap-3);
		}
		.detail {
			margin-bottom: var(--gap-3);
		}
	}
</style>
