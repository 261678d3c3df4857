<script lang="ts">
	import { tankById } from '$core/rig';
	import { formatFigure, fromBase, unitSymbol } from '$core/units';
	import { sayWhen } from '$core/words';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import { goalChoices } from '../../parts/goal/goal';

	const { app }: { app: App } = $props();
	/** How much a day each, to reach a moment that one picks; against what is used. */
	const now = $derived(app.engine.assessment);
	const units = $derived(app.prefs.current.units);
	const kept = $derived(app.goal);
	const keptMs = $derived(kept ? Date.parse(kept.until) : Number.NaN);
	const asked = $derived(keptMs > app.nowMs ? keptMs : undefined);
	const picked = latest(
		() => (asked === undefined ? undefined : app.engine.ask('now/ration', asked, kept?.certainty ?? 0.9)),
		() => [app.engine.written, asked, kept?.certainty]
	);
	const ration = $derived(asked === undefined ? now?.ration : picked.value);
	const untilMs = $derived(asked ?? now?.ration?.untilMs);
	const choices = $derived(goalChoices(app.tripAtHand, now?.plan, app.nowMs, app.timeZone));
	const options = $derived([
		...(untilMs === undefined || choices.some(({ ms }) => ms === untilMs)
			? []
			: [{ ms: untilMs, label: sayWhen(untilMs, app.nowMs, app.timeZone) }]),
		...choices
	]);
	const figure = (litres: number): string => formatFigure(fromBase(litres, units.volume));
	const short = $derived(ration !== undefined && ration.usingL > ration.allowedL);
	const tank = $derived(ration && app.liveRig ? tankById(app.liveRig, ration.tank)?.name : undefined);

	const pick = (value: string): Promise<void> => app.aim({ until: new Date(Number(value)).toISOString() });
</script>

<section>
	<label class="soft" for="ration-until">To reach</label>
	<select
		id="ration-until"
		value={untilMs === undefined ? '' : String(untilMs)}
		onchange={(event) => void pick(event.currentTarget.value)}
	>
		{#if untilMs === undefined}<option value="" disabled>pick a day</option>{/if}
		{#each options as { ms, label }, i (i)}<option value={String(ms)}>{label}</option>{/each}
	</select>
	{#if ration?.drinkableUntilMs !== undefined && untilMs !== undefined}
		<p class="mind" role="status">
			<strong
				>Not enough to drink until {sayWhen(untilMs, app.nowMs, app.timeZone)}: fill by {sayWhen(
					ration.drinkableUntilMs,
					app.nowMs,
					app.timeZone
				)}.</strong
			>
		</p>
	{:else if ration}
		<p>
			<span class="figure">{figure(ration.allowedL)} {unitSymbol(units.volume)}</span>
			a day each. You are using
			<strong class:mind={short}>{figure(ration.usingL)}</strong>.
			{#if short}<span class="soft">{tank} allows no more.</span>
				<a href="/habits">What would get you there?</a>{/if}
		</p>
	{:else if asked === undefined && app.tripAtHand && !now?.plan}
		<p class="figure" aria-hidden="true">&nbsp;</p>
	{:else if asked !== undefined && !picked.waiting}
		<p class="soft">Your tanks last until then.</p>
	{/if}
	<p class="small"><a href="#ahead" data-sveltekit-noscroll>Are some days unusual?</a></p>
</section>

<style>
	section {
		display: grid;
		grid-template-columns: auto minmax(0, 1fr);
		gap: 0 var(--gap-2);
		align-items: center;
	}
	p {
		grid-column: 1 / -1;
	}
	.figure {
		font-family: var(--display);
		font-weight: 650;
		font-size: 1.9rem;
		margin-right: 0.3rem;
	}
</style>
