import { HOUR_MS } from '../../time/index.js';
import { describe, expect, it } from 'vitest';
import { exactRig, hoseMeter } from '../../../../tests/helpers/logbooks.js';
import type { Container, Rig } from '../../logbook/index.js';
import { stepsOf, type Fault, type Run, type Setup, type StayLoads } from '../../runs/index.js';
import { METRIC, type UnitChoice } from '../../units/index.js';
import {
	sayContainer,
	sayJugs,
	sayLoadOf,
	sayLoads,
	sayPayloadLeft,
	sayProgress,
	sayRule,
	sayRun,
	sayStayAt,
	sayStayLoads,
	sayStep,
	sayStepFault,
	sayWhenToGo
} from '../index.js';

const plain = (text: string | undefined): string => (text ?? '').replaceAll('\u00a0', ' ');
const tote: Container = {
	id: 'tote',
	name: 'Grey tote',
	carries: 'grey',
	capacityL: 100,
	headroomL: 5,
	tareKg: 6,
	count: 1,
	minutesPerLoad: 20
};
const rig: Rig = {
	...exactRig,
	tanks: exactRig.tanks.map((tank) => (tank.id === 'black' ? { ...tank, portable: true, tareKg: 4 } : tank)),
	instruments: [...exactRig.instruments, hoseMeter],
	containers: [tote]
};
const runOf = (setup: Setup): Run => ({
	id: 'r',
	rig: 'rig',
	begun: '2027-05-01T08:00:00Z',
	setup,
	answers: {}
});
const wordsOf = (setup: Setup, at: number, units: UnitChoice = METRIC) => {
	const run = runOf(setup);
	return sayStep(stepsOf(setup)[at]!, { rig, run, units });
};
const part = {
	tank: 'main',
	toFull: false,
	takeL: 41.4,
	roomL: { p10: 50, p50: 54, p90: 58 },
	levelL: 46,
	leavesL: 87.4,
	usableL: 100
};
const fill: Setup = {
	kind: 'fill',
	parts: [part],
	source: { potable: true },
	meter: { id: 'hose', reads: 431.6, since: 'as-logged' },
	flowLpm: 12,
	counters: []
};

describe('a fill in words', () => {
	it('one figure to watch, when it overflows, how long and how heavy', () => {
		const { figure, tells, done, other, caution } = wordsOf(fill, 1);
		expect(figure).toEqual({ says: 'Stop when Hose meter shows', value: '473.0' });
		const told = plain(tells.join(' '));
		expect(told).toContain('It overflows at about 485.6.');
		expect(told).toContain('About 3 min at 12 L a minute.');
		expect(told).toContain('46 L now, 87 L after: 41 kg heavier.');
		expect([done, other]).toEqual(['Done, it shows 473.0', 'Enter another figure']);
		expect(caution).toContain('vent open');
	});
	it('in gallons and pounds where one lives by them; without a meter, the amount itself', () => {
		const { meter: _none, ...bare } = fill;
		const { figure, tells } = wordsOf(bare, 1, { ...METRIC, volume: 'usGal', mass: 'lb' });
		expect(figure).toEqual({ says: 'Into Main', value: '10.9', unit: 'gal' });
		expect(plain(tells.join(' '))).toContain('91 lb heavier');
	});
	it('to the brim it is full when it comes back', () => {
		const { figure, done, other } = wordsOf({ ...fill, parts: [{ ...part, toFull: true, takeL: 54 }] }, 1);
		expect(figure?.says).toBe('Until it comes back: Hose meter at about');
		expect([done, other]).toEqual(['It is full', 'Stopped before that']);
	});
	it.each<[object, RegExp]>([
		[{ potable: true }, /drinking-water hose, and only where a sign or a person/],
		[{ potable: false }, /Marked not for drinking/],
		[{}, /Is it drinking water\?/],
		[{ potable: true, pressure: true }, /regulator, against burst pipes/]
	])('its caution goes by the source %j', (source, says) =>
		expect(wordsOf({ ...fill, source } as Setup, 0).caution).toMatch(says)
	);
	it('the payload is what is left after people and gear', () => {
		expect(plain(sayPayloadLeft(212, 41, METRIC))).toBe('That leaves 171 kg of the payload.');
		expect(plain(sayPayloadLeft(30, 41, METRIC))).toContain('41 kg is 11 kg more than the payload leaves');
	});
});

describe('a dump in words', () => {
	const order = [
		{ do: 'open-vent' },
		{ do: 'empty', tank: 'black', litres: 12 },
		{ do: 'backflush', tank: 'black', litres: 9 },
		{ do: 'empty', tank: 'black', litres: 9 },
		{ do: 'empty', tank: 'grey', litres: 43 },
		{ do: 'cap' },
		{ do: 'treat', tank: 'black', litres: 1 }
	] as const;
	const built: Rig = {
		...exactRig,
		tanks: exactRig.tanks.map((tank) => ({
			...tank,
			name: tank.id === 'black' ? 'Black' : tank.name,
			portable: false
		}))
	};
	const shared: Setup = {
		kind: 'dump',
		order,
		lines: [{ by: 'hose', tanks: ['black', 'grey'] }],
		flushedFrom: 'grey'
	};
	const told = (setup: Setup, of: Rig = built) => {
		const run = runOf(setup);
		return stepsOf(setup).map((step) => sayStep(step, { rig: of, run, units: METRIC }));
	};
	it('one outlet for both: checked before uncapping, black shut before grey opens, the hose on until the end', () => {
		const words = told(shared);
		const does = words.map((one) => plain(one.does)).join('\n');
		expect(does).toMatch(/every valve is shut[\s\S]*Bucket under the cap[\s\S]*Open Black[\s\S]*shut Black/);
		expect(does).toMatch(
			/shut Grey, then Black[\s\S]*Open Black again[\s\S]*shut Black[\s\S]*Open Grey[\s\S]*shut Grey/
		);
		// The hose comes off once, when all is shut.
		expect(does.match(/hose off/g)).toHaveLength(1);
		expect(does).toMatch(/Check that Black and Grey are shut.*hose off, cap on/);
		// Half a minute and the bowl, no litres.
		const flush = words.find(({ does: text }) => text.includes('half a minute'));
		expect(flush?.tells.join(' ')).toMatch(/bowl/);
		expect(flush?.does).not.toMatch(/\d/);
		expect(flush?.caution).toMatch(/black gets into Grey, Grey counts as black/);
		// A valve of 75 mm has no clock.
		expect(words.flatMap(({ tells }) => tells).join(' ')).not.toMatch(/\bmin\b/);
		expect(sayRule(shared, built)).toBe('Black first, grey last: so the hose ends rinsed.');
		expect(sayRun(shared, built, 'Tamsel Ford')).toBe('Dump Black and Grey at Tamsel Ford');
	});
	it('a small valve takes its time, by Torricelli: 43 L through 19 mm about 4 min', () => {
		const small: Rig = {
			...built,
			tanks: built.tanks.map((tank) => (tank.id === 'grey' ? { ...tank, drainMm: 19 } : tank))
		};
		const grey = told(shared, small).find(({ done }) => done === 'Grey is empty and shut');
		expect(plain(grey?.tells.join(' '))).toContain('About 43 L. About 4 min.');
	});
	it('a cassette: carried with its mass, vent button, rinsed twice, seal wiped, no tap water', () => {
		const setup: Setup = {
			kind: 'dump',
			order: [
				{ do: 'empty', tank: 'black', litres: 12 },
				{ do: 'rinse', tank: 'black' },
				{ do: 'treat', tank: 'black', litres: 1 }
			],
			lines: [{ by: 'cassette', tanks: ['black'] }]
		};
		const words = told(setup, rig);
		expect(plain(words[0]?.caution)).toContain('16 kg: bend your knees');
		const does = words.map((one) => plain(one.does)).join(' ');
		expect(does).toMatch(/carry it level.*vent button.*twice.*dose.*seal/);
		expect(does).not.toMatch(/hose/i);
		expect(words[2]?.caution).toContain('Never use the drinking-water hose');
	});
	it('a deck fitting: the right cap, the vent, the sight glass; never a hose of one’s own', () => {
		const deck: Setup = {
			...shared,
			order: order.filter((_, i) => i !== 2 && i !== 3),
			lines: [{ by: 'deck', tanks: ['black'] }]
		};
		const does = told(deck, { ...built, kind: 'boat' })
			.map((one) => one.does)
			.join(' ');
		expect(does).toMatch(/WASTE.*suction.*vent whistles or the sight glass.*cap on/);
		expect(does).not.toMatch(/[Hh]ose (end|on|off)/);
	});
	it('overboard and on the ground: whether it is allowed comes first, and seacock or valve are shut at the end', () => {
		const sea: Setup = {
			kind: 'dump',
			order: [{ do: 'empty', tank: 'grey', litres: 9 }],
			lines: [{ by: 'sea', tanks: ['grey'] }]
		};
		const words = told(sea, { ...built, kind: 'boat' });
		expect(words[0]?.caution).toMatch(/no-discharge areas.*rules differ.*grey too/);
		expect(words.at(-2)?.does).toMatch(/Shut the seacock.*Y-valve to the tank.*secure/);
		const ground: Setup = { ...sea, lines: [{ by: 'ground', tanks: ['grey'] }] };
		expect(told(ground)[0]?.caution).toMatch(/only where local rules allow it.*Never black/);
	});
	it('every step of every kind says what to do and how it ends; what is opened is shut', () => {
		for (const by of ['hose', 'deck', 'pumped', 'sea', 'ground', 'cassette', 'bottle', 'carried'] as const) {
			const setup: Setup = { ...shared, lines: [{ by, tanks: ['black', 'grey'] }] };
			for (const { does, done, caution } of told(setup)) {
				expect(does, by).toMatch(/^[A-Z0-9].*[.]$/);
				expect(done, by).toMatch(/^[A-Z]/);
				if (caution !== undefined) expect(caution, by).toMatch(/^[A-Z].*[.?]$/);
			}
		}
	});
});

describe('a tote in words', () => {
	const setup: Setup = {
		kind: 'tote',
		tank: 'grey',
		container: 'tote',
		litres: 120,
		capacityL: 100,
		keepFreeL: 17,
		hoseL: 12,
		tareKg: 6,
		partL: 0,
		emptyFirst: false
	};
	it('shut it at 83 L: the hose brings 12 more, 95 of 100; 101 kg: strap, walking pace', () => {
		const words = wordsOf(setup, 1);
		expect(words.figure).toEqual({ says: 'Shut Grey when Grey tote holds', value: '83', unit: 'L' });
		expect(plain(words.tells[0])).toBe('The hose brings 12 L more: 95 L then, of 100 L.');
		expect(plain(wordsOf(setup, 3).does)).toContain('101 kg');
		expect(wordsOf(setup, 3).caution).toContain('walking pace');
		expect(sayProgress(runOf(setup), stepsOf(setup)[5]!)).toBe('load 2 of 2');
		expect(wordsOf(setup, 5).done).toBe('It runs dry');
		// The tank may hold more than is believed: the last load has its brim too.
		expect(plain(wordsOf(setup, 5).does)).toBe(
			'Open Grey until it runs dry or Grey tote holds 83 L; shut it.'
		);
	});
	it('when to go, by the meter and the day', () => {
		const when = {
			tank: 'grey',
			container: 'tote',
			fitsL: 88,
			runsL: 40,
			atMs: Date.parse('2027-05-05T19:00:00Z'),
			meter: { id: 'pump', reads: 472 }
		};
		const now = Date.parse('2027-05-03T08:00:00Z');
		expect(plain(sayWhenToGo(rig, when, now, 'Etc/UTC', METRIC))).toBe(
			'Grey will just fill Grey tote when Pump meter shows 472.0: Wednesday evening, 88 L.'
		);
		expect(plain(sayWhenToGo(rig, { ...when, atMs: now, runsL: 95 }, now, 'Etc/UTC', METRIC))).toContain(
			'go now, and shut the valve in time'
		);
	});
	it('a whole stay, before one books it', () => {
		const stay: StayLoads = {
			container: 'tote',
			litres: 400,
			mostL: 460,
			loads: 5,
			mostLoads: 6,
			trips: 5,
			everyDays: 2.8,
			days: 14,
			minutesEach: 20,
			minutes: 100,
			heaviestKg: 94
		};
		expect(plain(sayStayLoads(stay, METRIC))).toBe(
			'Five loads, one every third day, 20 min each; the fullest weighs 94 kg. It may be six.'
		);
		const stop = {
			id: 's',
			name: 'Rook Moor',
			arrive: '2027-05-03T12:00:00Z',
			depart: '2027-05-17T12:00:00Z',
			legKm: 0,
			services: []
		};
		expect(plain(sayStayAt(stop, tote, stay, METRIC))).toContain(
			'Two weeks at Rook Moor with Grey tote: five loads'
		);
		expect(plain(sayStayAt(stop, tote, { ...stay, days: 1.2 }, METRIC))).toContain(
			'The last day at Rook Moor'
		);
		expect(plain(sayStayLoads({ ...stay, loads: 0, trips: 0 }, METRIC))).toBe('No loads needed.');
		expect(plain(sayContainer(tote, METRIC))).toBe(
			'100 L for grey water, 101 kg full, 20 min there and back'
		);
	});
});

it('what is lifted is minded from 15 kg on, and not lifted alone from 25', () => {
	expect(sayLoadOf(14.9, METRIC)).toBeUndefined();
	expect(plain(sayLoadOf(21, METRIC))).toContain('bend your knees');
	expect(plain(sayLoadOf(26, METRIC))).toContain('lift it together');
	expect(
		plain(
			sayLoads({ keepFreeL: 0, loads: 3, trips: 2, loadL: [20, 20, 10], minutes: 18, heaviestKg: 21 }, METRIC)
		)
	).toBe('3 loads in 2 trips, 20 min; the fullest weighs 21 kg.');
});

it('jugs that take turns last one after another', () => {
	const now = Date.parse('2027-05-03T08:00:00Z');
	const says = (spares: readonly { name: string; addsDays: number }[], bindsMs?: number): string =>
		sayJugs('Jug at the tap', bindsMs, spares, now, 'Etc/UTC');
	expect(says([{ name: 'Spare jug', addsDays: 2 }], now + 12 * HOUR_MS)).toBe(
		'Jug at the tap until this evening, then Spare jug: 2 days more, until Wednesday evening.'
	);
	expect(says([], now + 12 * HOUR_MS)).toContain('no other jug is full');
	expect(says([])).toContain('longer than the forecast looks ahead');
});

it.each<[Fault, RegExp]>([
	[{ kind: 'backwards', from: 431.6, shows: 413, counts: 'up' }, /413\.0 is below the 431\.6 it started at/],
	[{ kind: 'backwards', from: 98, shows: 120, counts: 'down' }, /120\.0 is above the 98\.0/],
	[{ kind: 'stopped' }, /counter is at 0/],
	[{ kind: 'beyond', tank: 'main', litres: 300, roomL: 54 }, /300 L, and Main had room for about 54 L/],
	[
		{ kind: 'over-full', container: 'tote', litres: 120, fitsL: 100 },
		/Grey tote has room for 100 L; 120 L does not fit/
	],
	[
		{ kind: 'more-than-holds', tank: 'grey', litres: 300, holdsL: 80 },
		/Grey holds 80 L; 300 L can’t be right/
	],
	[{ kind: 'negative', litres: -1 }, /0 or more/]
])('what does not fit is said with what to do: %j', (fault, says) =>
	expect(plain(sayStepFault(fault, rig, METRIC))).toMatch(says)
);
