import { sayWeatherFrom } from './weatherFrom.js';
import { sayHours } from '../../places/index.js';
import { daysBetween, zonedTime } from '../../time/index.js';
import { heeledOf } from '../../rig/index.js';
import { formatLitres, formatQuantity, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';
import {
	instantMs,
	isShut,
	weatherOfStay,
	type Rig,
	type Service,
	type Stop,
	type Warmth
} from '../../logbook/index.js';

/** What each kind of service is called in a list. */
export const SERVICE_NAMES: Readonly<Record<Service['kind'], string>> = {
	water: 'tap',
	grey: 'grey drain',
	black: 'dump point',
	mains: 'mains water',
	sewer: 'sewer'
};

/** What a boat calls where it is emptied: pumped out. */
const AFLOAT: Readonly<Partial<Record<Service['kind'], string>>> = {
	grey: 'grey pump-out',
	black: 'pump-out'
};
/** What a stop offers, and what of it one is hooked up to: `water, grey drain, sewer (hooked up)`. */
export function sayOffered({ services, hookup = {} }: Stop, boat = false): string {
	const hooked = (kind: Service['kind']): boolean =>
		(kind === 'mains' || kind === 'sewer') && hookup[kind] === true;
	const listed = services.map(
		({ kind, potable, open }) =>
			`${(boat && AFLOAT[kind]) || SERVICE_NAMES[kind]}${kind === 'water' && potable === false ? ' (not for drinking)' : ''}${isShut({ open }) ? ' (shut)' : open === undefined ? '' : ` (open ${sayHours(open)})`}${hooked(kind) ? ' (hooked up)' : ''}`
	);
	const beside = (['mains', 'sewer'] as const)
		.filter((kind) => hooked(kind) && !services.some((service) => service.kind === kind))
		.map((kind) => `${SERVICE_NAMES[kind]} (hooked up)`);
	return [...listed, ...beside].join(', ') || 'nothing here';
}

const FROST_C = 0;
/** Whether it may freeze by night at a stop. */
export const hasFrost = ({ weather }: Pick<Stop, 'weather'>): boolean =>
	(weatherOfStay(weather)?.minC ?? Infinity) <= FROST_C;

/** What the weather of a stay is, and whether it freezes: `28 °C by day, 13 °C at night`. */
export function sayWeather({ maxC, minC }: Warmth, units: UnitChoice): string {
	const degrees = (value: number): string => formatQuantity(value, 'temperature', units);
	return `${degrees(maxC)} by day, ${degrees(minC)} at night${hasFrost({ weather: { maxC, minC } }) ? ': frost' : ''}`;
}

/** How the way to a stop is known where nobody typed it: ` as the crow flies`, ` by the track`. */
export const sayLegFrom = ({ legFrom }: Pick<Stop, 'legFrom'>): string =>
	legFrom === undefined ? '' : legFrom === 'straight' ? ' as the crow flies' : ' by the track';

/** The weather of a stop with where it comes from: `28 °C by day, 13 °C at night (simulated, not a forecast)`; empty where none is known. */
export function sayWeatherOf(stop: Pick<Stop, 'weather' | 'weatherFrom'>, units: UnitChoice): string {
	const warmth = weatherOfStay(stop.weather);
	const from = sayWeatherFrom(stop);
	return warmth ? `${sayWeather(warmth, units)}${from ? ` (${from})` : ''}` : '';
}

/** The weather of a stay whose days are known one by one: its extremes, and where they come from. */
export function sayWeatherByDay(stop: Pick<Stop, 'weather' | 'weatherFrom'>, units: UnitChoice): string {
	const warmth = weatherOfStay(stop.weather);
	if (!warmth) return '';
	const degrees = (value: number): string => formatQuantity(value, 'temperature', units);
	const from = sayWeatherFrom(stop);
	return `Up to ${degrees(warmth.maxC)} by day and down to ${degrees(warmth.minC)} at night, day by day${from ? ` (${from})` : ''}.`;
}

/** What a heel takes away of each tank whose pick-up is known: `Heeled 15°: Main gives 135 L, not 191 L.`; empty where it takes nothing. */
export function sayHeeled(rig: Pick<Rig, 'tanks'>, { heel }: Pick<Stop, 'heel'>, units: UnitChoice): string {
	if (!heel) return '';
	const lost = rig.tanks.flatMap((tank) => {
		const heeled = heeledOf(tank, heel);
		return heeled && heeled.servesL < heeled.levelServesL - 1
			? [
					`${tank.name} gives ${formatLitres(heeled.servesL, units)}, not ${formatLitres(heeled.levelServesL, units)}`
				]
			: [];
	});
	const down = heel.rollDeg >= 0 ? 'starboard' : 'port';
	return lost.length === 0 ? '' : `Heeled ${Math.abs(heel.rollDeg)}° to ${down}: ${listed(lost)}.`;
}

/** How many nights one stays, in the zone of the trip; empty when none. */
export function sayNights({ arrive, depart }: Stop, timeZone: string): string {
	const day = (at: string): string => zonedTime(instantMs(at), timeZone).day;
	const nights = daysBetween(day(arrive), day(depart));
	return nights > 0 ? `${nights} ${nights === 1 ? 'night' : 'nights'}` : '';
}
