import { hatch, isInView, type DrawApi, type Drawing, type DrawParams, type Shape } from './drawing';
import type { RibbonLane } from './ribbonData';

/** A lane with what it is drawn with. */
interface LaneDrawing extends Drawing {
	readonly lane: RibbonLane;
	/** what every series of the lane has */
	readonly axes: Shape;
	/** fresh water falls to its reserve; waste rises to the room that is kept */
	readonly falls: boolean;
}

/** One lane: the band hatched, the level thick; reserve or room hatched; steps and last chance in words. */
export function laneSeries(drawing: Drawing, lane: RibbonLane, at: number): readonly Shape[] {
	const axes = { xAxisIndex: at, yAxisIndex: at, silent: true, symbol: 'none', animation: false };
	const drawn: LaneDrawing = { ...drawing, lane, axes, falls: lane.tank.holds === 'fresh' };
	return [
		limitSeries(drawn),
		...bandSeries(drawn, lane.past, 'until now', false),
		...bandSeries(drawn, lane.ahead, 'ahead', true),
		nowSeries(drawn),
		servicesSeries(drawn),
		lastChanceSeries(drawn)
	];
}

const words = ({ tokens }: Drawing, text: string, x: number, y: number, more: Shape = {}): Shape => ({
	type: 'text',
	style: { text, x, y, fill: tokens.ink, font: `600 13px ${tokens.font}`, ...more }
});

/** The reserve, or the room that is kept. */
function limitSeries({
	data,
	lane: { tank, limitL },
	axes,
	falls,
	local,
	volume,
	tokens
}: LaneDrawing): Shape {
	const [from, to] = [local(data.fromMs), local(data.toMs)];
	return {
		...axes,
		name: falls ? `${tank.name} reserve` : `${tank.name} headroom`,
		type: 'custom',
		data: [[from, to]],
		renderItem: ({ coordSys }: DrawParams, api: DrawApi) => {
			const [, edge] = api.coord([from, volume(limitL)]);
			const y = falls ? edge : coordSys.y;
			const height = Math.max(2, falls ? coordSys.y + coordSys.height - edge : edge - coordSys.y);
			return {
				type: 'rect',
				shape: { x: coordSys.x, y, width: coordSys.width, height },
				style: { fill: hatch(tokens.caution, 7), opacity: 0.75 }
			};
		}
	};
}

/** A level along time with its doubt: nine chances in ten lie between. */
function bandSeries(
	{ lane: { tank }, axes, local, volume, tokens }: LaneDrawing,
	levels: RibbonLane['past'],
	name: string,
	hatched: boolean
): readonly Shape[] {
	const color = tokens[tank.holds];
	const times = levels.map(({ ms }) => local(ms));
	const along = (litres: (level: RibbonLane['past'][number]) => number): readonly (readonly number[])[] =>
		levels.map((level, i) => [times[i] as number, volume(litres(level))]);
	const edge = { ...axes, type: 'line', stack: `${tank.id} ${name}`, lineStyle: { width: 0 } };
	return [
		{ ...edge, name: `${tank.name} ${name} at least`, data: along(({ low }) => low) },
		{
			...edge,
			name: `${tank.name} ${name} between`,
			data: along(({ low, high }) => high - low),
			areaStyle: hatched ? { color: hatch(color, 5), opacity: 0.9 } : { color, opacity: 0.18 }
		},
		{
			...axes,
			name: `${tank.name} ${name}`,
			type: 'line',
			data: along(({ litres }) => litres),
			lineStyle: { width: hatched ? 2.5 : 1.75, color }
		}
	];
}

function nowSeries({
	data: { fromMs, toMs, nowMs },
	lane: { tank },
	axes,
	local,
	tokens
}: LaneDrawing): Shape {
	return {
		...axes,
		name: `${tank.name} now`,
		type: 'custom',
		data: nowMs > fromMs && nowMs < toMs ? [[local(nowMs), 0]] : [],
		renderItem: ({ coordSys }: DrawParams, api: DrawApi) => {
			const [x] = api.coord([api.value(0), 0]);
			if (!isInView(x, coordSys)) return undefined;
			return {
				type: 'line',
				shape: { x1: x, y1: coordSys.y - 7, x2: x, y2: coordSys.y + coordSys.height },
				style: { stroke: tokens.ink, lineWidth: 1.5 }
			};
		}
	};
}

/** What is filled or dumped, in words beside the step. */
function servicesSeries(drawing: LaneDrawing): Shape {
	const { lane, axes, falls, local, volume, tokens } = drawing;
	const { tank, services } = lane;
	return {
		...axes,
		name: `${tank.name} fills and dumps`,
		type: 'custom',
		z: 9,
		data: services.map(({ ms, litres }) => [local(ms), volume(litres)]),
		renderItem: ({ dataIndex, coordSys }: DrawParams, api: DrawApi) => {
			const [x] = api.coord([api.value(0), 0]);
			if (!isInView(x, coordSys, 1)) return undefined;
			const next = services[dataIndex + 1];
			const room = (next ? api.coord([local(next.ms), 0])[0] : coordSys.x + coordSys.width) - x;
			// Words stand where the level after the service is not.
			const y = coordSys.y + (falls ? coordSys.height * 0.62 : coordSys.height * 0.34);
			return words(drawing, services[dataIndex]?.words ?? '', x + 6, y, {
				width: Math.max(10, room - 8),
				overflow: 'truncate',
				stroke: tokens.paper,
				lineWidth: 3
			});
		}
	};
}

/** The last chance of the tank, as a signpost with its foot at the moment. */
function lastChanceSeries(drawing: LaneDrawing): Shape {
	const { lane, axes, falls, local, volume, tokens } = drawing;
	const { tank, lastChance, usableL } = lane;
	return {
		...axes,
		name: `${tank.name} last chance`,
		type: 'custom',
		z: 10,
		data: lastChance ? [[local(lastChance.ms), volume(Math.min(lastChance.litres, usableL))]] : [],
		renderItem: ({ coordSys }: DrawParams, api: DrawApi) => {
			const [x] = api.coord([api.value(0), 0]);
			if (!lastChance || !isInView(x, coordSys)) return undefined;
			const [width, height] = [7.2 * lastChance.words.length + 18, 19];
			const left = x - width > coordSys.x;
			const y = coordSys.y + (falls ? 8 : coordSys.height - height - 8);
			const [foot, tip] = left ? [x, x - width] : [x, x + width];
			const notch = left ? tip + 8 : tip - 8;
			const points = [
				[foot, y],
				[notch, y],
				[tip, y + height / 2],
				[notch, y + height],
				[foot, y + height]
			];
			return {
				type: 'group',
				children: [
					{ type: 'polygon', shape: { points }, style: { fill: tokens.caution } },
					words(drawing, lastChance.words, left ? tip + 12 : foot + 6, y + 3, { fill: tokens.onCaution })
				]
			};
		}
	};
}
