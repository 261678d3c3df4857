import type { Stop } from '$core/logbook';
import type { TripChange } from '$core/plan';

/** What is open over a trip: one of its forms, or a change that is tried. */
export type OpenOfTrip =
	| { readonly form: 'trip' }
	| { readonly form: 'new stop'; readonly after?: Stop | undefined }
	| { readonly form: 'stop'; readonly stop: string }
	| { readonly form: 'what if'; readonly given: TripChange | undefined };
