import type { Level } from '$core/listen';
import { MINUTE_MS, wallMs } from '$core/time';
import { formatFigure, fromBase, unitSymbol, type UnitChoice } from '$core/units';
import { axisOf, escaped, type ChartOption, type ChartTokens } from '../../kit/charts/chartTheme';

/** A use as it stands over the flow: what it is, or may be, and whether it is in the log. */
export interface HeardMark {
	readonly fromMs: number;
	readonly toMs: number;
	readonly litres: number;
	/** litres a minute while it ran */
	readonly lpm: number;
	readonly name: string;
	readonly isLogged: boolean;
}

interface Shown {
	readonly flows: readonly Level[];
	readonly marks: readonly HeardMark[];
	readonly fromMs: number;
	readonly toMs: number;
	readonly heightPx: number;
	readonly units: UnitChoice;
	readonly timeZone: string;
}

/** Flow over time as steps, nothing between runs; within each its highest where levels follow one another. */
export function stepsOf(flows: readonly Level[]): readonly (readonly [ms: number, lpm: number])[] {
	const points: [number, number][] = [];
	let endMs = -Infinity;
	for (const { fromMs, toMs, lpm } of [...flows].sort((a, b) => a.fromMs - b.fromMs)) {
		if (fromMs > endMs) points.push([endMs, 0], [fromMs, 0]);
		points.push([fromMs, lpm], [toMs, lpm]);
		endMs = toMs;
	}
	points.push([endMs, 0]);
	return points.filter(([ms]) => Number.isFinite(ms));
}

/** A letter's width, px, and the room between two names. */
const LETTER_PX = 7;
const APART_PX = 10;
const LINE_PX = 18;
/** How wide a point is drawn, px. */
const MARK_PX = 8;

/** A name that would stand at a point of the chart, px. */
interface Placed {
	readonly x: number;
	readonly y: number;
	readonly name: string;
	readonly litres: number;
}

/** Which names there is room for above their points, beside other names and over no other point: those of the most litres first. */
export function namesWithRoom(points: readonly Placed[]): ReadonlySet<Placed> {
	const halfPx = ({ name }: Placed): number => (LETTER_PX * name.length) / 2;
	const shown: Placed[] = [];
	for (const point of [...points].sort((a, b) => b.litres - a.litres)) {
		const besideNames = shown.every(
			(other) =>
				Math.abs(point.x - other.x) > halfPx(point) + halfPx(other) + APART_PX ||
				Math.abs(point.y - other.y) > LINE_PX
		);
		const overPoint = points.some(
			({ x, y }) =>
				y > point.y && y - point.y < LINE_PX + MARK_PX && Math.abs(point.x - x) < halfPx(point) + MARK_PX
		);
		if (besideNames && !overPoint) shown.push(point);
	}
	return new Set(shown);
}

const GRID = { left: 56, right: 24, top: 62, bottom: 34 };

/** What ran through a meter in a stretch of time, with the uses named that were heard in it. */
export function heardChart({
	flows,
	marks,
	fromMs,
	toMs,
	heightPx,
	units,
	timeZone
}: Shown): (tokens: ChartTokens, widthPx: number) => ChartOption {
	const volume = (litres: number): number => fromBase(litres, units.volume);
	const local = (ms: number): number => wallMs(ms, timeZone);
	const within = flows.filter((level) => level.toMs >= fromMs && level.fromMs <= toMs);
	const top = within.reduce((most, { lpm }) => Math.max(most, lpm), 1);
	const inView = marks.filter((mark) => mark.toMs >= fromMs && mark.fromMs <= toMs);
	const pointsOn = (widthPx: number) => {
		const points = inView.map((mark) => {
			const ms = (mark.fromMs + mark.toMs) / 2;
			const x = ((ms - fromMs) / (toMs - fromMs)) * (widthPx - GRID.left - GRID.right);
			const y = (mark.lpm / top) * (heightPx - GRID.top - GRID.bottom);
			return { ...mark, ms, x, y };
		});
		const shown = namesWithRoom(points);
		return points.map((point) => ({ ...point, isNamed: shown.has(point) }));
	};
	const symbol = `${unitSymbol(units.volume)}/min`;
	return (tokens, widthPx) => {
		const points = pointsOn(widthPx);
		const named = (isLogged: boolean) => ({
			name: isLogged ? 'Logged' : 'Not logged',
			type: 'scatter',
			data: points
				.filter((point) => point.isLogged === isLogged)
				.map(({ name, ms, lpm, isNamed }) => ({
					name,
					value: [local(ms), volume(lpm)],
					label: { show: isNamed }
				})),
			symbol: isLogged ? 'circle' : 'emptyCircle',
			symbolSize: MARK_PX,
			itemStyle: { color: isLogged ? tokens.ink : tokens.caution },
			label: {
				show: true,
				formatter: ({ name }: { name: string }) => name,
				position: 'top',
				color: isLogged ? tokens.ink : tokens.caution,
				fontFamily: tokens.font,
				fontSize: 13
			}
		});
		return {
			grid: GRID,
			useUTC: true,
			legend: {
				top: 0,
				left: 0,
				data: ['Logged', 'Not logged'],
				textStyle: { color: tokens.ink, fontFamily: tokens.font }
			},
			tooltip: {
				trigger: 'item',
				formatter: ({ name, value }: { name: string; value: readonly number[] }) =>
					`${escaped(name)}: ${formatFigure(value[1] ?? 0)} ${symbol}`
			},
			dataZoom: [{ type: 'inside', minValueSpan: 5 * MINUTE_MS }],
			xAxis: axisOf(tokens, {
				type: 'time',
				min: local(fromMs),
				max: local(toMs),
				splitLine: { show: false }
			}),
			yAxis: axisOf(tokens, { type: 'value', min: 0, name: symbol }),
			series: [
				{
					name: 'Flow',
					type: 'line',
					data: stepsOf(within).map(([ms, lpm]) => [local(ms), volume(lpm)]),
					showSymbol: false,
					silent: true,
					lineStyle: { width: 1, color: tokens.fresh },
					areaStyle: { color: tokens.fresh, opacity: 0.35 }
				},
				named(true),
				named(false)
			]
		};
	};
}
