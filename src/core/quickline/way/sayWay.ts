import {
	canonical,
	instantMs,
	notRetired,
	type Point,
	type Rig,
	type Service,
	type Stop
} from '../../logbook/index.js';
import { daysBetween, MINUTE_MS, zonedTime } from '../../time/index.js';
import { sayExactly, whenAt, type WhenSaid } from './days.js';
import { knownNames, readLine } from './line.js';
import { legStraight, wasteOf } from './readWay.js';
import { afterNights, arriveMs as arrivalMs, passingMs, travelMs, untilMs } from './timing.js';

/** What a trip is written in lines with. */
export interface SaidWith {
	readonly timeZone: string;
	readonly rig?: Rig | undefined;
	readonly points?: readonly Point[] | undefined;
}

const figure = (value: number): string => String(Math.round(100 * value) / 100);

/** A service as it is read again: `drinking water 5 10 min`, `grey free`. */
function sayService({ kind, potable, fee, minutes, detourKm }: Service): string {
	return [
		kind === 'water' && potable === true ? 'drinking water' : kind,
		...(fee === undefined ? [] : [fee === 0 ? 'free' : figure(fee)]),
		...(minutes === undefined ? [] : [`${figure(minutes)} min`]),
		...(detourKm === undefined ? [] : [`${figure(detourKm)} km detour`]),
		...(kind === 'water' && potable === false ? ['not for drinking'] : [])
	].join(' ');
}

/** The services of a stop, as far as its point does not say them. */
function sayServices(services: readonly Service[], point: Point | undefined): readonly string[] {
	const known = point?.services ?? [];
	if (canonical(services) === canonical(known)) return [];
	const missing = [...new Set(known.map(({ kind }) => kind))].filter(
		(kind) => !services.some((service) => service.kind === kind)
	);
	return [...services.map(sayService), ...missing.map((kind) => `no ${kind}`)];
}

/** A name that is read again as it stands: in quotes where a word of it means something else. */
function sayName(name: string, { rig, points = [] }: SaidWith): string {
	const plain = name.replaceAll(/["“”„\s]+/g, ' ').trim();
	const read = readLine(plain, {
		after: '2027-01-04',
		waste: wasteOf(rig),
		names: knownNames(points.map((point) => point.name))
	});
	const { said, problems, name: again, ...rest } = read;
	const alone =
		Object.keys(rest).length === 0 &&
		said.services.length === 0 &&
		problems.length === 0 &&
		!said.none &&
		!said.ashore;
	return again === plain && alone && !/\bthen\b|→|>|^#/i.test(plain) ? plain : `“${plain}”`;
}

/** What one says of a stop beside its name and its times. */
function sayBesides({ weather, persons, hookup, ashore, note }: Stop): readonly string[] {
	const hooked = (['mains', 'sewer'] as const).filter((kind) => hookup?.[kind]);
	return [
		...(hooked.length > 0 ? [`hook-up to ${hooked.join(' and ')}`] : []),
		...(ashore ? ['showers ashore'] : []),
		...(weather && 'maxC' in weather ? [`${figure(weather.maxC)}/${figure(weather.minC)} °C`] : []),
		...(persons === undefined ? [] : [`${persons} people`]),
		...(note === undefined ? [] : [`note ${note.replaceAll(/\s+/g, ' ').trim()}`])
	];
}

/**
 * A trip in lines, a stop a line, as it is read again: what its lines do not say (heel, exertion, weather day by day) they do not change.
 * Times are told where they do not follow from the nights and the way.
 */
export function sayWay(all: readonly Stop[], having: SaidWith): string {
	const { timeZone, rig, points = [] } = having;
	const stops = notRetired(all);
	const kind = rig?.kind ?? 'camper';
	const dayOf = (ms: number): string => zonedTime(ms, timeZone).day;
	/** the shortest way to say a moment that is read again as it */
	const said = (ms: number, after: string, means: (read: WhenSaid) => number): string => {
		const { day, hour, minute } = zonedTime(ms, timeZone);
		const exactly = sayExactly(day, hour, minute);
		const [weekday = '', date = '', month = '', , clock = ''] = exactly.split(' ');
		const shorter = [clock, `${weekday} ${clock}`, `${weekday} ${date} ${month} ${clock}`];
		return (
			shorter.find((one) => {
				const read = whenAt(one, after);
				return read !== undefined && read.length === one.length && same(means(read.said), ms);
			}) ?? exactly
		);
	};
	const pointOf = ({ point }: Stop): Point | undefined => points.find(({ id }) => id === point);
	const same = (a: number, b: number): boolean => Math.abs(a - b) < MINUTE_MS;
	const saysArrival = stops.map((stop, i) => {
		const before = stops[i - 1];
		return (
			before !== undefined &&
			!same(instantMs(stop.arrive), instantMs(before.depart) + travelMs(stop.legKm, kind))
		);
	});
	return stops
		.map((stop, i) => {
			const { arrive, depart, services, legKm } = stop;
			const [arriveMs, departMs] = [instantMs(arrive), instantMs(depart)];
			const point = pointOf(stop);
			const leftMs = i > 0 ? instantMs(stops[i - 1]?.depart ?? arrive) : arriveMs;
			const [leftOn, dueMs] = [dayOf(leftMs), leftMs + (i > 0 ? travelMs(legKm, kind) : 0)];
			const nights = daysBetween(dayOf(arriveMs), dayOf(departMs));
			const ends = i === stops.length - 1 && services.length === 0;
			const passes = same(departMs, ends ? arriveMs : arriveMs + passingMs(services));
			const stay =
				nights > 0 && same(departMs, afterNights(arriveMs, nights, timeZone))
					? [`${nights} ${nights === 1 ? 'night' : 'nights'}`]
					: passes && !saysArrival[i + 1]
						? []
						: [`till ${said(departMs, leftOn, (when) => untilMs(when, arriveMs, timeZone))}`];
			const straight = legStraight(point, stops[i - 1]);
			const km = (straight ?? 0) === legKm ? '' : `${legKm} km `;
			const beside = [
				...sayServices(services, point),
				...(saysArrival[i]
					? [`arrive ${said(arriveMs, leftOn, (when) => arrivalMs(when, dueMs, timeZone))}`]
					: []),
				...stay,
				...sayBesides(stop)
			];
			return `${km}${sayName(stop.name, having)}${beside.length > 0 ? `, ${beside.join(', ')}` : ''}`;
		})
		.join('\n');
}
