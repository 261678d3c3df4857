import { describe, expect, it } from 'vitest';
import { askEndpoint as ask, type Answer } from '../../../tests/helpers/endpoint';
import { entry, exactRig, freshStart, logbookOf } from '../../../tests/helpers/logbooks';
import type { EntryDraft, Rig } from '$core/logbook';
import { POST as carry } from '../../routes/api/carry/+server';
import { POST as dump } from '../../routes/api/dump/+server';
import { POST as fill } from '../../routes/api/fill/+server';

const rig: Rig = {
	...exactRig,
	instruments: [
		...exactRig.instruments,
		{ id: 'hose', kind: 'meter', name: 'Hose', place: 'fill', tank: 'main', unitL: 3.785411784, counts: 'up' }
	],
	containers: [
		{ id: 'tote', name: 'Tote', carries: 'grey', capacityL: 60, headroomL: 4, tareKg: 5, count: 1 },
		{ id: 'thimble', name: 'Thimble', carries: 'grey', capacityL: 0.001, headroomL: 0, tareKg: 0, count: 1 },
		{ id: 'pail', name: 'Pail', carries: 'grey', capacityL: 5, headroomL: 1, tareKg: 1, count: 1 }
	]
};
const at = '2027-05-02T06:00:00Z';
const log: readonly EntryDraft[] = [
	{ kind: 'reading', at: '2027-05-01T06:30:00Z', instrument: 'hose', value: 100 },
	{ kind: 'use', at: '2027-05-01T12:00:00Z', habit: 'dishes', times: 10 }
];
const logbook = logbookOf([...freshStart(), ...log.map((draft) => entry(draft))], rig, []);
const base = { logbook, rig: 'rig', at };

const paths = ({ errors }: Answer): readonly string[] =>
	(errors as readonly { path: string }[]).map(({ path }) => path);

describe('POST /api/fill', () => {
	it('by hand: 60 L to the brim, 15.85 gallons on from the 100 that the hose meter was left at', async () => {
		const answer = await ask(fill, { ...base, tank: 'main', target: 'full', flowLpm: 12 });
		expect(answer).toMatchObject({ status: 200, leavesL: 100, stopAt: { meter: 'hose' } });
		expect(answer.takeL.p50).toBeCloseTo(60, 0);
		expect(answer.stopAt.reads).toBeCloseTo(100 + 60 / 3.785411784, 1);
		expect(answer.overflowsAt).toEqual(answer.stopAt);
		expect(answer.minutes).toBeCloseTo(5, 0);
		expect(answer.kg).toBe(answer.takeL.p50);
	});
	it('from what the meter shows now; what it overflows at is another figure than where to stop', async () => {
		const answer = await ask(fill, {
			...base,
			tank: 'main',
			target: { litres: 20 },
			meter: 'hose',
			reads: 7
		});
		expect(answer.takeL).toEqual({ p10: 20, p50: 20, p90: 20 });
		expect(answer.stopAt.reads).toBeCloseTo(7 + 20 / 3.785411784, 9);
		expect(answer.overflowsAt.reads).toBeGreaterThan(answer.stopAt.reads + 10);
		expect(answer.minutes).toBeUndefined();
	});
	it('days that no full tank lasts are said not to be enough', async () => {
		const short = await ask(fill, { ...base, tank: 'main', target: { days: 2, certainty: 0.95 } });
		expect(short.enough).toBeUndefined();
		expect(await ask(fill, { ...base, tank: 'main', target: { days: 40 } })).toMatchObject({ enough: false });
	});
	it('names what does not fit', async () => {
		const wrong = async (more: object): Promise<readonly string[]> => {
			const answer = await ask(fill, { ...base, tank: 'main', target: 'full', ...more });
			expect(answer.status).toBe(422);
			return paths(answer);
		};
		expect(await wrong({ tank: 'grey' })).toEqual(['$.tank']);
		expect(await wrong({ target: { litres: 400 } })).toEqual(['$.target.litres']);
		expect(await wrong({ target: { litres: -1 } })).not.toEqual([]);
		expect(await wrong({ target: { days: 0 } })).not.toEqual([]);
		expect(await wrong({ target: 'half' })).not.toEqual([]);
		expect(await wrong({ meter: 'pump' })).toEqual(['$.meter']);
		expect(await wrong({ reads: -3, flowLpm: 0 })).toEqual(['$.reads', '$.flowLpm']);
		expect(await wrong({ rig: 'raft' })).toEqual(['$.rig']);
	});
});

describe('POST /api/dump', () => {
	it('both tanks in their order, and no container where none is asked for', async () => {
		const answer = await ask(dump, { ...base, tanks: ['grey', 'black'] });
		expect(answer.steps.map((step: { do: string; tank?: string }) => [step.do, step.tank])).toEqual([
			['open-vent', undefined],
			['empty', 'black'],
			['backflush', 'black'],
			['empty', 'black'],
			['empty', 'grey'],
			['cap', undefined],
			['treat', 'black']
		]);
		expect(answer.into).toBeUndefined();
	});
	it('by hand: 60 L of grey into a tote of 60 with 4 free, 13.25 in the hose: 56 leave the tank, 42.75 stand in it', async () => {
		const answer = await ask(dump, {
			...base,
			tanks: ['grey'],
			into: 'tote',
			hose: { lengthM: 3, diameterMm: 75 }
		});
		expect(answer.into).toMatchObject({ fitsL: 56, loads: 2, closeAfterL: 56 });
		expect(answer.into.holdsL).toBeCloseTo(42.746, 3);
		// Until it is shut, the tank may run dry only where it surely holds less.
		const empty = await ask(dump, { ...base, at: '2027-05-01T06:10:00Z', tanks: ['grey'], into: 'tote' });
		expect(empty.into.closeAfterL).toBeUndefined();
	});
	it('refuses black into a grey tote, a pail smaller than its hose, fresh tanks and none', async () => {
		const wrong = async (more: object): Promise<readonly string[]> =>
			paths(await ask(dump, { ...base, tanks: ['grey'], ...more }));
		expect(await wrong({ tanks: ['black'], into: 'tote' })).toEqual(['$.into']);
		expect(await wrong({ tanks: ['grey', 'black'], into: 'tote' })).toEqual(['$.into']);
		expect(await wrong({ into: 'pail', hose: { lengthM: 3, diameterMm: 75 } })).toEqual(['$.into']);
		expect(await wrong({ into: 'bucket' })).toEqual(['$.into']);
		expect(await wrong({ into: 'thimble' })).toEqual(['$.into']);
		expect(await wrong({ tanks: ['grey', 'main'] })).toEqual(['$.tanks[1]']);
		expect(await wrong({ tanks: [] })).toEqual(['$.tanks']);
	});
});

describe('POST /api/carry', () => {
	const jug = { capacityL: 20, headroomL: 0, tareKg: 1, count: 2, minutesPerLoad: 9 };
	it('by hand: 50 L in jugs of 20, two at a time', async () =>
		expect(await ask(carry, { carries: 'fresh', litres: 50, container: jug })).toEqual({
			status: 200,
			keepFreeL: 0,
			loads: 3,
			trips: 2,
			loadL: [20, 20, 10],
			minutes: 18,
			heaviestKg: 21
		}));
	it('by hand: 60 L of waste by a tote of 65, 5 free, whose hose holds 13.25: one load, 71 kg with 11 of tote', async () => {
		const tote = { capacityL: 65, headroomL: 5, tareKg: 11, count: 1 };
		const answer = await ask(carry, {
			carries: 'grey',
			litres: 60,
			container: tote,
			hose: { lengthM: 3, diameterMm: 75 }
		});
		expect(answer).toMatchObject({ loads: 1, loadL: [60], heaviestKg: 71 });
		expect(answer.keepFreeL).toBeCloseTo(18.254, 3);
	});
	it('refuses a container of another kind, none of it, one smaller than its hose, and too many loads', async () => {
		const wrong = async (more: object): Promise<readonly string[]> =>
			paths(await ask(carry, { carries: 'grey', litres: 50, container: jug, ...more }));
		expect(await wrong({ container: { ...jug, carries: 'fresh' } })).toEqual(['$.container']);
		expect(await wrong({ container: { ...jug, count: 0 } })).toEqual(['$.container.count']);
		expect(await wrong({ hose: { lengthM: 9, diameterMm: 75 } })).toEqual(['$.container']);
		expect(await wrong({ litres: 90_000, container: { ...jug, capacityL: 1, headroomL: 0.5 } })).toEqual([
			'$.litres'
		]);
		expect(await wrong({ litres: -1, carries: 'wine' })).toEqual(['$.carries', '$.litres']);
	});
});
