import type { DrawApi, Drawing, DrawParams, Shape } from './drawing';

/** Room above the words in the first lane, px. */
const INSET = 4;

/** Days said to be unlike others, over a lane: a wash with dashed edges, behind all else; in the first lane with what is said. */
export function aheadSeries({ data: { said }, local, tokens }: Drawing, at: number): readonly Shape[] {
	if (said.length === 0) return [];
	return [
		{
			name: 'Unusual days',
			type: 'custom',
			xAxisIndex: at,
			yAxisIndex: at,
			silent: true,
			z: 0,
			data: said.map(({ fromMs, toMs }) => [local(fromMs), local(toMs)]),
			renderItem: ({ dataIndex, coordSys }: DrawParams, api: DrawApi) => {
				const one = said[dataIndex];
				if (!one) return undefined;
				const x = (ms: number): number => api.coord([local(ms), 0])[0];
				const from = Math.max(x(one.fromMs), coordSys.x);
				const to = Math.min(x(one.toMs), coordSys.x + coordSys.width);
				if (to <= from) return undefined;
				const { y, height } = coordSys;
				const words = {
					type: 'text',
					style: {
						text: one.words,
						x: from + INSET,
						y: y + INSET,
						width: to - from - 2 * INSET,
						overflow: 'truncate',
						fill: tokens.ink,
						font: `450 12px ${tokens.font}`
					}
				};
				return {
					type: 'group',
					children: [
						{
							type: 'rect',
							shape: { x: from, y, width: to - from, height },
							style: { fill: tokens.shoal, stroke: tokens.soft, lineDash: [3, 3], opacity: 0.7 }
						},
						...(at === 1 && to - from > 10 * INSET ? [words] : [])
					]
				};
			}
		}
	];
}
