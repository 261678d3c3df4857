import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf } from '../../../tests/helpers/logbooks.js';
import type { Ahead, Entry } from '../logbook/index.js';
import { DAY_MS } from '../time/index.js';
import { estimate, saidContradicted } from './index.js';

const START = Date.UTC(2027, 4, 1, 6);
const iso = (days: number): string => new Date(START + days * DAY_MS).toISOString();
const saidDay = (what: Partial<Ahead>, days = 2): Ahead => ({
	id: 'said',
	from: iso(14),
	to: iso(14 + days),
	...what
});

/** Two people use 24 L a day by a meter read each morning; of two days something was said, and so much was used. */
function contradicted(
	ahead: Ahead,
	usedL: number,
	{ asked = 16.1, readTo = 16, more = [] as readonly Entry[] } = {}
): boolean {
	const readings = Array.from({ length: readTo + 1 }, (_, i) =>
		entry({
			kind: 'reading',
			at: iso(i + 0.001),
			instrument: 'pump',
			value: 24 * Math.min(i, 14) + usedL * Math.max(0, i - 14)
		})
	);
	const served = Array.from({ length: 9 }, (_, i) => [
		entry({ kind: 'fill', at: iso(2 * i + 0.01), tank: 'main', to: 'full' }),
		entry({ kind: 'dump', at: iso(2 * i + 0.02), tank: 'grey', to: 'empty' }),
		entry({ kind: 'dump', at: iso(2 * i + 0.03), tank: 'black', to: 'empty' })
	]).flat();
	const rig = { ...exactRig, unlogged: undefined, ahead: [ahead] };
	const known = estimate(
		logbookOf([...freshStart(), ...readings, ...served, ...more], rig),
		'rig',
		START + asked * DAY_MS
	);
	return saidContradicted(known, []).length > 0;
}

describe('what was said of days, once they are over', () => {
	it('is asked about when the meter says that they were as usual', () => {
		expect(contradicted(saidDay({ persons: 6 }), 24)).toBe(true);
		expect(contradicted(saidDay({ away: true }), 24)).toBe(true);
	});
	it('is not when it came as it was said', () => {
		expect(contradicted(saidDay({ persons: 6 }), 72)).toBe(false);
		expect(contradicted(saidDay({ away: true }), 0)).toBe(false);
	});
	it('is not before the days are over, nor days later, nor once it was confirmed', () => {
		expect(contradicted(saidDay({ persons: 6 }, 3), 24)).toBe(false);
		expect(contradicted(saidDay({ persons: 6 }), 24, { asked: 19.1 })).toBe(false);
		expect(contradicted(saidDay({ persons: 6, confirmed: true }), 24)).toBe(false);
	});
	it('is not while nothing was read, and not where somebody wrote down who was aboard', () => {
		expect(contradicted(saidDay({ persons: 6 }), 24, { readTo: 14 })).toBe(false);
		const two = entry({ kind: 'crew', at: iso(14.01), persons: 2 });
		expect(contradicted(saidDay({ persons: 6 }), 24, { more: [two] })).toBe(false);
	});
});
