import type { ChartTokens } from '../../../kit/charts/chartTheme';
import type { RibbonData } from './ribbonData';

/** What the chart's package gives a shape that is drawn by hand. */
export interface DrawApi {
	value(dimension: number): number;
	coord(point: readonly [number, number]): [number, number];
}
export interface DrawParams {
	readonly dataIndex: number;
	readonly coordSys: {
		readonly x: number;
		readonly y: number;
		readonly width: number;
		readonly height: number;
	};
}
/** A part of what the chart's package is told to draw. */
export type Shape = Readonly<Record<string, unknown>>;

/** What all series of the ribbon are drawn with. */
export interface Drawing {
	readonly data: RibbonData;
	/** an instant on the axis: the trip's own clocks, ms */
	readonly local: (ms: number) => number;
	/** litres in the chosen unit */
	readonly volume: (litres: number) => number;
	readonly tokens: ChartTokens;
}

/** Slanted lines in a colour: state is never told by colour alone. */
export const hatch = (color: string, gap: number): Shape => ({
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

/** Whether a place along time lies within the part that is looked at. */
export const isInView = (x: number, { x: left, width }: DrawParams['coordSys'], slack = 0): boolean =>
	x >= left - slack && x <= left + width;
