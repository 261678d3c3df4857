import { HOUR_MS } from '$core/time';
import { describe, expect, it } from 'vitest';
import { METRIC } from '$core/units';
import { exactRig } from '../../../../../tests/helpers/logbooks';
import type { ChartTokens } from '../../kit/charts/chartTheme';
import type { DayFlow } from '$core/habits';
import { flowChart, nodesAndLinks } from './flowChart';
import { heardChart, namesWithRoom, stepsOf } from './heardChart';
import { gaugeChart } from './gaugeChart';
import { pastChart } from './pastChart';
import { sizeChart, standsAt } from './sizeChart';

const tokens = new Proxy({}, { get: (_, name) => String(name) }) as ChartTokens;
const grey = exactRig.tanks[1]!;
interface Series {
	readonly name: string;
	readonly data: readonly (readonly (string | number)[])[];
}
const seriesOf = (option: unknown): ReadonlyMap<string, Series> =>
	new Map((option as { series: readonly Series[] }).series.map((one) => [one.name, one]));

describe('litres against days', () => {
	it('a ring stands where what a tank holds is just enough', () => {
		expect(standsAt([34, 58, 82, 106], 100)).toEqual([[3.75, 100]]);
		expect(standsAt([34, 58], 20)).toEqual([[20 / 34, 20]]);
		expect(standsAt([34, 58], 90)).toEqual([]);
	});
	it('is drawn in the person’s own units, tank by tank', () => {
		const curves = [{ name: 'Main', holds: 'fresh', needL: [34, 58], hasL: 40 } as const];
		const chart = sizeChart({ curves, units: { ...METRIC, volume: 'usGal' } })(tokens);
		expect(seriesOf(chart).get('Main')?.data).toEqual([
			[1, 9],
			[2, 15.3]
		]);
	});
});

describe('a day through a meter', () => {
	it('steps up and down again with each run, and is nothing between', () => {
		const flows = [
			{ fromMs: 10, toMs: 20, litres: 1, lpm: 6 },
			{ fromMs: 20, toMs: 25, litres: 1, lpm: 10 },
			{ fromMs: 40, toMs: 50, litres: 1, lpm: 4 }
		];
		expect(stepsOf(flows)).toEqual([
			[10, 0],
			[10, 6],
			[20, 6],
			[20, 10],
			[25, 10],
			[25, 0],
			[40, 0],
			[40, 4],
			[50, 4],
			[50, 0]
		]);
		expect(stepsOf([])).toEqual([]);
	});
	it('names what there is room for, the most litres first, and draws in the person’s own units', () => {
		const place = (x: number, litres: number, y = 50) => ({ x, y, name: 'Shower', litres });
		const [small, large, apart] = [place(100, 1), place(110, 8), place(300, 0.5)];
		expect([...namesWithRoom([small, large, apart])]).toEqual([large, apart]);
		const above = place(115, 0.3, 65);
		expect([...namesWithRoom([large, above])], 'no name over a point').toEqual([above]);
		const marks = [{ fromMs: 0, toMs: HOUR_MS, litres: 8, lpm: 3.785411784, name: 'Shower', isLogged: true }];
		const flows = [{ fromMs: 0, toMs: HOUR_MS, litres: 8, lpm: 3.785411784 }];
		const day = { flows, marks, heightPx: 300, fromMs: 0, toMs: 24 * HOUR_MS, timeZone: 'Etc/UTC' };
		const chart = heardChart({ ...day, units: { ...METRIC, volume: 'usGal' } })(tokens, 800);
		expect(seriesOf(chart).get('Flow')?.data[1]).toEqual([0, 1]);
		expect(seriesOf(chart).get('Logged')?.data).toMatchObject([{ name: 'Shower', value: [HOUR_MS / 2, 1] }]);
		expect(seriesOf(chart).get('Not logged')?.data).toEqual([]);
	});
});

describe('a tank over time', () => {
	const at = (day: number): number => Date.UTC(2027, 4, day, 12);
	const past = {
		levels: [
			{ ms: at(1), low: 10, litres: 12, high: 15 },
			{ ms: at(2), low: 30, litres: 33, high: 38 }
		],
		readings: [
			{ ms: at(1), litres: 25, doubted: false },
			{ ms: at(2), litres: 75, doubted: true }
		]
	} as unknown as Parameters<typeof pastChart>[0]['past'];
	const drawn = (timeZone: string, units: typeof METRIC = METRIC) =>
		seriesOf(pastChart({ tank: grey, past, units, timeZone })(tokens));

	it('a band of two stacked lines: its foot, and what lies between', () => {
		const series = drawn('Etc/UTC');
		expect(series.get('At least')?.data).toEqual([
			[at(1), 10],
			[at(2), 30]
		]);
		expect(series.get('Between')?.data.map(([, litres]) => litres)).toEqual([5, 8]);
	});
	it('readings that count apart from those left out, and the line where it binds', () => {
		const series = drawn('Etc/UTC');
		expect(series.get('Read')?.data).toEqual([[at(1), 25]]);
		expect(series.get('Left out')?.data).toEqual([[at(2), 75]]);
		expect(series.get('Headroom')?.data.map(([, litres]) => litres)).toEqual([75, 75]);
	});
	it('days of the trip’s own zone, litres in the person’s unit', () => {
		const series = drawn('Asia/Tokyo', { ...METRIC, volume: 'usGal' });
		expect(series.get('Level')?.data[0]?.[0]).toBe(at(1) + 9 * HOUR_MS);
		expect(series.get('Level')?.data[0]?.[1]).toBeCloseTo(12 / 3.785411784, 9);
	});
	it('a tank without a past is drawn empty', () => {
		const nothing = { ...past, levels: [], readings: [] };
		const series = seriesOf(
			pastChart({ tank: grey, past: nothing, units: METRIC, timeZone: 'Etc/UTC' })(tokens)
		);
		expect(series.get('Level')?.data).toEqual([]);
	});
});

describe('a gauge and its lessons', () => {
	const lights = exactRig.instruments[1] as Parameters<typeof gaugeChart>[0]['gauge'];
	const lessons = {
		pairs: [{ litres: 40, reads: '1/3' }],
		kept: [{ litres: 40, reads: '1/3' }],
		fromTrials: [],
		leftOut: [{ litres: 20, reads: 'full' }]
	} as unknown as Parameters<typeof gaugeChart>[0]['lessons'];

	it('draws the curve in use to the brim, the last light being open ended', () => {
		const option = gaugeChart({ gauge: lights, tank: grey, lessons, taught: [], units: METRIC })(tokens);
		const curve = seriesOf(option).get('Calibration in use')?.data;
		expect(curve?.[0]).toEqual([0, 'empty']);
		expect(curve?.at(-1)).toEqual([80, 'full']);
		expect(seriesOf(option).get('Read')?.data).toEqual([[40, '1/3']]);
		expect(seriesOf(option).get('Left out')?.data).toEqual([[20, 'full']]);
		expect(seriesOf(option).has('Learned')).toBe(false);
		expect((option as { yAxis: { data: readonly string[] } }).yAxis.data).toEqual([
			'empty',
			'1/3',
			'2/3',
			'full'
		]);
	});
});

describe('where the litres of a day go', () => {
	const flows: readonly DayFlow[] = [
		{
			from: { kind: 'tank', id: 'main' },
			outlet: 'tap',
			habit: 'shower',
			to: { kind: 'tank', id: 'grey' },
			litres: 8
		},
		{
			from: { kind: 'tank', id: 'main' },
			outlet: 'tap',
			habit: 'dishes',
			to: { kind: 'tank', id: 'grey' },
			litres: 12
		},
		{
			from: { kind: 'beside' },
			outlet: 'toilet',
			habit: 'flush',
			to: { kind: 'tank', id: 'black' },
			litres: 2
		}
	];
	it('links tank to outlet to habit to waste, what goes the same way together', () => {
		const { links } = nodesAndLinks({ rig: exactRig, flows }, false);
		const of = (source: string) =>
			links.filter((link) => link.source.startsWith(source)).map(({ litres }) => litres);
		expect(of('from|tank|main')).toEqual([20]);
		expect(of('outlet|tap')).toEqual([8, 12]);
		expect(of('habit|')).toEqual([8, 12, 2]);
		// what a body adds comes through no outlet
		expect(links).toContainEqual({ source: 'from|beside|', target: 'habit|flush', litres: 2 });
	});
	it('on a phone goes from tank to habit, without the outlets', () => {
		const { nodes, links } = nodesAndLinks({ rig: exactRig, flows }, true);
		expect(nodes.some(({ name }) => name.startsWith('outlet'))).toBe(false);
		expect(links).toContainEqual({ source: 'from|tank|main', target: 'habit|dishes', litres: 12 });
	});
	it('escapes names in what is shown over it', () => {
		const rig = { ...exactRig, habits: exactRig.habits.map((habit) => ({ ...habit, name: '<b>' })) };
		const { tooltip } = flowChart({ rig, flows, units: METRIC })(tokens, 800) as {
			tooltip: { formatter: (of: object) => string };
		};
		expect(tooltip.formatter({ dataType: 'node', name: 'habit|shower', value: 8, data: {} })).toBe(
			'&lt;b&gt;: 8 L a day'
		);
	});
});
