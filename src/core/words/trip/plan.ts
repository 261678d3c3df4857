import {
	certaintyOf,
	DEFAULT_CERTAINTY,
	instantMs,
	type Rig,
	type Stop,
	type Trip
} from '../../logbook/index.js';
import type { Effort, Plan, PlannedService } from '../../plan/index.js';
import { tankById } from '../../rig/index.js';
import { formatLitres, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';
import { capital } from '../outlook/stay.js';
import { sayShortfall, type Span } from '../outlook/verdict.js';
import { sayDay } from '../when.js';

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

const onDay = (stop: Stop, atMs: number, timeZone: string): string => {
	const day = sayDay(instantMs(stop.arrive), atMs, timeZone);
	return day === 'today' || day === 'tomorrow' ? day : `on ${day}`;
};

/** What the used services take: `20 minutes, 2 km out of the way, 5 in fees`. */
function effortOf({ minutes, detourKm, fees }: Effort): string {
	return listed([
		`${Math.round(minutes)} minutes`,
		...(detourKm > 0 ? [`${detourKm} km out of the way`] : []),
		fees > 0 ? `${fees} in fees` : 'no fee'
	]);
}

const chances = (certainty: number): string =>
	certainty === DEFAULT_CERTAINTY
		? 'Nine chances in ten'
		: `${Math.round(certainty * 100)} chances in a hundred`;

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
			? { headline: [{ text: 'No stop ahead serves you in time.', tone: 'mind' }], detail: shortfall }
			: { headline: [{ text: 'Nothing to fill or dump before the trip ends.' }], detail: [] };
	const after = stopOf(second?.stop);
	const then =
		after && second
			? `Then ${sayService(rig, second, units)} at ${after.name} ${onDay(after, atMs, timeZone)}. `
			: 'Then nothing until the end. ';
	const sure = planned.feasible ? `${chances(certaintyOf(trip))} that no tank binds. ` : '';
	return {
		headline: [
			{ text: capital(sayService(rig, first, units)), tone: 'mind' },
			{ text: ` at ${stop.name} ${onDay(stop, atMs, timeZone)}.` }
		],
		detail: [...shortfall, { text: `${then}${sure}In all ${effortOf(planned.effort)}.` }]
	};
}
