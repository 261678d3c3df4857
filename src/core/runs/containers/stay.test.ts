import { DAY_MS } from '../../time/index.js';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate, type Estimate } from '../../estimate/index.js';
import { instantMs, type Container, type EntryDraft, type Rig } from '../../logbook/index.js';
import { livesFrom, stayByContainer, whenToGo } from '../index.js';

const at = instantMs('2027-05-02T06:00:00Z');
const tote: Container = {
	id: 'tote',
	name: 'Tote',
	carries: 'grey',
	capacityL: 65,
	headroomL: 5,
	tareKg: 6,
	count: 1,
	minutesPerLoad: 20
};
const rig: Rig = { ...exactRig, containers: [tote, { ...tote, id: 'cans', carries: 'fresh', count: 2 }] };
const log = (drafts: readonly EntryDraft[] = []) => [
	...freshStart('2027-05-02T05:00:00Z'),
	...drafts.map((draft) => entry(draft))
];
const now = (drafts: readonly EntryDraft[] = []): Estimate =>
	estimate(logbookOf(log(drafts), rig, []), 'rig', at);
const grey = rig.tanks.find(({ id }) => id === 'grey')!;
const noHose = { lengthM: 0, diameterMm: 75 };
const read = { kind: 'reading', at: '2027-05-02T05:10:00Z', instrument: 'pump', value: 400 } as const;

describe('when must I go with the tote?', () => {
	it('by hand: 20 L of grey a day fill 60 L in three days, while the pump draws 24 a day', () => {
		const found = whenToGo(now([read]), grey, tote, noHose);
		expect(found?.fitsL).toBe(60);
		expect(((found?.atMs ?? 0) - at) / DAY_MS).toBeCloseTo(3, 1);
		expect(found?.meter?.id).toBe('pump');
		expect(found?.meter?.reads).toBeCloseTo(472, 0);
	});
	it('what is in the tank already makes it sooner, and a tank that holds more than fits is due now', () => {
		const some = now([read, { kind: 'fill', at: '2027-05-02T05:20:00Z', tank: 'grey', litres: 30, sdL: 0 }]);
		expect(((whenToGo(some, grey, tote, noHose)?.atMs ?? 0) - at) / DAY_MS).toBeCloseTo(1.5, 1);
		const more = now([{ kind: 'fill', at: '2027-05-02T05:20:00Z', tank: 'grey', litres: 70, sdL: 0 }]);
		const found = whenToGo(more, grey, tote, noHose);
		expect(found?.atMs).toBe(at);
		// Nobody read the meter yet.
		expect(found?.meter).toBeUndefined();
	});
	it('is asked only where one lives from it', () => {
		const dump = { kind: 'dump', at: '2027-05-02T05:30:00Z', tank: 'grey', to: 'empty' } as const;
		expect(livesFrom(now(), grey, log([{ ...dump, where: 'tote' }]))?.id).toBe('tote');
		expect(livesFrom(now(), grey, log([dump]))).toBeUndefined();
		expect(livesFrom(now(), grey, log([{ ...dump, where: 'sewer' }]))).toBeUndefined();
	});
});

describe('two weeks without a sewer?', () => {
	it('by hand: 14 days of 20 L are 280 L, five loads of 60, one every third day', () => {
		const found = stayByContainer(now(), tote, at, at + 14 * DAY_MS, noHose);
		expect(found.litres).toBeCloseTo(280, 0);
		expect(found).toMatchObject({ loads: 5, trips: 5, minutesEach: 20, minutes: 100 });
		expect(found.everyDays).toBeCloseTo(2.8, 6);
		expect(found.heaviestKg).toBe(66);
		expect(found.mostLoads).toBeGreaterThanOrEqual(found.loads);
	});
	it('a stay later on begins with an empty tank; fresh water is fetched by two cans at once', () => {
		const later = stayByContainer(now(), tote, at + 2 * DAY_MS, at + 5 * DAY_MS, noHose);
		expect(later.litres).toBeCloseTo(60, 0);
		const cans = rig.containers[1]!;
		const fetched = stayByContainer(now(), cans, at, at + 10 * DAY_MS, noHose);
		// 240 L: four cans of 60, two at a time.
		expect(fetched.litres).toBeCloseTo(240, 0);
		expect(fetched.trips).toBe(2);
	});
	it('a stay must have a length', () =>
		expect(() => stayByContainer(now(), tote, at + DAY_MS, at + DAY_MS, noHose)).toThrow(
			/end after it begins/
		));
});
