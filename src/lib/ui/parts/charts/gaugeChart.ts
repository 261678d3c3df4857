import type { Gauge, Tank } from '$core/logbook';
import { usableOf, type CurveStep, type Lessons, type Pair } from '$core/rig';
import { fromBase, unitSymbol, type UnitChoice } from '$core/units';
import { axisOf, escaped, type ChartOption, type ChartTokens } from '../../kit/charts/chartTheme';

/** A cross for what was left out. */
export const CROSS = 'path://M0 0 L10 10 M10 0 L0 10';

interface Shown {
	readonly gauge: Gauge;
	readonly tank: Tank;
	readonly lessons: Lessons;
	/** steps of the learned curve that were taught at all */
	readonly taught: readonly CurveStep[];
	readonly units: UnitChoice;
}

/** What a gauge showed over the litres that were there, with the curve in use and the learned one. */
export function gaugeChart({
	gauge,
	tank,
	lessons,
	taught,
	units
}: Shown): (tokens: ChartTokens) => ChartOption {
	const lights = gauge.curve.some(({ reads }) => typeof reads === 'string');
	const names = [...gauge.curve].sort((a, b) => a.litres - b.litres).map(({ reads }) => String(reads));
	const volume = (litres: number): number => Number(fromBase(litres, units.volume).toFixed(1));
	const at = (reads: string | number): string | number => (lights ? String(reads) : reads);
	const dot = ({ litres, reads }: Pair): readonly (string | number)[] => [volume(litres), at(reads)];
	const stated = gauge.curve.map(dot);
	const full = volume(usableOf(tank));
	const step = lights ? 'start' : undefined;
	return (tokens) => ({
		grid: { left: 70, right: 24, top: 16, bottom: 46 },
		tooltip: {
			trigger: 'item',
			formatter: ({ value, seriesName }: { value: readonly (string | number)[]; seriesName: string }) =>
				`${escaped(seriesName)}: ${escaped(String(value[1]))} at ${value[0]} ${unitSymbol(units.volume)}`
		},
		xAxis: axisOf(tokens, {
			type: 'value',
			min: 0,
			max: full,
			name: unitSymbol(units.volume),
			nameLocation: 'middle',
			nameGap: 28
		}),
		yAxis: axisOf(tokens, lights ? { type: 'category', data: names } : { type: 'value', scale: true }),
		series: [
			{
				name: 'Calibration in use',
				type: 'line',
				step,
				data: lights ? [...stated, [full, stated.at(-1)?.[1]]] : stated,
				symbolSize: 7,
				itemStyle: { color: tokens.ink },
				lineStyle: { color: tokens.ink, width: 2 }
			},
			...(taught.length > 0
				? [
						{
							name: 'Learned',
							type: 'line',
							step,
							data: taught.map(dot),
							symbol: 'diamond',
							symbolSize: 9,
							itemStyle: { color: tokens.fresh },
							lineStyle: { color: tokens.fresh, width: 2, type: 'dashed' }
						}
					]
				: []),
			{
				name: 'Read',
				type: 'scatter',
				data: [...lessons.kept, ...lessons.fromTrials].map(dot),
				symbolSize: 8,
				itemStyle: { color: tokens.paper, borderColor: tokens.fresh, borderWidth: 1.5 }
			},
			{
				name: 'Left out',
				type: 'scatter',
				symbol: CROSS,
				data: lessons.leftOut.map(dot),
				symbolSize: 10,
				itemStyle: { color: 'none', borderColor: tokens.caution, borderWidth: 2 }
			}
		]
	});
}
