<script lang="ts">
	import type { School, Trip } from '$core/logbook';
	import type { UnitChoice } from '$core/units';
	import { formatLitres, formatMoney } from '$core/units';
	import { saySchool } from '$core/words';
	import type { SchoolPlan } from '$lib/engine';
	import DataTable from '../../kit/page/DataTable.svelte';

	interface Props {
		trip: Trip;
		schools: readonly SchoolPlan[];
		units: UnitChoice;
		onchoose: (school: School | undefined) => void;
	}
	/** Ways to fill and dump, each with what it comes to on this trip. */
	const { trip, schools, units, onchoose }: Props = $props();

	const chosen = $derived(trip.policy?.school);
	const waterOf = ({ plan }: SchoolPlan): number =>
		plan.services.reduce((sum, { water }) => sum + (water?.litres ?? 0), 0);
</script>

<DataTable
	columns={[
		{ name: 'Plan style' },
		{ name: 'Costs', number: true },
		{ name: 'Stops', number: true },
		{ name: 'Minutes', number: true, wide: true },
		{ name: 'Water taken', number: true, wide: true },
		{ name: 'Chance it works', number: true }
	]}
>
	{#each schools as one (one.school ?? '')}
		{@const words = saySchool(one.school)}
		<tr class:chosen={one.school === chosen}>
			<th scope="row">
				<label class="check"
					><input
						type="radio"
						name="school"
						checked={one.school === chosen}
						onchange={() => onchoose(one.school)}
					/>
					<span>{words.name}<span class="soft small says">{words.says}</span></span></label
				>
			</th>
			<td class="number">{formatMoney(one.plan.cost)}</td>
			<td class="number">{one.plan.effort.stops}</td>
			<td class="number wide">{Math.round(one.plan.effort.minutes)}</td>
			<td class="number wide">{formatLitres(waterOf(one), units)}</td>
			<td class="number" class:mind={!one.plan.feasible}
				>{Math.round(100 * one.plan.chance)}%{#if !one.plan.feasible}<span class="small says"
						>falls short</span
					>{/if}</td
			>
		</tr>
	{/each}
</DataTable>

<style>
	th {
		font-weight: 450;
	}
	.chosen th {
		font-weight: 650;
	}
	.says {
		display: block;
		font-weight: 400;
	}
	.check {
		align-items: baseline;
	}
	td {
		vertical-align: baseline;
		padding-top: 0.7rem;
	}
</style>
