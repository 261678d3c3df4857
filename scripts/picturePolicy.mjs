/**
 * From where a page may load pictures: from here, and from the one tile server that its person has allowed. It stands beside
 * the policy that is written into the pages themselves.
 *
 * @param {string} [cookies] as the browser sends them
 * @returns {string} a content security policy
 */
export function picturePolicy(cookies = '') {
	const given = /(?:^|;\s*)tiles=([^;]*)/.exec(cookies)?.[1] ?? '';
	let origin;
	try {
		origin = decodeURIComponent(given);
	} catch {
		// A cookie that was broken allows nothing.
		origin = '';
	}
	const allowed = /^https?:\/\/[\w.-]+(:\d{1,5})?$/.test(origin) ? ` ${origin}` : '';
	return `img-src 'self' data:${allowed}`;
}
