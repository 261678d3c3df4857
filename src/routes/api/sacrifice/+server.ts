import { runToCompletion } from '$core/numerics';
import { estimate } from '$core/estimate';
import { sacrifice } from '$core/forecast';
import { instantMs } from '$core/logbook';
import { readSacrificeBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** The least that has to be done to reach a moment. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readSacrificeBody(data);
		if ('errors' in read) return read;
		const { logbook, rig, at, until, certainty, persons, among } = read.body;
		const known = estimate(logbook, rig, instantMs(at));
		const asked = { untilMs: instantMs(until), certainty, persons, among };
		const { reached, best, others, nearest, bounded } = runToCompletion(sacrifice(known, asked));
		const { lastsToMs, ...surest } = nearest;
		return {
			answer: {
				reached,
				...(best ? { best } : {}),
				others,
				nearest: { ...surest, lastsTo: new Date(lastsToMs).toISOString() },
				...(bounded ? { bounded } : {})
			}
		};
	});
