import { expect, it } from 'vitest';
import { drainMinutes, outflowLpm } from './index.js';

it('a valve of 75 mm passes 220 to 390 litres a minute by the head over it, not fifteen', () => {
	expect(outflowLpm(75, 0.1)).toBeGreaterThan(220);
	expect(outflowLpm(75, 0.3)).toBeLessThan(400);
	// ¾ inch: 19 mm pass about a fifteenth of it.
	expect(outflowLpm(75, 0.2) / outflowLpm(19, 0.2)).toBeCloseTo((75 / 19) ** 2, 6);
});

it('a tank of straight walls is empty when counting it out step by step says so', () => {
	const [litres, headM, diameterMm] = [50, 0.25, 38];
	let [left, seconds] = [litres, 0];
	for (const step = 0.01; left > 0.02; seconds += step)
		left -= (outflowLpm(diameterMm, (headM * left) / litres) / 60) * step;
	expect(seconds / 60 / drainMinutes(litres, diameterMm, headM)).toBeCloseTo(1, 1);
	// A large valve in seconds, ¾ inch in minutes.
	expect(60 * drainMinutes(50, 75)).toBeLessThan(20);
	expect(drainMinutes(50, 19)).toBeGreaterThan(3);
});
