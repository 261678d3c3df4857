import type { Point } from '$core/logbook';
import type { LatLon } from '$core/places';
import { listed, sayServices } from '$core/words';
import type { Sign } from './chart';
import { isOldNews, type MapStop } from './content';
import { glyphsOf, markupOf } from './glyphs';

const STOP_SIZE = 24;
/** The plate of a sign is so much larger than what stands on it, px. */
const PLATE = 10;
const PIN =
	'<svg viewBox="0 0 20 28" width="20" height="28" aria-hidden="true"><path d="M10 27 C10 27 1 15 1 9 A9 9 0 0 1 19 9 C19 15 10 27 10 27 Z"/></svg>';

/** What lies over what: no sign hides the number of a stop, unless it was chosen. */
const OVER = { pin: 2000, chosen: 1000, here: 600, last: 500, stop: 400, point: 0 } as const;

const NOTHING_OVERBOARD = 'nothing overboard';

const classes = (...names: readonly (string | false)[]): string => names.filter(Boolean).join(' ');

/** A stop with its number, and whether one is there, was there, or has the last chance for a tank there. */
const stopSign = ({ id, name, position, order, here, past, noDischarge, last }: MapStop): Sign => ({
	id: `stop:${id}`,
	label: [
		`Stop ${order}, ${name}`,
		...(here ? ['you are here'] : []),
		...(noDischarge ? [NOTHING_OVERBOARD] : []),
		...(last.length > 0 ? [`last chance for ${listed(last)}`] : [])
	].join(', '),
	place: position,
	html: String(order),
	className: classes('stop', here && 'here', past && !here && 'past', last.length > 0 && 'last'),
	size: [STOP_SIZE, STOP_SIZE],
	over: here ? OVER.here : last.length > 0 ? OVER.last : OVER.stop
});

/** The signs of a map: stops, points, which hang under a stop at the same place, and a pin. */
export function signsOf(
	stops: readonly MapStop[],
	points: readonly Point[],
	{
		chosen,
		pin,
		nowMs
	}: { readonly chosen?: string | undefined; readonly pin?: LatLon | undefined; readonly nowMs: number }
): readonly Sign[] {
	const taken = new Set(stops.map(({ position }) => position.join()));
	const pointSign = (point: Point): Sign => {
		const drawn = glyphsOf(point.services, point.noDischarge);
		const [stale, isChosen] = [isOldNews(point, nowMs), point.id === chosen];
		return {
			id: `point:${point.id}`,
			label: [
				`${point.name}: ${sayServices(point.services)}`,
				...(point.noDischarge ? [NOTHING_OVERBOARD] : []),
				...(stale ? ['not checked for a year'] : [])
			].join(', '),
			place: point.position,
			html: markupOf(drawn),
			className: classes('sign', stale && 'stale', isChosen && 'chosen'),
			size: [drawn.width + PLATE, drawn.height + PLATE],
			hangs: taken.has(point.position.join()),
			over: isChosen ? OVER.chosen : OVER.point
		};
	};
	const marked = new Set(points.flatMap((one) => (one.noDischarge ? [one.position.join()] : [])));
	/** The mark of a stop that no point at its place has. */
	const markSign = ({ id, name, position }: MapStop): Sign => {
		const drawn = glyphsOf([], true);
		return {
			id: `mark:${id}`,
			label: `${name}: ${NOTHING_OVERBOARD}`,
			place: position,
			html: markupOf(drawn),
			className: 'sign',
			size: [drawn.width + PLATE, drawn.height + PLATE],
			hangs: true,
			over: OVER.point
		};
	};
	const marks = stops.filter(({ noDischarge, position }) => noDischarge && !marked.has(position.join()));
	const pins: readonly Sign[] = pin
		? [
				{
					id: 'pin',
					label: 'Your pin',
					place: pin,
					html: PIN,
					className: 'pin',
					size: [20, 28],
					over: OVER.pin
				}
			]
		: [];
	return [...stops.map(stopSign), ...marks.map(markSign), ...points.map(pointSign), ...pins];
}
