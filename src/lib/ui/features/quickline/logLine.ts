import { isAhead, withAll, type ServiceFound, type Understood } from '$core/quickline';
import type { App } from '$lib/state';
import type { Edit } from '$lib/store';
import { v7 as uuid } from 'uuid';
import { zonedTime } from '$core/time';
import { logSaying } from '../../parts/acts/notify';

/** Writes what a line was understood as, as one act: first what it adds to the rig, then its entries. */
export async function logLine(
	app: App,
	{ drafts, adds, needs: before, found, says }: Understood
): Promise<boolean> {
	const rig = app.rig?.id;
	// Two phones may say something of days ahead at once.
	const added = adds && isAhead(adds) ? { ...adds, id: uuid() } : adds;
	const ofRig =
		added && rig !== undefined
			? [
					app.commands.editOf('rig', rig, (newest) =>
						withAll(newest, { adds: added, ...(before ? { needs: before } : {}) })
					)
				]
			: [];
	const ofPlaces = found ? await editsOf(app, found) : [];
	return logSaying(app, drafts, says, [...ofRig, ...ofPlaces]);
}

/** What a tap or a drain was found to be goes into the trip, and into the point: few lines say it, and its code comes with the first. */
async function editsOf(app: App, { stop: id, kind, works, note }: ServiceFound): Promise<readonly Edit[]> {
	const trip = app.trip;
	const stop = trip?.stops.find((one) => one.id === id);
	if (!trip || !stop) return [];
	const { reportEdits } = await import('../../parts/acts/reports');
	const report = { day: zonedTime(app.nowMs, trip.timeZone).day, works, ...(note ? { note } : {}) };
	return reportEdits(app, { point: stop.point, trip: trip.id, stop: id }, kind, report);
}
