import { DAY_MS, MINUTE_MS, zonedTime } from '../../time/index.js';
import {
	instantMs,
	failedLast,
	isShut,
	type HoursReader,
	type Service,
	type Stop,
	type Trip
} from '../../logbook/index.js';
import type { Mask, Offer } from './offer.js';

/** What a plan takes at a stop, in the order of the bits of a mask. */
export const PLANNED_KINDS = ['water', 'grey', 'black'] as const;
/** A kind of service that a plan uses. */
export type ServiceKind = (typeof PLANNED_KINDS)[number];

/** The kind of service that what a tank holds asks for. */
export const serviceKindOf = (holds: 'fresh' | 'grey' | 'black'): ServiceKind =>
	holds === 'fresh' ? 'water' : holds;
/** Whether a set of kinds has one in it. */
export const hasKind = (mask: Mask, kind: ServiceKind): boolean =>
	((mask >> PLANNED_KINDS.indexOf(kind)) & 1) === 1;

/** What a plan pays for, in one currency; the first three are the policy's. */
export interface Prices {
	readonly perMinute: number;
	readonly perKm: number;
	readonly perKgKm: number;
	/** for each stop that is used at all */
	readonly perStop: number;
	/** water only where it costs no fee */
	readonly freeWater: boolean;
}

/** What minutes, kilometres and litres carried cost, by a trip's policy. */
export const pricesOf = ({ policy = {} }: Pick<Trip, 'policy'>): Prices => ({
	perMinute: priced(policy.feePerMinute ?? 0),
	perKm: priced(policy.feePerKm ?? 0),
	perKgKm: priced(policy.feePerKgKm ?? 0),
	perStop: 0,
	freeWater: false
});

/**
 * When services can be used. The file format's plan: once, on arrival. As people do it: also while they stay, each day anew.
 * A hook-up that is only listed is none of them; one that is chosen at a stop is a dump where it is a sewer, and where one
 * stays a tap where it is mains.
 */
export type Reading = 'on-arrival' | 'while-there';

/** A chance to use the services of a stop. */
export interface ServiceVisit extends Offer {
	readonly stop: Stop;
	readonly atMs: number;
	/** by kind of service: when it is first open from then on, and so is used; `atMs` where it is not offered */
	readonly openMs: readonly number[];
	/** one stays already, or again: it is not the arrival */
	readonly later: boolean;
	/** by mask of the kinds used: the services that are cheapest together */
	readonly services: readonly (readonly Service[])[];
}

/** A stay shorter than this is served on arrival and no more. */
const SEVERAL_DAYS_MS = 2 * DAY_MS;
/** Of a very long stay not every day is looked at. */
const MOST_TIMES = 14;
/** Of more chances to serve than this only some are looked at, evenly: their stretches are as many as their square. */
const MOST_VISITS = 600;

/** Whether a service serves tanks that hold something. */
export const servesKind = (service: Service, kind: ServiceKind): boolean =>
	service.kind === kind && !isShut(service) && (kind !== 'water' || service.potable !== false);

/**
 * Whether a stop serves tanks that hold something: by a service, or by a sewer that is chosen.
 *
 * @param opens when services are first open; where it is absent only what is shut for good is known
 */
export const stopServes = (
	stop: Stop,
	kind: ServiceKind,
	opens: OpensAt = (service) => (isShut(service) ? undefined : 0)
): boolean =>
	stop.services.some(
		(service) =>
			servesKind(service, kind) &&
			opens(service, stop, instantMs(stop.arrive), instantMs(stop.depart)) !== undefined
	) ||
	(kind !== 'water' && stop.hookup?.sewer === true);

/** The hook-ups of a stop. */
export const HOOKUPS = ['mains', 'sewer'] as const;

/** The hook-ups that a stop lists. */
export const hookupsListed = ({ services }: Pick<Stop, 'services'>): readonly (typeof HOOKUPS)[number][] =>
	HOOKUPS.filter((kind) => services.some((service) => service.kind === kind));

/** The hook-ups that are chosen at a stop, each by its cheapest service; one that the stop does not list costs nothing. */
export const hookupsAt = (
	{ hookup, services }: Pick<Stop, 'hookup' | 'services'>,
	prices: Prices
): readonly Service[] =>
	HOOKUPS.filter((kind) => hookup?.[kind]).map((kind) =>
		services
			.filter((service) => service.kind === kind)
			.reduce<Service>(
				(best, service) => (priceOf(service, prices) < priceOf(best, prices) ? service : best),
				services.find((service) => service.kind === kind) ?? { kind }
			)
	);

/** Whether a hook-up that is chosen serves tanks that hold something. */
const hookServes = (
	{ kind: of, potable }: Service,
	kind: ServiceKind,
	reading: Reading,
	onSewer: boolean
): boolean =>
	of === 'sewer'
		? kind !== 'water' && onSewer
		: of === 'mains' && kind === 'water' && reading === 'while-there' && potable !== false;

/** Nothing costs more than this: sums of what people type stay numbers. */
const BEYOND_ALL_MONEY = 1e12;
const priced = (price: number): number => Math.min(price, BEYOND_ALL_MONEY);

const detourOf = ({ detourKm = 0 }: Service): number => detourKm;
const priceOf = ({ fee = 0, minutes = 0 }: Service, { perMinute }: Prices): number =>
	priced(fee) + priced(minutes * perMinute);

/** Of a list of services those that nothing else is both cheaper and nearer than. */
const worthwhile = (services: readonly Service[], prices: Prices): readonly Service[] =>
	services.filter(
		(one, i) =>
			!services.some((other, k) => {
				const [cheaper, nearer] = [
					priceOf(other, prices) - priceOf(one, prices),
					detourOf(other) - detourOf(one)
				];
				return cheaper <= 0 && nearer <= 0 && (cheaper < 0 || nearer < 0 || k < i);
			})
	);

/** What some services cost together: each its fee and minutes, and the longest way round once. */
export const costOfServices = (services: readonly Service[], prices: Prices): number =>
	services.length === 0
		? 0
		: services.reduce((sum, service) => sum + priceOf(service, prices), prices.perStop) +
			priced(Math.max(...services.map(detourOf)) * prices.perKm);

/** The kinds that some tank needs, and those of them whose tanks are all built in, so that a sewer drains them. */
export interface Wanted {
	readonly wanted: Mask;
	readonly onSewer: Mask;
}

/** An open sewer valve drains a tank whether a plan needs it or not: of two ways that cost the same, the one that says so. */
const NEXT_TO_NOTHING = 1e-6;

/** What a stop offers, by the kinds used: the services that cost least together. */
function offerOf(
	stop: Pick<Stop, 'services' | 'hookup'>,
	prices: Prices,
	reading: Reading,
	{ wanted, onSewer }: Wanted
): Offer & Pick<ServiceVisit, 'services'> & { readonly hooked: readonly Service[] } {
	const hooked = hookupsAt(stop, prices);
	const byKind = PLANNED_KINDS.map((kind, i): readonly Service[] => {
		if (((wanted >> i) & 1) === 0) return [];
		// What is hooked up is paid for in any case.
		const free = hooked.filter((one) => hookServes(one, kind, reading, ((onSewer >> i) & 1) === 1));
		if (free.length > 0) return free;
		return worthwhile(
			stop.services.filter(
				(service) =>
					servesKind(service, kind) && !(prices.freeWater && kind === 'water' && (service.fee ?? 0) > 0)
			),
			prices
		);
	});
	const offers = byKind.reduce((mask, list, i) => (list.length > 0 ? mask | (1 << i) : mask), 0);
	const services = Array.from({ length: 1 << PLANNED_KINDS.length }, (_, mask): readonly Service[] => {
		if (mask === 0 || (mask & offers) !== mask) return [];
		let together: readonly (readonly Service[])[] = [hooked];
		byKind.forEach((list, i) => {
			// A sewer takes both kinds and is paid once.
			if ((mask >> i) & 1)
				together = together.flatMap((set) => list.map((one) => [...new Set([...set, one])]));
		});
		return together.reduce((best, set) =>
			costOfServices(set, prices) < costOfServices(best, prices) ? set : best
		);
	});
	const already = costOfServices(hooked, prices);
	return {
		offers,
		services,
		hooked,
		cost: services.map((set, mask) => {
			if ((mask & offers) !== mask) return Infinity;
			if (mask === 0) return 0;
			const drains = byKind.some(
				(list, i) => ((mask >> i) & 1) === 1 && list.some(({ kind }) => kind === 'sewer')
			);
			return costOfServices(set, prices) - already - (drains ? NEXT_TO_NOTHING : 0);
		})
	};
}

/** The moments from which on the services of a stop can be used, from a moment on; the arrival also while one stays: what opens later is still to come. */
function timesAt(stop: Stop, fromMs: number, reading: Reading): readonly number[] {
	const [arriveMs, departMs] = [instantMs(stop.arrive), instantMs(stop.depart)];
	if (reading === 'on-arrival') return departMs > fromMs || arriveMs >= fromMs ? [arriveMs] : [];
	const arrival = arriveMs >= fromMs ? [arriveMs] : [];
	const here = arriveMs < fromMs && departMs > fromMs + MINUTE_MS ? [fromMs] : [];
	if (departMs - Math.max(arriveMs, fromMs) < SEVERAL_DAYS_MS) return [...arrival, ...here];
	const stay = Math.floor((departMs - arriveMs) / DAY_MS);
	const every = Math.ceil(stay / MOST_TIMES);
	const again = Array.from(
		{ length: Math.floor(stay / every) },
		(_, i) => arriveMs + (i + 1) * every * DAY_MS
	);
	return [...arrival, ...here, ...again.filter((ms) => ms > fromMs + MINUTE_MS && ms < departMs - MINUTE_MS)];
}

/** The first moment of a stay, from a moment on, at which a service can be used; nothing where it is never open. */
export type OpensAt = (service: Service, stop: Stop, fromMs: number, untilMs: number) => number | undefined;

/**
 * The first moments at which services can be used, by what a reader makes of their hours; without one only what is shut for good is known.
 * What failed when somebody last looked is not counted on.
 *
 * @param nowMs what people have reported until then is known
 */
export function opensAt(
	{ timeZone, country }: Pick<Trip, 'timeZone' | 'country'>,
	hours: HoursReader | undefined,
	nowMs: number
): OpensAt {
	const { day } = zonedTime(nowMs, timeZone);
	return (service, { position }, fromMs, untilMs) => {
		if (isShut(service) || failedLast(service, day)) return undefined;
		return service.open === undefined || !hours
			? fromMs
			: hours.firstOpenMs(service.open, { timeZone, country, position: twoOf(position) }, fromMs, untilMs);
	};
}
const twoOf = (position: readonly number[] | undefined): readonly [number, number] | undefined =>
	position && [position[0] ?? 0, position[1] ?? 0];

/**
 * The services of a stop as they can be used from a moment of the stay on, and not before the plan begins: together as long as those of one kind open at one moment, else
 * each opening by itself.
 */
function* openings(
	stop: Stop,
	{ atMs, untilMs, fromMs }: { readonly atMs: number; readonly untilMs: number; readonly fromMs: number },
	opens: OpensAt
): Generator<{ readonly services: readonly Service[]; readonly openMs: readonly number[] }> {
	const { services, hookup } = stop;
	const timed = services.flatMap((service) => {
		// What is hooked up is there.
		const hooked = (service.kind === 'mains' || service.kind === 'sewer') && hookup?.[service.kind];
		const ms = hooked ? atMs : opens(service, stop, atMs, untilMs);
		return ms === undefined || ms < fromMs ? [] : [{ service, ms }];
	});
	const byKind = PLANNED_KINDS.map((kind) => [
		...new Set(timed.filter(({ service }) => service.kind === kind).map(({ ms }) => ms))
	]);
	const rest = timed.filter(({ service }) => service.kind === 'mains' || service.kind === 'sewer');
	for (let round = 0; round < Math.max(1, ...byKind.map(({ length }) => length)); round++) {
		const openMs = byKind.map((all) => all.toSorted((a, b) => a - b)[round] ?? atMs);
		const here = timed.filter(({ service: { kind }, ms }) =>
			PLANNED_KINDS.some((one, i) => one === kind && ms === openMs[i] && (byKind[i]?.length ?? 0) > round)
		);
		yield { services: [...(round === 0 ? rest : []), ...here].map(({ service }) => service), openMs };
	}
}

/**
 * Every chance to use services along a trip from a moment on, in order of time.
 *
 * @param wanted see `Wanted`
 * @param opens when services are first open
 * @param shutAt the kinds whose tanks cannot be emptied at a moment: frozen
 */
export function visitsOf(
	trip: Trip,
	fromMs: number,
	{ prices, reading }: { readonly prices: Prices; readonly reading: Reading },
	wanted: Wanted,
	opens: OpensAt,
	shutAt: (ms: number) => Mask = () => 0
): readonly ServiceVisit[] {
	const all = trip.stops
		.flatMap((stop) => {
			const moments = timesAt(stop, fromMs, reading);
			const departMs = instantMs(stop.depart);
			return moments.flatMap((atMs, i) => {
				// What opens only after one would look again is a chance of then.
				const untilMs = Math.max(atMs, moments[i + 1] ?? departMs);
				return [...openings(stop, { atMs, untilMs, fromMs }, opens)].flatMap(
					({ services: open, openMs }, round) => {
						const { hooked, ...offer } = offerOf({ ...stop, services: open }, prices, reading, wanted);
						const later = atMs !== instantMs(stop.arrive) || atMs < fromMs || round > 0;
						// Hook-ups were paid for on arrival.
						const services = later
							? offer.services.map((set) => set.filter((one) => !hooked.includes(one)))
							: offer.services;
						const visit: ServiceVisit = { ...offer, services, stop, atMs, openMs, later };
						return offer.offers === 0 ? [] : [withoutFrozen(visit, shutAt(atMs))];
					}
				);
			});
		})
		.filter(({ offers }) => offers > 0)
		.sort((a, b) => a.atMs - b.atMs);
	const every = Math.ceil(all.length / MOST_VISITS);
	return all.filter((_, i) => i % every === 0);
}

/** A visit without what is frozen then. */
function withoutFrozen(visit: ServiceVisit, shut: Mask): ServiceVisit {
	if (shut === 0) return visit;
	const cost = visit.cost.map((price, mask) => ((mask & shut) === 0 ? price : Infinity));
	return { ...visit, offers: visit.offers & ~shut, cost };
}
