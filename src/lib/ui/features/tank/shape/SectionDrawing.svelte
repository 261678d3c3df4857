<script lang="ts">
	import type { Shape } from '$core/logbook';
	import { heightMm } from '$core/rig';
	import type { Snippet } from 'svelte';

	interface Props {
		shape: Exclude<Shape, { form: 'table' }>;
		/** height of the surface over the lowest floor at the middle, mm; none is drawn when absent */
		waterMm?: number | undefined;
		/** roll of the rig, starboard down */
		rollDeg?: number;
		holds?: 'fresh' | 'grey' | 'black';
		label: string;
		/** drawn over the section, in its own millimetres */
		over?: Snippet<[{ x: (yMm: number) => number; y: (zMm: number) => number; perPx: number }]>;
	}
	const { shape, waterMm, rollDeg = 0, holds = 'fresh', label, over }: Props = $props();

	const id = $props.id();
	const round = $derived(shape.form === 'cylinder' && shape.lies === 'flat');
	const outline = $derived.by((): readonly (readonly [number, number])[] => {
		switch (shape.form) {
			case 'prism':
				return shape.outline;
			case 'box':
				return rectangle(shape.widthMm, shape.heightMm);
			case 'cylinder':
				return rectangle(shape.diameterMm, heightMm(shape));
		}
	});
	const rectangle = (w: number, h: number): readonly (readonly [number, number])[] => [
		[-w / 2, 0],
		[w / 2, 0],
		[w / 2, h],
		[-w / 2, h]
	];
	const bounds = $derived({
		left: Math.min(...outline.map(([y]) => y)),
		right: Math.max(...outline.map(([y]) => y)),
		low: Math.min(...outline.map(([, z]) => z)),
		high: Math.max(...outline.map(([, z]) => z))
	});
	const WIDTH = 300;
	const MARGIN = 26;
	const perPx = $derived(
		Math.max((bounds.right - bounds.left) / (WIDTH - 2 * MARGIN), (bounds.high - bounds.low) / 230, 1e-6)
	);
	const height = $derived((bounds.high - bounds.low) / perPx + 2 * MARGIN);
	// Looking forward: port is on the left.
	const x = (yMm: number): number => WIDTH / 2 - (yMm - (bounds.left + bounds.right) / 2) / perPx;
	const y = (zMm: number): number => height - MARGIN - (zMm - bounds.low) / perPx;
	const points = $derived(outline.map(([a, b]) => `${x(a)},${y(b)}`).join(' '));
	const slope = $derived(Math.tan((rollDeg * Math.PI) / 180));
	const middle = $derived((bounds.left + bounds.right) / 2);
	const surface = (yMm: number): number => (waterMm ?? 0) - (yMm - middle) * slope;
	const wide = $derived(bounds.right - bounds.left);
</script>

<svg viewBox="0 0 {WIDTH} {height}" class={holds} role="img" aria-label={label}>
	<defs>
		<clipPath id="{id}-in">
			{#if round}<circle cx={x(0)} cy={y(bounds.high / 2)} r={bounds.high / 2 / perPx} />{:else}<polygon
					{points}
				/>{/if}
		</clipPath>
	</defs>
	{#if waterMm !== undefined}
		<polygon
			class="water"
			clip-path="url(#{id}-in)"
			points="{x(bounds.left - wide)},{y(surface(bounds.left - wide))} {x(bounds.right + wide)},{y(
				surface(bounds.right + wide)
			)} {x(bounds.right + wide)},{height + 900} {x(bounds.left - wide)},{height + 900}"
		/>
	{/if}
	{#if round}<circle
			class="wall"
			cx={x(0)}
			cy={y(bounds.high / 2)}
			r={bounds.high / 2 / perPx}
		/>{:else}<polygon class="wall" {points} />{/if}
	<text x="4" y="14">port</text>
	<text x={WIDTH - 4} y="14" text-anchor="end">starboard</text>
	{@render over?.({ x, y, perPx })}
</svg>

<style>
	svg {
		width: 100%;
		max-width: 26rem;
		height: auto;
		touch-action: none;
	}
	.wall {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	.water {
		fill: var(--fresh);
		opacity: 0.55;
	}
	.grey .water {
		fill: var(--grey);
	}
	.black .water {
		fill: var(--black);
	}
	text {
		font-size: 12px;
		fill: var(--soft-ink);
	}
</style>
