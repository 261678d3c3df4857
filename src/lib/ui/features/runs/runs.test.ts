import { describe, expect, it } from 'vitest';
import type { Run } from '$core/runs';
import { handedOver, readHanded } from './screen/handOver';
import { LiveMeter } from './meter/liveMeter.svelte';
import { nearnessOf, spokenAt } from './meter/signal';
import { nearestWith, placesFor, stopNow, waterAt } from './start/sources';
import type { FlowReading } from '$lib/standins/simulatedFlow';

const run: Run = {
	id: '0190a0b0-0000-7000-8000-000000000001',
	rig: 'Räuberhöhle',
	begun: '2027-05-01T08:00:00Z',
	setup: { kind: 'dump', order: [{ do: 'empty', tank: 'grey', litres: 40 }, { do: 'cap' }], where: 'sewer' },
	answers: { '0-empty': { how: 'not-quite', leftL: 4, at: '2027-05-01T08:05:00Z' } }
};

it('the last litres are said aloud one by one, and the end; nothing before', () => {
	expect([7, 4.9, 3.2, 1.1, 0.4, 0, -2].map((toGo) => spokenAt(toGo, 'L'))).toEqual([
		undefined,
		'Five litres to go',
		'Four',
		'Two',
		'One',
		'Stop now',
		'Stop now'
	]);
	expect([5, 3, -1].map((toGo) => spokenAt(toGo, 'usGal'))).toEqual([
		undefined,
		'One gallon to go',
		'Stop now'
	]);
});

describe('a run handed over in an address', () => {
	it('comes through whole', () => {
		expect(handedOver(run)).toMatch(/^[\w-]+$/);
		expect(readHanded(handedOver(run))).toEqual(run);
	});
	it('cut off, mistyped or made up, it is none', () => {
		const text = handedOver(run);
		for (const torn of ['', 'x', text.slice(0, -9), `${text}!`, btoa('{"id":"a"}'), '💧', '%'])
			expect(readHanded(torn)).toBeUndefined();
	});
});

describe('a meter that is followed', () => {
	it('keeps what it showed when it is lost, and goes on when it is heard again', () => {
		const live = new LiveMeter();
		let tell: (reading: FlowReading) => void = () => undefined;
		let lose = (): void => undefined;
		let ended = false;
		live.follow({
			follow: (onreading, onlost) => {
				[tell, lose] = [onreading, onlost];
				return () => (ended = true);
			}
		});
		expect(live.state).toBe('waiting');
		tell({ shows: 440.1, lpm: 12 });
		expect([live.state, live.shows]).toEqual(['live', 440.1]);
		lose();
		expect([live.state, live.shows]).toEqual(['lost', 440.1]);
		tell({ shows: 452.3, lpm: 12 });
		expect([live.state, live.shows]).toEqual(['live', 452.3]);
		live.stop();
		expect([live.state, ended]).toEqual(['off', true]);
	});
	it('warns at five litres to go, and at the mark', () =>
		expect([20, 5.01, 5, 0.1, 0, -2].map(nearnessOf)).toEqual([
			'far',
			'far',
			'near',
			'near',
			'there',
			'there'
		]));
});

describe('where one fills', () => {
	const water = { kind: 'water', potable: true, flowLpm: 11 } as const;
	const points = [
		{ id: 'a', name: 'A', position: [0, 0] as const, services: [water] },
		{ id: 'b', name: 'B', position: [0, 0] as const, services: [{ kind: 'grey' } as const] },
		{ id: 'c', name: 'C', position: [0, 0] as const, services: [{ ...water, potable: false }] }
	];
	const stop = {
		id: 's',
		name: 'S',
		arrive: '2027-05-01T08:00:00Z',
		depart: '2027-05-03T08:00:00Z',
		legKm: 0,
		point: 'c',
		services: [{ ...water, flowLpm: 5 }]
	};
	const trip = {
		id: 't',
		rig: 'rig',
		name: 'T',
		timeZone: 'Etc/UTC',
		from: '2027-05-01',
		to: '2027-05-04',
		persons: 2,
		stops: [stop]
	};
	it('the stop where one is comes first, and what it says of today counts', () => {
		const here = stopNow(trip, Date.parse('2027-05-02T08:00:00Z'));
		expect(here).toBe(stop);
		expect(stopNow(trip, Date.parse('2027-05-03T08:00:00Z'))).toBeUndefined();
		const places = placesFor(points, ['water'], here);
		expect(places.map(({ id }) => id)).toEqual(['c', 'a']);
		expect(waterAt(places[0], here)).toMatchObject({ potable: true, flowLpm: 5 });
		expect(waterAt(undefined, undefined)).toBeUndefined();
		const apart = points.map((point, i) => ({ ...point, position: [0, 0.03 - i * 0.01] as const }));
		expect(nearestWith(apart, ['water'], [0, 0]).map(({ point }) => point.id)).toEqual(['c', 'a']);
		expect(nearestWith(apart, ['grey'], undefined)).toMatchObject([{ km: undefined }]);
	});
});
