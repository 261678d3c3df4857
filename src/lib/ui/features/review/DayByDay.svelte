<script lang="ts">
	import type { Review } from '$core/review';
	import { formatLitres, formatQuantity, type UnitChoice } from '$core/units';
	import { sayPart } from '$core/words';
	import Chart from '../../parts/charts/Chart.svelte';
	import DataTable from '../../kit/page/DataTable.svelte';
	import InFigures from '../../kit/page/InFigures.svelte';

	interface Props {
		review: Review;
		units: UnitChoice;
		theme: string;
	}
	/** What was drawn in each part of a stretch, as a chart and in figures. */
	const { review, units, theme }: Props = $props();
</script>

<Chart
	spec={{ kind: 'review', shown: { review, units } }}
	{theme}
	heightPx={256}
	label="Water drawn in each part of the period, with people aboard and heat"
/>
<InFigures>
	<DataTable
		columns={[
			{ name: 'From' },
			{ name: 'Drawn', number: true },
			{ name: 'not logged', number: true },
			{ name: 'person-days', number: true },
			{ name: 'Heat', number: true }
		]}
	>
		{#each review.parts as part (part.fromMs)}
			<tr>
				<th scope="row">{sayPart(part.day, review.partsAre)}</th>
				<td class="number">{formatLitres(part.drawnL, units)}</td>
				<td class="number">{formatLitres(Math.max(0, part.unloggedL), units)}</td>
				<td class="number">{Math.round(part.personDays * 10) / 10}</td>
				<td class="number"
					>{part.maxC === undefined ? '–' : formatQuantity(part.maxC, 'temperature', units)}</td
				>
			</tr>
		{/each}
	</DataTable>
</InFigures>
