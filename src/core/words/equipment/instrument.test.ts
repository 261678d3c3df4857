import { describe, expect, it } from 'vitest';
import { exactRig } from '../../../../tests/helpers/logbooks.js';
import type { Meter } from '../../logbook/index.js';
import { METRIC } from '../../units/index.js';
import {
	sayBeep,
	sayCadence,
	sayInstrument,
	sayLinks,
	sayMeterCount,
	sayMeterUnit,
	sayAxle,
	sayNights,
	sayOffered,
	saySpare,
	sayTotals
} from '../index.js';

const plain = (text: string | undefined): string | undefined => text?.replaceAll('\u00a0', ' ');
const down: Meter = {
	id: 'm',
	kind: 'meter',
	name: 'Countdown',
	place: 'pump',
	tank: 'main',
	unitL: 3.785411784,
	counts: 'down',
	setTo: 25,
	alarmAt: 5
};

describe('instruments in a line', () => {
	it('each by its kind', () => {
		expect(exactRig.instruments.map(sayInstrument)).toEqual([
			'meter at the pump’s inlet, counts up',
			'gauge with lights: empty, 1/3, 2/3, full'
		]);
		expect(
			sayInstrument({ id: 'g', kind: 'gauge', name: 'G', tank: 'main', curve: [{ reads: 0, litres: 0 }] })
		).toBe('gauge: 0');
	});
	it('what one displayed unit is, in words', () => {
		expect(sayMeterUnit(down)).toBe('US gallons');
		expect(sayMeterUnit({ ...down, unitL: 1, scale: 1.0499 })).toBe('litres, times 1.05 by its bucket test');
	});
	it('how it counts', () => {
		expect(sayMeterCount(down)).toBe('down, set to 25 at a reset, beeps at 5');
		expect(sayMeterCount({ ...down, setTo: undefined, alarmAt: undefined, counts: 'up' })).toBe('up');
	});
	it('what its beep means: 20 gallons through, 5 left, in litres', () => {
		expect(plain(sayBeep(down, METRIC))).toBe(
			'76 L has gone through since it was set; 18.9 L is left of what it was set to.'
		);
		expect(sayBeep({ ...down, counts: 'up' }, METRIC)).toBeUndefined();
		expect(sayBeep({ ...down, alarmAt: undefined }, METRIC)).toBeUndefined();
	});
});

it('where a tank’s water goes on to', () => {
	const [main, ...rest] = exactRig.tanks;
	const rig = { ...exactRig, tanks: [{ ...main!, feeds: 'gone' }, ...rest] };
	expect(sayLinks(rig, 'main')).toBe(', poured into gone');
	expect(sayLinks(exactRig, 'main')).toBe('');
});

it('how often a habit is, and what entries add up to', () => {
	expect(sayCadence({ times: 0.5, per: 'person-day' })).toBe('0.5 × per person and day');
	expect(sayCadence({ times: 2, per: 'day' })).toBe('2 × per day');
	expect(plain(sayTotals({ usedL: 42, filledL: 60, unmeasuredFills: 1, dumps: 2 }, METRIC))).toBe(
		'42 L used, 60 L filled, 1 fill unmeasured, 2 dumps'
	);
	expect(sayTotals({ usedL: 0, filledL: 0, unmeasuredFills: 0, dumps: 0 }, METRIC)).toBe('');
});

describe('a stop', () => {
	const stop = {
		id: 's',
		name: 'Kelda',
		arrive: '2027-05-01T22:30:00Z',
		depart: '2027-05-03T08:00:00Z',
		legKm: 3,
		services: [{ kind: 'water', potable: false }, { kind: 'grey' }]
	} as const;
	it('says what is there, and what is not for drinking', () => {
		expect(sayOffered({ ...stop, services: [...stop.services] })).toBe('tap (not for drinking), grey drain');
		expect(sayOffered({ ...stop, services: [] })).toBe('nothing here');
	});
	it('counts nights in the zone of the trip', () => {
		expect(sayNights({ ...stop, services: [] }, 'Etc/UTC')).toBe('2 nights');
		// 22:30 in Greenwich is the next morning in the east.
		expect(sayNights({ ...stop, services: [] }, 'Asia/Tokyo')).toBe('1 night');
		expect(sayNights({ ...stop, services: [], depart: '2027-05-01T23:30:00Z' }, 'Etc/UTC')).toBe('');
	});
});

describe('how much more may come aboard', () => {
	it('says that the payload allows it only when it was asked what else is aboard', () => {
		const room = { litres: 70, limit: 'room' } as const;
		expect(saySpare({ ...room, payload: 'allows' }, METRIC)).toMatchObject({
			says: 'fits in the fresh tanks, and the payload allows it'
		});
		const unknown = saySpare({ ...room, payload: 'unknown', payloadKg: 540 }, METRIC);
		expect(unknown.says).toBe('fits in the fresh tanks');
		expect(plain(unknown.missing)).toContain('540 kg for everything');
		expect(saySpare({ ...room, payload: 'unstated' }, METRIC).missing).toContain('Change rig');
	});
	it('says when the payload ends first', () => {
		expect(saySpare({ litres: 20, limit: 'payload' }, METRIC).says).toContain(
			'before the payload is used up'
		);
	});
	it('moments have two ways', () => {
		const axle = { name: 'Rear axle', carriesKg: 1960, sparesKg: 40 };
		expect(sayAxle(axle, METRIC).replaceAll('\u00a0', ' ')).toBe(
			'Rear axle can take 40 kg more: it carries 1960 kg.'
		);
		expect(sayAxle({ ...axle, sparesKg: -12 }, METRIC)).toMatch(/12.kg over its limit/);
	});
});
