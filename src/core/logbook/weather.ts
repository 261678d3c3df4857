import type { Stop } from './types.js';

/** Warmest by day and coldest by night, °C. */
export interface Warmth {
	readonly maxC: number;
	readonly minC: number;
}

type Weather = Stop['weather'];

const isByDay = (weather: NonNullable<Weather>): weather is Extract<Weather, readonly unknown[]> =>
	Array.isArray(weather);

/** The warmest day and the coldest night of a stay; nothing where neither is known. */
export function weatherOfStay(weather: Weather): Warmth | undefined {
	if (weather === undefined || !isByDay(weather)) return weather;
	if (weather.length === 0) return undefined;
	return {
		maxC: Math.max(...weather.map(({ maxC }) => maxC)),
		minC: Math.min(...weather.map(({ minC }) => minC))
	};
}

/** The weather of one day of a stay, `YYYY-MM-DD` in the trip's zone; nothing where that day is not listed. */
export const weatherOn = (weather: Weather, day: string): Warmth | undefined =>
	weather !== undefined && isByDay(weather) ? weather.find((one) => one.day === day) : weather;

/** Whether the weather of a stay is known day by day. */
export const isWeatherByDay = (weather: Weather): boolean => weather !== undefined && isByDay(weather);
