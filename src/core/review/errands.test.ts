import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks.js';
import { estimate } from '../estimate/index.js';
import type { Entry, Stop } from '../logbook/index.js';
import {
	byHabit,
	byOutlet,
	errandsOf,
	expectedPerPersonDay,
	foreseenOf,
	reviewOf,
	stretchOf
} from './index.js';

const at = (day: number, hour: number): string =>
	`2027-05-${String(day).padStart(2, '0')}T${String(hour).padStart(2, '0')}:00:00Z`;
const stop = (id: string, day: number, services: Stop['services']): Stop => ({
	id,
	name: id,
	arrive: at(day, 10),
	depart: at(day, 13),
	legKm: 10,
	services
});
const yard = stop('Yard', 3, [
	{ kind: 'water', fee: 2, minutes: 12, detourKm: 3 },
	{ kind: 'grey', fee: 1, minutes: 8 },
	{ kind: 'black', fee: 4, minutes: 10, detourKm: 5 }
]);
const trips = [{ ...exactTrip, stops: [yard] }];
const spent = (entries: readonly Entry[]) =>
	errandsOf({ trips, points: [] }, exactRig, entries, Date.parse(at(1, 0)), Date.parse(at(9, 0)));

describe('what water cost', () => {
	it('a call at a stop pays each service once, and the longest way round once', () => {
		const seen = spent([
			entry({ kind: 'fill', at: at(3, 11), tank: 'main', to: 'full' }),
			entry({ kind: 'dump', at: at(3, 12), tank: 'grey', to: 'empty' }),
			entry({ kind: 'dump', at: at(3, 12), tank: 'grey', litres: 1 })
		]);
		// 2 + 1 in fees, 12 + 8 minutes, 3 km.
		expect(seen).toMatchObject({ fills: 1, dumps: 2, fee: 3, minutes: 20, km: 3, unplaced: 0 });
		expect(seen.errands).toEqual([expect.objectContaining({ name: 'Yard', kinds: ['water', 'grey'] })]);
	});

	it('what was done nobody knows where is counted and said, what is void is not', () => {
		const seen = spent([
			entry({ kind: 'fill', at: at(6, 11), tank: 'main', to: 'full' }),
			entry({ kind: 'fill', at: at(3, 11), tank: 'main', to: 'full', void: true }),
			entry({ kind: 'dump', at: at(6, 12), tank: 'main', to: 'empty' })
		]);
		expect(seen).toMatchObject({ fills: 1, dumps: 0, fee: 0, unplaced: 1, errands: [] });
	});

	it('a point that an entry names tells where there was no stop', () => {
		const points = [
			{ id: 'p', name: 'Pier', position: [0, 0] as const, services: [{ kind: 'water' as const, fee: 7 }] }
		];
		const fill = entry({ kind: 'fill', at: at(6, 11), tank: 'main', to: 'full', point: 'p' });
		expect(errandsOf({ trips, points }, exactRig, [fill], 0, Date.parse(at(9, 0)))).toMatchObject({
			fee: 7,
			errands: [{ name: 'Pier' }]
		});
	});
});

describe('by what', () => {
	const log = [
		...freshStart(),
		entry({ kind: 'use', at: at(1, 8), habit: 'shower', times: 2 }),
		entry({ kind: 'use', at: at(1, 9), habit: 'dishes', times: 1 }),
		entry({ kind: 'use', at: at(1, 10), habit: 'flush', times: 4 })
	];
	const known = estimate(logbookOf(log), 'rig', Date.parse(at(2, 7)));
	const seen = reviewOf(known, { fromMs: Date.parse(at(1, 7)), timeZone: 'Etc/UTC' });

	it('by habit and by outlet, the most first: 16 + 6 + 2 of 24', () => {
		const rounded = (list: ReturnType<typeof byHabit>) =>
			list.map(({ name, litres, share }) => [name, Math.round(litres * 1e6) / 1e6, Math.round(share * 1000)]);
		expect(rounded(byHabit(seen, exactRig))).toEqual([
			['Shower', 16, 667],
			['Dishes', 6, 250],
			['Flush', 2, 83]
		]);
		expect(rounded(byOutlet(seen, exactRig))).toEqual([
			['Tap', 22, 917],
			['Toilet', 2, 83]
		]);
	});

	it('against what was to be expected: 24 L a day for two', () => {
		expect(expectedPerPersonDay(known, 2)).toBeCloseTo(12, 6);
		expect(expectedPerPersonDay(known, 0)).toBeUndefined();
	});
});

describe('against its plan', () => {
	it('what was foreseen as it began, and what was paid at the trip’s own prices', () => {
		const trip = {
			...exactTrip,
			stops: [yard],
			policy: { certainty: 0.9, feePerMinute: 0.1, feePerKm: 1, feePerKgKm: 0 }
		};
		const log = [
			...freshStart(),
			entry({ kind: 'fill', at: at(3, 11), tank: 'main', to: 'full' }),
			entry({ kind: 'dump', at: at(3, 12), tank: 'grey', to: 'empty' })
		];
		const book = { ...logbookOf(log, exactRig, [trip]), points: [] };
		const before = estimate(book, 'rig', Date.parse(at(1, 7)));
		const review = reviewOf(estimate(book, 'rig', Date.parse(at(5, 0))), {
			fromMs: Date.parse(at(1, 0)),
			timeZone: 'Etc/UTC'
		});
		const errands = errandsOf(book, exactRig, log, review.fromMs, review.toMs);
		expect(foreseenOf(before, trip, book, review, errands)).toMatchObject({
			afterFirstDay: true,
			perPersonDayL: expect.closeTo(12, 6),
			plan: { calls: 1, services: expect.any(Number), feasible: true }
		});
		// 5 May is not its end: what it costs is not known yet.
		expect(foreseenOf(before, trip, book, review, errands).plan).not.toHaveProperty('cost');
		// 3 in fees, 20 minutes at 0.1, 3 km at 1.
		const over = { ...trip, to: '2027-05-04' };
		expect(
			foreseenOf(before, over, { ...book, trips: [over] }, review, errands).plan?.cost?.paid
		).toBeCloseTo(8, 9);
		expect(foreseenOf(before, undefined, book, review, errands)).not.toHaveProperty('plan');
	});
});

describe('a stretch', () => {
	const book = logbookOf(freshStart(), { ...exactRig, timeZone: 'Asia/Tokyo' }, [
		{ ...exactTrip, timeZone: 'Etc/GMT-2' }
	]);
	it('of days goes from midnight to midnight where one was', () => {
		expect(stretchOf(book, 'rig', '2027-05-02', '2027-05-03')).toEqual({
			fromMs: Date.parse('2027-05-01T22:00:00Z'),
			toMs: Date.parse('2027-05-03T22:00:00Z'),
			timeZone: 'Etc/GMT-2'
		});
		expect(stretchOf(book, 'rig', '2027-08-02', '2027-08-02')).toMatchObject({
			timeZone: 'Asia/Tokyo',
			fromMs: Date.parse('2027-08-01T15:00:00Z')
		});
	});
	it('of instants is as it is said; with no zone known it is that of the log’s last line', () => {
		expect(stretchOf(book, 'rig', at(2, 3), at(4, 5))).toMatchObject({
			fromMs: Date.parse(at(2, 3)),
			toMs: Date.parse(at(4, 5))
		});
		const plain = logbookOf(
			[entry({ kind: 'note', at: '2027-05-01T10:00:00+05:30', text: '' })],
			exactRig,
			[]
		);
		expect(stretchOf(plain, 'rig', '2027-05-02', '2027-05-02')).toMatchObject({
			fromMs: Date.parse('2027-05-01T18:30:00Z')
		});
	});
});
