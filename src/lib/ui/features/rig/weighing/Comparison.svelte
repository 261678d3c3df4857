<script lang="ts">
	import type { AutonomyFromFull } from '$core/plan';
	import { formatDuration, formatFigure, formatLitres, formatQuantity, type UnitChoice } from '$core/units';
	import DataTable from '../../../kit/page/DataTable.svelte';

	interface Props {
		asIs: AutonomyFromFull;
		changed: AutonomyFromFull;
		/** the tank that is changed, what it holds now and then, litres */
		tank: { readonly name: string; readonly nowL: number; readonly thenL: number };
		nameOf: (tank: string | undefined) => string;
		units: UnitChoice;
	}
	/** A rig as it is beside the same rig changed. */
	const { asIs, changed, tank, nameOf, units }: Props = $props();

	const litres = (l: number): string => formatLitres(l, units);
	const kg = (mass: number): string => formatQuantity(mass, 'mass', units);
	const signed = (value: number, text: string): string => `${value >= 0 ? '+' : '−'} ${text}`;
	const gain = $derived(changed.autonomyDays.p50 - asIs.autonomyDays.p50);
	const rows = $derived<readonly (readonly [string, string, string, string])[]>([
		[
			'Lasts',
			formatDuration(asIs.autonomyDays.p50),
			formatDuration(changed.autonomyDays.p50),
			signed(gain, formatDuration(Math.abs(gain)))
		],
		[
			'1 in 10 that it is less than',
			formatDuration(asIs.autonomyDays.p10),
			formatDuration(changed.autonomyDays.p10),
			''
		],
		['Limited by', nameOf(asIs.binds), nameOf(changed.binds), ''],
		[
			tank.name,
			litres(tank.nowL),
			litres(tank.thenL),
			signed(tank.thenL - tank.nowL, litres(Math.abs(tank.thenL - tank.nowL)))
		],
		[
			'Weighs full',
			kg(asIs.fullKg),
			kg(changed.fullKg),
			signed(changed.fullKg - asIs.fullKg, formatFigure(Math.abs(changed.fullKg - asIs.fullKg)))
		]
	]);
</script>

<DataTable
	columns={[
		{ name: 'What', quiet: true },
		{ name: 'As it is', number: true },
		{ name: 'What if', number: true },
		{ name: 'Difference', number: true }
	]}
>
	{#each rows as [name, before, after, difference], i (i)}
		<tr>
			<th scope="row">{name}</th>
			<td class="number">{before}</td>
			<td class="number"><strong>{after}</strong></td>
			<td class="number">{difference}</td>
		</tr>
	{/each}
</DataTable>
