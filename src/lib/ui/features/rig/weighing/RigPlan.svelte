<script lang="ts">
	import type { Rig } from '$core/logbook';
	import { kgOf } from '$core/rig';

	/** A plan of the rig from above: each placed tank as a disc as heavy as it is, and where all of it balances. */
	const { rig, litres }: { rig: Rig; litres: ReadonlyMap<string, number> } = $props();

	const placed = $derived(
		rig.tanks.flatMap((tank) =>
			tank.position ? [{ tank, ...tank.position, kg: kgOf(tank, litres.get(tank.id) ?? 0) }] : []
		)
	);
	const reach = $derived(
		Math.max(
			1.2,
			...placed.map(({ xM }) => Math.abs(xM) + 0.5),
			...placed.map(({ yM }) => 1.6 * Math.abs(yM) + 0.6)
		)
	);
	const WIDTH = 520;
	const HEIGHT = 230;
	const scale = $derived(WIDTH / (2 * reach));
	// Forward is to the right, port is up.
	const x = (m: number): number => WIDTH / 2 + m * scale;
	const y = (m: number): number => HEIGHT / 2 - m * scale;
	const radius = (kg: number): number => 5 + 3.1 * Math.sqrt(Math.max(0, kg));
	const total = $derived(placed.reduce((sum, { kg }) => sum + kg, 0));
	const centre = $derived({
		xM: placed.reduce((sum, one) => sum + one.kg * one.xM, 0) / (total || 1),
		yM: placed.reduce((sum, one) => sum + one.kg * one.yM, 0) / (total || 1)
	});
</script>

<svg
	viewBox="0 0 {WIDTH} {HEIGHT}"
	role="img"
	aria-label="Plan of {rig.name} from above with the weight of each tank"
>
	<line class="axis" x1="0" x2={WIDTH} y1={y(0)} y2={y(0)} />
	<line class="axis" x1={x(0)} x2={x(0)} y1="0" y2={HEIGHT} />
	<text x={WIDTH - 4} y={y(0) - 6} text-anchor="end">front</text>
	<text x={x(0) + 6} y="14">port</text>
	{#each placed as one (one.tank.id)}
		<circle class={one.tank.holds} cx={x(one.xM)} cy={y(one.yM)} r={radius(one.kg)} />
		<text class="name" x={x(one.xM)} y={y(one.yM) + radius(one.kg) + 14} text-anchor="middle"
			>{one.tank.name}</text
		>
	{/each}
	{#if total > 0}
		<path class="centre" d="M{x(centre.xM) - 9} {y(centre.yM)} h18 M{x(centre.xM)} {y(centre.yM) - 9} v18" />
	{/if}
</svg>

<style>
	svg {
		width: 100%;
		max-width: 40rem;
		height: auto;
		background: var(--air);
		border: var(--hairline);
	}
	.axis {
		stroke: var(--line);
	}
	circle {
		fill: var(--fresh);
		fill-opacity: 0.7;
		stroke: var(--ink);
	}
	circle.grey {
		fill: var(--grey);
	}
	circle.black {
		fill: var(--black);
	}
	text {
		font-size: 12px;
		fill: var(--soft-ink);
	}
	text.name {
		fill: var(--ink);
	}
	.centre {
		stroke: var(--caution);
		stroke-width: 2.5;
	}
</style>
