import { DAY_MS, wallMs } from '$core/time';
import { fromBase, type UnitChoice } from '$core/units';
import { axisOf, type ChartOption, type ChartTokens } from '../../../kit/charts/chartTheme';
import { aheadSeries } from './aheadSeries';
import type { Drawing, Shape } from './drawing';
import type { RibbonData } from './ribbonData';
import { laneSeries } from './laneSeries';
import { leftOf, RIBBON } from './ribbonLayout';
import { stopsSeries } from './stopsSeries';

interface Shown {
	readonly data: RibbonData;
	readonly timeZone: string;
	readonly units: UnitChoice;
	/** what part of the time is looked at, percent */
	readonly zoom: { readonly start: number; readonly end: number };
}

/** Stops along time, and a lane for each tank: its band from now on, the account of the past behind, services as steps. */
export function ribbonChart({
	data,
	timeZone,
	units,
	zoom
}: Shown): (tokens: ChartTokens, widthPx: number) => ChartOption {
	/** Wall-clock time of the trip as if it were UTC, so that the axis shows the trip's own days. */
	const local = (ms: number): number => wallMs(ms, timeZone);
	const volume = (litres: number): number => fromBase(litres, units.volume);
	const span = { min: local(data.fromMs), max: local(data.toMs) };
	return (tokens, widthPx) => {
		const leftPx = leftOf(widthPx);
		const drawing: Drawing = { data, local, volume, tokens };
		const xAxis = (gridIndex: number, head: boolean): Shape => ({
			...axisOf(tokens, {
				type: 'time',
				...span,
				gridIndex,
				position: 'top',
				minInterval: DAY_MS,
				splitLine: { show: true, lineStyle: { color: tokens.line } },
				axisTick: { show: false }
			}),
			axisLine: { show: false },
			axisLabel: head
				? {
						color: tokens.soft,
						fontFamily: tokens.font,
						hideOverlap: true,
						formatter: '{ee} {d}',
						align: 'left'
					}
				: { show: false },
			axisPointer: { show: true, label: { show: false }, lineStyle: { color: tokens.ink, width: 1 } }
		});
		const head = { left: leftPx, right: RIBBON.right, top: 24, height: RIBBON.head - 34 };
		const lanes = data.lanes.map((_, i) => ({
			left: leftPx,
			right: RIBBON.right,
			top: RIBBON.head + i * (RIBBON.lane + RIBBON.gap),
			height: RIBBON.lane
		}));
		return {
			useUTC: true,
			grid: [
				head,
				...lanes.map((lane) => ({
					...lane,
					show: true,
					borderColor: tokens.line,
					backgroundColor: 'transparent'
				}))
			],
			axisPointer: { link: [{ xAxisIndex: 'all' }], triggerOn: 'mousemove|click' },
			tooltip: { trigger: 'axis', showContent: false },
			dataZoom: [
				{
					type: 'inside',
					xAxisIndex: 'all',
					filterMode: 'none',
					zoomOnMouseWheel: 'ctrl',
					moveOnMouseWheel: false,
					preventDefaultMouseMove: false,
					minValueSpan: DAY_MS,
					...zoom
				}
			],
			xAxis: [xAxis(0, true), ...lanes.map((_, i) => xAxis(i + 1, false))],
			yAxis: [
				{ gridIndex: 0, min: 0, max: 1, show: false },
				...data.lanes.map((lane, i) => ({
					gridIndex: i + 1,
					min: 0,
					max: volume(lane.usableL),
					show: false
				}))
			],
			series: [
				stopsSeries(drawing),
				...data.lanes.flatMap((lane, i) => [
					...aheadSeries(drawing, i + 1),
					...laneSeries(drawing, lane, i + 1)
				])
			]
		};
	};
}
