<script lang="ts">
	import { instantMs, zonedIso, zonedTime, type Tank } from '$core/logbook';
	import type { PastTank } from '$core/estimate';
	import { bindsAt, usableOf } from '$core/rig';
	import { formatFigure, formatLitres, fromBase, unitSymbol, type UnitChoice } from '$core/units';
	import Chart from './Chart.svelte';
	import { axisOf, escaped, type ChartTokens } from './chartTheme';
	import { clockText, dayText } from './describe';

	interface Props {
		tank: Tank;
		past: PastTank;
		units: UnitChoice;
		timeZone: string;
		theme: string;
	}
	const { tank, past, units, timeZone, theme }: Props = $props();

	const volume = (l: number): number => fromBase(l, units.volume);
	const when = (ms: number): string => {
		const iso = zonedIso(ms, timeZone);
		return `${dayText(zonedTime(ms, timeZone).day)} ${clockText(iso, timeZone)}`;
	};
	/** Wall-clock time of the trip as if it were UTC, so that the axis shows the trip's own days. */
	const local = (ms: number): number => instantMs(`${zonedIso(ms, timeZone).slice(0, 19)}Z`);

	const option = $derived((tokens: ChartTokens): Readonly<Record<string, unknown>> => {
		const colour = tokens[tank.holds];
		const at = (of: 'litres' | 'low') => past.levels.map((level) => [local(level.ms), volume(level[of])]);
		const marks = (doubted: boolean) =>
			past.readings
				.filter((reading) => reading.doubted === doubted)
				.map((reading) => [local(reading.ms), volume(reading.litres)]);
		const bind = volume(bindsAt(tank));
		const ends = [past.levels[0], past.levels.at(-1)].map((level) => [local(level?.ms ?? 0), bind]);
		return {
			grid: { left: 56, right: 20, top: 16, bottom: 34 },
			useUTC: true,
			tooltip: {
				trigger: 'item',
				formatter: ({ value, seriesName }: { value: readonly number[]; seriesName: string }) =>
					`${escaped(seriesName)}: ${formatFigure(value[1] ?? 0)} ${unitSymbol(units.volume)}`
			},
			xAxis: axisOf(tokens, { type: 'time', splitLine: { show: false }, minInterval: 86_400_000 }),
			yAxis: axisOf(tokens, { type: 'value', min: 0, max: Math.ceil(volume(usableOf(tank))) }),
			series: [
				{
					name: 'At least',
					type: 'line',
					stack: 'band',
					data: at('low'),
					showSymbol: false,
					lineStyle: { width: 0 },
					silent: true
				},
				{
					name: 'Between',
					type: 'line',
					stack: 'band',
					data: past.levels.map(({ ms, low, high }) => [local(ms), volume(high - low)]),
					showSymbol: false,
					lineStyle: { width: 0 },
					areaStyle: { color: colour, opacity: 0.25 },
					silent: true
				},
				{
					name: 'Level',
					type: 'line',
					data: at('litres'),
					showSymbol: false,
					lineStyle: { width: 2.5, color: colour },
					itemStyle: { color: colour }
				},
				{
					name: tank.holds === 'fresh' ? 'Reserve' : 'Room to keep',
					type: 'line',
					data: ends,
					showSymbol: false,
					lineStyle: { width: 1.5, type: 'dashed', color: tokens.caution },
					silent: true
				},
				{
					name: 'Read',
					type: 'scatter',
					data: marks(false),
					symbolSize: 9,
					itemStyle: { color: tokens.paper, borderColor: tokens.ink, borderWidth: 1.5 }
				},
				{
					name: 'Left out',
					type: 'scatter',
					symbol: 'path://M0 0 L10 10 M10 0 L0 10',
					data: marks(true),
					symbolSize: 10,
					itemStyle: { color: 'none', borderColor: tokens.caution, borderWidth: 2 }
				}
			]
		};
	});
	/** The level at each dawn, and the steps between: the same figures as a table. */
	const rows = $derived(
		past.levels.filter((level, i) => {
			const before = past.levels[i - 1];
			return before === undefined || zonedTime(before.ms, timeZone).day !== zonedTime(level.ms, timeZone).day;
		})
	);
</script>

<Chart
	{option}
	{theme}
	heightPx={240}
	label="Level of {tank.name} over the trip with its band, readings and steps"
/>
<p class="soft">
	Thick: the level as everything, later readings too, has it. Shaded: nine chances in ten. Rings: readings;
	crosses: readings left out. Steps: fills and dumps. Dashed: {tank.holds === 'fresh'
		? 'the reserve'
		: 'room to keep free'}.
</p>
<details>
	<summary>The same in figures</summary>
	<table>
		<thead
			><tr
				><th scope="col">From</th><th scope="col" class="number">Level</th><th scope="col" class="number"
					>at least</th
				><th scope="col" class="number">at most</th></tr
			></thead
		>
		<tbody>
			{#each rows as row, i (i)}
				<tr
					><th scope="row">{when(row.ms)}</th><td class="number">{formatLitres(row.litres, units)}</td><td
						class="number">{formatLitres(row.low, units)}</td
					><td class="number">{formatLitres(row.high, units)}</td></tr
				>
			{/each}
		</tbody>
	</table>
</details>

<style>
	details {
		width: 100%;
	}
	summary {
		min-height: 2.25rem;
		cursor: pointer;
	}
	th,
	td {
		padding: 0.2rem 0.7rem 0.2rem 0;
		border-top: var(--hairline);
	}
	thead th {
		border: 0;
		font-size: var(--step--1);
		color: var(--soft-ink);
	}
	thead .number {
		text-align: right;
	}
</style>
