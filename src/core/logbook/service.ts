import { daysBetween } from '../time/index.js';
import type { Service } from './types.js';

/** What is written where a service is shut until further notice: frozen, out of order. */
export const SHUT = 'off';

/** Whether a service is shut until further notice: it serves nobody. */
export const isShut = ({ open }: Pick<Service, 'open'>): boolean =>
	open !== undefined && /^\s*(off|closed)\s*$/i.test(open);

/** Whether a service has hours that must be read to know when it is open. */
export const hasHours = (service: Pick<Service, 'open'>): boolean =>
	service.open !== undefined && !isShut(service) && !/^\s*24\/7\s*$/.test(service.open);

/** A report older than this tells nothing of today: a tap that was dry in winter may run in summer. Days. */
const REPORT_COUNTS_DAYS = 183;

/** The last of what people found at a service up to a day; nothing where nobody has said anything. */
export const lastReport = (
	{ reports = [] }: Pick<Service, 'reports'>,
	today: string
): NonNullable<Service['reports']>[number] | undefined =>
	reports
		.filter(({ day }) => day <= today)
		.reduce<NonNullable<Service['reports']>[number] | undefined>(
			(last, one) => (!last || one.day >= last.day ? one : last),
			undefined
		);

/** Whether a service failed when somebody last looked, not longer ago than half a year: it is not counted on. */
export function failedLast(service: Pick<Service, 'reports'>, today: string): boolean {
	const last = lastReport(service, today);
	return last?.works === false && daysBetween(last.day, today) <= REPORT_COUNTS_DAYS;
}

/** Where hours are meant: days and hours are of the zone; public holidays of the country (ISO 3166, two letters), of none where it is not known. */
export interface HoursPlace {
	readonly timeZone: string;
	readonly country?: string | undefined;
	readonly position?: readonly [longitude: number, latitude: number] | undefined;
}

/** Reads texts in the open map's syntax of opening hours. It is heavy, so that whoever needs it is given one. */
export interface HoursReader {
	/** whether a text can be read */
	reads(open: string): boolean;
	/**
	 * The first moment from one on and before another at which it is open, ms; the first itself counts also where both are the same.
	 * A text that cannot be read is one of which nothing is known: open. Hours by arrangement are not counted on.
	 *
	 * @returns nothing where it is never open in that time
	 */
	firstOpenMs(open: string, place: HoursPlace, fromMs: number, untilMs: number): number | undefined;
	/** When it next opens or shuts after a moment, ms; nothing where it never does. */
	changesMs(open: string, place: HoursPlace, atMs: number): number | undefined;
}
