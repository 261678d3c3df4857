import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	anyEntries,
	entry,
	exactRig,
	exactTrip,
	freshStart,
	logbookOf,
	spareJug
} from '../../../tests/helpers/logbooks.js';
import type { Entry, EntryDraft, Logbook, Rig, Trip } from '../logbook/index.js';
import { basisOf, estimate, personsAt, readLevels, withEntry } from './index.js';

const noon = (day: number): string => `2027-05-${String(day).padStart(2, '0')}T12:00:00Z`;
const levels = (entries: readonly Entry[], at = noon(2), rig: Rig = exactRig) =>
	readLevels(estimate(logbookOf(entries, rig), 'rig', Date.parse(at)));
const litresIn = (entries: readonly Entry[], tank: string, at?: string, rig?: Rig): number =>
	levels(entries, at, rig).tanks.find(({ id }) => id === tank)?.litres ?? Number.NaN;
/** The exact rig, started from known levels: nothing but a measured fill into an emptied tank. */
const known = (...drafts: EntryDraft[]): readonly Entry[] => [
	entry({ kind: 'dump', at: '2027-05-01T05:00:00Z', tank: 'main', to: 'empty' }),
	entry({ kind: 'dump', at: '2027-05-01T05:00:00Z', tank: 'grey', to: 'empty' }),
	entry({ kind: 'dump', at: '2027-05-01T05:00:00Z', tank: 'black', to: 'empty' }),
	entry({ kind: 'fill', at: '2027-05-01T06:00:00Z', tank: 'main', litres: 80, sdL: 0 }),
	...drafts.map((draft) => entry(draft))
];
const withTank = (id: string, change: Partial<Rig['tanks'][number]>): Rig => ({
	...exactRig,
	tanks: exactRig.tanks.map((tank) => (tank.id === id ? { ...tank, ...change } : tank))
});

describe('what is in the tanks, by hand', () => {
	it('80 L in, two showers of 8 and a wash-up of 6: 58 left, 22 in grey', () => {
		const log = known(
			{ kind: 'use', at: noon(1), habit: 'shower', times: 2 },
			{ kind: 'use', at: noon(1), habit: 'dishes', times: 1 }
		);
		expect(litresIn(log, 'main')).toBeCloseTo(58, 9);
		expect(litresIn(log, 'grey')).toBeCloseTo(22, 9);
	});
	it('a flush of 0.5 L adds 0.75 L to the cassette', () => {
		const log = known({ kind: 'use', at: noon(1), habit: 'flush', times: 4 });
		expect(litresIn(log, 'main')).toBeCloseTo(78, 9);
		expect(litresIn(log, 'black')).toBeCloseTo(3, 9);
	});
	it('a dump leaves the residue, and a measured dump takes what was measured', () => {
		const rig = withTank('grey', { residualL: 2 });
		const wash: EntryDraft = { kind: 'use', at: noon(1), habit: 'dishes', times: 5 };
		expect(
			litresIn(known(wash, { kind: 'dump', at: noon(2), tank: 'grey', to: 'empty' }), 'grey', noon(2), rig)
		).toBeCloseTo(2, 1);
		expect(
			litresIn(known(wash, { kind: 'dump', at: noon(2), tank: 'grey', litres: 12, sdL: 0 }), 'grey')
		).toBeCloseTo(18, 9);
	});
	it('a transfer moves, a measure in force halves, a hook-up spares the tank and fills grey', () => {
		const rig = { ...exactRig, tanks: [...exactRig.tanks, spareJug] };
		const poured = known(
			{ kind: 'dump', at: noon(1), tank: 'jug', to: 'empty' },
			{ kind: 'fill', at: noon(1), tank: 'jug', litres: 15, sdL: 0 },
			{ kind: 'transfer', at: noon(2), fromTank: 'jug', toTank: 'main', until: 'from-empty' }
		);
		expect(litresIn(poured, 'main', noon(2), rig)).toBeCloseTo(95, 9);
		const short = known(
			{ kind: 'measure', at: noon(1), measure: 'short', on: true },
			{ kind: 'use', at: noon(2), habit: 'shower', times: 1 }
		);
		expect(litresIn(short, 'main')).toBeCloseTo(76, 9);
		const hooked = known(
			{ kind: 'hookup', at: noon(1), mains: true, sewer: false },
			{ kind: 'use', at: noon(2), habit: 'shower', times: 1 }
		);
		expect(litresIn(hooked, 'main')).toBeCloseTo(80, 9);
		expect(litresIn(hooked, 'grey')).toBeCloseTo(8, 9);
	});
	it('two joined tanks stand level: each holds its share', () => {
		const rig: Rig = {
			...exactRig,
			tanks: [
				...exactRig.tanks,
				{ id: 'aft', name: 'Aft', holds: 'fresh', nominalL: 60, usableL: 60, reserveL: 0, joined: 'main' }
			]
		};
		expect(litresIn(known({ kind: 'note', at: noon(1), text: 'calm' }), 'aft', noon(1), rig)).toBeCloseTo(
			30,
			9
		);
	});
	it('at a moment counts only what was before it, and void entries not at all', () => {
		const log = known(
			{ kind: 'use', at: noon(3), habit: 'shower', times: 1 },
			{ kind: 'use', at: noon(1), habit: 'shower', times: 1, void: true }
		);
		expect(litresIn(log, 'main', noon(2))).toBeCloseTo(80, 9);
	});
});

describe('laws', () => {
	const exact = known();
	it('the order in which entries stand in the file does not matter', () =>
		fc.assert(
			fc.property(anyEntries, fc.infiniteStream(fc.nat()), (entries, salt) => {
				const keyed = entries.map((e) => ({ e, key: salt.next().value as number }));
				const shuffled = keyed.sort((a, b) => a.key - b.key).map(({ e }) => e);
				expect(levels(shuffled, noon(11))).toEqual(levels(entries, noon(11)));
			}),
			{ numRuns: 40 }
		));
	it('litres in less litres out are litres held', () =>
		fc.assert(
			fc.property(
				fc.array(
					fc.tuple(fc.constantFrom('fill', 'shower', 'flush', 'grey'), fc.integer({ min: 0, max: 4 }))
				),
				(moves) => {
					let [main, grey, black] = [80, 0, 0];
					const drafts = moves.flatMap(([what, amount]): EntryDraft[] => {
						const minute = { at: noon(1) };
						if (what === 'fill' && main + amount <= 100) main += amount;
						else if (what === 'shower' && main >= 8 * amount && grey + 8 * amount <= 80)
							[main, grey] = [main - 8 * amount, grey + 8 * amount];
						else if (what === 'flush' && main >= amount && black + amount <= 20)
							[main, black] = [main - 0.5 * amount, black + 0.75 * amount];
						else if (what === 'grey' && grey >= amount) grey -= amount;
						else return [];
						if (what === 'fill') return [{ ...minute, kind: 'fill', tank: 'main', litres: amount, sdL: 0 }];
						if (what === 'grey') return [{ ...minute, kind: 'dump', tank: 'grey', litres: amount, sdL: 0 }];
						return [{ ...minute, kind: 'use', habit: what, times: amount }];
					});
					const log = [...exact, ...drafts.map((draft) => entry(draft))];
					expect(litresIn(log, 'main')).toBeCloseTo(main, 6);
					expect(litresIn(log, 'grey')).toBeCloseTo(grey, 6);
					expect(litresIn(log, 'black')).toBeCloseTo(black, 6);
				}
			)
		));
	it('levels stay within the tank, whatever is written', () =>
		fc.assert(
			fc.property(anyEntries, (entries) => {
				for (const { low, litres, high, usableL } of levels(entries, noon(11)).tanks) {
					expect(low).toBeGreaterThanOrEqual(0);
					expect(litres).toBeGreaterThanOrEqual(low - 1e-9);
					expect(high).toBeGreaterThanOrEqual(litres - 1e-9);
					expect(high).toBeLessThanOrEqual(usableL + 1e-9);
				}
			}),
			{ numRuns: 60 }
		));
	it('one more entry at the end is the same as a replay with it', () => {
		const shower = entry({ kind: 'use', at: noon(2), habit: 'shower', times: 2 });
		const before = estimate(logbookOf(exact), 'rig', Date.parse(noon(2)));
		expect(readLevels(withEntry(before, shower)).tanks).toEqual(levels([...exact, shower]).tanks);
	});
});

const doubtful: Rig = {
	...exactRig,
	unlogged: { mean: 1, sd: 1 },
	habits: exactRig.habits.map((habit) => ({
		...habit,
		litresEach: { mean: habit.litresEach.mean, sd: 0.25 * habit.litresEach.mean }
	}))
};

describe('readings', () => {
	const uses = [1, 2, 3].flatMap((day): EntryDraft[] => [
		{ kind: 'use', at: noon(day), habit: 'shower', times: 1 },
		{ kind: 'use', at: noon(day), habit: 'dishes', times: 2 }
	]);
	const started = (...more: EntryDraft[]): readonly Entry[] => [
		...freshStart(),
		entry({ kind: 'reading', at: '2027-05-01T06:00:00Z', instrument: 'pump', value: 0, reset: true }),
		...[...uses, ...more].map((draft) => entry(draft))
	];
	it('a pump meter corrects fresh, grey and the habits together', () => {
		const before = levels(started(), noon(4), doubtful);
		const after = levels(
			started({ kind: 'reading', at: noon(4), instrument: 'pump', value: 80 }),
			noon(4),
			doubtful
		);
		expect(after.tanks[0]?.litres).toBeCloseTo(20, -0.3);
		expect(after.tanks[0]?.sd).toBeLessThan(0.5 * (before.tanks[0]?.sd ?? 0));
		expect(after.tanks[1]?.litres).toBeGreaterThan((before.tanks[1]?.litres ?? 0) + 5);
		expect(after.habits[0]?.litresEach).toBeGreaterThan(before.habits[0]?.litresEach ?? 0);
	});
	it('a habit measured five times comes near the mean of what was measured', () => {
		const measured = [10.2, 9.6, 10.4, 9.9, 10.1].map((litres, i): EntryDraft => ({
			kind: 'use',
			at: noon(i + 1),
			habit: 'shower',
			times: 1,
			litres
		}));
		const habit = levels([...freshStart(), ...measured.map((draft) => entry(draft))], noon(6), doubtful)
			.habits[0];
		expect(Math.abs((habit?.litresEach ?? 0) - 10.04)).toBeLessThan(0.5);
		expect(habit?.times).toBe(5);
	});
	it('a stuck gauge is doubted, and moves no level by a tenth of its tank', () => {
		const stuck = [1, 2, 3].map((day): EntryDraft => ({
			kind: 'reading',
			at: `2027-05-0${day}T07:00:00Z`,
			instrument: 'lights',
			value: 'full'
		}));
		const plain = levels(started(), noon(4), doubtful);
		const lied = levels(started(...stuck), noon(4), doubtful);
		expect(lied.doubts.length).toBeGreaterThanOrEqual(2);
		expect(lied.doubts[0]?.cause.kind).toBe('unexplained');
		expect(Math.abs((lied.tanks[1]?.litres ?? 0) - (plain.tanks[1]?.litres ?? 0))).toBeLessThan(8);
	});
	it('the person may insist', () => {
		const insisted: EntryDraft = {
			kind: 'reading',
			at: noon(3),
			instrument: 'lights',
			value: 'full',
			trusted: true
		};
		const answer = levels(started(insisted), noon(3), doubtful);
		expect(answer.doubts).toEqual([]);
		expect(answer.tanks[1]?.litres).toBeGreaterThan(65);
	});
	it('a down counter that was set anew counts from there, and says nothing of the level', () => {
		const rig: Rig = {
			...doubtful,
			instruments: [
				{
					id: 'pump',
					kind: 'meter',
					name: 'Pump',
					place: 'pump',
					tank: 'main',
					unitL: 3.785411784,
					counts: 'down'
				}
			]
		};
		const log = [
			...freshStart(),
			entry({ kind: 'reading', at: '2027-05-01T06:00:00Z', instrument: 'pump', value: 26, reset: true }),
			entry({ kind: 'reading', at: noon(3), instrument: 'pump', value: 18 })
		];
		expect(levels(log, noon(3), rig).tanks[0]?.litres).toBeCloseTo(100 - 8 * 3.785411784, -0.5);
	});
	it('a meter that shows less than it was set to is said to have been reset; below nothing it is not read at all', () => {
		const log = started(
			{ kind: 'reading', at: noon(2), instrument: 'pump', value: 40, reset: true },
			{ kind: 'reading', at: noon(4), instrument: 'pump', value: 60 },
			{ kind: 'reading', at: noon(5), instrument: 'pump', value: 12 },
			{ kind: 'reading', at: noon(6), instrument: 'pump', value: -1 }
		);
		expect(levels(log, noon(6), doubtful).doubts.map(({ cause }) => cause)).toEqual([
			{ kind: 'reset', shows: 12, from: 40, counts: 'up' },
			{ kind: 'below-nothing', shows: -1 }
		]);
	});
	it('a countdown written down with a digit too many was not reset: the next reading goes on from the one before', () => {
		const rig: Rig = {
			...doubtful,
			instruments: [
				{ id: 'left', kind: 'meter', name: 'Left', place: 'pump', tank: 'main', unitL: 1, counts: 'down' }
			]
		};
		const reads = (day: number, value: number, reset?: true) =>
			entry({ kind: 'reading', at: noon(day), instrument: 'left', value, ...(reset ? { reset } : {}) });
		const of = (...read: readonly Entry[]) =>
			levels([...freshStart(), reads(1, 900, true), ...read], noon(4), rig);
		const typed = of(reads(2, 8870), reads(3, 874), reads(4, 861));
		const right = of(reads(2, 887), reads(3, 874), reads(4, 861));
		expect(typed.doubts.map(({ cause }) => cause)).toEqual([{ kind: 'mistyped', shows: 8870, meant: 887 }]);
		expect(typed.tanks[0]?.litres).toBeCloseTo(right.tanks[0]?.litres ?? 0, -0.3);
		// one that goes on from the new figure was reset, whatever it looked like
		const set = of(reads(2, 8870), reads(3, 8857), reads(4, 8844));
		expect(set.doubts.map(({ cause }) => cause.kind)).toEqual(['reset']);
		expect(set.tanks[0]?.litres).toBeLessThan(levels(freshStart(), noon(4), rig).tanks[0]?.litres ?? 0);
	});
	it('a countdown that stands at 0 says: that much or more', () => {
		const rig: Rig = {
			...doubtful,
			instruments: [
				{ id: 'left', kind: 'meter', name: 'Left', place: 'pump', tank: 'main', unitL: 1, counts: 'down' }
			]
		};
		// set to 30, and 36 L of uses are written down after it
		const set = entry({ kind: 'reading', at: noon(1), instrument: 'left', value: 30, reset: true });
		const washed = entry({ kind: 'use', at: noon(2), habit: 'dishes', times: 6 });
		const shows = (value: number) => entry({ kind: 'reading', at: noon(3), instrument: 'left', value });
		const at = (value: number) => levels([...freshStart(), set, washed, shows(value)], noon(3), rig);
		expect(at(0).doubts).toEqual([]);
		expect(at(0).tanks[0]?.litres).toBeLessThan(66);
		// the same figure above 0 is exact: 29 L were drawn, whatever was written
		expect(at(1).tanks[0]?.litres).toBeGreaterThan(68);
	});
	it('behind a countdown that was set to 60 and stands at 0, no more than 140 of 200 L are left', () => {
		const rig: Rig = {
			...withTank('main', { nominalL: 200, usableL: 200 }),
			unlogged: undefined,
			instruments: [
				{ id: 'left', kind: 'meter', name: 'Left', place: 'pump', tank: 'main', unitL: 1, counts: 'down' }
			]
		};
		const reads = (day: number, value: number, reset?: true) =>
			entry({ kind: 'reading', at: noon(day), instrument: 'left', value, ...(reset ? { reset } : {}) });
		const full = entry({ kind: 'fill', at: noon(1), tank: 'main', to: 'full' });
		const { tanks } = levels([...freshStart(), full, reads(1, 60, true), reads(4, 0)], noon(4), rig);
		expect(tanks[0]?.high).toBeLessThan(140.1);
		expect(tanks[0]?.litres).toBeLessThan(138);
	});
	it('a float in a tank that leans is known less well, and not doubted for it', () => {
		const bar = {
			id: 'bar',
			kind: 'gauge',
			name: 'Bar',
			tank: 'main',
			curve: [
				{ reads: 0, litres: 0 },
				{ reads: 100, litres: 100 }
			]
		} as const;
		const rig: Rig = { ...exactRig, instruments: [bar] };
		const reads = (rollDeg?: number) => [
			...freshStart(),
			entry({ kind: 'reading', at: noon(1), instrument: 'bar', value: 78, ...(rollDeg ? { rollDeg } : {}) })
		];
		expect(levels(reads(), noon(1), rig).doubts).toHaveLength(1);
		expect(levels(reads(15), noon(1), rig).doubts).toEqual([]);
		expect(levels(reads(-15), noon(1), rig).doubts).toEqual([]);
	});
	it('a counter that rolls over does so again and again', () => {
		const totals = [9985, 9, 30, 51, 72];
		const log = totals.map((value, i) =>
			entry({ kind: 'reading', at: `2027-05-0${i + 1}T07:00:00Z`, instrument: 'pump', value })
		);
		const { doubts, tanks } = levels([...freshStart(), ...log], '2027-05-05T07:00:00Z', doubtful);
		expect(doubts).toEqual([]);
		// 87 L have passed it
		expect(tanks[0]?.litres).toBeCloseTo(13, -0.7);
	});
	it('a missed fill: the first dip against the belief is doubted, the second moves it', () => {
		const rig: Rig = {
			...withTank('main', { shape: { form: 'box', lengthMm: 1000, widthMm: 500, heightMm: 200 } }),
			instruments: [{ id: 'rod', kind: 'rod', name: 'Rod', tank: 'main' }]
		};
		const dip = (day: number, value: number): EntryDraft => ({
			kind: 'reading',
			at: `2027-05-0${day}T20:00:00Z`,
			instrument: 'rod',
			value
		});
		const log = [...freshStart(), ...[...uses, dip(1, 160), dip(2, 190)].map((draft) => entry(draft))];
		expect(levels(log, '2027-05-02T21:00:00Z', rig).doubts).toHaveLength(1);
		const twice = [
			...log,
			entry({ kind: 'reading', at: '2027-05-02T21:00:00Z', instrument: 'rod', value: 189 })
		];
		expect(levels(twice, '2027-05-02T22:00:00Z', rig).tanks[0]?.litres).toBeCloseTo(94.7, -0.3);
	});
});

it('rests on entries back to the last full or empty, their shares adding to one', () => {
	const log = [...freshStart(), entry({ kind: 'use', at: noon(1), habit: 'shower', times: 1 })];
	const known = estimate(logbookOf(log), 'rig', Date.parse(noon(2)));
	const basis = basisOf(known, ['main']).get('main') ?? [];
	expect(basis.map(({ entry: id }) => id)).toEqual([log[3]?.id, log[0]?.id]);
	expect(basis.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 12);
});

describe('a tank known only by its plate', () => {
	const plates: Rig = {
		...withTank('main', { nominalL: 110, usableL: undefined }),
		habits: exactRig.habits.map((habit) => ({ ...habit }))
	};
	it('serves 92 ± 5 % of it until something teaches more', () => {
		const { usableL, usableSdL, litres } = levels(freshStart(), noon(1), plates).tanks[0]!;
		expect(usableL).toBeCloseTo(101.2, -0.3);
		expect(usableSdL).toBeCloseTo(5.5, 1);
		expect(litres).toBeGreaterThan(70);
	});
	it('a tank run dry and filled to the brim with measured litres tells what it serves', () => {
		const log = [1, 2, 3].flatMap((day): readonly Entry[] => [
			entry({ kind: 'mark', at: `2027-05-0${day}T06:00:00Z`, tank: 'main', state: 'empty' }),
			entry({ kind: 'fill', at: `2027-05-0${day}T07:00:00Z`, tank: 'main', to: 'full', litres: 95, sdL: 2 })
		]);
		const { usableL, usableSdL, high } = levels(log, '2027-05-03T07:00:00Z', plates).tanks[0]!;
		expect(usableL).toBeCloseTo(95.4, 0);
		expect(usableSdL).toBeLessThan(1.6);
		expect(high).toBeLessThan(99);
	});
	it('what is measured is without doubt', () =>
		expect(levels(freshStart()).tanks.map(({ usableSdL }) => usableSdL)).toEqual([0, 0, 0]));
});

it('a jug poured out keeps a few drops, and says so; by the word of a rig that knows all exactly it is empty', () => {
	const rig = {
		...exactRig,
		unlogged: undefined,
		tanks: [...exactRig.tanks, { ...spareJug, nominalL: 15, usableL: 15 }]
	};
	const poured = [
		entry({ kind: 'fill', at: noon(1), tank: 'jug', to: 'full' }),
		entry({ kind: 'transfer', at: noon(2), fromTank: 'jug', toTank: 'main', until: 'from-empty' })
	];
	const { litres, sd, low, high } = levels(poured, noon(2), rig).tanks.at(-1)!;
	expect(low).toBe(0);
	expect(litres).toBeGreaterThan(0);
	expect(high).toBeGreaterThan(litres);
	expect(high).toBeLessThan(0.5);
	expect(sd).toBeLessThan(0.2);
	const exact = levels(poured, noon(2), { ...rig, unlogged: { mean: 0, sd: 0 } }).tanks.at(-1)!;
	expect(exact).toMatchObject({ litres: 0, sd: 0, high: 0 });
});

it('tanks that say both of the other that they stand level are one pool, as when one of them says so', () => {
	const aft = { id: 'aft', name: 'Aft', holds: 'fresh', nominalL: 60, usableL: 60, reserveL: 0 } as const;
	const joined = (main: object, other: object): Rig => {
		const { tanks, ...rest } = withTank('main', main);
		return { ...rest, tanks: [...tanks, { ...aft, ...other }] };
	};
	const log = known({ kind: 'note', at: noon(1), text: 'calm' });
	const one = levels(log, noon(1), joined({}, { joined: 'main' })).tanks;
	expect(levels(log, noon(1), joined({ joined: 'aft' }, { joined: 'main' })).tanks).toEqual(one);
	expect(levels(log, noon(1), joined({ joined: 'aft' }, {})).tanks).toEqual(one);
	expect(one.at(-1)?.litres).toBeCloseTo(30, 9);
});

describe('a preview', () => {
	const doubtful = { ...exactRig, unlogged: undefined };
	const day = (n: number) => known({ kind: 'use', at: noon(n), habit: 'dishes', times: 2 });
	it('lets no time pass: an entry that moves nothing leaves the belief as it is', () => {
		const now = estimate(logbookOf(day(1), doubtful), 'rig', Date.parse('2027-05-02T11:59:50Z'));
		const note = entry({ kind: 'note', at: '2027-05-02T18:30:00Z', text: 'calm' });
		expect(withEntry(now, note).belief).toEqual(now.belief);
	});
	it('of a crew entry counts them from then on', () => {
		const now = estimate(logbookOf(day(1), doubtful), 'rig', Date.parse(noon(2)));
		const guests = entry({ kind: 'crew', at: noon(2), persons: 4 });
		expect(personsAt(withEntry(now, guests).model.crew, now.atMs)).toBe(4);
		expect(personsAt(now.model.crew, now.atMs)).toBe(2);
	});
});

describe('whose day', () => {
	const loose: Rig = {
		...exactRig,
		unlogged: undefined,
		habits: exactRig.habits.map((habit) => ({ ...habit, often: { ...habit.often, sd: undefined } }))
	};
	/** What is drawn from Main between two hours of UTC on the second of May. */
	const drawn = (fromHour: number, toHour: number, of: Logbook, home?: string): number => {
		const [before = 0, after = 0] = [fromHour, toHour].map((hour) => {
			const options = home === undefined ? {} : { home };
			const { tanks } = readLevels(estimate(of, 'rig', Date.UTC(2027, 4, 2, hour), options));
			return tanks[0]?.litres;
		});
		return before - after;
	};
	const noTrip = logbookOf(freshStart(), loose, []);
	it('without a trip it is that of the rig’s person: at 18:00 UTC it is night in Tokyo', () => {
		expect(drawn(16, 17, noTrip, 'Asia/Tokyo')).toBeLessThan(0.2 * drawn(16, 17, noTrip, 'Europe/Paris'));
		const kept = logbookOf(freshStart(), { ...loose, timeZone: 'Asia/Tokyo' }, []);
		expect(drawn(16, 17, kept)).toBeCloseTo(drawn(16, 17, noTrip, 'Asia/Tokyo'), 9);
	});
	it('a trip that is months ahead, or over, does not change it', () => {
		const trip = (from: string, to: string): Trip => ({ ...exactTrip, timeZone: 'Asia/Tokyo', from, to });
		const home = drawn(16, 17, noTrip, 'Europe/Paris');
		for (const [from, to] of [
			['2027-08-01', '2027-08-12'],
			['2027-04-01', '2027-04-12']
		] as const) {
			const planned = logbookOf(freshStart(), loose, [trip(from, to)]);
			expect(drawn(16, 17, planned, 'Europe/Paris')).toBeCloseTo(home, 9);
		}
		const under = logbookOf(freshStart(), loose, [trip('2027-05-01', '2027-05-12')]);
		expect(drawn(16, 17, under, 'Europe/Paris')).toBeLessThan(0.2 * home);
	});
	it('where not known, the last entry’s own offset tells', () => {
		const written = freshStart('2027-05-01T15:00:00+09:00');
		expect(drawn(16, 17, logbookOf(written, loose, []))).toBeLessThan(
			0.2 * drawn(4, 5, logbookOf(written, loose, []))
		);
	});
});
