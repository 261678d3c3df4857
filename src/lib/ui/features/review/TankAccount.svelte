<script lang="ts">
	import type { Rig } from '$core/logbook';
	import type { TankReview } from '$core/review';
	import { tankById, usableOf } from '$core/rig';
	import { formatLitres, type UnitChoice } from '$core/units';
	import { ACCOUNT_ADDS, sayUnexplained } from '$core/words';
	import DataTable from '../../kit/page/DataTable.svelte';

	interface Props {
		rig: Rig;
		tanks: readonly TankReview[];
		units: UnitChoice;
	}
	/** The account of each tank: start, in, out, end. */
	const { rig, tanks, units }: Props = $props();

	/** With so much doubt, of what serves, nobody knows what was in it. */
	const UNKNOWN = 0.2;
	const shown = $derived(
		tanks.flatMap((one) => {
			const tank = tankById(rig, one.id);
			return tank && !(tank.retired && one.in === 0 && one.out === 0) ? [{ ...one, tank }] : [];
		})
	);
	const minded = $derived(
		shown.flatMap((one) => sayUnexplained(one, one.tank.name, usableOf(one.tank), units) ?? [])
	);
</script>

<DataTable
	columns={[
		{ name: 'Tank' },
		{ name: 'At the start', number: true },
		{ name: 'In', number: true },
		{ name: 'Out', number: true },
		{ name: 'At the end', number: true }
	]}
>
	{#each shown as { tank, start, startSdL, in: came, out, end } (tank.id)}
		<tr>
			<th scope="row">{tank.name}</th>
			<td class="number">{startSdL > UNKNOWN * usableOf(tank) ? 'not known' : formatLitres(start, units)}</td>
			<td class="number">{formatLitres(came, units)}</td>
			<td class="number">{formatLitres(out, units)}</td>
			<td class="number">{formatLitres(end, units)}</td>
		</tr>
	{/each}
</DataTable>
{#each minded as says (says)}<p class="mind">{says}</p>{/each}
<p class="soft">{ACCOUNT_ADDS}</p>
