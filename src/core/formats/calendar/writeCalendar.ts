import ical, { ICalAlarmType, type ICalAlarmData } from 'ical-generator';
import { instantMs, type Rig, type Stop, type Trip } from '../../logbook/index.js';
import type { Plan } from '../../plan/index.js';
import { METRIC, type UnitChoice } from '../../units/index.js';
import { capital, doesAt, lastFor, sayOffered } from '../../words/index.js';
import { OWN_STOP } from './readCalendar.js';

/** What a plan says of the stops of a trip. */
export interface PlannedServices {
	readonly rig: Rig;
	readonly plan: Plan | undefined;
	readonly units?: UnitChoice;
}

/** What is to be done at a stop: `Take 48 L and empty Grey.` and what it is the last chance for. */
export function doingAt(
	stop: Stop,
	timeZone: string,
	{ rig, plan, units = METRIC }: PlannedServices
): readonly string[] {
	return [
		...doesAt(rig, plan, stop, units, timeZone).map((does) => `${capital(does)}.`),
		...lastFor(rig, plan, stop.id).map((tank) => `Last chance for ${tank}.`)
	];
}

/**
 * A trip as an iCalendar (RFC 5545): an event for each stop with what is to be done there, and an alarm on arrival at the
 * last place for a tank.
 *
 * @param stampMs when it was written
 */
export function tripCalendar(trip: Trip, planned: PlannedServices, stampMs: number): string {
	const calendar = ical({
		name: trip.name,
		prodId: { company: 'Dipsometer', product: 'logbook', language: 'EN' }
	});
	for (const stop of trip.stops) {
		const doing = doingAt(stop, trip.timeZone, planned);
		const description = [
			...doing,
			stop.services.length > 0 ? `There is ${sayOffered(stop)}.` : '',
			stop.note ?? ''
		]
			.filter((line) => line !== '')
			.join('\n');
		const alarms: ICalAlarmData[] = lastFor(planned.rig, planned.plan, stop.id).map((tank) => ({
			type: ICalAlarmType.display,
			trigger: new Date(instantMs(stop.arrive)),
			description: `${stop.name}: last chance for ${tank}`
		}));
		const event = calendar.createEvent({
			id: stop.id,
			start: new Date(instantMs(stop.arrive)),
			end: new Date(instantMs(stop.depart)),
			stamp: new Date(stampMs),
			summary: stop.name,
			...(description === '' ? {} : { description }),
			alarms
		});
		if (stop.position)
			event.location({ title: stop.name, geo: { lat: stop.position[1], lon: stop.position[0] } });
		event.x([{ key: OWN_STOP, value: encodeURIComponent(JSON.stringify(stop)) }]);
	}
	return calendar.toString();
}
