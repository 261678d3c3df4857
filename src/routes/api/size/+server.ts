import { estimate } from '$core/estimate';
import { size } from '$core/forecast';
import { instantMs } from '$core/logbook';
import { readSizeBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** What each tank would have to hold for some days. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readSizeBody(data);
		if ('errors' in read) return read;
		const { logbook, rig, at, days, certainty, persons, measures } = read.body;
		const { tanks, kg } = size(estimate(logbook, rig, instantMs(at)), { days, certainty, persons, measures });
		return { answer: { tanks, kg } };
	});
