import { instantMs, type HoursReader, type Rig, type Trip } from '../../logbook/index.js';
import type { Plan } from '../../plan/index.js';
import type { UnitChoice } from '../../units/index.js';
import { mind, plain, type Span } from '../spans.js';
import { sayIfShut } from './ifShut.js';
import { sayOpenings } from './wayLine.js';

/** Of the next stop with services, what is shut or opens later while one is there; and what then if the next planned one is shut. */
export function sayShutAhead(
	rig: Rig,
	trip: Trip,
	{ services, ifShut }: Pick<Plan, 'services' | 'ifShut'>,
	atMs: number,
	{ units, hours }: { readonly units: UnitChoice; readonly hours: HoursReader | undefined }
): readonly (readonly Span[])[] {
	const stop = trip.stops.find((one) => instantMs(one.depart) > atMs && one.services.length > 0);
	const openings = stop ? sayOpenings(stop, trip, hours, atMs) : [];
	const next = services[0]?.stop;
	return [
		...openings.map(({ says, shut }) => [
			shut
				? mind(`At ${stop?.name ?? ''}: ${says} while you are there.`)
				: plain(`At ${stop?.name ?? ''}: ${says}.`)
		]),
		...sayIfShut(
			rig,
			trip,
			ifShut.filter((one) => one.stop === next),
			atMs,
			units,
			trip.stops.find(({ id }) => id === next)?.name
		)
	];
}
