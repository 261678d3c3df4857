import { DAY_MS } from '$core/time';
import { estimate } from '$core/estimate';
import { entriesUntil, instantMs, type Rig } from '$core/logbook';
import { fillFigures, lastShown, showsAfter, type FillTarget } from '$core/runs';
import { fillMeterOf, readFillBody, type FillBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

const USUAL_CERTAINTY = 0.9;

function targetOf({ target, at }: FillBody): FillTarget {
	if (target === 'full') return { kind: 'full' };
	if ('litres' in target) return { kind: 'litres', litres: Number(target.litres) };
	const { days, certainty = USUAL_CERTAINTY } = target as { days: number; certainty?: number };
	return { kind: 'until', untilMs: instantMs(at) + days * DAY_MS, certainty };
}

/** What to take of fresh water, and where the meter on the hose stands then. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readFillBody(data);
		if ('errors' in read) return read;
		const { body } = read;
		const { logbook, tank, flowLpm } = body;
		const atMs = instantMs(body.at);
		const { takeL, roomL, leavesL, enough } = fillFigures(
			estimate(logbook, body.rig, atMs),
			tank,
			targetOf(body)
		);
		const rig = logbook.rigs.find(({ id }) => id === body.rig) as Rig;
		const meter = fillMeterOf(rig, tank, body.meter);
		const shows = meter && (body.reads ?? lastShown(meter, entriesUntil(logbook.entries, body.rig, atMs)));
		const after = (litres: number): { meter: string; reads: number } | undefined => {
			const reads = meter && shows !== undefined ? showsAfter(meter, shows, litres) : undefined;
			return meter && reads !== undefined ? { meter: meter.id, reads } : undefined;
		};
		const [stopAt, overflowsAt] = [after(takeL.p50), after(roomL.p50)];
		return {
			answer: {
				takeL,
				leavesL,
				...(stopAt ? { stopAt } : {}),
				...(overflowsAt ? { overflowsAt } : {}),
				...(flowLpm === undefined ? {} : { minutes: takeL.p50 / flowLpm }),
				kg: takeL.p50,
				...(enough === false ? { enough } : {})
			}
		};
	});
