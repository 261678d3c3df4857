<script lang="ts">
	import type { Entry } from '$core/logbook';
	import type { FoundWords } from '$core/assess';
	import type { TankLevel } from '$core/estimate';
	import { formatLitres, type UnitChoice } from '$core/units';
	import type { Mend } from '$core/verdict';
	import Findings from './Findings.svelte';
	import Sheet from './Sheet.svelte';
	import { clockText, dayText, describeEntry, type DescribeContext } from './describe';
	import { zonedTime, instantMs } from '$core/logbook';

	interface Props {
		name: string;
		level: TankLevel;
		entries: readonly Entry[];
		findings: readonly FoundWords[];
		/** the reason in a sentence */
		why: string;
		onmend: (mend: Mend, label: string) => void;
		context: DescribeContext;
		timeZone: string;
		units: UnitChoice;
		onclose: () => void;
	}
	const { name, level, entries, findings, why, onmend, context, timeZone, units, onclose }: Props = $props();

	const MOST = 12;
	const known = $derived(new Map(entries.map((entry) => [entry.id, entry])));
	const rows = $derived(
		[...level.basis]
			.sort((a, b) => b.weight - a.weight)
			.slice(0, MOST)
			.flatMap(({ entry: id, weight }) => {
				const entry = known.get(id);
				return entry ? [{ entry, weight }] : [];
			})
	);
	const rest = $derived(level.basis.length - rows.length);
</script>

<Sheet title="Why {formatLitres(level.litres, units)} in {name}?" {onclose}>
	<p>
		Nine chances in ten that it is between <strong>{formatLitres(level.low, units)}</strong> and
		<strong>{formatLitres(level.high, units)}</strong>, of {formatLitres(level.usableL, units)} usable.
	</p>
	{#if why}<p>{why}</p>{/if}
	{#if rows.length > 0}
		<h3>It rests on</h3>
		<table>
			<thead class="visually-hidden"><tr><th>When</th><th>Entry</th><th>Weight</th></tr></thead>
			<tbody>
				{#each rows as { entry, weight } (entry.id)}
					<tr>
						<td class="soft when"
							>{dayText(zonedTime(instantMs(entry.at), timeZone).day)} {clockText(entry.at, timeZone)}</td
						>
						<td>{describeEntry(entry, context)}</td>
						<td class="number">{weight >= 0.005 ? `${Math.round(weight * 100)} %` : '< 1 %'}</td>
					</tr>
				{/each}
			</tbody>
		</table>
		{#if rest > 0}<p class="soft">
				and {rest} smaller {rest === 1 ? 'entry' : 'entries'} since the tank was last known full or empty.
			</p>{/if}
	{:else}
		<p>
			Nothing has been written down for this tank yet: it may hold anything. Fill it to the brim, empty it or
			read an instrument, and write that.
		</p>
	{/if}
	{#if findings.length > 0}
		<h3>To mind</h3>
		<Findings {findings} {onmend} />
	{/if}
	<button class="close" onclick={onclose}>Close</button>
</Sheet>

<style>
	td {
		padding: 0.3rem 0.5rem 0.3rem 0;
		border-top: var(--hairline);
		vertical-align: top;
		overflow-wrap: anywhere;
	}
	.when {
		white-space: nowrap;
		font-size: var(--step--1);
	}
	.close {
		justify-self: start;
	}
</style>
