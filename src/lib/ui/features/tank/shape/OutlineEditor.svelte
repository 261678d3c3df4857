<script lang="ts">
	import { crossingSides, type Corner, type Shape } from '$core/logbook';
	import type { UnitChoice } from '$core/units';
	import CornerTable from './CornerTable.svelte';
	import SectionDrawing from './SectionDrawing.svelte';

	interface Props {
		shape: Extract<Shape, { form: 'prism' }>;
		units: UnitChoice;
		holds: 'fresh' | 'grey' | 'black';
		onchange: (shape: Extract<Shape, { form: 'prism' }>) => void;
	}
	const { shape, units, holds, onchange }: Props = $props();

	const STEP_MM = 10;
	const FINE_MM = 1;
	let chosen = $state(0);
	let held = $state(false);
	const corners = $derived(shape.outline);
	const crossing = $derived(crossingSides(corners));

	const put = (outline: readonly Corner[]): void => onchange({ ...shape, outline: outline as Corner[] });
	const move = (i: number, yMm: number, zMm: number): void =>
		put(corners.map((corner, k) => (k === i ? [yMm, zMm] : corner)));
	function insert(after: number): void {
		const [[y0, z0], [y1, z1]] = [corners[after] ?? [0, 0], corners[(after + 1) % corners.length] ?? [0, 0]];
		put([...corners.slice(0, after + 1), [(y0 + y1) / 2, (z0 + z1) / 2], ...corners.slice(after + 1)]);
		chosen = after + 1;
	}
	function remove(i: number): void {
		put(corners.filter((_, k) => k !== i));
		chosen = Math.max(0, i - 1);
	}

	/** Arrows move a corner by a centimetre, with Shift by a millimetre; port is to the left. */
	function nudge(event: KeyboardEvent, i: number): void {
		const by = event.shiftKey ? FINE_MM : STEP_MM;
		const ways: Readonly<Record<string, Corner>> = {
			ArrowLeft: [by, 0],
			ArrowRight: [-by, 0],
			ArrowUp: [0, by],
			ArrowDown: [0, -by]
		};
		const way = ways[event.key];
		const corner = corners[i];
		if (!way || !corner) return;
		event.preventDefault();
		move(i, corner[0] + way[0], Math.max(0, corner[1] + way[1]));
	}

	function drag(event: PointerEvent, i: number, perPx: number): void {
		const corner = corners[i];
		if (!held || chosen !== i || !corner) return;
		const svg = (event.currentTarget as SVGElement).ownerSVGElement;
		const scale = svg ? svg.viewBox.baseVal.width / svg.getBoundingClientRect().width : 1;
		const round = (mm: number): number => Math.round(mm / FINE_MM) * FINE_MM;
		move(
			i,
			round(corner[0] - event.movementX * scale * perPx),
			Math.max(0, round(corner[1] - event.movementY * scale * perPx))
		);
	}
</script>

<div class="editor">
	<CornerTable
		{corners}
		{chosen}
		{units}
		onchoose={(i) => (chosen = i)}
		onmove={move}
		oninsert={insert}
		onremove={remove}
	/>
	<div class="drawing">
		<SectionDrawing {shape} {holds} label="Cross-section of the tank, looking forward">
			{#snippet over({ x, y, perPx })}
				{#each corners as [yMm, zMm], i (i)}
					<circle
						class="corner"
						class:chosen={chosen === i}
						cx={x(yMm)}
						cy={y(zMm)}
						r="9"
						tabindex="0"
						role="slider"
						aria-label="Corner {i + 1}; arrows move it"
						aria-valuenow={Math.round(zMm)}
						aria-valuetext="{Math.round(yMm)} mm to port, {Math.round(zMm)} mm up"
						onfocus={() => (chosen = i)}
						onkeydown={(event) => nudge(event, i)}
						onpointerdown={(event) => {
							chosen = i;
							held = true;
							event.currentTarget.setPointerCapture(event.pointerId);
						}}
						onpointermove={(event) => drag(event, i, perPx)}
						onpointerup={() => (held = false)}
						onpointercancel={() => (held = false)}
					/>
				{/each}
			{/snippet}
		</SectionDrawing>
		<p class="soft">Drag a corner, or move it with the arrow keys; with Shift by a millimetre.</p>
		{#if crossing}<p class="mind" role="alert">
				Side {crossing[0] + 1} meets side {crossing[1] + 1}: the outline can’t cross itself. Move one of their
				corners.
			</p>{/if}
	</div>
</div>

<style>
	.editor {
		display: grid;
		grid-template-columns: 21rem minmax(0, 1fr);
		gap: var(--gap-3);
		align-items: start;
	}
	.corner {
		fill: var(--paper);
		stroke: var(--ink);
		stroke-width: 1.5;
		cursor: grab;
	}
	.corner.chosen {
		fill: var(--ink);
	}
	@media (max-width: 640px) {
		.editor {
			grid-template-columns: minmax(0, 1fr);
		}
		.drawing {
			order: -1;
		}
	}
</style>
