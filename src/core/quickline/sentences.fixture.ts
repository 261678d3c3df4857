import { HOUR_MS } from '../time/index.js';
import { exactRig } from '../../../tests/helpers/logbooks.js';
import type { EntryDraft, Habit, Rig, Stop, Tank } from '../logbook/index.js';
import { METRIC, type UnitChoice } from '../units/index.js';
import type { QuickContext } from './context.js';

/** Wednesday 5 May 2027, 10:20, an hour ahead of UTC. */
export const NOW = '2027-05-05T10:20:00+01:00';
const nowMs = Date.parse(NOW);

export const tank = (
	id: string,
	name: string,
	holds: Tank['holds'],
	nominalL: number,
	more: Partial<Tank> = {}
): Tank => ({
	id,
	name,
	holds,
	nominalL,
	usableL: nominalL,
	reserveL: 0,
	...more
});
export const habit = (
	id: string,
	name: string,
	outlet: string,
	mean: number,
	more: Partial<Habit> = {}
): Habit => ({
	id,
	name,
	outlet,
	litresEach: { mean, sd: 0 },
	often: { times: 1, per: 'day' },
	...more
});
const stop = (id: string, name: string, day: string): Stop => ({
	id,
	name,
	arrive: `2027-05-${day}T14:00:00+01:00`,
	depart: `2027-05-${day}T18:00:00+01:00`,
	legKm: 10,
	services: []
});
const trip = (rig: string, stops: readonly Stop[]): NonNullable<QuickContext['trip']> => ({
	id: `${rig}-trip`,
	rig,
	name: 'Fen loop',
	timeZone: 'Europe/London',
	from: '2027-05-01',
	to: '2027-05-12',
	persons: 2,
	stops
});

/** A camper with jugs, a tote, two kinds of shower, a pump meter and lights on grey. */
const van: Rig = {
	id: 'van',
	name: 'Bittern',
	kind: 'camper',
	crew: 2,
	tanks: [
		tank('main', 'Main', 'fresh', 100),
		tank('grey', 'Grey', 'grey', 80),
		tank('black', 'Cassette', 'black', 20, { portable: true }),
		tank('jug1', 'Jug 1', 'fresh', 20, { feeds: 'main', portable: true }),
		tank('jug2', 'Jug 2', 'fresh', 20, { feeds: 'main', portable: true })
	],
	outlets: [
		{ id: 'sink', name: 'Sink tap', from: 'main', to: 'grey', flowLpm: 5 },
		{ id: 'head', name: 'Shower head', from: 'main', to: 'grey', flowLpm: 6 },
		{ id: 'toilet', name: 'Toilet flush', from: 'main', to: 'black' }
	],
	instruments: exactRig.instruments,
	habits: [
		habit('quick', 'Quick shower', 'head', 8),
		habit('long', 'Long shower', 'head', 25),
		habit('dishes', 'Dishes', 'sink', 6),
		habit('drink', 'Drinking', 'sink', 0.5, { keptFraction: 1 }),
		habit('kettle', 'Kettle', 'sink', 1, { keptFraction: 0.8 }),
		habit('hands', 'Wash hands', 'sink', 0.4),
		habit('teeth', 'Teeth', 'sink', 0.3, { words: ['pegs'] }),
		habit('flush', 'Flush', 'toilet', 0.5)
	],
	measures: [{ id: 'paper', name: 'Paper plates', habit: 'dishes', effect: { kind: 'scale', factor: 0.5 } }],
	containers: [
		{ id: 'tote', name: 'Blue tote', carries: 'grey', capacityL: 40, headroomL: 2, tareKg: 5, count: 1 }
	],
	care: [
		{ id: 'filter', name: 'Change the carbon filter' },
		{ id: 'rinse', name: 'Rinse the cassette' },
		{ id: 'winter', name: 'Empty everything before frost', season: 'lay-up' }
	]
};

/** A boat with nothing but tanks and habits. */
const boat: Rig = {
	id: 'boat',
	name: 'Curlew',
	kind: 'boat',
	crew: 3,
	tanks: [tank('water', 'Bow tank', 'fresh', 200), tank('holding', 'Holding', 'black', 60)],
	outlets: [
		{ id: 'galley', name: 'Galley', from: 'water', to: 'overboard', flowLpm: 4 },
		{ id: 'deck', name: 'Deck shower', from: 'water', to: 'overboard' },
		{ id: 'heads', name: 'Heads', from: 'water', to: 'holding' }
	],
	instruments: [],
	habits: [
		habit('rinse', 'Rinse on deck', 'deck', 4),
		habit('washup', 'Wash-up', 'galley', 5),
		habit('tea', 'Tea and coffee', 'galley', 1.2),
		habit('heads', 'Heads', 'heads', 1.5)
	],
	measures: [
		{ id: 'salt', name: 'Salt-water rinse', habit: 'washup', effect: { kind: 'scale', factor: 0.4 } }
	],
	containers: [],
	care: []
};

/** A rig of one tank, with a rod in a known shape, a sender and a counter that counts down in US gallons. */
const hut: Rig = {
	id: 'hut',
	name: 'Snipe',
	kind: 'camper',
	crew: 1,
	tanks: [
		tank('box', 'Box', 'fresh', 90, { shape: { form: 'box', lengthMm: 600, widthMm: 500, heightMm: 300 } }),
		tank('pan', 'Catch pan', 'grey', 30)
	],
	outlets: [{ id: 'tap', name: 'Tap', from: 'box', to: 'pan', flowLpm: 3 }],
	instruments: [
		{ id: 'stick', kind: 'rod', name: 'Dip stick', tank: 'box' },
		{
			id: 'sender',
			kind: 'gauge',
			name: 'Box sender',
			tank: 'box',
			curve: [
				{ reads: 0, litres: 0 },
				{ reads: 100, litres: 90 }
			]
		},
		{
			id: 'down',
			kind: 'meter',
			name: 'Countdown',
			place: 'pump',
			tank: 'box',
			unitL: 3.785411784,
			counts: 'down'
		}
	],
	habits: [
		habit('wash', 'Wet-soap-rinse shower', 'tap', 7),
		habit('pots', 'Kettle, flasks and pots', 'tap', 1.1),
		habit('dishes', 'Dishes', 'tap', 3.6),
		habit('hands', 'Hands and teeth', 'tap', 0.6)
	],
	measures: [],
	containers: [],
	care: [{ id: 'charcoal', name: 'Charcoal filter' }]
};

const shared = { nowMs, timeZone: 'Europe/London', units: METRIC } as const;
/** A camper that the sentences are about. */
export const VAN: QuickContext = {
	...shared,
	rig: van,
	trip: trip('van', [
		stop('ford', 'Tamsel Ford', '05'),
		stop('sarn', 'Low Sarn', '06'),
		stop('fennick', 'Low Fennick', '07'),
		stop('farm', 'Dump Grey Farm', '08')
	]),
	persons: 2,
	people: ['Ines', 'Tor'],
	levels: new Map([
		['main', 59],
		['grey', 60],
		['black', 5],
		['jug1', 20],
		['jug2', 0]
	]),
	lastRead: new Map([['pump', { value: 291.4, atMs: nowMs - 24 * HOUR_MS }]])
};
/** A boat that the sentences are about. */
export const BOAT: QuickContext = {
	...shared,
	rig: boat,
	units: { ...METRIC, volume: 'usGal' } satisfies UnitChoice,
	persons: 3,
	levels: new Map([
		['water', 150],
		['holding', 20]
	])
};
/** A rig of US gallons that the sentences are about. */
export const HUT: QuickContext = {
	...shared,
	rig: hut,
	persons: 1,
	lastRead: new Map([['down', { value: 20, atMs: nowMs - 6 * HOUR_MS }]])
};

export type Part = Record<string, unknown>;
export const use = (of: string, times = 1, more: Part = {}): Part => ({
	kind: 'use',
	habit: of,
	times,
	...more
});
export const measured = (of: string, litres: number, times = 1): Part =>
	use(of, times, { litres, source: 'meter' });
export const fill = (of: string, litres: number): Part => ({ kind: 'fill', tank: of, litres });
export const full = (of: string): Part => ({ kind: 'fill', tank: of, to: 'full' });
export const dump = (of: string, more: Part = {}): Part => ({ kind: 'dump', tank: of, to: 'empty', ...more });
export const dumped = (of: string, litres: number, more: Part = {}): Part => ({
	kind: 'dump',
	tank: of,
	litres,
	...more
});
export const pour = (from: string, to: string, more: Part = { until: 'from-empty' }): Part => ({
	kind: 'transfer',
	fromTank: from,
	toTank: to,
	...more
});
export const reads = (of: string, value: number | string, more: Part = {}): Part => ({
	kind: 'reading',
	instrument: of,
	value,
	...more
});
export const seen = (of: string, state: 'full' | 'empty'): Part => ({ kind: 'mark', tank: of, state });
export const crew = (persons: number): Part => ({ kind: 'crew', persons });
export const hooked = (mains: boolean, sewer = false): Part => ({ kind: 'hookup', mains, sewer });
export const measure = (of: string, on: boolean): Part => ({ kind: 'measure', measure: of, on });
export const done = (task: string): Part => ({ kind: 'care', task });
const arrive = (of: string): Part => ({ kind: 'stop', stop: of, event: 'arrive' });
const depart = (of: string): Part => ({ kind: 'stop', stop: of, event: 'depart' });
export const note = (text: string): Part => ({ kind: 'note', text });
export const by = (name: string, part: Part): Part => ({ ...part, by: name });
export const at = (moment: string, part: Part): Part => ({ ...part, at: moment });
export const today = (clock: string, part: Part): Part => at(`2027-05-05T${clock}:00+01:00`, part);
export const yesterday = (clock: string, part: Part): Part => at(`2027-05-04T${clock}:00+01:00`, part);
const gal = (us: number): number => us * 3.785411784;

/** One way to understand a line: its entries in their order, and what it adds to the rig. */
export interface SentenceMeaning {
	readonly entries: readonly Partial<EntryDraft>[];
	readonly adds?: Part;
}
export const way = (...entries: readonly Part[]): SentenceMeaning => ({
	entries: entries as readonly Partial<EntryDraft>[]
});
export const adding = (adds: Part, ...entries: readonly Part[]): SentenceMeaning => ({
	...way(...entries),
	adds
});

/** A line, and each way in which it must be understood; or what must be said of it. */
export type Sentence = readonly [line: string, ...SentenceMeaning[]] | readonly [line: string, asks: RegExp];

/** Sentences, and every way in which each must be understood in the camper. */
export const IN_THE_VAN: readonly Sentence[] = [
	// Habits, in any of their forms
	['quick shower', way(use('quick'))],
	['Quick Shower', way(use('quick'))],
	['quick', way(use('quick'))],
	['2 quick showers', way(use('quick', 2))],
	['quick shower 2', way(use('quick', 2))],
	['two quick showers', way(use('quick', 2))],
	['quick showers x2', way(use('quick', 2))],
	['had a quick shower', way(use('quick'))],
	['we had 2 quick showers', way(use('quick', 2))],
	['I took a long shower', way(use('long'))],
	['had a shower', way(use('quick')), way(use('long'))],
	['shower', way(use('quick')), way(use('long'))],
	['showered', way(use('quick')), way(use('long'))],
	['dishes', way(use('dishes'))],
	['did the dishes', way(use('dishes'))],
	['washed up', way(use('dishes'))],
	['washing up', way(use('dishes'))],
	['wash-up', way(use('dishes'))],
	['washed up twice', way(use('dishes', 2))],
	['pots and pans', way(use('dishes'), use('dishes'))],
	['drank 3', way(use('drink', 3))],
	['drinking 2', way(use('drink', 2))],
	['drank 3 L', way(measured('drink', 3))],
	['made coffee', way(use('kettle'))],
	['tea', way(use('kettle'))],
	['boiled the kettle', way(use('kettle'))],
	['kettle', way(use('kettle'))],
	['washed hands', way(use('hands'))],
	['washed my hands', way(use('hands'))],
	['hands 4', way(use('hands', 4))],
	['brushed teeth', way(use('teeth'))],
	['brushed our teeth', way(use('teeth'))],
	['teeth 2', way(use('teeth', 2))],
	['pegs', way(use('teeth'))],
	['flush', way(use('flush'))],
	['flushed', way(use('flush'))],
	['flushed twice', way(use('flush', 2))],
	['flushes 5', way(use('flush', 5))],
	['went to the toilet', way(use('flush'))],
	['loo 3', way(use('flush', 3))],
	['dishes 6 L', way(measured('dishes', 6))],
	['dishes 4,5 L', way(measured('dishes', 4.5))],
	['dishes 4.5 litres', way(measured('dishes', 4.5))],
	['2 quick showers 20 litres', way(measured('quick', 20, 2))],
	['quick shower 2 gal', way(measured('quick', Number(gal(2).toFixed(3))))],
	['use dishes 2', way(use('dishes', 2))],
	['half a dozen flushes', way(use('flush', 6))],
	// Minutes at a known flow
	['quick shower for 3 min', way(use('quick', 1, { litres: 18 }))],
	['3 min quick shower', way(use('quick', 1, { litres: 18 }))],
	['quick shower 2.5 minutes', way(use('quick', 1, { litres: 15 }))],
	['dishes 90 seconds', way(use('dishes', 1, { litres: 7.5 }))],
	['quick shower for 2 min an hour ago', way(today('09:20', use('quick', 1, { litres: 12 })))],
	['flush 2 min', /^Flush has no flow rate yet\. Time a bucket/],
	// Several things in a line
	['2 quick showers, dishes and kettle', way(use('quick', 2), use('dishes'), use('kettle'))],
	['dishes, teeth, flush', way(use('dishes'), use('teeth'), use('flush'))],
	['dishes and kettle', way(use('dishes'), use('kettle'))],
	['dishes & kettle', way(use('dishes'), use('kettle'))],
	['dishes + teeth', way(use('dishes'), use('teeth'))],
	['dishes; teeth', way(use('dishes'), use('teeth'))],
	['dishes,teeth', way(use('dishes'), use('teeth'))],
	['dishes\nteeth', way(use('dishes'), use('teeth'))],
	['dishes then teeth', way(use('dishes'), use('teeth'))],
	['dump grey and black', way(dump('grey'), dump('black'))],
	['dump black then grey', way(dump('black'), dump('grey'))],
	['grey and black dumped', way(dump('grey'), dump('black'))],
	['dumped grey, filled main', way(dump('grey'), full('main'))],
	['fill 40 and crew 3', way(fill('main', 40), crew(3))],
	['fill jug 1 and jug 2', way(full('jug1'), full('jug2'))],
	['meter 300, grey 2/3', way(reads('pump', 300), reads('lights', '2/3'))],
	['dishes, flurble', /“flurble”: .*no habit/],
	['dishes, teeth, tea, flush, hands, kettle, quick, long, dishes', /That is 9 things\. Enter up to 8/],
	['shower and dishes', way(use('quick'), use('dishes')), way(use('long'), use('dishes'))],
	// Fills
	['fill 60', way(fill('main', 60))],
	['fill 12,5', way(fill('main', 12.5))],
	['fill main 60', way(fill('main', 60))],
	['fill fresh 60', way(fill('main', 60))],
	['fill 60 litres', way(fill('main', 60))],
	['fill 12 gal', way(fill('main', gal(12)))],
	['fill 10 imp gal', way(fill('main', 45.4609))],
	['fill full', way(full('main'))],
	['fill up', way(full('main'))],
	['filled up', way(full('main'))],
	['fill main full', way(full('main'))],
	['fill main', way(full('main'))],
	['filled main', way(full('main'))],
	['filled to the brim', way(full('main'))],
	['main filled', way(full('main'))],
	['topped up', way(full('main'))],
	['topped up 20', way(fill('main', 20))],
	['top up 20 L', way(fill('main', 20))],
	['took on 40', way(fill('main', 40))],
	['added 15 L', way(fill('main', 15))],
	['refilled jug 2', way(full('jug2')), way(fill('jug1', 2)), way(fill('jug2', 2))],
	['fill jug 2 20', way(fill('jug2', 20))],
	['fill jug 2 full', way(full('jug2'))],
	['fill jug 1 10 L', way(fill('jug1', 10))],
	['fill jug 2', way(full('jug2')), way(fill('jug1', 2)), way(fill('jug2', 2))],
	['fill jug 2 L', way(fill('jug1', 2)), way(fill('jug2', 2))],
	['jug 1 filled', way(full('jug1'))],
	['fill', /How much\?/],
	['fill 900', /Main has 100.L usable; 900.L does not fit\. Did you mean 90.L\?/],
	['fill cellar 20', /no tank for that called “cellar”/],
	['fill 60%', /A fill must be in litres/],
	['fill 0', /A fill must be above 0/],
	['fill 20 30', /“30” is one number too many/],
	['fill for 10 min', /minutes alone don’t give litres/],
	// Dumps
	['dump grey', way(dump('grey'))],
	['dumped grey', way(dump('grey'))],
	['grey dumped', way(dump('grey'))],
	['dump cassette', way(dump('black'))],
	['dump black', way(dump('black'))],
	['emptied the cassette', way(dump('black'))],
	['dumped the toilet', way(dump('black'))],
	['dump grey 20', way(dumped('grey', 20))],
	['dump grey 5 gal', way(dumped('grey', gal(5)))],
	['dump grey overboard', way(dump('grey', { where: 'overboard' }))],
	['dump grey on the ground', way(dump('grey', { where: 'ground' }))],
	['dump grey into the sewer', way(dump('grey', { where: 'sewer' }))],
	['dump all', way(dump('black'), dump('grey'))],
	['dump everything', way(dump('black'), dump('grey'))],
	['dump both', way(dump('black'), dump('grey'))],
	['dumped', way(dump('black'), dump('grey')), way(dump('grey')), way(dump('black'))],
	['dump grey into tote', way(dumped('grey', 38, { where: 'tote' })), way(dump('grey', { where: 'tote' }))],
	[
		'dump grey into the blue tote',
		way(dumped('grey', 38, { where: 'tote' })),
		way(dump('grey', { where: 'tote' }))
	],
	['dump grey 30 into tote', way(dumped('grey', 30, { where: 'tote' }))],
	['dump black into tote', /Bittern has no container for black called “tote”/],
	['dump grey into canoe', /Bittern has no container for grey called “canoe”/],
	['empty grey', way(dump('grey')), way(seen('grey', 'empty'))],
	['drained main', way(dump('main'))],
	['dump grey 900', /Grey has 80.L usable; 900.L does not fit/],
	// Jugs poured
	['pour jug 1 into main', way(pour('jug1', 'main'))],
	['poured jug 1', way(pour('jug1', 'main'))],
	['pour jug 1 into main 10', way(pour('jug1', 'main', { litres: 10 }))],
	['transfer jug 1 main 10', way(pour('jug1', 'main', { litres: 10 }))],
	['transfer jug 1 to main 10 L', way(pour('jug1', 'main', { litres: 10 }))],
	['tipped jug 2 into main', way(pour('jug2', 'main'))],
	['pour jug 1 into jug 2', way(pour('jug1', 'jug2'))],
	['pour grey', /From where to where/],
	// What a tank holds
	['grey 2/3', way(reads('lights', '2/3'))],
	['grey two thirds', way(reads('lights', '2/3'))],
	['grey is 2/3', way(reads('lights', '2/3'))],
	['grey at 2/3', way(reads('lights', '2/3'))],
	['grey lights 1/3', way(reads('lights', '1/3'))],
	['gauge grey empty', way(reads('lights', 'empty'))],
	['grey full', way(reads('lights', 'full')), way(seen('grey', 'full'))],
	['full grey', way(seen('grey', 'full'))],
	['main empty', way(seen('main', 'empty'))],
	['main is full', way(seen('main', 'full'))],
	['jug 2 empty', way(seen('jug2', 'empty'))],
	['jug 1 is full', way(seen('jug1', 'full'))],
	['cassette full', way(seen('black', 'full'))],
	['toilet full', way(seen('black', 'full'))],
	['grey 69%', adding({ kind: 'gauge', tank: 'grey' }, { kind: 'reading', value: 69 })],
	['grey 69 percent', adding({ kind: 'gauge', tank: 'grey' }, { kind: 'reading', value: 69 })],
	['grey half', adding({ kind: 'gauge', tank: 'grey' }, { kind: 'reading', value: '1/2' })],
	['grey half full', adding({ kind: 'gauge', tank: 'grey' }, { kind: 'reading', value: '1/2' })],
	['black 1/3', adding({ kind: 'gauge', tank: 'black' }, { kind: 'reading', value: '1/3' })],
	['cassette 3/4', adding({ kind: 'gauge', tank: 'black' }, { kind: 'reading', value: '3/4' })],
	['fresh 60 L', adding({ kind: 'gauge', tank: 'main' }, { kind: 'reading', value: 60 })],
	['main 60 litres left', adding({ kind: 'gauge', tank: 'main' }, { kind: 'reading', value: 60 })],
	['water 50%', adding({ kind: 'gauge', tank: 'main' }, { kind: 'reading', value: 50 })],
	['main 60', way(fill('main', 60)), adding({ kind: 'gauge', tank: 'main' }, { kind: 'reading', value: 60 })],
	['main 600 L', /Main has 100.L usable; 600.L is more\. Did you mean 60.L\?/],
	['grey 690%', /690% is more\. Did you mean 69%\?/],
	['gauge grey 7/8', /What does Grey lights show/],
	['grey', /What about Grey\?|What does Grey lights show\?/],
	['main', /What about Main\?/],
	// Meters
	['meter 312.6', way(reads('pump', 312.6))],
	['meter 312,6', way(reads('pump', 312.6))],
	['meter shows 312', way(reads('pump', 312))],
	['pump meter 312', way(reads('pump', 312))],
	['pump meter reads 312', way(reads('pump', 312))],
	['312 on the meter', way(reads('pump', 312))],
	['meter reset', way(reads('pump', 0, { reset: true }))],
	['reset the meter', way(reads('pump', 0, { reset: true }))],
	['reset meter 110', way(reads('pump', 110, { reset: true }))],
	['meter set to 110', way(reads('pump', 110, { reset: true }))],
	['meter 2930', way(reads('pump', 293)), way(reads('pump', 2930))],
	['meter 29.3', way(reads('pump', 29.3)), way(reads('pump', 293))],
	['meter 2291', way(reads('pump', 2291))],
	['meter', /What does it show/],
	['hose meter 12', adding({ kind: 'meter', place: 'fill' }, { kind: 'reading', value: 12 })],
	['big meter 12', /No meter of that name/],
	['312', /312 of what/],
	// A rod that the rig lacks
	['rod 118', adding({ kind: 'rod', tank: 'main' }, { kind: 'reading', value: 118 })],
	['dip main 11,8 cm', adding({ kind: 'rod', tank: 'main' }, { kind: 'reading', value: 118 })],
	['rod grey 40 mm', adding({ kind: 'rod', tank: 'grey' }, { kind: 'reading', value: 40 })],
	['rod 9999', /2500.mm deep at most/],
	['rod', /How deep/],
	// People
	['crew 3', way(crew(3))],
	['3 aboard', way(crew(3))],
	['3 people', way(crew(3))],
	['we are 4', way(crew(4))],
	['just me', way(crew(1))],
	['guest', way(crew(3))],
	['guest for the night', way(crew(3))],
	['2 guests', way(crew(4))],
	['guest left', way(crew(1))],
	['2 guests left', way(crew(0))],
	['Ines left', way(crew(1))],
	['lena left', way(crew(1))],
	['Ines is back', way(crew(3))],
	['Lena came', way(crew(3))],
	['crew many', /How many are aboard/],
	['3 guests left', /^2 aboard so far/],
	['quick shower Ines', way(by('Ines', use('quick')))],
	['ines quick shower', way(by('Ines', use('quick')))],
	['quick shower by tor', way(by('Tor', use('quick')))],
	['Ines had a quick shower', way(by('Ines', use('quick')))],
	['quick shower Zoe', way(by('Zoe', use('quick')))],
	['quick shower by zoe', way(by('Zoe', use('quick')))],
	['Zoe had a quick shower', way(by('Zoe', use('quick')))],
	['quick shower Ines and dishes Tor', way(by('Ines', use('quick')), by('Tor', use('dishes')))],
	['quick shower zoe', /Who or what is “zoe”/],
	// Hook-ups
	['hooked up', way(hooked(true))],
	['plugged in', way(hooked(true))],
	['mains on', way(hooked(true))],
	['on mains', way(hooked(true))],
	['full hook-up', way(hooked(true, true))],
	['hooked up to the sewer', way(hooked(false, true))],
	['sewer on', way(hooked(false, true))],
	['hooked up, grey open', way({ kind: 'hookup', mains: true, sewer: ['grey'] })],
	['grey open', way({ kind: 'hookup', mains: false, sewer: ['grey'] })],
	['open grey and shut the cassette', way({ kind: 'hookup', mains: false, sewer: ['grey'] })],
	['open grey', way({ kind: 'hookup', mains: false, sewer: ['grey'] })],
	['full hook-up, grey open, cassette shut', way({ kind: 'hookup', mains: true, sewer: ['grey'] })],
	['mains on, grey shut', way({ kind: 'hookup', mains: true, sewer: [] })],
	['unplugged', way(hooked(false))],
	['unhooked', way(hooked(false))],
	['mains off', way(hooked(false))],
	['disconnected', way(hooked(false))],
	// Measures
	['paper plates on', way(measure('paper', true))],
	['paper plates off', way(measure('paper', false))],
	['measure paper plates on', way(measure('paper', true))],
	['way to save paper plates off', way(measure('paper', false))],
	['started paper plates', way(measure('paper', true))],
	['stopped paper plates', way(measure('paper', false))],
	// Care
	['filter changed', way(done('filter'))],
	['changed the filter', way(done('filter'))],
	['carbon filter changed', way(done('filter'))],
	['new filter', way(done('filter'))],
	['filter replaced', way(done('filter'))],
	['filter done', way(done('filter'))],
	['cleaned the filter', /What was done\?/],
	['cassette changed', /no habit|What about/],
	['dishes for lunch', /When was it\?/],
	['quick shower for Zoe', way(by('Zoe', use('quick')))],
	['done filter', way(done('filter'))],
	['rinsed the cassette', way(done('rinse'))],
	['done', way(done('filter')), way(done('rinse')), way(done('winter'))],
	['lay-up done', way(done('winter'))],
	['winter storage done', way(done('winter'))],
	['done draining the system', way(done('winter'))],
	// Stops
	['arrive tamsel', way(arrive('ford'))],
	['arrived at Tamsel Ford', way(arrive('ford'))],
	['reached tamsel', way(arrive('ford'))],
	['arrive low', way(arrive('sarn')), way(arrive('fennick'))],
	['left tamsel ford', way(depart('ford'))],
	['depart tamsel', way(depart('ford'))],
	['arrive dump grey farm', way(arrive('farm'))],
	['dump grey farm', /Dump Grey Farm is a stop on this trip/],
	['tamsel', /Tamsel Ford is a stop/],
	['arrive nowhere', /No stop of that name/],
	// Times
	['yesterday 21:30 dishes', way(yesterday('21:30', use('dishes')))],
	['dishes yesterday 21:30', way(yesterday('21:30', use('dishes')))],
	['dishes yesterday at 21:30', way(yesterday('21:30', use('dishes')))],
	['yesterday dishes 21:30', way(yesterday('21:30', use('dishes')))],
	['dishes yesterday evening', way(yesterday('20:00', use('dishes')))],
	['yesterday evening 2 quick showers', way(yesterday('20:00', use('quick', 2)))],
	['dishes this morning', way(today('08:00', use('dishes')))],
	['dishes last night', way(yesterday('22:00', use('dishes')))],
	['08:15 dishes', way(today('08:15', use('dishes')))],
	['dishes 8:15', way(today('08:15', use('dishes')))],
	['dishes 8am', way(today('08:00', use('dishes')))],
	['dishes 8:15 am', way(today('08:15', use('dishes')))],
	['dishes 9pm', way(yesterday('21:00', use('dishes'))), way(today('21:00', use('dishes')))],
	['dishes at 8', way(today('08:00', use('dishes'))), way(yesterday('20:00', use('dishes')))],
	['23:00 dishes', way(yesterday('23:00', use('dishes'))), way(today('23:00', use('dishes')))],
	['dishes -2h', way(today('08:20', use('dishes')))],
	['-30min dishes', way(today('09:50', use('dishes')))],
	['dishes 90 min ago', way(today('08:50', use('dishes')))],
	['dishes an hour ago', way(today('09:20', use('dishes')))],
	['an hour ago 2 quick showers', way(today('09:20', use('quick', 2)))],
	['dishes half an hour ago', way(today('09:50', use('dishes')))],
	['dishes an hour and a half ago', way(today('08:50', use('dishes')))],
	['dishes two days ago', way(at('2027-05-03T10:20:00+01:00', use('dishes')))],
	['tue 8am dishes', way(yesterday('08:00', use('dishes')))],
	['tue 18:00 dump grey', way(yesterday('18:00', dump('grey')))],
	['tue 18.00 dump grey', way(yesterday('18:00', dump('grey')))],
	['fill 20 on monday', way(at('2027-05-03T10:20:00+01:00', fill('main', 20)))],
	['monday morning fill 20', way(at('2027-05-03T08:00:00+01:00', fill('main', 20)))],
	['wed 07:00 meter 300', way(today('07:00', reads('pump', 300)))],
	['2027-05-01 07:10 dishes', way(at('2027-05-01T07:10:00+01:00', use('dishes')))],
	['dishes 2027-05-01', way(at('2027-05-01T10:20:00+01:00', use('dishes')))],
	['1 may 18:00 dump grey', way(at('2027-05-01T18:00:00+01:00', dump('grey')))],
	['dishes today', way(use('dishes'))],
	['dishes just now', way(use('dishes'))],
	['dishes at noon yesterday', way(yesterday('12:00', use('dishes')))],
	[
		'yesterday 21:30 dishes and teeth',
		way(yesterday('21:30', use('dishes')), yesterday('21:30', use('teeth')))
	],
	[
		'dishes and teeth yesterday 21:30',
		way(yesterday('21:30', use('dishes')), yesterday('21:30', use('teeth')))
	],
	['dishes yesterday 21:30, teeth 8am', way(yesterday('21:30', use('dishes')), today('08:00', use('teeth')))],
	['yesterday: dishes, teeth', way(yesterday('10:20', use('dishes')), yesterday('10:20', use('teeth')))],
	['dishes yesterday 25:00', /25:00 is not a time/],
	['dishes 21:75', /21:75 is not a time/],
	['2027-02-31 dishes', /2027-02-31 is not a date/],
	['dishes -800000d', /too far from today/],
	['yesterday', /What happened after that/],
	// Notes keep every word
	['note hose drips', way(note('hose drips'))],
	['note: hose drips', way(note('hose drips'))],
	['note hose drips at 08:15', way(note('hose drips at 08:15'))],
	['note hose drips, tap too', way(note('hose drips, tap too'))],
	['note too much sun today', way(note('too much sun today'))],
	['yesterday note hose drips today', way(yesterday('10:20', note('hose drips today')))],
	['Note = two of them', way(note('= two of them'))],
	['note', /What is the note/],
	// Small slips of spelling
	['qick shower', way(use('quick'))],
	['quick showr', way(use('quick'))],
	['dihses', way(use('dishes'))],
	['dishse 2', way(use('dishes', 2))],
	['ketle', way(use('kettle'))],
	['casette full', way(seen('black', 'full'))],
	['fil 40', /no habit, tank or instrument called “fil”/],
	['dumpd grey', way(dump('grey'))],
	['arive tamsel', way(arrive('ford'))],
	['drnking 2', way(use('drink', 2))],
	// Words that are half known
	[
		'laundry 30',
		adding({ name: 'Laundry', outlet: 'sink', litresEach: { mean: 30, sd: 9 } }, { kind: 'use', times: 1 })
	],
	[
		'laundry',
		adding({ name: 'Laundry', outlet: 'sink', litresEach: { mean: 40, sd: 12 } }, { kind: 'use', times: 1 })
	],
	['washed hair', adding({ name: 'Wash hair', outlet: 'head' }, { kind: 'use', times: 1 })],
	['wetsuits 12 L', adding({ name: 'Deck wash', outlet: 'head' }, { kind: 'use', times: 1 })],
	[
		'windows 4',
		adding({ name: 'Windows', outlet: 'sink', litresEach: { mean: 4, sd: 1.2 } }, { kind: 'use', times: 1 }),
		// What nobody knows may be no use at all.
		way(note('windows 4'))
	],
	[
		'laundry 2',
		adding({ name: 'Laundry' }, { kind: 'use', times: 2 }),
		adding({ name: 'Laundry' }, { kind: 'use', times: 1 })
	],
	// Words of one's own
	['splash = wash hands', adding({ id: 'hands', words: ['splash'] })],
	['gnashers means teeth', adding({ id: 'teeth', words: ['pegs', 'gnashers'] })],
	['clicker = pump meter', adding({ id: 'pump', words: ['clicker'] })],
	['dishes = teeth', /“dishes” already means Dishes/],
	['splash = volcano', /no habit or instrument called “volcano”/],
	// What people add to it
	['jug 1 into main', way(pour('jug1', 'main'))],
	['emptied jug 1 into main', way(pour('jug1', 'main'))],
	['put 10 L from jug 1 into main', way(pour('jug1', 'main', { litres: 10 }))],
	['grey into tote', way(dumped('grey', 38, { where: 'tote' })), way(dump('grey', { where: 'tote' }))],
	['topped up 20 L at tamsel', way(fill('main', 20))],
	['fill 30 from tap', way(fill('main', 30))],
	['filled the tank', way(full('main'))],
	['fill up jug 1', way(full('jug1'))],
	['filled both jugs', way(full('jug1'), full('jug2'))],
	['filled jug 1 and 2', way(full('jug1'), full('jug2'))],
	['fill main 40 L and jug 1 10 L', way(fill('main', 40), fill('jug1', 10))],
	['fill main to 80', way(fill('main', 21)), way(fill('main', 80))],
	['fill half', /no tank|of what/],
	['dump grey 1/2', /1\/2 of what/],
	['fill 20 lt', way(fill('main', 20))],
	['fresh:60L', adding({ kind: 'gauge', tank: 'main' }, { kind: 'reading', value: 60 })],
	['grey=2/3', way(reads('lights', '2/3'))],
	['quick shower, 3 minutes', way(use('quick', 1, { litres: 18 }))],
	['dishes, 6 L', way(measured('dishes', 6))],
	['dishes at 8am and 9:30', way(today('08:00', use('dishes')), today('09:30', use('dishes')))],
	['another flush', way(use('flush'))],
	['drank a litre', way(measured('drink', 1))],
	['handwash', way(use('hands'))],
	['teeth brushing', way(use('teeth'))],
	['paper plates', way(measure('paper', true)), way(measure('paper', false))],
	['no paper plates', way(measure('paper', false))],
	['we left', way(depart('ford')), way(depart('sarn')), way(depart('fennick'))],
	['quick shower and note hose drips, badly', way(use('quick'), note('hose drips, badly'))],
	["Tor's gone", way(crew(1))],
	['Ines came back', way(crew(3))],
	['off grid', way(hooked(false))],
	['rain 20', adding({ name: 'Rain', potable: false }, { kind: 'fill', litres: 20, from: 'rain' })],
	['dishes earlier', /When was it\?/],
	['dishes 29 february', /When was it\?/],
	['31 june dishes', /When was it\?/],
	['dishes on the 3rd', /When was it\?/],
	['dishes 3rd may', way(at('2027-05-03T10:20:00+01:00', use('dishes')))],
	['dishes 31 december', way(at('2026-12-31T10:20:00+00:00', use('dishes')))],
	['dishes midnight', way(today('00:00', use('dishes')))],
	['dishes 7.30', /7:30/],
	['dishes 3/5', /3 may/],
	['dishes 1.5', way(use('dishes', 1.5))],
	['dump grey 20 yesterday', way(at('2027-05-04T10:20:00+01:00', dumped('grey', 20)))],
	['yesterday 2 quick showers', way(yesterday('10:20', use('quick', 2)))],
	['dishes 2 on sunday', way(at('2027-05-02T10:20:00+01:00', use('dishes', 2)))],
	['this morning 3 flushes', way(today('08:00', use('flush', 3)))],
	['fill 20 last night', way(yesterday('22:00', fill('main', 20)))],
	['dishes at 20 yesterday', way(yesterday('20:00', use('dishes')))],
	[
		'grey 1/3 black 2/3',
		adding({ kind: 'gauge', tank: 'black' }, reads('lights', '1/3'), { kind: 'reading', value: '2/3' })
	],
	['emptied grey at tamsel ford', way(dump('grey'))],
	[
		'poured 5 L into main',
		way(pour('jug1', 'main', { litres: 5 })),
		way(pour('jug2', 'main', { litres: 5 }))
	],
	['cold quick shower', way(use('quick'))],
	['stopped', /no habit/],
	['switch on paper plates', way(measure('paper', true))],
	['note.', /What is the note/],
	['quick shower dishes', way(use('quick'), use('dishes'))],
	['2 quick showers 3 dishes', way(use('quick', 2), use('dishes', 3))],
	['quick shower each', way(use('quick', 2))],
	['no shower today', /did not happen/],
	// More than there is
	['quick shower 38', way(measured('quick', 38)), way(use('quick', 38))],
	['dishes 40', way(measured('dishes', 40)), way(use('dishes', 40))],
	['quick shower 5000', /not likely/],
	['quick shower 0', /not likely/],
	// What is no line
	['flurble', /no habit, tank or instrument called “flurble”/],
	['½', /½ of what/],
	['🚿', /no habit/],
	['🚿🚿 2', /no habit/],
	['مرحبا بالعالم', /no habit/],
	['__proto__', /no habit/],
	['<b>dishes</b>', /no habit/],
	['"dishes"', way(use('dishes'))],
	['“dishes”', way(use('dishes'))],
	['dishes!', way(use('dishes'))],
	['dishes 2 3', /“3” is one number too many/],
	['dishes 2 mm', /What is 2 mm\?/]
];

/** The same on the boat. */
const valves = (flush: readonly string[], waste: readonly string[]): Part => ({
	kind: 'hookup',
	mains: false,
	sewer: false,
	sea: { flush: [...flush], waste: [...waste] }
});
export const ON_THE_BOAT: readonly Sentence[] = [
	// Black stays shut when a hose is put on.
	['sewer on', way({ kind: 'hookup', mains: false, sewer: [] })],
	['open holding', way({ kind: 'hookup', mains: false, sewer: ['holding'] })],
	['flush from sea', way(valves(['heads'], []))],
	['heads with sea water', way(valves(['heads'], []))],
	['flush from tank', way(valves([], []))],
	['y-valve to sea', way(valves([], ['holding']))],
	['holding overboard', way(valves([], ['holding']))],
	['y valve to tank', way(valves([], []))],
	['dump holding overboard', way(dump('holding', { where: 'overboard' }))],
	['wash-up', way(use('washup'))],
	['washed up', way(use('washup'))],
	['dishes', way(use('washup'))],
	['did the dishes twice', way(use('washup', 2))],
	['tea', way(use('tea'))],
	['coffee 2', way(use('tea', 2))],
	['tea and coffee', way(use('tea'))],
	['kettle', way(use('tea'))],
	['heads', way(use('heads'))],
	['flushed 3', way(use('heads', 3))],
	['toilet', way(use('heads'))],
	['rinsed on deck', way(use('rinse'))],
	['rinse 2', way(use('rinse', 2))],
	['wash-up 2 gal', way(measured('washup', Number(gal(2).toFixed(3))))],
	['wash-up 4 L', way(measured('washup', 4))],
	['wash-up for 2 min', way(use('washup', 1, { litres: 8 }))],
	['rinse for 2 min', /has no flow rate yet/],
	['fill 20', way(fill('water', gal(20)))],
	['fill 20 gal', way(fill('water', gal(20)))],
	['fill 20 L', way(fill('water', 20))],
	['topped up 10', way(fill('water', gal(10)))],
	['fill up', way(full('water'))],
	['fill bow 10', way(fill('water', gal(10)))],
	['fill 200', /Bow tank has 53.gal usable; 200.gal does not fit\. Did you mean 20.gal\?/],
	['dump holding', way(dump('holding'))],
	['dump', way(dump('holding'))],
	['dump all', way(dump('holding'))],
	['pumped out', way(dump('holding'))],
	['dump holding overboard', way(dump('holding', { where: 'overboard' }))],
	['dump black', way(dump('holding'))],
	['emptied the holding tank', way(dump('holding'))],
	['dump grey', /no tank for that called “grey”/],
	['holding 1/3', adding({ kind: 'gauge', tank: 'holding' }, { kind: 'reading', value: '1/3' })],
	[
		'water 40 gal',
		adding({ kind: 'gauge', tank: 'water' }, { kind: 'reading', value: Number(gal(40).toFixed(3)) })
	],
	['bow tank 3/4', adding({ kind: 'gauge', tank: 'water' }, { kind: 'reading', value: '3/4' })],
	['holding full', way(seen('holding', 'full'))],
	[
		'meter 412.6',
		adding({ kind: 'meter', place: 'pump', unitL: 3.785411784 }, { kind: 'reading', value: 412.6 }),
		adding({ kind: 'meter', place: 'fill' }, { kind: 'reading', value: 412.6 })
	],
	['hose meter 12', adding({ kind: 'meter', place: 'fill' }, { kind: 'reading', value: 12 })],
	['pump meter 12', adding({ kind: 'meter', place: 'pump' }, { kind: 'reading', value: 12 })],
	['mains meter 12', adding({ kind: 'meter', place: 'mains' }, { kind: 'reading', value: 12 })],
	['rod 118', adding({ kind: 'rod', tank: 'water' }, { kind: 'reading', value: 118 })],
	['salt-water rinse on', way(measure('salt', true))],
	['crew 5', way(crew(5))],
	['guest', way(crew(4))],
	['Mika left', way(crew(2))],
	['arrive', /no trip with stops/],
	['filter changed', /no care tasks yet/],
	['laundry 10', adding({ name: 'Laundry', outlet: 'galley' }, { kind: 'use', times: 1 })],
	['drank 3', adding({ name: 'Drinking', outlet: 'galley' }, { kind: 'use', times: 1 })],
	['2 wash-ups, tea and heads', way(use('washup', 2), use('tea'), use('heads'))],
	['wash-up yesterday evening', way(yesterday('20:00', use('washup')))],
	['tea by Mika', way(by('Mika', use('tea')))],
	['swap jug', /No other jug is full/]
];

/** The same in US gallons. */
export const IN_THE_HUT: readonly Sentence[] = [
	['shower', way(use('wash'))],
	['2 quick showers', way(use('wash', 2))],
	['had a shower', way(use('wash'))],
	['2 showers, kettle and hands', way(use('wash', 2), use('pots'), use('hands'))],
	['kettle and flasks', way(use('pots'))],
	['dishes and kettle', way(use('dishes'), use('pots'))],
	['2 showers, dishes and kettle', way(use('wash', 2), use('dishes'), use('pots'))],
	['washed up', way(use('dishes'))],
	['kettle, flasks and pots', way(use('pots'))],
	['hands and teeth', way(use('hands'))],
	['hands and teeth 3', way(use('hands', 3))],
	['brushed teeth', way(use('hands'))],
	['shower for 2 min', way(use('wash', 1, { litres: 6 }))],
	['rod 118', way(reads('stick', 118))],
	['dipstick 118', way(reads('stick', 118))],
	['dipstik 118', way(reads('stick', 118))],
	['rod 11,8 cm', way(reads('stick', 118))],
	['rod 4 in', way(reads('stick', 101.6))],
	['dip stick 118', way(reads('stick', 118))],
	['dipped 118', way(reads('stick', 118))],
	['rod 118 roll 2 pitch -1.5', way(reads('stick', 118, { rollDeg: 2, pitchDeg: -1.5 }))],
	['dipstick 118 tilt 2', way(reads('stick', 118, { rollDeg: 2 }))],
	['dipstick 118 tilt -2 port', way(reads('stick', 118, { rollDeg: -2 }))],
	['dipstick 118 tilted 2° to port', way(reads('stick', 118, { rollDeg: -2 }))],
	['rod 118 leaning 2 to starboard pitch -1', way(reads('stick', 118, { rollDeg: 2, pitchDeg: -1 }))],
	['rod 118 roll 60', /at most 45/],
	['rod 9999', /Box is 300.mm deep at most; 9999.mm is more\. Did you mean 100.mm/],
	['rod 1180', /Did you mean 118.mm/],
	['rod 118 cm', /Did you mean 118.mm/],
	['rod -5', /A depth can’t be below 0/],
	['box 60%', way(reads('sender', 60))],
	['box 60', way(reads('sender', 60)), way(reads('sender', 66.67))],
	['box 3/4', way(reads('sender', 75))],
	['box half', way(reads('sender', 50))],
	['fresh 45 L', way(reads('sender', 50))],
	['gauge 40', way(reads('sender', 40))],
	['meter 18', way(reads('down', 18))],
	['countdown 18', way(reads('down', 18))],
	['meter 180', way(reads('down', 180)), way(reads('down', 18))],
	['meter reset', way(reads('down', 24, { reset: true }))],
	['meter reset 23', way(reads('down', 23, { reset: true }))],
	['meter 15 gal', way(reads('down', 15))],
	['catch pan full', way(seen('pan', 'full'))],
	['emptied the catch pan', way(dump('pan'))],
	['dump', way(dump('pan'))],
	['pan half', adding({ kind: 'gauge', tank: 'pan' }, { kind: 'reading', value: '1/2' })],
	['fill 40', way(fill('box', 40))],
	['filter changed', way(done('charcoal'))],
	['new charcoal filter', way(done('charcoal'))],
	['shower 3', way(use('wash', 3))],
	['shower 30', way(measured('wash', 30)), way(use('wash', 30))],
	['laundry 30', adding({ name: 'Laundry', outlet: 'tap' }, { kind: 'use', times: 1 })],
	['drank 2 L', adding({ name: 'Drinking', outlet: 'tap' }, { kind: 'use', times: 1 })],
	['arrive anywhere', /no trip with stops/],
	['note shower at 8, then dishes', way(note('shower at 8, then dishes'))]
];
