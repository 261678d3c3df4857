<script lang="ts">
	import type { Spread } from '$core/numerics';
	import type { WhyLasting } from '$core/habits';
	import { sayDaysRange, sayLastingSum } from '$core/words';
	import { formatFigure, formatLitres, type UnitChoice } from '$core/units';

	import Spans from '../../kit/page/Spans.svelte';

	interface Props {
		name: string;
		fresh: boolean;
		lasting: WhyLasting;
		/** days until it binds; nothing beyond the days looked at */
		days: Spread | undefined;
		units: UnitChoice;
	}
	/** The sum behind the days a tank lasts, as one would do it on paper. */
	const { name, fresh, lasting, days, units }: Props = $props();

	const say = (litres: number): string => formatLitres(litres, units);
</script>

<p><Spans spans={sayLastingSum(name, fresh, lasting, units)} /></p>
{#if days}<p>{sayDaysRange(days)}</p>{/if}
{#if lasting.parts.length > 0}
	<table>
		<caption class="visually-hidden">What an average day uses</caption>
		<tbody>
			{#each lasting.parts as { habit, source, timesPerDay, litres }, i (i)}
				<tr>
					<th scope="row">{habit?.name ?? source?.name ?? 'Not logged'}</th>
					<td class="soft"
						>{#if timesPerDay !== undefined && timesPerDay > 0}{formatFigure(timesPerDay)} × {say(
								litres / timesPerDay
							)}{/if}</td
					>
					<td class="number">{say(litres)}</td>
				</tr>
			{/each}
		</tbody>
	</table>
{/if}

<style>
	th,
	td {
		padding: 0.3rem 0.5rem 0.3rem 0;
		border-top: var(--hairline);
		font-weight: 450;
		text-align: left;
		overflow-wrap: anywhere;
	}
	.number {
		text-align: right;
		white-space: nowrap;
	}
</style>
