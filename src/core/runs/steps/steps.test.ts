import { HOUR_MS } from '../../time/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	countdown,
	entry,
	exactRig,
	freshStart,
	hoseMeter,
	logbookOf
} from '../../../../tests/helpers/logbooks.js';
import { estimate, levelOf, expectedMeter, type Estimate } from '../../estimate/index.js';
import {
	instantMs,
	parseLogbook,
	type Container,
	type Entry,
	type EntryDraft,
	type Rig
} from '../../logbook/index.js';
import {
	allEntriesOf,
	carrySetup,
	counterSetting,
	dumpSetup,
	entriesOf,
	faultOf,
	fillSetup,
	fitsRig,
	keysOf,
	markOf,
	passedSince,
	readRun,
	soFar,
	currentStep,
	stepsOf,
	toteSetup,
	type StepAnswer,
	type FillWish,
	type Run,
	type Setup
} from '../index.js';

const at = '2027-05-02T06:00:00Z';
const tote: Container = {
	id: 'tote',
	name: 'Tote',
	carries: 'grey',
	capacityL: 25,
	headroomL: 3,
	tareKg: 4,
	count: 1,
	minutesPerLoad: 15
};
const rig: Rig = {
	...exactRig,
	tanks: [
		...exactRig.tanks,
		{ id: 'jug', name: 'Jug', holds: 'fresh', nominalL: 20, usableL: 20, reserveL: 0, feeds: 'main' },
		{ id: 'spare', name: 'Spare', holds: 'fresh', nominalL: 20, usableL: 20, reserveL: 0, feeds: 'main' },
		{ id: 'tank', name: 'Black', holds: 'black', nominalL: 80, usableL: 80, reserveL: 8 }
	],
	instruments: [...exactRig.instruments, hoseMeter, countdown],
	containers: [tote]
};
const before: readonly EntryDraft[] = [
	{ kind: 'reading', at: '2027-05-01T06:30:00Z', instrument: 'hose', value: 431.6 },
	{ kind: 'use', at: '2027-05-01T12:00:00Z', habit: 'dishes', times: 10 }
];
const log = [...freshStart(), ...before.map((draft) => entry(draft))];
const now = (entries: readonly Entry[] = log): Estimate =>
	estimate(logbookOf(entries, rig, []), 'rig', instantMs(at) + HOUR_MS);
/** With grey enough to flush black by. */
const greyLog: readonly Entry[] = [
	...log,
	entry({ kind: 'fill', at: '2027-05-01T13:00:00Z', tank: 'grey', litres: 30, sdL: 0 }),
	entry({ kind: 'fill', at: '2027-05-01T13:00:00Z', tank: 'tank', litres: 20, sdL: 0 })
];
const nowWithGrey = (): Estimate => now(greyLog);
const source = { potable: true } as const;
const filling = (wish: Partial<FillWish> = {}): Setup =>
	fillSetup(now(), log, {
		tanks: [{ tank: 'main', target: { kind: 'litres', litres: 41.4 } }],
		source,
		meter: { id: 'hose', reads: 431.6 },
		...wish
	});
const begun = (setup: Setup | undefined): Run => {
	if (!setup) throw new Error('nothing was set up');
	return { id: '0190a0b0-0000-7000-8000-000000000001', rig: 'rig', begun: at, setup, answers: {} };
};

/** Answers each step as it comes, those named as they are named, and takes the rest as done. */
function lived(run: Run, answers: Readonly<Record<string, StepAnswer>> = {}): Run {
	let so = run;
	for (let step = currentStep(so); step; step = currentStep(so))
		so = { ...so, answers: { ...so.answers, [step.key]: { ...(answers[step.key] ?? { how: 'done' }), at } } };
	return so;
}
/** The log with what a run wrote. */
const logged = (run: Run): readonly Entry[] => [
	...log,
	...allEntriesOf(rig, run).map(({ key, happening }, i) =>
		entry({ ...happening, at: `2027-05-02T06:00:0${i % 10}Z` } as EntryDraft, `z-${key}`)
	)
];
const after = (run: Run): Estimate => now(logged(run));
const litresIn = (run: Run, tank: string): number => levelOf(after(run), tank).mean;

describe('a fill', () => {
	it('by hand: 41.4 L by the hose meter, from 431.6 to 473.0, its litres and its readings', () => {
		const run = begun(filling());
		expect(markOf(rig, run, 0)).toMatchObject({ from: 431.6, stop: 473 });
		expect(soFar(rig, run, 0, 452.3)?.toGoL).toBeCloseTo(20.7, 6);
		const done = lived(run);
		expect(allEntriesOf(rig, done).map(({ happening }) => happening)).toEqual([
			{ kind: 'fill', tank: 'main', litres: 41.4, sdL: 4.14, potable: true, source: 'run' },
			{ kind: 'reading', instrument: 'hose', value: 473, source: 'run' },
			{ kind: 'reading', instrument: 'down', value: 71, reset: true, source: 'run' }
		]);
		expect(litresIn(done, 'main')).toBeCloseTo(81.4, 0);
		expect(expectedMeter(after(done), 'hose')?.mean).toBeCloseTo(473, 0);
	});
	it('with another figure than was meant, what passed counts', () => {
		const done = lived(begun(filling()), { 'fill-0': { how: 'figure', shows: 461.6 } });
		expect(litresIn(done, 'main')).toBeCloseTo(70, 0);
		// 70 less the reserve of 10.
		expect(Math.abs((counterSetting(rig, done, 'down') ?? 0) - 60)).toBeLessThanOrEqual(1);
	});
	it('a meter and what it made of the litres are one observation, not two', () => {
		const done = after(lived(begun(filling())));
		// Two per cent of 41.4 L, and 0.6 L of the full that was seen before.
		expect(levelOf(done, 'main').sd).toBeGreaterThan(0.9);
	});
	it('jugs by the same hose begin where the tank ended, and their litres are not looked for in it', () => {
		const run = begun(
			filling({
				tanks: [
					{ tank: 'main', target: { kind: 'litres', litres: 20 } },
					{ tank: 'jug', target: { kind: 'full' } }
				]
			})
		);
		const first = { ...run, answers: { 'fill-0': { how: 'figure', shows: 452, at } as const } };
		expect(markOf(rig, first, 1)?.from).toBe(452);
		const done = lived(run, { 'fill-1': { how: 'full', shows: 471.6 } });
		expect(litresIn(done, 'main')).toBeCloseTo(60, 0);
		expect(litresIn(done, 'jug')).toBeCloseTo(20, 0);
		expect(after(done).state.doubts).toEqual([]);
		// The next fill of the tank goes on from there.
		expect(expectedMeter(after(done), 'hose')?.mean).toBeCloseTo(471.6, 6);
	});
	it('asks where what passed since the last reading went, and writes it', () => {
		expect(passedSince(rig, log, 'hose', 431.62)).toEqual({ kind: 'same' });
		expect(passedSince(rig, log, 'hose', 420)).toEqual({ kind: 'backwards' });
		expect(passedSince(rig, log, 'pump', 420)).toEqual({ kind: 'first' });
		const passed = passedSince(rig, log, 'hose', 441.6);
		expect(passed.kind === 'passed' && passed.litres).toBeCloseTo(10, 6);
		const into = (where: 'tank' | 'elsewhere'): Run =>
			lived(begun(filling({ meter: { id: 'hose', reads: 441.6, into: where } })));
		expect(litresIn(into('tank'), 'main')).toBeCloseTo(91.4, 0);
		expect(litresIn(into('elsewhere'), 'main')).toBeCloseTo(81.4, 0);
		expect(after(into('elsewhere')).state.doubts).toEqual([]);
	});
	it('what does not fit is told, and nothing of it written', () => {
		const run = begun(filling());
		const step = stepsOf(run.setup)[1]!;
		const fault = (answer: StepAnswer) => faultOf(rig, run, step, answer);
		expect(fault({ how: 'figure', shows: 413 })).toEqual({
			kind: 'backwards',
			from: 431.6,
			shows: 413,
			counts: 'up'
		});
		expect(fault({ how: 'figure', shows: 473 })).toBeUndefined();
		expect(fault({ how: 'figure', shows: 531.6 })).toMatchObject({
			kind: 'beyond',
			tank: 'main',
			litres: 100
		});
		expect(fault({ how: 'full', shows: 531.6 })).toBeUndefined();
		expect(fault({ how: 'litres', litres: -1 })).toEqual({ kind: 'negative', litres: -1 });
		expect(fault({ how: 'litres', litres: Number.NaN })).toMatchObject({ kind: 'negative' });
		const down = begun(filling({ meter: { id: 'down', reads: 30 } }));
		expect(markOf(rig, down, 0)?.stop).toBeUndefined();
		expect(faultOf(rig, down, step, { how: 'figure', shows: 0 })).toEqual({ kind: 'stopped' });
	});
	it('to the brim without a meter writes that it was full', () =>
		expect(
			entriesOf(
				rig,
				begun(fillSetup(now(), log, { tanks: [{ tank: 'main', target: { kind: 'full' } }], source: {} })),
				stepsOf(filling())[1]!,
				{ how: 'full' }
			)
		).toEqual([{ key: 'fill-0', happening: { kind: 'fill', tank: 'main', to: 'full', source: 'run' } }]));
});

describe('a dump, step by step', () => {
	const kinds = (setup: Setup | undefined): readonly string[] =>
		setup ? stepsOf(setup).map((step) => ('tank' in step ? `${step.kind} ${step.tank}` : step.kind)) : [];
	it('one outlet for both: all shut before the cap comes off, the hose stays on, every valve shut at the end', () =>
		expect(kinds(dumpSetup(nowWithGrey(), ['grey', 'tank'], { where: 'sewer' }))).toEqual([
			'prepare',
			'attach',
			'open-vent',
			'empty tank',
			'raise-hose tank',
			'backflush tank',
			'lower-hose tank',
			'empty tank',
			'empty grey',
			'detach',
			'treat tank',
			'wash-hands'
		]));
	it('whose hose cannot be raised rinses with water instead, and empties black once', () => {
		const setup = dumpSetup(nowWithGrey(), ['grey', 'tank'])!;
		const kept = stepsOf(setup, { 'raise-tank': { how: 'skipped', at } }).map(({ kind }) => kind);
		expect(kept).not.toContain('backflush');
		expect(kept).toContain('rinse');
		expect(kept.filter((kind) => kind === 'empty')).toHaveLength(2);
	});
	it('two outlets: each by itself, and grey does not run back', () => {
		const apart: Rig = {
			...rig,
			tanks: rig.tanks.map((tank) => (tank.id === 'tank' ? { ...tank, drain: 'rear' } : tank))
		};
		const here = estimate(logbookOf(greyLog, apart, []), 'rig', instantMs(at) + HOUR_MS);
		expect(kinds(dumpSetup(here, ['grey', 'tank']))).toEqual([
			...['prepare', 'attach', 'open-vent', 'empty tank', 'rinse tank', 'rinse-hose', 'detach'],
			...['prepare', 'attach', 'open-vent', 'empty grey', 'detach'],
			...['treat tank', 'wash-hands']
		]);
	});
	it('grey alone; a cassette is carried and shares nothing', () => {
		expect(kinds(dumpSetup(nowWithGrey(), ['grey']))).toEqual([
			...['prepare', 'attach', 'open-vent', 'empty grey', 'detach', 'wash-hands']
		]);
		const cassette: Rig = {
			...rig,
			tanks: rig.tanks.map((tank) => (tank.id === 'tank' ? { ...tank, portable: true } : tank))
		};
		const here = estimate(logbookOf(greyLog, cassette, []), 'rig', instantMs(at) + HOUR_MS);
		expect(kinds(dumpSetup(here, ['tank']))).toEqual([
			...['prepare', 'empty tank', 'rinse tank', 'treat tank', 'detach', 'wash-hands']
		]);
	});
	it('a boat at a pump-out has a deck fitting for each tank, and no hose of its own; at sea a seacock', () => {
		const boat: Rig = { ...rig, kind: 'boat' };
		const here = estimate(logbookOf(greyLog, boat, []), 'rig', instantMs(at) + HOUR_MS);
		const setup = dumpSetup(here, ['grey', 'tank']);
		expect(setup?.lines?.map(({ by }) => by)).toEqual(['deck', 'deck']);
		expect(kinds(setup)).toEqual([
			...['prepare', 'attach', 'empty tank', 'rinse tank', 'detach'],
			...['prepare', 'attach', 'empty grey', 'detach'],
			...['treat tank', 'wash-hands']
		]);
		expect(dumpSetup(here, ['grey'], { where: 'overboard' })?.lines).toEqual([
			{ by: 'sea', tanks: ['grey'] }
		]);
	});
	it('a toilet that is flushed from the sea draws its water back from no tank of the rig', () => {
		const sea: Rig = {
			...rig,
			kind: 'boat',
			outlets: [...rig.outlets, { id: 'heads', name: 'Heads', from: 'outside', to: 'tank' }]
		};
		const here = estimate(logbookOf(greyLog, sea, []), 'rig', instantMs(at) + HOUR_MS);
		const run = begun(dumpSetup(here, ['tank']));
		const treat = stepsOf(run.setup).find(({ kind }) => kind === 'treat')!;
		expect(entriesOf(sea, run, treat, { how: 'done' })[0]?.happening).toMatchObject({
			kind: 'fill',
			tank: 'tank'
		});
	});
	it('what a rig puts back after a dump is not counted twice', () => {
		const charged: Rig = {
			...rig,
			tanks: rig.tanks.map((tank) => (tank.id === 'tank' ? { ...tank, residualL: 1, chargeL: 3 } : tank))
		};
		const believed = (entries: readonly Entry[]): number =>
			levelOf(estimate(logbookOf(entries, charged, []), 'rig', instantMs(at) + HOUR_MS), 'tank').mean;
		const plain = entry({ kind: 'dump', at: '2027-05-02T06:00:00Z', tank: 'tank', to: 'empty' });
		expect(believed([...log, plain])).toBeCloseTo(4, 1);
		const here = estimate(logbookOf(log, charged, []), 'rig', instantMs(at) + HOUR_MS);
		const run = lived(begun(dumpSetup(here, ['tank'])));
		const written = allEntriesOf(charged, run).map(({ key, happening }, i) =>
			entry({ ...happening, at: `2027-05-02T06:00:0${i}Z` } as EntryDraft, `z-${key}`)
		);
		expect(believed([...log, ...written])).toBeCloseTo(4, 0);
	});
});

describe('a dump', () => {
	const dumped = (answers: Readonly<Record<string, StepAnswer>> = {}): Run =>
		lived(begun(dumpSetup(now(), ['grey', 'tank'], { where: 'sewer' })), answers);
	it('leaves every tank at its rest, and black not dry', () => {
		const done = dumped();
		expect(litresIn(done, 'grey')).toBeCloseTo(0, 0);
		expect(litresIn(done, 'tank')).toBeCloseTo(4, 0);
		expect(litresIn(done, 'main')).toBeCloseTo(36, 0);
	});
	it('from a jug of kept water, the tank is not drawn', () =>
		expect(
			litresIn(
				dumped({
					[stepsOf(dumped().setup).find(({ kind }) => kind === 'treat')!.key]: { how: 'from-elsewhere' }
				}),
				'main'
			)
		).toBeCloseTo(40, 0));
	it('not quite empty: so much stays, and how much is doubtful', () => {
		const key = stepsOf(dumped().setup).findLast(({ kind }) => kind === 'empty')!.key;
		const level = levelOf(after(dumped({ [key]: { how: 'not-quite', leftL: 5 } })), 'grey');
		// 5 L by sight; what a tank cannot hold less than moves the middle of the doubt up a little
		expect(level.mean).toBeGreaterThan(4.5);
		expect(level.mean).toBeLessThan(6);
		expect(level.sd).toBeGreaterThan(1.5);
	});
});

describe('a tote', () => {
	const hose = { lengthM: 1, diameterMm: 75 };
	it('by hand: 60 L of grey, 22 fit: 22, 22 and 16, the tank dry at the end', () => {
		const grey = rig.tanks.find(({ id }) => id === 'grey')!;
		const done = lived(begun(toteSetup(grey, tote, 60, undefined)));
		const written = allEntriesOf(rig, done).map(({ happening }) => happening);
		expect(written.map((one) => one.kind === 'dump' && (one.litres ?? one.to))).toEqual([22, 22, 'empty']);
		expect(litresIn(done, 'grey')).toBeCloseTo(0, 0);
		expect(stepsOf(done.setup).filter(({ kind }) => kind === 'take-away')).toHaveLength(3);
	});
	it('what one load lacked comes in the later ones, none of which holds more than fits', () => {
		const grey = rig.tanks.find(({ id }) => id === 'grey')!;
		const run = begun(toteSetup(grey, tote, 60, undefined, 5));
		fc.assert(
			fc.property(fc.array(fc.double({ min: 1, max: 22, noNaN: true }), { maxLength: 8 }), (ins) => {
				const answers = Object.fromEntries(
					ins.map((litres, i) => [
						`let-${i}`,
						{ how: 'litres', litres: i === 0 ? Math.min(17, litres) : litres, at } as const
					])
				);
				const lets = stepsOf(run.setup, answers).flatMap((step) => (step.kind === 'let-in' ? [step] : []));
				const held = lets.map(({ key, litres }) => answers[key]?.litres ?? litres);
				lets.forEach(({ litres }, i) => expect(litres + (i === 0 ? 5 : 0)).toBeLessThanOrEqual(22 + 1e-9));
				const sum = held.reduce((a, b) => a + b, 0);
				// All of it goes; a load that let in more than was left is the last.
				expect(sum).toBeGreaterThan(60 - 0.1);
				expect(sum - (held.at(-1) ?? 0)).toBeLessThan(60);
			})
		);
		// By hand: 10 of 17 at first, then 22, 22 and 6.
		const small = { ...run, answers: { 'let-0': { how: 'litres', litres: 10, at } as const } };
		expect(
			stepsOf(small.setup, small.answers).flatMap((step) => (step.kind === 'let-in' ? [step.litres] : []))
		).toEqual([17, 22, 22, 6]);
	});
	it('what stands in the hose comes after the valve is shut: 22 leave the tank, 17.6 stand in it, 4.4 come', () => {
		const grey = rig.tanks.find(({ id }) => id === 'grey')!;
		const run = begun(toteSetup(grey, tote, 60, hose));
		const lets = stepsOf(run.setup).flatMap((step) => (step.kind === 'let-in' ? [step] : []));
		expect(lets.map(({ litres }) => litres)).toEqual([22, 22, 16]);
		expect(lets[0]?.standsAtL).toBeCloseTo(22 - 4.417_86, 4);
		// 4 kg of tote and all that left the tank for it.
		expect(stepsOf(run.setup).find(({ kind }) => kind === 'take-away')).toMatchObject({ kg: 26 });
		expect(litresIn(lived(run), 'grey')).toBeCloseTo(0, 0);
	});
	it('stopped after the first load, the rest is still aboard', () => {
		const grey = rig.tanks.find(({ id }) => id === 'grey')!;
		const run = begun(toteSetup(grey, tote, 60, hose));
		const one: Run = { ...run, answers: { 'level-0': { how: 'done', at }, 'let-0': { how: 'done', at } } };
		expect(litresIn(one, 'grey')).toBeCloseTo(60 - 22, 0);
		expect(currentStep(one)?.key).toBe('lift-0');
		expect(currentStep({ ...one, ended: true })).toBeUndefined();
	});
	it('a full one goes first; black is not let into a grey one; one cannot hold more than it does', () => {
		const [grey, black] = ['grey', 'black'].map((id) => rig.tanks.find((tank) => tank.id === id)!);
		expect(stepsOf(toteSetup(grey!, tote, 30, undefined, 23))[0]).toMatchObject({
			kind: 'take-away',
			kg: 27
		});
		expect(() => toteSetup(black!, tote, 10, undefined)).toThrow(/choose a container for black/);
		expect(() => toteSetup(grey!, tote, 10, undefined, 26)).toThrow(/can’t hold 26/);
		const run = begun(toteSetup(grey!, tote, 30, undefined, 5));
		expect(faultOf(rig, run, stepsOf(run.setup)[1]!, { how: 'litres', litres: 21 })).toMatchObject({
			kind: 'over-full',
			fitsL: 20
		});
	});
});

describe('water carried by hand', () => {
	it('two jugs of the rig, 50 L: two trips, filled and poured', () => {
		const setup = carrySetup(rig, {
			into: 'main',
			litres: 50,
			by: { kind: 'jugs', ids: ['jug', 'spare'] },
			how: 'gravity',
			source
		});
		expect(setup.trips).toEqual([[20, 20], [10]]);
		const done = lived(begun(setup));
		expect(allEntriesOf(rig, done).map(({ happening }) => happening.kind)).toEqual([
			'fill',
			'fill',
			'transfer',
			'transfer',
			'fill',
			'transfer'
		]);
		expect(litresIn(done, 'jug')).toBeLessThan(0.5);
	});
	it('bottles come in one go, and a waste tote carries no drinking water', () => {
		const bottles = carrySetup(rig, {
			into: 'main',
			litres: 9,
			by: { kind: 'bottles', litresEach: 1.5 },
			how: 'gravity',
			source
		});
		expect(stepsOf(bottles).map(({ kind }) => kind)).toEqual(['pour']);
		expect(litresIn(lived(begun(bottles)), 'main')).toBeCloseTo(49, 0);
		expect(() =>
			carrySetup(rig, {
				into: 'main',
				litres: 9,
				by: { kind: 'container', container: tote },
				how: 'pump',
				source
			})
		).toThrow(/needs its own container/);
	});
});

it('no step takes more than its tank can hold', () => {
	const runs = [
		[begun(dumpSetup(now(), ['grey', 'tank'])), 'empty'],
		[begun(dumpSetup(now(), ['tank'])), 'treat'],
		[
			begun(
				carrySetup(rig, {
					into: 'main',
					litres: 9,
					by: { kind: 'bottles', litresEach: 1 },
					how: 'pump',
					source
				})
			),
			'pour'
		]
	] as const;
	for (const [run, kind] of runs) {
		const step = stepsOf(run.setup).find((one) => one.kind === kind)!;
		expect(faultOf(rig, run, step, { how: 'litres', litres: 400 })).toMatchObject({
			kind: 'more-than-holds'
		});
		expect(faultOf(rig, run, step, { how: 'litres', litres: 3 })).toBeUndefined();
	}
});

describe('every run', () => {
	const grey = rig.tanks.find(({ id }) => id === 'grey')!;
	const anySetup: fc.Arbitrary<Setup> = fc.oneof(
		fc
			.integer({ min: 1, max: 59 })
			.map((litres) => filling({ tanks: [{ tank: 'main', target: { kind: 'litres', litres } }] })),
		fc.subarray(['grey', 'tank', 'black'], { minLength: 1 }).map((tanks) => dumpSetup(now(), tanks)!),
		fc.integer({ min: 1, max: 90 }).map((litres) => toteSetup(grey, tote, litres, undefined)),
		fc
			.integer({ min: 1, max: 60 })
			.map((litres) =>
				carrySetup(rig, { into: 'main', litres, by: { kind: 'jugs', ids: ['jug'] }, how: 'pump', source })
			)
	);
	it('writes entries that are valid, each under a key of its own, whichever steps are passed over', () => {
		fc.assert(
			fc.property(anySetup, fc.infiniteStream(fc.boolean()), (setup, passed) => {
				const skips = Object.fromEntries(
					stepsOf(setup).flatMap(({ key }) => {
						const { value } = passed.next();
						return value ? [[key, { how: 'skipped' } as const]] : [];
					})
				);
				const run = lived(begun(setup), skips);
				const keys = allEntriesOf(rig, run).map(({ key }) => key);
				expect(new Set(keys).size).toBe(keys.length);
				const known = new Set(stepsOf(setup, run.answers).flatMap(keysOf));
				expect(keys.filter((key) => !known.has(key))).toEqual([]);
				const parsed = parseLogbook(logbookOf(logged(run), rig, []));
				expect(parsed.ok ? [] : parsed.problems).toEqual([]);
				expect(currentStep(run)).toBeUndefined();
			}),
			{ numRuns: 60 }
		);
	});
	it('survives being written down and read back in the middle', () => {
		const run = begun(filling());
		const half = { ...run, answers: { connect: { how: 'done', at } as const } };
		const read = readRun(JSON.parse(JSON.stringify(half)))!;
		expect(currentStep(read)).toEqual(currentStep(half));
		expect(allEntriesOf(rig, lived(read))).toEqual(allEntriesOf(rig, lived(half)));
	});
	it('is refused when it is none, and told apart from one of another rig', () => {
		const run = begun(filling());
		expect(readRun({ ...run, setup: { ...run.setup, kind: 'fly' } })).toBeUndefined();
		expect(readRun({ ...run, id: 'my-run' })).toBeUndefined();
		expect(readRun({ ...run, begun: 'last year' })).toBeUndefined();
		expect(readRun({ ...run, answers: { connect: { how: 'litres', litres: -4, at } } })).toBeUndefined();
		for (const given of [undefined, null, 'run', [], 7]) expect(readRun(given)).toBeUndefined();
		expect(fitsRig(run, rig)).toBe(true);
		expect(fitsRig(run, { ...rig, tanks: [] })).toBe(false);
	});
	it('reads back whatever it was set up to', () =>
		fc.assert(
			fc.property(anySetup, (setup) => {
				const run = lived(begun(setup));
				expect(readRun(JSON.parse(JSON.stringify(run)))).toEqual(run);
				expect(fitsRig(run, rig)).toBe(true);
			}),
			{ numRuns: 30 }
		));
});
