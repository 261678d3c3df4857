<script lang="ts">
	import { DAY_MS, HOUR_MS, wallMs, zonedTime } from '$core/time';
	import type { PastTank } from '$core/estimate';
	import type { Rig, Trip } from '$core/logbook';
	import { formatLitres, type UnitChoice } from '$core/units';
	import { onDay, READ_RIBBON, sayInstant } from '$core/words';
	import type { TripPlan } from '$lib/engine';
	import type { EChartsType } from 'echarts/core';
	import DataTable from '../../kit/page/DataTable.svelte';
	import InFigures from '../../kit/page/InFigures.svelte';
	import Chart from '../../parts/charts/Chart.svelte';
	import { levelsAt } from '../../parts/charts/ribbon/ribbonData';
	import { NARROW_PX, RIBBON, ribbonHeight } from '../../parts/charts/ribbon/ribbonLayout';
	import { ribbonOf } from './lanes';
	import WhatIs from '../../parts/glossary/WhatIs.svelte';

	interface Props {
		rig: Rig;
		trip: Trip;
		planned: TripPlan;
		past: readonly PastTank[];
		nowMs: number;
		units: UnitChoice;
		theme: string;
		/** a day ahead is to be told of: it is unlike others */
		onday?: ((day: string) => void) | undefined;
	}
	/** Stops along time and a lane for each tank; a crosshair reads all lanes, by pointer and by keys. */
	const { rig, trip, planned, past, nowMs, units, theme, onday }: Props = $props();

	const STEP_MS = 3 * HOUR_MS;
	/** percent of the whole that a page moves */
	const PAGE = 20;

	let width = $state(800);
	let figure = $state<Chart>();
	let chart: EChartsType | undefined;
	/** the moment that is read, ms of the axis and of the clock */
	let readMs = $state<number | undefined>();
	/** what lies ahead, and some of what was, to begin with */
	const outset = (): { readonly start: number; readonly end: number } => {
		const aheadMs = planned.toMs - planned.fromMs;
		const shownMs = aheadMs + Math.max(DAY_MS, aheadMs / 3);
		return { start: Math.max(0, 100 - (100 * shownMs) / Math.max(1, data.toMs - data.fromMs)), end: 100 };
	};
	let chosenZoom = $state.raw<{ readonly start: number; readonly end: number }>();
	const zoom = $derived(chosenZoom ?? outset());

	const timeZone = $derived(trip.timeZone);
	const data = $derived(ribbonOf(rig, trip, planned, past, nowMs, units));
	const reading = $derived(readMs === undefined ? [] : levelsAt(data, readMs));
	/** the day that is read, where it is not over */
	const readDay = $derived.by(() => {
		if (readMs === undefined) return undefined;
		const { day } = zonedTime(readMs, timeZone);
		return day < zonedTime(nowMs, timeZone).day ? undefined : day;
	});
	const litres = (l: number): string => formatLitres(l, units);
	/** what the clock shows there, as if it were UTC: the axis of the chart */
	const wallOf = (ms: number): number => wallMs(ms, timeZone);
	/** and back: by the offset there, found twice where the clocks change in between */
	const instantOf = (wallMs: number): number => {
		const once = wallMs - (wallOf(wallMs) - wallMs);
		return wallMs - (wallOf(once) - once);
	};
	/** the rows of the table: each morning's level, and every service */
	const rows = $derived.by(() => {
		const days = Math.ceil((planned.toMs - planned.fromMs) / (24 * HOUR_MS));
		const every = Math.max(1, Math.ceil(days / 40));
		const moments = Array.from(
			{ length: Math.ceil(days / every) },
			(_, i) => planned.fromMs + i * every * 24 * HOUR_MS
		);
		return [...moments, planned.toMs].map((ms) => ({ ms, levels: levelsAt(data, ms) }));
	});

	function follow(drawn: EChartsType, { x }: { readonly x?: number }): void {
		chart = drawn;
		if (readMs !== undefined) point(drawn, readMs);
		else if (x !== undefined)
			readAt(instantOf(drawn.convertFromPixel({ xAxisIndex: 1 }, x) as unknown as number));
		drawn.on('updateAxisPointer', (event) => {
			const { axesInfo } = event as { axesInfo?: readonly { readonly value: number }[] };
			const wallMs = axesInfo?.[0]?.value;
			if (typeof wallMs === 'number') readMs = instantOf(wallMs);
		});
		drawn.on('datazoom', () => {
			const [kept] = (drawn.getOption() as { dataZoom?: { start: number; end: number }[] }).dataZoom ?? [];
			if (kept) zoomed = { start: kept.start, end: kept.end };
		});
	}
	/** what the chart itself has come to by wheel and pinch */
	let zoomed: { readonly start: number; readonly end: number } | undefined;
	const seen = (): { readonly start: number; readonly end: number } => zoomed ?? zoom;

	function look(start: number, end: number): void {
		const length = Math.min(100, Math.max(2, end - start));
		const from = Math.min(Math.max(0, start), 100 - length);
		zoomed = undefined;
		chosenZoom = { start: from, end: from + length };
	}
	const zoomBy = (factor: number): void => {
		const { start, end } = seen();
		const middle = (start + end) / 2;
		const half = ((end - start) / 2) * factor;
		look(middle - half, middle + half);
	};
	function readAt(ms: number): void {
		readMs = Math.min(Math.max(ms, data.fromMs), data.toMs);
		if (chart) point(chart, readMs);
	}
	function point(chart: EChartsType, ms: number): void {
		const x = chart.convertToPixel({ xAxisIndex: 1 }, wallOf(ms)) as unknown as number;
		chart.dispatchAction({ type: 'updateAxisPointer', currTrigger: 'mousemove', x, y: RIBBON.head + 10 });
	}
	const KEYS: Readonly<Record<string, () => void>> = {
		ArrowLeft: () => readAt((readMs ?? nowMs) - STEP_MS),
		ArrowRight: () => readAt((readMs ?? nowMs) + STEP_MS),
		Home: () => readAt(data.fromMs),
		End: () => readAt(data.toMs),
		'+': () => zoomBy(0.5),
		'-': () => zoomBy(2),
		'0': () => look(0, 100),
		PageUp: () => look(seen().start - PAGE, seen().end - PAGE),
		PageDown: () => look(seen().start + PAGE, seen().end + PAGE)
	};
	function onkeydown(event: KeyboardEvent): void {
		const act = event.ctrlKey || event.metaKey || event.altKey ? undefined : KEYS[event.key];
		if (!act) return;
		event.preventDefault();
		event.stopPropagation();
		act();
	}
</script>

<div class="ribbon">
	<!-- The figure is read by keys as by a pointer. -->
	<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
	<div
		class="figure"
		bind:clientWidth={width}
		tabindex="0"
		role="group"
		aria-label="The trip along time. Left and right arrows read the tanks, plus and minus zoom, 0 shows all."
		{onkeydown}
		onfocus={() => figure?.wake()}
	>
		<Chart
			bind:this={figure}
			spec={{ kind: 'ribbon', shown: { data, timeZone, units, zoom } }}
			{theme}
			heightPx={ribbonHeight(data.lanes.length)}
			label="What is in each tank along the trip, with fills, dumps and last chances"
			onlive={follow}
		/>
		{#each data.lanes as lane, i (lane.tank.id)}
			<p
				class="lane"
				style:top="{RIBBON.head + i * (RIBBON.lane + RIBBON.gap)}px"
				class:over={width < NARROW_PX}
			>
				<strong>{lane.tank.name}</strong>
				<span class="soft">{litres(lane.usableL)}</span>
			</p>
		{/each}
	</div>
	<div class="below">
		<p class="reading" aria-live="polite">
			{#if readMs !== undefined}
				<strong>{sayInstant(readMs, timeZone)}:</strong>
				{#each reading as { tank, level }, i (tank.id)}{i > 0 ? ', ' : ''}{tank.name}
					<span class="figure-in">{litres(level.litres)}</span>
					<span class="soft">({litres(level.low)} to {litres(level.high)})</span>{/each}
				{#if onday && readDay !== undefined}<button class="quiet small" onclick={() => onday(readDay)}
						>Anything unusual {onDay(Math.max(readMs, nowMs), nowMs, timeZone)}?</button
					>{/if}
			{:else}<span class="soft">{READ_RIBBON}</span>{/if}
		</p>
		<p class="zoom">
			<button class="quiet" onclick={() => zoomBy(0.5)} aria-label="Show less time">+</button>
			<button class="quiet" onclick={() => zoomBy(2)} aria-label="Show more time">−</button>
			<button class="quiet" onclick={() => look(0, 100)}>All</button>
		</p>
	</div>
	<InFigures>
		<DataTable
			columns={[{ name: 'When' }, ...data.lanes.map(({ tank }) => ({ name: tank.name, number: true }))]}
		>
			{#each rows as row (row.ms)}
				<tr>
					<th scope="row">{sayInstant(row.ms, timeZone)}</th>
					{#each data.lanes as { tank } (tank.id)}
						{@const level = row.levels.find((one) => one.tank.id === tank.id)?.level}
						<td class="number">
							{#if level}{litres(level.litres)}
								<span class="soft small">{litres(level.low)} to {litres(level.high)}</span>{/if}
						</td>
					{/each}
				</tr>
			{/each}
		</DataTable>
	</InFigures>
	<WhatIs words={['range', 'reserve', 'headroom']} />
</div>

<style>
	.ribbon {
		display: grid;
		gap: var(--gap-2);
		width: 100%;
		min-width: 0;
	}
	.figure {
		position: relative;
		min-width: 0;
	}
	.lane {
		position: absolute;
		left: 0;
		width: 6.2rem;
		display: grid;
		line-height: 1.2;
		padding-top: 0.3rem;
		pointer-events: none;
		overflow-wrap: anywhere;
	}
	.lane.over {
		width: auto;
		display: block;
		left: 14px;
		text-shadow: 0 0 3px var(--paper);
	}
	.lane.over span {
		display: none;
	}
	.lane span {
		font-size: var(--step--1);
	}
	.below {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-2);
		justify-content: space-between;
		align-items: baseline;
	}
	.reading {
		flex: 1 1 20rem;
		font-size: var(--step--1);
		font-variant-numeric: tabular-nums;
		min-height: 2.6em;
	}
	.figure-in {
		font-weight: 650;
	}
	.zoom {
		display: flex;
		gap: var(--gap-1);
	}
</style>
