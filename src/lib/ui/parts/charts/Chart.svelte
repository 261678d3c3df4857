<script lang="ts">
	import type { EChartsType } from 'echarts/core';
	import { chartTokens } from '../../kit/charts/chartTheme';
	import type { ChartSize, ChartSpec } from './chartSpec';
	import { drawn } from './drawn';
	import type { LiveChart } from './live';
	import { keeping } from '../../kit/keeping';
	import { untrack } from 'svelte';

	interface Props {
		spec: ChartSpec;
		label: string;
		heightPx?: number;
		/** names the theme, so that the chart is drawn anew with it */
		theme: string;
		/** what else is done with the chart once it answers to pointer and keys, and where it was pointed at for that, px */
		onlive?: (chart: EChartsType, at: { readonly x?: number; readonly y?: number }) => void;
	}
	/**
	 * A chart: drawn beside the page once it comes near to where one looks; in the page itself, to be read and zoomed, from
	 * the first pointer or key on.
	 */
	const { spec, label, heightPx = 280, theme, onlive }: Props = $props();

	/** so far below the window it is drawn already, and so long after it was shown in any case: for the printer */
	const [NEAR, CALM_MS] = ['300px', 6000] as const;
	let place = $state<HTMLDivElement>();
	let figure = $state<HTMLDivElement>();
	let width = $state(0);
	let near = $state(false);
	/** it was pointed at or focused */
	let awake = $state(false);
	/** where it was pointed at last, px */
	let at: { readonly x?: number; readonly y?: number } = {};
	let live = $state.raw<LiveChart>();
	let told = false;
	let trouble = $state(false);
	// Whatever a property is read from changes: here only what it comes to counts, so that nothing is drawn anew for the same.
	const [keptSpec, keptSize] = [keeping<ChartSpec>(), keeping<ChartSize>()];
	const shown = $derived(keptSpec(spec));
	const size = $derived(keptSize({ width, height: heightPx }));
	const themed = $derived(theme);
	const failed = (error: unknown): void => {
		console.warn('No chart:', error);
		trouble = true;
	};

	/** Lets it answer to pointer and keys. */
	export function wake(): void {
		[near, awake] = [true, true];
	}
	function wakeAt({ clientX, clientY, currentTarget }: MouseEvent): void {
		const { left, top } = (currentTarget as Element).getBoundingClientRect();
		at = { x: clientX - left, y: clientY - top };
		wake();
	}

	$effect(() => {
		if (!place) return;
		const looking = new IntersectionObserver(
			(seen) => (near ||= seen.some(({ isIntersecting }) => isIntersecting)),
			{ rootMargin: NEAR }
		);
		looking.observe(place);
		const waiting = setTimeout(() => (near = true), CALM_MS);
		return () => {
			looking.disconnect();
			clearTimeout(waiting);
		};
	});

	// A chart is drawn outside of Svelte: elsewhere while it is only looked at.
	$effect(() => {
		void themed;
		if (!figure || !near || size.width === 0 || live) return;
		const into = figure;
		let over = false;
		drawn(shown, chartTokens(), size).then((svg) => {
			if (!over) into.replaceChildren(svg);
		}, failed);
		return () => (over = true);
	});

	$effect(() => {
		if (!awake || !figure) return;
		const into = figure;
		let over = false;
		let own: LiveChart | undefined;
		import('./live').then(({ liveIn }) => {
			if (over) return;
			into.replaceChildren();
			live = own = liveIn(into);
		}, failed);
		return () => {
			over = true;
			own?.end();
		};
	});

	$effect(() => {
		void themed;
		if (!live) return;
		live.show(shown, size);
		untrack(() => live && answer(live.chart));
	});

	/** It answers from now on, and to what woke it. */
	function answer(chart: EChartsType): void {
		if (told) return;
		told = true;
		onlive?.(chart, at);
		const { x, y } = at;
		if (x !== undefined && y !== undefined) chart.dispatchAction({ type: 'showTip', x, y });
	}
</script>

{#if trouble}<p class="soft">The chart couldn’t be loaded; its figures are in the table.</p>{/if}
<!-- The figure is read by keys where it stands; a tap or a mouse only wakes it. -->
<!-- svelte-ignore a11y_no_noninteractive_element_interactions, a11y_click_events_have_key_events -->
<div
	bind:this={place}
	bind:clientWidth={width}
	class="chart"
	style:height="{heightPx}px"
	role="img"
	aria-label={label}
	onpointerenter={(event) => event.pointerType === 'mouse' && wakeAt(event)}
	onclick={wakeAt}
	ontouchstart={({ touches }) => touches.length > 1 && wake()}
>
	<div bind:this={figure} style:height="{heightPx}px"></div>
</div>

<style>
	.chart {
		/* Drawn to the width it had: until it is drawn anew, what is too wide is cut and widens no page. */
		overflow: clip;
		width: 100%;
		min-width: 0;
	}
	.chart :global(svg) {
		display: block;
	}
</style>
