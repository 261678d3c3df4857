<script lang="ts">
	import type { Weight } from '$core/rig';
	import { formatQuantity, type UnitChoice } from '$core/units';
	import DataTable from '../../../kit/page/DataTable.svelte';

	interface Row {
		readonly name: string;
		readonly when: string;
		readonly weight: Weight;
	}
	interface Props {
		rows: readonly Row[];
		/** the rig states a payload */
		payload: boolean;
		units: UnitChoice;
	}
	/** What water and waste weigh, moment by moment. */
	const { rows, payload, units }: Props = $props();
	const kg = (mass: number): string => formatQuantity(mass, 'mass', units);
</script>

<DataTable
	columns={[
		{ name: 'When' },
		{ name: 'Fresh', number: true },
		{ name: 'Waste', number: true },
		{ name: 'Heater, pipes', number: true, wide: true },
		{ name: 'Total', number: true },
		...(payload ? [{ name: 'of the payload', number: true }] : [])
	]}
>
	{#each rows as { name, when, weight }, i (i)}
		<tr>
			<th scope="row">{name}<span class="soft">{when ? `, ${when}` : ''}</span></th>
			<td class="number">{kg(weight.freshKg)}</td>
			<td class="number">{kg(weight.wasteKg)}</td>
			<td class="number wide">{kg(weight.systemKg)}</td>
			<td class="number"><strong>{kg(weight.totalKg)}</strong></td>
			{#if payload}<td class="number">{Math.round(100 * (weight.payloadShare ?? 0))}%</td>{/if}
		</tr>
	{/each}
</DataTable>
