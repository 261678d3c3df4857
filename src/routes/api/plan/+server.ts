import { estimate } from '$core/estimate';
import { instantMs, zonedIso } from '$core/logbook';
import { plan } from '$core/plan';
import { METRIC } from '$core/units';
import { sayShortfall } from '$core/words';
import { readPlanBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
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
		const { feasible, cost, services, next, lastChance, shortfall } = plan(believed, logbook, read.body.trip);
		return {
			answer: {
				feasible,
				cost,
				services,
				...(next ? { next: { stop: next.stop, by: zonedIso(next.byMs, timeZone), what: next.what } } : {}),
				lastChance,
				...(shortfall ? { why: sayShortfall(believed.model.rig, shortfall, atMs, timeZone, METRIC) } : {})
			}
		};
	});
