<script lang="ts">
	import type { Spread } from '$core/numerics';
	import type { WhyLasting } from '$core/habits';
	import { listed } from '$core/words';
	import { formatFigure, formatLitres, type UnitChoice } from '$core/units';

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
	const plainDays = $derived(lasting.perDayL > 0 ? lasting.roomL / lasting.perDayL : undefined);
	const dayWord = (figure: number): string => `${formatFigure(figure)} ${figure === 1 ? 'day' : 'days'}`;
</script>

<p>
	{name} has <strong>{say(lasting.roomL)}</strong>
	{fresh
		? `until it is down to its reserve of ${say(lasting.limitL)}`
		: `of room until it holds ${say(lasting.limitL)}`}{lasting.behind.length > 0
		? `, including ${listed(lasting.behind.map(({ tank, litres }) => `${say(litres)} in ${tank.name}`))}`
		: ''}.
	{#if plainDays === undefined}
		None of your habits uses it.
	{:else}
		An average day uses <strong>{say(lasting.perDayL)}</strong> of it: about
		<strong>{dayWord(plainDays)}</strong>.
	{/if}
</p>
{#if days}
	<p>
		Days differ, and the level is not exact: 1 in 10 that it is less than {dayWord(days.p10)}, 1 in 10 that it
		is more than {dayWord(days.p90)}.
	</p>
{/if}
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
