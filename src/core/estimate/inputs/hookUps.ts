import { instantMs, type Ahead, type Logbook, type Rig, type Stop } from '../../logbook/index.js';
import type { OpenValves, SeaState } from '../../rig/index.js';
import { valueAt, type Timeline } from '../../time/index.js';
import { windowsOf } from './ahead.js';

/** Which hook-ups hold. */
export interface HookUp {
	readonly mains: boolean;
	readonly sewer: OpenValves;
	/** what the sea flushes and takes */
	readonly sea?: SeaState | undefined;
}

const UNHOOKED: HookUp = { mains: false, sewer: false };

const chosen = (hookup: Stop['hookup'] | Ahead['hookup']): HookUp => ({
	mains: hookup?.mains === true,
	sewer: hookup?.sewer ?? false
});

/** Where nothing may go overboard: at stops that say so, while one is there; nothing where none does. */
export function noDischargeOf(rigId: string, trips: Logbook['trips']): Timeline<boolean> {
	const stops = trips.filter(({ rig }) => rig === rigId).flatMap(({ stops }) => stops);
	return stops
		.filter(({ noDischarge }) => noDischarge)
		.flatMap(({ arrive, depart }) => [
			{ ms: instantMs(arrive), is: true },
			{ ms: instantMs(depart), is: false }
		])
		.sort((a, b) => a.ms - b.ms);
}

/** Where there are showers ashore: at stops that say so, while one is there; nothing where none does. */
export function ashoreOf(rigId: string, trips: Logbook['trips']): Timeline<boolean> {
	const stops = trips.filter(({ rig }) => rig === rigId).flatMap(({ stops }) => stops);
	if (!stops.some(({ ashore }) => ashore)) return [];
	return stops
		.flatMap(({ arrive, depart, ashore = false }) => [
			{ ms: instantMs(arrive), is: ashore },
			{ ms: instantMs(depart), is: false }
		])
		.sort((a, b) => a.ms - b.ms);
}

/**
 * The hook-ups that a rig's trips have in store: those chosen at a stop from its arrival to its departure, and those said of
 * days ahead. One that a stop only lists is none. One that holds now ends with the first of these, whatever it says: nobody
 * drives with a hose.
 */
export function hookUpsOf(rig: Rig, trips: Logbook['trips']): Timeline<HookUp> {
	const planned = trips
		.filter((trip) => trip.rig === rig.id)
		.flatMap(({ stops }) =>
			stops.flatMap(({ arrive, depart, hookup }) => [
				{ ms: instantMs(arrive), is: chosen(hookup) },
				{ ms: instantMs(depart), is: UNHOOKED }
			])
		)
		.sort((a, b) => a.ms - b.ms);
	return windowsOf(rig).reduce((timeline, { fromMs, toMs, ahead }) => {
		if (!ahead.hookup) return timeline;
		const others = timeline.filter(({ ms }) => ms < fromMs || ms >= toMs);
		const after = { ms: toMs, is: valueAt(timeline, toMs) ?? UNHOOKED };
		return [...others, { ms: fromMs, is: chosen(ahead.hookup) }, after].sort((a, b) => a.ms - b.ms);
	}, planned);
}
