<script lang="ts">
	import { zonedTime } from '$core/time';
	import type { PastTank } from '$core/estimate';
	import { type Tank } from '$core/logbook';
	import { formatLitres, type UnitChoice } from '$core/units';
	import { sayInstant, sayReadPast } from '$core/words';
	import DataTable from '../../kit/page/DataTable.svelte';
	import InFigures from '../../kit/page/InFigures.svelte';
	import KeptPlace from '../../kit/page/KeptPlace.svelte';
	import Chart from './Chart.svelte';

	interface Props {
		tank: Tank;
		/** none as long as the log is gone through: its place is kept */
		past: PastTank | undefined;
		units: UnitChoice;
		timeZone: string;
		theme: string;
	}
	/** A tank's level over time, as a chart and in figures. */
	const { tank, past, units, timeZone, theme }: Props = $props();

	const HEIGHT_PX = 240;
	const litres = (l: number): string => formatLitres(l, units);
	/** The level at the beginning of each day. */
	const rows = $derived(
		past?.levels.filter((level, i) => {
			const before = past.levels[i - 1];
			return before === undefined || zonedTime(before.ms, timeZone).day !== zonedTime(level.ms, timeZone).day;
		}) ?? []
	);
</script>

<KeptPlace height="{HEIGHT_PX}px">
	{#if past}
		<Chart
			spec={{ kind: 'past', shown: { tank, past, units, timeZone } }}
			{theme}
			heightPx={HEIGHT_PX}
			label="Level of {tank.name} over the trip with its range, readings, fills and dumps"
		/>
	{:else}<p class="soft">Going through the log…</p>{/if}
</KeptPlace>
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
