<script lang="ts">
	import { isInLog, type Nod } from '$core/listen';
	import { dayPlus, HOUR_MS, zonedMs, zonedTime } from '$core/time';
	import { formatLitres } from '$core/units';
	import { clockText, dayText, sayHabit, sayNod, sayRan } from '$core/words';
	import type { App } from '$lib/state';
	import { listeningBeside } from '$lib/state/listening.svelte';
	import DataTable from '../../kit/page/DataTable.svelte';
	import Chart from '../../parts/charts/Chart.svelte';
	import { notifyDone } from '../../parts/acts/notify';
	import AskedUse from './AskedUse.svelte';

	interface Props {
		app: App;
		day: string;
	}
	/** A day as a strip: what ran when, with its uses named; and the same in figures, to be logged from. */
	const { app, day }: Props = $props();
	// svelte-ignore state_referenced_locally
	const listening = listeningBeside(app);
	const units = $derived(app.prefs.current.units);
	const rig = $derived(app.liveRig);
	const fromMs = $derived(zonedMs(day, app.timeZone));
	const toMs = $derived(zonedMs(dayPlus(day, 1), app.timeZone));
	const HEIGHT_PX = 300;
	/** hours of the day that are looked at closely */
	const PARTS = [
		{ name: 'Whole day', hours: [0, 24] },
		{ name: 'Night', hours: [0, 6] },
		{ name: 'Morning', hours: [6, 12] },
		{ name: 'Afternoon', hours: [12, 18] },
		{ name: 'Evening', hours: [18, 24] }
	] as const;
	let part = $state(0);
	const hours = $derived(PARTS[part]?.hours ?? [0, 24]);
	const shownFrom = $derived(fromMs + hours[0] * HOUR_MS);
	const shownTo = $derived(part === 0 ? toMs : Math.min(toMs, fromMs + hours[1] * HOUR_MS));
	const nods = $derived(listening.nods.filter(({ use }) => use.fromMs >= shownFrom && use.fromMs < shownTo));
	const spec = $derived({
		kind: 'heard' as const,
		shown: {
			flows: (listening.told?.flows ?? []).filter(
				(level) => level.toMs >= shownFrom && level.fromMs < shownTo
			),
			marks: rig
				? nods.map((nod) => ({
						fromMs: nod.use.fromMs,
						toMs: nod.use.toMs,
						litres: nod.use.litres,
						lpm: nod.use.lpm,
						name: sayNod(nod, { rig }),
						isLogged: isInLog(nod)
					}))
				: [],
			fromMs: shownFrom,
			toMs: shownTo,
			heightPx: HEIGHT_PX,
			units,
			timeZone: app.timeZone
		}
	});

	async function log(nod: Nod, habit: string): Promise<void> {
		const label = await listening.log([{ nod, habit }]);
		if (label !== undefined) notifyDone(app, label);
	}
	const atIso = (ms: number): string => new Date(ms).toISOString();
	const isToday = $derived(zonedTime(app.nowMs, app.timeZone).day === day);
</script>

<p class="parts" role="group" aria-label="Part of the day">
	{#each PARTS as { name }, i (name)}
		<button class="small" aria-pressed={part === i} onclick={() => (part = i)}>{name}</button>
	{/each}
</p>
<Chart
	{spec}
	theme={app.prefs.current.theme}
	heightPx={HEIGHT_PX}
	label="Flow through the meter, {dayText(day)}"
/>
{#if nods.length === 0}
	<p class="soft">Nothing was heard {isToday ? 'today' : 'on this day'}.</p>
{:else if rig}
	<DataTable
		columns={[
			{ name: 'Time' },
			{ name: 'What' },
			{ name: 'Litres', number: true },
			{ name: 'Lasted', number: true },
			{ name: 'Log' }
		]}
	>
		{#each nods as nod (nod.use.fromMs)}
			<tr>
				<th scope="row">{clockText(atIso(nod.use.fromMs), app.timeZone)}</th>
				<td>{sayNod(nod, { rig })}</td>
				<td class="number">{formatLitres(nod.use.litres, units)}</td>
				<td class="number">{sayRan(nod.use.toMs - nod.use.fromMs)}</td>
				<td>
					{#if nod.kind === 'logged'}<span class="soft">{nod.entry.heard?.unasked ? 'heard' : 'logged'}</span>
					{:else if nod.kind === 'named'}<button
							class="small"
							aria-label="Log {sayHabit(rig, nod.habit)}"
							onclick={() => void log(nod, nod.habit)}>Log</button
						>
					{:else if nod.kind === 'joins'}<button class="small" onclick={() => void log(nod, nod.entry.habit)}
							>Add its litres</button
						>
					{:else}<AskedUse
							{app}
							{nod}
							onlog={(habit) => void log(nod, habit)}
							onskip={() => void listening.skip(nod.use)}
						/>{/if}
				</td>
			</tr>
		{/each}
	</DataTable>
{/if}

<style>
	.parts {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-1);
	}
	.parts button[aria-pressed='true'] {
		background: var(--ink);
		color: var(--paper);
	}
</style>
