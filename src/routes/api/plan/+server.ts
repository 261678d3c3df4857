import { runToCompletion } from '$core/numerics';
import { zonedIso } from '$core/time';
import { estimate } from '$core/estimate';
import { instantMs } from '$core/logbook';
import { mends, plan } from '$core/plan';
import { METRIC } from '$core/units';
import { NO_FIX, sayMendOfTrip, sayShortfall, sayUnspared } from '$core/words';
import { readPlanBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
import { hours } from '$lib/server/hours';
import type { RequestHandler } from './$types';

/** Where to fill and dump along a trip. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readPlanBody(data);
		if ('errors' in read) return read;
		const { logbook, at } = read.body;
		const trip = logbook.trips.find(({ id }) => id === read.body.trip);
		const atMs = instantMs(at);
		const believed = estimate(logbook, trip?.rig ?? '', atMs);
		const timeZone = trip?.timeZone ?? 'Etc/UTC';
		const planned = plan(believed, logbook, read.body.trip, { hours });
		const { feasible, chance, cost, services, next, lastChance, ifShut, shortfall, unspared, overload } =
			planned;
		const { rig } = believed.model;
		const why = (): string => {
			if (!trip) return '';
			if (!shortfall) return unspared ? sayUnspared(rig, trip, unspared, atMs) : '';
			const found = runToCompletion(mends(believed, logbook.trips, trip, planned, logbook.points, { hours }));
			const about = { rig, trip, points: logbook.points, units: METRIC };
			const mend = found[0] ? sayMendOfTrip(found[0], about) : NO_FIX;
			return `${sayShortfall(rig, shortfall, atMs, timeZone, METRIC)} ${mend}`;
		};
		return {
			answer: {
				feasible,
				chance,
				cost,
				services: services.map(({ stop, atMs: servedMs, water, dump }) => ({
					stop,
					at: zonedIso(servedMs, timeZone),
					...(water ? { water } : {}),
					...(dump ? { dump } : {})
				})),
				...(next ? { next: { stop: next.stop, by: zonedIso(next.byMs, timeZone), what: next.what } } : {}),
				lastChance: lastChance.map(({ tank, stop }) => ({ tank, stop })),
				ifShut: ifShut.map(({ binds, ...one }) => ({
					...one,
					...(binds ? { binds: { tank: binds.tank, at: zonedIso(binds.atMs, timeZone) } } : {})
				})),
				...(shortfall || unspared ? { why: why() } : {}),
				...(overload ? { overload } : {})
			}
		};
	});
