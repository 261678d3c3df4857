import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exactRig, exactTrip, logbookOf } from '../../../tests/helpers/logbooks.js';
import { parseLogbook, type Entry, type Rig } from '../logbook/index.js';
import { METRIC } from '../units/index.js';
import { completions, understand, withAll, type QuickContext } from './index.js';

const rig: Rig = {
	...exactRig,
	tanks: [
		...exactRig.tanks,
		{ id: 'jug', name: 'Jug', holds: 'fresh', nominalL: 20, reserveL: 0, feeds: 'main', portable: true }
	],
	instruments: [
		...exactRig.instruments,
		{ id: 'dip', kind: 'rod', name: 'Dip stick', tank: 'main' },
		{
			id: 'sender',
			kind: 'gauge',
			name: 'Main sender',
			tank: 'main',
			curve: [
				{ reads: 0, litres: 0 },
				{ reads: 100, litres: 100 }
			]
		}
	],
	care: [{ id: 'filter', name: 'Change the filter' }]
};
const stop = {
	id: 'ford',
	name: 'Tamsel Ford',
	arrive: '2027-05-05T10:00:00Z',
	depart: '2027-05-05T11:00:00Z',
	legKm: 3,
	services: []
};
/** Wednesday 5 May 2027, 10:20 local, an hour ahead of UTC. */
const context: QuickContext = {
	rig,
	trip: { ...exactTrip, stops: [stop] },
	nowMs: Date.parse('2027-05-05T10:20:00+01:00'),
	timeZone: 'Europe/London',
	units: METRIC
};
const matches = (text: string, more: Partial<QuickContext> = {}) => {
	const answer = understand(text, { ...context, ...more });
	return answer.kind === 'understood' ? answer.matches : [];
};
const first = (text: string, more: Partial<QuickContext> = {}) => matches(text, more)[0]?.drafts[0];
const problemOf = (text: string) => {
	const answer = understand(text, context);
	return answer.kind === 'problem' ? answer.problem : undefined;
};

describe('lines as a person would say them', () => {
	it.each<[string, object]>([
		['shower', { kind: 'use', habit: 'shower', times: 1 }],
		['shower 2', { kind: 'use', habit: 'shower', times: 2 }],
		['2 showers', { kind: 'use', habit: 'shower', times: 2 }],
		['shower 9,5 L', { kind: 'use', habit: 'shower', times: 1, litres: 9.5, source: 'meter' }],
		['2 showers 20 litres', { kind: 'use', habit: 'shower', times: 2, litres: 20 }],
		['fill 60', { kind: 'fill', tank: 'main', litres: 60 }],
		['fill main full', { kind: 'fill', tank: 'main', to: 'full' }],
		['fill full', { kind: 'fill', tank: 'main', to: 'full' }],
		['fill jug 12', { kind: 'fill', tank: 'jug', litres: 12 }],
		['dump grey', { kind: 'dump', tank: 'grey', to: 'empty' }],
		['dump cassette', { kind: 'dump', tank: 'black', to: 'empty' }],
		['dump grey 20', { kind: 'dump', tank: 'grey', litres: 20 }],
		['dump grey overboard', { kind: 'dump', tank: 'grey', where: 'overboard' }],
		['meter 412.6', { kind: 'reading', instrument: 'pump', value: 412.6 }],
		['pump meter 84', { kind: 'reading', instrument: 'pump', value: 84 }],
		['meter reset', { kind: 'reading', instrument: 'pump', value: 0, reset: true }],
		['reset meter 110', { kind: 'reading', instrument: 'pump', value: 110, reset: true }],
		['rod 118', { kind: 'reading', instrument: 'dip', value: 118 }],
		['rod 11,8 cm', { kind: 'reading', instrument: 'dip', value: 118 }],
		[
			'rod 118 roll 2 pitch -1.5',
			{ kind: 'reading', instrument: 'dip', value: 118, rollDeg: 2, pitchDeg: -1.5 }
		],
		['grey 2/3', { kind: 'reading', instrument: 'lights', value: '2/3' }],
		['grey lights two thirds', { kind: 'reading', instrument: 'lights', value: '2/3' }],
		['gauge grey empty', { kind: 'reading', instrument: 'lights', value: 'empty' }],
		['main 60 %', { kind: 'reading', instrument: 'sender', value: 60 }],
		['main 3/4', { kind: 'reading', instrument: 'sender', value: 75 }],
		['full grey', { kind: 'mark', tank: 'grey', state: 'full' }],
		['main empty', { kind: 'mark', tank: 'main', state: 'empty' }],
		['crew 3', { kind: 'crew', persons: 3 }],
		['note hose drips at 08:15', { kind: 'note', text: 'hose drips at 08:15' }],
		['note too much sun', { kind: 'note', text: 'too much sun' }],
		['yesterday note hose drips today', { kind: 'note', text: 'hose drips today' }],
		['transfer jug main 10', { kind: 'transfer', fromTank: 'jug', toTank: 'main', litres: 10 }],
		['pour jug into main', { kind: 'transfer', fromTank: 'jug', toTank: 'main', until: 'from-empty' }],
		['pour jug', { kind: 'transfer', fromTank: 'jug', toTank: 'main', until: 'from-empty' }],
		['mains on', { kind: 'hookup', mains: true, sewer: false }],
		['short shower on', { kind: 'measure', measure: 'short', on: true }],
		['short showers on', { kind: 'measure', measure: 'short', on: true }],
		['arrive tamsel', { kind: 'stop', stop: 'ford', event: 'arrive' }],
		['depart', { kind: 'stop', stop: 'ford', event: 'depart' }],
		['done filter', { kind: 'care', task: 'filter' }]
	])('%s', (text, draft) => expect(first(text)).toMatchObject(draft));

	it('takes gallons, typed or chosen', () => {
		expect(first('fill 12 gal')).toMatchObject({ litres: 12 * 3.785411784 });
		expect(first('fill 12', { units: { ...METRIC, volume: 'impGal' } })).toMatchObject({
			litres: 12 * 4.54609
		});
	});
});

describe('times', () => {
	it.each([
		['yesterday 21:30 dishes', '2027-05-04T21:30:00+01:00'],
		['dishes yesterday 21:30', '2027-05-04T21:30:00+01:00'],
		['08:15 shower', '2027-05-05T08:15:00+01:00'],
		['shower -2h', '2027-05-05T08:20:00+01:00'],
		['-30min shower', '2027-05-05T09:50:00+01:00'],
		['dishes 90 min ago', '2027-05-05T08:50:00+01:00'],
		['tue 18:00 dump grey', '2027-05-04T18:00:00+01:00'],
		['2027-05-01 07:10 shower 2', '2027-05-01T07:10:00+01:00'],
		['shower', '2027-05-05T10:20:00+01:00']
	])('%s', (text, at) => expect(first(text)?.at).toBe(at));
	it('offers yesterday and today for a time that is still to come', () =>
		expect(matches('22:30 shower').map(({ drafts, warns }) => [drafts[0]?.at, warns !== undefined])).toEqual([
			['2027-05-04T22:30:00+01:00', true],
			['2027-05-05T22:30:00+01:00', true]
		]));
});

describe('a moment that cannot be', () => {
	it.each([
		['shower -800000d', /too far from today/],
		['0001-01-01 shower', /too far from today/],
		['shower 9999-01-01', /too far from today/],
		['2027-02-31 shower', /2027-02-31 is not a date/],
		['shower 2027-13-01', /2027-13-01 is not a date/]
	])('%s', (text, words) => expect(problemOf(text)).toMatch(words));
	it('a leap day is one', () =>
		expect(first('2024-02-29 07:00 shower')?.at).toBe('2024-02-29T07:00:00+00:00'));
});

describe('a number that may belong to a name', () => {
	const jug = (n: number) =>
		({ id: `jug${n}`, name: `Jug ${n}`, holds: 'fresh', nominalL: 20, reserveL: 0, feeds: 'main' }) as const;
	const jugs: Rig = {
		...rig,
		tanks: [...exactRig.tanks, jug(1), jug(2)],
		habits: [...rig.habits, { ...rig.habits[0]!, id: 'second', name: 'Shower 2' }]
	};
	const drafts = (text: string) => matches(text, { rig: jugs }).flatMap(({ drafts: all }) => all);
	it.each([
		['fill jug 2 20', [{ kind: 'fill', tank: 'jug2', litres: 20 }]],
		['fill jug 2 full', [{ kind: 'fill', tank: 'jug2', to: 'full' }]],
		['pour jug 1 into main', [{ kind: 'transfer', fromTank: 'jug1', until: 'from-empty' }]],
		['pour jug 1 into main 10', [{ kind: 'transfer', fromTank: 'jug1', litres: 10 }]],
		['jug 2 empty', [{ kind: 'mark', tank: 'jug2', state: 'empty' }]]
	])('%s', (text, expected) => expect(drafts(text)).toMatchObject(expected));
	it('is an amount when its unit stands behind it', () =>
		expect(drafts('fill jug 2 L')).toMatchObject([
			{ tank: 'jug1', litres: 2 },
			{ tank: 'jug2', litres: 2 }
		]));
	it('both are offered where the line is whole either way, never guessed', () =>
		expect(drafts('fill jug 2')).toMatchObject([
			{ tank: 'jug2', to: 'full' },
			{ tank: 'jug1', litres: 2 },
			{ tank: 'jug2', litres: 2 }
		]));
	it('of a use, both are offered', () =>
		expect(drafts('shower 2')).toMatchObject([
			{ habit: 'second', times: 1 },
			{ habit: 'shower', times: 2 }
		]));
});

it('one figure too many is asked about, not passed over', () => {
	expect(problemOf('fill 20 30')).toMatch(/“30” is one number too many/);
	expect(problemOf('shower 2 3')).toMatch(/“3” is one number too many/);
	expect(problemOf('crew 2 3')).toMatch(/“3” is one number too many/);
	expect(first('2 showers 20 litres')).toMatchObject({ times: 2, litres: 20 });
});

it('a place that the trip comes to twice is told apart by its day; so are things of one name', () => {
	const again = { ...stop, id: 'ford-2', arrive: '2027-05-08T10:00:00Z', depart: '2027-05-08T11:00:00Z' };
	const twice = matches('arrive tamsel', { trip: { ...exactTrip, stops: [stop, again] } });
	expect(twice.map(({ says }) => says)).toEqual([
		'Arrived at Tamsel Ford, planned for today',
		'Arrived at Tamsel Ford, planned for Saturday'
	]);
	const twin = { ...rig, habits: [...rig.habits, { ...rig.habits[0]!, id: 'twin' }] };
	const says = matches('shower', { rig: twin }).map((one) => one.says);
	expect(new Set(says).size).toBe(2);
});

it('a tank alone is known, and what could be said of it is offered', () => {
	expect(problemOf('jug')).toMatch(/^What about Jug\? For example “fill jug 40”/);
	expect(problemOf('cassette')).toMatch(/“dump cassette”/);
});

it('offers each tank or habit that may be meant', () => {
	const two: Rig = {
		...rig,
		tanks: [{ id: 'aft', name: 'Aft', holds: 'fresh', nominalL: 200, reserveL: 5 }, ...rig.tanks]
	};
	expect(matches('fill 60', { rig: two }).flatMap(({ drafts }) => drafts)).toMatchObject([
		{ tank: 'aft' },
		{ tank: 'main' }
	]);
	expect(matches('grey full').map(({ drafts }) => drafts[0]?.kind)).toEqual(['reading', 'mark']);
});

it('says what it understood, and warns at the act', () => {
	expect(matches('shower 2')[0]?.says).toBe('Shower × 2, 16\u00a0L from Main to Grey');
	expect(matches('dump grey ground')[0]?.warns).toMatch(/local rules/);
	expect(matches('fill 40', { levels: new Map([['main', 90]]) })[0]?.warns).toMatch(/estimated at 90/);
});

describe('nonsense is explained', () => {
	it.each([
		['flurble', /^Paper van has no habit, tank or instrument called “flurble”\. Try/],
		['fill', /How much\?/],
		['fill 900', /Main has 100\u00a0L usable; 900\u00a0L does not fit/],
		['fill cellar 20', /no tank for that called “cellar”/],
		['meter', /What does it show\?/],
		['rod', /How deep\?/],
		['rod 118 roll 60', /at most 45°/],
		['crew many', /How many/],
		['shower 5000', /not likely/],
		['yesterday', /What happened after that/],
		['note', /What is the note\?/],
		['yesterday 25:00 shower', /25:00 is not a time/],
		['shower 21:75', /21:75 is not a time/],
		['½', /½ of what\?/],
		['gauge grey 7/8', /What does Grey lights show\? One of “empty”, “1\/3”/]
	])('%s', (text, words) => expect(problemOf(text)).toMatch(words));
	it('an empty line is nothing', () => expect(understand('  ', context)).toEqual({ kind: 'nothing' }));
});

it('completes what is begun', () => {
	expect(completions('sh', context)).toContain('shower');
	expect(completions('gauge grey', context)).toContain('gauge grey 2/3');
	expect(completions('', context)).toEqual([]);
});

it('never fails, and whatever it understands is a valid entry', () => {
	const word = fc.constantFrom(
		'shower',
		'grey',
		'main',
		'fill',
		'dump',
		'full',
		'meter',
		'rod',
		'2/3',
		'12,5',
		'60',
		'L',
		'gal',
		'%',
		'yesterday',
		'21:30',
		'-2h',
		'note',
		'crew',
		'pour',
		'jug',
		'on',
		'mains',
		'<b>',
		'reset',
		'½',
		'and',
		',',
		'Zoe',
		'by',
		'laundry',
		'half',
		'empty',
		'all',
		'into',
		'yesterday evening',
		'tue 8am',
		'=',
		'guest',
		'left',
		'hooked up',
		'filter',
		'changed',
		'for 3 min',
		'🚿',
		'مرحبا',
		'__proto__',
		'constructor'
	);
	fc.assert(
		fc.property(
			fc.oneof(
				fc.string(),
				fc.array(word, { maxLength: 6 }).map((words) => words.join(' '))
			),
			(text) => {
				const found = matches(text);
				for (const match of found) {
					const { drafts } = match;
					const entries = drafts.map((draft, i) => ({ ...draft, id: `x${i}`, rig: 'rig' }) as Entry);
					const with_ = withAll(rig, match);
					expect(parseLogbook(logbookOf(entries, with_, [{ ...exactTrip, stops: [stop] }]))).toMatchObject({
						ok: true
					});
				}
				// No two choices in the same words, nor for the same thing.
				expect(new Set(found.map(({ says }) => says)).size).toBe(found.length);
				expect(new Set(found.map(({ drafts, adds }) => JSON.stringify([drafts, adds]))).size).toBe(
					found.length
				);
			}
		),
		{ numRuns: 400 }
	);
});

describe('jugs that take turns at the tap', () => {
	const jug = (id: string, name: string, feeds?: string) => ({
		id,
		name,
		holds: 'fresh' as const,
		nominalL: 20,
		reserveL: 0,
		portable: true,
		...(feeds ? { feeds } : {})
	});
	const car: Rig = {
		...exactRig,
		tanks: [jug('tap', 'Jug at the tap'), jug('one', 'Jug 1', 'tap'), jug('two', 'Jug 2', 'tap')],
		outlets: [{ id: 'sink', name: 'Tap', from: 'tap', to: 'ground' }],
		instruments: [],
		habits: [],
		measures: []
	};
	const levels = new Map([
		['tap', 0.2],
		['one', 12],
		['two', 20]
	]);
	it('swap jug: the one at the tap was seen empty, and the fullest takes its place', () => {
		const [found] = matches('swap jug', { rig: car, levels });
		expect(found?.drafts).toMatchObject([
			{ kind: 'mark', tank: 'tap', state: 'empty' },
			{ kind: 'transfer', fromTank: 'two', toTank: 'tap', until: 'from-empty' }
		]);
		expect(found?.drafts[0]?.at).toBe(found?.drafts[1]?.at);
		expect(found?.says).toBe('Jug at the tap empty, Jug 2 takes its place');
	});
	it('a can of 25 L for one of 10: what there is no room for stays in it', () => {
		const tanks = car.tanks.map((tank) =>
			tank.id === 'tap' ? { ...tank, nominalL: 10, usableL: 10 } : { ...tank, nominalL: 25, usableL: 25 }
		);
		const unequal = { ...car, tanks };
		const swapped = (two: number): unknown =>
			matches('swap jug', { rig: unequal, levels: new Map([...levels, ['two', two]]) })[0]?.drafts[1];
		expect(swapped(25)).toMatchObject({ fromTank: 'two', until: 'to-full' });
		expect(swapped(13)).toMatchObject({ fromTank: 'two', until: 'to-full' });
		expect(
			matches('swap jug 1', { rig: unequal, levels: new Map([['one', 8]]) })[0]?.drafts[1]
		).toMatchObject({
			until: 'from-empty'
		});
	});
	it('a jug that is named is the one, and an empty one is none', () => {
		expect(matches('swap jug 1', { rig: car, levels })[0]?.drafts[1]).toMatchObject({ fromTank: 'one' });
		expect(matches('swap jug', { rig: car, levels: new Map([...levels, ['two', 0.1]]) })).toHaveLength(1);
		const none = understand('swap jug', {
			...context,
			rig: car,
			levels: new Map([
				['one', 0],
				['two', 0]
			])
		});
		expect(none.kind === 'problem' && none.problem).toContain('No other jug is full');
	});
	it('a jug that is poured into a built-in tank is not swapped', () =>
		expect(problemOf('swap jug')).toContain('No other jug is full'));
});

describe('what flows in without a stop', () => {
	const source = {
		id: 'wm',
		name: 'Watermaker',
		into: 'main',
		litresEach: { mean: 40, sd: 10 },
		often: { times: 0.5, per: 'day' },
		potable: true
	} as const;
	const rain = { ...source, id: 'sheet', name: 'Rain sheet', potable: false };
	const boat: Rig = { ...exactRig, sources: [source, rain] };
	it.each([
		['watermaker 40 L', 'wm', 40],
		['made 60', 'wm', 60],
		['rain 15', 'sheet', 15],
		['rain sheet 12 L', 'sheet', 12]
	])('%s', (text, from, litres) =>
		expect(matches(text, { rig: boat }).map(({ drafts }) => drafts)).toMatchObject([
			[{ kind: 'fill', tank: 'main', litres, from }]
		])
	);
	it('a source that the rig lacks is offered with its first litres; how much is asked', () => {
		const [found] = matches('rain 15', { rig: exactRig });
		expect(found).toMatchObject({
			adds: { name: 'Rain', into: 'main', potable: false, litresEach: { mean: 15 } },
			drafts: [{ kind: 'fill', tank: 'main', litres: 15, from: 'rain' }],
			says: expect.stringContaining('Main filled from Rain with')
		});
		expect(problemOf('watermaker')).toContain('How much came in?');
	});
	it('what only sounds like it is something else', () =>
		expect(matches('shower', { rig: boat })[0]?.drafts).toMatchObject([{ kind: 'use' }]));
});

it('a denial is about a way to save only by its whole name', () => {
	// The rig has a way to save called "Short showers".
	expect(problemOf('no shower today')).toContain('did not happen');
	expect(matches('no short showers')[0]?.drafts).toMatchObject([
		{ kind: 'measure', measure: 'short', on: false }
	]);
});
