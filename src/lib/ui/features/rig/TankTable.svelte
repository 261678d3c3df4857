<script lang="ts">
	import type { Rig } from '$core/logbook';
	import { formatLitres, type UnitChoice } from '$core/units';
	import { sayLinks } from '$core/words';
	import DataTable from '../../kit/page/DataTable.svelte';
	import Rod from '../../parts/rods/Rod.svelte';
	import type { TankView } from '../../parts/rods/tankView';

	interface Props {
		rig: Rig;
		views: readonly TankView[];
		units: UnitChoice;
		onchange: (tank: string) => void;
	}
	/** The tanks of a rig: what is in them, what really fits, what the plate says. */
	const { rig, views, units, onchange }: Props = $props();
	const viewOf = $derived(new Map(views.map((view) => [view.id, view])));
	const litres = (value: number): string => formatLitres(value, units);
</script>

<DataTable
	columns={[
		{ name: 'Level', quiet: true },
		{ name: 'Tank' },
		{ name: 'Now', number: true },
		{ name: 'Usable', number: true },
		{ name: 'Rated', number: true, wide: true },
		{ name: 'Reserve, headroom', number: true, wide: true },
		{ name: 'Change', quiet: true }
	]}
>
	{#each rig.tanks as tank (tank.id)}
		{@const view = viewOf.get(tank.id)}
		<tr>
			<td class="tiny"
				>{#if view}<Rod facts={view.facts} size="tiny" {units} label={view.label} />{/if}</td
			>
			<th scope="row">
				<a href="/rig/tank/{encodeURIComponent(tank.id)}">{tank.name}</a><span class="soft"
					>, {tank.holds}{sayLinks(rig, tank.id)}</span
				>
			</th>
			<td class="number">{view?.level ?? ''}</td>
			<td class="number">{tank.usableL === undefined ? 'not measured' : litres(tank.usableL)}</td>
			<td class="number wide">{litres(tank.nominalL)}</td>
			<td class="number wide">{litres(tank.reserveL)}</td>
			<td
				><button class="quiet small" onclick={() => onchange(tank.id)} aria-label="Change {tank.name}"
					>Change</button
				></td
			>
		</tr>
	{/each}
</DataTable>

<style>
	.tiny {
		width: 1.6rem;
	}
	.tiny :global(svg) {
		margin: -8px 0;
	}
</style>
