<script lang="ts">
	import type { UnitChoice } from '$core/units';
	import { clearOf, depthText, stripsOf, type DipLine } from './dipView';

	/** A rod's marks at true scale on paper, cut where a page ends, with a ruler to check the print by. */
	const { lines, units }: { lines: readonly DipLine[]; units: UnitChoice } = $props();

	const HEAD_MM = 6;
	/** Labels closer than this would lie over each other, mm. */
	const APART_MM = 4;
	const depths = $derived(lines.map(({ depthMm }) => depthMm));
	const strips = $derived(stripsOf(Math.max(0, ...depths)));
	const labelled = $derived(clearOf(depths, APART_MM));
</script>

{#each strips as { from, to }, i (i)}
	<figure>
		<svg
			width="42mm"
			height="{to - from + 2 * HEAD_MM}mm"
			viewBox="0 0 42 {to - from + 2 * HEAD_MM}"
			role="img"
			aria-label="Strip at true scale from {Math.round(from)} to {Math.round(to)} mm"
		>
			<rect x="0.2" y={HEAD_MM} width="34" height={to - from} class="edge" />
			{#each lines.filter(({ depthMm }) => depthMm >= from && depthMm <= to) as line, k (k)}
				{@const y = HEAD_MM + to - line.depthMm}
				<line x1="0.2" x2={labelled.has(line.depthMm) ? 12 : 7} y1={y} y2={y} class="mark" />
				{#if labelled.has(line.depthMm)}<text x="13" y={y + 1.1}>{line.label}</text>{/if}
			{/each}
		</svg>
		<figcaption>
			{strips.length > 1
				? `${depthText(from, units)} to ${depthText(to, units)} from the floor`
				: 'Lower edge on the inside floor'}
		</figcaption>
	</figure>
{/each}
<figure>
	<svg width="100mm" height="10mm" viewBox="0 0 100 10" role="img" aria-label="Ruler of 100 millimetres">
		<line x1="0.1" x2="99.9" y1="6" y2="6" class="mark" />
		{#each [0.1, 25, 50, 75, 99.9] as x (x)}<line x1={x} x2={x} y1="3.5" y2="6" class="mark" />{/each}
	</svg>
	<figcaption>This line is 100 mm long when the print is true.</figcaption>
</figure>

<style>
	figure {
		break-inside: avoid;
	}
	.edge {
		fill: none;
		stroke: var(--ink);
		stroke-width: 0.25;
	}
	.mark {
		stroke: var(--ink);
		stroke-width: 0.3;
	}
	text {
		font-size: 3.2px;
		fill: var(--ink);
		/* the topmost label lies on the edge */
		stroke: var(--paper);
		stroke-width: 0.8;
		paint-order: stroke;
	}
	figcaption {
		font-size: var(--step--1);
		max-width: 60mm;
	}
</style>
