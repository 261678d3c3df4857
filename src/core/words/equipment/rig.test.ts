import { describe, expect, it } from 'vitest';
import { exactRig } from '../../../../tests/helpers/logbooks.js';
import { METRIC } from '../../units/index.js';
import { sayFault, sayFlats, sayImpact, sayRounding, saySuspicion } from '../index.js';

describe('what may be a slip, with its likely cause', () => {
	it.each([
		[
			{ kind: 'usable-over-plate', tank: 'grey', share: 1.2 },
			/^Grey has 20% more usable .* jug counted twice/
		],
		[
			{ kind: 'usable-over-plate', tank: 'grey', share: 3.79, gallon: 'US gallon' },
			/a US gallon to the litre: one of the two is probably in gallons/
		],
		[
			{ kind: 'meter-backwards', instrument: 'pump', entry: 'e', from: 50, to: 12 },
			/^Pump meter went from 50 to 12, though it counts up/
		],
		[
			{ kind: 'meter-off-log', instrument: 'pump', factor: 0.26, gallon: 'US gallon' },
			/about a quarter of what was logged/
		],
		[{ kind: 'loop', through: ['main', 'tap'] }, /Main → Tap → Main/]
	] as const)('%j', (suspicion, words) => expect(saySuspicion(exactRig, suspicion)).toMatch(words));
	it('in the units that were chosen', () =>
		expect(
			saySuspicion(
				exactRig,
				{ kind: 'shape-off-plate', tank: 'main', shapeL: 37.85411784 },
				{ ...METRIC, volume: 'usGal' }
			)
		).toMatch(/comes to 10\u00a0gal, its rated size is 26\u00a0gal/));
});

it('what leads nowhere is named', () => {
	expect(sayFault(exactRig, { kind: 'drains-nowhere', outlet: 'tap' })).toMatch(/^Tap drains nowhere/);
	expect(sayFault(exactRig, { kind: 'nothing-in', tank: 'grey' })).toMatch(/^Nothing runs into Grey/);
});

it('the reason for rounding fits the number of trials', () => {
	const summary = { count: 4, meanL: 80, sdL: 2.6, outliers: [], recommendedL: 77 };
	expect(sayRounding({ ...summary, rounding: { kind: 'spread', sdL: 2.6 } })).toMatch(
		/Mean 80\u00a0L, spread 2.6\u00a0L/
	);
	expect(sayRounding({ ...summary, rounding: { kind: 'smaller' } })).toMatch(/^Two trials/);
	expect(sayRounding({ ...summary, rounding: { kind: 'single', lessL: 2 } })).toMatch(/^One trial only/);
});

it('what a change does to entries, and where a gauge cannot tell', () => {
	expect(
		sayImpact(exactRig, { kind: 'fill-over', tank: 'main', capacityL: 60, entries: ['a'], mostL: 90 })
	).toBe('1 entry moved up to 90\u00a0L at once in or out of Main; it would hold 60\u00a0L.');
	expect(sayFlats([])).toBe('');
	expect(sayFlats([{ from: 'full', to: '1/4', fromL: 20, toL: 90 }])).toBe(
		'This gauge can’t tell the level between full and 1/4 (20\u00a0L to 90\u00a0L). Go by the log there.'
	);
});
