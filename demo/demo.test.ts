import { describe, expect, it } from 'vitest';
import { assess, planTrip } from '../src/core/now';
import { currentTrip } from '../src/core/logbook';
import { estimate } from '../src/core/estimate';
import { parseLogbook } from '../src/core/logbook';
import { spanText } from '../src/core/words';
import { demoLogbook } from '.';

/** Early, at noon, late; in summer, in winter, across a change of clocks. */
const MOMENTS = [
	'2027-06-16T05:10:00Z',
	'2026-12-24T12:00:00Z',
	'2027-03-29T22:30:00Z',
	'2027-10-31T09:00:00Z'
];

describe.each(MOMENTS)('the demo made at %s', (moment) => {
	const nowMs = Date.parse(moment);
	const logbook = demoLogbook(nowMs, 'Europe/London');
	it('is a valid logbook of both rigs, the same at every making, nothing in the future', () => {
		expect(parseLogbook(JSON.parse(JSON.stringify(logbook)))).toMatchObject({ ok: true });
		expect(demoLogbook(nowMs, 'Europe/London')).toEqual(logbook);
		expect(logbook.rigs.map(({ name }) => name).sort()).toEqual(['Sandling', 'Wren']);
		expect(logbook.entries.filter(({ at }) => Date.parse(at) > nowMs)).toEqual([]);
		expect(logbook.entries.length).toBeGreaterThan(300);
	});
	it('has a trip under way, a tank that binds within days, and a service before the end', () => {
		for (const rig of logbook.rigs) {
			const trip = currentTrip(logbook.trips, rig.id, nowMs);
			const now = assess(
				estimate(logbook, rig.id, nowMs),
				logbook,
				{
					trip,
					timeZone: 'Europe/London',
					paths: 300
				},
				planTrip
			);
			expect(now.forecast.autonomyDays.p50).toBeLessThan(9);
			expect(now.forecast.autonomyDays.p10).toBeGreaterThan(0.2);
			expect(now.plan?.next?.stop).toMatch(/stop/);
			expect(spanText(now.verdict.headline)).toMatch(/first: /);
		}
	});
	it('has the stuck lights called out, and slips that were put right', () => {
		const now = assess(
			estimate(logbook, 'demo-wren', nowMs),
			logbook,
			{
				timeZone: 'Europe/London',
				paths: 50
			},
			planTrip
		);
		expect(now.findings.map(({ finding }) => finding.instrument)).toContain('wren-lights');
		expect(logbook.entries.filter((entry) => entry.void).length).toBeGreaterThanOrEqual(3);
	});
});
