import { describe, expect, it } from 'vitest';
import { METRIC } from '../units/index.js';
import { rig, START } from '../listen/heard.fixture.js';
import type { Nod } from '../listen/index.js';
import {
	sayHeardAct,
	sayHeardAt,
	sayHeardLeak,
	sayHeardSince,
	sayHowLikely,
	sayNod,
	sayRan,
	saySamples,
	sayUnlogged
} from './listening.js';

const HOUR = 3_600_000;
// 6:00 UTC is 7:00 in London on that Sunday.
const context = { rig, units: METRIC, nowMs: START + 6 * HOUR, timeZone: 'Europe/London' };
const use = { fromMs: START, toMs: START + 60_000, litres: 3.2, lpm: 4, choices: [] };
const plain = (text: string): string => text.replaceAll('\u00a0', ' ');

describe('what was heard, in words', () => {
	it('a use by its name, by the names it may have, or by the outlet it ran at', () => {
		const nods: readonly Nod[] = [
			{ kind: 'named', use, habit: 'shower', chance: 0.97 },
			{
				kind: 'doubtful',
				use,
				habits: [
					{ habit: 'hands', chance: 0.6 },
					{ habit: 'dishes', chance: 0.4 }
				]
			},
			{ kind: 'unnamed', use, outlet: rig.outlets[1] },
			{ kind: 'unnamed', use }
		] as readonly Nod[];
		expect(nods.map((nod) => sayNod(nod, context))).toEqual([
			'Shower',
			'Hands or dishes?',
			'Sink tap?',
			'Not like any habit'
		]);
	});
	it('when, how likely, how much is left to name', () => {
		expect(sayHeardAt(START, context)).toBe('07:00');
		expect(sayHeardAt(START - 12 * HOUR, context)).toBe('yesterday 19:00');
		expect(sayHeardSince(START, context)).toBe('Heard since 07:00');
		expect([45_000, 250_000].map(sayRan)).toEqual(['45 s', '4 min']);
		expect([0.001, 0.554, 0.999].map(sayHowLikely)).toEqual(['1%', '55%', '99%']);
		expect(plain(sayUnlogged(4.24, METRIC))).toBe('4.2 L heard is not logged yet.');
		expect(sayUnlogged(0, METRIC)).toBe('All that was heard is logged.');
		expect([sayHeardAct(['Shower']), sayHeardAct(['Shower', 'Dishes'])]).toEqual([
			'Heard: Shower',
			'Heard: 2 uses'
		]);
		expect(saySamples(2, [START, START + HOUR], context)).toBe('2 samples, 07:00 to 08:00');
		expect(saySamples(1, [START, START], context)).toBe('1 sample, 07:00');
	});
	it('a drip: since when, and what it comes to in a day', () => {
		const days = { ...context, nowMs: START + 50 * HOUR };
		expect(plain(sayHeardLeak({ fromMs: START, litresPerHour: 0.4 }, days))).toBe(
			'Since Sunday something runs when every tap is shut: 0.4 L an hour, 9.6 L a day.'
		);
		expect(plain(sayHeardLeak({ fromMs: START, toMs: START + 9 * HOUR, litresPerHour: 1 }, days))).toBe(
			'Something ran on Sunday, 1 L an hour, until Sunday 16:00.'
		);
	});
});
