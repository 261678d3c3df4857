<script lang="ts">
	import { zonedTime } from '$core/time';
	import type { Basis } from '$core/estimate';
	import { instantMs, type Entry } from '$core/logbook';
	import { clockText, dayText, describeEntry, type DescribeContext } from '$core/words';

	interface Props {
		basis: readonly Basis[];
		entries: readonly Entry[];
		context: DescribeContext;
		timeZone: string;
		/** what the entries have in common, for the line about the smaller ones */
		since: string;
	}
	/** The entries behind a figure, those that weigh most first. */
	const { basis, entries, context, timeZone, since }: Props = $props();

	const MOST = 12;
	const known = $derived(new Map(entries.map((entry) => [entry.id, entry])));
	const rows = $derived(
		[...basis]
			.sort((a, b) => b.weight - a.weight)
			.slice(0, MOST)
			.flatMap(({ entry: id, weight }) => {
				const entry = known.get(id);
				return entry ? [{ entry, weight }] : [];
			})
	);
	const rest = $derived(basis.length - rows.length);
</script>

<table>
	<thead class="visually-hidden"><tr><th>When</th><th>Entry</th><th>Weight</th></tr></thead>
	<tbody>
		{#each rows as { entry, weight } (entry.id)}
			<tr>
				<td class="soft when"
					>{dayText(zonedTime(instantMs(entry.at), timeZone).day)} {clockText(entry.at, timeZone)}</td
				>
				<td>{describeEntry(entry, context)}</td>
				<td class="number">{weight >= 0.005 ? `${Math.round(weight * 100)}%` : '< 1%'}</td>
			</tr>
		{/each}
	</tbody>
</table>
{#if rest > 0}<p class="soft">and {rest} smaller {rest === 1 ? 'entry' : 'entries'} {since}.</p>{/if}

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
</style>
