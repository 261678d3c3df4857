import { estimate } from '$core/estimate';
import { forecast } from '$core/forecast';
import { instantMs } from '$core/logbook';
import { readForecastBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** How long the stay lasts, and which tank binds first. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readForecastBody(data);
		if ('errors' in read) return read;
		const { logbook, rig, at, days, persons, measures, paths, seed } = read.body;
		return {
			answer: forecast(estimate(logbook, rig, instantMs(at)), { days, persons, measures, paths, seed })
		};
	});
