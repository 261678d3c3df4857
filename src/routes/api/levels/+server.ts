import { basisOf, estimate, readLevels } from '$core/estimate';
import { sayDoubt } from '$core/words';
import { instantMs } from '$core/logbook';
import { readLevelsBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** How much is in each tank at a moment, and how sure that is. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readLevelsBody(data);
		if ('errors' in read) return read;
		const { logbook, rig, at } = read.body;
		const known = estimate(logbook, rig, instantMs(at));
		const { tanks, doubts, silent, ...rest } = readLevels(known);
		const basis = basisOf(
			known,
			tanks.map(({ id }) => id)
		);
		return {
			answer: {
				at,
				...(silent ? { silent: { since: new Date(silent.sinceMs).toISOString(), lived: silent.lived } } : {}),
				tanks: tanks.map(({ usableSdL: _usableSdL, ...tank }) => ({
					...tank,
					basis: basis.get(tank.id) ?? []
				})),
				...rest,
				doubts: doubts.map(({ cause, ...doubt }) => ({ ...doubt, why: sayDoubt({ cause }) }))
			}
		};
	});
