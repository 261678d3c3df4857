import { loadsOf } from '$core/rig';
import { readCarryBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** How many loads and trips some litres are, and what the fullest weighs. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readCarryBody(data);
		if ('errors' in read) return read;
		const { carries, litres, container, hose } = read.body;
		return { answer: loadsOf(carries, litres, container, hose) };
	});
