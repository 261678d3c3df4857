import { clockTime, HOUR_MS, zonedTime } from '../../time/index.js';
import { sayDay, sayWhen } from '../when.js';

const HALF_HOUR_MS = 1_800_000;
/** Further off nobody reckons in hours. */
const CLOCK_WITHIN_MS = 36 * HOUR_MS;

/** A moment to the half hour while it is near, else to the part of the day: `tomorrow at 16:00`, `Friday evening`, `at noon`. */
export function sayAt(ms: number, nowMs: number, timeZone: string): string {
	if (Math.abs(ms - nowMs) > CLOCK_WITHIN_MS) return sayWhen(ms, nowMs, timeZone);
	const near = Math.round(ms / HALF_HOUR_MS) * HALF_HOUR_MS;
	const clock = clockTime(zonedTime(near, timeZone));
	return `${sayDay(near, nowMs, timeZone)} at ${clock === '12:00' ? 'noon' : clock}`;
}

/** A moment that one picked: the day and the hour, `Saturday noon`, `Saturday 18:00`. */
export function sayGoal(ms: number, nowMs: number, timeZone: string): string {
	const clock = clockTime(zonedTime(ms, timeZone));
	const day = sayDay(ms, nowMs, timeZone);
	return `${day} ${clock === '12:00' ? 'noon' : clock}`;
}
