import { describe, expect, it } from 'vitest';
import { DAY, drawCase, MANNERS, START } from '../../../bench/truth/index.js';
import {
	countdown,
	entry,
	exactRig,
	freshStart,
	hoseMeter,
	logbookOf
} from '../../../tests/helpers/logbooks.js';
import { estimate } from '../estimate/index.js';
import type { CareTask, Entry, Rig } from '../logbook/index.js';
import { careDue, dueNow } from './index.js';

const at = (day: number, hour = 6): string =>
	`2027-05-${String(day).padStart(2, '0')}T${String(hour).padStart(2, '0')}:00:00Z`;
const due = (care: readonly CareTask[], entries: readonly Entry[], now = at(11), rig: Rig = exactRig) =>
	careDue(estimate(logbookOf(entries, { ...rig, care }), 'rig', Date.parse(now)));
const filter = (more: Partial<CareTask> = {}): CareTask => ({
	id: 'filter',
	name: 'Change the filter',
	...more
});
const reading = (value: number, day: number): Entry =>
	entry({ kind: 'reading', at: at(day), instrument: 'pump', value });

describe('when is the filter due', () => {
	it('by days: 180 days after it was last done', () => {
		const [one] = due([filter({ every: { days: 180 }, lastDone: at(1) })], freshStart());
		expect(one).toMatchObject({ sinceDays: 10, overdue: false, by: 'days' });
		expect(one?.dueMs).toBe(Date.parse(at(1)) + 180 * DAY);
	});

	it('what was written down later counts before what the rig says', () => {
		const care = [filter({ every: { days: 5 }, lastDone: at(1) })];
		expect(due(care, freshStart())[0]).toMatchObject({ sinceDays: 10, overdue: true });
		const changed = [...freshStart(), entry({ kind: 'care', at: at(9), task: 'filter' })];
		expect(due(care, changed)[0]).toMatchObject({ sinceDays: 2, overdue: false });
		// It has not happened yet at a moment before.
		expect(due(care, changed, at(8))[0]).toMatchObject({ sinceDays: 7, overdue: true });
	});

	it('by litres through a meter, across a reset and with the last change in between', () => {
		// 1 May 100, 3 May 160, changed; 5 May 220, set to 0; 7 May 45; 9 May 80: 60 + 45 + 35 = 140 litres since.
		const log = [
			...freshStart(),
			reading(100, 1),
			reading(160, 3),
			entry({ kind: 'care', at: at(3, 7), task: 'filter' }),
			entry({ kind: 'fill', at: at(4), tank: 'main', to: 'full' }),
			reading(220, 5),
			entry({ kind: 'reading', at: at(5, 7), instrument: 'pump', value: 0, reset: true }),
			reading(45, 7),
			entry({ kind: 'fill', at: at(8), tank: 'main', to: 'full' }),
			reading(80, 9)
		];
		const free: Rig = { ...exactRig, unlogged: { mean: 14, sd: 10 } };
		const [one] = due([filter({ every: { litres: 200 }, through: 'pump' })], log, at(9), free);
		expect(one?.sinceL).toBeGreaterThan(136);
		expect(one?.sinceL).toBeLessThan(144);
		expect(one?.leftL).toBeCloseTo(200 - (one?.sinceL ?? 0), 9);
		expect(one).toMatchObject({ overdue: false, by: 'litres' });
		// The rest, 60 L, passes as one lives: 24 L a day by the habits, about 14 L a head unwritten.
		const days = ((one?.dueMs ?? 0) - Date.parse(at(9))) / DAY;
		expect(days).toBeGreaterThan(60 / 60);
		expect(days).toBeLessThan(60 / 44);
	});

	it('by litres out of a tank: what is drawn and what is drained', () => {
		const log = [
			...freshStart(),
			entry({ kind: 'use', at: at(2), habit: 'shower', times: 3 }),
			entry({ kind: 'dump', at: at(3), tank: 'grey', to: 'empty' })
		];
		const care = [filter({ every: { litres: 20 }, through: 'main', lastDone: at(1) })];
		expect(due(care, log)[0]).toMatchObject({
			sinceL: expect.closeTo(24, 6),
			leftL: expect.closeTo(-4, 6),
			overdue: true
		});
		const grey = [filter({ every: { litres: 100 }, through: 'grey', lastDone: at(1, 7) })];
		expect(due(grey, log)[0]?.sinceL).toBeCloseTo(24, 6);
	});

	it('foretells the date from how one lives: 20 L a day', () => {
		// A day draws 2 × 0.5 × 8 + 2 × 6 + 2 × 4 × 0.5 = 24 L; 120 L are left.
		const [one] = due([filter({ every: { litres: 120 }, through: 'pump', lastDone: at(11) })], freshStart());
		expect(one?.leftL).toBeCloseTo(120, 6);
		expect(((one?.dueMs ?? 0) - Date.parse(at(11))) / DAY).toBeCloseTo(5, 6);
	});

	it('the sooner of both counts', () => {
		const care = (litres: number) => [
			filter({ every: { days: 30, litres }, through: 'pump', lastDone: at(11) })
		];
		expect(due(care(120), freshStart())[0]?.by).toBe('litres');
		expect(due(care(5000), freshStart())[0]?.by).toBe('days');
	});

	it('through a hose of which the meter was read and no fill written down', () => {
		const rig: Rig = { ...exactRig, instruments: [...exactRig.instruments, hoseMeter] };
		const read = (day: number, value: number): Entry =>
			entry({ kind: 'reading', at: at(day), instrument: 'hose', value });
		const log = [...freshStart(), read(1, 100), read(3, 130), read(4, 160), read(5, 190), read(6, 220)];
		const [one] = due(
			[filter({ every: { litres: 500 }, through: 'hose', lastDone: at(1, 7) })],
			log,
			at(7),
			rig
		);
		expect(one?.sinceL).toBeGreaterThan(105);
		expect(one?.sinceL).toBeLessThan(125);
	});

	it('through the hose, and without saying through what', () => {
		const rig: Rig = { ...exactRig, instruments: [...exactRig.instruments, hoseMeter, countdown] };
		const log = [
			...freshStart(),
			entry({ kind: 'use', at: at(2), habit: 'shower', times: 5 }),
			entry({ kind: 'fill', at: at(3), tank: 'main', litres: 30, sdL: 0 })
		];
		const care = [
			filter({ every: { litres: 100 }, through: 'hose', lastDone: at(1, 7) }),
			filter({ id: 'all', every: { litres: 100 }, lastDone: at(1, 7) })
		];
		expect(due(care, log, at(4), rig).map(({ sinceL }) => Math.round((sinceL ?? 0) * 1e6) / 1e6)).toEqual([
			30, 40
		]);
	});
});

it('a rig that stands at home draws nothing: the log has stopped', () => {
	const { unlogged: _unlogged, ...open } = exactRig;
	const log = [...freshStart(), reading(0, 1), reading(30, 2), reading(60, 3)];
	const [one] = due(
		[filter({ every: { litres: 900 }, through: 'pump', lastDone: at(1, 7) })],
		log,
		'2027-11-01T00:00:00Z',
		open
	);
	expect(one?.sinceL).toBeGreaterThan(55);
	expect(one?.sinceL).toBeLessThan(95);
});

describe('what flows in', () => {
	const source = {
		id: 'wm',
		name: 'Watermaker',
		into: 'main',
		litresEach: { mean: 30, sd: 0 },
		often: { times: 0.5, per: 'day', sd: 0 }
	} as const;
	const rig: Rig = { ...exactRig, sources: [source] };
	const made = (day: number, litres?: number): Entry =>
		entry({
			kind: 'fill',
			at: at(day),
			tank: 'main',
			...(litres === undefined ? { to: 'full' as const } : { litres, sdL: 0 }),
			from: 'wm'
		});
	it('its membrane by what it gave: 40 + 30 of 100 L, and two days of fifteen more', () => {
		const care = [filter({ every: { litres: 100 }, through: 'wm', lastDone: at(2) })];
		const [one] = due(care, [...freshStart(), made(1, 50), made(4, 40), made(6)], at(7), rig);
		expect(one).toMatchObject({ sinceL: 70, leftL: 30, overdue: false, by: 'litres' });
		expect(one?.dueMs).toBeCloseTo(Date.parse(at(9)), -3);
	});
	it('passes no filter behind the tank: 24 L a day leave it as before', () => {
		const care = [filter({ every: { litres: 240 }, through: 'main', lastDone: at(1) })];
		const [plain, flowing] = [exactRig, rig].map((of) => due(care, freshStart(), at(1, 7), of)[0]);
		expect(flowing?.dueMs).toBe(plain?.dueMs);
	});
});

describe('a task of which something is amiss', () => {
	it('never done: counted from the beginning of the log, due then at the latest', () => {
		const [one] = due([filter({ every: { days: 4 } })], freshStart());
		expect(one).toMatchObject({ overdue: true, problem: { kind: 'never-done' } });
		expect(one).not.toHaveProperty('sinceDays');
		expect(due([filter({ every: { days: 40 } })], freshStart())[0]).toMatchObject({ overdue: false });
	});

	it('done in the future: not done yet, and said', () => {
		expect(due([filter({ every: { days: 40 }, lastDone: at(20) })], freshStart())[0]).toMatchObject({
			overdue: false,
			problem: { kind: 'done-later', at: at(20) }
		});
	});

	it('through a meter that is gone, or a gauge, which counts nothing: its days still count', () => {
		const rig: Rig = {
			...exactRig,
			instruments: exactRig.instruments.map((one) =>
				one.id === 'pump' ? { ...one, retired: true as const } : one
			)
		};
		const care = [
			filter({ every: { days: 5, litres: 9 }, through: 'pump', lastDone: at(1) }),
			filter({ id: 'other', every: { litres: 9 }, through: 'lights', lastDone: at(1) })
		];
		const [gone, gauge] = due(care, freshStart(), at(11), rig);
		expect(gone).toMatchObject({ overdue: true, problem: { kind: 'through-gone', name: 'Pump meter' } });
		expect(gone).not.toHaveProperty('leftL');
		expect(gauge).toMatchObject({ overdue: false, problem: { kind: 'counts-nothing', name: 'Grey lights' } });
	});

	it('with no rhythm, every no days, no litres, no log: no number is made up', () => {
		expect(due([filter()], freshStart())[0]).toEqual({
			task: filter(),
			overdue: false,
			problem: { kind: 'never-done' }
		});
		expect(due([filter({ every: { days: 0, litres: 0 }, lastDone: at(11) })], freshStart())[0]).toMatchObject(
			{
				overdue: true,
				dueMs: Date.parse(at(11))
			}
		);
		expect(due([filter({ every: { litres: 10, days: 1e9 }, lastDone: at(1) })], [])[0]).toMatchObject({
			overdue: false
		});
		expect(due([], freshStart())).toEqual([]);
	});

	it('before the log began there may have been more', () => {
		const [one] = due(
			[filter({ every: { litres: 50 }, through: 'pump', lastDone: '2027-01-01T00:00:00Z' })],
			freshStart()
		);
		expect(one).toMatchObject({ atLeast: true, sinceL: expect.closeTo(0, 6) });
	});
});

it('counts what a careless log lets through: against the truth', () => {
	const manner = MANNERS.find(({ name }) => name === 'meter resets')!;
	for (const seed of [3, 4, 5]) {
		const { logbook, drawn } = drawCase(seed, manner, 14);
		const lastDone = new Date(START + 2.3 * DAY).toISOString();
		const rig = {
			...logbook.rigs[0]!,
			care: [filter({ every: { litres: 1000 }, through: 'meter', lastDone })]
		};
		const toMs = START + 13 * DAY;
		const meter = rig.instruments.find(({ kind }) => kind === 'meter')!.id;
		const book = {
			...logbook,
			rigs: [{ ...rig, care: rig.care.map((one) => ({ ...one, through: meter })) }]
		};
		const [one] = careDue(estimate(book, 'rig', toMs));
		const truly = drawn.reduce(
			(sum, { atMs, litres }) => sum + (atMs > START + 2.3 * DAY && atMs <= toMs ? litres : 0),
			0
		);
		expect(Math.abs((one?.sinceL ?? 0) / truly - 1)).toBeLessThan(0.06);
	}
});

describe('what wants doing now', () => {
	const care = [
		filter({ every: { days: 5 }, lastDone: at(1) }),
		filter({ id: 'later', every: { days: 50 }, lastDone: at(1) }),
		filter({ id: 'frost', season: 'frost' }),
		filter({ id: 'heat', season: 'summer', every: { days: 3 }, lastDone: at(10) }),
		filter({ id: 'winter', season: 'lay-up' })
	];
	const night = { stop: 's', name: 'Fell', minC: -3, fromMs: 0, lived: true, risks: [] };
	const names = (log: readonly Entry[], weather: Parameters<typeof dueNow>[1], now?: string) =>
		dueNow(due(care, log, now), weather).map(({ task }) => task.id);

	it('what is overdue, what frost asks for until it is done, what heat asks for when it is its time again', () => {
		expect(names(freshStart(), { frost: [] })).toEqual(['filter']);
		expect(names(freshStart(), { frost: [night] })).toEqual(['filter', 'frost']);
		const done = [...freshStart(), entry({ kind: 'care', at: at(10), task: 'frost' })];
		expect(names(done, { frost: [night] })).toEqual(['filter']);
		expect(names(freshStart(), { frost: [], maxC: 30 })).toEqual(['filter']);
		expect(names(freshStart(), { frost: [], maxC: 30 }, at(14))).toEqual(['filter', 'heat']);
		expect(names(freshStart(), { frost: [], maxC: 15 }, at(14))).toEqual(['filter']);
	});
});
