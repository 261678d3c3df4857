import { DAY_MS, dayPlus, zonedMs, zonedTime } from '$core/time';
import { instantMs, type Trip } from '$core/logbook';
import type { Plan } from '$core/plan';
import { capital, sayGoal } from '$core/words';
import { NOON } from './noon';

/** A moment that one may want to reach. */
export interface GoalChoice {
	readonly ms: number;
	readonly label: string;
}

const DAYS = 7;
/** Nobody is asked to look further ahead than this unless he wants to. */
const MOST_USUAL_DAYS = 20;

/** Moments that one may want to reach: the next planned service, the trip's end, the noons of a week. */
export function goalChoices(
	trip: Trip | undefined,
	plan: Plan | undefined,
	nowMs: number,
	timeZone: string
): readonly GoalChoice[] {
	const stops = trip?.stops.filter(({ retired }) => !retired) ?? [];
	const next = stops.find(({ id, arrive }) => id === plan?.next?.stop && instantMs(arrive) > nowMs);
	const endMs = Math.max(-Infinity, ...stops.map(({ depart }) => instantMs(depart)));
	const today = zonedTime(nowMs, timeZone).day;
	const noons = Array.from({ length: DAYS }, (_, i) => zonedMs(dayPlus(today, i + 1), timeZone, NOON));
	const all = [
		...(next ? [{ ms: instantMs(next.arrive), label: `the next stop, ${next.name}` }] : []),
		...(endMs > nowMs ? [{ ms: endMs, label: 'the trip’s end' }] : []),
		...noons.map((ms) => ({ ms, label: sayGoal(ms, nowMs, timeZone) }))
	];
	// The trip may end at a noon.
	return all.filter(({ ms }, i) => all.findIndex((one) => one.ms === ms) === i);
}

/** What one wants to reach where nothing has been asked yet: the first noon after the stay's end, a little more than is there. */
export function usualGoal(nowMs: number, stayDays: number, timeZone: string): number {
	const endMs = nowMs + Math.min(Math.max(stayDays, 0), MOST_USUAL_DAYS) * DAY_MS;
	const noon = zonedMs(zonedTime(endMs, timeZone).day, timeZone, NOON);
	return noon > endMs && noon > nowMs
		? noon
		: zonedMs(dayPlus(zonedTime(endMs, timeZone).day, 1), timeZone, NOON);
}

/** The goal on its flag. */
export const flagOfGoal = (ms: number, nowMs: number, timeZone: string): string =>
	capital(sayGoal(ms, nowMs, timeZone));
