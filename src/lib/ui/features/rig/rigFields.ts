import type { Instrument, Rig } from '$core/logbook';
import { toBase, VOLUME_CHOICES } from '$core/units';
import { METER_PLACES } from '$core/words';
import type { Draft, Field } from '../../kit/fields/fields';

/** The lists of a rig that are edited here. */
export type RigPart =
	'tanks' | 'outlets' | 'habits' | 'instruments' | 'measures' | 'sources' | 'containers' | 'care';

type Named = { readonly id: string; readonly name: string };
const options = (list: readonly Named[]): readonly { value: string; label: string }[] =>
	list.map(({ id, name }) => ({ value: id, label: name }));
const name: Field = { key: 'name', label: 'Name', type: 'text' };
const volume = (
	key: string,
	label: string,
	more: { optional?: boolean; hint?: string; more?: boolean } = {}
): Field => ({
	key,
	label,
	type: 'number',
	of: 'volume',
	...more
});

export const RIG_FIELDS: readonly Field[] = [
	name,
	{
		key: 'kind',
		label: 'Kind',
		type: 'select',
		options: [
			{ value: 'camper', label: 'camper, van, trailer or car' },
			{ value: 'boat', label: 'boat' }
		]
	},
	{ key: 'crew', label: 'Usual number of people', type: 'number' },
	{ key: 'payloadKg', label: 'Payload, from the weight plate', type: 'number', of: 'mass', optional: true },
	{
		key: 'plateFreshShare',
		label: 'The plate’s empty mass includes',
		type: 'meaning',
		usual: 0,
		options: [
			{ value: 0, label: 'no fresh water' },
			{ value: 0.9, label: 'nine tenths of the fresh tank' },
			{ value: 1, label: 'a full fresh tank' }
		]
	},
	{
		key: 'elseKg',
		label: 'Of that, people, food and gear',
		type: 'number',
		of: 'mass',
		optional: true,
		hint: 'Everything else the plate counts: then a plan fills no more than is left.'
	},
	volume('drinking.litresPerPersonDay', 'Kept for drinking, per person and day', {
		optional: true,
		hint: 'Plans never use it: about 3 litres each, to drink and cook with.'
	}),
	{ key: 'drinking.days', label: 'for how many days', type: 'number', suffix: 'days', optional: true },
	volume('systemL', 'Heater and pipes', {
		optional: true,
		more: true,
		hint: 'Filled first after draining the system.'
	}),
	{
		key: 'unlogged.mean',
		label: 'Unlogged use, per person and day',
		type: 'number',
		of: 'volume',
		optional: true,
		more: true,
		hint: 'Leave blank to learn it from your log.'
	},
	{ key: 'unlogged.sd', label: 'give or take', type: 'number', of: 'volume', optional: true, more: true }
];

const WATERS = [
	{ value: 'fresh', label: 'fresh water' },
	{ value: 'grey', label: 'grey water' },
	{ value: 'black', label: 'black water' }
] as const;

const tankFields = (rig: Rig): readonly Field[] => [
	name,
	{ key: 'holds', label: 'Holds', type: 'select', options: WATERS },
	volume('nominalL', 'Rated size'),
	volume('usableL', 'Usable', {
		optional: true,
		hint: 'From the overflow to where the pump sucks air; for waste, to where it backs up.'
	}),
	volume('reserveL', 'Reserve (fresh) or headroom (waste)'),
	volume('residualL', 'Left after dumping', { optional: true }),
	volume('chargeL', 'Added after a dump', {
		optional: true,
		hint: 'Water and treatment into black: forecasts begin with it.'
	}),
	volume('deadL', 'Water the pump can’t reach', { optional: true }),
	{
		key: 'feeds',
		label: 'Is poured or switched into',
		type: 'select',
		optional: true,
		options: options(rig.tanks)
	},
	{
		key: 'relieves',
		label: 'Takes over when full from',
		type: 'select',
		optional: true,
		options: options(rig.tanks.filter(({ holds }) => holds !== 'fresh')),
		hint: 'A second cassette, a second bottle.'
	},
	{ key: 'joined', label: 'Level with', type: 'select', optional: true, options: options(rig.tanks) },
	{
		key: 'exposure',
		label: 'Is fitted',
		type: 'select',
		optional: true,
		options: ['inside', 'underslung', 'bilge', 'outside'].map((value) => ({ value, label: value }))
	},
	{ key: 'portable', label: 'can be carried', type: 'check' },
	{ key: 'heated', label: 'has its own heater', type: 'check' },
	{
		key: 'drain',
		label: 'Its outlet',
		type: 'text',
		optional: true,
		more: true,
		hint: 'Use the same name for waste tanks that share an outlet. Left blank, a camper’s built-in tanks share one, a boat’s don’t.'
	},
	{
		key: 'drainMm',
		label: 'Drain valve, inside width',
		type: 'number',
		of: 'length',
		optional: true,
		more: true,
		hint: 'Small valves take minutes: with this, runs say how many.'
	},
	{
		key: 'pickUp.xMm',
		label: 'Pick-up, forward of the tank’s middle',
		type: 'number',
		of: 'length',
		optional: true,
		more: true,
		hint: 'With the tank’s shape, this gives what a heel puts out of reach.'
	},
	{
		key: 'pickUp.yMm',
		label: 'Pick-up, to port of the tank’s middle',
		type: 'number',
		of: 'length',
		optional: true,
		more: true
	},
	{
		key: 'position.xM',
		label: 'Middle, forward of the reference point',
		type: 'number',
		suffix: 'm',
		optional: true,
		more: true
	},
	{
		key: 'position.yM',
		label: 'Middle, to port of the reference point',
		type: 'number',
		suffix: 'm',
		optional: true,
		more: true
	},
	{ key: 'tareKg', label: 'Weighs empty', type: 'number', of: 'mass', optional: true, more: true }
];

const outletFields = (rig: Rig): readonly Field[] => [
	name,
	{
		key: 'from',
		label: 'Draws from',
		type: 'select',
		options: [
			...options(rig.tanks),
			{ value: 'outside', label: 'no tank (the sea, a flush tank of its own)' }
		]
	},
	{
		key: 'to',
		label: 'Runs to',
		type: 'select',
		options: [
			...options(rig.tanks),
			...['ground', 'overboard', 'sewer', 'none'].map((value) => ({
				value,
				label: value === 'none' ? 'nowhere (drunk or boiled off)' : value
			}))
		]
	},
	{ key: 'flowLpm', label: 'Flow', type: 'number', suffix: 'L/min', optional: true }
];

/** The physical parts of one time, in the order in which they happen. */
const recipeFields = (at: string): readonly Field[] => {
	const part = (
		key: string,
		label: string,
		unit: { of?: 'volume'; suffix?: string; hint?: string }
	): Field => ({
		key: `${at}.${key}`,
		label,
		type: 'number',
		optional: true,
		...unit
	});
	return [
		part('warmUpL', 'Runs until it is warm', { of: 'volume' }),
		part('runMin', 'then runs', { suffix: 'min' }),
		part('flowLpm', 'with a flow, a minute, of', { of: 'volume' }),
		part('pauseMin', 'pauses', { suffix: 'min' }),
		part('trickleLpm', 'and trickles, a minute', { of: 'volume', hint: 'What a valve still lets through.' }),
		part('basinL', 'Basin', { of: 'volume' }),
		part('flushL', 'Flush', { of: 'volume' })
	];
};

const habitFields = (rig: Rig): readonly Field[] => [
	name,
	{ key: 'outlet', label: 'At', type: 'select', options: options(rig.outlets) },
	volume('litresEach.mean', 'Litres each'),
	volume('litresEach.sd', 'give or take', { hint: 'Enter 0 only if it is exact.' }),
	{ key: 'often.times', label: 'How often', type: 'number' },
	{
		key: 'often.per',
		label: 'per',
		type: 'select',
		options: [
			{ value: 'person-day', label: 'person and day' },
			{ value: 'day', label: 'day' }
		]
	},
	{
		key: 'keptFraction',
		label: 'Of it reaches no tank',
		type: 'number',
		percent: true,
		optional: true,
		hint: 'Drunk or boiled off.'
	},
	volume('addsL', 'Adds to the waste tank besides', { optional: true }),
	...recipeFields('recipe'),
	{
		key: 'rises.fromC',
		label: 'More often above',
		type: 'number',
		of: 'temperature',
		optional: true,
		more: true,
		hint: 'Rises with the day’s heat, as drinking does.'
	},
	{
		key: 'rises.perC',
		label: 'by, for each °C',
		type: 'number',
		percent: true,
		optional: true,
		more: true
	},
	{ key: 'rises.exertion', label: 'more often on hard days', type: 'check', more: true }
];

const measureFields = (rig: Rig, draft: Draft): readonly Field[] => {
	const kind =
		typeof draft.effect === 'object' && draft.effect !== null && 'kind' in draft.effect
			? draft.effect.kind
			: undefined;
	return [
		name,
		{ key: 'habit', label: 'Of the habit', type: 'select', options: options(rig.habits) },
		{
			key: 'effect.kind',
			label: 'It changes one use to',
			type: 'select',
			options: [
				{ value: 'scale', label: 'a share of its litres' },
				{ value: 'set', label: 'a number of litres' },
				{ value: 'rarer', label: 'rarer' },
				{ value: 'reroute', label: 'partly run to another tank' },
				{ value: 'return', label: 'partly run back' },
				{ value: 'outside', label: 'come from elsewhere' },
				{ value: 'recipe', label: 'another recipe' }
			]
		},
		...(kind === 'scale' || kind === 'rarer'
			? [{ key: 'effect.factor', label: 'Share of before', type: 'number', percent: true } as const]
			: []),
		...(kind === 'set' || kind === 'reroute' || kind === 'return' ? [volume('effect.litres', 'Litres')] : []),
		...(kind === 'reroute'
			? [
					{ key: 'effect.to', label: 'To', type: 'select', options: options(rig.tanks) } as const,
					{
						key: 'effect.replaces',
						label: 'Instead of',
						type: 'select',
						optional: true,
						options: options(rig.habits)
					} as const
				]
			: []),
		...(kind === 'recipe' ? recipeFields('effect.parts') : []),
		{ key: 'effort', label: 'Effort, 0 to 5', type: 'number', optional: true },
		{
			key: 'where',
			label: 'Saves only',
			type: 'select',
			optional: true,
			options: [
				{ value: 'hookup', label: 'while hooked up' },
				{ value: 'ashore', label: 'where there are showers ashore' }
			]
		}
	];
};

const instrumentFields = (rig: Rig, draft: Draft): readonly Field[] => {
	const tank: Field = { key: 'tank', label: 'Tank', type: 'select', options: options(rig.tanks) };
	const kind = draft.kind as Instrument['kind'];
	if (kind === 'rod')
		return [
			name,
			tank,
			{ key: 'sdMm', label: 'Read to, give or take', type: 'number', of: 'length', optional: true },
			{ key: 'at.xMm', label: 'Forward of the middle', type: 'number', of: 'length', optional: true },
			{ key: 'at.yMm', label: 'to port of the middle', type: 'number', of: 'length', optional: true }
		];
	if (kind === 'gauge') return [name, tank, volume('sdL', 'Accurate to, give or take', { optional: true })];
	return [
		name,
		tank,
		{
			key: 'place',
			label: 'Sits',
			type: 'select',
			options: Object.entries(METER_PLACES).map(([value, label]) => ({ value, label }))
		},
		{
			key: 'unitL',
			label: 'It counts in',
			type: 'meaning',
			options: VOLUME_CHOICES.map(({ value, label }) => ({ value: toBase(1, value), label })),
			other: { label: 'One displayed unit is', suffix: 'L' }
		},
		{
			key: 'counts',
			label: 'Counts',
			type: 'select',
			options: [
				{ value: 'up', label: 'up' },
				{ value: 'down', label: 'down' }
			]
		},
		{
			key: 'setTo',
			label: 'At a reset it is set to',
			type: 'number',
			optional: true,
			more: draft.counts !== 'down',
			hint: 'In its own unit; a countdown meter, to what is aboard.'
		},
		{
			key: 'scale',
			label: 'True litres to a displayed one',
			type: 'number',
			optional: true,
			more: true,
			hint: 'Find it by a bucket test, under the tank’s trials.'
		},
		{
			key: 'sdFraction',
			label: 'Accurate to, give or take',
			type: 'number',
			percent: true,
			optional: true,
			more: true,
			hint: 'As its maker says; otherwise 2%.'
		},
		{
			key: 'alarmAt',
			label: 'It beeps at',
			type: 'number',
			optional: true,
			more: true,
			hint: 'In its own unit.'
		}
	];
};

const sourceFields = (rig: Rig): readonly Field[] => [
	name,
	{
		key: 'into',
		label: 'Runs into',
		type: 'select',
		options: options(rig.tanks.filter(({ holds }) => holds === 'fresh'))
	},
	volume('litresEach.mean', 'Litres each time'),
	volume('litresEach.sd', 'give or take'),
	{
		key: 'often.times',
		label: 'How often a day',
		type: 'number',
		hint: 'Once in five days is 0.2; the log refines it.'
	},
	{ key: 'potable', label: 'it is drinking water', type: 'check' },
	{ key: 'note', label: 'Note', type: 'text', optional: true, more: true }
];

const CONTAINER_FIELDS: readonly Field[] = [
	name,
	{ key: 'carries', label: 'Carries', type: 'select', options: WATERS },
	volume('capacityL', 'Size, to the brim'),
	volume('headroomL', 'Headroom, so that nothing spills'),
	{ key: 'tareKg', label: 'Weighs empty', type: 'number', of: 'mass' },
	{ key: 'count', label: 'How many of them', type: 'number' },
	{
		key: 'minutesPerLoad',
		label: 'Minutes there and back',
		type: 'number',
		suffix: 'min',
		optional: true
	}
];

const careFields = (rig: Rig): readonly Field[] => [
	name,
	{ key: 'every.days', label: 'Every', type: 'number', suffix: 'days', optional: true },
	volume('every.litres', 'or every', { optional: true, hint: 'Whichever comes first.' }),
	{
		key: 'through',
		label: 'Its litres pass',
		type: 'select',
		optional: true,
		options: [
			...options(rig.instruments.filter(({ kind }) => kind === 'meter')),
			...options(rig.tanks),
			...options(rig.sources ?? [])
		]
	},
	{
		key: 'does',
		label: 'To the water it',
		type: 'select',
		optional: true,
		options: [
			{ value: 'sanitise', label: 'sanitises tank and pipes' },
			{ value: 'disinfect', label: 'treats what is in the tank' },
			{ value: 'filter', label: 'filters it' },
			{ value: 'flush', label: 'flushes something' }
		]
	},
	{
		key: 'tank',
		label: 'Is about',
		type: 'select',
		optional: true,
		options: options(rig.tanks)
	},
	{ key: 'everyDumps', label: 'Or after how many dumps', type: 'number', optional: true },
	{ key: 'lastDone', label: 'Last done', type: 'day', optional: true },
	{
		key: 'season',
		label: 'Belongs to',
		type: 'select',
		optional: true,
		options: [
			{ value: 'frost', label: 'frost' },
			{ value: 'summer', label: 'the heat of summer' },
			{ value: 'lay-up', label: 'winter storage' }
		]
	},
	{ key: 'note', label: 'Note', type: 'text', optional: true, more: true }
];

/** The fields of one item of a rig. Some depend on what the item already says. */
export function rigFields(part: RigPart, rig: Rig, draft: Draft): readonly Field[] {
	const others: Rig = {
		...rig,
		tanks: part === 'tanks' ? rig.tanks.filter(({ id }) => id !== draft.id) : rig.tanks
	};
	switch (part) {
		case 'tanks':
			return tankFields(others);
		case 'outlets':
			return outletFields(rig);
		case 'habits':
			return habitFields(rig);
		case 'instruments':
			return instrumentFields(rig, draft);
		case 'measures':
			return measureFields(rig, draft);
		case 'sources':
			return sourceFields(rig);
		case 'containers':
			return CONTAINER_FIELDS;
		case 'care':
			return careFields(rig);
	}
}

/** A new item of a rig, before its fields are filled in. */
export function newItem(part: RigPart, rig: Rig, id: string, kind: Instrument['kind'] = 'meter'): Draft {
	const [tank, outlet, habit] = [rig.tanks[0]?.id ?? '', rig.outlets[0]?.id ?? '', rig.habits[0]?.id ?? ''];
	switch (part) {
		case 'tanks':
			return { id, name: '', holds: 'fresh', reserveL: 0 };
		case 'outlets':
			return { id, name: '', from: tank, to: 'none' };
		case 'habits':
			return { id, name: '', outlet, litresEach: { sd: 1 }, often: { times: 1, per: 'day' } };
		case 'measures':
			return { id, name: '', habit, effect: { kind: 'scale', factor: 0.5 } };
		case 'sources':
			return {
				id,
				name: '',
				into: rig.tanks.find(({ holds }) => holds === 'fresh')?.id ?? '',
				litresEach: { sd: 5 },
				often: { times: 0.5, per: 'day' }
			};
		case 'containers':
			return { id, name: '', carries: 'grey', headroomL: 2, count: 1 };
		case 'care':
			return { id, name: '', every: { days: 90 } };
		case 'instruments':
			if (kind === 'rod') return { id, kind, name: '', tank, sdMm: 4 };
			if (kind === 'gauge') return { id, kind, name: '', tank, curve: [] };
			return { id, kind, name: '', tank, place: 'pump', unitL: 1, counts: 'up' };
	}
}
