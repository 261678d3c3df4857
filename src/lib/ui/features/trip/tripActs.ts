import { DAY_MS, dayPlus, daysBetween, zonedIso, zonedTime } from '$core/time';
import type { Point, Stop, Trip } from '$core/logbook';
import { pointFrom, type Report } from '$core/places';
import { changedTrip, type TripChange } from '$core/plan';
import { sayWay } from '$core/quickline';
import { capital, sayChange, SERVICE_NAMES } from '$core/words';
import { errorMessage } from '$lib/errorMessage';
import { toast } from '../../kit/toast.svelte';
import type { App } from '$lib/state';
import { v7 as uuid } from 'uuid';
import { notifyDone } from '../../parts/acts/notify';
import { reportAt } from '../../parts/acts/reports';

/** A change in words, for undo and for what was done. */
export const changeWords = (app: App, trip: Trip, change: TripChange): string =>
	app.liveRig
		? capital(
				sayChange(change, {
					rig: app.liveRig,
					trip,
					points: app.records.points,
					units: app.prefs.current.units
				})
			)
		: '';

/** Keeps a change: in the trip, or as entries from now on where it is of people or measures. It can be undone. */
export async function keepChange(app: App, trip: Trip, change: TripChange): Promise<boolean> {
	const label = changeWords(app, trip, change);
	const kept = await keptAs(app, trip, change, label);
	if (kept) notifyDone(app, label);
	return kept;
}

/**
 * Keeps what there is at a stop as a point of the directory, which the stop is then at; one act, which can be undone.
 *
 * @param kept the point, where it stands in the directory already
 */
export async function keepPoint(app: App, trip: Trip, stop: Stop, kept?: Point): Promise<void> {
	const made = kept ?? pointFrom(stop, uuid());
	if (!made) return;
	const said = `${made.name} saved as a point`;
	const edit = app.commands.editOf('trip', trip.id, (newest) => ({
		...newest,
		stops: newest.stops.map((one) =>
			one.id === stop.id ? { ...one, point: made.id, position: made.position } : one
		)
	}));
	if (await app.commands.put(kept ? [] : [{ kind: 'point', value: made }], said, [edit]))
		notifyDone(app, said);
}

function keptAs(app: App, trip: Trip, change: TripChange, label: string): Promise<boolean> {
	const { commands } = app;
	if (change.kind === 'persons') {
		const persons = Math.max(0, (app.engine.assessment?.persons ?? trip.persons) + change.by);
		return commands.log({ kind: 'crew', persons, source: 'hand', ...app.nowOnTrip() }, label);
	}
	if (change.kind === 'measures') {
		const entries = change.on.map((measure) =>
			commands.entryFrom({ kind: 'measure', measure, on: true, source: 'hand', ...app.nowOnTrip() })
		);
		return commands.put(
			entries.map((value) => ({ kind: 'entry', value })),
			label
		);
	}
	return commands.change('trip', trip.id, (newest) => changedTrip(newest, change, app.records.points), label);
}

/** A copy of a trip that begins on the day after it, or today where that is later; what is tied to the old one stays there. */
export function copyOfTrip(trip: Trip, today: string): Trip {
	const copy: Trip = {
		...trip,
		id: uuid(),
		name: `${trip.name}, again`,
		stops: trip.stops.filter(({ retired }) => !retired).map((stop) => ({ ...stop, id: uuid() }))
	};
	return movedTo(copy, today > trip.to ? today : dayPlus(trip.to, 1));
}

/** Keeps a copy of a trip, for the next time; gives its id once it is kept. */
export async function keepCopy(app: App, trip: Trip): Promise<string | undefined> {
	const next = copyOfTrip(trip, zonedTime(app.nowMs, trip.timeZone).day);
	const said = `${next.name}: copied`;
	if (!(await app.commands.put([{ kind: 'trip', value: next }], said))) return undefined;
	notifyDone(app, said);
	return next.id;
}

/** Keeps what somebody found at a service of a stop; plans know it at once. */
export async function reportFound(
	app: App,
	trip: Trip,
	stop: Stop,
	at: number,
	report: Report
): Promise<void> {
	const service = stop.services[at];
	if (!service) return;
	const said = `${stop.name}, ${SERVICE_NAMES[service.kind]}: ${report.works ? 'works' : (report.note ?? 'does not work')}`;
	const where = { point: stop.point, trip: trip.id, stop: stop.id };
	if (await reportAt(app, where, service.kind, report, said)) notifyDone(app, said);
}

/** Puts a trip in lines on the clipboard, as one would write it; where that is not allowed it is said. */
export async function copyText(app: App, trip: Trip): Promise<void> {
	const text = sayWay(trip.stops, {
		timeZone: trip.timeZone,
		rig: app.liveRig,
		points: app.records.points
	});
	try {
		await navigator.clipboard.writeText(text);
		toast('Trip copied as text');
	} catch (error) {
		toast(
			`The browser doesn’t let it be copied (${errorMessage(error)}). Open “Edit as lines” and copy it there.`
		);
	}
}

/** How long one can stay where one is: a stop that lasts as long as the tanks do, at the odds that plans are made for. */
export async function stayHere(app: App, trip: Trip): Promise<void> {
	const days = app.engine.assessment?.forecast.autonomyDays.p10;
	if (days === undefined) return;
	const leaveMs = app.nowMs + Math.max(1, Math.floor(days)) * DAY_MS;
	const stop: Stop = {
		id: uuid(),
		name: 'Here',
		arrive: zonedIso(app.nowMs, trip.timeZone),
		depart: zonedIso(leaveMs, trip.timeZone),
		legKm: 0,
		services: []
	};
	const lastDay = zonedTime(leaveMs, trip.timeZone).day;
	await app.commands.change(
		'trip',
		trip.id,
		(newest) => ({
			...newest,
			stops: [...newest.stops, stop],
			to: lastDay > newest.to ? lastDay : newest.to
		}),
		'We stay here'
	);
}

/** A trip with all its days moved so that it begins on another one. */
function movedTo(trip: Trip, from: string): Trip {
	const days = daysBetween(trip.from, from);
	const [first] = trip.stops;
	const moved = { ...trip, from, to: dayPlus(trip.to, days) };
	if (!first) return moved;
	// As if one stayed so many nights longer before the first stop: each keeps its time of day.
	const before = { ...first, id: `${trip.id}~before`, depart: first.arrive };
	const later = changedTrip(
		{ ...moved, stops: [before, ...trip.stops] },
		{ kind: 'nights', stop: before.id, by: days }
	);
	return { ...later, to: moved.to, stops: later.stops.slice(1) };
}
