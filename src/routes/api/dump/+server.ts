import { estimate, levelOf } from '$core/estimate';
import { instantMs } from '$core/logbook';
import { dumpOrder } from '$core/runs';
import { fitsL, hoseRestL, loadsOf } from '$core/rig';
import { readDumpBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** So surely the tank holds no more than fits, or the valve is shut in time. */
const SURELY = 0.95;

/** The right order at a drain, and what of it a container takes. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readDumpBody(data);
		if ('errors' in read) return read;
		const { logbook, rig, at, tanks, into, hose } = read.body;
		const believed = estimate(logbook, rig, instantMs(at));
		const steps = dumpOrder(believed, tanks);
		const container = believed.model.rig.containers.find(({ id }) => id === into);
		if (!container) return { answer: { steps } };
		const runs = steps.filter((step) => step.do === 'empty').reduce((sum, { litres = 0 }) => sum + litres, 0);
		const most = [...new Set(tanks)].reduce((sum, id) => sum + levelOf(believed, id).quantile(SURELY), 0);
		const fits = fitsL(container.carries, container, hose);
		const { loads } = loadsOf(
			container.carries,
			runs,
			{ ...container, count: Math.max(1, container.count) },
			hose
		);
		const holdsL = Math.max(0, Math.min(fits, runs) - hoseRestL(container.carries, hose));
		return {
			answer: { steps, into: { fitsL: fits, loads, ...(most > fits ? { closeAfterL: fits } : {}), holdsL } }
		};
	});
