import { exportText, MEDIA_TYPES } from '$core/formats';
import { plannedFor } from '$lib/server/planned';
import { readExportBody } from '$lib/server/exchangeBodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** A logbook, or a trip of it, as a file of an open format. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readExportBody(data);
		if ('errors' in read) return read;
		const { logbook, format, list, decimalComma, of } = read.body;
		const planned =
			of.trip && (format === 'ics' || format === 'gpx') ? plannedFor(logbook, of.trip) : undefined;
		const text = exportText(format, logbook, { ...of, list, decimalComma, planned });
		return { file: { text, type: MEDIA_TYPES[format], name: `logbook.${format}` } };
	});
