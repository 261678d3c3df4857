import { seeded } from '../src/core/numerics';
import { estimate, type Estimate } from '../src/core/estimate';
import type { Logbook, Rig, Service, Stop, Trip } from '../src/core/logbook';
import { costOfServices, pricesOf, planProblemOf, workOut, type Plan } from '../src/core/plan';
import { actsOf, DAY, drawCase, START, type ServiceAct, type Manner, type Truth } from './truth/index';

/** How planned trips fared when they were lived, as shares of 1. */
export interface KeptPlans {
	readonly name: string;
	/** trips that a plan called feasible, and were lived by it as it was made */
	readonly trips: number;
	/** of those: a tank bound somewhere */
	readonly bound: number;
	/** the same trips, planned anew at each stop from what was written by then */
	readonly boundAnew: number;
	/** what was then paid in all, and what a plan costs that is made once by one who knows the true rates and levels */
	readonly paid: number;
	readonly least: number;
	/** of the trips for which the true rates had a plan, the share that was given up */
	readonly givenUp: number;
	/** a plan took so long at the most, ms */
	readonly slowestMs: number;
}

/** Manners whose future is not in the log: guests that nobody said, hook-ups, jugs that are filled on the way. */
export const isKept = ({ guests, hookups, jugs }: Manner): boolean => !guests && !hookups && !jugs;

/** Days of a trip that are planned. */
const TRIP_DAYS = [8, 14] as const;
/** Share of stops that have everything; and of the others, chance of each kind. */
const FULL_SERVICE = 0.6;
const ONE_SERVICE = 0.4;

/** Stops at random from a moment on: a service at most of them, at fees, minutes and detours that differ. */
function stopsFrom(fromMs: number, random: ReturnType<typeof seeded>): readonly Stop[] {
	const between = (from: number, to: number): number => from + (to - from) * random.uniform();
	const endMs = fromMs + between(...TRIP_DAYS) * DAY;
	const stops: Stop[] = [];
	for (let ms = fromMs + between(0.4, 1) * DAY; ms < endMs; ms += between(0.3, 1) * DAY) {
		const all = random.uniform() < FULL_SERVICE;
		const services = (['water', 'grey', 'black'] as const)
			.filter(() => all || random.uniform() < ONE_SERVICE)
			.map((kind): Service => ({
				kind,
				fee: Math.round(between(0, 5)),
				minutes: Math.round(between(5, 25)),
				detourKm: Math.round(between(0, 8))
			}));
		stops.push({
			id: `s${stops.length}`,
			name: `Stop ${stops.length}`,
			arrive: new Date(ms).toISOString(),
			depart: new Date(ms + 0.1 * DAY).toISOString(),
			legKm: Math.round(between(5, 80)),
			services
		});
	}
	return stops;
}

/** What one believes who knows how the crew lives and what is in the tanks, but not what each day brings. */
function knowing({ capacity, habits, smallL }: Truth, rig: Rig, trip: Trip, fromMs: number): Estimate {
	const known: Rig = {
		...rig,
		unlogged: { mean: smallL, sd: 0 },
		instruments: [],
		tanks: rig.tanks.map((tank) => ({
			...tank,
			nominalL: Math.max(tank.nominalL, capacity.get(tank.id) ?? 0),
			usableL: capacity.get(tank.id) ?? tank.nominalL
		})),
		habits: rig.habits.map((habit) => {
			const truly = habits.find((one) => one.habit.id === habit.id);
			return {
				...habit,
				litresEach: { mean: truly?.litres ?? habit.litresEach.mean, sd: 0 },
				// not quite exact: exactly so often a day would be by the clock
				often: { ...habit.often, times: truly?.often ?? habit.often.times, sd: 1e-6 }
			};
		})
	};
	const logbook: Logbook = {
		format: 'dipsometer-logbook',
		version: 1,
		exportedAt: new Date(fromMs).toISOString(),
		rigs: [known],
		trips: [trip],
		points: [],
		entries: []
	};
	return estimate(logbook, 'rig', fromMs);
}

const share = (count: number, of: number): number => count / Math.max(1, of);

/**
 * Plans made-up trips for nine in ten after some days of log, and lives them to their end: once by the plan as it was made,
 * and once as it is planned anew at each stop.
 *
 * @param light carrying water costs: part loads
 */
export function keepPlans(manner: Manner, cases: number, light: boolean, firstSeed = 1): KeptPlans {
	let [trips, bound, boundAnew, paid, least, open, givenUp, slowestMs] = [0, 0, 0, 0, 0, 0, 0, 0];
	for (let seed = firstSeed; seed < firstSeed + cases; seed++) {
		const random = seeded(seed + 55_000);
		const fromMs = START + (5 + 6 * random.uniform()) * DAY;
		const stops = stopsFrom(fromMs, random);
		const toMs = Date.parse(stops.at(-1)?.depart ?? '');
		const days = Math.ceil((toMs - START) / DAY) + 2;
		const policy = { certainty: 0.9, feePerMinute: 0.2, feePerKm: 0.4, feePerKgKm: light ? 6e-4 : 0 };
		const tripOf = ({ trips: [trip] }: Logbook): Trip => ({
			...(trip as Trip),
			to: '2027-06-20',
			stops,
			policy
		});
		/** anew: what is left of the trip may lose only its share of the chance */
		const planAt = (logbook: Logbook, atMs: number, anew = false): Plan => {
			const trip = tripOf(logbook);
			const believed = estimate({ ...logbook, trips: [trip] }, 'rig', atMs);
			const began = performance.now();
			const { plan } = workOut(planProblemOf(believed, trip, anew ? { reading: 'while-there' } : {}));
			slowestMs = Math.max(slowestMs, performance.now() - began);
			return plan;
		};
		const plans: { mine?: Plan; ideal?: Plan } = {};
		const planned = {
			fromMs,
			toMs,
			acts(logbook: Logbook, truth: Truth): readonly ServiceAct[] {
				const [rig] = logbook.rigs as [Rig];
				plans.mine ??= planAt(logbook, fromMs);
				plans.ideal ??= idealOf(truth, rig, tripOf(logbook), fromMs);
				return actsOf(plans.mine.services, rig);
			}
		};
		const asMade = drawCase(seed, manner, days, Infinity, planned).planned;
		const { mine, ideal } = plans;
		if (!mine || !ideal || !asMade) continue;
		if (ideal.feasible) open++;
		if (ideal.feasible && !mine.feasible) givenUp++;
		if (!mine.feasible) continue;
		trips++;
		if (asMade.bound) bound++;
		let cost = 0;
		const anew = drawCase(seed, manner, days, Infinity, {
			...planned,
			again: {
				atMs: stops.map(({ arrive }) => Date.parse(arrive)),
				acts(logbook, atMs) {
					const { services } = planAt(logbook, atMs, true);
					const here = services.filter((one) => one.atMs === atMs);
					cost += here.reduce((sum, one) => sum + costOfServices(one.services, pricesOf({ policy })), 0);
					return actsOf(here, logbook.rigs[0] as Rig);
				}
			}
		}).planned;
		if (anew?.bound) boundAnew++;
		if (!ideal.feasible) continue;
		paid += cost;
		least += ideal.cost;
	}
	return {
		name: manner.name,
		trips,
		bound: share(bound, trips),
		boundAnew: share(boundAnew, trips),
		paid,
		least,
		givenUp: share(givenUp, open),
		slowestMs
	};
}

/** The plan of one who knows the rates, and what is in the tanks. */
function idealOf(truth: Truth, rig: Rig, trip: Trip, fromMs: number): Plan {
	const problem = planProblemOf(knowing(truth, rig, trip, fromMs), trip);
	return workOut({
		...problem,
		tanks: problem.tanks.map((tank) => {
			const startL = Math.max(0, truth.levels.get(tank.tank.id) ?? 0);
			return { ...tank, start: tank.start.map(() => startL), startL };
		})
	}).plan;
}
