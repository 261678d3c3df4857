import type { Point, Service, Stop } from '$core/logbook';
import { withReport, type Report } from '$core/places';
import type { App } from '$lib/state';
import type { Edit } from '$lib/store';

/** Where a service is: at a stop of a trip, at a point, or at both where the stop was made from the point. */
export interface ReportedAt {
	readonly point?: string | undefined;
	readonly trip?: string | undefined;
	readonly stop?: string | undefined;
}

const reported = <T extends Pick<Stop | Point, 'services'>>(
	one: T,
	kind: Service['kind'],
	report: Report
): T => {
	const at = one.services.findIndex((service) => service.kind === kind);
	return at < 0 ? one : { ...one, services: [...withReport(one.services, at, report)] };
};

/** The edits that keep a report: at the point, and at every stop still ahead that was made from it, so that plans know it. */
export function reportEdits(
	app: App,
	{ point, trip, stop }: ReportedAt,
	kind: Service['kind'],
	report: Report
): readonly Edit[] {
	const isMeant = (one: Stop): boolean => (point !== undefined && one.point === point) || one.id === stop;
	const trips = app.records.trips.filter(
		(one) => one.stops.some(isMeant) && (one.id === trip || one.to >= report.day)
	);
	return [
		...trips.map(({ id }) =>
			app.commands.editOf('trip', id, (newest) => ({
				...newest,
				stops: newest.stops.map((one) => (isMeant(one) ? reported(one, kind, report) : one))
			}))
		),
		...(point !== undefined && app.records.points.some(({ id }) => id === point)
			? [app.commands.editOf('point', point, (newest) => reported(newest, kind, report))]
			: [])
	];
}

/** Keeps what somebody found at a service, as one act that can be undone. */
export const reportAt = (
	app: App,
	at: ReportedAt,
	kind: Service['kind'],
	report: Report,
	said: string
): Promise<boolean> => app.commands.put([], said, reportEdits(app, at, kind, report));
