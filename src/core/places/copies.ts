import { canonical, type Point, type Stop } from '../logbook/index.js';

/** A stop at a point: its services and its place are copied, so that what is known of the day can be changed. */
export const atPoint = (stop: Stop, point: Point): Stop => ({
	...stop,
	name: stop.name.trim() === '' ? point.name : stop.name,
	point: point.id,
	position: point.position,
	services: point.services,
	...(point.noDischarge ? { noDischarge: true } : {})
});

/** Whether a stop does not say what its point says by now. A mark that only the stop has is one's own of that day. */
export const hasStrayed = (stop: Pick<Stop, 'services' | 'noDischarge'>, point: Point): boolean =>
	canonical(stop.services) !== canonical(point.services) ||
	(point.noDischarge === true && stop.noDischarge !== true);

/** What is kept of a stop as a point; nothing where it is not known where it is. */
export const pointFrom = (stop: Stop, id: string): Point | undefined =>
	stop.position && {
		id,
		name: stop.name,
		position: stop.position,
		services: stop.services,
		...(stop.noDischarge ? { noDischarge: true } : {}),
		...(stop.note === undefined ? {} : { note: stop.note })
	};
