import { seeded } from '$core/numerics';
import { DAY_MS, dayPlus, utcMidnightMs } from '$core/time';
import type { LatLon } from '$core/places';

/** What a day is like somewhere: its warmest and its coldest, whole °C. */
export interface DayWeather {
	/** YYYY-MM-DD */
	readonly day: string;
	readonly maxC: number;
	readonly minC: number;
}

/** The most days that are told at once. */
export const MOST_WEATHER_DAYS = 60;

const YEAR_DAYS = 365.25;
/** The warmest day of the year comes about three weeks after the longest, in the north. */
const WARMEST_DAY = 200;
/** The mean of the year at the equator, °C, and by how much it falls for each degree of latitude. */
const EQUATOR_C = 27;
const PER_DEGREE_C = 0.38;
/** By how much summer and winter differ from the mean for each degree of latitude, °C. */
const SWING_PER_DEGREE_C = 0.15;
/** Half the difference of a day and its night, °C. */
const HALF_DAY_C = 4.5;
/** By how much spells of weather differ from what is usual, °C. */
const SPELL_C = 6;
const SPELL_DAYS = 3;
/** Weather is the same over so many degrees. */
const CELL_DEGREES = 1;
const UNIT = 0xffffffff;

/** A figure of -1 … 1 of a cell and a spell, the same at every asking. */
function lot(seed: number): number {
	return (2 * seeded(seed).bits()) / UNIT - 1;
}

/** Made-up weather of a place on a day: plausible for its latitude and season, the same whenever it is asked for. */
export function simulatedWeather([lon, lat]: LatLon, day: string): DayWeather {
	const days = Math.round(utcMidnightMs(day) / DAY_MS);
	const season = Math.cos((2 * Math.PI * ((days % YEAR_DAYS) - WARMEST_DAY)) / YEAR_DAYS);
	const usual = EQUATOR_C - PER_DEGREE_C * Math.abs(lat) + SWING_PER_DEGREE_C * lat * season;
	const cell = 1009 * Math.round(lon / CELL_DEGREES) + 9176 * Math.round(lat / CELL_DEGREES);
	const [spell, share] = [Math.floor(days / SPELL_DAYS), (days % SPELL_DAYS) / SPELL_DAYS];
	const passing = (1 - share) * lot(31 * spell + cell) + share * lot(31 * (spell + 1) + cell);
	const mean = usual + SPELL_C * passing + lot(7 * days + cell + 5);
	return { day, maxC: Math.round(mean + HALF_DAY_C), minC: Math.round(mean - HALF_DAY_C) };
}

const number = (text: string | null, most: number): number | undefined => {
	const value = text === null || text.trim() === '' ? Number.NaN : Number(text);
	return Math.abs(value) <= most ? value : undefined;
};

/** What is asked for, as it stands in an address; the name of what is wrong where it is nothing. */
export function weatherAsked(
	query: URLSearchParams
): { readonly place: LatLon; readonly day: string; readonly days: number } | { readonly wrong: string } {
	const [lon, lat] = [number(query.get('lon'), 180), number(query.get('lat'), 90)];
	const day = query.get('day') ?? '';
	const days = query.has('days') ? Number(query.get('days')) : 1;
	if (lon === undefined) return { wrong: 'lon must be a longitude, -180 … 180' };
	if (lat === undefined) return { wrong: 'lat must be a latitude, -90 … 90' };
	if (!/^\d{4}-\d{2}-\d{2}$/.test(day) || Number.isNaN(Date.parse(day)))
		return { wrong: 'day must be a day such as 2027-04-18' };
	if (!Number.isInteger(days) || days < 1 || days > MOST_WEATHER_DAYS)
		return { wrong: `days must be a whole number from 1 to ${MOST_WEATHER_DAYS}` };
	return { place: [lon, lat], day, days };
}

/** The weather of some days on end. */
export const simulatedDays = (place: LatLon, day: string, days: number): readonly DayWeather[] =>
	Array.from({ length: days }, (_, i) => simulatedWeather(place, dayPlus(day, i)));
