<script lang="ts">
	import type { DayFlow } from '$core/habits';
	import type { Rig } from '$core/logbook';
	import { formatLitres, type UnitChoice } from '$core/units';
	import Chart from '../../parts/charts/Chart.svelte';
	import { nameOfEnd } from '../../parts/charts/flowChart';
	import DataTable from '../../kit/page/DataTable.svelte';
	import InFigures from '../../kit/page/InFigures.svelte';

	interface Props {
		rig: Rig;
		flows: readonly DayFlow[];
		units: UnitChoice;
		theme: string;
	}
	/** Where the litres of a day go: from tank through outlet and habit to waste, and the same as a table. */
	const { rig, flows, units, theme }: Props = $props();
	/** what flows in goes through no outlet: it stands in the table */
	const used = $derived(flows.filter(({ from }) => from.kind !== 'source'));
	const sorted = $derived([...flows].sort((a, b) => b.litres - a.litres));
	const habits = $derived(new Set(used.map(({ habit }) => habit)).size);
	const outlet = (id: string): string => rig.outlets.find((one) => one.id === id)?.name ?? 'any tap';
	const habit = (id: string | undefined): string =>
		rig.habits.find((one) => one.id === id)?.name ?? 'in no habit';
</script>

<Chart
	spec={{ kind: 'flow', shown: { rig, flows: used, units } }}
	{theme}
	heightPx={Math.max(220, 44 * habits)}
	label="Where a day’s litres go; the same figures are in the table below"
/>
<InFigures>
	<DataTable
		columns={[
			{ name: 'From' },
			{ name: 'Through', wide: true },
			{ name: 'For' },
			{ name: 'To' },
			{ name: 'A day', number: true }
		]}
	>
		{#each sorted as flow, i (i)}
			<tr>
				<td>{nameOfEnd(rig, flow.from)}</td>
				<td class="wide"
					>{flow.from.kind === 'beside' || flow.from.kind === 'source' ? '' : outlet(flow.outlet)}</td
				>
				<th scope="row">{flow.from.kind === 'source' ? 'flows in' : habit(flow.habit)}</th>
				<td>{nameOfEnd(rig, flow.to)}</td>
				<td class="number">{formatLitres(flow.litres, units)}</td>
			</tr>
		{/each}
	</DataTable>
</InFigures>
