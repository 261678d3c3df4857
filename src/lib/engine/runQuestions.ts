import { DAY_MS } from '$core/time';
import { levelOf, usableOfTank, type Estimate } from '$core/estimate';
import {
	instantMs,
	notRetired,
	tripInUse,
	type Container,
	type Entry,
	type Point,
	type Trip
} from '$core/logbook';
import { carryingAt, serviceKindOf, servesKind, type Carrying } from '$core/plan';
import { hoseLitres, neverBinds, USUAL_WASTE_HOSE, type Hose } from '$core/rig';
import {
	dumpSetup,
	fillFigures,
	fillSetup,
	livesFrom,
	stayByContainer,
	whenToGo,
	type DumpSetup,
	type FillFigures,
	type FillSetup,
	type FillTarget,
	type FillWish,
	type StayLoads
} from '$core/runs';
import type { UnitChoice } from '$core/units';
import { sayNear, sayStayAt, sayWhenToGo } from '$core/words';

/** The waste hose of a rig, metres; a usual one where nobody has said, none where it is 0. */
interface WithHose {
	readonly hoseM?: number | undefined;
}
const hoseOf = ({ hoseM = USUAL_WASTE_HOSE.lengthM }: WithHose): Hose => ({
	...USUAL_WASTE_HOSE,
	lengthM: hoseM
});

/** What is asked about filling, dumping and carrying. */
export type RunAsk =
	| { readonly kind: 'figures'; readonly tank: string; readonly target: FillTarget }
	| { readonly kind: 'fill'; readonly wish: FillWish }
	| {
			readonly kind: 'dump';
			readonly tanks: readonly string[];
			readonly where?: string;
			readonly pumped?: boolean;
	  }
	/** when to go with the tote, where one lives from it */
	| ({ readonly kind: 'when-to-go' } & WithHose)
	/** what the stops ahead that have no service ask of the containers */
	| ({ readonly kind: 'stays'; readonly trip: string } & WithHose)
	/** what is near where one is without a service */
	| { readonly kind: 'near'; readonly stop: string }
	/** a whole stay of so many days from now on */
	| ({ readonly kind: 'stay'; readonly container: string; readonly days: number } & WithHose);

export interface StayAt {
	readonly stop: string;
	readonly container: string;
	readonly stay: StayLoads;
	readonly says: string;
}

/** Something near by that a container brings within reach. */
export interface NearByHand {
	readonly says: string;
	readonly container: string;
	readonly service: Carrying['service'];
}

export interface RunAnswers {
	readonly figures: FillFigures;
	readonly fill: FillSetup;
	/** nothing where there is nothing to empty */
	readonly dump: DumpSetup | undefined;
	readonly 'when-to-go': readonly string[];
	readonly stays: readonly StayAt[];
	readonly near: readonly NearByHand[];
	readonly stay: StayLoads;
}

/** What the engine has in hand when it is asked. */
export interface RunsAsked {
	readonly estimate: Estimate;
	/** of the rig, those that count, in order */
	readonly entries: readonly Entry[];
	readonly trip: Trip | undefined;
	readonly trips: readonly Trip[];
	readonly points: readonly Point[];
	readonly timeZone: string;
	readonly units: UnitChoice;
}

/** A stay of so many days is worth a reckoning of its loads; one that ends further off than so many is not yet. */
const LONG_DAYS = 2;
const FAR_DAYS = 90;

/** With less than this nobody carries anything, litres. */
const LEAST_L = 0.5;
const containersOf = ({ estimate }: RunsAsked): readonly Container[] =>
	estimate.model.rig.containers.filter(
		({ retired, count, capacityL, headroomL }) => !retired && count > 0 && capacityL - headroomL >= LEAST_L
	);

/** What is smaller than the hose's content is not filled by it, but poured into. */
const hoseInto = ({ capacityL }: Container, hose: Hose): Hose =>
	hoseLitres(hose) < capacityL ? hose : { ...hose, lengthM: 0 };

function whenToGoOf(asked: RunsAsked, hose: Hose): readonly string[] {
	const { estimate, entries, timeZone, units } = asked;
	const { rig } = estimate.model;
	return rig.tanks.flatMap((tank) => {
		if (tank.holds === 'fresh' || tank.retired) return [];
		const container = livesFrom(estimate, tank, entries);
		if (!container || !containersOf(asked).includes(container)) return [];
		const found = whenToGo(estimate, tank, container, tank.portable ? undefined : hoseInto(container, hose));
		return found ? [sayWhenToGo(rig, found, estimate.atMs, timeZone, units)] : [];
	});
}

function staysOf(asked: RunsAsked, tripId: string, hose: Hose): readonly StayAt[] {
	const { estimate, trips, units } = asked;
	const found = trips.find(({ id }) => id === tripId);
	if (!found) return [];
	const trip = tripInUse(found);
	const ahead = trip.stops.filter(
		({ arrive, depart }) =>
			instantMs(depart) > estimate.atMs &&
			instantMs(depart) - estimate.atMs < FAR_DAYS * DAY_MS &&
			instantMs(depart) - instantMs(arrive) >= LONG_DAYS * DAY_MS
	);
	return ahead.flatMap((stop) =>
		containersOf(asked).flatMap((container): readonly StayAt[] => {
			const kind = serviceKindOf(container.carries);
			if (stop.services.some((service) => servesKind(service, kind, 'while-there'))) return [];
			const stay = stayByContainer(
				estimate,
				container,
				instantMs(stop.arrive),
				instantMs(stop.depart),
				hoseInto(container, hose)
			);
			return stay.loads > 0
				? [
						{
							stop: stop.id,
							container: container.id,
							stay,
							says: sayStayAt(stop, container, stay, units)
						}
					]
				: [];
		})
	);
}

/** A fresh tank is offered water from here down, a waste tank a way out from here up, as a share of what serves. */
const LOW = 0.6;
const HIGH = 0.4;

function isWanted(estimate: Estimate, service: Carrying['service']): boolean {
	return estimate.model.rig.tanks.some((tank) => {
		if (serviceKindOf(tank.holds) !== service || neverBinds(estimate.model.rig, tank)) return false;
		const share = levelOf(estimate, tank.id).mean / usableOfTank(estimate, tank.id).mean;
		return service === 'water' ? share <= LOW : share >= HIGH;
	});
}

function nearOf({ estimate, trip, points, units }: RunsAsked, stopId: string): readonly NearByHand[] {
	const { rig } = estimate.model;
	const stop = trip?.stops.find(({ id }) => id === stopId);
	if (!stop) return [];
	return carryingAt(rig, stop, notRetired(points), 'while-there')
		.filter(({ service }) => isWanted(estimate, service))
		.map((one) => ({
			container: one.container,
			service: one.service,
			says: sayNear(rig, stop, points, one, units)
		}));
}

/** Answers what is asked about runs. @throws RangeError with what does not fit and what to do */
export function answerRun<K extends RunAsk['kind']>(
	asked: RunsAsked,
	what: Extract<RunAsk, { kind: K }>
): RunAnswers[K];
export function answerRun(asked: RunsAsked, what: RunAsk): RunAnswers[RunAsk['kind']] {
	const { estimate, entries } = asked;
	switch (what.kind) {
		case 'figures':
			return fillFigures(estimate, what.tank, what.target);
		case 'fill':
			return fillSetup(estimate, entries, what.wish);
		case 'dump':
			return dumpSetup(estimate, what.tanks, what.where, what.pumped);
		case 'when-to-go':
			return whenToGoOf(asked, hoseOf(what));
		case 'stays':
			return staysOf(asked, what.trip, hoseOf(what));
		case 'near':
			return nearOf(asked, what.stop);
		case 'stay': {
			const container = containersOf(asked).find(({ id }) => id === what.container);
			if (!container) throw new RangeError('this rig has no such container; add one under Rig');
			return stayByContainer(
				estimate,
				container,
				estimate.atMs,
				estimate.atMs + what.days * DAY_MS,
				hoseInto(container, hoseOf(what))
			);
		}
	}
}
