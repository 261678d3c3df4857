<script lang="ts">
	import type { ForetoldTank, ScoredTank } from '$core/forecast';
	import { formatLitres, type UnitChoice } from '$core/units';

	interface Props {
		tank: ForetoldTank;
		came: ScoredTank | undefined;
		units: UnitChoice;
	}
	/** A forecast's band as a bar, its middle as a notch, and what came as a mark. */
	const { tank, came, units }: Props = $props();

	const range = $derived.by(() => {
		const all = [tank.p10, tank.p90, came?.cameL ?? tank.p50];
		const [least, most] = [Math.min(...all), Math.max(...all)];
		const margin = Math.max(0.15 * (most - least), 0.5);
		return { from: least - margin, to: most + margin };
	});
	const WIDTH = 180;
	const x = (litres: number): number => (WIDTH * (litres - range.from)) / (range.to - range.from);
	const says = $derived(
		`${formatLitres(tank.p10, units)} to ${formatLitres(tank.p90, units)}${came ? `, actual ${formatLitres(came.cameL, units)}` : ''}`
	);
</script>

<span class="row">
	<svg viewBox="0 0 {WIDTH} 18" aria-hidden="true">
		<rect class="band" x={x(tank.p10)} width={Math.max(2, x(tank.p90) - x(tank.p10))} y="5" height="8" />
		<line class="middle" x1={x(tank.p50)} x2={x(tank.p50)} y1="3" y2="15" />
		{#if came}
			<path class:outside={!came.inside} d="M{x(came.cameL)} 2 l5 7 l-5 7 l-5 -7 z" />
		{/if}
	</svg>
	<span>{says}</span>
</span>

<style>
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0 var(--gap-2);
		align-items: center;
	}
	svg {
		width: 180px;
		height: 18px;
	}
	.band {
		fill: var(--shoal);
		stroke: var(--fresh);
	}
	.middle {
		stroke: var(--fresh);
		stroke-width: 2;
	}
	path {
		fill: var(--ink);
	}
	path.outside {
		fill: var(--paper);
		stroke: var(--caution);
		stroke-width: 2;
	}
</style>
