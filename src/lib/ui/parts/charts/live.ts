import type { EChartsType } from 'echarts/core';
import { chartTokens } from '../../kit/charts/chartTheme';
import { init } from '../../kit/charts/echarts';
import { optionOf, type ChartSize, type ChartSpec } from './chartSpec';

/** A chart that answers to pointer and keys; it is shown anew in the same place, and ended. */
export interface LiveChart {
	readonly chart: EChartsType;
	show(spec: ChartSpec, size: ChartSize): void;
	end(): void;
}

/** Draws a chart in the page itself. */
export function liveIn(place: HTMLElement): LiveChart {
	const chart = init(place, undefined, { renderer: 'svg' });
	return {
		chart,
		show: (spec, size) => {
			chart.resize(size);
			chart.setOption({ aria: { enabled: true }, ...optionOf(spec, chartTokens(), size) }, true);
		},
		end: () => chart.dispose()
	};
}
