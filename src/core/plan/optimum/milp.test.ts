import { DAY_MS } from '../../time/index.js';
import { seeded } from '../../numerics/index.js';
import highsLoader from 'highs';
import { expect, it } from 'vitest';
import { exactRig, exactTrip, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate } from '../../estimate/index.js';
import type { Rig, Service, Stop, Trip } from '../../logbook/index.js';
import { planProblemOf, workOut } from '../index.js';

const START = Date.UTC(2027, 4, 1, 6);
/** A run in depth looks at more of them: `TRIPS=220 npm run unit`. */
const TRIPS = Number(process.env.TRIPS ?? 60);

/** A trip at random: some stops have water, drains and disposal points, some none; crews and prices differ. */
function drawTrip(seed: number): { readonly trip: Trip; readonly rig: Rig; readonly startL: number } {
	const random = seeded(seed);
	const between = (from: number, to: number): number => from + (to - from) * random.uniform();
	const service = (kind: Service['kind']): Service => ({
		kind,
		fee: Math.round(between(0, 6)),
		minutes: Math.round(between(0, 30)),
		...(random.uniform() < 0.5 ? { detourKm: Math.round(between(0, 12)) } : {}),
		...(kind === 'water' && random.uniform() < 0.15 ? { potable: false } : {})
	});
	let ms = START;
	const stops = Array.from({ length: 3 + Math.floor(between(0, 12)) }, (_, i): Stop => {
		ms += between(0.2, 1.6) * DAY_MS;
		const arrive = new Date(ms).toISOString();
		ms += between(0, 0.5) * DAY_MS;
		return {
			id: `s${i}`,
			name: `S${i}`,
			arrive,
			depart: new Date(ms).toISOString(),
			legKm: Math.round(between(0, 180)),
			services: (['water', 'water', 'grey', 'black'] as const)
				.filter(() => random.uniform() < (seed % 2 ? 0.5 : 0.7))
				.map((kind) => service(kind)),
			...(random.uniform() < 0.2 ? { persons: 1 + Math.floor(between(0, 4)) } : {})
		};
	});
	const light = random.uniform() < 0.5;
	const some = (scale: number): number => (random.uniform() < 0.7 ? scale * between(0.2, 1) : 0);
	return {
		trip: {
			...exactTrip,
			to: '2027-06-30',
			stops,
			policy: {
				feePerMinute: some(0.3),
				feePerKm: some(0.6),
				feePerKgKm: light ? some(4e-3) : 0,
				fallback: seed % 2 === 0
			}
		},
		rig: {
			...exactRig,
			tanks: exactRig.tanks.map((tank) => {
				const usableL = Math.round(tank.nominalL * between(0.8, 1.8));
				return { ...tank, nominalL: usableL, usableL };
			})
		},
		startL: between(0.4, 1)
	};
}

/** What two persons of the exact rig use in a day, and any other number, by hand. */
const perDay = (persons: number): Readonly<Record<'fresh' | 'grey' | 'black', number>> => ({
	fresh: 12 + 6 * persons,
	grey: 12 + 4 * persons,
	black: 3 * persons
});

/**
 * The same trip as a mixed-integer program over levels, in the file format of CPLEX: what is in each tank on arrival, what
 * is taken, which services are used. It knows nothing of stretches.
 */
function programOf(trip: Trip, rig: Rig, startL: number): string {
	const { feePerMinute = 0, feePerKm = 0, feePerKgKm = 0, fallback } = trip.policy ?? {};
	const objective: string[] = [];
	const rules: string[] = [];
	const bounds: string[] = [];
	const binaries: string[] = [];
	const term = (factor: number, name: string): string =>
		`${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`;
	trip.stops.forEach(({ services, legKm }, i) => {
		objective.push(term(feePerKm, `d${i}`));
		if (feePerKgKm > 0) objective.push(term(feePerKgKm * legKm, `fresh${i}`));
		services.forEach(({ kind, fee = 0, minutes = 0, detourKm = 0 }, s) => {
			const use = `u${i}x${s}`;
			binaries.push(use);
			objective.push(term(fee + minutes * feePerMinute, use));
			rules.push(`d${i} ${term(-detourKm, use)} >= 0`);
			void kind;
		});
	});
	for (const tank of rig.tanks) {
		const size = tank.usableL ?? 0;
		const falls = tank.holds === 'fresh';
		const limit = falls ? tank.reserveL : size - tank.reserveL;
		const usesAt = ({ services }: Stop, i: number): readonly string[] =>
			services.flatMap(({ kind, potable }, s) =>
				(falls ? kind === 'water' && potable !== false : kind === tank.holds) ? [`u${i}x${s}`] : []
			);
		// litres from the arrival at a stop to that at another, or to the end
		const ends = [...trip.stops.map(({ arrive }) => arrive), trip.stops.at(-1)!.depart].map(Date.parse);
		const needBetween = (from: number, to: number): number =>
			trip.stops
				.slice(from, to)
				.reduce(
					(sum, { persons }, k) =>
						sum +
						(perDay(persons ?? trip.persons)[tank.holds] * (ends[from + k + 1]! - ends[from + k]!)) / DAY_MS,
					0
				);
		const nextAfter = (i: number): number => {
			const at = trip.stops.findIndex((stop, k) => k > i && usesAt(stop, k).length > 0);
			return at < 0 ? trip.stops.length : at;
		};
		// whether one who has been served at a stop gets to the end, being served at every stop that can
		const finishes = (i: number): boolean =>
			i === trip.stops.length ||
			(needBetween(i, nextAfter(i)) <= size - tank.reserveL && finishes(nextAfter(i)));
		// level on arrival, and as one goes on
		trip.stops.forEach((stop, i) => {
			const { arrive } = stop;
			const [before, after] = [`${tank.holds}${i}`, `on${tank.holds}${i}`];
			const previous = trip.stops[i - 1];
			const sinceMs = previous ? Date.parse(previous.arrive) : START;
			const need =
				(perDay(previous?.persons ?? trip.persons)[tank.holds] * (Date.parse(arrive) - sinceMs)) / DAY_MS;
			const sign = falls ? -1 : 1;
			rules.push(
				previous
					? `${before} - on${tank.holds}${i - 1} = ${sign * need}`
					: `${before} = ${(falls ? startL * size : 0) + sign * need}`
			);
			bounds.push(falls ? `${limit} <= ${before} <= ${size}` : `0 <= ${before} <= ${limit}`);
			bounds.push(`0 <= ${after} <= ${size}`);
			const uses = usesAt(stop, i);
			// found shut, what is there on arrival lasts until the next such stop, and from there the trip is finished
			if (fallback)
				for (const use of uses) {
					if (!finishes(nextAfter(i))) rules.push(`${use} = 0`);
					const more = needBetween(i, nextAfter(i));
					const beyond = size + more;
					rules.push(
						falls
							? `${before} ${term(-beyond, use)} >= ${limit + more - beyond}`
							: `${before} ${term(beyond, use)} <= ${limit - more + beyond}`
					);
				}
			const changed = uses.map((use) => term(-size, use)).join(' ');
			if (falls) {
				rules.push(`${after} - ${before} ${changed} <= 0`, `${after} - ${before} >= 0`);
				// where carrying is free the tank is filled: more aboard never hurts
			} else rules.push(`${before} - ${after} ${changed} <= 0`, `${before} - ${after} >= 0`);
		});
		const last = trip.stops.length - 1;
		const end = trip.stops[last]!;
		const rest =
			(perDay(end.persons ?? trip.persons)[tank.holds] * (Date.parse(end.depart) - Date.parse(end.arrive))) /
			DAY_MS;
		rules.push(
			falls ? `on${tank.holds}${last} >= ${limit + rest}` : `on${tank.holds}${last} <= ${limit - rest}`
		);
	}
	return `Minimize\n obj: ${objective.join(' ')}\nSubject To\n${rules.map((rule, i) => ` c${i}: ${rule}`).join('\n')}\nBounds\n${bounds.map((bound) => ` ${bound}`).join('\n')}\nBinary\n ${binaries.join(' ')}\nEnd`;
}

it('costs what a mixed-integer program over levels finds, and is infeasible where that is, on dozens of trips', async () => {
	const highs = await highsLoader();
	let [held, loose] = [0, 0];
	for (let seed = 1; seed <= TRIPS; seed++) {
		const { trip, rig, startL } = drawTrip(seed);
		const believed = estimate(logbookOf(freshStart(), rig, [trip]), 'rig', START);
		const size = rig.tanks[0]?.usableL ?? 0;
		const { plan } = workOut(planProblemOf(believed, trip, { paths: 20, loadL: startL * size }));
		const solved = highs.solve(programOf(trip, rig, startL), { mip_rel_gap: 0, mip_abs_gap: 1e-7 });
		const optimal = solved.Status === 'Optimal';
		expect(`${seed}: ${plan.feasible}`).toBe(`${seed}: ${optimal}`);
		if (!optimal) {
			loose++;
			continue;
		}
		held++;
		expect(Math.abs(plan.cost - solved.ObjectiveValue), `trip ${seed}`).toBeLessThan(
			1e-5 * Math.max(1, plan.cost)
		);
	}
	// both happen often enough to say something
	expect(held).toBeGreaterThan(TRIPS / 5);
	expect(loose).toBeGreaterThan(TRIPS / 8);
}, 120_000);
