import { describe, expect, it } from 'vitest';
import { askEndpoint as ask } from '../../../tests/helpers/endpoint';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks';
import type { Rig } from '$core/logbook';
import { POST as care } from '../../routes/api/care/+server';
import { POST as review } from '../../routes/api/review/+server';

const rig: Rig = {
	...exactRig,
	care: [
		{
			id: 'filter',
			name: 'Filter',
			every: { days: 10, litres: 50 },
			through: 'pump',
			lastDone: '2027-05-01T06:30:00Z'
		},
		{ id: 'never', name: 'Vents', every: { days: 90 } }
	]
};
const logbook = logbookOf(
	[
		...freshStart(),
		entry({ kind: 'use', at: '2027-05-01T08:00:00Z', habit: 'shower', times: 2 }),
		entry({ kind: 'use', at: '2027-05-01T09:00:00Z', habit: 'flush', times: 4 }),
		entry({ kind: 'fill', at: '2027-05-02T09:00:00Z', tank: 'main', litres: 10, sdL: 0 })
	],
	rig,
	[{ ...exactTrip, timeZone: 'Etc/GMT-2' }]
);
const base = { logbook, rig: 'rig' };

describe('POST /api/care', () => {
	it('by hand: 18 of 50 L have passed, ten days are nearer than one and a third', async () => {
		const answer = await ask(care, { ...base, at: '2027-05-02T06:30:00Z' });
		expect(answer).toMatchObject({
			status: 200,
			tasks: [
				{
					id: 'filter',
					sinceDays: 1,
					sinceL: expect.closeTo(18, 6),
					leftL: expect.closeTo(32, 6),
					overdue: false
				},
				{
					id: 'never',
					overdue: false,
					due: '2027-07-30T06:00:00.000Z',
					why: expect.stringContaining('not logged')
				}
			]
		});
		// 24 L a day: 32 L last a day and a third.
		expect(answer.tasks[0].due).toBe('2027-05-03T14:30:00.000Z');
		expect(Object.keys(answer.tasks[1]).sort()).toEqual(['due', 'id', 'overdue', 'why']);
	});

	it('by hand: last done on a day, and by dumps: twice since, of which the pair of one visit counts once', async () => {
		const dumps = ['2027-05-03T08:00:00Z', '2027-05-03T08:10:00Z', '2027-05-06T08:00:00Z'].map((dumpedAt) =>
			entry({ kind: 'dump', at: dumpedAt, tank: 'grey', to: 'empty' })
		);
		const care1 = [
			{ id: 'hose', name: 'Hose', every: { days: 30 }, lastDone: '2027-05-02' },
			{ id: 'treat', name: 'Treat', everyDumps: 2, tank: 'grey', lastDone: '2027-05-02' }
		];
		const asked = {
			...base,
			logbook: { ...logbook, rigs: [{ ...rig, care: care1 }], entries: [...logbook.entries, ...dumps] }
		};
		const answer = await ask(care, { ...asked, at: '2027-05-07T12:00:00Z' });
		expect(answer.tasks[0]).toMatchObject({ sinceDays: 5, due: '2027-06-01T12:00:00.000Z', overdue: false });
		expect(answer.tasks[1]).toMatchObject({ sinceDumps: 2, due: '2027-05-06T08:00:00.000Z', overdue: true });
		const before = await ask(care, { ...asked, at: '2027-05-04T12:00:00Z' });
		expect(before.tasks[1]).toMatchObject({ sinceDumps: 1, overdue: false });
		// On that very day it is done by now, not later.
		const morning = await ask(care, { ...asked, at: '2027-05-02T07:00:00Z' });
		expect(morning.tasks[0]).toMatchObject({ sinceDays: 0, overdue: false });
	});

	it('at a moment uses what was written until then', async () => {
		const before = await ask(care, { ...base, at: '2027-05-01T07:00:00Z' });
		expect(before.tasks[0].sinceL).toBeCloseTo(0, 6);
		const earlier = await ask(care, { ...base, at: '2027-04-01T07:00:00Z' });
		expect(earlier.tasks[0]).toEqual({
			id: 'filter',
			overdue: false,
			why: expect.stringContaining('later than now')
		});
	});

	it('names what does not fit', async () => {
		expect(await ask(care, { ...base, rig: 'x', at: '2027-05-01T07:00:00Z' })).toMatchObject({
			status: 422,
			errors: [{ path: '$.rig' }]
		});
		const gone = { ...logbook, rigs: [{ ...rig, care: [{ id: 'a', name: 'A', through: 'gone' }] }] };
		expect(await ask(care, { ...base, logbook: gone, at: '2027-05-01T07:00:00Z' })).toMatchObject({
			status: 422,
			errors: [{ path: '$.logbook.rigs[0].care[0].through' }]
		});
	});
});

describe('POST /api/review', () => {
	it('by hand: 16 L of showers and 2 L of flushes by two, 10 L filled', async () => {
		const answer = await ask(review, { ...base, from: '2027-05-01T06:30:00Z', to: '2027-05-03T06:30:00Z' });
		expect(answer).toMatchObject({
			status: 200,
			days: 2,
			personDays: 4,
			drawnL: expect.closeTo(18, 6),
			perPersonDayL: expect.closeTo(4.5, 6),
			unloggedL: expect.closeTo(0, 6)
		});
		expect(answer.habits).toEqual([
			{ id: 'shower', times: 2, litres: expect.closeTo(16, 6) },
			{ id: 'dishes', times: 0, litres: expect.closeTo(0, 6) },
			{ id: 'flush', times: 4, litres: expect.closeTo(2, 6) }
		]);
		const [main, grey, black] = answer.tanks;
		expect(main).toMatchObject({ id: 'main', in: expect.closeTo(10, 6), out: expect.closeTo(18, 6) });
		expect(grey).toMatchObject({ in: expect.closeTo(16, 6), out: expect.closeTo(0, 6) });
		// 2 L of flushes and 4 × 0.25 L beside.
		expect(black).toMatchObject({ in: expect.closeTo(3, 6) });
		for (const { start, end, in: came, out } of answer.tanks) expect(start + came - out).toBeCloseTo(end, 6);
	});

	it('takes days too, whole ones, where one was then', async () => {
		expect(await ask(review, { ...base, from: '2027-05-01', to: '2027-05-02' })).toMatchObject({
			from: '2027-04-30T22:00:00.000Z',
			to: '2027-05-02T22:00:00.000Z',
			days: 2,
			drawnL: expect.closeTo(18, 6)
		});
	});

	it.each([
		['no days', '2027-05-02T06:00:00Z', '2027-05-02T06:00:00Z', '$.to', /after from/],
		['a stretch that runs backward', '2027-05-03', '2027-05-01', '$.to', /after from/],
		['a stretch before the rig', '2020-01-01', '2020-02-01', '$.to', /first entry/],
		['no date', '2027-02-30', '2027-03-01', '$.from', /or a day such as/],
		['a time without an offset', '2027-05-01T06:00:00', '2027-05-02', '$.from', /with offset/]
	])('says what is wrong with %s', async (_, from, to, path, expected) => {
		const answer = await ask(review, { ...base, from, to });
		expect(answer.status).toBe(422);
		expect(answer.errors[0]).toMatchObject({ path });
		expect(answer.errors[0].expected).toMatch(expected);
	});

	it('of a log that stopped does not go on', async () => {
		expect(await ask(review, { ...base, from: '2027-05-01', to: '2027-06-30' })).toMatchObject({
			to: '2027-05-02T22:00:00.000Z',
			days: 2
		});
	});

	it('of nobody aboard divides by nothing', async () => {
		const alone = { ...logbook, rigs: [{ ...rig, crew: 0 }], trips: [] };
		expect(
			await ask(review, { ...base, logbook: alone, from: '2027-05-01', to: '2027-05-02' })
		).toMatchObject({
			personDays: 0,
			perPersonDayL: 0
		});
	});
});
