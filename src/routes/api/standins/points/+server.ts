import { boxOf, inventedPlaces } from '$lib/standins/inventedPlaces';
import { json } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

/** A directory of invented places: those within a box, as GeoJSON. */
export const GET: RequestHandler = ({ url }) => {
	const box = boxOf(url.searchParams.get('bbox'));
	if ('wrong' in box) return json({ message: box.wrong }, { status: 422 });
	return new Response(JSON.stringify(inventedPlaces(box)), {
		headers: { 'content-type': 'application/geo+json' }
	});
};
