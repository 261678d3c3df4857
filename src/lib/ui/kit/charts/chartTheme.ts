const token = (name: string): string =>
	getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();

/** The tokens of the theme in force, as a chart needs them. */
export interface ChartTokens {
	readonly ink: string;
	readonly soft: string;
	readonly line: string;
	readonly paper: string;
	readonly caution: string;
	readonly onCaution: string;
	readonly shoal: string;
	readonly fresh: string;
	readonly grey: string;
	readonly black: string;
	readonly font: string;
}

export const chartTokens = (): ChartTokens => ({
	ink: token('ink'),
	soft: token('soft-ink'),
	line: token('line'),
	paper: token('paper'),
	caution: token('caution'),
	onCaution: token('on-caution'),
	shoal: token('shoal'),
	fresh: token('fresh'),
	grey: token('grey'),
	black: token('black'),
	// It stands within the quotes of an attribute.
	font: token('text').replaceAll('"', "'")
});

/** What ECharts is given. */
export type ChartOption = Readonly<Record<string, unknown>>;

const ENTITIES: ReadonlyMap<string, string> = new Map([
	['&', '&amp;'],
	['<', '&lt;'],
	['>', '&gt;'],
	['"', '&quot;'],
	["'", '&#39;']
]);
/** A name as it may stand in a tooltip. */
export const escaped = (text: string): string =>
	text.replace(/[&<>"']/g, (sign) => ENTITIES.get(sign) ?? sign);

/** An axis in the tokens: hairlines, soft labels. */
export const axisOf = (tokens: ChartTokens, more: Readonly<Record<string, unknown>> = {}) => ({
	axisLine: { lineStyle: { color: tokens.ink } },
	axisLabel: { color: tokens.soft, fontFamily: tokens.font, hideOverlap: true },
	nameTextStyle: { color: tokens.soft, fontFamily: tokens.font },
	splitLine: { lineStyle: { color: tokens.line } },
	...more
});
