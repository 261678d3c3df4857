import type { ImportFormat } from './importing.js';

/** Which format a text is of, or will be when only its beginning is given: by its first characters, since names of files are often wrong. A logbook of ours is none of them. */
export function formatOf(text: string): ImportFormat | 'logbook' {
	const HEAD = 4000;
	const head = text
		.slice(0, HEAD)
		.replace(/^\ufeff/, '')
		.trimStart();
	if (/^begin:vcalendar/i.test(head)) return 'ics';
	if (head.startsWith('<')) return 'gpx';
	if (!/^[{[]/.test(head)) return 'csv';
	return /"format"\s*:\s*"dipsometer-logbook"/.test(head) || !/"(features|geometry|coordinates)"/.test(head)
		? 'logbook'
		: 'geojson';
}
