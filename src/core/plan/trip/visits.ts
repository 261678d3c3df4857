import { DAY_MS, MINUTE_MS } from '../../time/index.js';
import { instantMs, isShut, type Service, type Stop, type Trip } from '../../logbook/index.js';
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

/** Whether a stop serves tanks that hold something: by a service, or by a sewer that is chosen. */
export const stopServes = (
	{ services, hookup }: Pick<Stop, 'services' | 'hookup'>,
	kind: ServiceKind
): boolean =>
	services.some((service) => servesKind(service, kind)) || (kind !== 'water' && hookup?.sewer === true);

/** The hook-ups of a stop. */
export const HOOKUPS = ['mains', 'sewer'] as const;

/** The hook-ups that a stop lists. */
export const hookupsListed = ({ services }: Pick<Stop, 'services'>): readonly (typeof HOOKUPS)[number][] =>
	HOOKUPS.filter((kind) => services.some((service) => service.kind === kind));

/** The hook-ups that are chosen at a stop, each by its cheapest service; one that the stop does not list costs nothing. */
export const hookupsAt = ({ hookup, services }: Stop, prices: Prices): readonly Service[] =>
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
	stop: Stop,
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

/** The moments at which the services of a stop can be used, from a moment on. */
function timesAt(stop: Stop, fromMs: number, reading: Reading): readonly number[] {
	const [arriveMs, departMs] = [instantMs(stop.arrive), instantMs(stop.depart)];
	const arrival = arriveMs >= fromMs ? [arriveMs] : [];
	if (reading === 'on-arrival') return arrival;
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

/**
 * Every chance to use services along a trip from a moment on, in order of time.
 *
 * @param wanted see `Wanted`
 * @param shutAt the kinds whose tanks cannot be emptied at a moment: frozen
 */
export function visitsOf(
	trip: Trip,
	fromMs: number,
	prices: Prices,
	reading: Reading,
	wanted: Wanted,
	shutAt: (ms: number) => Mask = () => 0
): readonly ServiceVisit[] {
	const all = trip.stops
		.flatMap((stop) => {
			const { hooked, ...offer } = offerOf(stop, prices, reading, wanted);
			if (offer.offers === 0) return [];
			const visits = timesAt(stop, fromMs, reading).map((atMs): ServiceVisit => {
				const later = atMs !== instantMs(stop.arrive);
				// Hook-ups were paid for on arrival.
				const services = later
					? offer.services.map((set) => set.filter((one) => !hooked.includes(one)))
					: offer.services;
				const shut = shutAt(atMs);
				if (shut === 0) return { ...offer, services, stop, atMs, later };
				const cost = offer.cost.map((price, mask) => ((mask & shut) === 0 ? price : Infinity));
				return { ...offer, offers: offer.offers & ~shut, cost, services, stop, atMs, later };
			});
			return visits.filter(({ offers }) => offers > 0);
		})
		.sort((a, b) => a.atMs - b.atMs);
	const every = Math.ceil(all.length / MOST_VISITS);
	return all.filter((_, i) => i % every === 0);
}
