import type { Rig, Trip } from '../../logbook/index.js';
import type { PassedBy, Replanned } from '../../plan/index.js';
import { tankById } from '../../rig/index.js';
import { listed } from '../list.js';
import { capital } from '../outlook/stay.js';
import { onDay } from '../when.js';
import { sayServiceAt } from './change.js';

/** What has changed in a plan, and why: `Grey fills faster than expected: the drain at Low Sarn on Thursday is now needed.` */
export function sayReplanned(rig: Rig, trip: Trip, change: Replanned, nowMs: number): string {
	const tank = tankById(rig, change.tank ?? '');
	const verb = tank?.holds === 'fresh' ? 'is used' : 'fills';
	const why = tank ? `${tank.name} ${verb} ${change.sooner ? 'faster' : 'slower'} than expected: ` : '';
	const all = (list: Replanned['needed']): string =>
		listed(list.map((one) => sayServiceAt(one, trip, nowMs)));
	const are = (list: Replanned['needed']): string => (list.length > 1 ? 'are' : 'is');
	const parts = [
		...(change.holds === undefined
			? []
			: [change.holds ? 'the plan works again' : 'the plan now falls short']),
		...(change.needed.length > 0 ? [`${all(change.needed)} ${are(change.needed)} now needed`] : []),
		...(change.spared.length > 0 ? [`${all(change.spared)} ${are(change.spared)} no longer needed`] : [])
	];
	return capital(`${why}${parts.join('; ')}.`);
}

/** Asks after a planned service of which nothing was written down. */
export function askPassedBy(
	rig: Rig,
	trip: Trip,
	{ stop: id, atMs, tanks }: PassedBy,
	nowMs: number
): string {
	const names = (holds: (fresh: boolean) => boolean): readonly string[] =>
		tanks.flatMap((tank) => {
			const known = tankById(rig, tank);
			return known && holds(known.holds === 'fresh') ? [known.name] : [];
		});
	const [fills, dumps] = [names((fresh) => fresh), names((fresh) => !fresh)];
	const acts = [
		...(fills.length > 0 ? [`fill ${listed(fills)}`] : []),
		...(dumps.length > 0 ? [`empty ${listed(dumps)}`] : [])
	];
	const stop = trip.stops.find((one) => one.id === id)?.name ?? id;
	return `Did you ${listed(acts)} at ${stop} ${onDay(atMs, nowMs, trip.timeZone)}? Nothing is logged.`;
}
