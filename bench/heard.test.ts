import { describe, expect, it } from 'vitest';
import { parseLogbook } from '../src/core/logbook';
import { heardMisses, HEARINGS, scoreHeard } from './heard';
import { heardLife } from './truth/heard';

/** Two lives of a class are few: so much is chance. */
const FEW = 0.02;

describe('lives at the tap', () => {
	it.each(HEARINGS.map((hearing) => [hearing.name, hearing] as const))(
		'%s: a valid logbook, a total that only goes on, the same for the same seed',
		(_, hearing) => {
			const life = heardLife(hearing, 3);
			expect(parseLogbook(life.logbook)).toMatchObject({ ok: true });
			expect(heardLife(hearing, 3).samples).toEqual(life.samples);
			const back = life.samples.filter(([, shows], i) => shows < (life.samples[i - 1]?.[1] ?? 0));
			expect(back.length).toBeLessThanOrEqual(hearing.torn ? 2 : 0);
		}
	);
	it.each(
		HEARINGS.filter(({ hardly, torn }) => !hardly && !torn).map((hearing) => [hearing.name, hearing] as const)
	)('%s: heard well enough to log by nodding', (_, hearing) => {
		expect(heardMisses(hearing, scoreHeard(hearing, 2), FEW)).toEqual([]);
	});
	it('hears fewer and is less sure where the meter hardly shows the taps, and makes no drip up', () => {
		for (const hearing of HEARINGS.filter(({ hardly }) => hardly)) {
			const { found, brier, leaks, leaksFound } = scoreHeard(hearing, 2);
			expect(found, hearing.name).toBeGreaterThan(0.6);
			expect(brier, hearing.name).toBeLessThan(0.24);
			expect(leaksFound, hearing.name).toBe(leaks);
		}
	});
});
