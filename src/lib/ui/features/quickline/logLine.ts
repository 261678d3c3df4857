import { isAhead, withAll, type Understood } from '$core/quickline';
import type { App } from '$lib/state';
import { v7 as uuid } from 'uuid';
import { zonedTime } from '$core/time';
import { logSaying } from '../../parts/acts/notify';
import { reportEdits } from '../../parts/acts/reports';

/** Writes what a line was understood as, as one act: first what it adds to the rig, then its entries. */
export function logLine(
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
	const trip = app.trip;
	const stop = found && trip?.stops.find(({ id }) => id === found.stop);
	const ofPlaces =
		found && trip && stop
			? reportEdits(app, { point: stop.point, trip: trip.id, stop: stop.id }, found.kind, {
					day: zonedTime(app.nowMs, trip.timeZone).day,
					works: found.works,
					...(found.note ? { note: found.note } : {})
				})
			: [];
	return logSaying(app, drafts, says, [...ofRig, ...ofPlaces]);
}
