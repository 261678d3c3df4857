import { DAY_MS } from '../../time/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate } from '../../estimate/index.js';
import type { Logbook, Rig, Service, Stop, Trip } from '../../logbook/index.js';
import { plan, planProblemOf, workOut, workedPlan, type Plan } from '../index.js';
import { riskTakingAll, toppingUp } from './index.js';

const START = Date.UTC(2027, 4, 1, 6);
const iso = (ms: number): string => new Date(ms).toISOString();

/** People whose days differ, and who know only roughly what a shower takes. */
const loose: Rig = {
	...exactRig,
	tanks: exactRig.tanks.map((tank) => (tank.id === 'black' ? { ...tank, nominalL: 60, usableL: 60 } : tank)),
	habits: exactRig.habits.map((habit) => ({
		...habit,
		litresEach: { mean: habit.litresEach.mean, sd: 0.3 * habit.litresEach.mean },
		often: { times: habit.often.times, per: habit.often.per }
	}))
};
const offer: fc.Arbitrary<readonly Service[]> = fc
	.subarray<Service['kind']>(['water', 'grey', 'black'], { minLength: 1 })
	.chain((kinds) =>
		fc.tuple(fc.constant(kinds), fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 6, maxLength: 6 }))
	)
	.map(([kinds, numbers]) =>
		kinds.map((kind, i) => ({ kind, fee: numbers[i] ?? 0, detourKm: numbers[i + 3] ?? 0 }))
	);
const stops = (offers: readonly (readonly Service[])[], every = 0.8): readonly Stop[] =>
	offers.map((services, i) => ({
		id: `s${i}`,
		name: `S${i}`,
		arrive: iso(START + (i + 1) * every * DAY_MS),
		depart: iso(START + (i + 1.1) * every * DAY_MS),
		legKm: 20,
		services
	}));
const book = (list: readonly Stop[], rig: Rig = loose, policy: Trip['policy'] = {}): Logbook =>
	logbookOf(freshStart(), rig, [{ ...exactTrip, to: '2027-06-20', stops: list, policy }]);
const planned = (logbook: Logbook, atMs = START): Plan =>
	plan(estimate(logbook, 'rig', atMs), logbook, 'trip');

describe('a promise kept as a whole', () => {
	it('no more than the policy allows is lost over all tanks and stretches, and taking everything is surest', () => {
		fc.assert(
			fc.property(
				fc.array(offer, { minLength: 2, maxLength: 10 }),
				fc.constantFrom(0.6, 0.9, 0.97),
				fc.boolean(),
				(offers, certainty, light) => {
					const logbook = book(stops(offers), loose, {
						certainty,
						feePerKm: 0.3,
						feePerKgKm: light ? 1e-3 : 0
					});
					const problem = planProblemOf(estimate(logbook, 'rig', START), logbook.trips[0]!);
					const { plan: mine, found } = workOut(problem);
					const all = riskTakingAll(problem);
					expect(mine.feasible).toBe(all <= 1 - certainty + 1e-9);
					if (mine.feasible) expect(mine.chance).toBeGreaterThanOrEqual(certainty - 1e-9);
					expect(found.risk).toBeGreaterThanOrEqual(all - 1e-9);
					// nor does it cost more than taking everything
					if (mine.feasible && !light)
						expect(mine.cost).toBeLessThanOrEqual(workOut(problem, toppingUp).plan.cost + 1e-6);
				}
			),
			{ numRuns: 40 }
		);
	});
	it('to be surer costs no less', () => {
		const offers = Array.from({ length: 9 }, (_, i): readonly Service[] => [
			{ kind: 'water', fee: 1 + (i % 3) },
			{ kind: 'grey', fee: 2 },
			{ kind: 'black' }
		]);
		const costs = [0.6, 0.9, 0.98].map(
			(certainty) => planned(book(stops(offers), loose, { certainty })).cost
		);
		expect(costs[1]).toBeGreaterThanOrEqual(costs[0]!);
		expect(costs[2]).toBeGreaterThanOrEqual(costs[1]!);
	});
	it('half-way through a trip that is planned anew at every stop, what is left has its share of the chance only', () => {
		const list = stops(
			Array.from({ length: 8 }, (): readonly Service[] => [{ kind: 'water' }, { kind: 'grey' }])
		);
		const logbook = book(list);
		const problem = (at: number) =>
			planProblemOf(estimate(logbook, 'rig', at), logbook.trips[0]!, { reading: 'while-there' });
		expect(problem(START).aim).toBeCloseTo(0.9, 9);
		const [first, last] = [Date.parse(list[0]!.arrive), Date.parse(list.at(-1)!.depart)];
		expect(problem((first + last) / 2).aim).toBeCloseTo(0.95, 9);
		expect(problem((first + last) / 2).certainty).toBe(0.9);
	});
});

const comparable = ({ feasible, cost, services }: Plan) => ({
	feasible,
	cost: Math.round(1e6 * cost),
	services: services.map(({ stop, water, dump }) => [stop, water && Math.round(water.litres), dump?.length])
});

describe('what does not matter to a plan', () => {
	const some = fc.array(offer, { minLength: 2, maxLength: 8 });
	it('the ids of tanks, and their order in the rig', () => {
		const renamed = (text: string): string => `z-${text}`;
		fc.assert(
			fc.property(some, (offers) => {
				const rig: Rig = {
					...exactRig,
					instruments: [],
					tanks: [...exactRig.tanks].reverse().map((tank) => ({ ...tank, id: renamed(tank.id) })),
					outlets: exactRig.outlets.map((outlet) => ({
						...outlet,
						from: renamed(outlet.from),
						to: renamed(outlet.to)
					}))
				};
				const entries = freshStart().map((one) =>
					'tank' in one ? { ...one, tank: renamed(one.tank) } : one
				);
				const trip = { ...exactTrip, stops: stops(offers) };
				const other = planned(logbookOf(entries, rig, [trip]));
				expect(comparable(other)).toEqual(comparable(planned(book(stops(offers), exactRig))));
			}),
			{ numRuns: 30 }
		);
	});
	it('when it is: all clocks later, the same plan', () => {
		fc.assert(
			fc.property(some, fc.integer({ min: 1, max: 400 }), (offers, days) => {
				const later = (at: string): string => iso(Date.parse(at) + days * DAY_MS);
				const before = book(stops(offers), exactRig);
				const after = logbookOf(
					freshStart(later(iso(START))),
					exactRig,
					before.trips.map((trip) => ({
						...trip,
						from: later(trip.from).slice(0, 10),
						to: later(trip.to).slice(0, 10),
						stops: trip.stops.map((stop) => ({
							...stop,
							arrive: later(stop.arrive),
							depart: later(stop.depart)
						}))
					}))
				);
				expect(comparable(planned(after, START + days * DAY_MS))).toEqual(comparable(planned(before)));
			}),
			{ numRuns: 30 }
		);
	});
});

describe('several fresh tanks, and jugs', () => {
	const jug = (id: string) =>
		({
			id,
			name: id,
			holds: 'fresh',
			nominalL: 24,
			usableL: 24,
			reserveL: 0,
			feeds: 'main',
			portable: true
		}) as const;
	const wide = exactRig.tanks.map((tank) =>
		tank.holds === 'fresh' ? tank : { ...tank, nominalL: 900, usableL: 900 }
	);
	const tapAt = (days: number): readonly Stop[] => [
		{
			id: 'tap',
			name: 'Tap',
			arrive: iso(START + days * DAY_MS),
			depart: iso(START + days * DAY_MS),
			legKm: 0,
			services: [{ kind: 'water' }]
		},
		{
			id: 'end',
			name: 'End',
			arrive: iso(START + (days + 4) * DAY_MS),
			depart: iso(START + (days + 4) * DAY_MS),
			legKm: 0,
			services: []
		}
	];
	it('jugs that feed the tank are drawn on, filled with it, and counted: 90 + 24 L at 24 a day are 4¾ days', () => {
		const rig: Rig = { ...exactRig, tanks: [...wide, jug('jug')] };
		const full = entry({ kind: 'mark', at: iso(START), tank: 'jug', state: 'full' });
		const out = (days: number, entries = [...freshStart(), full]): Plan =>
			planned(logbookOf(entries, rig, [{ ...exactTrip, stops: tapAt(days) }]));
		// four days after the tap take 96 L: more than the tank alone holds above its reserve
		expect(out(4.5).feasible).toBe(true);
		expect(out(5).feasible).toBe(false);
		expect(out(4.5).services[0]?.water).toMatchObject({ to: 'full' });
		expect(out(4.5).services[0]?.water?.litres).toBeCloseTo(4.5 * 24, -0.5);
		// an empty jug carries nothing until it is filled
		const empty = entry({ kind: 'mark', at: iso(START), tank: 'jug', state: 'empty' });
		expect(out(4.5, [...freshStart(), empty]).feasible).toBe(false);
		expect(out(3.5, [...freshStart(), empty]).feasible).toBe(true);
	});
	it('two tanks that are no pool are both filled where one has a need', () => {
		const second = {
			id: 'can',
			name: 'Can',
			holds: 'fresh',
			nominalL: 20,
			usableL: 20,
			reserveL: 0
		} as const;
		const rig: Rig = {
			...exactRig,
			tanks: [...wide, second],
			outlets: [...exactRig.outlets, { id: 'cup', name: 'Cup', from: 'can', to: 'none' }],
			habits: [
				...exactRig.habits,
				{
					id: 'drink',
					name: 'Drink',
					outlet: 'cup',
					litresEach: { mean: 2, sd: 0 },
					often: { times: 1, per: 'person-day', sd: 0 }
				}
			]
		};
		const full = entry({ kind: 'mark', at: iso(START), tank: 'can', state: 'full' });
		const trip: Trip = { ...exactTrip, stops: tapAt(3) };
		const answer = planned(logbookOf([...freshStart(), full], rig, [trip]));
		// of the can 4 L a day: it lasts five days, and the trip is seven
		expect(answer.lastChance.map(({ tank }) => tank)).toEqual(['main', 'can']);
		expect(answer.services[0]?.water?.litres).toBeCloseTo(72 + 12, -0.5);
	});
});

it('services are used twice at a stop where one stays longer than a tank lasts, as people do it', () => {
	const rig: Rig = {
		...exactRig,
		tanks: exactRig.tanks.map((tank) =>
			tank.holds === 'fresh' ? tank : { ...tank, nominalL: 900, usableL: 900 }
		)
	};
	const site: Stop = {
		id: 'site',
		name: 'Site',
		arrive: iso(START + 3 * DAY_MS),
		depart: iso(START + 9 * DAY_MS),
		legKm: 0,
		services: [{ kind: 'water', fee: 1 }]
	};
	const logbook = logbookOf(freshStart(), rig, [{ ...exactTrip, stops: [site] }]);
	const known = estimate(logbook, 'rig', START);
	expect(workedPlan(known, logbook.trips[0]!).plan.feasible).toBe(false);
	const { plan: twice } = workedPlan(known, logbook.trips[0]!, { reading: 'while-there' });
	expect(twice).toMatchObject({ feasible: true, cost: 2 });
	expect(twice.services.map(({ stop }) => stop)).toEqual(['site', 'site']);
});

it('odd trips are answered: a leg of 30 000 km, a hundred stops, prices of nothing and beyond all money', () => {
	const all: readonly Service[] = [
		{ kind: 'water', fee: 1, minutes: 9 },
		{ kind: 'grey', minutes: 9 },
		{ kind: 'black' }
	];
	const hundred = stops(
		Array.from({ length: 100 }, () => all),
		0.5
	).map((stop) => ({ ...stop, legKm: 30_000 }));
	for (const policy of [
		{ feePerMinute: 0, feePerKm: 0, feePerKgKm: 0 },
		{ feePerMinute: 1e300, feePerKm: 1e12, feePerKgKm: 1e300 }
	]) {
		const answer = planned(book(hundred, loose, policy));
		expect(answer.feasible).toBe(true);
		expect(Number.isFinite(answer.cost)).toBe(true);
	}
	// one tap that nobody can pay does not blur what the others cost
	const dear = stops(
		[[{ kind: 'water', fee: 1e15 }], [{ kind: 'water', fee: 2 }], [{ kind: 'water', fee: 1 }], []],
		1.2
	);
	const cheap = planned(
		book(dear, {
			...exactRig,
			tanks: exactRig.tanks.filter(({ holds }) => holds === 'fresh'),
			outlets: exactRig.outlets.map((outlet) => ({ ...outlet, to: 'none' as const })),
			instruments: []
		})
	);
	expect(cheap.feasible).toBe(true);
	expect(cheap.cost).toBeLessThanOrEqual(2);
	const past = book(stops([all, all]));
	expect(planned(past, START + 90 * DAY_MS)).toMatchObject({ feasible: true, services: [], cost: 0 });
	expect(planned(book([])).services).toEqual([]);
});
