import { BarChart, CustomChart, LineChart, SankeyChart, ScatterChart } from 'echarts/charts';
import {
	AxisPointerComponent,
	DataZoomInsideComponent,
	GridComponent,
	LegendComponent,
	TooltipComponent
} from 'echarts/components';
import { init, use, type EChartsCoreOption } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

// The parts that are used, and the SVG renderer; loaded only when a chart is shown.
use([
	BarChart,
	CustomChart,
	LineChart,
	SankeyChart,
	ScatterChart,
	AxisPointerComponent,
	DataZoomInsideComponent,
	GridComponent,
	LegendComponent,
	TooltipComponent,
	SVGRenderer
]);

export { init, type EChartsCoreOption };
