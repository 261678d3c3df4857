import { DEFAULT_CERTAINTY, type Trip } from '$core/logbook';
import { CERTAINTIES } from '$core/words';
import type { Draft, Field } from '../../kit/fields/fields';

/** What makes carried water weigh in a plan, money per kilogram and kilometre: about what it adds to the fuel bill. */
const CARRY_LIGHT = 1e-4;

/** The zones this browser knows, the device's own first. */
function zones(own: string, chosen: string): readonly { readonly value: string; readonly label: string }[] {
	const rest = [...new Set([chosen, ...Intl.supportedValuesOf('timeZone')])].filter((zone) => zone !== own);
	const named = (zone: string): string => zone.replaceAll('_', ' ');
	return [
		{ value: own, label: `this device’s: ${named(own)}` },
		...rest.sort().map((zone) => ({ value: zone, label: named(zone) }))
	];
}

/** Countries whose public holidays are known to what reads opening hours, ISO 3166. */
const COUNTRIES =
	'ar at au be bg br by ca ch ci cn cz de dk ee es fi fr ge gg gi gr hr hu ie im it je jp lt lu lv mc md mt mx na nl no nz pl pt ro rs ru se si sk sm ua us vn za';

/** These countries by their names, in order. */
function countries(): readonly { readonly value: string; readonly label: string }[] {
	const names = new Intl.DisplayNames('en-GB', { type: 'region' });
	return COUNTRIES.split(' ')
		.map((value) => ({ value, label: names.of(value.toUpperCase()) ?? value }))
		.sort((a, b) => a.label.localeCompare(b.label));
}

/** The fields of a trip: what a person knows first, the rest behind "more". */
export const tripFields = (draft: Draft, deviceZone: string): readonly Field[] => [
	{ key: 'name', label: 'Name', type: 'text' },
	{ key: 'from', label: 'First day', type: 'day' },
	{ key: 'to', label: 'Last day', type: 'day' },
	{ key: 'persons', label: 'People aboard', type: 'number' },
	{
		key: 'policy.certainty',
		label: 'The plan must be',
		type: 'meaning',
		hint: 'Trips in 100 with no tank running low or filling up.',
		options: CERTAINTIES.map(({ value, label }) => ({
			value,
			label: `${label}: ${Math.round(100 * value)}`
		})),
		other: { label: 'Trips in 100', percent: true }
	},
	{
		key: 'policy.feePerKgKm',
		label: 'Water aboard',
		type: 'meaning',
		options: [
			{ value: 0, label: 'fill to the brim' },
			{ value: CARRY_LIGHT, label: 'carry light: what you need to the next tap' }
		],
		more: true,
		other: { label: 'Carrying a kilogram one kilometre costs' }
	},
	{
		key: 'timeZone',
		label: 'Clocks as in',
		type: 'select',
		more: true,
		options: zones(deviceZone, typeof draft.timeZone === 'string' ? draft.timeZone : deviceZone)
	},
	{
		key: 'country',
		label: 'Public holidays of',
		type: 'select',
		optional: true,
		more: true,
		hint: 'Opening hours that change on public holidays use it.',
		options: countries()
	},
	{
		key: 'policy.feePerMinute',
		label: 'A minute spent is worth',
		type: 'number',
		optional: true,
		more: true,
		hint: 'Same currency as the fees.'
	},
	{
		key: 'policy.feePerKm',
		label: 'A kilometre of detour costs',
		type: 'number',
		optional: true,
		more: true
	}
];

/** A new trip, from today, of the usual crew. */
export const newTrip = (id: string, rig: string, today: string, timeZone: string, persons: number): Trip => ({
	id,
	rig,
	name: '',
	timeZone,
	from: today,
	to: today,
	persons,
	stops: [],
	policy: { certainty: DEFAULT_CERTAINTY, feePerKgKm: 0 }
});
