import { careDue, waterStates } from '$core/care';
import { estimate } from '$core/estimate';
import { instantMs } from '$core/logbook';
import { tankById } from '$core/rig';
import { sayCareProblem, sayDrink } from '$core/words';
import { readLevelsBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** When each care task is due, by days and by litres, and whether one may drink what is in each tank. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readLevelsBody(data);
		if ('errors' in read) return read;
		const { logbook, rig, at } = read.body;
		const now = estimate(logbook, rig, instantMs(at));
		const tasks = careDue(now);
		const nameOf = (id: string): string => tankById(now.model.rig, id)?.name ?? id;
		return {
			answer: {
				tasks: tasks.map(({ task, sinceDays, sinceL, sinceDumps, dueMs, leftL, overdue, problem }) => ({
					id: task.id,
					sinceDays,
					sinceL,
					...(sinceDumps === undefined ? {} : { sinceDumps }),
					...(dueMs === undefined ? {} : { due: new Date(dueMs).toISOString() }),
					leftL,
					overdue,
					...(problem ? { why: sayCareProblem(problem) } : {})
				})),
				waters: waterStates(now, logbook.points).map(({ tank, drink, sinceMs, why }) => ({
					tank,
					drink,
					...(sinceMs === undefined ? {} : { since: new Date(sinceMs).toISOString() }),
					why: sayDrink({ drink, why }, nameOf)
				}))
			}
		};
	});
