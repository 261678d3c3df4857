import type { Entry, Instrument, Logbook, Rig, Trip } from '$core/logbook';
import { openTanks } from '$core/rig';
import { KEEP_BLACK_SHUT, SEA_CAUTION } from '$core/words';
import type { Field } from '../../kit/fields/fields';

type Named = { readonly id: string; readonly name: string };
const choice = (key: string, label: string, list: readonly Named[], optional = false): Field => ({
	key,
	label,
	type: 'select',
	optional,
	options: list.map(({ id, name }) => ({ value: id, label: name }))
});
/** One of some words, by what is written for each. */
const oneOf = (
	key: string,
	label: string,
	words: Readonly<Record<string, string>>,
	optional = false
): Field =>
	choice(
		key,
		label,
		Object.entries(words).map(([id, name]) => ({ id, name })),
		optional
	);
const litres = (label = 'Litres'): Field => ({
	key: 'litres',
	label,
	type: 'number',
	of: 'volume',
	optional: true
});
const give: Field = { key: 'sdL', label: 'Give or take', type: 'number', of: 'volume', optional: true };
const on = (key: string, label: string): Field => ({ key, label, type: 'check' });
const either = (key: string, label: string): Field => ({ key, label, type: 'check', both: true });
/** Which valves are open into a sewer, and of a boat what the sea flushes and takes. */
function valveFields(rig: Rig): readonly Field[] {
	const waste = rig.tanks.filter(({ holds, retired }) => holds !== 'fresh' && !retired);
	const named = (list: readonly Named[]) => list.map(({ id, name }) => ({ value: id, label: name }));
	const toilets = rig.outlets.filter(({ to, retired }) => !retired && waste.some(({ id }) => id === to));
	return [
		{
			key: 'sewer',
			label: 'Waste valves left open into a sewer',
			type: 'checks',
			options: named(waste),
			allMeans: openTanks(rig, true),
			hint: KEEP_BLACK_SHUT
		},
		...(rig.kind === 'boat'
			? ([
					{
						key: 'sea.flush',
						label: 'Flushed with sea water',
						type: 'checks',
						options: named(toilets),
						allMeans: []
					},
					{
						key: 'sea.waste',
						label: 'Y-valve to sea, past',
						type: 'checks',
						options: named(waste),
						allMeans: [],
						hint: SEA_CAUTION
					}
				] as const)
			: [])
	];
}
const PLACES: readonly Named[] = [
	{ id: 'sewer', name: 'a sewer' },
	{ id: 'ground', name: 'the ground' },
	{ id: 'overboard', name: 'overboard' }
];

/** What an entry's fields choose from. */
export interface Around {
	readonly rig: Rig;
	readonly trips: readonly Trip[];
	readonly points: Logbook['points'];
}

/** A light is chosen, a rod has its lean, a meter may have been set. */
function readingFields({ instruments }: Rig, read: Instrument | undefined): readonly Field[] {
	const lights =
		read?.kind === 'gauge'
			? read.curve.map(({ reads }) => reads).filter((reads) => typeof reads === 'string')
			: [];
	const value: Field =
		lights.length > 0
			? choice(
					'value',
					'It showed',
					lights.map((light) => ({ id: light, name: light }))
				)
			: {
					key: 'value',
					label: 'It showed',
					type: 'number',
					...(read?.kind === 'rod' ? { of: 'length' } : {})
				};
	return [
		choice('instrument', 'Instrument', instruments),
		value,
		...(read?.kind === 'rod' ? LEAN : []),
		...(read?.kind === 'meter' ? [on('reset', 'it was set to this')] : []),
		on('trusted', 'count it although doubted')
	];
}
const LEAN: readonly Field[] = [
	{ key: 'rollDeg', label: 'Roll, starboard down', type: 'number', suffix: '°', optional: true },
	{ key: 'pitchDeg', label: 'Pitch, bow up', type: 'number', suffix: '°', optional: true }
];

function ownFields(entry: Entry, { rig, trips, points }: Around): readonly Field[] {
	switch (entry.kind) {
		case 'use':
			return [
				choice('habit', 'What', rig.habits),
				{ key: 'times', label: 'Times', type: 'number' },
				litres('Litres, if measured'),
				give
			];
		case 'fill':
			return [
				choice('tank', 'Tank', rig.tanks),
				litres(),
				give,
				oneOf('to', 'Until', { full: 'full' }, true),
				choice('point', 'At', points, true),
				...(rig.sources?.length ? [choice('from', 'Out of', rig.sources, true)] : []),
				on('potable', 'drinking water')
			];
		case 'dump':
			return [
				choice('tank', 'Tank', rig.tanks),
				litres(),
				give,
				oneOf('to', 'Until', { empty: 'empty' }, true),
				{ key: 'leftL', label: 'Not quite: left in it', type: 'number', of: 'volume', optional: true },
				choice('where', 'Into', [...points, ...rig.containers, ...PLACES], true)
			];
		case 'transfer':
			return [
				choice('fromTank', 'From', rig.tanks),
				choice('toTank', 'To', rig.tanks),
				litres(),
				give,
				oneOf('until', 'Until', { 'from-empty': 'all of it is poured', 'to-full': 'the other is full' }, true)
			];
		case 'reading':
			return readingFields(
				rig,
				rig.instruments.find(({ id }) => id === entry.instrument)
			);
		case 'mark':
			return [choice('tank', 'Tank', rig.tanks), oneOf('state', 'Seen', { full: 'full', empty: 'empty' })];
		case 'crew':
			return [{ key: 'persons', label: 'Aboard', type: 'number' }];
		case 'gap':
			return [
				{ key: 'since', label: 'Nothing logged since', type: 'moment' },
				oneOf('lived', 'Lived', { 'as-usual': 'as usual', less: 'less than usual', away: 'away' })
			];
		case 'measure':
			return [choice('measure', 'Way to save', rig.measures), either('on', 'on from then')];
		case 'hookup':
			return [either('mains', 'the taps run from the mains'), ...valveFields(rig)];
		case 'stop':
			return [
				choice(
					'stop',
					'Stop',
					trips.flatMap(({ stops }) => stops)
				),
				oneOf('event', 'Then we', { arrive: 'arrived', depart: 'left' })
			];
		case 'care':
			return [choice('task', 'Task', rig.care), litres()];
		case 'note':
			return [{ key: 'text', label: 'Note', type: 'text' }];
	}
}

/** The fields in which an entry can be corrected, as it stands now. */
export const entryFields = (entry: Entry, around: Around): readonly Field[] => [
	{ key: 'at', label: 'When', type: 'moment' },
	...ownFields(entry, around),
	...(entry.kind === 'note' ? [] : [{ key: 'note', label: 'Remark', type: 'text', optional: true } as const]),
	{ key: 'by', label: 'Logged by', type: 'text', optional: true }
];
