import { zonedTime } from '$core/time';
import { seenOn, toConfirm, type Visit } from '$core/places';
import type { App } from '$lib/state';
import { notifyDone } from './notify';

/** Visits of late whose place has not been said to be still right since, the latest first. */
export const visitsToConfirm = (app: App): readonly Visit[] =>
	toConfirm(app.records.points, app.rigEntries, app.records.trips, app.nowMs, app.timeZone);

/** A place is still as it was: that it was seen today is kept, and said. */
export async function confirmVisit(app: App, { point }: Visit): Promise<void> {
	const today = zonedTime(app.nowMs, app.timeZone).day;
	const said = `${point.name}: still right`;
	if (await app.commands.change('point', point.id, (newest) => seenOn(newest, today), said))
		notifyDone(app, said);
}
