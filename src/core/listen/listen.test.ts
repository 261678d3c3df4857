import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Meter } from '../logbook/index.js';
import { HOUR_MS } from '../time/index.js';
import { countedBy, type Showing } from './counted.js';
import { heard, meter, MORNING, showingsOf, START, written, type Open } from './heard.fixture.js';
import type { Listened } from './listen.js';

const named = ({ uses }: Listened) =>
	uses.map(({ litres, choices, fromMs, toMs }) => ({
		habit: choices[0]?.habit,
		litres: Number(litres.toFixed(1)),
		from: Math.round((fromMs - START) / 1000),
		to: Math.round((toMs - START) / 1000)
	}));

describe('what a meter tells', () => {
	it('names a shower of 8 litres with a pause in it, dishes and hands, by litres and flow', () => {
		// 6 L/min for 50 s and for 30 s are 5 + 3 L; four times 15 s at 4 L/min are 4 L; 8 s at 3.6 L/min are 0.48 L.
		expect(named(heard(showingsOf(MORNING, 10_000), 10_000))).toEqual([
			{ habit: 'shower', litres: 8, from: 100, to: 230 },
			{ habit: 'dishes', litres: 4, from: 4000, to: 4105 },
			{ habit: 'hands', litres: 0.5, from: 9000, to: 9008 }
		]);
	});
	it('tells two taps apart that run at once', () => {
		// 80 s of the shower at 6 L/min; in the middle of it 9 s of the sink at 4.
		const two = named(
			heard(
				showingsOf(
					[
						[100, 80, 6],
						[130, 9, 4]
					],
					900
				),
				900
			)
		);
		expect(two).toEqual([
			{ habit: 'shower', litres: 8, from: 100, to: 180 },
			{ habit: 'hands', litres: 0.6, from: 130, to: 139 }
		]);
	});
	it('names nothing that does not pass the meter, and leaves what is like no habit without a sure name', () => {
		const [one] = heard(showingsOf([[100, 1500, 1.2]], 3000), 3000).uses;
		expect(one?.litres).toBeCloseTo(30, 0);
		expect(one?.choices.every(({ habit: id, chance }) => id !== 'tea' && chance < 0.5)).toBe(true);
	});
	it('learns from what people write in the same hours', () => {
		// Hands that take a litre at 5 L/min are no hands by what the rig says; three that somebody wrote say that they are.
		const taps: Open[] = [1000, 8000, 16_000, 24_000, 31_000].map((s) => [s, 12, 5]);
		const showings = showingsOf(taps, 32_000);
		const told = [1000, 8000, 16_000].map((s, i) => written(`e${i}`, s + 60, 'hands'));
		const before =
			heard(showings, 32_000)
				.uses.at(-1)
				?.choices.find(({ habit: id }) => id === 'hands')?.chance ?? 0;
		const after = heard(showings, 32_000, told).uses.at(-1)?.choices[0];
		expect(after?.habit).toBe('hands');
		expect(after?.chance).toBeGreaterThan(0.8);
		expect(after?.chance).toBeGreaterThan(before);
	});
	it('finds a drip of a quarter litre an hour within a day, and none where there is none', () => {
		const taps: Open[] = [3, 7, 12, 18].map((hour) => [hour * 3600, 10, 4]);
		const day = 24 * 3600;
		const [leak, ...more] = heard(showingsOf(taps, day, { dripLph: 0.25 }), day).leaks;
		expect(more).toEqual([]);
		expect(leak?.litresPerHour).toBeCloseTo(0.25, 1);
		expect(leak?.fromMs).toBeLessThan(START + 2 * HOUR_MS);
		expect(leak?.toMs).toBeUndefined();
		expect(heard(showingsOf(taps, day), day).leaks).toEqual([]);
	});
	it('gives each litre to a use, to the trickle or to an hour in which nobody heard', () => {
		const tap = fc.tuple(
			fc.integer({ min: 0, max: 7000 }),
			fc.integer({ min: 2, max: 200 }),
			fc.double({ min: 0.6, max: 12, noNaN: true })
		);
		fc.assert(
			fc.property(fc.array(tap, { maxLength: 12 }), fc.constantFrom(0, 0.4, 5), (taps, dripLph) => {
				const showings = showingsOf(taps, 7500, { dripLph });
				const { uses, trickledL, unheardL, leaks } = heard(showings, 7500);
				const passed = (showings.at(-1)?.[1] ?? 0) - (showings[0]?.[1] ?? 0);
				const told = uses.reduce((sum, { litres }) => sum + litres, 0) + trickledL + unheardL;
				if (leaks.length === 0) expect(told).toBeCloseTo(passed, 6);
				for (const { choices, fromMs, toMs, litres } of uses) {
					expect(choices.reduce((sum, { chance }) => sum + chance, 0)).toBeLessThanOrEqual(1 + 1e-9);
					expect(toMs).toBeGreaterThan(fromMs);
					expect(litres).toBeGreaterThan(0);
				}
			}),
			{ numRuns: 60 }
		);
	});
	it('tells the same in whatever order samples come, and of a meter that counts down', () => {
		const showings = showingsOf(
			[
				[100, 50, 6],
				[400, 12, 4]
			],
			900
		);
		const told = named(heard(showings, 900));
		expect(named(heard(showings.toReversed(), 900))).toEqual(told);
		const down = showings.map(([ms, shows]): Showing => [ms, 200 - shows]);
		const counter: Meter = { ...meter, counts: 'down' };
		expect(named(heard(down, 900, [], counter))).toEqual(told);
	});
	it('answers whatever is sent', () => {
		const showing = fc.tuple(
			fc.integer({ min: START, max: START + 3_600_000 }),
			fc.double({ min: 0, max: 1e6, noNaN: true })
		);
		fc.assert(
			fc.property(fc.array(showing, { maxLength: 60 }), (showings) => {
				for (const use of heard(showings, 4000).uses)
					expect(
						Object.values(use)
							.flat()
							.filter((one) => typeof one === 'number')
							.every(Number.isFinite)
					).toBe(true);
			})
		);
	});
});

describe('what a meter counted', () => {
	const litresOf = (shows: readonly number[], of: Partial<Meter> = {}): number => {
		const showings = shows.map((one, i): Showing => [START + i * 1000, one]);
		return countedBy({ ...meter, ...of }, showings).steps.reduce((sum, { litres }) => sum + litres, 0);
	};
	it('goes on across a roll-over and from nothing after a reset', () => {
		expect(litresOf([9999.5, 9999.9, 0.2, 0.5])).toBeCloseTo(1, 9);
		expect(litresOf([431.5, 431.9, 0.1, 0.3])).toBeCloseTo(0.7, 9);
		// A counter that begins anew elsewhere says nothing of what ran meanwhile.
		expect(litresOf([431.5, 431.9, 120, 120.2])).toBeCloseTo(0.6, 9);
	});
	it('counts in litres by unit and scale, and down', () => {
		expect(litresOf([10, 10.1], { unitL: 3.785411784, scale: 1.02 })).toBeCloseTo(
			0.1 * 3.785411784 * 1.02,
			9
		);
		expect(litresOf([60, 59.6, 60, 59.9], { counts: 'down' })).toBeCloseTo(0.5, 9);
	});
	it('sets apart what passed while it was not heard', () => {
		const showings: Showing[] = [
			[START, 100],
			[START + 1000, 100.1],
			[START + 2000, 100.2],
			[START + 3 * HOUR_MS, 130.2],
			[START + 3 * HOUR_MS + 1000, 130.3]
		];
		const { steps, unheardL } = countedBy(meter, showings);
		expect(unheardL).toBeCloseTo(30, 9);
		expect(steps.reduce((sum, { litres }) => sum + litres, 0)).toBeCloseTo(0.3, 9);
	});
});
