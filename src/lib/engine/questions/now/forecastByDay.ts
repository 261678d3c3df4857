import { forecastByDay as byDay, type Forecast } from '$core/forecast';
import { question } from '../../question';

/** A forecast of many days, told as it comes. */
const forecastByDay = question({
	outdatedBy: 'newer or change',
	answer: (
		{ estimate, inParts },
		days: number,
		onpart: (part: Forecast) => void
	): Promise<Forecast | undefined> => inParts(byDay(estimate(), { days }), (part) => onpart(part()))
});

declare module '../../question' {
	interface Questions {
		'now/forecastByDay': typeof forecastByDay;
	}
}

export default forecastByDay;
