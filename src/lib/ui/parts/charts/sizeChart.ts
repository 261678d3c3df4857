import type { Tank } from '$core/logbook';
import { fromBase, unitSymbol, type UnitChoice } from '$core/units';
import { axisOf, type ChartOption, type ChartTokens } from '../../kit/charts/chartTheme';

/** What one tank would have to hold, by days from nought. */
export interface SizeCurve {
	readonly name: string;
	readonly holds: Tank['holds'];
	/** litres, by days from 1 */
	readonly needL: readonly number[];
	/** what it holds today */
	readonly hasL: number;
}

interface Shown {
	readonly curves: readonly SizeCurve[];
	readonly units: UnitChoice;
}

const DASHES = { fresh: 'solid', grey: 'dashed', black: 'dotted' } as const;

/** Litres against days, tank by tank; a ring where today's tank stands on its curve. */
export function sizeChart({ curves, units }: Shown): (tokens: ChartTokens) => ChartOption {
	const volume = (litres: number): number => Number(fromBase(litres, units.volume).toFixed(1));
	return (tokens) => ({
		grid: { left: 62, right: 24, top: 60, bottom: 46 },
		legend: { top: 0, left: 0, textStyle: { color: tokens.ink, fontFamily: tokens.font } },
		tooltip: { trigger: 'axis' },
		xAxis: axisOf(tokens, {
			type: 'value',
			min: 0,
			max: Math.max(1, ...curves.map(({ needL }) => needL.length)),
			name: 'days',
			nameLocation: 'middle',
			nameGap: 28
		}),
		yAxis: axisOf(tokens, { type: 'value', min: 0, name: unitSymbol(units.volume), nameLocation: 'end' }),
		series: curves.map(({ name, holds, needL, hasL }) => ({
			name,
			type: 'line',
			data: needL.map((litres, day) => [day + 1, volume(litres)]),
			symbolSize: 4,
			itemStyle: { color: tokens[holds] },
			lineStyle: { color: tokens[holds], width: 2.5, type: DASHES[holds] },
			markPoint: {
				silent: true,
				symbol: 'circle',
				symbolSize: 13,
				itemStyle: { color: tokens.paper, borderColor: tokens[holds], borderWidth: 3 },
				label: { show: false },
				data: standsAt(needL, hasL).map(([days, litres]) => ({ coord: [days, volume(litres)] }))
			}
		}))
	});
}

/** Where what a tank holds stands on its curve: the days for which it is enough, between two of them; nothing beyond the curve. */
export function standsAt(
	needL: readonly number[],
	hasL: number
): readonly (readonly [days: number, litres: number])[] {
	const after = needL.findIndex((litres) => litres > hasL);
	if (after < 0) return [];
	const [below, above] = [needL[after - 1] ?? 0, needL[after] ?? 0];
	return [[after + (above > below ? Math.max(0, hasL - below) / (above - below) : 0), hasL]];
}
