import {
	exportText,
	MEDIA_TYPES,
	type ExportFormat,
	type ExportOptions,
	type PlannedServices
} from '$core/formats';
import { tripInUse, tripSpan, type Trip } from '$core/logbook';
import type { App } from '$lib/state';
import { download, plainName } from '../../kit/download';

/** What is planned along a trip now, where it is not over. */
export async function plannedNow(app: App, trip: Trip): Promise<PlannedServices | undefined> {
	const rig = app.records.rigs.find(({ id }) => id === trip.rig);
	if (!rig) return undefined;
	const plan =
		tripSpan(trip)[1] > app.nowMs && trip.stops.length > 0
			? (await app.engine.ask('trip/planOfTrip', trip.id))?.plan
			: undefined;
	return { rig, plan, units: app.prefs.current.units };
}

/** Saves the logbook, or a trip of it, as a file of an open format; what it writes is read back by others and by us. */
export async function saveAs(
	app: App,
	format: ExportFormat,
	options: ExportOptions & { readonly name: string }
): Promise<void> {
	const { name, ...rest } = options;
	const trip = rest.trip && tripInUse(rest.trip);
	const planned = trip ? await plannedNow(app, trip) : undefined;
	const text = exportText(format, app.records.logbook(), { ...rest, trip, planned });
	download(`${plainName(name)}.${format}`, text, MEDIA_TYPES[format]);
}
