import { importText } from '$core/formats';
import { readImportBody } from '$lib/server/exchangeBodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** What a file of an open format holds; nothing is stored. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readImportBody(data);
		if ('errors' in read) return read;
		const { format, text, rig, timeZone, logbook } = read.body;
		return { answer: importText(format, text, { rig, timeZone, logbook }) };
	});
