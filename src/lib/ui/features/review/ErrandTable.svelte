<script lang="ts">
	import type { Errand } from '$core/review';
	import { formatMoney, formatQuantity, type UnitChoice } from '$core/units';
	import { sayInstant } from '$core/words';
	import DataTable from '../../kit/page/DataTable.svelte';
	import InFigures from '../../kit/page/InFigures.svelte';

	interface Props {
		errands: readonly Errand[];
		timeZone: string;
		units: UnitChoice;
	}
	/** Calls at taps and drains, with what each cost. */
	const { errands, timeZone, units }: Props = $props();
</script>

<InFigures>
	<DataTable
		columns={[
			{ name: 'When' },
			{ name: 'Where' },
			{ name: 'What' },
			{ name: 'Fees', number: true },
			{ name: 'Minutes', number: true },
			{ name: 'Detour', number: true }
		]}
	>
		{#each errands as call (call.ms)}
			<tr>
				<th scope="row">{sayInstant(call.ms, timeZone)}</th>
				<td>{call.name ?? ''}</td>
				<td>{call.kinds.join(', ')}</td>
				<td class="number">{call.fee ? formatMoney(call.fee) : '–'}</td>
				<td class="number">{call.minutes || '–'}</td>
				<td class="number">{call.detourKm ? formatQuantity(call.detourKm, 'distance', units) : '–'}</td>
			</tr>
		{/each}
	</DataTable>
</InFigures>
