import { DAY_MS } from '$core/time';
import type { Review } from '$core/review';
import { formatFigure, fromBase, unitSymbol, type UnitChoice } from '$core/units';
import { sayPart } from '$core/words';
import { axisOf, escaped, type ChartOption, type ChartTokens } from '../../kit/charts/chartTheme';

interface Shown {
	readonly review: Review;
	readonly units: UnitChoice;
}

/** Litres a day, written down and not, with who was aboard and the heat beside them. */
export function reviewChart({ review, units }: Shown): (tokens: ChartTokens) => ChartOption {
	const { parts, partsAre } = review;
	const volume = (litres: number): number => fromBase(litres, units.volume);
	const lengthDays = (part: Review['parts'][number]): number =>
		Math.max((part.toMs - part.fromMs) / DAY_MS, 1e-3);
	const names = parts.map(({ day }) => sayPart(day, partsAre));
	const hasHeat = parts.some(({ maxC }) => maxC !== undefined);
	const symbol = unitSymbol(units.volume);
	return (tokens) => ({
		// Room for the legend and, under it, the names of the axes.
		grid: { left: 56, right: hasHeat ? 96 : 52, top: 64, bottom: 34 },
		legend: {
			top: 0,
			left: 0,
			icon: 'rect',
			itemHeight: 10,
			itemWidth: 14,
			itemGap: 8,
			textStyle: { color: tokens.ink, fontFamily: tokens.font }
		},
		tooltip: {
			trigger: 'item',
			formatter: ({ name, seriesName, value }: { name: string; seriesName: string; value: number }) =>
				`${escaped(name)}<br>${escaped(seriesName)}: ${formatFigure(value)}`
		},
		xAxis: axisOf(tokens, { type: 'category', data: names, splitLine: { show: false } }),
		yAxis: [
			axisOf(tokens, { type: 'value', name: symbol, min: 0 }),
			axisOf(tokens, {
				type: 'value',
				name: 'aboard',
				min: 0,
				minInterval: 1,
				position: 'right',
				splitLine: { show: false }
			}),
			...(hasHeat
				? [
						axisOf(tokens, {
							type: 'value',
							name: unitSymbol(units.temperature),
							position: 'right',
							offset: 44,
							splitLine: { show: false }
						})
					]
				: [])
		],
		series: [
			{
				name: 'Logged',
				type: 'bar',
				stack: 'drawn',
				data: parts.map(({ drawnL, unloggedL }) => volume(Math.max(0, drawnL - unloggedL))),
				itemStyle: { color: tokens.fresh }
			},
			{
				name: 'Not logged',
				type: 'bar',
				stack: 'drawn',
				data: parts.map(({ unloggedL }) => volume(Math.max(0, unloggedL))),
				itemStyle: { color: tokens.shoal, borderColor: tokens.fresh, borderWidth: 1, borderType: 'dashed' }
			},
			{
				name: 'Aboard',
				type: 'line',
				step: 'middle',
				yAxisIndex: 1,
				data: parts.map((part) => part.personDays / lengthDays(part)),
				symbol: 'circle',
				symbolSize: 5,
				lineStyle: { color: tokens.ink, width: 1.5 },
				itemStyle: { color: tokens.ink }
			},
			...(hasHeat
				? [
						{
							name: 'Heat',
							type: 'line',
							yAxisIndex: 2,
							data: parts.map(({ maxC }) =>
								maxC === undefined ? undefined : fromBase(maxC, units.temperature)
							),
							symbol: 'diamond',
							symbolSize: 9,
							lineStyle: { color: tokens.soft, width: 1, type: 'dotted' },
							itemStyle: { color: tokens.soft }
						}
					]
				: [])
		]
	});
}
