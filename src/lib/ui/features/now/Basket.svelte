<script lang="ts">
	import { LINE_DAYS, type More, type Price } from '$core/forecast';
	import { tankById } from '$core/rig';
	import { formatHours, formatLitres } from '$core/units';
	import { listed } from '$core/words';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import { Minus, Plus } from 'lucide';
	import Icon from '../../kit/Icon.svelte';
	import { notifyDone } from '../../parts/acts/notify';
	import StayLine from '../../parts/stay/StayLine.svelte';

	interface Props {
		app: App;
		prices: readonly Price[];
		onclose: () => void;
	}
	/** What one would like to do tonight, put together, and whether there is enough for it. */
	const { app, prices, onclose }: Props = $props();

	const units = $derived(app.prefs.current.units);
	let times = $state.raw<Readonly<Record<string, number>>>({});
	const MOST = 20;
	const put = (habit: string, change: number): void => {
		times = { ...times, [habit]: Math.min(MOST, Math.max(0, (times[habit] ?? 0) + change)) };
	};
	const more = $derived<readonly More[]>(
		prices.flatMap(({ habit }) => ((times[habit] ?? 0) > 0 ? [{ habit, times: times[habit] ?? 0 }] : []))
	);
	const asked = $derived(more.map(({ habit, times: n }) => `${habit}|${n}`).join(' '));
	const answer = latest(
		() => (more.length === 0 ? undefined : app.engine.ask('now/basket', more)),
		() => [app.engine.written, asked, app.tripAtHand]
	);
	const nameOf = (habit: string): string => prices.find((one) => one.habit === habit)?.name ?? habit;
	const litres = $derived(prices.reduce((sum, one) => sum + (times[one.habit] ?? 0) * one.litres, 0));
	const all = $derived(
		listed(more.map(({ habit, times: n }) => (n === 1 ? nameOf(habit) : `${n} × ${nameOf(habit)}`)))
	);
	const tank = $derived(app.liveRig && tankById(app.liveRig, answer.value?.line.tankThen ?? ''));

	async function log(): Promise<void> {
		const label = `Logged: ${all}`;
		const kept = await app.commands.put(
			more.map(({ habit, times: n }) => ({
				kind: 'entry',
				value: app.commands.entryFrom({
					kind: 'use',
					habit,
					times: n,
					source: 'hand',
					...app.nowOnTrip()
				})
			})),
			label
		);
		if (!kept) return;
		notifyDone(app, label);
		times = {};
		onclose();
	}
</script>

<section aria-label="The basket">
	<h2>What would you like to do?</h2>
	<ul>
		{#each prices as price (price.habit)}
			<li>
				<span>{price.name}</span>
				<button
					disabled={!times[price.habit]}
					onclick={() => put(price.habit, -1)}
					aria-label="One less: {price.name}"><Icon icon={Minus} /></button
				>
				<output aria-label="{price.name} in the basket">{times[price.habit] ?? 0}</output>
				<button onclick={() => put(price.habit, 1)} aria-label="One more: {price.name}"
					><Icon icon={Plus} /></button
				>
			</li>
		{/each}
	</ul>
	{#if more.length > 0}
		<div class="answer {answer.value?.kind ?? ''}" aria-live="polite" aria-busy={answer.waiting}>
			{#if answer.trouble}<p>It couldn’t be worked out: {answer.trouble}</p>
			{:else if answer.value}
				<p class="verdict">{answer.value.headline.text}</p>
				<p>{answer.value.reason}</p>
				<p class="soft">
					Costs you {formatLitres(litres, units)} and {formatHours(-24 * answer.value.line.gainedDays)}.
				</p>
			{:else}<p class="soft">Working it out…</p>{/if}
		</div>
		{#if answer.value && answer.value.line.asItIs.p50 < LINE_DAYS - 1}
			<StayLine
				line={answer.value.line}
				atMs={answer.value.atMs}
				timeZone={app.timeZone}
				{nameOf}
				holds={tank?.holds}
				said={app.liveRig?.ahead}
				habits={app.liveRig?.habits}
				asItIs=""
				label="Time left: {formatHours(-24 * answer.value.line.gainedDays)} shorter with this"
			/>
		{/if}
	{/if}
	<p class="buttons">
		<button class="primary" disabled={more.length === 0} onclick={() => void log()}>Done: log it all</button>
		<button onclick={onclose}>Cancel</button>
	</p>
</section>

<style>
	section {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-2);
	}
	h2 {
		font-family: var(--text);
		font-size: var(--step-0);
		color: var(--soft-ink);
		letter-spacing: 0;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto 2rem auto;
		gap: var(--gap-2);
		align-items: center;
		border-top: var(--hairline);
		padding: 0.2rem 0;
		overflow-wrap: anywhere;
	}
	li button {
		display: grid;
		place-items: center;
		width: 2.25rem;
		padding: 0;
	}
	output {
		text-align: center;
		font-weight: 650;
		font-variant-numeric: tabular-nums;
	}
	.answer {
		border-left: 3px solid var(--line);
		padding-left: var(--gap-3);
		min-height: 5.5rem;
	}
	.enough {
		border-color: var(--good);
	}
	.careful,
	.go {
		border-color: var(--caution);
	}
	.verdict {
		font-family: var(--display);
		font-weight: 650;
		font-size: var(--step-2);
	}
	@media (pointer: coarse) {
		li button {
			width: var(--touch);
		}
	}
</style>
