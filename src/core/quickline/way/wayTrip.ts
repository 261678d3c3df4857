import { canonical, instantMs, type Stop, type Trip } from '../../logbook/index.js';
import { zonedTime } from '../../time/index.js';
import type { WayStop } from './readWay.js';

/** What lines say of a stop; all else of it they leave as it was. */
const SAID = [
	'name',
	'arrive',
	'depart',
	'legKm',
	'legFrom',
	'point',
	'position',
	'services',
	'hookup',
	'ashore',
	'weather',
	'weatherFrom',
	'persons',
	'note'
] as const satisfies readonly (keyof Stop)[];

/**
 * A stop as it was, with what its line says now. Weather day by day is more than a line says, and stays; figures that are as they were come from
 * where they came from.
 */
function toldAgain(before: Stop, said: WayStop): Stop {
	const rest = Object.fromEntries(
		Object.entries(before).filter(([key]) => !SAID.some((one) => one === key))
	) as Pick<Stop, 'id'>;
	const { weather, weatherFrom, position, legKm, legFrom } = before;
	const byDay = weather !== undefined && !('maxC' in weather) && !said.weather;
	const same = byDay || (weather !== undefined && canonical(weather) === canonical(said.weather));
	const { weatherFrom: _typed, ...others } = said;
	return {
		...rest,
		...(said.position || !position || before.point ? {} : { position }),
		...(said.legFrom === undefined && legFrom && said.legKm === legKm ? { legFrom } : {}),
		...(byDay ? { weather } : {}),
		...(same ? others : said),
		...(same && weatherFrom ? { weatherFrom } : {})
	};
}

/**
 * A trip with the stops that lines tell. A stop of the same name keeps its id and what no line says of it; one that is told no more is gone.
 *
 * @param newId makes the id of a new stop, by its place
 */
export function tripFromWay(trip: Trip, told: readonly WayStop[], newId: (place: number) => string): Trip {
	const left = [...trip.stops];
	const stops = told.map((said, place): Stop => {
		const at = left.findIndex(({ name, retired }) => !retired && name === said.name);
		const [before] = at < 0 ? [] : left.splice(at, 1);
		return before ? toldAgain(before, said) : { ...said, id: newId(place) };
	});
	const dayOf = (at: string): string => zonedTime(instantMs(at), trip.timeZone).day;
	const [first, last] = [stops[0], stops.at(-1)];
	const retired = left.filter((stop) => stop.retired);
	return {
		...trip,
		...(first && last ? { from: dayOf(first.arrive), to: dayOf(last.depart) } : {}),
		stops: [...stops, ...retired]
	};
}

/** What a trip is called where nobody has said: `Skarn Hause to Kelda Top`. */
export const nameOfWay = (told: readonly Pick<WayStop, 'name'>[]): string => {
	const [first, last] = [told[0]?.name ?? '', told.at(-1)?.name ?? ''];
	return first === last ? first : `${first} to ${last}`;
};
