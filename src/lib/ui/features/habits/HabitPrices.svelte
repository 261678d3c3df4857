<script lang="ts">
	import { Z90 } from '$core/numerics';
	import type { Levels } from '$core/estimate';
	import type { Rig } from '$core/logbook';
	import { tankById } from '$core/rig';
	import { formatFigure, formatHours, formatLitres, fromBase, type UnitChoice } from '$core/units';
	import type { Saving } from '$lib/engine';
	import DataTable from '../../kit/page/DataTable.svelte';

	interface Props {
		rig: Rig;
		saving: Saving;
		levels: Levels | undefined;
		units: UnitChoice;
		onopen: (habit: string) => void;
	}
	/** What one time of each habit costs: litres as believed, hours off the stay, litres a day, where they go. */
	const { rig, saving, levels, units, onopen }: Props = $props();
	const litres = (value: number): string => formatLitres(value, units);
	const give = (sd: number): string => formatFigure(fromBase(Z90 * sd, units.volume));
	const believed = $derived(new Map(levels?.habits.map((habit) => [habit.id, habit])));
	const rows = $derived(
		saving.worth.habits
			.map((price) => {
				const flows = saving.flows.filter(({ habit }) => habit === price.habit);
				const ends = new Map<string, number>();
				for (const { to, litres: l } of flows) {
					const name =
						to.kind === 'tank'
							? (tankById(rig, to.id)?.name ?? to.id)
							: to.kind === 'gone'
								? 'drunk'
								: to.kind;
					ends.set(name, (ends.get(name) ?? 0) + l);
				}
				const facts = saving.habits.find(({ id }) => id === price.habit);
				return {
					...price,
					stated: rig.habits.find(({ id }) => id === price.habit)?.litresEach.mean ?? 0,
					measured: facts?.measured,
					believed: believed.get(price.habit),
					perDay: flows
						.filter(({ from }) => from.kind !== 'beside')
						.reduce((sum, flow) => sum + flow.litres, 0),
					to: [...ends].sort((a, b) => b[1] - a[1]).map(([name]) => name)
				};
			})
			.sort((a, b) => b.perDay - a.perDay)
	);
</script>

<DataTable
	columns={[
		{ name: 'Habit' },
		{ name: 'Litres', number: true },
		{ name: 'Time left', number: true },
		{ name: 'A day', number: true, wide: true },
		{ name: 'Goes to', wide: true }
	]}
>
	{#each rows as row (row.habit)}
		<tr>
			<th scope="row"
				><button class="why" onclick={() => onopen(row.habit)}>{row.name}</button><span
					class="soft small more"
				>
					you entered {litres(row.stated)}{row.measured
						? `, measured ${litres(row.measured.mean)} (${row.measured.count}×)`
						: ''}</span
				></th
			>
			<td class="number"
				>{litres(row.litres)}{#if row.believed}<span class="soft">&nbsp;± {give(row.believed.sd)}</span
					>{/if}</td
			>
			<td class="number hours"
				>{formatHours(row.hours) === 'none' ? 'none' : `− ${formatHours(row.hours)}`}</td
			>
			<td class="number wide">{litres(row.perDay)}</td>
			<td class="wide">{row.to.join(', ')}</td>
		</tr>
	{/each}
</DataTable>

<style>
	.hours {
		font-weight: 650;
	}
	.more {
		display: block;
		font-weight: 400;
	}
	th button {
		font-weight: 650;
		text-align: left;
	}
</style>
