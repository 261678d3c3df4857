import { hasHours, instantMs, type HoursReader, type Stop, type Trip } from '../../logbook/index.js';
import { opensAt } from '../../plan/index.js';
import { clockTime, zonedTime } from '../../time/index.js';
import { dayText } from '../log/entry.js';
import { SERVICE_NAMES } from './stop.js';

/** When one is at a stop, in short: `Sun 29 Nov → Wed 2 Dec`, `Wed 2 → Sat 5 Dec`, `Wed 2 Dec 10:20`. */
export function sayTimesAt({ arrive, depart }: Pick<Stop, 'arrive' | 'depart'>, timeZone: string): string {
	const [from, to] = [arrive, depart].map((at) => zonedTime(instantMs(at), timeZone));
	if (!from || !to) return '';
	if (from.day === to.day) return `${dayText(from.day)} ${clockTime(from)}`;
	const sameMonth = from.day.slice(0, 7) === to.day.slice(0, 7);
	// the month once, where it is one
	const first = sameMonth ? dayText(from.day).replace(/ \p{L}+$/u, '') : dayText(from.day);
	return `${first} → ${dayText(to.day)}`;
}

/** What the hours of a service say of a stay, in words. */
export interface Opening {
	readonly says: string;
	/** it is never open while one is there */
	readonly shut: boolean;
}

/** Services of a stop that are shut while one is there, or open only later: `tap shut`, `grey drain opens Mon 4 Jan 08:00`. */
export function sayOpenings(
	stop: Stop,
	trip: Pick<Trip, 'timeZone' | 'country'>,
	hours: HoursReader | undefined,
	nowMs: number
): readonly Opening[] {
	const opens = opensAt(trip, hours, nowMs);
	const [arriveMs, departMs] = [instantMs(stop.arrive), instantMs(stop.depart)];
	return stop.services.filter(hasHours).flatMap((service): readonly Opening[] => {
		const ms = opens(service, stop, arriveMs, departMs);
		const name = SERVICE_NAMES[service.kind];
		if (ms === undefined) return [{ says: `${name} shut`, shut: true }];
		if (ms <= arriveMs) return [];
		const at = zonedTime(ms, trip.timeZone);
		return [{ says: `${name} opens ${dayText(at.day)} ${clockTime(at)}`, shut: false }];
	});
}
