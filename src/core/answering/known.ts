import type { Estimate } from '../estimate/index.js';
import { forecast, type Forecast, type Price } from '../forecast/index.js';
import type { Entry, HoursReader, Logbook, Trip } from '../logbook/index.js';
import type { UnitChoice } from '../units/index.js';

/** What questions are answered from: a logbook as it stands at a moment. */
export interface Known {
	readonly estimate: Estimate;
	/** the estimate at an earlier moment */
	readonly estimateAt: (atMs: number) => Estimate;
	/** all entries of the rig that count, up to the moment, in order */
	readonly entries: readonly Entry[];
	readonly trips: Logbook['trips'];
	readonly points: Logbook['points'];
	/** the trip at hand */
	readonly trip?: Trip | undefined;
	readonly timeZone: string;
	/** reads when services are open */
	readonly hours?: HoursReader | undefined;
	readonly units: UnitChoice;
	/** what the view has worked out already */
	readonly shown?: {
		readonly forecast: Forecast;
		readonly prices?: readonly Price[] | undefined;
		/** the tank that ends the stay */
		readonly binds?: string | undefined;
	};
}

/** How far is looked, days: as far as the view looks. */
export const LOOKED_DAYS = 30;

/** The forecast that the view shows, or one as it would be. */
export const forecastOf = ({ estimate, shown }: Known): Forecast =>
	shown?.forecast ?? forecast(estimate, { days: LOOKED_DAYS });
