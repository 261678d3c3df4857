<script lang="ts">
	import type { Share } from '$core/review';
	import { formatLitres, type UnitChoice } from '$core/units';
	import DataTable from '../../kit/page/DataTable.svelte';

	interface Props {
		of: 'Habit' | 'Outlet';
		shares: readonly Share[];
		units: UnitChoice;
	}
	/** What drew how much, each with a bar as long as its share. */
	const { of, shares, units }: Props = $props();
	const most = $derived(Math.max(1e-9, ...shares.map(({ share }) => share)));
</script>

<DataTable
	columns={[
		{ name: of },
		{ name: 'Times', number: true },
		{ name: 'Litres', number: true },
		{ name: 'A day each', number: true },
		{ name: 'Share', number: true }
	]}
>
	{#each shares as { id, name, times, litres, perPersonDayL, share } (id)}
		<tr>
			<th scope="row">{name}</th>
			<td class="number">{times > 0 ? Math.round(times * 10) / 10 : '–'}</td>
			<td class="number">{formatLitres(litres, units)}</td>
			<td class="number">{perPersonDayL === undefined ? '–' : formatLitres(perPersonDayL, units)}</td>
			<td class="number share"
				><span class="bar" style:width="{(60 * share) / most}%" aria-hidden="true"></span>{Math.round(
					100 * share
				)}%</td
			>
		</tr>
	{/each}
</DataTable>

<style>
	.share {
		position: relative;
		min-width: 8rem;
	}
	.bar {
		position: absolute;
		left: 0;
		top: 30%;
		height: 40%;
		background: var(--fresh);
		opacity: 0.55;
	}
	@media (max-width: 640px) {
		.bar {
			display: none;
		}
	}
</style>
