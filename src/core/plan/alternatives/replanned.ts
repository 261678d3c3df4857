import { HOUR_MS } from '../../time/index.js';
import { instantMs, type Entry, type Rig, type Trip } from '../../logbook/index.js';
import { missingFrom, servicesAt, type ServiceAt } from './compare.js';
import type { Plan } from '../plan.js';
import { serviceKindOf, type ServiceKind } from '../trip/index.js';

/** What is remembered of a plan, to tell what has changed, and what was passed by. */
export interface PlanSeen {
	readonly trip: string;
	readonly atMs: number;
	readonly feasible: boolean;
	readonly services: readonly ServiceAt[];
	readonly binds: readonly { readonly tank: string; readonly bindsMs: number }[];
}

/** The kind of service that a rig's tank asks for. */
export const kindOfTankIn =
	({ tanks }: Rig) =>
	(id: string): ServiceKind =>
		serviceKindOf(tanks.find((tank) => tank.id === id)?.holds ?? 'fresh');

/** A plan as it is remembered, to tell later what has changed in it. */
export const seenOf = (rig: Rig, trip: Trip, plan: Plan, atMs: number): PlanSeen => ({
	trip: trip.id,
	atMs,
	feasible: plan.feasible,
	services: servicesAt(plan, kindOfTankIn(rig)),
	binds: plan.binds
});

/** What is different in a plan since it was last seen. */
export interface Replanned {
	/** the tank that is behind it, and whether it lasts shorter than thought */
	readonly tank?: string;
	readonly sooner?: boolean;
	readonly needed: readonly ServiceAt[];
	readonly spared: readonly ServiceAt[];
	/** it holds no longer, or again; absent where it does as before */
	readonly holds?: boolean;
}

/** A tank that binds so much sooner or later than thought is behind a change. */
const NOTICEABLE_MS = 2 * HOUR_MS;

/** What of a plan has changed for what is still ahead; nothing where it is as it was, or what was planned has been done. */
export function replanned(before: PlanSeen, now: PlanSeen): Replanned | undefined {
	if (before.trip !== now.trip) return undefined;
	const ahead = ({ atMs }: ServiceAt): boolean => atMs > now.atMs;
	const needed = missingFrom(before.services, now.services).filter(ahead);
	const spared = missingFrom(now.services, before.services).filter(ahead);
	const holds = before.feasible === now.feasible ? {} : { holds: now.feasible };
	if (needed.length === 0 && spared.length === 0 && before.feasible === now.feasible) return undefined;
	const moved = now.binds
		.map(({ tank, bindsMs }) => {
			const was = before.binds.find((one) => one.tank === tank)?.bindsMs;
			return { tank, byMs: was === undefined ? -Infinity : bindsMs - was };
		})
		.concat(
			before.binds
				.filter(({ tank }) => !now.binds.some((one) => one.tank === tank))
				.map(({ tank }) => ({ tank, byMs: Infinity }))
		)
		.filter(({ byMs }) => Math.abs(byMs) >= NOTICEABLE_MS);
	// What needs more is behind what is needed, what needs less behind what is spared.
	const behind =
		needed.length > 0 || now.feasible < before.feasible
			? moved.reduce((a, b) => (b.byMs < a.byMs ? b : a), { tank: '', byMs: 0 })
			: moved.reduce((a, b) => (b.byMs > a.byMs ? b : a), { tank: '', byMs: 0 });
	return {
		needed,
		spared,
		...holds,
		...(behind.tank === '' ? {} : { tank: behind.tank, sooner: behind.byMs < 0 })
	};
}

/** A service that was planned at a stop which now lies behind, and nothing was written down of it. */
export interface PassedBy {
	readonly stop: string;
	readonly atMs: number;
	readonly tanks: readonly string[];
}

/** One fills and dumps a little before the plan has it, too. */
const EARLY_MS = 6 * HOUR_MS;

/** Planned services that were passed by without an entry, one for each stop. */
export function passedBy(
	seen: PlanSeen,
	rig: Rig,
	trip: Trip,
	entries: readonly Entry[],
	nowMs: number
): readonly PassedBy[] {
	return trip.stops.flatMap((stop): readonly PassedBy[] => {
		const leftMs = instantMs(stop.depart);
		const planned = seen.services.filter((one) => one.stop === stop.id);
		if (leftMs > nowMs || leftMs < seen.atMs || planned.length === 0) return [];
		const fromMs = instantMs(stop.arrive) - EARLY_MS;
		const served = new Set(
			entries.flatMap((entry) =>
				!entry.void && (entry.kind === 'fill' || entry.kind === 'dump') && instantMs(entry.at) >= fromMs
					? [kindOfTankIn(rig)(entry.tank)]
					: []
			)
		);
		const kinds = planned.map(({ kind }) => kind).filter((kind) => !served.has(kind));
		const tanks = rig.tanks.filter(
			({ holds, retired, feeds }) => !retired && feeds === undefined && kinds.includes(serviceKindOf(holds))
		);
		return tanks.length > 0
			? [{ stop: stop.id, atMs: instantMs(stop.arrive), tanks: tanks.map(({ id }) => id) }]
			: [];
	});
}
