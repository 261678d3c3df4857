import type { Rig } from '../logbook/index.js';
import { METRIC } from '../units/index.js';
import type { QuickContext } from './context.js';
import {
	adding,
	by,
	crew,
	done,
	dump,
	dumped,
	fill,
	full,
	habit,
	hooked,
	measure,
	measured,
	note,
	pour,
	reads,
	seen,
	tank,
	use,
	way,
	type Part,
	type Sentence,
	type SentenceMeaning
} from './sentences.fixture.js';

/** Thursday 6 May 2027, 10:20, an hour ahead of UTC. */
export const THURSDAY = '2027-05-06T10:20:00+01:00';

/** A car with two jugs and a pail, by names that are nobody else's. */
const car: Rig = {
	id: 'car',
	name: 'Tinker',
	kind: 'camper',
	crew: 2,
	tanks: [
		tank('tap', 'Jug at the tap', 'fresh', 20),
		tank('spare', 'Spare jug', 'fresh', 20, { feeds: 'tap', portable: true }),
		tank('pail', 'Pail under the sink', 'grey', 15)
	],
	outlets: [{ id: 'sink', name: 'Foot pump tap', from: 'tap', to: 'pail', flowLpm: 3 }],
	instruments: [],
	habits: [
		habit('splash', 'Morning splash', 'sink', 1.5),
		habit('pots', 'Pots after supper', 'sink', 3),
		habit('brew', 'Brew', 'sink', 0.8, { keptFraction: 0.9 }),
		habit('shower', 'Bucket shower', 'sink', 6)
	],
	measures: [],
	containers: [],
	care: []
};

/** A boat with two fresh tanks, one of them with a sender, a sump and a holding tank. */
const yacht: Rig = {
	id: 'yacht',
	name: 'Plover',
	kind: 'boat',
	crew: 3,
	tanks: [
		tank('port', 'Port bunk', 'fresh', 120),
		tank('stern', 'Old Faithful', 'fresh', 90),
		tank('sump', 'Shower sump', 'grey', 30),
		tank('hold', 'Holding', 'black', 60)
	],
	outlets: [
		{ id: 'galley', name: 'Galley pump', from: 'port', to: 'overboard', flowLpm: 4 },
		{ id: 'rose', name: 'Shower rose', from: 'stern', to: 'sump', flowLpm: 5 },
		{ id: 'heads', name: 'Heads', from: 'stern', to: 'hold' }
	],
	instruments: [
		{
			id: 'sender',
			kind: 'gauge',
			name: 'Port sender',
			tank: 'port',
			curve: [
				{ reads: 0, litres: 0 },
				{ reads: 100, litres: 120 }
			]
		}
	],
	habits: [
		habit('wash', 'Wash-up', 'galley', 5),
		habit('captain', 'Captain’s shower', 'rose', 9),
		habit('flush', 'Flush', 'heads', 1.5),
		habit('tea', 'Tea', 'galley', 1, { keptFraction: 0.8 })
	],
	measures: [{ id: 'salt', name: 'Salt-water rinse', habit: 'wash', effect: { kind: 'scale', factor: 0.4 } }],
	containers: [],
	care: [{ id: 'impeller', name: 'Change the impeller' }]
};

/** A boat whose names are words of the line: days, numbers, colours, denials and people. */
const hurry: Rig = {
	id: 'hurry',
	name: 'No Hurry',
	kind: 'boat',
	crew: 2,
	tanks: [
		tank('friday', 'Friday tank', 'fresh', 100),
		tank('two', 'Number Two', 'fresh', 60),
		tank('old', 'Old Grey', 'fresh', 40, { feeds: 'friday', portable: true }),
		tank('sullage', 'Sullage', 'grey', 50),
		tank('will', 'Big Will', 'black', 45)
	],
	outlets: [
		{ id: 'galley', name: 'Galley tap', from: 'friday', to: 'sullage', flowLpm: 4 },
		{ id: 'loo', name: 'Loo', from: 'two', to: 'will' },
		{ id: 'hose', name: 'Deck hose', from: 'friday', to: 'overboard' }
	],
	instruments: [
		{
			id: 'clicker',
			kind: 'meter',
			name: 'Clicker',
			place: 'pump',
			tank: 'friday',
			unitL: 1,
			counts: 'up'
		}
	],
	habits: [
		habit('rinse', 'No-rinse wash', 'galley', 2),
		habit('shower', 'Two-minute shower', 'galley', 9),
		habit('salad', 'Salad not boiled', 'galley', 1.2),
		habit('flush', 'Flush', 'loo', 1.5),
		habit('deck', 'Deck rinse', 'hose', 6)
	],
	measures: [{ id: 'plates', name: 'No plates', habit: 'rinse', effect: { kind: 'scale', factor: 0.5 } }],
	containers: [],
	care: [{ id: 'valve', name: 'Will valve greased' }]
};

const shared = { nowMs: Date.parse(THURSDAY), timeZone: 'Europe/London', units: METRIC, trip: undefined };
export const CAR: QuickContext = {
	...shared,
	rig: car,
	persons: 2,
	people: ['Ivo', 'Ines'],
	levels: new Map([
		['tap', 8],
		['spare', 0],
		['pail', 4]
	])
};
export const YACHT: QuickContext = {
	...shared,
	rig: yacht,
	persons: 3,
	people: ['Ivo', 'Ines'],
	levels: new Map([
		['port', 50],
		['stern', 40],
		['sump', 10],
		['hold', 20]
	])
};
export const HURRY: QuickContext = {
	...shared,
	rig: hurry,
	persons: 2,
	people: ['May', 'Will', 'Ivo'],
	levels: new Map([
		['friday', 40],
		['two', 30],
		['old', 40],
		['sullage', 10],
		['will', 12]
	])
};

/** Water that came in from a source which the rig lacks. */
const from = (name: string, into: string, litres: number, more: Part = {}): SentenceMeaning =>
	adding({ name, into, ...more }, { kind: 'fill', tank: into, litres });
/** Water that left a tank and came into none: a use of a habit, which no forecast expects, at an outlet to where no tank is. */
const lost = (name: string, litres: number): SentenceMeaning =>
	adding({ name, often: { times: 0, per: 'day', sd: 0 } }, { kind: 'use', times: 1, litres });
const gauge = (of: string, value: number | string): SentenceMeaning =>
	adding({ kind: 'gauge', tank: of }, { kind: 'reading', value });
/** Days to come. */
const ahead = (more: Part): SentenceMeaning => adding(more);
const DENIED = /did not happen, so it is not logged/;
const TO_COME = /is still to come, so it is not logged/;
const UNSURE = /is not certain, so it is not logged/;

export const IN_THE_CAR: readonly Sentence[] = [
	// Both jugs, the other, the second
	['filled both jugs', way(full('tap'), full('spare'))],
	['filled jugs', way(full('tap'), full('spare'))],
	['filled 2 jugs', way(full('tap'), full('spare'))],
	['jug 1 and 2 full', way(seen('tap', 'full'), seen('spare', 'full'))],
	['bought two 5 litre bottles', from('Bought water', 'tap', 10)],
	['brewed I think', UNSURE],
	['fill both', way(full('tap'), full('spare'))],
	['filled all', way(full('tap'), full('spare'))],
	['fill everything', way(full('tap'), full('spare'))],
	['fill jug 2 full', way(full('spare'))],
	['fill jug 2 20', way(fill('spare', 20))],
	['filled the second jug', way(full('spare'))],
	['filled the 2nd jug', way(full('spare'))],
	['filled the other jug', way(full('spare'))],
	['filled the spare jug', way(full('spare'))],
	['fill jug', way(full('tap')), way(full('spare'))],
	['fill jug 2', way(full('spare')), way(fill('tap', 2)), way(fill('spare', 2))],
	['filled both jugs 10 L each', way(fill('tap', 10), fill('spare', 10))],
	[
		'filled both jugs with 20 L',
		way(fill('tap', 20), fill('spare', 20)),
		way(fill('tap', 10), fill('spare', 10))
	],
	['jug 2 empty', way(seen('spare', 'empty'))],
	['both jugs empty', way(seen('tap', 'empty'), seen('spare', 'empty'))],
	['the jugs are full', way(seen('tap', 'full'), seen('spare', 'full'))],
	['emptied both jugs', way(seen('tap', 'empty'), seen('spare', 'empty'))],
	['put 5 L in each jug', way(fill('tap', 5), fill('spare', 5))],
	['put 5 L into the spare', way(fill('spare', 5))],
	['topped up the tap jug from the spare', way(pour('spare', 'tap', { until: 'to-full' }))],
	['poured 5 L from spare', way(pour('spare', 'tap', { litres: 5 }))],
	['3 L from the spare to the tap jug', way(pour('spare', 'tap', { litres: 3 }))],
	// What came in
	['bought 10 L', from('Bought water', 'tap', 10)],
	['bought 6 x 1.5 L', from('Bought water', 'tap', 9)],
	['bought 5 L into the spare', from('Bought water', 'spare', 5)],
	['bought 6 bottles', /How much came in/],
	['got 10 litres from the neighbour', from('Neighbours', 'tap', 10)],
	['neighbour gave us 10 L', from('Neighbours', 'tap', 10)],
	['neighbours gave 10 L', from('Neighbours', 'tap', 10)],
	['caught 12 L of rain', from('Rain', 'tap', 12, { potable: false })],
	['snow 10 L', from('Snow', 'tap', 10, { potable: false })],
	['melted snow 5 L', from('Snow', 'tap', 5)],
	['collected 10 L from the spring', from('Spring', 'tap', 10)],
	['got 10 L', way(fill('tap', 10))],
	['fetched 10 L', way(fill('tap', 10))],
	['took on 10 at the dock', way(fill('tap', 10))],
	['rained', /How much came in/],
	// What left, and came into no tank
	['gave away 5 L', lost('Given away', 5)],
	['gave 5 L to Ivo', lost('Given away', 5)],
	['gave the neighbours 5 L', lost('Given away', 5)],
	['gave 10 L to the boat next door', lost('Given away', 10)],
	['spilled 3 L', lost('Spilled', 3)],
	['spilt half a litre', lost('Spilled', 0.5)],
	['leak 10 L', lost('Leaked', 10)],
	['lost 5 L', lost('Leaked', 5)],
	['tipped out 4 litres', lost('Tipped out', 4)],
	['poured 4 litres away', lost('Tipped out', 4)],
	['threw away 3 L', lost('Tipped out', 3)],
	['spilled 2 L of the spare', lost('Spilled', 2)],
	['filter housing leaked 3 L', lost('Leaked', 3), way(note('filter housing leaked 3 L'))],
	['gave away', /How much was given away/],
	['tipped out the pail', way(dump('pail'))],
	['emptied the pail in the bushes', way(dump('pail', { where: 'ground' }))],
	// What is put into it
	['bleach 100 ml', way(note('bleach 100 ml'))],
	['chlorine tablet', way(note('chlorine tablet'))],
	// Asked, denied, still to come, not certain
	['no shower today', DENIED],
	['didn’t shower', DENIED],
	['not showered yet', DENIED],
	['skipped the shower', DENIED],
	['nearly filled the jug', DENIED],
	['brew instead of shower', DENIED],
	['brew, no shower', DENIED],
	['Ivo didn’t brew', DENIED],
	['need to dump', TO_COME],
	['must fill the jugs', TO_COME],
	['want a shower', TO_COME],
	['about to shower', TO_COME],
	['shower later', TO_COME],
	['fill 20 tomorrow', TO_COME],
	['maybe shower', UNSURE],
	['shower or brew', UNSURE],
	['shower tomorrow', ahead({ habits: [{ habit: 'shower', times: 1 }] })],
	[
		'dump pail on Friday',
		way({ ...dump('pail'), at: '2027-04-30T10:20:00+01:00' }),
		way(note('dump pail on Friday'))
	],
	// As often as it is said, and by whom
	['brew brew', way(use('brew', 2))],
	['brew for two', way(use('brew', 2))],
	['both showered', way(use('shower', 2))],
	['all of us showered', way(use('shower', 2))],
	['2 people brewed', way(use('brew', 2))],
	['Ivo and Ines showered', way(by('Ivo', use('shower')), by('Ines', use('shower')))],
	['shower for Ivo and Ines', way(by('Ivo', use('shower')), by('Ines', use('shower')))],
	['bucket shower 4 L each', way(measured('shower', 8, 2))],
	// Who is aboard, and when
	['two kids aboard', way(crew(4))],
	['one more aboard', way(crew(3))],
	['Mia and Tor came aboard', way(crew(4))],
	['all ashore', way(crew(0))],
	['6 guests for dinner', ahead({ from: '2027-05-06T18:00:00+01:00', persons: 8 })],
	['crew 6 from Saturday', ahead({ from: '2027-05-08T00:00:00+01:00', persons: 6 })],
	['Ivo leaves on Friday', ahead({ from: '2027-05-07T00:00:00+01:00', persons: 1 })],
	['Ines arrives Saturday', ahead({ from: '2027-05-08T00:00:00+01:00', persons: 3 })],
	['Ivo left on Friday', way({ ...crew(1), at: '2027-04-30T10:20:00+01:00' })],
	['hooked up until Friday', ahead({ to: '2027-05-07T12:00:00+01:00', hookup: { mains: true } })],
	['hooked up for 3 days', ahead({ to: '2027-05-09T10:20:00+01:00', hookup: { mains: true } })],
	['hooked up next week', ahead({ from: '2027-05-10T00:00:00+01:00', hookup: { mains: true } })],
	['hooked up for the weekend', ahead({ from: '2027-05-08T00:00:00+01:00', hookup: { mains: true } })],
	['off mains until Friday', ahead({ to: '2027-05-07T12:00:00+01:00', hookup: { mains: false } })],
	['sick today', ahead({ habits: [{ habit: 'shower', factor: 1.7 }] })],
	['away since yesterday', way({ kind: 'gap', since: '2027-05-05T00:00:00+01:00', lived: 'away' })],
	// Levels
	[
		'fresh 10 grey 5',
		adding({ kind: 'gauge', tank: 'pail' }, { kind: 'reading', value: 10 }, { kind: 'reading', value: 5 })
	],
	['8 L left in the tap jug', gauge('tap', 8)],
	['half left in the spare', gauge('spare', '1/2')],
	['gauge says 50', /has no gauge yet/],
	['ran out of water', way(seen('tap', 'empty'))],
	['pump is sucking air', way(seen('tap', 'empty'))],
	['no water left', way(seen('tap', 'empty'))],
	['pail overflowed', way(seen('pail', 'full'))]
];

export const ON_THE_YACHT: readonly Sentence[] = [
	['pumped out', way(dump('hold'))],
	['pump-out', way(dump('hold'))],
	['had a pump out', way(dump('hold'))],
	['pumped out 40 L', way(dumped('hold', 40))],
	['pumped out the sump', way(dump('sump'))],
	['pumped the sump overboard', way(dump('sump', { where: 'overboard' }))],
	[
		'watermaker made 40 L',
		from('Watermaker', 'port', 40, { potable: true }),
		from('Watermaker', 'stern', 40)
	],
	['desalinated 40 l', from('Watermaker', 'port', 40), from('Watermaker', 'stern', 40)],
	['made 20 L of water', from('Watermaker', 'port', 20), from('Watermaker', 'stern', 20)],
	['watermaker 2 hours', /How much came in/],
	['bought 50 L into Old Faithful', from('Bought water', 'stern', 50)],
	['leak 10 L from port', lost('Leaked', 10)],
	['gave away 5 L', lost('Given away', 5), lost('Given away', 5)],
	[
		'rinsed holding with 20 L',
		way(pour('port', 'hold', { litres: 20 })),
		way(pour('stern', 'hold', { litres: 20 })),
		way(note('rinsed holding with 20 L'))
	],
	[
		'antifreeze 3 L in grey',
		adding({ name: 'Antifreeze' }, { kind: 'use', litres: 3 }),
		way(note('antifreeze 3 L in grey'))
	],
	['flush flush flush', way(use('flush', 3))],
	['flushed the heads', way(use('flush'))],
	['heads', way(use('flush'))],
	['shower', way(use('captain'))],
	['shower twice', way(use('captain', 2))],
	['captains shower 6 L', way(measured('captain', 6))],
	['3 loads of dishes', way(use('wash', 3))],
	['tea for everyone', way(use('tea', 3))],
	[
		'deck shower 5 L',
		adding({ name: 'Deck shower' }, { kind: 'use' }),
		way(measured('captain', 5)),
		way(note('deck shower 5 L'))
	],
	['heeled 15 starboard', /Tilt belongs to a reading/],
	['gauge says 50', way(reads('sender', 50))],
	['port bunk 55%', way(reads('sender', 55))],
	[
		'port 60 L and faithful 40 L',
		adding({ kind: 'gauge', tank: 'stern' }, reads('sender', 50), { kind: 'reading', value: 40 })
	],
	['filled both tanks', way(full('port'), full('stern'))],
	['fill tank 2', way(full('stern')), way(fill('port', 2)), way(fill('stern', 2))],
	['filled the second tank', way(full('stern'))],
	['both tanks full', way(seen('port', 'full'), seen('stern', 'full'))],
	['filled port 60 and faithful 40', way(fill('port', 60), fill('stern', 40))],
	['filled port bunk at the marina', way(full('port'))],
	['fill 40', way(fill('port', 40)), way(fill('stern', 40))],
	['topped up port bunk 30', way(fill('port', 30))],
	['moved 20 L from port to old faithful', way(pour('port', 'stern', { litres: 20 }))],
	['filled port from old faithful', way(pour('stern', 'port'))],
	['sump backing up', way(seen('sump', 'full'))],
	['impeller changed', way(done('impeller'))],
	['no salt-water rinse', way(measure('salt', false))],
	['showered ashore', /takes nothing from your tanks/],
	['dishes in sea water', /takes nothing from your tanks/],
	['shore water on', way({ ...hooked(true), sewer: false })],
	['back aboard', /no habit, tank/]
];

export const IN_NO_HURRY: readonly Sentence[] = [
	['no-rinse wash', way(use('rinse'))],
	['no rinse wash 2', way(use('rinse', 2))],
	['salad not boiled', way(use('salad'))],
	['no plates on', way(measure('plates', true))],
	['no plates', way(measure('plates', false))],
	['no loo', DENIED],
	['fill friday tank 40', way(fill('friday', 40))],
	['filled friday tank on friday', way({ ...full('friday'), at: '2027-04-30T10:20:00+01:00' })],
	['fill number two', way(full('two'))],
	['fill number 2 20', way(fill('two', 20))],
	['filled old grey', way(full('old'))],
	['dump old grey', way(dump('old'))],
	['tank 2 full', way(seen('two', 'full'))],
	['spilled 5 L of number two', lost('Spilled', 5)],
	['gave away 5 L from old grey', lost('Given away', 5)],
	['10 L from old grey to friday tank', way(pour('old', 'friday', { litres: 10 }))],
	['pumped out big will', way(dump('will'))],
	['Will left', way(crew(1))],
	['May flushed', way(by('May', use('flush')))],
	['flush by May', way(by('May', use('flush')))],
	['greased the will valve', way(done('valve'))],
	['deck rinse 10 L', way(measured('deck', 10))],
	['clicker 120', way(reads('clicker', 120))],
	['flushed the tank', /no habit, tank/]
];
