import { DAY_MS, wallMs } from '$core/time';
import type { PastTank } from '$core/estimate';
import type { Tank } from '$core/logbook';
import { bindsAt, usableOf } from '$core/rig';
import { formatFigure, fromBase, unitSymbol, type UnitChoice } from '$core/units';
import { axisOf, escaped, type ChartOption, type ChartTokens } from '../../kit/charts/chartTheme';
import { CROSS } from './gaugeChart';

interface Shown {
	readonly tank: Tank;
	readonly past: PastTank;
	readonly units: UnitChoice;
	readonly timeZone: string;
}

/** A tank's level over time with its band, readings, and where it binds. */
export function pastChart({ tank, past, units, timeZone }: Shown): (tokens: ChartTokens) => ChartOption {
	const volume = (litres: number): number => fromBase(litres, units.volume);
	/** Wall-clock time of the trip as if it were UTC, so that the axis shows the trip's own days. */
	const local = (ms: number): number => wallMs(ms, timeZone);
	const levels = past.levels.map((level) => ({ ...level, at: local(level.ms) }));
	const marks = (doubted: boolean) =>
		past.readings
			.filter((reading) => reading.doubted === doubted)
			.map(({ ms, litres }) => [local(ms), volume(litres)]);
	const bind = volume(bindsAt(tank));
	const ends = [levels[0], levels.at(-1)].map((level) => [level?.at ?? 0, bind]);
	const hidden = { showSymbol: false, lineStyle: { width: 0 }, silent: true };
	return (tokens) => ({
		grid: { left: 56, right: 20, top: 16, bottom: 34 },
		useUTC: true,
		tooltip: {
			trigger: 'item',
			formatter: ({ value, seriesName }: { value: readonly number[]; seriesName: string }) =>
				`${escaped(seriesName)}: ${formatFigure(value[1] ?? 0)} ${unitSymbol(units.volume)}`
		},
		xAxis: axisOf(tokens, { type: 'time', splitLine: { show: false }, minInterval: DAY_MS }),
		yAxis: axisOf(tokens, { type: 'value', min: 0, max: Math.ceil(volume(usableOf(tank))) }),
		series: [
			{
				name: 'At least',
				type: 'line',
				stack: 'band',
				data: levels.map(({ at, low }) => [at, volume(low)]),
				...hidden
			},
			{
				name: 'Between',
				type: 'line',
				stack: 'band',
				data: levels.map(({ at, low, high }) => [at, volume(high - low)]),
				areaStyle: { color: tokens[tank.holds], opacity: 0.25 },
				...hidden
			},
			{
				name: 'Level',
				type: 'line',
				data: levels.map(({ at, litres }) => [at, volume(litres)]),
				showSymbol: false,
				lineStyle: { width: 2.5, color: tokens[tank.holds] },
				itemStyle: { color: tokens[tank.holds] }
			},
			{
				name: tank.holds === 'fresh' ? 'Reserve' : 'Headroom',
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
				symbol: CROSS,
				data: marks(true),
				symbolSize: 10,
				itemStyle: { color: 'none', borderColor: tokens.caution, borderWidth: 2 }
			}
		]
	});
}
