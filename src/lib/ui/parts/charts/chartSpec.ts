import type { ChartOption, ChartTokens } from '../../kit/charts/chartTheme';
import { flowChart } from './flowChart';
import { gaugeChart } from './gaugeChart';
import { heardChart } from './heardChart';
import { pastChart } from './pastChart';
import { reviewChart } from './reviewChart';
import { ribbonChart } from './ribbon/ribbonChart';
import { sizeChart } from './sizeChart';

/** The kinds of charts: what each shows, plain, so that it can be sent to where it is drawn. */
const CHARTS = {
	past: pastChart,
	flow: flowChart,
	gauge: gaugeChart,
	heard: heardChart,
	review: reviewChart,
	ribbon: ribbonChart,
	size: sizeChart
};

/** A chart as it is asked for: its kind, and what it shows. */
export type ChartSpec = {
	[K in keyof typeof CHARTS]: { readonly kind: K; readonly shown: Parameters<(typeof CHARTS)[K]>[0] };
}[keyof typeof CHARTS];

/** The place of a chart, px. */
export interface ChartSize {
	readonly width: number;
	readonly height: number;
}

/** What the chart's package is given for it. */
export function optionOf<S extends ChartSpec>(
	{ kind, shown }: S,
	tokens: ChartTokens,
	{ width }: ChartSize
): ChartOption {
	const chart = CHARTS[kind] as (shown: S['shown']) => (tokens: ChartTokens, widthPx: number) => ChartOption;
	return { animation: false, ...chart(shown)(tokens, width) };
}
