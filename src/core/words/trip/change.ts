import { instantMs, type Point, type Rig, type School, type Stop, type Trip } from '../../logbook/index.js';
import type { Carrying, PlanMend, ServiceAt, ServiceKind, TripChange } from '../../plan/index.js';
import { formatHours, formatQuantity, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';
import { sayCertainty } from '../saving/chance.js';
import { onDay } from '../when.js';

/** A way to fill and dump, as those say it who hold with it. */
export interface SchoolWords {
	readonly name: string;
	readonly says: string;
}

const LEAST_COST: SchoolWords = {
	name: 'Least cost',
	says: 'The cheapest by your prices of minutes, kilometres and carried water.'
};
const SCHOOL_WORDS: Readonly<Record<School, SchoolWords>> = {
	'top-up': { name: 'Top up whenever you can', says: 'Use every tap and drain on the route.' },
	'when-due': { name: 'Only when due', says: 'Each tank waits for the last stop in reach.' },
	light: { name: 'Carry light', says: 'Carry only the water you need to the next tap.' },
	'fewest-stops': { name: 'Fewest stops', says: 'Fill and dump together, at as few stops as possible.' },
	'free-water': { name: 'Free water only', says: 'Skip taps that charge a fee.' }
};

/** A way of choosing services by its name. */
export const saySchool = (school: School | undefined): SchoolWords =>
	school === undefined ? LEAST_COST : SCHOOL_WORDS[school];

/** What serves a kind of tank, as one finds it on the way. */
export const SERVES: Readonly<Record<ServiceKind, string>> = {
	water: 'tap',
	grey: 'drain',
	black: 'dump point'
};

interface About {
	readonly rig: Rig;
	readonly trip: Trip;
	readonly points: readonly Point[];
	readonly units: UnitChoice;
}

const COUNTS = ['no', 'one', 'two', 'three', 'four', 'five', 'six'];
const people = (count: number, more: string): string =>
	`${COUNTS[count] ?? count} ${more} ${count === 1 ? 'person' : 'people'}`;

/** How much effort it is to carry: `3 trips of 1.2 km each way, 45 min`. */
export const sayTrips = ({ trips, km, minutes }: Carrying, units: UnitChoice): string =>
	`${trips} ${trips === 1 ? 'trip' : 'trips'} of ${formatQuantity(km, 'distance', units)} each way, ${formatHours(minutes / 60)}`;

/** What one would do differently, without a full stop: `stay one more night at Low Sarn`. */
export function sayChange(change: TripChange, { rig, trip, points, units }: About): string {
	const stopName = (id: string): string => trip.stops.find((stop) => stop.id === id)?.name ?? id;
	switch (change.kind) {
		case 'skip':
			return `skip ${stopName(change.stop)}`;
		case 'nights': {
			const nights = Math.abs(change.by);
			const count = COUNTS[nights] ?? nights;
			const word = nights === 1 ? 'night' : 'nights';
			return `stay ${count} ${change.by > 0 ? 'more' : 'fewer'} ${word} at ${stopName(change.stop)}`;
		}
		case 'order': {
			const before = trip.stops[change.to];
			return `go to ${stopName(change.stop)}${before ? ` before ${before.name}` : ' last'}`;
		}
		case 'point': {
			const name = points.find(({ id }) => id === change.point)?.name ?? change.point;
			const km = formatQuantity(change.detourKm, 'distance', units);
			return `use ${name} from ${stopName(change.stop)}, ${km} there and back as the crow flies`;
		}
		case 'carry': {
			const name = points.find(({ id }) => id === change.point)?.name ?? change.point;
			const container = rig.containers.find(({ id }) => id === change.container)?.name ?? change.container;
			const way =
				change.service === 'water' ? `fetch water from ${name}` : `take ${change.service} to ${name}`;
			return `${way} with ${container} at ${stopName(change.stop)}, ${sayTrips(change, units)}`;
		}
		case 'hookup': {
			const { mains, sewer } = change.hookup;
			if (!mains && !sewer) return `don’t hook up at ${stopName(change.stop)}`;
			return `hook up to ${listed([...(mains ? ['mains water'] : []), ...(sewer ? ['the sewer'] : [])])} at ${stopName(change.stop)}`;
		}
		case 'certainty':
			return `plan to be ${sayCertainty(change.certainty)}`;
		case 'fallback':
			return change.on ? 'work even if one tap or drain is shut' : 'count on every tap and drain being open';
		case 'school':
			return saySchool(change.school).name.toLowerCase();
		case 'persons':
			return change.by > 0
				? `take ${people(change.by, 'more')} aboard`
				: `go with ${people(-change.by, 'fewer')}`;
		case 'measures':
			return `switch on ${listed(change.on.map((id) => rig.measures.find((one) => one.id === id)?.name ?? id))}`;
	}
}

/** What would make a plan work, as the end of a sentence: `It works if you switch on Short showers.` */
export const sayMendOfTrip = (mend: PlanMend, about: About): string =>
	`It works if you ${sayChange(mend.change, about)}.`;

/** A service at a stop: `the drain at Tamsel Ford on Thursday`. */
export function sayServiceAt({ stop: id, kind, atMs }: ServiceAt, trip: Trip, nowMs: number): string {
	const stop: Stop | undefined = trip.stops.find((one) => one.id === id);
	return `the ${SERVES[kind]} at ${stop?.name ?? id} ${onDay(stop ? instantMs(stop.arrive) : atMs, nowMs, trip.timeZone)}`;
}
