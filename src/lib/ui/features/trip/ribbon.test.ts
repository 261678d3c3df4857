import { HOUR_MS } from '$core/time';
import { describe, expect, it } from 'vitest';
import { exactRig, exactTrip, freshStart, logbookOf } from '../../../../../tests/helpers/logbooks';
import type { Trip } from '$core/logbook';
import { METRIC } from '$core/units';
import { Engine } from '$lib/engine/engine';
import type { ChartTokens } from '../../kit/charts/chartTheme';
import { levelsAt } from '../../parts/charts/ribbon/ribbonData';
import { ribbonChart } from '../../parts/charts/ribbon/ribbonChart';
import { ribbonHeight } from '../../parts/charts/ribbon/ribbonLayout';
import { ribbonOf } from './lanes';

const at = (day: number, hour = 6): string => `2027-05-0${day}T0${hour}:00:00Z`;
const trip: Trip = {
	...exactTrip,
	timeZone: 'Asia/Tokyo',
	stops: [
		{ id: 'hill', name: 'Hill', arrive: at(1), depart: at(3), legKm: 0, services: [] },
		{
			id: 'ford',
			name: 'Ford',
			arrive: at(3, 8),
			depart: at(3, 9),
			legKm: 9,
			services: [{ kind: 'water' }, { kind: 'grey' }, { kind: 'black' }]
		},
		{ id: 'moor', name: 'Moor', arrive: at(4), depart: at(6), legKm: 3, services: [] }
	]
};
const nowMs = Date.parse(at(2));
const level = (ms: number, litres: number) => ({ ms, litres, low: litres - 2, high: litres + 2 });
const past = [{ id: 'main', levels: [level(Date.parse(at(1)), 100), level(nowMs, 80)], readings: [] }];
const engine = new Engine();
engine.load(logbookOf(freshStart(), exactRig, [trip]));
const standpoint = { rig: 'rig', trip: trip.id, atMs: nowMs, timeZone: trip.timeZone };
const planned = await engine.ask('trip/planOfTrip', standpoint, trip.id);
if (!planned) throw new Error('the trip has no plan');
const data = ribbonOf(
	exactRig,
	trip,
	planned,
	past as unknown as Parameters<typeof ribbonOf>[3],
	nowMs,
	METRIC
);

describe('the ribbon', () => {
	it('has a lane for each tank, with what is taken and the last chance where they are', () => {
		expect(data.lanes.map(({ tank }) => tank.id)).toEqual(['main', 'grey', 'black']);
		const black = data.lanes[2];
		expect(black?.services.map(({ words }) => words)).toEqual(['empty']);
		expect(black?.lastChance).toMatchObject({ ms: Date.parse(at(3, 8)), words: 'last dump point' });
		expect(data.stops.map(({ name, used }) => [name, used])).toEqual([
			['Hill', false],
			['Ford', true],
			['Moor', false]
		]);
		expect([data.fromMs, data.toMs]).toEqual([Date.parse(at(1)), Date.parse(at(6))]);
	});
	it('counts what stands behind a tank in its past: at each moment by the last that was known of it, before that by the first', () => {
		const [main] = exactRig.tanks;
		if (!main) throw new Error('no tank');
		const rig = {
			...exactRig,
			tanks: [...exactRig.tanks, { ...main, id: 'jug', name: 'Jug', feeds: 'main' }]
		};
		const hour = (n: number): number => Date.parse(at(1)) + n * HOUR_MS;
		const account = [
			{ id: 'main', levels: [0, 1, 2, 3, 4].map((n) => level(hour(n), 50)), readings: [] },
			// Poured into the tank at the third hour: two levels at one moment.
			{ id: 'jug', levels: [level(hour(1), 20), level(hour(3), 18), level(hour(3), 5)], readings: [] }
		];
		const { lanes } = ribbonOf(
			rig,
			trip,
			planned,
			account as unknown as Parameters<typeof ribbonOf>[3],
			nowMs,
			METRIC
		);
		expect(lanes.find(({ tank }) => tank.id === 'main')?.past.map(({ litres }) => litres)).toEqual([
			70, 70, 70, 55, 55
		]);
	});
	it('is read at a moment: the account behind, the plan ahead, between two moments evenly', () => {
		const litres = (ms: number): number | undefined =>
			levelsAt(data, ms).find(({ tank }) => tank.id === 'main')?.level.litres;
		expect(litres(Date.parse('2027-05-01T18:00:00Z'))).toBeCloseTo(90, 6);
		// nothing was used in the log: from full 24 L a day
		expect(litres(Date.parse('2027-05-02T18:00:00Z'))).toBeCloseTo(88, 0);
		expect(levelsAt(data, Date.parse(at(1)) - 1)).toEqual([]);
	});
	it('is drawn in the days of the trip’s own zone and the person’s unit, each lane in its grid', () => {
		const tokens = new Proxy({}, { get: (_, name) => String(name) }) as ChartTokens;
		const option = ribbonChart({
			data,
			timeZone: trip.timeZone,
			units: { ...METRIC, volume: 'usGal' },
			zoom: { start: 20, end: 100 }
		})(tokens, 800) as {
			grid: readonly unknown[];
			xAxis: readonly { min: number }[];
			yAxis: readonly { max: number }[];
			series: readonly { name: string; data: readonly (readonly number[])[] }[];
		};
		expect(option.grid).toHaveLength(4);
		expect(option.xAxis[1]?.min).toBe(Date.parse(at(1)) + 9 * HOUR_MS);
		expect(option.yAxis[1]?.max).toBeCloseTo(100 / 3.785411784, 6);
		const band = option.series.find(({ name }) => name === 'Main until now between');
		expect(band?.data.map(([, litres]) => litres)).toEqual(
			[4, 4].map((l) => expect.closeTo(l / 3.785411784, 9))
		);
		// a service is a step: two levels at one moment
		const ahead = option.series.find(({ name }) => name === 'Cassette ahead')?.data ?? [];
		const step = ahead.filter(([x]) => x === Date.parse(at(3, 8)) + 9 * HOUR_MS);
		expect(step).toHaveLength(2);
		expect(ribbonHeight(3)).toBeGreaterThan(ribbonHeight(2));
	});
});
