import { DAY_MS } from '../../time/index.js';
import { describe, expect, it } from 'vitest';
import { exactRig } from '../../../../tests/helpers/logbooks.js';
import type { ForecastRecord, Surprise } from '../../forecast/index.js';
import type { Errands, Relived, Review } from '../../review/index.js';
import { METRIC } from '../../units/index.js';
import {
	sayAgainst,
	sayErrands,
	sayForeseen,
	sayPart,
	sayRecord,
	sayRecordVerdict,
	sayRelived,
	sayReviewDetail,
	sayReviewHeadline,
	saySurprise,
	sayTankRecord,
	sayUnexplained
} from '../index.js';

const plain = (text: string): string => text.replaceAll('\u00a0', ' ');
const review: Review = {
	fromMs: 0,
	toMs: 12 * DAY_MS,
	days: 12,
	personDays: 24,
	drawnL: 466,
	drawnSdL: 7.3,
	perPersonDayL: 19.4,
	habits: [],
	unloggedL: 40,
	silent: { litres: 0, days: 0 },
	tanks: [],
	parts: [],
	partsAre: 'days'
};

describe('a review', () => {
	it('answers first, then says what it rests on', () => {
		expect(plain(sayReviewHeadline(review, METRIC))).toBe('19.4 L a day each');
		expect(plain(sayReviewDetail(review, METRIC))).toBe(
			'466 L drawn in 12 days by 2, give or take 12 L. 40 L of it (9%) was not logged; the readings show it.'
		);
		expect(plain(sayReviewDetail({ ...review, drawnSdL: 0, unloggedL: 0 }, METRIC))).toBe(
			'466 L drawn in 12 days by 2. All of it was logged.'
		);
		const quiet = { ...review, silent: { litres: 34, days: 2 } };
		expect(plain(sayReviewDetail(quiet, METRIC))).toContain('34 L of that in 2 days with nothing logged.');
		const { perPersonDayL: _nobody, ...alone } = review;
		expect(plain(sayReviewHeadline({ ...alone, perPersonDayL: undefined }, METRIC))).toBe(
			'466 L drawn, with nobody aboard'
		);
	});

	it('beside another figure', () => {
		expect(sayAgainst(8.8, 10)).toBe('12% less');
		expect(sayAgainst(12, 10)).toBe('20% more');
		expect(sayAgainst(10.1, 10)).toBe('about the same');
		expect(sayAgainst(10, 0)).toBe('nothing to compare with');
	});

	it('of a tank says what nothing explains, when it is more than a little', () => {
		const tank = { id: 'm', in: 0, out: 0, start: 0, end: 0, startSdL: 0, unexplained: -9 };
		expect(plain(sayUnexplained(tank, 'Main', 100, METRIC) ?? '')).toBe(
			'9 L left Main without being logged.'
		);
		expect(plain(sayUnexplained({ ...tank, unexplained: 40 }, 'Main', 100, METRIC) ?? '')).toMatch(
			/^40 L came into Main/
		);
		expect(sayUnexplained({ ...tank, unexplained: 2 }, 'Main', 100, METRIC)).toBeUndefined();
	});

	it('what taps and drains cost', () => {
		const errands: Errands = { fills: 4, dumps: 1, fee: 12.5, minutes: 80, km: 6, errands: [], unplaced: 0 };
		expect(plain(sayErrands(errands, METRIC))).toBe(
			'4 fills and 1 dump: 12.5 in fees, 80 minutes and 6 km of detour.'
		);
		expect(sayErrands({ ...errands, fee: 0, minutes: 0, km: 0, unplaced: 2 }, METRIC)).toBe(
			'4 fills and 1 dump. For 2 of them the place is not logged.'
		);
		expect(sayErrands({ ...errands, fills: 0, dumps: 0 }, METRIC)).toBe('Nothing was filled or dumped.');
	});

	it('against what was to be expected, and against its plan', () => {
		const plan = { services: 3, feasible: true, calls: 4, cost: { reckoned: 21, paid: 18.5 } };
		const says = (foreseen: Parameters<typeof sayForeseen>[0], own: number | undefined = 11) =>
			sayForeseen(foreseen, own, METRIC).map(plain);
		expect(says({ afterFirstDay: false, perPersonDayL: 12, plan })).toEqual([
			'Going by how you lived before, 12 L a day each was expected: it was 8% less.',
			'The plan as it began wanted 3 stops for water and waste; there were 4 visits. It expected a cost of 21; fees, minutes and detours came to 18.5.'
		]);
		expect(
			says({
				afterFirstDay: true,
				plan: { services: 1, feasible: false, calls: 1 }
			})
		).toEqual([
			'The log was too short to expect anything.',
			'The plan after its first day wanted 1 stop for water and waste by now, and said that it would fall short; there was 1 visit.'
		]);
	});

	it('names its parts', () => {
		expect(sayPart('2027-04-21', 'days')).toBe('Wed 21 Apr');
		expect(sayPart('2027-04-21', 'weeks')).toBe('week of Wed 21 Apr');
		expect(sayPart('2027-04-01', 'months')).toBe('April 2027');
	});
});

describe('lived again', () => {
	const lived = (tanks: readonly string[], firstDays?: number, drawnL = 100): Relived => ({
		drawnL,
		perPersonDayL: 10,
		personDays: 10,
		served: tanks.map((tank, i) => ({ ms: i, tank })),
		...(firstDays === undefined ? {} : { firstDays })
	});
	const says = (was: Relived, would: Relived): string =>
		sayRelived(was, would, (id) => id, METRIC)
			.map(plain)
			.join(' ');

	it('fewer calls, a longer first stretch', () => {
		expect(says(lived(['Grey', 'Grey', 'Main'], 3), lived(['Main'], 5, 80))).toBe(
			'2 fewer visits to taps and drains. Setting out full and stopping only when a tank runs low or fills up: once, for Main; as it was, 3 times, for Grey and Main. ' +
				'The first period would have lasted 5 days instead of 3 days. 80 L drawn instead of 100 L.'
		);
	});

	it('more, as many, and never', () => {
		expect(says(lived([]), lived(['Grey', 'Grey'], 2))).toMatch(
			/2 more visits.*twice, for Grey each time.*Grey would have run low or filled up after 2 days/
		);
		expect(says(lived(['Grey'], 2), lived([]))).toMatch(
			/1 fewer visit.*Nothing would have run low or filled up; as it was, Grey did after 2 days/
		);
		expect(says(lived([]), lived([]))).toMatch(/^As many visits.*Either way/);
	});
});

describe('the record', () => {
	const record: ForecastRecord = {
		evenings: 40,
		forecasts: 96,
		inside: 79,
		tanks: [],
		verdict: 'fits',
		spread: 1
	};
	it('in one line, and what follows', () => {
		expect(sayRecord(record)).toBe('79 of 96 in range, on 40 evenings; 77 expected, about right.');
		expect(sayRecordVerdict(record)).toMatch(/stay as they are/);
		// by hand: 17 · 0.8 = 13.6, and 3.4 more are two deviations of √(17 · 0.16)
		expect(sayRecord({ ...record, evenings: 9, forecasts: 17, inside: 17 })).toBe(
			'17 of 17 in range, on 9 evenings; 14 expected, so a little wide.'
		);
		expect(sayRecordVerdict({ ...record, forecasts: 17, inside: 17 })).toMatch(/may be chance/);
		expect(sayRecord({ ...record, inside: 66 })).toMatch(/a little narrow/);
		expect(sayRecordVerdict({ ...record, verdict: 'sharper', spread: 1.4 })).toMatch(
			/Ranges too narrow.*1\.4 times as wide/
		);
		expect(sayRecordVerdict({ ...record, verdict: 'duller', spread: 0.7 })).toMatch(/Ranges too wide.*70%/);
		expect(sayRecordVerdict({ ...record, verdict: 'young' })).toMatch(/ten evenings/);
		expect(sayRecord({ ...record, evenings: 0 })).toBe('No forecast can be checked yet.');
		expect(sayTankRecord({ id: 'm', evenings: 14, inside: 12, wide: 1, verdict: 'fits' })).toBe(
			'12 of 14 in range, within what chance allows'
		);
		expect(sayTankRecord({ id: 'm', evenings: 14, inside: 5, wide: 2.1, verdict: 'sharper' })).toMatch(
			/2\.1 times as wide/
		);
	});

	it.each<[Surprise, string]>([
		[{ kind: 'people', foretold: 2, were: 4.5 }, '4.5 aboard instead of 2'],
		[{ kind: 'heat', maxC: 31 }, 'a hot day, 31 °C'],
		[{ kind: 'leak', tank: 'main' }, 'a loss from Main'],
		[{ kind: 'measure', measure: 'short', on: true }, 'Short showers was switched on'],
		[{ kind: 'habit', habit: 'shower', times: 4, usual: 1.04 }, 'Shower 4 times instead of 1'],
		[{ kind: 'unwritten', litres: 12 }, '12 L more than usual was not logged'],
		[{ kind: 'hook-up' }, 'a hook-up came or went']
	])('why: %j', (surprise, says) => expect(plain(saySurprise(surprise, exactRig, METRIC))).toBe(says));
});
