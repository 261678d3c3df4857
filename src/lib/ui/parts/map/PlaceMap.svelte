<script lang="ts">
	import { errorMessage } from '$lib/errorMessage';
	import { wrapped, type LatLon } from '$core/places';
	import { NOT_FOR_NAVIGATION } from '$core/words';
	import { onMount } from 'svelte';
	import Notice from '../../kit/page/Notice.svelte';
	import type { Chart, ChartContent } from './chart';

	interface Props {
		content: ChartContent;
		/** brought into view whenever it changes */
		fitFor: string;
		theme: string;
		/** tiles of one's own server, `https://…/{z}/{x}/{y}.png` */
		tiles?: string | undefined;
		onsign: (id: string) => void;
		onplace: (place: LatLon) => void;
		/** called once with a way to move the chart */
		onready?: (goTo: (place: LatLon) => void) => void;
	}
	/** A chart with what is put on it. Everything on it stands in a list beside it too. */
	const { content, fitFor, theme, tiles, onsign, onplace, onready }: Props = $props();

	let element = $state<HTMLElement>();
	let chart = $state.raw<Chart>();
	let trouble = $state<string>();
	let fitted: string | undefined;
	const inRange = ([lon, lat]: LatLon): LatLon => [wrapped(lon), lat];

	onMount(() => {
		let gone = false;
		void import('./chart')
			.then(({ createChart }) => {
				if (gone || !element) return;
				chart = createChart(element, {
					onsign,
					onplace: (place) => onplace(inRange(place)),
					ontrouble: (error) => (trouble = errorMessage(error)),
					smooth: !matchMedia('(prefers-reduced-motion: reduce)').matches
				});
				onready?.((place) => chart?.goTo(place));
			})
			.catch((error: unknown) => (trouble = errorMessage(error)));
		return () => {
			gone = true;
			chart?.remove();
		};
	});
	$effect(() => {
		if (!chart) return;
		chart.show(content, fitted !== fitFor);
		fitted = fitFor;
	});
	$effect(() => {
		// The coasts are painted in the colours of the theme.
		void theme;
		const turn = requestAnimationFrame(() => chart?.recolour());
		return () => cancelAnimationFrame(turn);
	});
	$effect(() => chart?.tiles(tiles));
</script>

<figure>
	<div
		class="chart"
		bind:this={element}
		role="group"
		aria-label="Map: arrow keys move it, + and − zoom"
	></div>
	{#if trouble}<Notice><p>The coasts couldn’t be drawn: {trouble}. The list still has everything.</p></Notice
		>{/if}
	<figcaption class="soft small">
		<span>{NOT_FOR_NAVIGATION}</span>
		<button class="quiet small" disabled={!chart} onclick={() => chart && onplace(inRange(chart.middle()))}
			>Pin in the middle</button
		>
	</figcaption>
</figure>

<style>
	figure {
		display: grid;
		grid-template-rows: minmax(0, 1fr) auto;
		gap: var(--gap-1);
		min-width: 0;
		height: 100%;
	}
	.chart {
		min-height: 16rem;
		border: 1px solid var(--line);
		background: var(--shoal);
		font: inherit;
		z-index: 0;
	}
	figcaption {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		align-items: center;
		gap: 0 var(--gap-3);
	}
	.chart :global(.leaflet-bar) {
		border: 1px solid var(--ink);
		border-radius: var(--corner);
		box-shadow: none;
	}
	.chart :global(.leaflet-bar a) {
		background: var(--paper);
		color: var(--ink);
		border-color: var(--line);
		min-width: 0;
		min-height: 0;
		width: 34px;
		height: 34px;
		line-height: 34px;
		justify-content: center;
	}
	.chart :global(.leaflet-bar a.leaflet-disabled) {
		color: var(--soft-ink);
	}
	.chart :global(.leaflet-control-scale-line) {
		background: var(--paper);
		color: var(--ink);
		border-color: var(--ink);
		text-shadow: none;
		font: var(--step--1) var(--text);
	}
	/* The invented base layer. */
	.chart :global(.region-land) {
		fill: var(--paper);
		fill-opacity: 1;
		stroke: var(--soft-ink);
	}
	.chart :global(.region-high) {
		fill: var(--line);
		fill-opacity: 0.35;
		stroke: var(--line);
	}
	.chart :global(.region-river) {
		fill: none;
		stroke: var(--fresh);
		stroke-opacity: 0.65;
	}
	.chart :global(.region-road) {
		fill: none;
		stroke: var(--soft-ink);
		stroke-opacity: 0.8;
		stroke-width: 1.5px;
	}
	.chart :global(.region-hill svg) {
		display: block;
		fill: none;
		stroke: var(--soft-ink);
	}
	.chart :global(.region-name) {
		background: none;
		border: 0;
		box-shadow: none;
		padding: 0 0 0 2px;
		color: var(--soft-ink);
		font: italic 0.8rem var(--text);
	}
	.chart :global(.region-name::before) {
		display: none;
	}
	.chart:global(.far .region-name),
	.chart:global(.far .region-hill) {
		display: none;
	}
	/* The way: behind, within reach of the last chance, beyond it. */
	.chart :global(.way-behind) {
		stroke: var(--soft-ink);
		stroke-width: 2px;
	}
	.chart :global(.way-reach) {
		stroke: var(--ink);
		stroke-width: 4px;
	}
	.chart :global(.way-beyond) {
		stroke: var(--caution);
		stroke-width: 3px;
		stroke-dasharray: 2 7;
	}
	/* Signs: glyphs on a plate; stops are numbered. */
	.chart :global(.sign) {
		display: grid;
		place-items: center;
		background: var(--paper);
		border: 1px solid var(--ink);
		border-radius: var(--corner);
		color: var(--ink);
	}
	.chart :global(.sign.stale) {
		border-style: dashed;
	}
	.chart :global(.sign.chosen) {
		outline: 3px solid var(--fresh);
		outline-offset: 1px;
	}
	.chart :global(.stop) {
		display: grid;
		place-items: center;
		background: var(--paper);
		border: 2px solid var(--ink);
		border-radius: 50%;
		color: var(--ink);
		font: 700 0.8rem var(--text);
	}
	.chart :global(.stop.here) {
		background: var(--ink);
		color: var(--paper);
	}
	.chart :global(.stop.past) {
		border: 1px solid var(--soft-ink);
		color: var(--soft-ink);
	}
	.chart :global(.stop.last::after) {
		content: '';
		position: absolute;
		left: 100%;
		bottom: 45%;
		width: 12px;
		height: 12px;
		background: var(--caution);
		clip-path: polygon(0 0, 100% 35%, 0 70%);
	}
	.chart :global(.pin svg) {
		display: block;
		fill: var(--caution);
		stroke: var(--paper);
	}
	.chart :global(:focus-visible) {
		outline: 3px solid var(--fresh);
	}
</style>
