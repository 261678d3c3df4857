import { climateOf, type Estimate } from '$core/estimate';
import { tripInUse, type Logbook } from '$core/logbook';
import { valueAt } from '$core/time';

/** The heat that the stop at hand knows of, whether any habit rises with it or not, °C. */
export const heatOf = ({ model, atMs }: Estimate, trips: Logbook['trips']): number | undefined =>
	valueAt(climateOf(model.rig.id, trips.map(tripInUse)), atMs)?.maxC;
