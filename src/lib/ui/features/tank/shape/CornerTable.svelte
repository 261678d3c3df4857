<script lang="ts">
	import type { Corner } from '$core/logbook';
	import { unitSymbol, type UnitChoice } from '$core/units';
	import NumberField from '../../../kit/fields/NumberField.svelte';

	interface Props {
		corners: readonly Corner[];
		chosen: number;
		units: UnitChoice;
		onchoose: (i: number) => void;
		onmove: (i: number, yMm: number, zMm: number) => void;
		oninsert: (after: number) => void;
		onremove: (i: number) => void;
	}
	/** The corners of an outline as figures. */
	const { corners, chosen, units, onchoose, onmove, oninsert, onremove }: Props = $props();
	const FEWEST = 3;
</script>

<table>
	<thead>
		<tr
			><th scope="col">Corner</th><th scope="col">to port, {unitSymbol(units.length)}</th><th scope="col"
				>up, {unitSymbol(units.length)}</th
			><td></td></tr
		>
	</thead>
	<tbody>
		{#each corners as [yMm, zMm], i (i)}
			<tr class:chosen={chosen === i} onfocusin={() => onchoose(i)}>
				<th scope="row">{i + 1}</th>
				<td
					><NumberField
						label="Corner {i + 1}, to port"
						bare
						value={yMm}
						of="length"
						{units}
						onchange={(next) => next !== undefined && onmove(i, next, zMm)}
					/></td
				>
				<td
					><NumberField
						label="Corner {i + 1}, up"
						bare
						value={zMm}
						of="length"
						{units}
						onchange={(next) => next !== undefined && onmove(i, yMm, next)}
					/></td
				>
				<td class="acts">
					<button
						type="button"
						class="quiet"
						onclick={() => oninsert(i)}
						aria-label="Add a corner after {i + 1}">Add</button
					>
					{#if corners.length > FEWEST}<button
							type="button"
							class="quiet"
							onclick={() => onremove(i)}
							aria-label="Remove corner {i + 1}">Remove</button
						>{/if}
				</td>
			</tr>
		{/each}
	</tbody>
</table>

<style>
	th,
	td {
		padding: 0.15rem 0.4rem 0.15rem 0;
	}
	thead th {
		padding-right: 0.8rem;
		font-size: var(--step--1);
		color: var(--soft-ink);
	}
	tr.chosen th {
		text-decoration: underline;
		text-underline-offset: 3px;
	}
	.acts {
		white-space: nowrap;
	}
	.acts button {
		padding: 0.25rem;
	}
</style>
