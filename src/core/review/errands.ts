import { HOUR_MS, MINUTE_MS } from '../time/index.js';
import {
	instantMs,
	tripInUse,
	type Entry,
	type Logbook,
	type Rig,
	type Service,
	type Stop
} from '../logbook/index.js';
import { costOfServices, serviceKindOf, type ServiceKind } from '../plan/index.js';
import { tankById } from '../rig/index.js';

/** One call at a tap or a drain. */
export interface Errand {
	readonly ms: number;
	/** the stop or the point; absent where nobody wrote down where */
	readonly name?: string;
	readonly kinds: readonly ServiceKind[];
	readonly fee: number;
	readonly minutes: number;
	readonly detourKm: number;
}

/** What a stretch cost for water and waste. */
export interface Errands {
	readonly fills: number;
	readonly dumps: number;
	readonly fee: number;
	readonly minutes: number;
	readonly km: number;
	readonly errands: readonly Errand[];
	/** fills and dumps of which nobody knows where they were: they cost what nobody wrote down */
	readonly unplaced: number;
}

/** Who fills a little before the arrival is written down, or after the departure, was there. */
const SLACK_MS = 45 * MINUTE_MS;
/** Acts at one place within this are one call. */
const ONE_CALL_MS = 6 * HOUR_MS;
const NO_MONEY = { perMinute: 1, perKm: 1, perKgKm: 0, perStop: 0, freeWater: false } as const;

/** Which kind of service an entry used; none where it used none, such as water poured from a jug. */
function kindUsed(rig: Rig, entry: Entry): ServiceKind | undefined {
	if (entry.kind !== 'fill' && entry.kind !== 'dump') return undefined;
	const tank = tankById(rig, entry.tank);
	if (!tank || (entry.kind === 'dump' && tank.holds === 'fresh')) return undefined;
	return serviceKindOf(tank.holds);
}

/** The service of each kind that was most likely used: of several the one that costs least. */
function servicesFor(offered: readonly Service[], kinds: ReadonlySet<ServiceKind>): readonly Service[] {
	const used = [...kinds].flatMap((kind) => {
		// Whatever was drunk of it: a tap, or what one is hooked up to.
		const fitting = offered.filter(
			(service) => service.kind === kind || service.kind === (kind === 'water' ? 'mains' : 'sewer')
		);
		return fitting.sort((a, b) => costOfServices([a], NO_MONEY) - costOfServices([b], NO_MONEY))[0] ?? [];
	});
	return [...new Set(used)];
}

/** The calls at taps and drains in a stretch, and what they cost, as far as stops and points say. */
export function errandsOf(
	{ trips, points }: Pick<Logbook, 'trips' | 'points'>,
	rig: Rig,
	entries: readonly Entry[],
	fromMs: number,
	toMs: number
): Errands {
	const stops: readonly Stop[] = trips
		.filter((trip) => trip.rig === rig.id)
		.flatMap((trip) => tripInUse(trip).stops);
	const calls: {
		at: number;
		last: number;
		place: string | undefined;
		name?: string;
		offered: readonly Service[];
		kinds: Set<ServiceKind>;
	}[] = [];
	let [fills, dumps, unplaced] = [0, 0, 0];
	for (const entry of entries) {
		const ms = instantMs(entry.at);
		if (entry.void || entry.rig !== rig.id || ms < fromMs || ms > toMs) continue;
		const kind = kindUsed(rig, entry);
		if (!kind) continue;
		if (kind === 'water') fills++;
		else dumps++;
		const named = entry.kind === 'fill' ? entry.point : entry.kind === 'dump' ? entry.where : undefined;
		const stop = stops.find(
			({ arrive, depart }) => ms >= instantMs(arrive) - SLACK_MS && ms <= instantMs(depart) + SLACK_MS
		);
		const point = points.find(({ id }) => id === (named ?? stop?.point));
		const offered = stop && stop.services.length > 0 ? stop.services : (point?.services ?? []);
		const place = stop?.id ?? point?.id;
		if (place === undefined) {
			unplaced++;
			continue;
		}
		const name = stop?.name ?? point?.name;
		const open = calls.find((call) => call.place === place && ms - call.last < ONE_CALL_MS);
		if (open) {
			open.kinds.add(kind);
			open.last = ms;
		} else
			calls.push({ at: ms, last: ms, place, ...(name ? { name } : {}), offered, kinds: new Set([kind]) });
	}
	const errands = calls.map(({ at, name, offered, kinds }): Errand => {
		const used = servicesFor(offered, kinds);
		return {
			ms: at,
			...(name ? { name } : {}),
			kinds: [...kinds],
			fee: used.reduce((sum, { fee = 0 }) => sum + fee, 0),
			minutes: used.reduce((sum, { minutes = 0 }) => sum + minutes, 0),
			detourKm: Math.max(0, ...used.map(({ detourKm = 0 }) => detourKm))
		};
	});
	const sum = (of: (one: Errand) => number): number => errands.reduce((total, one) => total + of(one), 0);
	return {
		fills,
		dumps,
		fee: sum(({ fee }) => fee),
		minutes: sum(({ minutes }) => minutes),
		km: sum(({ detourKm }) => detourKm),
		errands,
		unplaced
	};
}
