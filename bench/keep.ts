import { estimate, type Estimate } from '../src/core/estimate';
import { seeded } from '../src/core/forecast';
import type { Logbook, Rig, Service, Stop, Trip } from '../src/core/logbook';
import { problemOf, work, type Plan } from '../src/core/plan';
import { DAY, drawCase, START, type Act, type Manner, type Truth } from './truth/index';

/** How planned trips fared when they were lived, as shares of 1. */
export interface Kept {
	readonly name: string;
	/** trips that were planned and lived */
	readonly trips: number;
	/** of those that the plan calls feasible: a tank bound somewhere */
	readonly bound: number;
	/** mean cost, over that of a plan made by one who knew the true rates and levels, where both hold */
	readonly overpaid: number;
	/** of the trips on which the true rates had a plan, the share that was given up */
	readonly givenUp: number;
	/** a plan took so long at the most, ms */
	readonly slowestMs: number;
}

/** Manners whose future is not in the log: guests that nobody said, hook-ups, jugs that are filled on the way. */
export const isKept = ({ guests, hookups, jugs }: Manner): boolean => !guests && !hookups && !jugs;

/** Days of a trip that are planned. */
const TRIP_DAYS = [8, 14] as const;

/** Stops at random from a moment on: a service at most of them, at fees, minutes and detours that differ. */
function stopsFrom(fromMs: number, random: ReturnType<typeof seeded>): readonly Stop[] {
	const between = (from: number, to: number): number => from + (to - from) * random.uniform();
	const endMs = fromMs + between(...TRIP_DAYS) * DAY;
	const stops: Stop[] = [];
	for (let ms = fromMs + between(0.1, 0.6) * DAY; ms < endMs; ms += between(0.4, 1.4) * DAY) {
		const services = (['water', 'grey', 'black'] as const)
			.filter(() => random.uniform() < 0.7)
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
function knowing(
	{ levels, capacity, habits, smallL }: Truth,
	rig: Rig,
	trip: Trip,
	fromMs: number
): Estimate {
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
	void levels;
	return estimate(logbook, 'rig', fromMs);
}

const actsOf = (plan: Plan, rig: Rig): readonly Act[] => {
	const fresh = rig.tanks.filter(({ holds }) => holds === 'fresh').map(({ id }) => id);
	return plan.services.flatMap(({ atMs, water, dump }): readonly Act[] => [
		...(water
			? fresh.map((tank) => ({ atMs, tank, ...(water.to ? {} : { litres: water.litres / fresh.length }) }))
			: []),
		...(dump ?? []).map((tank) => ({ atMs, tank }))
	]);
};

/**
 * Plans made-up trips for nine in ten after some days of log, and lives them to their end by the plan alone.
 *
 * @param light carrying water costs: part loads
 */
export function keep(manner: Manner, cases: number, light: boolean, firstSeed = 1): Kept {
	let [trips, bound, paid, least, open, givenUp, slowestMs] = [0, 0, 0, 0, 0, 0, 0];
	for (let seed = firstSeed; seed < firstSeed + cases; seed++) {
		const random = seeded(seed + 55_000);
		const fromMs = START + (3 + 5 * random.uniform()) * DAY;
		const stops = stopsFrom(fromMs, random);
		const toMs = Date.parse(stops.at(-1)?.depart ?? '');
		let [mine, best]: (Plan | undefined)[] = [undefined, undefined];
		const lived = drawCase(seed, manner, Math.ceil((toMs - START) / DAY) + 2, Infinity, {
			fromMs,
			toMs,
			acts(logbook, truth) {
				const [rig] = logbook.rigs as [Rig];
				const trip: Trip = {
					...(logbook.trips[0] as Trip),
					to: '2027-06-20',
					stops,
					policy: { certainty: 0.9, feePerMinute: 0.2, feePerKm: 0.4, feePerKgKm: light ? 6e-4 : 0 }
				};
				const began = performance.now();
				const believed = estimate({ ...logbook, trips: [trip] }, 'rig', fromMs);
				const between = performance.now();
				mine = work(problemOf(believed, trip)).plan;
				slowestMs = Math.max(slowestMs, performance.now() - between);
				void began;
				const problem = problemOf(knowing(truth, rig, trip, fromMs), trip);
				best = work({
					...problem,
					tanks: problem.tanks.map((tank) => {
						const startL = Math.max(0, truth.levels.get(tank.tank.id) ?? 0);
						return { ...tank, start: tank.start.map(() => startL), startL };
					})
				}).plan;
				return actsOf(mine, rig);
			}
		});
		const [plan, ideal] = [mine as Plan | undefined, best as Plan | undefined];
		if (!plan || !ideal || !lived.planned) continue;
		if (ideal.feasible) open++;
		if (ideal.feasible && !plan.feasible) givenUp++;
		if (!plan.feasible) continue;
		trips++;
		if (lived.planned.bound) bound++;
		if (!ideal.feasible) continue;
		paid += plan.cost;
		least += ideal.cost;
	}
	return {
		name: manner.name,
		trips,
		bound: bound / trips,
		overpaid: paid / least - 1,
		givenUp: givenUp / open,
		slowestMs
	};
}
