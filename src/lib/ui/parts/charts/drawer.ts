import regular from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url';
import { setPlatformAPI } from 'echarts/core';
import type { ChartTokens } from '../../kit/charts/chartTheme';
import { init } from '../../kit/charts/echarts';
import { optionOf, type ChartSize, type ChartSpec } from './chartSpec';

/** The typeface of the page: words are as wide here as there. Without it they are measured in another. */
async function typeface(family: string): Promise<void> {
	const fonts = (self as unknown as { readonly fonts?: FontFaceSet }).fonts;
	if (!fonts || typeof FontFace === 'undefined') return;
	try {
		fonts.add(await new FontFace(family, `url(${regular})`, { weight: '200 800' }).load());
	} catch (error) {
		console.warn('Charts are measured in another typeface:', error);
	}
}
let ready: Promise<void> | undefined;

/** Draws a chart where no page waits for it: in a worker. @returns an SVG */
export async function draw(spec: ChartSpec, tokens: ChartTokens, size: ChartSize): Promise<string> {
	if (typeof OffscreenCanvas !== 'undefined')
		setPlatformAPI({ createCanvas: () => new OffscreenCanvas(1, 1) as unknown as HTMLCanvasElement });
	await (ready ??= typeface((tokens.font.split(',')[0] ?? '').replace(/['"]/g, '').trim()));
	const chart = init(undefined, undefined, { renderer: 'svg', ssr: true, ...size });
	try {
		chart.setOption(optionOf(spec, tokens, size));
		// The policy of the page allows no style but its own; and what is drawn live beside it counts its names from nought too.
		return chart
			.renderToSVGString({ useViewBox: true })
			.replace(/<style[^>]*>[^]*?<\/style>/, '')
			.replace(/\bzr(\d+-)/g, 'drawn$1');
	} finally {
		chart.dispose();
	}
}
