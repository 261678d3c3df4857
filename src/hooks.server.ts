import type { Handle } from '@sveltejs/kit';

/** The typefaces of the first view are asked for with the page, not once its style has come; others when they are used. */
export const handle: Handle = ({ event, resolve }) =>
	resolve(event, {
		preload: ({ type, path }) =>
			type === 'js' || type === 'css' || (type === 'font' && path.includes('-latin-wght-normal'))
	});
