import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate, type Estimate } from '../../estimate/index.js';
import type { Entry, Rig, Trip } from '../../logbook/index.js';
import { dailyChange, dayAhead, dayFlows, risingAhead, type DayFlow } from '../index.js';

const at = '2027-05-01T06:00:00Z';
const from = (
	rig: Rig = exactRig,
	entries: readonly Entry[] = [],
	trips: readonly Trip[] = [exactTrip]
): Estimate => estimate(logbookOf([...freshStart(), ...entries], rig, trips), 'rig', Date.parse(at));
const sum = (flows: readonly DayFlow[], of: (flow: DayFlow) => boolean): number =>
	flows.filter(of).reduce((total, { litres }) => total + litres, 0);

describe('where the litres of a day go', () => {
	it('by hand: 8 L of showers and 12 of dishes to Grey, 4 of flushes and 2 beside them to the cassette', () => {
		const flows = dayFlows(from());
		expect(
			flows.map(({ habit, litres, from: source, to }) => [habit, source.kind, to, Number(litres.toFixed(6))])
		).toEqual([
			['shower', 'tank', { kind: 'tank', id: 'grey' }, 8],
			['dishes', 'tank', { kind: 'tank', id: 'grey' }, 12],
			['flush', 'tank', { kind: 'tank', id: 'black' }, 4],
			['flush', 'beside', { kind: 'tank', id: 'black' }, 2]
		]);
	});
	it('balances with what a day does to each tank, whatever is in force', () => {
		const rig: Rig = {
			...exactRig,
			unlogged: { mean: 3, sd: 1 },
			measures: [
				...exactRig.measures,
				{
					id: 'pan',
					name: 'Pan',
					habit: 'shower',
					effect: { kind: 'reroute', litres: 1, to: 'black', replaces: 'flush' }
				},
				{ id: 'ashore', name: 'Bought', habit: 'dishes', effect: { kind: 'outside' } }
			]
		};
		for (const on of [[], ['short'], ['pan'], ['short', 'pan', 'ashore']]) {
			const known = from(
				rig,
				on.map((measure) => entry({ kind: 'measure', at, measure, on: true }))
			);
			const flows = dayFlows(known);
			const day = dayAhead(known, { persons: 2, measures: on });
			for (const { id } of rig.tanks) {
				const into = sum(flows, ({ to }) => to.kind === 'tank' && to.id === id);
				const out = sum(flows, ({ from: source }) => source.kind === 'tank' && source.id === id);
				expect(into - out).toBeCloseTo(dailyChange(known, day, id), 6);
			}
		}
	});
	it('on the hook-ups it comes from the one and runs into the other; what is drunk is gone', () => {
		const hooked = from(exactRig, [entry({ kind: 'hookup', at, mains: true, sewer: true })]);
		expect(new Set(dayFlows(hooked).map(({ from: source, to }) => `${source.kind} ${to.kind}`))).toEqual(
			new Set(['mains sewer'])
		);
		const kettle: Rig = {
			...exactRig,
			measures: [],
			habits: exactRig.habits.map((habit) => ({ ...habit, keptFraction: 0.5 }))
		};
		expect(
			sum(dayFlows(from(kettle)), ({ habit, to }) => habit === 'dishes' && to.kind === 'gone')
		).toBeCloseTo(6, 9);
	});
	it('of nobody aboard nothing flows', () =>
		expect(dayFlows(from({ ...exactRig, crew: 0 }, [entry({ kind: 'crew', at, persons: 0 })]))).toEqual([]));
});

describe('what rises with heat and work', () => {
	const stop = {
		id: 's',
		name: 'S',
		arrive: '2027-05-03T06:00:00Z',
		depart: '2027-05-05T06:00:00Z',
		legKm: 0,
		services: []
	};
	const rig: Rig = {
		...exactRig,
		habits: exactRig.habits.map((habit) =>
			habit.id === 'shower' ? { ...habit, keptFraction: 1, rises: { fromC: 22, perC: 0.1 } } : habit
		)
	};
	it('32 °C make 8 L of the day 16', () => {
		const hot: Trip = { ...exactTrip, stops: [{ ...stop, weather: { maxC: 32, minC: 15 } }] };
		expect(risingAhead(from(rig, [], [hot]))).toMatchObject({
			fromMs: Date.parse(stop.arrive),
			moreL: 8,
			drunk: true,
			climate: { maxC: 32 }
		});
	});
	it('is nothing where no stop is warm, or nothing rises', () => {
		const mild: Trip = { ...exactTrip, stops: [{ ...stop, weather: { maxC: 21, minC: 15 } }] };
		expect(risingAhead(from(rig, [], [mild]))).toBeUndefined();
		expect(
			risingAhead(from(exactRig, [], [{ ...mild, stops: [{ ...stop, weather: { maxC: 40, minC: 20 } }] }]))
		).toBeUndefined();
	});
});
