<script lang="ts">
	import { zonedTime } from '$core/time';
	import type { PastTank } from '$core/estimate';
	import { type Tank } from '$core/logbook';
	import { formatLitres, type UnitChoice } from '$core/units';
	import { sayInstant, sayReadPast } from '$core/words';
	import DataTable from '../../kit/page/DataTable.svelte';
	import InFigures from '../../kit/page/InFigures.svelte';
	import Chart from './Chart.svelte';

	interface Props {
		tank: Tank;
		past: PastTank;
		units: UnitChoice;
		timeZone: string;
		theme: string;
	}
	/** A tank's level over time, as a chart and in figures. */
	const { tank, past, units, timeZone, theme }: Props = $props();

	const litres = (l: number): string => formatLitres(l, units);
	/** The level at the beginning of each day. */
	const rows = $derived(
		past.levels.filter((level, i) => {
			const before = past.levels[i - 1];
			return before === undefined || zonedTime(before.ms, timeZone).day !== zonedTime(level.ms, timeZone).day;
		})
	);
</script>

<Chart
	spec={{ kind: 'past', shown: { tank, past, units, timeZone } }}
	{theme}
	heightPx={240}
	label="Level of {tank.name} over the trip with its range, readings, fills and dumps"
/>
<p class="soft">
	{sayReadPast(tank.holds === 'fresh')}
</p>
<InFigures>
	<DataTable
		columns={[
			{ name: 'From' },
			{ name: 'Level', number: true },
			{ name: 'at least', number: true },
			{ name: 'at most', number: true }
		]}
	>
		{#each rows as row, i (i)}
			<tr>
				<th scope="row">{sayInstant(row.ms, timeZone)}</th>
				<td class="number">{litres(row.litres)}</td>
				<td class="number">{litres(row.low)}</td>
				<td class="number">{litres(row.high)}</td>
			</tr>
		{/each}
	</DataTable>
</InFigures>
