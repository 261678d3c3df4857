import { describe, expect, it } from 'vitest';
import { entry, freshStart, livedRig, logbookOf } from '../../../tests/helpers/logbooks.js';
import { estimate } from '../estimate/index.js';
import type { Entry } from '../logbook/index.js';
import { DAY_MS, HOUR_MS } from '../time/index.js';
import { reviewOf, type Review } from './index.js';

/** Two people, 24 L a day, of which nothing is known exactly. */
const rig = livedRig(0.1);
const START = Date.UTC(2027, 4, 1, 6);
const at = (day: number, hour: number): string =>
	new Date(START + day * DAY_MS + (hour - 6) * HOUR_MS).toISOString();
const use = (day: number, hour: number, habit: string, times = 1): Entry =>
	entry({ kind: 'use', at: at(day, hour), habit, times });
const asDone = (day: number): readonly Entry[] => [
	...[8, 9.5, 11, 13, 15, 17, 19, 21].map((hour) => use(day, hour, 'flush')),
	...[12, 20].map((hour) => use(day, hour, 'dishes')),
	use(day, 10, 'shower')
];
const evening = (day: number): readonly Entry[] => [
	use(day, 22, 'flush', 8),
	use(day, 22.02, 'dishes', 2),
	use(day, 22.03, 'shower', 1)
];
const days = (count: number, of: (day: number) => readonly Entry[]): readonly Entry[] =>
	Array.from({ length: count }, (_, day) => of(day)).flat();
const seenTo = [0, 2, 4, 6].flatMap((day) => [
	entry({ kind: 'fill', at: at(day, 22.5), tank: 'main', to: 'full' }),
	entry({ kind: 'dump', at: at(day, 22.5), tank: 'grey', to: 'empty' }),
	entry({ kind: 'dump', at: at(day, 22.5), tank: 'black', to: 'empty' })
]);
const review = (entries: readonly Entry[], until: string, from: string): Review =>
	reviewOf(estimate(logbookOf([...freshStart(), ...seenTo, ...entries], rig), 'rig', Date.parse(until)), {
		fromMs: Date.parse(from),
		timeZone: 'Etc/UTC'
	});
const litresOf = ({ habits }: Review, id: string): number =>
	habits.find((habit) => habit.id === id)?.litres ?? Number.NaN;

describe('what is not written down is told apart', () => {
	it('two days of silence are nobody’s showers', () => {
		const seen = review(days(8, asDone), at(10, 6), at(6, 6));
		expect(litresOf(seen, 'shower')).toBeGreaterThan(14);
		expect(litresOf(seen, 'shower')).toBeLessThan(19);
		expect(seen.silent.litres).toBeGreaterThan(20);
		expect(seen.silent.days).toBeGreaterThan(1.4);
		expect(seen.silent.days).toBeLessThan(2.2);
		expect(seen.unloggedL).toBeGreaterThanOrEqual(seen.silent.litres - 1);
		for (const { start, end, in: came, out } of seen.tanks) expect(start + came - out).toBeCloseTo(end, 6);
	});
	it('an evening that is still to come is not yet a shower, and is one when it is written', () => {
		const before = review(days(7, evening), at(7, 21.5), at(7, 6));
		expect(litresOf(before, 'shower')).toBeCloseTo(0, 6);
		expect(before.silent.litres).toBeGreaterThan(12);
		const after = review(days(8, evening), at(7, 23), at(7, 6));
		expect(litresOf(after, 'shower')).toBeGreaterThan(6.5);
		expect(litresOf(after, 'shower')).toBeLessThan(9.5);
		expect(after.silent.litres).toBeLessThan(1.5);
	});
});
