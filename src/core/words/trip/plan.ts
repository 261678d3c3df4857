import { MINUTE_MS } from '../../time/index.js';
import { hasHours, instantMs, type Rig, type Stop, type Trip } from '../../logbook/index.js';
import {
	serviceKindOf,
	type Effort,
	type LastChance,
	type Plan,
	type PlannedService
} from '../../plan/index.js';
import { tankById } from '../../rig/index.js';
import { formatLitres, formatMoney, formatQuantity, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';
import { sayInstant } from '../log/entry.js';
import { capital } from '../outlook/stay.js';
import { SERVES } from './change.js';
import { sayShortfall } from '../outlook/verdict.js';
import type { Span } from '../spans.js';
import { onDay, sayDay, sayMomentOf, sayWhen } from '../when.js';
import { sayUnspared } from './ifShut.js';

/** A plan in words: what is next, and why. */
export interface PlanWords {
	readonly headline: readonly Span[];
	readonly detail: readonly Span[];
}

/** What to do at one stop: `take 48 L and empty Grey`. */
export function sayService(rig: Rig, service: PlannedService, units: UnitChoice): string {
	const dumps = (service.dump ?? []).map((id) => tankById(rig, id)?.name ?? id);
	return listed([
		...(service.water ? [`take ${formatLitres(service.water.litres, units)}`] : []),
		...(dumps.length > 0 ? [`empty ${listed(dumps)}`] : [])
	]);
}

/** What is planned at a stop: `take 48 L and empty Grey`, once for each visit to its services; from when on, where they open after one has arrived. */
export const doesAt = (
	rig: Rig,
	plan: Plan | undefined,
	{ id, arrive }: Pick<Stop, 'id' | 'arrive'>,
	units: UnitChoice,
	timeZone: string
): readonly string[] =>
	(plan?.services ?? [])
		.filter((service) => service.stop === id)
		.map((service) => {
			const waits = service.services.some(hasHours) && service.atMs > instantMs(arrive) + MINUTE_MS;
			return `${sayService(rig, service, units)}${waits ? `, open from ${sayInstant(service.atMs, timeZone)}` : ''}`;
		});

/** The tanks, by name, for which a stop is the last chance. */
export const lastFor = (rig: Rig, plan: Plan | undefined, stop: string): readonly string[] =>
	(plan?.lastChance ?? [])
		.filter((chance) => chance.stop === stop)
		.map(({ tank }) => tankById(rig, tank)?.name ?? tank);

/** What the used services take: `20 minutes, 2 km out of the way, 5 in fees`. */
function effortOf({ minutes, detourKm, fees }: Effort): string {
	return listed([
		`${Math.round(minutes)} minutes`,
		...(detourKm > 0 ? [`${Number(detourKm.toFixed(1))} km out of the way`] : []),
		fees > 0 ? `${formatMoney(fees)} in fees` : 'no fees'
	]);
}

/** How sure it is, no surer than is known: `94% chance`. */
const chances = (chance: number): string =>
	chance > 0.985 ? 'Almost certain' : `${Math.floor(100 * chance + 1e-9)}% chance`;

/** The last place to fill or dump before a tank binds: `Tamsel Ford tomorrow: last drain before Grey is full on Sunday.` */
export function sayLastChance(
	rig: Rig,
	trip: Trip,
	{ tank: id, stop: stopId, arriveMs, bindsMs }: LastChance,
	nowMs: number
): string {
	const { timeZone } = trip;
	const tank = tankById(rig, id);
	const kind = serviceKindOf(tank?.holds ?? 'fresh');
	const stop = trip.stops.find((one) => one.id === stopId)?.name ?? stopId;
	const sameDay = sayDay(arriveMs, nowMs, timeZone) === sayDay(bindsMs, nowMs, timeZone);
	const by = sameDay ? sayWhen(bindsMs, nowMs, timeZone) : onDay(bindsMs, nowMs, timeZone);
	const where = arriveMs <= nowMs ? `Here, ${stop}` : `${stop} ${onDay(arriveMs, nowMs, timeZone)}`;
	return `${where}: last ${SERVES[kind]} before ${tank?.name ?? id} ${kind === 'water' ? 'runs low' : 'is full'} ${by}.`;
}

/** What *Trip* says: where to fill and dump next, and what comes after. */
export function sayPlan(rig: Rig, trip: Trip, planned: Plan, atMs: number, units: UnitChoice): PlanWords {
	const { timeZone } = trip;
	const stopOf = (id: string | undefined): Stop | undefined => trip.stops.find((stop) => stop.id === id);
	const [first, second] = planned.services;
	const stop = stopOf(first?.stop);
	const shortfall: readonly Span[] = planned.shortfall
		? [{ text: `${sayShortfall(rig, planned.shortfall, atMs, timeZone, units)} `, tone: 'strong' }]
		: [];
	if (!first || !stop)
		return planned.shortfall
			? {
					headline: [
						{
							text:
								planned.chance < HOPELESS
									? 'No stop ahead has what you need in time.'
									: sayFallsShort(planned.chance),
							tone: 'mind'
						}
					],
					detail: shortfall
				}
			: { headline: [{ text: 'Nothing to fill or dump before the trip ends.' }], detail: [] };
	// When it is used; the hour where it opens only after one has arrived.
	const served = (service: PlannedService, { arrive }: Stop): string =>
		service.atMs > Math.max(atMs, instantMs(arrive)) + MINUTE_MS
			? `${sayMomentOf(service.atMs, atMs, timeZone)}, when it opens`
			: onDay(service.atMs, atMs, timeZone);
	const after = stopOf(second?.stop);
	const then =
		after && second
			? `Then ${sayService(rig, second, units)} at ${after.name} ${served(second, after)}. `
			: 'Then nothing until the end. ';
	const total = { text: `${then}Total: ${effortOf(planned.effort)}.` };
	if (planned.shortfall)
		return {
			headline: [{ text: sayFallsShort(planned.chance), tone: 'mind' }],
			detail: [
				...shortfall,
				{ text: `Even so, ${sayService(rig, first, units)} at ${stop.name} ${served(first, stop)}. ` },
				total
			]
		};
	const sure = `${chances(planned.chance)} that no tank runs low or fills up. `;
	const unspared: readonly Span[] = planned.unspared
		? [{ text: `${sayUnspared(rig, trip, planned.unspared, atMs)} `, tone: 'strong' }]
		: [];
	return {
		headline: [
			{ text: capital(sayService(rig, first, units)), tone: 'mind' },
			{ text: ` at ${stop.name} ${served(first, stop)}.` }
		],
		detail: [...unspared, { text: `${then}${sure}Total: ${effortOf(planned.effort)}.` }]
	};
}

/** Below this nobody counts on luck. */
const HOPELESS = 0.015;

/** What a trip holds at that falls short although every service is taken: `Only 38% chance that no tank runs low or fills up.` */
export const sayFallsShort = (chance: number): string =>
	chance < HOPELESS
		? 'This trip falls short.'
		: `Only ${Math.max(1, Math.floor(100 * chance + 1e-9))}% chance that no tank runs low or fills up.`;

/**
 * Where a plan counts on water of which nobody has said that it is for drinking, and what then; nothing where all of it is known.
 * Nobody has looked at a sign on one's behalf.
 */
export function sayDoubtfulTaps(trip: Trip, plan: Plan): string | undefined {
	const names = plan.services.flatMap(({ stop: id, water, services }) => {
		const taps = services.filter(({ kind }) => kind === 'water' || kind === 'mains');
		const stop = trip.stops.find((one) => one.id === id);
		return water && stop && taps.some(({ potable }) => potable !== true) ? [stop.name] : [];
	});
	if (names.length === 0) return undefined;
	const places = listed([...new Set(names)]);
	return `It uses water at ${places} that is not known to be drinkable: look for the sign or ask. Otherwise boil it, treat it, or buy what you drink and use this for washing.`;
}

/** By how much a plan breaks the payload, and where; nothing where it keeps within, or nobody has said what else is aboard. */
export function sayOverload(trip: Trip, { overload }: Plan, units: UnitChoice): string | undefined {
	if (!overload) return undefined;
	const stop = trip.stops.find(({ id }) => id === overload.stop);
	return `After filling at ${stop?.name ?? overload.stop} you would be ${formatQuantity(overload.kg, 'mass', units)} over the payload: no smaller fill gets you to the next tap. Leave something behind, fill in between, or use less.`;
}
