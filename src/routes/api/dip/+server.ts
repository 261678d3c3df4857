import { litresAt, rodSpan } from '$core/rig';
import { readDipBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** The litres in a tank of a shape when a rod is wet to a depth. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readDipBody(data);
		if ('errors' in read) return read;
		const { shape, depthMm, rollDeg, pitchDeg, at } = read.body;
		if (!rodSpan(shape, at))
			return {
				errors: [
					{
						path: '$.at',
						expected: 'a dipstick inside the tank',
						got: `x ${at?.xMm} mm, y ${at?.yMm} mm`
					}
				]
			};
		return { answer: { litres: litresAt(shape, depthMm, { rollDeg, pitchDeg }, at) } };
	});
