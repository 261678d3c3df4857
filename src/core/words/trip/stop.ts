import { daysBetween, instantMs, zonedTime, type Service, type Stop } from '../../logbook/index.js';

/** What each kind of service is called in a list. */
export const SERVICE_NAMES: Readonly<Record<Service['kind'], string>> = {
	water: 'water',
	grey: 'grey drain',
	black: 'black disposal',
	mains: 'mains water',
	sewer: 'sewer'
};

/** What a stop offers: `water, grey drain`. */
export const sayOffered = ({ services }: Stop): string =>
	services
		.map(
			({ kind, potable }) =>
				`${SERVICE_NAMES[kind]}${kind === 'water' && potable === false ? ' (not for drinking)' : ''}`
		)
		.join(', ') || 'nothing here';

/** How many nights one stays, in the zone of the trip; empty when none. */
export function sayNights({ arrive, depart }: Stop, timeZone: string): string {
	const day = (at: string): string => zonedTime(instantMs(at), timeZone).day;
	const nights = daysBetween(day(arrive), day(depart));
	return nights > 0 ? `${nights} ${nights === 1 ? 'night' : 'nights'}` : '';
}
