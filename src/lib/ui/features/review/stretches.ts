import { dayPlus, isCalendarDay, zonedMs, zonedTime } from '$core/time';
import { tripSpan, type Trip } from '$core/logbook';
import { sayPart } from '$core/words';
import type { Looking } from '$lib/engine';

/** What can be looked back on: a trip, a month, or any days. */
export type ChosenStretch =
	| { readonly kind: 'trip'; readonly trip: string }
	| { readonly kind: 'month'; readonly month: string }
	| { readonly kind: 'days'; readonly from: string; readonly to: string };

const MONTH = /^\d{4}-(0[1-9]|1[0-2])$/;
/** What an address asks to look back on; nothing where it says nothing that can be. */
export function choiceFrom(params: URLSearchParams): ChosenStretch | undefined {
	const trip = params.get('trip');
	if (trip) return { kind: 'trip', trip };
	const month = params.get('month');
	if (month && MONTH.test(month)) return { kind: 'month', month };
	const [from, to] = [params.get('from'), params.get('to')];
	return from && to && isCalendarDay(from) && isCalendarDay(to) ? { kind: 'days', from, to } : undefined;
}

/** What a stretch is called; a trip by its name, where there is such a trip. */
export function nameOf(choice: ChosenStretch, trip: Trip | undefined): string {
	switch (choice.kind) {
		case 'trip':
			return trip?.name ?? '';
		case 'month':
			return sayPart(`${choice.month}-01`, 'months');
		case 'days':
			return `${choice.from} to ${choice.to}`;
	}
}

export function addressOf(choice: ChosenStretch): string {
	const { kind: _kind, ...said } = choice;
	return `/ledger/review?${new URLSearchParams(said as Record<string, string>).toString()}`;
}

/** The trips of a rig that have begun, the latest first. */
export const begunTrips = (trips: readonly Trip[], rig: string, nowMs: number): readonly Trip[] =>
	trips
		.filter((trip) => trip.rig === rig && tripSpan(trip)[0] < nowMs)
		.sort((a, b) => tripSpan(b)[0] - tripSpan(a)[0]);

/** The stretch that is meant, no further than now; nothing where the trip is none that has begun. */
export function lookingAt(
	choice: ChosenStretch,
	trips: readonly Trip[],
	nowMs: number,
	timeZone: string
): Looking | undefined {
	const until = (ms: number): number => Math.min(ms, nowMs);
	switch (choice.kind) {
		case 'trip': {
			const trip = trips.find(({ id }) => id === choice.trip);
			if (!trip) return undefined;
			const [fromMs, toMs] = tripSpan(trip);
			return { fromMs, toMs: until(toMs), timeZone: trip.timeZone, trip: trip.id };
		}
		case 'month': {
			const first = `${choice.month}-01`;
			const next = `${dayPlus(first, 31).slice(0, 7)}-01`;
			return { fromMs: zonedMs(first, timeZone), toMs: until(zonedMs(next, timeZone)), timeZone };
		}
		case 'days':
			return {
				fromMs: zonedMs(choice.from, timeZone),
				toMs: until(zonedMs(dayPlus(choice.to, 1), timeZone)),
				timeZone
			};
	}
}

/** This month and the ones before it, as they are chosen. */
export function months(nowMs: number, timeZone: string, count = 6): readonly string[] {
	const found: string[] = [];
	for (
		let day = zonedTime(nowMs, timeZone).day;
		found.length < count;
		day = dayPlus(`${day.slice(0, 7)}-01`, -1)
	)
		found.push(day.slice(0, 7));
	return found;
}

/** What is looked back on when nobody says: the trip under way, else the last one, else this month. */
export function usualChoice(
	trips: readonly Trip[],
	rig: string,
	nowMs: number,
	timeZone: string
): ChosenStretch {
	const [last] = begunTrips(trips, rig, nowMs);
	return last
		? { kind: 'trip', trip: last.id }
		: { kind: 'month', month: zonedTime(nowMs, timeZone).day.slice(0, 7) };
}
