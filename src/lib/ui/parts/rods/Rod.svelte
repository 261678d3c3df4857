<script module lang="ts">
	/** over and under a rod, for what its ends bear */
	const PAD = 10;
	/** how high the picture of a rod of some height is, px */
	export const pictureHeight = (heightPx: number): number => heightPx + 2 * PAD;
</script>

<script lang="ts">
	import type { UnitChoice } from '$core/units';
	import { rodGeometry, type RodFacts } from './rodGeometry';

	interface Props {
		facts: RodFacts;
		size: 'large' | 'narrow' | 'slim' | 'tiny';
		units: UnitChoice;
		/** read to those who do not see the rod */
		label: string;
		/** this tank binds first */
		first?: boolean;
		heightPx?: number;
		/** a day's flag is tapped; then the flags are buttons, too */
		onday?: ((ms: number) => void) | undefined;
	}
	const { facts, size, units, label, first = false, heightPx, onday }: Props = $props();

	const SIZES = {
		large: { width: 54, height: 340, left: 44, right: 84 },
		narrow: { width: 30, height: 220, left: 37, right: 53 },
		slim: { width: 24, height: 118, left: 3, right: 18 },
		tiny: { width: 12, height: 34, left: 2, right: 2 }
	};
	const id = $props.id();
	const dims = $derived({ ...SIZES[size], ...(heightPx ? { height: heightPx } : {}) });
	const rod = $derived(rodGeometry(facts, dims.height, units));
	/** with notches and flags */
	const whole = $derived(size === 'large' || size === 'narrow');

	/** The flag nearest to the finger; by keyboard the last one, which is the furthest that the tank goes. */
	function pick(event: MouseEvent & { currentTarget: HTMLElement }): void {
		const at =
			event.detail === 0 ? undefined : event.clientY - event.currentTarget.getBoundingClientRect().top;
		const nearest = rod.flags.reduce((best, flag) => {
			if (at === undefined) return flag.ms > best.ms ? flag : best;
			return Math.abs(flag.y - at) < Math.abs(best.y - at) ? flag : best;
		});
		onday?.(nearest.ms);
	}
</script>

<div class="rod">
	<svg
		class={facts.holds}
		width={dims.left + dims.width + dims.right}
		height={pictureHeight(dims.height)}
		role="img"
		aria-label={label}
	>
		<defs>
			<pattern
				id="{id}-damp"
				width="6"
				height="6"
				patternUnits="userSpaceOnUse"
				patternTransform="rotate(45)"
			>
				<rect class="wet" width="2.6" height="6" />
			</pattern>
			<pattern
				id="{id}-kept"
				width="5"
				height="5"
				patternUnits="userSpaceOnUse"
				patternTransform="rotate(45)"
			>
				<rect class="caution" width="2" height="5" />
			</pattern>
		</defs>
		<g transform="translate({dims.left} {PAD})">
			<rect class="air" width={dims.width} height={dims.height} />
			<rect class="wet moving" y={rod.wet.y} width={dims.width} height={rod.wet.height} />
			<rect
				class="moving"
				y={rod.damp.y}
				width={dims.width}
				height={rod.damp.height}
				fill="url(#{id}-damp)"
			/>
			<rect y={rod.kept.y} width={dims.width} height={rod.kept.height} fill="url(#{id}-kept)" />
			{#if rod.drinking.height > 0}
				<rect class="drinking" y={rod.drinking.y} width={dims.width} height={rod.drinking.height} />
				<line class="drinking" x2={dims.width} y1={rod.drinking.y} y2={rod.drinking.y} />
			{/if}
			<rect class="frame" width={dims.width} height={dims.height} />
			{#if size !== 'tiny'}
				<line class="level" x1="-2" x2={dims.width + 2} y1={rod.levelY} y2={rod.levelY} />
			{/if}
			{#if whole}
				{#each rod.ticks as tick, i (i)}
					<line class="tick" x1={tick.label === undefined ? -6 : -9} x2="0" y1={tick.y} y2={tick.y} />
					{#if tick.label !== undefined}
						<text class="notch" x="-13" y={tick.y + 4}>{tick.label}</text>
					{/if}
				{/each}
				{#each rod.flags as flag, i (i)}
					<g
						class="flag"
						class:binds={flag.binds && first}
						class:pours={flag.pours}
						transform="translate({dims.width} {flag.y})"
					>
						<line x1="1" x2="12" />
						<path d="M12 -10h32l9 10-9 10h-32z" />
						<text x="29" y="4.500">{flag.label}</text>
					</g>
				{/each}
			{:else if size === 'slim' && first}
				<path class="pennant" d="M{dims.width + 4} {rod.levelY - 5}l11 5l-11 5z" />
			{/if}
		</g>
	</svg>
	{#if onday && whole && rod.flags.length > 0}
		<button
			class="days"
			style:top="{PAD}px"
			style:height="{dims.height}px"
			style:left="{dims.left + dims.width + 11}px"
			aria-label="Pick a day by its flag"
			title="How much a day to reach it?"
			onclick={pick}
		></button>
	{/if}
</div>

<style>
	.rod {
		position: relative;
	}
	/* One place to tap for all flags of a rod: they stand closer together than a thumb is wide. */
	.days {
		position: absolute;
		width: 48px;
		min-height: 0;
		padding: 0;
		border: 0;
		background: none;
	}
	svg {
		display: block;
		overflow: visible;
		flex: none;
	}
	.fresh {
		--wet: var(--fresh);
	}
	.grey {
		--wet: var(--grey);
	}
	.black {
		--wet: var(--black);
	}
	.wet {
		fill: var(--wet);
	}
	.air {
		fill: var(--air);
	}
	.caution,
	.pennant {
		fill: var(--caution);
	}
	/* The last water is for drinking: a band of its own, over the hatching of a reserve. */
	rect.drinking {
		fill: var(--caution);
		fill-opacity: 0.28;
	}
	line.drinking {
		stroke: var(--caution);
		stroke-width: 2;
	}
	.frame {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	.level {
		stroke: var(--ink);
		stroke-width: 2.5;
	}
	.tick {
		stroke: var(--ink);
		stroke-width: 1;
	}
	.notch {
		text-anchor: end;
		font-size: 13px;
		font-variant-numeric: tabular-nums;
		fill: var(--soft-ink);
	}
	.flag line,
	.flag path {
		stroke: var(--ink);
		stroke-width: 1.2;
		fill: var(--paper);
	}
	.flag text {
		text-anchor: middle;
		font-size: 13px;
		font-weight: 600;
		fill: var(--ink);
	}
	.flag.pours :is(line, path) {
		stroke: var(--wet);
		stroke-width: 2.2;
		stroke-dasharray: 4 2;
	}
	.flag.binds line,
	.flag.binds path {
		stroke: var(--caution);
		fill: var(--caution);
	}
	.flag.binds text {
		fill: var(--on-caution);
	}
	.moving {
		transition:
			y var(--quick) ease-out,
			height var(--quick) ease-out;
	}
</style>
