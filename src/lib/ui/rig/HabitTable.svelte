<script lang="ts">
	import type { Levels } from '$core/estimate';
	import type { Rig } from '$core/logbook';
	import { formatFigure, formatLitres, fromBase, type UnitChoice } from '$core/units';
	import { sayCadence } from '$core/words';
	import DataTable from '../page/DataTable.svelte';
	import { GIVE } from '../why/give';

	interface Props {
		rig: Rig;
		levels: Levels | undefined;
		units: UnitChoice;
		onchange: (habit: string) => void;
		onwhy: (habit: string) => void;
	}
	/** The habits of a rig: what one time takes, as stated and as believed; and what nobody writes down. */
	const { rig, levels, units, onchange, onwhy }: Props = $props();
	const believed = $derived(new Map(levels?.habits.map((habit) => [habit.id, habit])));
	const litres = (value: number): string => formatLitres(value, units);
	const give = (sd: number): string => formatFigure(fromBase(GIVE * sd, units.volume));
</script>

<DataTable
	columns={[
		{ name: 'Habit' },
		{ name: 'As stated', number: true },
		{ name: 'As believed', number: true },
		{ name: 'Cadence stated', wide: true },
		{ name: 'Logged', number: true, wide: true },
		{ name: 'Change', quiet: true }
	]}
>
	{#each rig.habits as habit (habit.id)}
		{@const known = believed.get(habit.id)}
		<tr>
			<th scope="row">{habit.name}</th>
			<td class="number"
				>{litres(habit.litresEach.mean)}<span class="soft">&nbsp;± {give(habit.litresEach.sd)}</span></td
			>
			<td class="number"
				>{#if known}<button
						class="why"
						onclick={() => onwhy(habit.id)}
						aria-label="Why {litres(known.litresEach)} for {habit.name}?">{litres(known.litresEach)}</button
					><span class="soft">&nbsp;± {give(known.sd)}</span>{/if}</td
			>
			<td class="wide soft">{sayCadence(habit.often)}</td>
			<td class="number wide">{known?.times ?? 0} ×</td>
			<td
				><button class="quiet small" onclick={() => onchange(habit.id)} aria-label="Change {habit.name}"
					>Change</button
				></td
			>
		</tr>
	{/each}
</DataTable>
{#if levels}
	<p>
		Not written down: <strong>{litres(levels.unlogged.litresPerPersonDay)}</strong>
		<span class="soft"
			>± {give(levels.unlogged.sd)} for each person and day, as believed now{rig.unlogged
				? `; you stated ${litres(rig.unlogged.mean)} ± ${give(rig.unlogged.sd)}`
				: ', from how often the log has each habit and from every reading'}.</span
		>
	</p>
{/if}
