import { careDue } from '$core/care';
import { estimate } from '$core/estimate';
import { instantMs } from '$core/logbook';
import { sayCareProblem } from '$core/words';
import { readLevelsBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** When each care task is due, by days and by litres. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readLevelsBody(data);
		if ('errors' in read) return read;
		const { logbook, rig, at } = read.body;
		const tasks = careDue(estimate(logbook, rig, instantMs(at)));
		return {
			answer: {
				tasks: tasks.map(({ task, sinceDays, sinceL, dueMs, leftL, overdue, problem }) => ({
					id: task.id,
					sinceDays,
					sinceL,
					...(dueMs === undefined ? {} : { due: new Date(dueMs).toISOString() }),
					leftL,
					overdue,
					...(problem ? { why: sayCareProblem(problem) } : {})
				}))
			}
		};
	});
