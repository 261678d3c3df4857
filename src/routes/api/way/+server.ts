import { wayContext } from '$core/quickline';
import { readTripText } from '$lib/exchange/tripText';
import { readWayBody } from '$lib/server/exchangeBodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** A trip as people write it, a stop a line; nothing is stored. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readWayBody(data);
		if ('errors' in read) return read;
		const { text, from, ...known } = read.body;
		const { stops, problems } = readTripText(wayContext(text, from, known));
		return { answer: { stops, problems } };
	});
