import { simulatedDays, weatherAsked } from '$lib/standins/simulatedWeather';
import { json } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

/** Made-up weather of a place, day by day. */
export const GET: RequestHandler = ({ url }) => {
	const asked = weatherAsked(url.searchParams);
	if ('wrong' in asked) return json({ message: asked.wrong }, { status: 422 });
	return json({ standIn: true, days: simulatedDays(asked.place, asked.day, asked.days) });
};
