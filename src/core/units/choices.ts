import { toBase, type UnitChoice, type UnitId } from './quantity.js';

/** What volumes are given in. */
export const VOLUME_CHOICES = Object.freeze([
	{ value: 'L', label: 'litres' },
	{ value: 'usGal', label: 'US gallons' },
	{ value: 'impGal', label: 'imperial gallons' }
] as const);

/** A unit is one of those when it is this near to it. */
const SAME_UNIT = 1e-6;

/** What a meter counts in, by the litres of one displayed unit: `litres`, `US gallons`, else `units of 0.5 L`. */
export const unitsOfMeter = (unitL: number): string =>
	VOLUME_CHOICES.find(({ value }) => Math.abs(toBase(1, value) - unitL) < SAME_UNIT)?.label ??
	`units of ${Number(unitL.toFixed(3))} L`;

/** What a person can choose among, for each thing that is measured. */
export const UNIT_CHOICES: readonly {
	readonly of: keyof UnitChoice;
	readonly label: string;
	readonly options: readonly { readonly value: UnitId; readonly label: string }[];
}[] = Object.freeze([
	{
		of: 'volume',
		label: 'Volume',
		options: VOLUME_CHOICES
	},
	{
		of: 'length',
		label: 'Length',
		options: [
			{ value: 'mm', label: 'millimetres' },
			{ value: 'in', label: 'inches' }
		]
	},
	{
		of: 'mass',
		label: 'Mass',
		options: [
			{ value: 'kg', label: 'kilograms' },
			{ value: 'lb', label: 'pounds' }
		]
	},
	{
		of: 'distance',
		label: 'Distance',
		options: [
			{ value: 'km', label: 'kilometres' },
			{ value: 'mi', label: 'miles' },
			{ value: 'nmi', label: 'nautical miles' }
		]
	},
	{
		of: 'temperature',
		label: 'Temperature',
		options: [
			{ value: 'C', label: '°C' },
			{ value: 'F', label: '°F' }
		]
	}
]);
