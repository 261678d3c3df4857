<script lang="ts">
	import { DAY_MS } from '$core/time';
	import { LINE_DAYS, MOST_DAYS, type MeasureSet } from '$core/forecast';
	import { DEFAULT_CERTAINTY } from '$core/logbook';
	import { tankById } from '$core/rig';
	import { sayCertainty, sayGoal, sayLonger, saySacrifice, saySet, sayWhen } from '$core/words';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import PageHead from '../../kit/page/PageHead.svelte';
	import Spans from '../../kit/page/Spans.svelte';
	import { notifyDone } from '../../parts/acts/notify';
	import StayLine from '../../parts/stay/StayLine.svelte';
	import { flagOfGoal, goalChoices, usualGoal } from '../../parts/goal/goal';
	import GoalBar from '../../parts/goal/GoalBar.svelte';
	import Bother from './Bother.svelte';

	interface Props {
		app: App;
		without: readonly string[];
		/** it has said something: what stands under it may come */
		said: boolean;
	}
	/** What must be given up to stay as long as one wants, and how to ask for that. */
	let { app, without, said = $bindable() }: Props = $props();

	const now = $derived(app.engine.assessment);
	const rig = $derived(app.liveRig);
	const choices = $derived(goalChoices(app.tripAtHand, now?.plan, app.nowMs, app.timeZone));
	const kept = $derived(app.goal);
	const certainty = $derived(kept?.certainty ?? DEFAULT_CERTAINTY);
	const keptMs = $derived(kept ? Date.parse(kept.until) : Number.NaN);
	const tooFar = $derived(keptMs - app.nowMs > MOST_DAYS * DAY_MS);
	const past = $derived(keptMs <= app.nowMs);
	/** stands still while the clock moves on */
	const usual = $derived(usualGoal(app.nowMs, now?.forecast.autonomyDays.p50 ?? 3, app.timeZone));
	const untilMs = $derived(Number.isNaN(keptMs) || past || tooFar ? usual : keptMs);
	const among = $derived(
		without.length === 0 ? undefined : rig?.measures.map(({ id }) => id).filter((id) => !without.includes(id))
	);
	let progress = $state<number>();
	/** it was told to stop before it had found anything */
	let stopped = $state(false);
	let runs = $state(0);
	const way = latest(
		() => {
			[progress, stopped] = [0, false];
			return app.engine.ask(
				'habits/leastSacrifice',
				{ untilMs, certainty, ...(among ? { among } : {}), distinct: true },
				(done) => (progress = done)
			);
		},
		() => [app.engine.written, rig, app.tripAtHand, untilMs, certainty, among?.join('|'), runs]
	);
	$effect(() => {
		if (way.value || way.trouble || stopped) said = true;
	});
	function stop(): void {
		stopped = true;
		void app.engine.giveUp('habits/leastSacrifice');
	}
	const found = $derived(way.value?.found);
	/** what was found is of the moment that it was looked for, also while another one is looked for */
	const foundMs = $derived(way.value?.untilMs ?? untilMs);
	const inForce = $derived(now?.measures ?? []);
	const words = $derived(
		rig && found && saySacrifice(rig, found, inForce, { untilMs: foundMs }, app.nowMs, app.timeZone)
	);
	const set = $derived(found?.best ?? found?.nearest);
	const toSwitch = $derived((set?.measures ?? []).filter((id) => !inForce.includes(id)));
	let others = $state(false);
	const nameOf = (id: string): string => rig?.measures.find((one) => one.id === id)?.name ?? id;
	const tank = $derived(rig && tankById(rig, way.value?.line.tank ?? ''));
	const line = $derived(way.value?.line);
	const endMs = $derived(app.nowMs + (line?.asItIs.p50 ?? 0) * DAY_MS);
	const asItIs = $derived(
		tank && line && line.asItIs.p50 < LINE_DAYS - 1
			? `as you live now: ${tank.name} ${tank.holds === 'fresh' ? 'at its reserve' : 'full'}, ${sayWhen(endMs, app.nowMs, app.timeZone)}`
			: 'as you live now'
	);

	async function switchOn(measures: readonly string[]): Promise<void> {
		if (!rig) return;
		// What was asked stays asked, also where nobody picked it.
		await app.aim({ until: new Date(untilMs).toISOString() });
		const names = saySet(rig, measures, inForce);
		const kept = await app.commands.put(
			measures
				.filter((id) => !inForce.includes(id))
				.map((measure) => ({
					kind: 'entry',
					value: app.commands.entryFrom({
						kind: 'measure',
						measure,
						on: true,
						source: 'hand',
						...app.nowOnTrip()
					})
				})),
			`${names}: on`
		);
		if (kept) notifyDone(app, `${names}: on from now.`);
	}
	const many = $derived(
		toSwitch.length === 1 ? 'Switch it on' : toSwitch.length === 2 ? 'Switch both on' : 'Switch all on'
	);
</script>

{#snippet choice(one: MeasureSet, givesH: number)}
	{#if rig}
		<li>
			<span
				>{saySet(rig, one.measures, inForce)}<span class="soft"
					>, {sayCertainty(one.chance)}, {sayLonger(givesH)}</span
				></span
			>
			<Bother effort={one.effort} />
			<button class="small" onclick={() => void switchOn(one.measures)}>Switch on</button>
		</li>
	{/if}
{/snippet}

<PageHead>
	{#snippet title()}
		{#if words}<Spans spans={words.headline} />{:else if way.trouble}It couldn’t be worked out{:else if stopped}Stopped
			before a way was found.{:else}Looking for the easiest way…{/if}
	{/snippet}
	{#snippet says()}
		<p class="detail soft">
			{#if way.trouble}{way.trouble}{:else if words}<Spans spans={words.detail} />{/if}
		</p>
	{/snippet}
</PageHead>
{#if way.waiting && progress !== undefined && progress > 0}
	<p class="soft buttons">
		<progress value={progress} aria-label="Combinations tried"></progress>
		<button class="small" onclick={stop}>Stop</button>
	</p>
{:else if stopped}
	<p class="soft buttons">
		Ways to reach {sayGoal(untilMs, app.nowMs, app.timeZone)} were not all tried.
		<button class="small" onclick={() => runs++}>Look again</button>
	</p>
{/if}
{#if line && words}
	<StayLine
		{line}
		atMs={way.value?.atMs ?? app.nowMs}
		goalMs={foundMs}
		goal={flagOfGoal(foundMs, app.nowMs, app.timeZone)}
		timeZone={app.timeZone}
		{nameOf}
		holds={tank?.holds}
		said={app.liveRig?.ahead}
		habits={app.liveRig?.habits}
		{asItIs}
		label="Time left: {asItIs}{line.segments
			.map(({ id, hours }) => `; ${nameOf(id)} adds ${Math.round(hours)} hours`)
			.join('')}; wanted: {sayGoal(foundMs, app.nowMs, app.timeZone)}"
	/>
{/if}
{#if said}
	<div class="bar">
		{#if toSwitch.length > 0}
			<button class="primary" onclick={() => void switchOn(set?.measures ?? [])}>{many}</button>
		{/if}
		{#if found && found.others.length > 0}
			<button aria-expanded={others} onclick={() => (others = !others)}
				>Other ways ({found.others.length})</button
			>
		{/if}
		<GoalBar
			{choices}
			{untilMs}
			{certainty}
			timeZone={app.timeZone}
			onuntil={(ms) => void app.aim({ until: new Date(ms).toISOString() })}
			oncertainty={(value) => void app.aim({ certainty: value })}
		/>
	</div>
{/if}
{#if kept && (past || tooFar)}
	<p class="mind">
		{past ? 'That moment has passed' : 'That is more than a year ahead'}: pick another one. Until then this is
		for {sayGoal(untilMs, app.nowMs, app.timeZone)}.
	</p>
{/if}
{#if others && found}
	<ul class="others">
		{#each found.others as one, i (one.measures.join('|'))}{@render choice(
				one,
				way.value?.othersGiveH[i] ?? 0
			)}{/each}
	</ul>
{/if}

<style>
	.bar {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-2) var(--gap-3);
		align-items: end;
	}
	.others {
		width: 100%;
		max-width: 48rem;
	}
	.others li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto auto;
		gap: var(--gap-3);
		align-items: center;
		border-top: var(--hairline);
		padding: 0.35rem 0;
	}
</style>
