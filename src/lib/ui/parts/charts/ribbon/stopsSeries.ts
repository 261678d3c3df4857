import type { DrawApi, Drawing, DrawParams, Shape } from './drawing';
import { RIBBON } from './ribbonLayout';

/** A stay as wide as this bears its name inside; less room than the second bears none, px. */
const [INSIDE_PX, NAME_PX] = [72, 40] as const;

/** A part of the lane's width, no further than its edges. */
const clipped = (from: number, to: number, { x, width }: DrawParams['coordSys']): [number, number] => [
	Math.max(from, x),
	Math.max(Math.max(from, x), Math.min(to, x + width))
];

/** Where one stays when: a box for each stay, dark where something is filled or dumped. */
export function stopsSeries({ data: { stops }, local, tokens }: Drawing): Shape {
	return {
		name: 'Stops',
		type: 'custom',
		xAxisIndex: 0,
		yAxisIndex: 0,
		silent: true,
		data: stops.map(({ fromMs, toMs }) => [local(fromMs), local(toMs)]),
		renderItem: ({ dataIndex, coordSys }: DrawParams, api: DrawApi) => {
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
