import { answerListen } from '$core/listen';
import { readListenBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** What a meter that counts by itself tells: uses with the habits they may be, and drips; nothing is stored. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readListenBody(data);
		if ('errors' in read) return read;
		const { rig: id, counter: meter, ...body } = read.body;
		const rig = body.logbook.rigs.find((one) => one.id === id);
		if (!rig) throw new Error(`the body was checked to name a rig, not ${id}`);
		return { answer: answerListen({ ...body, rig, meter }) };
	});
