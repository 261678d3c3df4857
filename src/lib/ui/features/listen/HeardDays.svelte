<script lang="ts">
	import { heardByDay } from '$core/listen';
	import { zonedTime } from '$core/time';
	import { formatLitres } from '$core/units';
	import { dayText, sayHeardLeak } from '$core/words';
	import type { App } from '$lib/state';
	import { listeningBeside } from '$lib/state/listening.svelte';
	import DataTable from '../../kit/page/DataTable.svelte';
	import HeardDay from './HeardDay.svelte';

	/** What the meter heard, day by day: how much of it has a name, what drips, and one day as a strip. */
	const { app }: { app: App } = $props();
	// svelte-ignore state_referenced_locally
	const listening = listeningBeside(app);
	const units = $derived(app.prefs.current.units);
	const dayOf = (ms: number): string => zonedTime(ms, app.timeZone).day;
	const days = $derived(heardByDay(listening.nods, dayOf));
	let chosen = $state<string>();
	const day = $derived(chosen ?? days[0]?.day ?? dayOf(app.nowMs));
	/** the days before and after, of those in which something was heard */
	const before = $derived(days.find((one) => one.day < day)?.day);
	const after = $derived(days.findLast((one) => one.day > day)?.day);
	const context = $derived(
		app.liveRig && { rig: app.liveRig, units, nowMs: app.nowMs, timeZone: app.timeZone }
	);
</script>

{#if listening.isReading}<p class="soft" role="status">Reading the samples…</p>
{:else if !listening.to || (listening.told?.samples ?? 0) === 0}
	<p>
		No meter is listened to yet. Start the simulated rig, connect a meter or import its samples under
		<a href="/data#listen">Data</a>.
	</p>
{:else}
	{#if context}
		{#each listening.told?.leaks ?? [] as leak (leak.fromMs)}<p class="leak">
				{sayHeardLeak(leak, context)}
			</p>{/each}
	{/if}
	<div class="day">
		<h2>{dayText(day)}</h2>
		<button class="small" disabled={before === undefined} onclick={() => (chosen = before)}>Day before</button
		>
		<button class="small" disabled={after === undefined} onclick={() => (chosen = after)}>Day after</button>
	</div>
	<HeardDay {app} {day} />
	<h2>Day by day</h2>
	<DataTable
		columns={[
			{ name: 'Day' },
			{ name: 'Heard', number: true },
			{ name: 'not logged', number: true },
			{ name: 'share not logged', number: true }
		]}
	>
		{#each days as { day: of, heardL, unloggedL } (of)}
			<tr>
				<th scope="row"
					><button class="quiet" aria-pressed={of === day} onclick={() => (chosen = of)}>{dayText(of)}</button
					></th
				>
				<td class="number">{formatLitres(heardL, units)}</td>
				<td class="number">{formatLitres(unloggedL, units)}</td>
				<td class="number">{Math.round((100 * unloggedL) / heardL)}%</td>
			</tr>
		{/each}
	</DataTable>
	{#if (listening.told?.unheardL ?? 0) > 0.5}
		<p class="soft">
			{formatLitres(listening.told?.unheardL ?? 0, units)} passed while the meter was not heard.
		</p>
	{/if}
{/if}

<style>
	.leak {
		border-left: 3px solid var(--caution);
		padding-left: var(--gap-2);
	}
	.day {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-2);
		align-items: baseline;
	}
	h2 {
		font-size: var(--step-1);
	}
</style>
