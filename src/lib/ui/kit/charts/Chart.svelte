<script lang="ts">
	import type { EChartsType } from 'echarts/core';
	import { chartTokens, type ChartOption, type ChartTokens } from './chartTheme';

	interface Props {
		/** what the chart shows, from the tokens in force */
		option: (tokens: ChartTokens) => ChartOption;
		label: string;
		heightPx?: number;
		/** names the theme, so that the chart is drawn anew with it */
		theme: string;
		/** what else is done with the chart once it is drawn; ends with it */
		ondrawn?: (chart: EChartsType) => void;
	}
	const { option, label, heightPx = 280, theme, ondrawn }: Props = $props();
	let host = $state<HTMLDivElement>();
	let trouble = $state(false);

	// A chart is drawn outside of Svelte: made when its place is there, redrawn when what it shows changes.
	$effect(() => {
		const place = host;
		const shown = option;
		void theme;
		if (!place) return;
		let ended = false;
		let end = (): void => undefined;
		import('./echarts').then(
			({ init }) => {
				if (ended) return;
				const chart = init(place, undefined, { renderer: 'svg' });
				chart.setOption({ animation: false, aria: { enabled: true }, ...shown(chartTokens()) });
				ondrawn?.(chart);
				// It is told of the size that it was drawn to as well.
				const watch = new ResizeObserver(() => {
					if (place.clientWidth !== chart.getWidth() || place.clientHeight !== chart.getHeight())
						chart.resize();
				});
				watch.observe(place);
				end = () => {
					watch.disconnect();
					chart.dispose();
				};
			},
			() => (trouble = true)
		);
		return () => {
			ended = true;
			end();
		};
	});
</script>

{#if trouble}<p class="soft">The chart could not be loaded; its figures stand in the table.</p>{/if}
<div bind:this={host} class="chart" style:height="{heightPx}px" role="img" aria-label={label}></div>

<style>
	.chart {
		/* Drawn to the width it had: until it is drawn anew, what is too wide is cut and widens no page. */
		overflow: clip;
		width: 100%;
		min-width: 0;
	}
</style>
