import { describe, expect, it } from 'vitest';
import { METRIC } from '../units/index.js';
import {
	INSTRUMENT_NAMES,
	sayDaysRange,
	sayFirst,
	sayFirstFill,
	sayFrozen,
	sayHabitWhy,
	sayKeepFree,
	sayKeptHere,
	sayLastingSum,
	sayLevelRange,
	sayNeeded,
	sayNewestFile,
	sayNoDischarge,
	sayNoForecasts,
	sayNothingLearned,
	sayOutliers,
	sayOutOfReach,
	sayOutsideCaution,
	sayOverFull,
	sayOverRated,
	sayOwnShare,
	sayPlannedFrom,
	sayReadEvenings,
	sayReadPast,
	sayRod,
	sayValveToSea,
	sayWeatherByDay,
	sayWontFit,
	spanText
} from './index.js';

const MONDAY = Date.parse('2027-05-03T08:00:00Z');
const UTC = 'Etc/UTC';
const plain = (text: string): string => text.replaceAll('\u00a0', ' ');

describe('why a level is what it is', () => {
	it('its range', () =>
		expect(plain(spanText(sayLevelRange({ low: 55, high: 63, usableL: 90 }, METRIC)))).toBe(
			'Very likely between 55 L and 63 L (9 in 10), of 90 L usable.'
		));
	// by hand: 18 L of room at 6 L a day are 3 days
	const lasting = { levelL: 32, limitL: 50, behind: [], roomL: 18, perDayL: 6, parts: [] };
	it('the sum behind its days', () => {
		expect(plain(spanText(sayLastingSum('Grey', false, lasting, METRIC)))).toBe(
			'Grey has 18 L of room until it is at 50 L. An average day uses 6 L of it: about 3 days.'
		);
		expect(plain(spanText(sayLastingSum('Main', true, { ...lasting, perDayL: 0 }, METRIC)))).toBe(
			'Main has 18 L until it is down to its reserve of 50 L. None of your habits uses it.'
		);
	});
	it('how far the days may differ', () =>
		expect(sayDaysRange({ p10: 1, p50: 3, p90: 5 })).toBe(
			'Days differ, and the level is not exact: 1 in 10 that it is less than 1 day, 1 in 10 that it is more than 5 days.'
		));
	it('what a habit takes, and how much of it is one’s own figure', () => {
		// nine in ten lie within 1.645 deviations
		expect(plain(spanText(sayHabitWhy({ mean: 8, sd: 2 }, { litresEach: 7.1, sd: 0.4 }, METRIC)))).toBe(
			'You entered 8 L, give or take 3.3 L. It is now estimated at 7.1 L, give or take 0.7 L.'
		);
		expect(sayOwnShare(0.42)).toBe(
			'42% of this is your own figure. The rest was learned from these: a measured use counts most, and a reading tells about everything since the last one.'
		);
		expect(sayNothingLearned('Shower')).toBe(
			'Nothing in the log has refined it yet: it is your own figure. Measure one (shower with litres in the line below), or read an instrument before and after.'
		);
	});
});

describe('a rod read aloud', () => {
	const grey = { name: 'Aft', holds: 'grey', usable: '60 L', first: true, more: [] } as const;
	it('says its level, how long it lasts and what that means', () => {
		expect(sayRod({ ...grey, level: '40 L ± 3', aloud: 'Lasts 46 h, until tomorrow morning' })).toBe(
			'Aft, grey: 40 L ± 3 of 60 L usable. Lasts 46 h, until tomorrow morning; fills first.'
		);
		expect(sayRod({ ...grey, first: false, level: '60 L', aloud: 'Full now' })).toBe(
			'Aft, grey: 60 L of 60 L usable. Full now.'
		);
		expect(sayFirst('fresh')).toBe('runs low first');
	});
});

describe('cautions and what is done', () => {
	it('a frozen tank, and until when', () => {
		expect(sayFrozen('Grey', MONDAY + 28 * 3_600_000, MONDAY, UTC)).toBe(
			'Grey is frozen: it can’t be emptied until it thaws, expected tomorrow around noon. Plans don’t count on dumping it.'
		);
		expect(sayFrozen('Grey', undefined, MONDAY, UTC)).toMatch(/until it thaws\. Plans/);
	});
	it('what is to be swapped or carried, with gloves where it is waste', () => {
		expect(sayNeeded({ name: 'Jug', holds: 'fresh' }, 'Can')).toBe(
			'Jug is down to its reserve: Can is needed.'
		);
		expect(sayNeeded({ name: 'Cassette', holds: 'black' }, 'Spare')).toBe(
			'Cassette is almost full: Spare is needed. Wear gloves. Carry it level, lid tight.'
		);
	});
	it('where nothing may go overboard, or on the ground', () => {
		expect(sayNoDischarge('Varn Quay')).toBe(
			'You marked Varn Quay: nothing may go overboard there. Keep it aboard, or pump out.'
		);
		expect(sayValveToSea('Varn Quay')).toBe(
			'You marked Varn Quay: nothing may go overboard. Shut and secure seacock and Y-valve.'
		);
		expect(sayOutsideCaution(true)).toBe(
			'Do this only where local rules allow it; they differ from place to place, for grey too.'
		);
		expect(sayOutsideCaution(false)).toMatch(/place to place\.$/);
	});
	it('a fill: the first one, and one that is too much', () => {
		expect(plain(sayFirstFill(12, METRIC))).toBe(
			'All was drained: heater and pipes take the first 12 L. Fill up, let every tap run until no air comes, and fill up again. Keep the heater off until then.'
		);
		expect(plain(sayWontFit(60, 48, METRIC))).toBe(
			'60 L won’t fit: there is room for about 48 L. It stops there.'
		);
	});
	it('what a container keeps free', () =>
		expect(plain(sayKeepFree('Tote', 50, 4, true, METRIC))).toBe(
			'Tote holds 50 L to the brim; 4 L must be free when you shut the valve, as the hose must still drain into it.'
		));
	it('the weather of a stay whose days are known one by one', () =>
		expect(plain(sayWeatherByDay({ weather: { maxC: 31, minC: -3 }, weatherFrom: 'typed' }, METRIC))).toBe(
			'Up to 31 °C by day and down to −3 °C at night, day by day (as you entered it).'
		));
});

describe('what is measured and kept', () => {
	it('trials', () => {
		expect(sayOutliers(1)).toBe(
			'One trial is far from the others, and still counted. Switch it off if you know why: a leaking valve, a tank not drained, a misread figure.'
		);
		expect(sayOutliers(2)).toMatch(/^2 trials are far/);
		expect(plain(sayOverRated(100, METRIC))).toBe(
			'That is over 15% more than the rated 100 L: did water go elsewhere, or was a jug counted twice?'
		);
		expect(plain(sayOutOfReach(4, 90, METRIC))).toBe('The pump can’t reach 4 L of 94 L in all.');
		expect(INSTRUMENT_NAMES.rod).toBe('dipstick');
	});
	it('weight', () =>
		expect(plain(sayOverFull(42, METRIC))).toBe(
			'Full, it would be 42 kg over the payload. Take less water, or leave something behind.'
		));
	it('the logbook, its second copy and its newest file', () => {
		expect(sayKeptHere(undefined)).toBe(
			'The logbook lives here and works without a network. A second copy is written with every entry.'
		);
		expect(sayKeptHere('no room')).toMatch(/There is no second copy: no room\.$/);
		expect(sayNewestFile(undefined, 40, MONDAY, UTC)).toBe(
			'It has not been saved to a file yet, with 40 entries in it. A file survives a lost phone.'
		);
		expect(sayNewestFile(MONDAY - 864e5, undefined, MONDAY, UTC)).toBe('Its newest file is from yesterday.');
		expect(sayNewestFile(MONDAY - 864e5, 7, MONDAY, UTC)).toBe(
			'Its newest file is from yesterday, with 7 entries since. A file survives a lost phone.'
		);
	});
	it('charts, evenings and plans', () => {
		expect(sayReadPast(true)).toMatch(/Dashed: the reserve\.$/);
		expect(sayReadEvenings(1, 2)).toMatch(
			/dumped\. 1 evening has no reading to check against\. 2 are still to come\.$/
		);
		expect(plain(sayNoForecasts(false, 0.3, METRIC))).toBe(
			'No forecasts yet, as the levels are still being worked out. It takes a tank whose level is not exact, nor full or at its reserve; 0.3 L of doubt is enough.'
		);
		expect(sayPlannedFrom('Wed 5 May')).toBe(
			'Planned as if you set out on Wed 5 May with full water and empty waste tanks, living as you do now.'
		);
	});
});
