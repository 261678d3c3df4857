import { DAY_MS, wallMs } from '$core/time';
import { fromBase, type UnitChoice } from '$core/units';
import { axisOf, type ChartOption, type ChartTokens } from '../../../kit/charts/chartTheme';
import type { RibbonData, RibbonLane } from './lanes';

/** Where the lanes stand, px. */
export const RIBBON = { head: 74, lane: 72, gap: 14, foot: 8, right: 12 } as const;
export const ribbonHeight = (lanes: number): number =>
	RIBBON.head + lanes * (RIBBON.lane + RIBBON.gap) + RIBBON.foot;

interface Api {
	value(dimension: number): number;
	coord(point: readonly [number, number]): [number, number];
}
interface Params {
	readonly dataIndex: number;
	readonly coordSys: {
		readonly x: number;
		readonly y: number;
		readonly width: number;
		readonly height: number;
	};
}
type Shape = Readonly<Record<string, unknown>>;

/** Slanted lines in a colour: state is never told by colour alone. */
const hatch = (color: string, gap: number): Shape => ({
	svgElement: {
		tag: 'path',
		key: `hatch-${color}-${gap}`,
		attrs: {
			d: `M0 ${gap}L${gap} 0M-1 1L1 -1M${gap - 1} ${gap + 1}L${gap + 1} ${gap - 1}`,
			stroke: color,
			'stroke-width': 1.6
		}
	},
	svgWidth: gap,
	svgHeight: gap
});

/** A stay as wide as this bears its name inside; less room than the second bears none, px. */
const [INSIDE_PX, NAME_PX] = [72, 40] as const;

/** A part of the lane's width, no further than its edges. */
const clipped = (from: number, to: number, { x, width }: Params['coordSys']): [number, number] => [
	Math.max(from, x),
	Math.max(Math.max(from, x), Math.min(to, x + width))
];

interface Shown {
	readonly data: RibbonData;
	readonly timeZone: string;
	readonly units: UnitChoice;
	/** room for the names of the lanes, px */
	readonly leftPx: number;
	/** what part of the time is looked at, percent */
	readonly zoom: { readonly start: number; readonly end: number };
}

/** Stops along time, and a lane for each tank: its band from now on, the account of the past behind, services as steps. */
export function ribbonChart({
	data,
	timeZone,
	units,
	leftPx,
	zoom
}: Shown): (tokens: ChartTokens) => ChartOption {
	/** Wall-clock time of the trip as if it were UTC, so that the axis shows the trip's own days. */
	const local = (ms: number): number => wallMs(ms, timeZone);
	const volume = (litres: number): number => fromBase(litres, units.volume);
	const span = { min: local(data.fromMs), max: local(data.toMs) };
	return (tokens) => {
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
				stopsSeries(data, local, tokens),
				...data.lanes.flatMap((lane, i) => laneSeries(lane, i + 1, data, local, volume, tokens))
			]
		};
	};
}

/** Where one stays when: a box for each stay, dark where something is filled or dumped. */
function stopsSeries({ stops }: RibbonData, local: (ms: number) => number, tokens: ChartTokens): Shape {
	return {
		name: 'Stops',
		type: 'custom',
		xAxisIndex: 0,
		yAxisIndex: 0,
		silent: true,
		data: stops.map(({ fromMs, toMs }) => [local(fromMs), local(toMs)]),
		renderItem: ({ dataIndex, coordSys }: Params, api: Api) => {
			const stop = stops[dataIndex];
			const x = (ms: number): number => api.coord([local(ms), 0])[0];
			const right = coordSys.x + coordSys.width;
			if (!stop || x(stop.toMs) < coordSys.x || x(stop.fromMs) > right) return undefined;
			const [from, to] = clipped(x(stop.fromMs), x(stop.toMs), coordSys);
			const width = Math.max(3, to - from);
			const inside = width >= INSIDE_PX;
			// A short stay bears its name below; it has the room up to the next one that does.
			const after = stops
				.slice(dataIndex + 1)
				.find(({ fromMs, toMs }) => x(toMs) - x(fromMs) < INSIDE_PX && x(fromMs) > from);
			const room = inside
				? width - 8
				: (after ? Math.min(right, x(after.fromMs)) : right + RIBBON.right) - from - 4;
			const before = stops
				.slice(0, dataIndex)
				.findLast((one) => x(one.toMs) - x(one.fromMs) < INSIDE_PX && x(one.fromMs) >= coordSys.x);
			const atEnd =
				!inside && room < INSIDE_PX && !after && from - (before ? x(before.fromMs) : 0) > 2 * INSIDE_PX;
			return {
				type: 'group',
				children: [
					{
						type: 'rect',
						shape: { x: from, y: coordSys.y, width, height: 22 },
						style: { fill: stop.used ? tokens.ink : tokens.shoal, stroke: tokens.line }
					},
					...(room < NAME_PX && !atEnd
						? []
						: [
								{
									type: 'text',
									style: {
										text: stop.name,
										x: atEnd ? from + width : from + (inside ? 6 : 0),
										y: coordSys.y + (inside ? 5 : 26),
										align: atEnd ? 'right' : 'left',
										...(atEnd ? {} : { width: room, overflow: 'truncate' }),
										fill: inside && stop.used ? tokens.paper : tokens.ink,
										font: `${stop.used ? 650 : 450} 13px ${tokens.font}`
									}
								}
							])
				]
			};
		}
	};
}

/** One lane: the band hatched, the level thick; reserve or room hatched; steps and last chance in words. */
function laneSeries(
	{ tank, past, ahead, limitL, usableL, services, lastChance }: RibbonLane,
	at: number,
	{ fromMs, toMs, nowMs }: RibbonData,
	local: (ms: number) => number,
	volume: (litres: number) => number,
	tokens: ChartTokens
): readonly Shape[] {
	const color = tokens[tank.holds];
	const axes = { xAxisIndex: at, yAxisIndex: at, silent: true, symbol: 'none', animation: false };
	const falls = tank.holds === 'fresh';
	const band = (levels: RibbonLane['past'], name: string, hatched: boolean): readonly Shape[] => [
		{
			...axes,
			name: `${tank.name} ${name} at least`,
			type: 'line',
			stack: `${tank.id} ${name}`,
			lineStyle: { width: 0 },
			data: levels.map(({ ms, low }) => [local(ms), volume(low)])
		},
		{
			...axes,
			name: `${tank.name} ${name} between`,
			type: 'line',
			stack: `${tank.id} ${name}`,
			lineStyle: { width: 0 },
			data: levels.map(({ ms, low, high }) => [local(ms), volume(high - low)]),
			areaStyle: hatched ? { color: hatch(color, 5), opacity: 0.9 } : { color, opacity: 0.18 }
		},
		{
			...axes,
			name: `${tank.name} ${name}`,
			type: 'line',
			data: levels.map(({ ms, litres }) => [local(ms), volume(litres)]),
			lineStyle: { width: hatched ? 2.5 : 1.75, color }
		}
	];
	const words = (text: string, x: number, y: number, more: Shape = {}): Shape => ({
		type: 'text',
		style: { text, x, y, fill: tokens.ink, font: `600 13px ${tokens.font}`, ...more }
	});
	return [
		{
			...axes,
			name: falls ? `${tank.name} reserve` : `${tank.name} room to keep`,
			type: 'custom',
			data: [[local(fromMs), local(toMs)]],
			renderItem: ({ coordSys }: Params, api: Api) => {
				const [, edge] = api.coord([local(fromMs), volume(limitL)]);
				const y = falls ? edge : coordSys.y;
				const height = Math.max(2, falls ? coordSys.y + coordSys.height - edge : edge - coordSys.y);
				return {
					type: 'rect',
					shape: { x: coordSys.x, y, width: coordSys.width, height },
					style: { fill: hatch(tokens.caution, 7), opacity: 0.75 }
				};
			}
		},
		...band(past, 'until now', false),
		...band(ahead, 'ahead', true),
		{
			...axes,
			name: `${tank.name} now`,
			type: 'custom',
			data: nowMs > fromMs && nowMs < toMs ? [[local(nowMs), 0]] : [],
			renderItem: ({ coordSys }: Params, api: Api) => {
				const [x] = api.coord([api.value(0), 0]);
				if (x < coordSys.x || x > coordSys.x + coordSys.width) return undefined;
				return {
					type: 'line',
					shape: { x1: x, y1: coordSys.y - 7, x2: x, y2: coordSys.y + coordSys.height },
					style: { stroke: tokens.ink, lineWidth: 1.5 }
				};
			}
		},
		{
			...axes,
			name: `${tank.name} services`,
			type: 'custom',
			z: 9,
			data: services.map(({ ms, litres }) => [local(ms), volume(litres)]),
			renderItem: ({ dataIndex, coordSys }: Params, api: Api) => {
				const [x] = api.coord([api.value(0), 0]);
				if (x < coordSys.x - 1 || x > coordSys.x + coordSys.width) return undefined;
				const next = services[dataIndex + 1];
				const room = (next ? api.coord([local(next.ms), 0])[0] : coordSys.x + coordSys.width) - x;
				// Words stand where the level after the service is not.
				const y = coordSys.y + (falls ? coordSys.height * 0.62 : coordSys.height * 0.34);
				return words(services[dataIndex]?.words ?? '', x + 6, y, {
					width: Math.max(10, room - 8),
					overflow: 'truncate',
					stroke: tokens.paper,
					lineWidth: 3
				});
			}
		},
		{
			...axes,
			name: `${tank.name} last chance`,
			type: 'custom',
			z: 10,
			data: lastChance ? [[local(lastChance.ms), volume(Math.min(lastChance.litres, usableL))]] : [],
			renderItem: ({ coordSys }: Params, api: Api) => {
				const [x] = api.coord([api.value(0), 0]);
				if (!lastChance || x < coordSys.x || x > coordSys.x + coordSys.width) return undefined;
				const [width, height] = [7.2 * lastChance.words.length + 18, 19];
				const left = x - width > coordSys.x;
				const y = coordSys.y + (falls ? 8 : coordSys.height - height - 8);
				const [foot, tip] = left ? [x, x - width] : [x, x + width];
				const notch = left ? tip + 8 : tip - 8;
				return {
					type: 'group',
					children: [
						{
							type: 'polygon',
							shape: {
								points: [
									[foot, y],
									[notch, y],
									[tip, y + height / 2],
									[notch, y + height],
									[foot, y + height]
								]
							},
							style: { fill: tokens.caution }
						},
						words(lastChance.words, left ? tip + 12 : foot + 6, y + 3, { fill: tokens.onCaution })
					]
				};
			}
		}
	];
}
