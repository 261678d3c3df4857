import { describe, expect, it } from 'vitest';
import { parseRecord } from '$core/logbook';
import { percentOf, shareOf, withValue, type Draft } from '../../kit/fields/fields';
import { newTrip, tripFields } from './tripFields';

const trip = newTrip('t', 'rig', '2027-05-01', 'Etc/UTC', 2);
const field = (key: string, draft: Draft = trip as unknown as Draft, zone = 'Etc/UTC') =>
	tripFields(draft, zone).find((one) => one.key === key);

describe('the fields of a trip', () => {
	it('a new trip lacks nothing but its name', () => {
		expect(parseRecord('trip', { ...trip, name: 'Moor' }).ok).toBe(true);
		expect(parseRecord('trip', trip).ok).toBe(false);
	});
	it('every meaning of a plan’s certainty is one that a logbook may hold', () => {
		const certainty = field('policy.certainty');
		if (certainty?.type !== 'meaning') throw new Error('no meaning');
		for (const { value } of certainty.options) {
			const chosen = withValue({ ...trip, name: 'Moor' }, 'policy.certainty', value);
			expect(parseRecord('trip', chosen).ok).toBe(true);
		}
	});
	it('clocks: the device’s own zone first, and the one chosen elsewhere among the rest', () => {
		const zone = field('timeZone', { ...trip, timeZone: 'Pacific/Apia' } as unknown as Draft, 'Asia/Tokyo');
		if (zone?.type !== 'select') throw new Error('no choice');
		expect(zone.options[0]).toEqual({ value: 'Asia/Tokyo', label: 'this device’s: Asia/Tokyo' });
		expect(zone.options.filter(({ value }) => value === 'Pacific/Apia')).toHaveLength(1);
		expect(zone.options.filter(({ value }) => value === 'Asia/Tokyo')).toHaveLength(1);
	});
	it('prices and clocks are behind “more”', () => {
		const shown = tripFields(trip as unknown as Draft, 'Etc/UTC').filter(({ more }) => !more);
		expect(shown.map(({ key }) => key)).not.toContain('policy.feePerKm');
		expect(shown.map(({ key }) => key)).not.toContain('timeZone');
	});
});

it('a share asked for in percent comes back as it was', () => {
	for (const share of [0.1, 0.333, 0.85, 0.9, 0.975, 1])
		expect(shareOf(percentOf(share))).toBeCloseTo(share, 12);
	expect(percentOf(0.29)).toBe(29);
	expect(percentOf(undefined)).toBeUndefined();
	expect(shareOf(undefined)).toBeUndefined();
});
