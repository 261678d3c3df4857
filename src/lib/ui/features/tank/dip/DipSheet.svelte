<script lang="ts">
	import type { UnitChoice } from '$core/units';
	import DipStrips from './DipStrips.svelte';
	import { depthText, type DipLine } from './dipView';

	/** A dip table for paper: depths with their litres in columns, and the strip to be glued to the rod. */
	const { lines, units }: { lines: readonly DipLine[]; units: UnitChoice } = $props();
</script>

<div>
	<ol>
		{#each lines as line, i (i)}<li>
				<span>{depthText(line.depthMm, units)}</span><span>{line.label}</span>
			</li>{/each}
	</ol>
	<DipStrips {lines} {units} />
</div>

<style>
	div {
		display: flex;
		flex-wrap: wrap;
		gap: 8mm;
		align-items: flex-start;
	}
	ol {
		columns: 2;
		column-gap: 8mm;
		font-variant-numeric: tabular-nums;
		font-size: var(--step--1);
		min-width: 70mm;
		flex: 1 1 70mm;
	}
	li {
		display: grid;
		grid-template-columns: 16mm 1fr;
		border-bottom: var(--hairline);
		break-inside: avoid;
	}
</style>
