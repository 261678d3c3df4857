import { runToCompletion } from '../numerics/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks.js';
import { estimate, readLevels, type Estimate } from '../estimate/index.js';
import type { Ahead, Entry, Measure, Rig, Stop, Trip } from '../logbook/index.js';
import { autonomyOf, forecast, worth } from './index.js';

const at = '2027-05-01T06:00:00Z';
const from = (rig: Rig, trip: Trip = exactTrip, on: readonly string[] = []): Estimate =>
	estimate(
		logbookOf(
			[...freshStart(), ...on.map((measure) => entry({ kind: 'measure', at, measure, on: true }))],
			rig,
			[trip]
		),
		'rig',
		Date.parse(at)
	);
const measure = (id: string, habit: string, effect: Measure['effect']): Measure => ({
	id,
	name: id,
	habit,
	effect
});

/** Grey binds: 20 L a day of 75; Main and the cassette last. */
const roomy: Rig = {
	...exactRig,
	tanks: exactRig.tanks.map((tank) => (tank.id === 'grey' ? tank : { ...tank, nominalL: 300, usableL: 300 })),
	measures: [
		measure('short', 'shower', { kind: 'scale', factor: 0.5 }),
		measure('inch', 'dishes', { kind: 'set', litres: 3 }),
		measure('pan', 'shower', { kind: 'reroute', litres: 1, to: 'black', replaces: 'flush' }),
		measure('rarer', 'dishes', { kind: 'rarer', factor: 0.5 }),
		measure('flush', 'flush', { kind: 'scale', factor: 0.5 })
	]
};
const vague = (rig: Rig): Rig => ({
	...rig,
	unlogged: { mean: 2, sd: 1 },
	habits: rig.habits.map((habit) => ({
		...habit,
		litresEach: { mean: habit.litresEach.mean, sd: 0.3 * habit.litresEach.mean },
		often: { times: habit.often.times, per: habit.often.per }
	}))
});

describe('what measures are worth, by hand: 75 L of room, 8 L of showers and 12 L of dishes a day', () => {
	const now = runToCompletion(worth(from(roomy)));
	const of = (id: string) => now.measures.find((one) => one.id === id);
	const gain = (perDay: number): number => 24 * (75 / perDay - 75 / 20);
	it('alone: 4 L less of showers, 6 of dishes, 1 that is caught', () => {
		expect(now.autonomyDays).toBeCloseTo(3.75, 9);
		expect(now.binding).toBe('grey');
		expect(of('short')?.alone).toBeCloseTo(gain(16), 6);
		expect(of('inch')?.alone).toBeCloseTo(gain(14), 6);
		expect(of('rarer')?.alone).toBeCloseTo(gain(14), 6);
		expect(of('pan')?.alone).toBeCloseTo(gain(19), 6);
		expect(of('flush')?.alone).toBe(0);
	});
	it('tells both sides of water that goes elsewhere, and the flush that it spares', () => {
		expect(of('pan')?.tanks).toEqual([
			{ id: 'main', litresPerDay: expect.closeTo(1, 9) },
			{ id: 'grey', litresPerDay: expect.closeTo(-1, 9) }
		]);
		expect(of('pan')?.litresPerDay).toBeCloseTo(1, 9);
		expect(of('short')?.litresPerDay).toBeCloseTo(4, 9);
	});
	it('on top of what is on: together, not added', () => {
		const withInch = runToCompletion(worth(from(roomy, exactTrip, ['inch'])));
		const given = (id: string) => withInch.measures.find((one) => one.id === id);
		expect(withInch.autonomyDays).toBeCloseTo(75 / 14, 9);
		expect(given('inch')).toMatchObject({ on: true });
		expect(given('inch')?.given).toBeCloseTo(gain(14), 6);
		expect(given('short')?.given).toBeCloseTo(24 * (75 / 10 - 75 / 14), 6);
		// every other wash-up of half the water
		expect(given('rarer')?.given).toBeCloseTo(24 * (75 / 11 - 75 / 14), 6);
	});
	it('says the same of measures that are only supposed to be on', () =>
		expect(runToCompletion(worth(from(roomy), { measures: ['inch'] })).measures).toEqual(
			runToCompletion(worth(from(roomy, exactTrip, ['inch']))).measures
		));
	it('of nobody aboard, of no habit, of a tank that nothing fills', () => {
		const nobody = runToCompletion(worth(from(roomy), { persons: 0 }));
		expect(nobody.binding).toBeUndefined();
		expect(
			nobody.measures.every(
				({ alone, given, litresPerDay }) => alone === 0 && given === 0 && litresPerDay === 0
			)
		).toBe(true);
		const idle = runToCompletion(worth(from({ ...roomy, habits: [], measures: [] })));
		expect([idle.autonomyDays, idle.habits, idle.measures]).toEqual([366, [], []]);
	});
});

describe('a measure switched on in the log', () => {
	/** A week of a van that writes down most, a measure switched on at its end. */
	const loose: Rig = {
		...vague(roomy),
		unlogged: undefined,
		instruments: []
	};
	const week = Array.from({ length: 8 }, (_, i) => [
		entry({ kind: 'use', at: `2027-05-0${i + 1}T12:00:00Z`, habit: 'dishes', times: 2 }),
		entry({ kind: 'use', at: `2027-05-0${i + 1}T20:00:00Z`, habit: 'shower', times: 1 })
	]).flat();
	const now = '2027-05-09T06:00:00Z';
	const begun = [...freshStart('2027-05-01T06:00:00Z'), ...week, ...freshStart(now)];
	const known = (more: readonly Parameters<typeof entry>[0][] = []): Estimate =>
		estimate(logbookOf([...begun, ...more.map((draft) => entry(draft))], loose), 'rig', Date.parse(now));
	it.each(['short', 'inch', 'rarer', 'pan'])(
		'%s: what was promised of it before is what it then gives',
		(id) => {
			const before = known();
			const promised = autonomyOf(before, { days: 30, measures: [id] }).days;
			const kept = autonomyOf(known([{ kind: 'measure', at: now, measure: id, on: true }]), {
				days: 30
			}).days;
			expect(promised).toBeGreaterThan(autonomyOf(before, { days: 30 }).days);
			expect(kept).toBeCloseTo(promised, 6);
		}
	);
	it('a log that was written with it teaches the cadence that it is without', () => {
		const rare = [{ kind: 'measure', at: '2027-05-01T06:00:00Z', measure: 'rarer', on: true } as const];
		const off = autonomyOf(known(rare), { days: 30, measures: [] });
		const on = autonomyOf(known(rare), { days: 30 });
		// what was written down half as often as usual is done twice as often without it
		expect(off.days).toBeLessThan(0.85 * on.days);
	});
});

describe('laws', () => {
	const saves: fc.Arbitrary<Measure['effect']> = fc.oneof(
		fc.record({ kind: fc.constant('scale' as const), factor: fc.double({ min: 0, max: 1, noNaN: true }) }),
		fc.record({ kind: fc.constant('rarer' as const), factor: fc.double({ min: 0, max: 1, noNaN: true }) }),
		fc.constant({ kind: 'outside' } as const),
		fc.record({ kind: fc.constant('return' as const), litres: fc.double({ min: 0, max: 0.2, noNaN: true }) })
	);
	it('a measure that only saves is never worth less than nothing', () =>
		fc.assert(
			fc.property(
				saves,
				fc.constantFrom('shower', 'dishes', 'flush'),
				fc.integer({ min: 0, max: 4 }),
				(effect, habit, persons) => {
					const rig = vague({ ...exactRig, measures: [measure('m', habit, effect)] });
					const [found] = runToCompletion(worth(from(rig), { persons, paths: 200, days: 60 })).measures;
					expect(found?.alone).toBeGreaterThanOrEqual(0);
					expect(found?.given).toBeGreaterThanOrEqual(0);
					expect(found?.litresPerDay).toBeGreaterThanOrEqual(-1e-9);
				}
			),
			{ numRuns: 40 }
		));
	it('two cost at least what one costs', () =>
		fc.assert(
			fc.property(
				fc.constantFrom('shower', 'dishes', 'flush'),
				fc.integer({ min: 1, max: 6 }),
				(habit, times) => {
					const now = from(vague(exactRig));
					const lasts = (n: number): number =>
						autonomyOf(now, { days: 30, paths: 200, more: [{ habit, times: n }] }).days;
					expect(lasts(times)).toBeLessThanOrEqual(lasts(times - 1));
				}
			)
		));
	it('a habit that is never done costs what one time costs, and its measures give nothing', () => {
		const never: Rig = {
			...roomy,
			habits: roomy.habits.map((habit) =>
				habit.id === 'shower' ? { ...habit, often: { ...habit.often, times: 0 } } : habit
			)
		};
		const found = runToCompletion(worth(from(never)));
		expect(found.habits.find(({ habit }) => habit === 'shower')?.hours).toBeCloseTo((24 * 8) / 12, 6);
		expect(found.measures.find(({ id }) => id === 'short')).toMatchObject({
			alone: 0,
			given: 0,
			litresPerDay: 0
		});
	});
	it('no habit’s recipe is changed by nothing', () => {
		const empty: Rig = {
			...roomy,
			measures: [measure('m', 'shower', { kind: 'recipe', parts: { runMin: 1 } })]
		};
		expect(runToCompletion(worth(from(empty))).measures[0]).toMatchObject({
			alone: 0,
			given: 0,
			litresPerDay: 0
		});
	});
});

describe('heat, exertion, guests and hook-ups of the stops ahead', () => {
	const stop = (id: string, day: number, more: Partial<Stop>): Stop => ({
		id,
		name: id,
		arrive: `2027-05-0${day}T06:00:00Z`,
		depart: `2027-05-0${day + 1}T06:00:00Z`,
		legKm: 0,
		services: [],
		...more
	});
	const trip = (...stops: readonly Stop[]): Trip => ({ ...exactTrip, stops: [...stops] });
	const thirsty: Rig = {
		...exactRig,
		tanks: exactRig.tanks.map((tank) =>
			tank.id === 'main' ? tank : { ...tank, nominalL: 500, usableL: 500 }
		),
		outlets: [...exactRig.outlets, { id: 'cup', name: 'Cup', from: 'main', to: 'none' }],
		habits: [
			{
				id: 'drink',
				name: 'Drink',
				outlet: 'cup',
				litresEach: { mean: 1, sd: 0 },
				often: { times: 5, per: 'person-day', sd: 0 },
				rises: { fromC: 22, perC: 0.1, exertion: true }
			}
		],
		measures: []
	};
	const mainOf = (of: Estimate) => forecast(of, { days: 12, paths: 20 }).tanks[0];
	/** litres that leave it from one day to the next */
	const usedIn = (main: ReturnType<typeof mainOf>, from: number, to: number): readonly number[] => {
		const levels = (main?.byDay ?? []).map(({ p50 }) => p50);
		return levels.slice(from, to).map((level, i) => Number(((levels[from - 1 + i] ?? 0) - level).toFixed(6)));
	};
	it('32 °C from the third day: 10 L a day become 20', () => {
		const main = mainOf(from(thirsty, trip(stop('hot', 3, { weather: { maxC: 32, minC: 18 } }))));
		const start = main?.byDay[0]?.p50 ?? 0;
		expect(main?.byDay.slice(1, 4).map(({ p50 }) => Math.round(start - p50))).toEqual([10, 30, 50]);
	});
	it('a day’s hard work doubles it until the next stop; both together multiply', () => {
		const main = mainOf(
			from(
				thirsty,
				trip(
					stop('climb', 2, { exertion: 2 }),
					stop('rest', 3, {}),
					stop('both', 4, { exertion: 1.6, weather: { maxC: 27, minC: 10 } })
				)
			)
		);
		const levels = (main?.byDay ?? []).map(({ p50 }) => p50);
		const used = levels.slice(1, 4).map((level, i) => (levels[i] ?? 0) - level);
		expect(used.map((litres) => Number(litres.toFixed(6)))).toEqual([20, 10, 24]);
	});
	it('two who come aboard at noon drink from noon on', () => {
		const noon = { ...stop('guests', 1, { persons: 4 }), arrive: '2027-05-01T18:00:00Z' };
		const main = mainOf(from(thirsty, trip(noon)));
		const [first, second] = main?.byDay ?? [];
		expect((first?.p50 ?? 0) - (second?.p50 ?? 0)).toBeCloseTo(20, 6);
		const start = (mainOf(from(thirsty))?.byDay[0]?.p50 ?? 0) + 10;
		expect(start - (first?.p50 ?? 0)).toBeCloseTo(15, 6);
	});
	const saying = (ahead: Omit<Ahead, 'id' | 'from' | 'to'>, fromDay = 3, toDay = 4): Estimate =>
		from({
			...thirsty,
			ahead: [{ id: 'a', from: `2027-05-0${fromDay}T06:00:00Z`, to: `2027-05-0${toDay}T06:00:00Z`, ...ahead }]
		});
	it('days said to be unlike others are lived so, and are over by themselves', () => {
		// Two people drink 10 L a day; the third day is said to be another.
		expect(usedIn(mainOf(saying({ persons: 6 })), 1, 4)).toEqual([10, 30, 10]);
		expect(usedIn(mainOf(saying({ away: true }, 3, 5)), 1, 5)).toEqual([10, 0, 0, 10]);
		expect(usedIn(mainOf(saying({ habits: [{ habit: 'drink', factor: 2 }] })), 1, 4)).toEqual([10, 20, 10]);
		expect(usedIn(mainOf(saying({ habits: [{ habit: 'drink', times: 3 }] })), 1, 4)).toEqual([10, 3, 10]);
		expect(usedIn(mainOf(saying({ hookup: { mains: true } })), 1, 4)).toEqual([10, 0, 10]);
	});
	it('what was said to be done and is done already is not still to come', () => {
		const washing: Rig = {
			...thirsty,
			habits: [
				...thirsty.habits,
				{
					id: 'wash',
					name: 'Wash',
					outlet: 'cup',
					litresEach: { mean: 7, sd: 0 },
					often: { times: 0, per: 'day', sd: 0 }
				}
			],
			ahead: [
				{
					id: 'a',
					from: '2027-05-01T00:00:00Z',
					to: '2027-05-02T00:00:00Z',
					habits: [{ habit: 'wash', times: 1 }]
				}
			]
		};
		const done = entry({ kind: 'use', at: '2027-05-01T06:00:00Z', habit: 'wash', times: 1 });
		const firstDay = (log: readonly Entry[]): number => {
			const now = estimate(
				logbookOf([...freshStart(), ...log], washing, []),
				'rig',
				Date.parse('2027-05-01T06:30:00Z')
			);
			const { litres = 0 } = readLevels(now).tanks[0] ?? {};
			return litres - (forecast(now, { days: 2, paths: 20 }).tanks[0]?.byDay[0]?.p50 ?? 0);
		};
		expect(firstDay([])).toBeCloseTo(17, 0);
		expect(firstDay([done])).toBeCloseTo(10, 0);
	});
	it('people who come later, as is written already, count from then on', () => {
		const later = entry({ kind: 'crew', at: '2027-05-03T06:00:00Z', persons: 4 });
		const known = estimate(
			logbookOf([...freshStart(), later], thirsty, []),
			'rig',
			Date.parse('2027-05-01T06:00:00Z')
		);
		expect(usedIn(mainOf(known), 1, 4)).toEqual([10, 20, 20]);
	});
	it('a habit of Saturdays is done on Saturdays, whatever the log', () => {
		const saturdays: Rig = {
			...thirsty,
			habits: thirsty.habits.map((habit) => ({
				...habit,
				rises: undefined,
				often: { ...habit.often, weekdays: [0, 0, 0, 0, 0, 3, 0] }
			}))
		};
		// From Saturday, 1 May, 6 o'clock; the next one is of 30 L, most of it before midnight.
		const [first = 0, second = 0, third = 0] = usedIn(mainOf(from(saturdays)), 1, 8).slice(4);
		expect(usedIn(mainOf(from(saturdays)), 1, 4)).toEqual([0, 0, 0]);
		expect(first + second + third).toBeCloseTo(30, 0);
	});
	it('a hook-up feeds the outlets while one stays, and ends with the departure', () => {
		const main = mainOf(
			from(thirsty, trip(stop('site', 2, { services: [{ kind: 'mains' }], hookup: { mains: true } })))
		);
		expect(usedIn(main, 1, 3)).toEqual([0, 10]);
		// One that is only listed is lived as if it were not there.
		const listed = mainOf(from(thirsty, trip(stop('site', 2, { services: [{ kind: 'mains' }] }))));
		expect(usedIn(listed, 1, 3)).toEqual([10, 10]);
	});
	it('a sewer empties the waste tanks as one arrives, and keeps them so', () => {
		const rig = {
			...exactRig,
			tanks: exactRig.tanks.map((tank) => (tank.id === 'grey' ? { ...tank, residualL: 2 } : tank))
		};
		const grey = forecast(from(rig, trip(stop('site', 3, { services: [], hookup: { sewer: true } }))), {
			days: 12,
			paths: 20
		}).tanks[1];
		expect(grey?.byDay[1]?.p50).toBeGreaterThan(40);
		expect(grey?.byDay[2]?.p50).toBeCloseTo(2, 6);
		expect(grey?.byDay[3]?.p50).toBeCloseTo(22, 6);
	});
	it('what was logged in the heat does not foretell the cool: litres of a hot week count for fewer days', () => {
		const hot = trip(stop('hot', 1, { weather: { maxC: 32, minC: 18 } }), stop('cool', 9, {}));
		const loose: Rig = {
			...thirsty,
			unlogged: { mean: 0, sd: 0 },
			habits: thirsty.habits.map((habit) => ({ ...habit, often: { times: 5, per: 'person-day' } }))
		};
		const week = Array.from({ length: 8 }, (_, i) =>
			entry({ kind: 'use', at: `2027-05-0${i + 1}T12:00:00Z`, habit: 'drink', times: 20 })
		);
		const now = '2027-05-09T06:00:00Z';
		const lived = (of: Trip): number => {
			const known = estimate(
				logbookOf(
					[...freshStart(), ...week, entry({ kind: 'mark', at: now, tank: 'main', state: 'full' })],
					loose,
					[of]
				),
				'rig',
				Date.parse(now)
			);
			const days = forecast(known, { days: 8, paths: 200 }).tanks[0]?.byDay ?? [];
			return (days[0]?.p50 ?? 0) - (days[1]?.p50 ?? 0);
		};
		expect(lived(hot)).toBeLessThan(12.5);
		expect(lived(trip())).toBeGreaterThan(15);
	});
});
