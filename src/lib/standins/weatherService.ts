import type { Stop } from '$core/logbook';
import type { LatLon } from '$core/places';
import { simulatedDays, type DayWeather } from './simulatedWeather';

/** Weather by place and day: the port that a real service would be put behind. */
export interface WeatherService {
	/** what it is called where its figures show */
	readonly name: string;
	readonly days: (place: LatLon, from: string, days: number) => Promise<readonly DayWeather[]>;
}

/** The simulated weather that ships: asked of the stand-in route; without the server the same is reckoned here. */
export const simulatedWeatherService: WeatherService = {
	name: 'simulated weather',
	async days([lon, lat], from, days) {
		const query = new URLSearchParams({ lon: String(lon), lat: String(lat), day: from, days: String(days) });
		try {
			const answer = await fetch(`/api/standins/weather?${query}`);
			if (answer.ok) return ((await answer.json()) as { days: readonly DayWeather[] }).days;
		} catch {
			// No network: the stand-in is the same function, here.
		}
		return simulatedDays([lon, lat], from, days);
	}
};

/** The weather of a stay, day by day, as a stop has it: told as simulated. */
export const ofStay = (days: readonly DayWeather[]): Pick<Stop, 'weather' | 'weatherFrom'> => ({
	weather: days.map(({ day, maxC, minC }) => ({ day, maxC, minC })),
	weatherFrom: 'simulated'
});
