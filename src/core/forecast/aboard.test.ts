import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf, spareJug } from '../../../tests/helpers/logbooks.js';
import { estimate, type Estimate } from '../estimate/index.js';
import type { Entry, EntryDraft, Habit, Measure, Rig, Source, Tank } from '../logbook/index.js';
import { runToCompletion } from '../numerics/index.js';
import { DAY_MS } from '../time/index.js';
import { basket, forecast, ration, sacrifice, size, worth } from './index.js';

const at = '2027-05-01T06:00:00Z';
const full = (tank: string): EntryDraft => ({ kind: 'mark', at, tank, state: 'full' });
const from = (rig: Rig, more: readonly EntryDraft[] = []): Estimate =>
	estimate(logbookOf([...freshStart(), ...more.map((draft) => entry(draft))], rig), 'rig', Date.parse(at));
const lasts = (of: Estimate, measures?: readonly string[]): number =>
	forecast(of, { days: 30, measures }).autonomyDays.p50;

/** Waste tanks beyond all need: Main alone ends the stay, with 90 L at 24 a day after 3¾ days. */
const roomy = (tanks: readonly Tank[] = []): Rig => ({
	...exactRig,
	tanks: [
		...exactRig.tanks.map((tank) =>
			tank.holds === 'fresh' ? tank : { ...tank, usableL: 900, nominalL: 900 }
		),
		...tanks
	]
});
const jug: Tank = { ...spareJug, id: 'jug1' };
const behind: Tank = {
	id: 'bow',
	name: 'Bow tank',
	holds: 'fresh',
	nominalL: 60,
	usableL: 60,
	reserveL: 5,
	feeds: 'main'
};

describe('what stands behind a tank counts, by hand', () => {
	it('a main tank and two jugs of 20 L: (90 + 40) / 24', () => {
		const known = from(roomy([jug, { ...jug, id: 'jug2' }]), [full('jug1'), full('jug2')]);
		const { autonomyDays, tanks, binding } = forecast(known, { days: 30 });
		expect(autonomyDays.p50).toBeCloseTo(130 / 24, 1);
		expect(binding).toEqual([{ tank: 'main', probability: 1 }]);
		const main = tanks.find(({ id }) => id === 'main');
		expect(main?.days.p50).toBeCloseTo(90 / 24, 1);
		expect(main?.withCarried?.p50).toBeCloseTo(130 / 24, 1);
		expect(tanks.find(({ id }) => id === 'grey')).not.toHaveProperty('withCarried');
	});
	it('a tank behind a valve is drawn down to its own reserve: (90 + 55) / 24', () =>
		expect(lasts(from(roomy([behind]), [full('bow')]))).toBeCloseTo(145 / 24, 1));
	it('a jug behind the tank behind the valve: (90 + 55 + 20) / 24', () =>
		expect(lasts(from(roomy([{ ...jug, feeds: 'bow' }, behind]), [full('bow'), full('jug1')]))).toBeCloseTo(
			165 / 24,
			1
		));
	it('jugs only: three of 10 L, one of them at the tap, at 4 L a day', () => {
		const can = (id: string, feeds?: string): Tank => ({
			id,
			name: id,
			holds: 'fresh',
			nominalL: 10,
			usableL: 10,
			reserveL: 0,
			portable: true,
			...(feeds ? { feeds } : {})
		});
		const rig: Rig = {
			...exactRig,
			tanks: [can('main'), can('b', 'main'), can('c', 'main')],
			outlets: [{ id: 'tap', name: 'Tap', from: 'main', to: 'ground' }],
			instruments: [],
			habits: [
				{
					id: 'drink',
					name: 'Drink',
					outlet: 'tap',
					litresEach: { mean: 1, sd: 0 },
					often: { times: 2, per: 'person-day', sd: 0 },
					keptFraction: 1
				}
			],
			measures: []
		};
		const marks = ['main', 'b', 'c'].map((id) => entry(full(id)));
		const known = estimate(logbookOf(marks, rig), 'rig', Date.parse(at));
		expect(lasts(known)).toBeCloseTo(30 / 4, 1);
		expect(forecast({ ...known }, { days: 30 }).binding).toEqual([{ tank: 'main', probability: 1 }]);
	});
	it('a spare cassette stands in: (18 + 20) L at 6 a day, where Main would last', () => {
		const rig: Rig = {
			...exactRig,
			tanks: [
				{ ...(exactRig.tanks[0] as Tank), nominalL: 900, usableL: 900 },
				{ ...(exactRig.tanks[1] as Tank), nominalL: 900, usableL: 900 },
				exactRig.tanks[2] as Tank,
				{
					id: 'spare',
					name: 'Spare',
					holds: 'black',
					nominalL: 20,
					usableL: 20,
					reserveL: 0,
					relieves: 'black'
				}
			]
		};
		const known = from(rig, [{ kind: 'dump', at, tank: 'spare', to: 'empty' }]);
		expect(lasts(known)).toBeCloseTo(38 / 6, 1);
		expect(forecast(known, { days: 30 }).tanks.find(({ id }) => id === 'black')?.days.p50).toBeCloseTo(3, 1);
	});
	it('worth, sacrifice, ration and a basket count it too', () => {
		const known = from(roomy([jug]), [full('jug1')]);
		const days = 110 / 24;
		expect(runToCompletion(worth(known)).autonomyDays).toBeCloseTo(days, 1);
		// A shower of 8 L is a third of a day.
		expect(runToCompletion(worth(known)).habits.find(({ habit }) => habit === 'shower')?.hours).toBeCloseTo(
			8,
			1
		);
		const until = (lived: number): number => known.atMs + lived * DAY_MS;
		const reaches = (lived: number): boolean | undefined =>
			runToCompletion(sacrifice(known, { untilMs: until(lived), certainty: 0.9, among: [] })).reached;
		expect([reaches(days - 0.4), reaches(days + 0.6)]).toEqual([true, false]);
		expect(ration(known, until(10), 0.9)?.allowedL).toBeCloseTo(110 / 20, 0);
		expect(basket(known, [], new Map([['main', until(4.4)]])).before.chance).toBe(1);
		expect(basket(known, [{ habit: 'shower', times: 3 }], new Map([['main', until(4.4)]])).after.chance).toBe(
			0
		);
	});
	it('in any rig nothing behind a tank makes the stay shorter, and none is used beyond what it holds', () =>
		fc.assert(
			fc.property(
				fc.double({ min: 1, max: 60, noNaN: true }),
				fc.double({ min: 0, max: 20, noNaN: true }),
				(holds, reserveL) => {
					const known = from(roomy([{ ...behind, usableL: holds, nominalL: holds, reserveL }]), [
						full('bow')
					]);
					expect(lasts(known)).toBeCloseTo((90 + Math.max(0, holds - reserveL)) / 24, 1);
				}
			),
			{ numRuns: 25 }
		));
});

describe('what is kept for drinking', () => {
	const drinking = { litresPerPersonDay: 3, days: 3 };
	it('is never promised: 100 − 2 × 3 × 3 in place of a reserve of 10', () => {
		const rig: Rig = { ...roomy(), drinking };
		expect(lasts(from(rig))).toBeCloseTo(82 / 24, 1);
		expect(forecast(from(rig), { days: 30, persons: 1 }).tanks[0]?.days.p50).toBeCloseTo(90 / 18, 1);
	});
	it('a ration of less than one drinks is none to live by: until when drinking alone would last is told', () => {
		const known = from({ ...roomy(), drinking });
		// 82 L for two over twenty days are two litres a day each, where three are drunk: to two thirds of that.
		const twenty = ration(known, known.atMs + 20 * DAY_MS, 0.9);
		expect(twenty?.allowedL).toBeCloseTo(82 / 40, 1);
		expect(((twenty?.drinkableUntilMs ?? 0) - known.atMs) / DAY_MS).toBeCloseTo(82 / 6, 0);
		expect(ration(known, known.atMs + 10 * DAY_MS, 0.9)).not.toHaveProperty('drinkableUntilMs');
	});
	it('nor rationed, and no measures reach beyond it', () => {
		const known = from({ ...roomy(), drinking });
		expect(ration(known, known.atMs + 10 * DAY_MS, 0.9)?.allowedL).toBeCloseTo(82 / 20, 1);
		const reached = (days: number): boolean =>
			runToCompletion(sacrifice(known, { untilMs: known.atMs + days * DAY_MS, certainty: 0.9, among: [] }))
				.reached;
		expect([reached(3), reached(3.6)]).toEqual([true, false]);
	});
	it('is more in heat, where drinking rises with it', () => {
		const drink: Habit = {
			id: 'drink',
			name: 'Drink',
			outlet: 'tap',
			litresEach: { mean: 0, sd: 0 },
			often: { times: 1, per: 'person-day', sd: 0 },
			keptFraction: 1,
			rises: { fromC: 25, perC: 0.1 }
		};
		const rig: Rig = { ...roomy(), drinking, habits: [...exactRig.habits, drink] };
		const stop = { id: 's', name: 'S', arrive: at, depart: '2027-05-11T06:00:00Z', legKm: 0, services: [] };
		const trip = (maxC: number) => ({
			id: 'trip',
			rig: 'rig',
			name: 'Hot',
			timeZone: 'Etc/UTC',
			from: '2027-05-01',
			to: '2027-05-12',
			persons: 2,
			stops: [{ ...stop, weather: { maxC, minC: 20 } }]
		});
		const at35 = estimate(logbookOf(freshStart(), rig, [trip(35)]), 'rig', Date.parse(at));
		expect(lasts(at35)).toBeCloseTo((100 - 36) / 24, 1);
	});
});

describe('what flows in', () => {
	const watermaker: Source = {
		id: 'wm',
		name: 'Watermaker',
		into: 'main',
		litresEach: { mean: 12, sd: 0 },
		often: { times: 1, per: 'day', sd: 0 }
	};
	it('12 L a day of 24 make 90 L last seven days and a half; half again as much, for ever', () => {
		expect(lasts(from({ ...roomy(), sources: [watermaker] }))).toBeCloseTo(90 / 12, 1);
		const more = { ...watermaker, litresEach: { mean: 25, sd: 0 } };
		expect(lasts(from({ ...roomy(), sources: [more] }))).toBe(30);
	});
	it('counts in a ration and a sacrifice', () => {
		const known = from({ ...roomy(), sources: [watermaker] });
		expect(ration(known, known.atMs + 10 * DAY_MS, 0.9)?.allowedL).toBeCloseTo((90 + 120) / 20, 1);
		const { reached } = runToCompletion(
			sacrifice(known, { untilMs: known.atMs + 7 * DAY_MS, certainty: 0.9, among: [] })
		);
		expect(reached).toBe(true);
	});
	it('is learned from fills that name it: once in two days, in place of twice a day', () => {
		const guessed: Source = {
			...watermaker,
			often: { times: 2, per: 'day' },
			litresEach: { mean: 12, sd: 3 }
		};
		const rig: Rig = { ...roomy(), sources: [guessed] };
		const fills: readonly Entry[] = Array.from({ length: 10 }, (_, i) =>
			entry({
				kind: 'fill',
				at: new Date(Date.parse(at) + 2 * i * DAY_MS).toISOString(),
				tank: 'main',
				litres: 8,
				from: 'wm'
			})
		);
		const marked = entry({ ...full('main'), at: '2027-05-19T06:00:00Z' } as EntryDraft);
		const known = estimate(logbookOf([...fills, marked], rig), 'rig', Date.parse('2027-05-19T06:00:00Z'));
		const perDay = (24 - 90 / lasts(known)) as number;
		expect(perDay).toBeGreaterThan(3);
		expect(perDay).toBeLessThan(8);
	});
});

describe('effects are no better than they can be', () => {
	const measure = (id: string, effect: Measure['effect'], more: Partial<Measure> = {}): Measure => ({
		id,
		name: id,
		habit: 'flush',
		effect,
		...more
	});
	const wasteBinds = (measures: readonly Measure[]): Rig => ({
		...exactRig,
		tanks: exactRig.tanks.map((tank) =>
			tank.id === 'black' ? tank : { ...tank, usableL: 900, nominalL: 900 }
		),
		measures
	});
	it.each([0.5, 0.25, 0])('flushing %d as often: what people add stays, 18 / (4 f + 2)', (factor) => {
		const known = from(wasteBinds([measure('rare', { kind: 'rarer', factor })]));
		expect(lasts(known, ['rare'])).toBeCloseTo(18 / (4 * factor + 2), 1);
		const gained = runToCompletion(worth(known)).measures[0]?.tanks.find(({ id }) => id === 'black');
		expect(gained?.litresPerDay).toBeCloseTo(-4 * (1 - factor), 6);
	});
	it('of 8 litres caught a day the flush can spare the 4 that it draws, of two who catch together no more', () => {
		const caught = (id: string, litres: number, habit = 'shower'): Measure =>
			measure(id, { kind: 'reroute', litres, to: 'black', replaces: 'flush' }, { habit });
		const rig: Rig = { ...roomy(), measures: [caught('pan', 8), caught('bowl', 3, 'dishes')] };
		const known = from(rig);
		expect(lasts(known, ['pan'])).toBeCloseTo(90 / 20, 1);
		expect(lasts(known, ['pan', 'bowl'])).toBeCloseTo(90 / 20, 1);
		expect(lasts(known, ['bowl'])).toBeCloseTo(90 / 20, 1);
	});
	it('what saves only hooked up or ashore is worth nothing elsewhere, and no sacrifice', () => {
		const rig: Rig = {
			...roomy(),
			measures: [
				measure('hooked', { kind: 'outside' }, { habit: 'shower', where: 'hookup', effort: 0 }),
				measure('ashore', { kind: 'outside' }, { habit: 'shower', where: 'ashore', effort: 0 })
			]
		};
		const known = from(rig);
		for (const one of runToCompletion(worth(known)).measures) expect(one.given).toBe(0);
		const stop = { id: 's', name: 'S', arrive: at, depart: '2027-05-11T06:00:00Z', legKm: 0, services: [] };
		const trip = {
			id: 'trip',
			rig: 'rig',
			name: 'Quay',
			timeZone: 'Etc/UTC',
			from: '2027-05-01',
			to: '2027-05-12',
			persons: 2,
			stops: [{ ...stop, ashore: true }]
		};
		const there = estimate(logbookOf(freshStart(), rig, [trip]), 'rig', Date.parse(at));
		expect(lasts(there, ['ashore'])).toBeCloseTo(90 / 16, 1);
		expect(lasts(there, ['hooked'])).toBeCloseTo(90 / 24, 1);
	});
	it('a toilet flushed from the sea fills the tank and draws from none', () => {
		const rig: Rig = {
			...wasteBinds([]),
			outlets: exactRig.outlets.map((outlet) =>
				outlet.id === 'toilet' ? { ...outlet, from: 'outside' } : outlet
			)
		};
		const known = from(rig);
		expect(lasts(known)).toBeCloseTo(3, 1);
		expect(forecast(known, { days: 90 }).tanks[0]?.days.p50).toBeCloseTo(890 / 20, 0);
	});
});

describe('how large tanks would have to be', () => {
	it('for a week: 7 × 24 + 10, 7 × 20 + 5 and 7 × 6 + 2', () => {
		const { tanks, kg } = size(from(exactRig), { days: 7, certainty: 0.9 });
		expect(tanks.map(({ id, hasL }) => [id, hasL])).toEqual([
			['main', 100],
			['grey', 80],
			['black', 20]
		]);
		const need = tanks.map(({ needL }) => needL);
		[178, 145, 44].forEach((litres, i) => expect(need[i]).toBeCloseTo(litres, 1));
		expect(kg).toBeCloseTo(178, 1);
	});
	it('with short showers, for one, with what is kept for drinking', () => {
		const rig: Rig = { ...exactRig, drinking: { litresPerPersonDay: 5, days: 3 } };
		const needOf = (asked: Partial<Parameters<typeof size>[1]>): number | undefined =>
			size(from(rig), { days: 7, certainty: 0.9, ...asked }).tanks[0]?.needL;
		expect(needOf({})).toBeCloseTo(7 * 24 + 30, 1);
		expect(needOf({ measures: ['short'] })).toBeCloseTo(7 * 20 + 30, 1);
		expect(needOf({ persons: 1, days: 8 })).toBeCloseTo(8 * 18 + 15, 1);
	});
	it('a stay in tanks of that size reaches its end with about that chance, in a rig that is not exact', () => {
		const lived: Rig = {
			...exactRig,
			timeZone: 'Etc/UTC',
			unlogged: undefined,
			habits: exactRig.habits.map((habit) => ({
				...habit,
				litresEach: { ...habit.litresEach, sd: 0.3 * habit.litresEach.mean },
				often: { times: habit.often.times, per: habit.often.per }
			}))
		};
		const asked = size(from(lived), { days: 6, certainty: 0.8, paths: 2000 });
		const sized: Rig = {
			...lived,
			tanks: lived.tanks.map((tank) => {
				const litres = asked.tanks.find(({ id }) => id === tank.id)?.needL ?? 0;
				return { ...tank, nominalL: litres, usableL: litres };
			})
		};
		const first = forecast(from(sized), { days: 20, paths: 2000 });
		const known = from(sized);
		const { asItIs } = runToCompletion(
			sacrifice(known, { untilMs: known.atMs + 6 * DAY_MS, certainty: 0.5, among: [], paths: 2000 })
		);
		expect(asItIs.chance).toBeGreaterThan(0.74);
		expect(asItIs.chance).toBeLessThan(0.86);
		expect(first.binding.length).toBeGreaterThan(1);
	});
	it('asks for more for longer, and to be surer', () => {
		const known = from({ ...exactRig, unlogged: { mean: 3, sd: 1 } });
		const need = (days: number, certainty: number): number =>
			size(known, { days, certainty }).tanks.reduce((sum, { needL }) => sum + needL, 0);
		expect(need(8, 0.9)).toBeGreaterThan(need(7, 0.9));
		expect(need(7, 0.99)).toBeGreaterThan(need(7, 0.6));
	});
});
