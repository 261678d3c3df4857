import { seeded } from '../src/core/numerics';
import { estimate } from '../src/core/estimate';
import type { Logbook, Service, Stop, Trip } from '../src/core/logbook';
import { plan, type Plan } from '../src/core/plan';
import { actsOf, DAY, drawCase, START, type Manner, type ServiceAct } from './truth/index';

/** A chance that a plan named, and whether the trip then worked. */
export interface NamedChance {
	readonly chance: number;
	readonly held: boolean;
	readonly feasible: boolean;
}

/** Stops at random from a moment on, few enough services that many a trip is in doubt. */
function sparseStops(fromMs: number, random: ReturnType<typeof seeded>): readonly Stop[] {
	const between = (from: number, to: number): number => from + (to - from) * random.uniform();
	const endMs = fromMs + between(3, 10) * DAY;
	const often = between(0.3, 0.9);
	const stops: Stop[] = [];
	for (let ms = fromMs + between(0.4, 1.5) * DAY; ms < endMs; ms += between(0.5, 2) * DAY)
		stops.push({
			id: `s${stops.length}`,
			name: `Stop ${stops.length}`,
			arrive: new Date(ms).toISOString(),
			depart: new Date(ms + 0.1 * DAY).toISOString(),
			legKm: Math.round(between(5, 80)),
			services: (['water', 'grey', 'black'] as const)
				.filter(() => random.uniform() < often)
				.map((kind): Service => ({ kind, fee: Math.round(between(0, 5)) }))
		});
	return stops;
}

/**
 * Trips of which some hardly work, lived with every service taken where the plan falls short, and by the plan where it works: what chance
 * was named, and what then came.
 */
export function nameChances(manner: Manner, cases: number, firstSeed = 1): readonly NamedChance[] {
	return Array.from({ length: cases }, (_, i) => firstSeed + i).flatMap((seed): readonly NamedChance[] => {
		const random = seeded(seed + 99_000);
		const fromMs = START + (5 + 8 * random.uniform()) * DAY;
		const stops = sparseStops(fromMs, random);
		const toMs = Date.parse(stops.at(-1)?.depart ?? '');
		if (!(toMs > fromMs)) return [];
		const known: { plan?: Plan } = {};
		const lived = drawCase(seed, manner, Math.ceil((toMs - START) / DAY) + 2, Infinity, {
			fromMs,
			toMs,
			acts(logbook: Logbook): readonly ServiceAct[] {
				const trip: Trip = { ...(logbook.trips[0] as Trip), to: '2027-06-20', stops };
				const book = { ...logbook, trips: [trip] };
				known.plan ??= plan(estimate(book, 'rig', fromMs), book, trip.id);
				const rig = logbook.rigs[0]!;
				if (known.plan.feasible) return actsOf(known.plan.services, rig);
				const tanks = rig.tanks.filter(({ feeds }) => feeds === undefined);
				return stops.flatMap(({ arrive, services }) =>
					tanks
						.filter(({ holds }) =>
							services.some(({ kind }) => kind === (holds === 'fresh' ? 'water' : holds))
						)
						.map(({ id }) => ({ atMs: Date.parse(arrive), tank: id }))
				);
			}
		}).planned;
		return lived && known.plan
			? [{ chance: known.plan.chance, held: !lived.bound, feasible: known.plan.feasible }]
			: [];
	});
}
