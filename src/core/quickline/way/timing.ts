import { dayPlus, HOUR_MS, MINUTE_MS, zonedMs, zonedTime } from '../../time/index.js';
import type { Rig, Service } from '../../logbook/index.js';
import type { WhenSaid } from './days.js';
import type { WayLine } from './line.js';

/** One goes on at this hour where nothing else is said. */
const LEAVES_AT_HOUR = 10;
/** On a day on which one only has to be there by then. */
const ARRIVES_AT_HOUR = 12;
/** About what is covered in an hour, breaks included. */
const KM_AN_HOUR: Readonly<Record<Rig['kind'], number>> = { camper: 42, boat: 9 };
/** A stop without a night takes at least so long, and times are told to so many minutes. */
const LEAST_MIN = 30;
const ROUND_MIN = 10;

const roundedUp = (minutes: number): number => ROUND_MIN * Math.ceil(minutes / ROUND_MIN - 1e-9);

/** How long it takes to get somewhere, ms. */
export const travelMs = (legKm: number, kind: Rig['kind']): number =>
	MINUTE_MS * roundedUp((60 * legKm) / KM_AN_HOUR[kind]);

/** How long one is at a stop where nobody has said: as long as its services take, half an hour at least. */
export const passingMs = (services: readonly Service[]): number =>
	MINUTE_MS * Math.max(LEAST_MIN, roundedUp(services.reduce((sum, { minutes = 0 }) => sum + minutes, 0)));

/** When one goes on who stays some nights. */
export const afterNights = (arriveMs: number, nights: number, timeZone: string): number =>
	zonedMs(dayPlus(zonedTime(arriveMs, timeZone).day, nights), timeZone, LEAVES_AT_HOUR);

const at = ({ hour, minute = 0 }: WhenSaid, day: string, timeZone: string, otherwise: number): number =>
	zonedMs(day, timeZone, hour ?? otherwise, hour === undefined ? 0 : minute);

/** When one goes on who stays until some moment; an hour without a day is the next one on the clock. */
export function untilMs(said: WhenSaid, arriveMs: number, timeZone: string): number {
	const { day } = zonedTime(arriveMs, timeZone);
	if (said.weekday && said.day !== undefined) {
		// Who comes on a Saturday and stays till Saturday stays a week.
		let last = said.day;
		while (last < day || (last === day && said.hour === undefined)) last = dayPlus(last, 7);
		return at(said, last, timeZone, LEAVES_AT_HOUR);
	}
	if (said.day !== undefined) return at(said, said.day, timeZone, LEAVES_AT_HOUR);
	const today = at(said, day, timeZone, LEAVES_AT_HOUR);
	return today > arriveMs ? today : at(said, dayPlus(day, 1), timeZone, LEAVES_AT_HOUR);
}

/** When one arrives who was to be there at some moment: `due` where that is on the day that was said. */
export function arriveMs(said: WhenSaid, dueMs: number, timeZone: string): number {
	const { day } = zonedTime(dueMs, timeZone);
	if (said.hour !== undefined) {
		const on = at(said, said.day ?? day, timeZone, ARRIVES_AT_HOUR);
		// A clock without a day: of the day on which one could be there, the next one where that is long gone by.
		return said.day === undefined && on < dueMs - 12 * HOUR_MS ? at(said, dayPlus(day, 1), timeZone, 0) : on;
	}
	return said.day === day || said.day === undefined ? dueMs : at(said, said.day, timeZone, ARRIVES_AT_HOUR);
}

/** How long somebody stays by what a line says; nothing where it says nothing. */
export function saidDepartMs(line: WayLine, arriveAtMs: number, timeZone: string): number | undefined {
	if (line.until) return untilMs(line.until, arriveAtMs, timeZone);
	if (line.nights !== undefined && line.nights > 0) return afterNights(arriveAtMs, line.nights, timeZone);
	return line.stayHours === undefined ? undefined : arriveAtMs + line.stayHours * HOUR_MS;
}
