import { entry, exactRig, exactTrip, logbookOf } from '../../../tests/helpers/logbooks.js';
import type { Answer } from '../answering/index.js';
import type { Entry, EntryDraft, Logbook, Rig, Stop, Trip } from '../logbook/index.js';

/** Wednesday 5 May 2027, ten in the morning. */
export const WEDNESDAY = '2027-05-05T10:00:00Z';

/** A question, and what must be answered: figures by arithmetic, and words that must be in it. */
export type Asked = readonly [question: string, answer: Partial<Answer>, says?: RegExp];

const stop = (id: string, name: string, arrive: string, depart: string, more: Partial<Stop> = {}): Stop => ({
	id,
	name,
	arrive: `2027-05-${arrive}:00:00Z`,
	depart: `2027-05-${depart}:00:00Z`,
	legKm: 10,
	services: [],
	...more
});

/** An entry of another rig than the usual one. */
const of = (rig: string, draft: EntryDraft): Entry => ({ ...entry(draft), rig });

/* The paper van. Main 100 − (2·8 + 3·6 + 8·0.5) = 62, reserve 10. Grey 2·8 + 3·6 = 34, full at 75. Cassette 8·0.75 = 6, full at 18.
   A day takes 8 + 12 + 4 = 24 of Main, brings 20 to Grey and 6 to Cassette: 52/24, 41/20 and 12/6 days. */
const vanTrip: Trip = {
	...exactTrip,
	stops: [
		stop('ford', 'Tamsel Ford', '05T08', '06T08'),
		stop('sarn', 'Low Sarn', '06T14', '07T08', { services: [{ kind: 'grey' }] }),
		stop('kelda', 'Kelda Top', '08T14', '10T08', {
			services: [{ kind: 'water', potable: true }, { kind: 'grey' }, { kind: 'black' }, { kind: 'mains' }]
		})
	]
};
const vanRig: Rig = { ...exactRig, care: [{ id: 'filter', name: 'Change the filter' }] };
export const PAPER_VAN: Logbook = logbookOf(
	[
		entry({ kind: 'care', at: '2027-05-02T08:00:00Z', task: 'filter' }),
		entry({ kind: 'fill', at: '2027-05-03T07:00:00Z', tank: 'main', to: 'full', litres: 60, potable: true }),
		entry({ kind: 'dump', at: '2027-05-03T07:10:00Z', tank: 'grey', to: 'empty' }),
		entry({ kind: 'dump', at: '2027-05-03T07:20:00Z', tank: 'black', to: 'empty' }),
		entry({ kind: 'use', at: '2027-05-04T08:00:00Z', habit: 'shower', times: 2 }),
		entry({ kind: 'use', at: '2027-05-04T12:00:00Z', habit: 'dishes', times: 2 }),
		entry({ kind: 'use', at: '2027-05-04T20:00:00Z', habit: 'flush', times: 8 }),
		entry({ kind: 'use', at: '2027-05-05T08:00:00Z', habit: 'dishes', times: 1, by: 'Ines' })
	],
	vanRig,
	[vanTrip]
);
const main = { kind: 'level', tank: 'main', litres: 62 } as const;
const grey = { kind: 'level', tank: 'grey', litres: 34 } as const;
const all = { kind: 'lasts', tank: 'black', days: 2, at: '2027-05-07T10:00:00+00:00' } as const;
const until = (enough: boolean): Partial<Answer> => ({ ...all, enough });
const yesterday = { kind: 'used', litres: 32, habit: 'shower' } as const;
const showers = { kind: 'left', habit: 'shower', times: 5, tank: 'grey' } as const;
const next = (of: string): Partial<Answer> => ({ kind: 'next', stop: of });

export const TO_THE_VAN: readonly Asked[] = [
	// How much
	['how much water is left?', main, /Main has 62.L of 100.L/],
	['how much water do we have', main],
	['how much is in main', main],
	['how many litres are in main?', main],
	['main?', main],
	['water?', { kind: 'level', litres: 62 }],
	['level of main', main],
	['how full is grey?', grey, /41.L more fits/],
	['grey?', grey],
	['is grey full?', grey],
	['how much is in the grey tank', grey],
	['how full is the toilet', { kind: 'level', tank: 'black', litres: 6 }],
	['is the cassette full', { kind: 'level', tank: 'black', litres: 6 }],
	['how much room is in grey?', { kind: 'level', tank: 'grey', litres: 46 }],
	['how much fits into grey', { kind: 'level', tank: 'grey', litres: 46 }],
	['levels', { kind: 'level' }, /Main has 62.*Grey has 34.*Cassette has 6/],
	// How long
	['how long does it last?', all, /^2 days: Cassette is full first Friday morning/],
	['how long can we stay', all],
	['how many days are left?', all],
	['days left', all],
	['what runs out first?', all],
	['which tank is full first', all],
	['how long will the water last?', { kind: 'lasts', tank: 'main', days: 52 / 24 }],
	['when do we run out of water', { kind: 'lasts', tank: 'main', days: 52 / 24 }],
	['how long does main last?', { kind: 'lasts', tank: 'main', days: 52 / 24 }],
	['how long does grey last', { kind: 'lasts', tank: 'grey', days: 41 / 20 }],
	['when is grey full?', { kind: 'lasts', tank: 'grey', days: 41 / 20 }],
	['when does the cassette fill up', { kind: 'lasts', tank: 'black', days: 2 }],
	['how long until the toilet is full', { kind: 'lasts', tank: 'black', days: 2 }],
	['should we dump now?', { kind: 'lasts', tank: 'black', days: 2 }],
	['will it last until Thursday?', until(true), /^Yes, until tomorrow noon/],
	['will it last until Friday?', until(false), /^No, not until Friday noon/],
	['does it last till Sunday', until(false)],
	['can we stay until Thursday?', until(true)],
	['can we stay two more nights?', until(true)],
	['can we stay 3 more days', until(false)],
	['are we ok until tomorrow evening', until(true)],
	['will we make it to the end of the trip?', until(false)],
	['will the water last until Friday?', { kind: 'lasts', tank: 'main', enough: true }],
	['does grey last until Saturday', { kind: 'lasts', tank: 'grey', enough: false }],
	['enough water until Saturday?', { kind: 'lasts', tank: 'main', enough: false }],
	// Enough for what is named
	['can we take two showers?', { kind: 'enough', habit: 'shower', times: 2, litres: 16, enough: true }],
	['shower?', { kind: 'enough', habit: 'shower', times: 1, litres: 8, enough: true }],
	['may I shower', { kind: 'enough', habit: 'shower', enough: true }],
	['can we both shower?', { kind: 'enough', habit: 'shower', times: 2, enough: true }],
	['can we afford one more shower?', { kind: 'enough', habit: 'shower', enough: true }],
	['can we take 9 showers', { kind: 'enough', times: 9, litres: 72, enough: false }],
	['is there enough for dishes and a shower?', { kind: 'enough', litres: 14, enough: true }],
	['enough for 3 flushes?', { kind: 'enough', habit: 'flush', times: 3, litres: 1.5, enough: true }],
	[
		'do we have water for 20 wash-ups',
		{ kind: 'enough', habit: 'dishes', times: 20, litres: 120, enough: false }
	],
	['could we wash up tonight?', { kind: 'enough', habit: 'dishes', times: 1, enough: true }],
	// How many are left: 41/8, 41/6, 12/0.75
	['how many showers are left?', showers, /Grey is full then; Main would do for 6/],
	['how many showers left', showers],
	['how many more showers can we take?', showers],
	['how many times can we wash up', { kind: 'left', habit: 'dishes', times: 6, tank: 'grey' }],
	[
		'how many flushes until the cassette is full?',
		{ kind: 'left', habit: 'flush', times: 16, tank: 'black' }
	],
	// What one costs
	['what does a shower cost?', { kind: 'cost', habit: 'shower', litres: 8 }],
	['how much water does a shower take', { kind: 'cost', habit: 'shower', litres: 8 }],
	['how much is a flush?', { kind: 'cost', habit: 'flush', litres: 0.5 }],
	['what do the dishes use', { kind: 'cost', habit: 'dishes', litres: 6 }],
	['what would two showers cost?', { kind: 'cost', habit: 'shower', times: 2, litres: 16 }],
	// What was used
	['how much did we use yesterday?', yesterday, /32.L/],
	['how much water did we use yesterday', yesterday],
	['yesterday: how much?', yesterday],
	['what used the most yesterday?', { kind: 'used', habit: 'shower', litres: 16 }],
	['what took the most water yesterday', { kind: 'used', habit: 'shower', litres: 16 }],
	['how much did we use today?', { kind: 'used', litres: 6, habit: 'dishes' }],
	['how much have we used since Monday?', { kind: 'used', litres: 38, habit: 'dishes' }],
	['how much did we use on the trip', { kind: 'used', litres: 38 }],
	['what uses the most?', { kind: 'used', habit: 'dishes', litres: 18 }],
	['how many showers did we take yesterday?', { kind: 'used', habit: 'shower', times: 2, litres: 16 }],
	['how many flushes yesterday', { kind: 'used', habit: 'flush', times: 8, litres: 4 }],
	['how much did the dishes use yesterday', { kind: 'used', habit: 'dishes', times: 2, litres: 12 }],
	// When it was last done
	['when did we last dump black?', { kind: 'last', tank: 'black', at: '2027-05-03T07:20:00+00:00' }],
	['when was grey last dumped', { kind: 'last', tank: 'grey', at: '2027-05-03T07:10:00+00:00' }],
	['when was the last dump?', { kind: 'last', at: '2027-05-03T07:20:00+00:00' }],
	['when did we last fill?', { kind: 'last', tank: 'main', at: '2027-05-03T07:00:00+00:00' }],
	['when was the filter changed?', { kind: 'last', at: '2027-05-02T08:00:00+00:00' }],
	['when did we last shower', { kind: 'last', habit: 'shower', at: '2027-05-04T08:00:00+00:00' }],
	[
		'how long since we last did the dishes?',
		{ kind: 'last', habit: 'dishes', at: '2027-05-05T08:00:00+00:00' },
		/by Ines/
	],
	// Where next
	['where do we fill next?', next('kelda'), /Kelda Top has a tap/],
	['where is the next tap', next('kelda')],
	['where can we dump grey next?', next('sarn')],
	['where do we empty the cassette', next('kelda')],
	['when can we fill again?', next('kelda')],
	['next stop?', next('sarn')],
	['where next', next('sarn')],
	['where is the next hook-up', next('kelda')],
	// May one drink it
	['may we drink it?', { kind: 'drink', tank: 'main' }, /^Yes, as far as it is logged/],
	['is the water drinkable', { kind: 'drink', tank: 'main' }],
	['can we drink from main?', { kind: 'drink', tank: 'main' }],
	['is it safe to drink', { kind: 'drink', tank: 'main' }],
	// Who, where, when it is due
	['how much did Ines use today?', { kind: 'used', litres: 6 }, /Ines 6.L/],
	['who used the most today', { kind: 'used', litres: 6 }],
	['how much do we use a day on the trip?', { kind: 'used' }, /a day, .* each/],
	['when did Ines last do the dishes?', { kind: 'last', habit: 'dishes' }, /by Ines/],
	['when is the filter due', { kind: 'last' }, /Change the filter/],
	['can we make it to Low Sarn?', until(true), /^Yes, until Low Sarn/],
	['is there a drain for grey at Low Sarn?', { kind: 'next', stop: 'sarn', enough: true }],
	['is there water at Low Sarn', { kind: 'next', stop: 'sarn', enough: false }],
	['which stop has a dump point', next('kelda')],
	['how much longer can we stay?', all],
	['last dump?', { kind: 'last', tank: 'black' }],
	['litres per shower', { kind: 'cost', habit: 'shower', litres: 8 }],
	['what if nobody showers', { ...all, hours: 0 }, /^Without Shower/],
	// What if: 4 aboard flush twice as often; nothing else is first
	['what if we skip the dishes?', { ...all, hours: 0 }, /^Without Dishes.*just as long/],
	['how long does it last with 4 aboard?', { kind: 'lasts', tank: 'black', days: 1, hours: -24 }],
	['what if Ines joins us', { kind: 'lasts', tank: 'black', days: 4 / 3 }, /With Ines aboard, 3 in all/],
	['what if we dump the cassette?', { kind: 'lasts', tank: 'grey', days: 41 / 20 }],
	['what if we take a shower?', { ...all, hours: 0 }],
	['how long without flushes', { kind: 'lasts', tank: 'grey' }],
	['what if it is just me', { kind: 'lasts', tank: 'grey', days: 41 / 16 }]
];

/* The paper boat. Bow 100 − 3·5 = 85, reserve 10; Stern 80 − 9 − 6·1.5 = 62, reserve 5; Sump 9, full at 36; Holding 9, full at 54.
   A day takes 10 of Bow, 9 + 9 of Stern, brings 9 to Sump and 9 to Holding: 7.5, 57/18, 3 and 5 days. */
const boatRig: Rig = {
	id: 'boat',
	name: 'Paper boat',
	kind: 'boat',
	crew: 2,
	unlogged: { mean: 0, sd: 0 },
	tanks: [
		{ id: 'bow', name: 'Number One', holds: 'fresh', nominalL: 100, usableL: 100, reserveL: 10 },
		{ id: 'stern', name: 'Sunday tank', holds: 'fresh', nominalL: 80, usableL: 80, reserveL: 5 },
		{ id: 'sump', name: 'Shower sump', holds: 'grey', nominalL: 40, usableL: 40, reserveL: 4 },
		{ id: 'hold', name: 'Old Will', holds: 'black', nominalL: 60, usableL: 60, reserveL: 6 }
	],
	outlets: [
		{ id: 'galley', name: 'Galley', from: 'bow', to: 'overboard' },
		{ id: 'rose', name: 'Rose', from: 'stern', to: 'sump' },
		{ id: 'heads', name: 'Heads', from: 'stern', to: 'hold' }
	],
	instruments: [],
	habits: [
		{
			id: 'wash',
			name: 'Wash-up',
			outlet: 'galley',
			litresEach: { mean: 5, sd: 0 },
			often: { times: 2, per: 'day', sd: 0 }
		},
		{
			id: 'shower',
			name: 'Captain’s shower',
			outlet: 'rose',
			litresEach: { mean: 9, sd: 0 },
			often: { times: 1, per: 'day', sd: 0 }
		},
		{
			id: 'flush',
			name: 'Flush',
			outlet: 'heads',
			litresEach: { mean: 1.5, sd: 0 },
			often: { times: 6, per: 'day', sd: 0 }
		}
	],
	measures: [],
	containers: [],
	care: []
};
export const PAPER_BOAT: Logbook = logbookOf(
	[
		of('boat', { kind: 'fill', at: '2027-05-03T07:00:00Z', tank: 'bow', to: 'full', potable: false }),
		of('boat', { kind: 'fill', at: '2027-05-03T07:05:00Z', tank: 'stern', to: 'full' }),
		of('boat', { kind: 'dump', at: '2027-05-03T07:10:00Z', tank: 'sump', to: 'empty' }),
		of('boat', { kind: 'dump', at: '2027-05-03T07:20:00Z', tank: 'hold', to: 'empty' }),
		of('boat', { kind: 'use', at: '2027-05-04T08:00:00Z', habit: 'shower', times: 1 }),
		of('boat', { kind: 'use', at: '2027-05-04T12:00:00Z', habit: 'wash', times: 2 }),
		of('boat', { kind: 'use', at: '2027-05-04T20:00:00Z', habit: 'flush', times: 6 }),
		of('boat', { kind: 'use', at: '2027-05-05T08:00:00Z', habit: 'wash', times: 1 })
	],
	boatRig,
	[]
);

export const TO_THE_BOAT: readonly Asked[] = [
	[
		'how much water is left?',
		{ kind: 'level', litres: 147 },
		/147.L aboard.*: Number One 85.L and Sunday tank 62.L/
	],
	['how much is in number one', { kind: 'level', tank: 'bow', litres: 85 }],
	['how much is in the sunday tank?', { kind: 'level', tank: 'stern', litres: 62 }],
	['is old will full', { kind: 'level', tank: 'hold', litres: 9 }],
	['how full is the holding tank?', { kind: 'level', tank: 'hold', litres: 9 }],
	['shower sump?', { kind: 'level', tank: 'sump', litres: 9 }],
	[
		'how long does it last?',
		{ kind: 'lasts', tank: 'sump', days: 3 },
		/Shower sump is full first Saturday morning/
	],
	['how long does number one last', { kind: 'lasts', tank: 'bow', days: 7.5 }],
	['how long does the sunday tank last?', { kind: 'lasts', tank: 'stern', days: 57 / 18 }],
	['when is old will full?', { kind: 'lasts', tank: 'hold', days: 5 }],
	['when do we have to pump out', { kind: 'lasts', tank: 'sump', days: 3 }],
	['will it last until Friday?', { kind: 'lasts', enough: true }],
	['will it last until Sunday', { kind: 'lasts', enough: false }],
	['does the sunday tank last until Sunday?', { kind: 'lasts', tank: 'stern', enough: false }],
	['can we take two showers?', { kind: 'enough', habit: 'shower', times: 2, litres: 18, enough: true }],
	[
		'can we take 5 captain’s showers',
		{ kind: 'enough', habit: 'shower', times: 5, litres: 45, enough: false }
	],
	['how many captain’s showers are left?', { kind: 'left', habit: 'shower', times: 3, tank: 'sump' }],
	['how many flushes left', { kind: 'left', habit: 'flush', times: 30, tank: 'hold' }],
	['how many wash-ups are left?', { kind: 'left', habit: 'wash', times: 15, tank: 'bow' }],
	['what does a captain’s shower cost?', { kind: 'cost', habit: 'shower', litres: 9 }],
	['what did we use yesterday?', { kind: 'used', litres: 28 }],
	['when did we last pump out?', { kind: 'last', tank: 'hold', at: '2027-05-03T07:20:00+00:00' }],
	['when was number one last filled', { kind: 'last', tank: 'bow', at: '2027-05-03T07:00:00+00:00' }],
	['may we drink from number one?', { kind: 'drink', tank: 'bow' }, /^No: Number One is for washing only/],
	['can we drink the sunday tank’s water', { kind: 'drink', tank: 'stern' }, /^Not known/],
	['where do we fill next?', { kind: 'next' }, /No trip is planned/],
	['what if we skip the showers?', { kind: 'lasts', tank: 'hold', days: 5, hours: 48 }],
	['what if we pump out', { kind: 'lasts', tank: 'sump', days: 3, hours: 0 }]
];

/* The paper car. Tap jug 20 − 2 − 3 = 15, reserve 1.5; Spare jug 20 behind it; Pail 2, full at 14. A day takes 3 + 4 of the tap jug and
   brings 4 to the pail: 33.5/7 days with the spare, and 3. */
const carRig: Rig = {
	id: 'car',
	name: 'Paper car',
	kind: 'camper',
	crew: 1,
	unlogged: { mean: 0, sd: 0 },
	tanks: [
		{
			id: 'tap',
			name: 'Jug at the tap',
			holds: 'fresh',
			nominalL: 20,
			usableL: 20,
			reserveL: 1.5,
			portable: true
		},
		{
			id: 'spare',
			name: 'Spare jug',
			holds: 'fresh',
			nominalL: 20,
			usableL: 20,
			reserveL: 0,
			portable: true,
			feeds: 'tap'
		},
		{ id: 'pail', name: 'Pail', holds: 'grey', nominalL: 15, usableL: 15, reserveL: 1 }
	],
	outlets: [{ id: 'sink', name: 'Tap', from: 'tap', to: 'pail' }],
	instruments: [],
	habits: [
		{
			id: 'brew',
			name: 'Brew',
			outlet: 'sink',
			litresEach: { mean: 1, sd: 0 },
			often: { times: 3, per: 'day', sd: 0 },
			keptFraction: 1
		},
		{
			id: 'splash',
			name: 'Morning splash',
			outlet: 'sink',
			litresEach: { mean: 2, sd: 0 },
			often: { times: 2, per: 'day', sd: 0 }
		}
	],
	measures: [{ id: 'cloth', name: 'Damp cloth', habit: 'splash', effect: { kind: 'scale', factor: 0.5 } }],
	containers: [],
	care: []
};
export const PAPER_CAR: Logbook = logbookOf(
	[
		of('car', { kind: 'fill', at: '2027-05-04T07:00:00Z', tank: 'tap', to: 'full', potable: true }),
		of('car', { kind: 'fill', at: '2027-05-04T07:05:00Z', tank: 'spare', to: 'full', potable: true }),
		of('car', { kind: 'dump', at: '2027-05-04T07:10:00Z', tank: 'pail', to: 'empty' }),
		of('car', { kind: 'use', at: '2027-05-04T08:00:00Z', habit: 'splash', times: 1 }),
		of('car', { kind: 'use', at: '2027-05-04T12:00:00Z', habit: 'brew', times: 3 })
	],
	carRig,
	[]
);

export const TO_THE_CAR: readonly Asked[] = [
	['how much water is left?', { kind: 'level', litres: 35 }],
	['how much is in the spare jug', { kind: 'level', tank: 'spare', litres: 20 }],
	['is jug 2 empty?', { kind: 'level', tank: 'spare', litres: 20 }],
	['how much is in the tap jug', { kind: 'level', tank: 'tap', litres: 15 }],
	['how long does it last?', { kind: 'lasts', tank: 'pail', days: 3 }],
	['how long will the water last', { kind: 'lasts', tank: 'tap', days: 33.5 / 7 }],
	['when do I have to empty the pail?', { kind: 'lasts', tank: 'pail', days: 3 }],
	['how many brews are left', { kind: 'left', habit: 'brew', times: 33, tank: 'tap' }],
	['how many morning splashes left?', { kind: 'left', habit: 'splash', times: 6, tank: 'pail' }],
	['brew?', { kind: 'enough', habit: 'brew', times: 1, litres: 1, enough: true }],
	['can I have 40 brews', { kind: 'enough', habit: 'brew', times: 40, enough: false }],
	['what does a brew cost?', { kind: 'cost', habit: 'brew', litres: 1, hours: 0 }],
	['what if I use the damp cloth', { kind: 'lasts', tank: 'pail', days: 6, hours: 72 }],
	['what if we are 2', { kind: 'lasts', tank: 'pail', days: 3 }],
	['what used the most yesterday?', { kind: 'used', habit: 'brew', litres: 3 }],
	['when did I last empty the pail', { kind: 'last', tank: 'pail', at: '2027-05-04T07:10:00+00:00' }],
	['may I drink it?', { kind: 'drink', tank: 'tap' }, /^Yes/]
];
