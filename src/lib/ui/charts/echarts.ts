import { LineChart, SankeyChart, ScatterChart } from 'echarts/charts';
import { GridComponent, TooltipComponent } from 'echarts/components';
import { init, use, type EChartsCoreOption } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

// The parts that are used, and the SVG renderer; loaded only when a chart is shown.
use([LineChart, SankeyChart, ScatterChart, GridComponent, TooltipComponent, SVGRenderer]);

export { init, type EChartsCoreOption };
