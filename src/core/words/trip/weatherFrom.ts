import type { Stop } from '../../logbook/index.js';

/** Where the figures of a stop's weather come from, in brackets: nobody takes them for a forecast. */
const WEATHER_FROM: Readonly<Record<NonNullable<Stop['weatherFrom']>, string>> = {
	simulated: 'simulated, not a forecast',
	typed: 'as you entered it'
};

/** Where the weather of a stop comes from: what no view of ours wrote was in a file; nothing where there is none. */
export const sayWeatherFrom = ({
	weather,
	weatherFrom
}: Pick<Stop, 'weather' | 'weatherFrom'>): string | undefined =>
	weatherFrom ? WEATHER_FROM[weatherFrom] : weather && 'from a file';
