import { HOUR_MS, MINUTE_MS } from '../../time/index.js';
import { describe, expect, it } from 'vitest';
import { exactRig } from '../../../../tests/helpers/logbooks.js';
import type { Basket, Holding, Sacrifice } from '../../forecast/index.js';
import { METRIC } from '../../units/index.js';
import {
	sayAt,
	sayBasket,
	sayChance,
	sayLonger,
	sayEffect,
	sayGoal,
	sayNotYet,
	sayPaid,
	saySacrifice,
	saySides,
	spanText,
	type Until
} from '../index.js';

const ZONE = 'Etc/UTC';
/** with plain spaces before units */
const plain = (text: string): string => text.replaceAll('\u00a0', ' ');
/** a Saturday */
const now = Date.parse('2027-05-01T06:00:00Z');
const DAY = 24 * HOUR_MS;

describe('when', () => {
	it.each([
		[now + 3 * HOUR_MS, 'today at 09:00'],
		[now + 30 * HOUR_MS + 40 * MINUTE_MS, 'tomorrow at 12:30'],
		[now + 30 * HOUR_MS, 'tomorrow at noon'],
		[now + 3 * DAY, 'Tuesday morning']
	])('%d is %s', (ms, says) => expect(sayAt(ms, now, ZONE)).toBe(says));
	it('a day that was picked, with its hour', () => {
		expect(sayGoal(Date.parse('2027-05-05T12:00:00Z'), now, ZONE)).toBe('Wednesday noon');
		expect(sayGoal(Date.parse('2027-05-05T18:30:00Z'), now, ZONE)).toBe('Wednesday 18:30');
	});
	it.each([
		[0.01, 'almost no chance'],
		[0.1, '10% chance'],
		[0.91, '90% chance'],
		[0.97, 'over 90% chance'],
		[1, 'almost certain']
	])('a chance of %d is %s', (chance, says) => expect(sayChance(chance)).toBe(says));
});

describe('a basket', () => {
	const holding = (chance: number, tank: string, bindsDays: number): Holding => ({
		chance,
		tank,
		bindsDays,
		failing: [],
		days: bindsDays
	});
	const until = new Map<string, Until>([
		['grey', { ms: now + 30 * HOUR_MS, for: 'service', stop: 'Paper Ford' }],
		['main', { ms: now + 5 * DAY, for: 'trip-end' }]
	]);
	const say = (before: Holding, after: Holding, of: ReadonlyMap<string, Until> = until) => {
		const basket: Basket = { before, after };
		const { kind, headline, reason } = sayBasket(exactRig, basket, of, 0.9, now, ZONE);
		return [kind, headline.text, reason];
	};
	it('is enough, asks to be careful, or sends one to dump, each with its reason', () => {
		expect(say(holding(1, 'grey', 2), holding(0.95, 'grey', 1.75))).toEqual([
			'enough',
			'Enough.',
			'Grey is full Monday around midnight; the drain at Paper Ford is tomorrow at noon.'.replace(
				'Monday around midnight',
				'tomorrow night'
			)
		]);
		expect(say(holding(0.95, 'grey', 2), holding(0.6, 'grey', 1.3))).toEqual([
			'careful',
			'Be careful.',
			'Grey is full tomorrow at 13:00; the drain at Paper Ford is tomorrow at noon. 60% chance that it works.'
		]);
		expect(say(holding(0.95, 'grey', 2), holding(0.2, 'grey', 10 / 24))).toEqual([
			'go',
			'Dump first.',
			'Grey is full today at 16:00; the drain at Paper Ford is tomorrow at noon.'
		]);
	});
	it('sends one for water where that ends first, and says when it is so already', () => {
		expect(say(holding(0.3, 'main', 4), holding(0.2, 'main', 3.5))).toEqual([
			'go',
			'Refill first.',
			'Main is down to its reserve Tuesday evening; the trip ends Thursday morning. True even without it.'
		]);
	});
	it('sends one for both where both end before they are served', () =>
		expect(say(holding(0.3, 'main', 4), { ...holding(0.1, 'grey', 0.5), failing: ['main', 'grey'] })[1]).toBe(
			'Dump and refill first.'
		));
	it('what does not fit at all has no room; without a trip it is asked until tomorrow', () => {
		const day = new Map<string, Until>([['grey', { ms: now + DAY, for: 'a-day' }]]);
		expect(say(holding(1, 'grey', 2), holding(0, 'grey', 0), day)[2]).toBe(
			'Grey is too full for it; checked until tomorrow at 06:00, as no drain is planned.'
		);
	});
});

describe('the least sacrifice', () => {
	const rig = {
		...exactRig,
		measures: [
			...exactRig.measures,
			{ id: 'inch', name: 'Dishes in an inch', habit: 'dishes', effect: { kind: 'set' as const, litres: 3 } }
		]
	};
	const set = (measures: readonly string[], chance: number) => ({
		measures,
		effort: measures.length,
		chance
	});
	const base: Sacrifice = {
		reached: false,
		others: [],
		nearest: { ...set([], 0.1), lastsToMs: now + DAY },
		asItIs: { ...set([], 0.1), lastsToMs: now + 2 * DAY - 15 * HOUR_MS }
	};
	const say = (found: Partial<Sacrifice>, inForce: readonly string[] = []) => {
		const { headline, detail } = saySacrifice(
			rig,
			{ ...base, ...found },
			inForce,
			{ untilMs: now + 2 * DAY + 6 * HOUR_MS },
			now,
			ZONE
		);
		return `${spanText(headline)} ${spanText(detail)}`;
	};
	it('says how far short one is, and what gets there', () =>
		expect(say({ reached: true, best: set(['short', 'inch'], 0.93) })).toBe(
			'You are 21 hours short of Monday noon. Easiest way there: Short showers and Dishes in an inch. Very sure with both.'
		));
	it('says how much longer in hours, then in days', () =>
		expect([0.2, 0.75, 28.4, 24 * 4].map(sayLonger)).toEqual([
			'no longer',
			'45 min longer',
			'28 hours longer',
			'4 days longer'
		]));
	it('does not ask again for what is on', () =>
		expect(say({ reached: true, best: set(['short', 'inch'], 0.93) }, ['short'])).toContain(
			'Easiest way there: Dishes in an inch. Very sure with it.'
		));
	it('says that nothing is asked, or that nothing helps', () => {
		expect(say({ reached: true, best: set([], 0.97) })).toBe(
			'You reach Monday noon as you live now. Over 90% chance that no tank runs low or fills up before then.'
		);
		expect(say({ nearest: { ...set(['short'], 0.2), lastsToMs: now + 40 * HOUR_MS } })).toBe(
			'You can’t make it to Monday noon. The furthest you get is with Short showers: until tomorrow night. Without, you are 21 hours short.'
		);
		expect(say({})).toContain('no way to save changes that: tomorrow morning is as far as you get.');
	});
	it('says when not every set was tried', () =>
		expect(say({ reached: true, best: set(['short'], 0.93), bounded: true })).toContain(
			'too many ways to save to try every set'
		));
});

describe('a measure', () => {
	const says =
		<A extends readonly unknown[]>(say: (...args: A) => string) =>
		(...args: A): string =>
			plain(say(...args));
	it('says what it changes, and both sides of it', () => {
		expect(
			says(sayEffect)(exactRig, { habit: 'shower', effect: { kind: 'scale', factor: 0.5 } }, METRIC)
		).toBe('Shower: 8 L becomes 4 L');
		expect(
			says(sayEffect)(
				exactRig,
				{ habit: 'shower', effect: { kind: 'reroute', litres: 1, to: 'black', replaces: 'flush' } },
				METRIC
			)
		).toBe('Shower: 1 L of it to Cassette, and saves as much of Flush');
		expect(
			says(sayEffect)(exactRig, { habit: 'shower', effect: { kind: 'recipe', parts: { runMin: 1 } } }, METRIC)
		).toBe('Shower: nothing yet, as it has no recipe');
		expect(
			says(saySides)(
				exactRig,
				[
					{ id: 'main', litresPerDay: 1 },
					{ id: 'grey', litresPerDay: -1 },
					{ id: 'black', litresPerDay: 0.5 }
				],
				METRIC
			)
		).toBe('A day: 1 L less from Main, 1 L less in Grey and 0.5 L more in Cassette');
	});
	it('has paid, has cost, or may be chance', () => {
		const sample = (mean: number) => ({ count: 4, mean, sd: 1 });
		const paid = {
			without: sample(8),
			with: sample(5),
			spares: 3,
			low: 1.2,
			high: 4.8,
			moreThanChance: true
		};
		const told = sayPaid(paid, 'use', METRIC);
		expect(plain(told.says)).toBe('It saves about 3 L each time.');
		expect(plain(told.rests)).toBe(
			'8 L each time without (4×), 5 L with it (4×). Likely between 1.2 L and 4.8 L (9 in 10).'
		);
		const doubtful = sayPaid({ ...paid, low: -1, moreThanChance: false }, 'person and day', METRIC);
		expect(doubtful.says).toMatch(/may be chance/);
		expect(plain(doubtful.rests)).toMatch(/might save up to 4\.8 L or cost up to 1 L/);
		expect(sayNotYet({ without: 3, with: 1 }, 'shower')).toBe(
			'Too early to tell. Still to measure: shower 1× with it.'
		);
	});
});
