import { answerLine } from '$core/quickline';
import { readLineBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
import { hours } from '$lib/server/hours';
import type { RequestHandler } from './$types';

/** What a line as people say it means in a logbook; nothing is stored. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readLineBody(data);
		return 'errors' in read ? read : { answer: answerLine({ ...read.body, hours }) };
	});
