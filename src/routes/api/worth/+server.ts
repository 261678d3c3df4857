import { runToCompletion } from '$core/numerics';
import { estimate } from '$core/estimate';
import { worth } from '$core/forecast';
import { instantMs } from '$core/logbook';
import { readWorthBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** What one more time of each habit costs, and what each measure gives. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readWorthBody(data);
		if ('errors' in read) return read;
		const { logbook, rig, at, persons, measures } = read.body;
		const { autonomyDays, binding, ...found } = runToCompletion(
			worth(estimate(logbook, rig, instantMs(at)), { persons, measures })
		);
		return {
			answer: {
				autonomyDays,
				...(binding === undefined ? {} : { binding }),
				habits: found.habits.map(({ habit, litres, hours }) => ({ id: habit, litres, hours })),
				measures: found.measures.map(({ tanks: _tanks, ...measure }) => measure)
			}
		};
	});
