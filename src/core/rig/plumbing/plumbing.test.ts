import { describe, expect, it } from 'vitest';
import { entry, exactRig } from '../../../../tests/helpers/logbooks.js';
import type { Rig, Tank } from '../../logbook/index.js';
import {
	axleLoads,
	fullLoad,
	gallonIn,
	impactOf,
	payloadOf,
	plumbingOf,
	spareLitres,
	suspicionsOf,
	traceOf,
	weightOf
} from '../index.js';

const change = (id: string, part: Partial<Tank>): Rig => ({
	...exactRig,
	tanks: exactRig.tanks.map((tank) => (tank.id === id ? { ...tank, ...part } : tank))
});
const at = (hour: number): string => `2027-05-01T${String(hour).padStart(2, '0')}:00:00Z`;

describe('the schematic', () => {
	it('runs from the tap through tanks and outlets to where it goes', () => {
		const { nodes, pipes, faults } = plumbingOf(exactRig);
		expect(nodes.map(({ id }) => id)).toEqual(['source:tap', 'main', 'grey', 'black', 'tap', 'toilet']);
		expect(pipes.map(({ from, to }) => `${from}>${to}`)).toEqual(
			expect.arrayContaining(['source:tap>main', 'main>tap', 'tap>grey', 'main>toilet', 'toilet>black'])
		);
		expect(faults).toEqual([]);
	});
	it('points out what leads nowhere', () => {
		const rig: Rig = {
			...exactRig,
			tanks: [
				...exactRig.tanks,
				{ id: 'can', name: 'Can', holds: 'fresh', nominalL: 10, reserveL: 0 },
				{ id: 'pan', name: 'Catch pan', holds: 'grey', nominalL: 20, reserveL: 0 }
			],
			outlets: [
				{ id: 'tap', name: 'Tap', from: 'main', to: 'none' },
				...exactRig.outlets.slice(1),
				{ id: 'spare', name: 'Spare', from: 'main', to: 'ground' }
			]
		};
		expect(plumbingOf(rig).faults).toEqual([
			{ kind: 'nothing-in', tank: 'grey' },
			{ kind: 'no-outlet', tank: 'can' },
			{ kind: 'nothing-in', tank: 'pan' },
			{ kind: 'drains-nowhere', outlet: 'tap' },
			{ kind: 'no-habit', outlet: 'spare' }
		]);
	});
	it('draws what measures carry elsewhere by hand, once, and calls it no loop', () => {
		const caught = (id: string, habit: string, to: string): Rig['measures'][number] => ({
			id,
			name: id,
			habit,
			effect: { kind: 'reroute', litres: 1, to }
		});
		const rig: Rig = {
			...exactRig,
			measures: [
				caught('pan', 'shower', 'black'),
				caught('bowl', 'dishes', 'black'),
				caught('sink', 'dishes', 'grey'),
				caught('back', 'shower', 'main')
			]
		};
		const { pipes, faults } = plumbingOf(rig);
		expect(pipes.filter(({ by }) => by === 'hand')).toEqual([
			{ from: 'tap', to: 'black', by: 'hand' },
			{ from: 'tap', to: 'main', by: 'hand' }
		]);
		expect(faults).toEqual([]);
	});
	it('finds a loop', () => {
		const rig: Rig = { ...exactRig, outlets: [{ id: 'tap', name: 'Tap', from: 'main', to: 'main' }] };
		expect(suspicionsOf(rig).find(({ kind }) => kind === 'loop')).toMatchObject({ through: ['main', 'tap'] });
	});
	it('traces a habit', () =>
		expect([...traceOf(exactRig, exactRig.habits[2]!)]).toEqual(['main', 'toilet', 'black']));
});

describe('what is more likely a slip', () => {
	it('a usable volume far over the plate, and the gallon behind it', () => {
		expect(suspicionsOf(change('grey', { usableL: 96 }))).toEqual([
			{ kind: 'usable-over-plate', tank: 'grey', share: 1.2 }
		]);
		expect(suspicionsOf(change('grey', { usableL: 80, nominalL: 21 }))).toMatchObject([
			{ gallon: 'US gallon' }
		]);
		expect(suspicionsOf(change('grey', { usableL: 91 }))).toEqual([]);
	});
	it('a shape that holds a third of the plate', () =>
		expect(
			suspicionsOf(change('main', { shape: { form: 'box', lengthMm: 500, widthMm: 264, heightMm: 200 } }))
		).toMatchObject([{ kind: 'shape-off-plate', gallon: 'US gallon' }]));
	it('a curve that falls where it should rise', () => {
		const rig: Rig = {
			...exactRig,
			instruments: [
				{
					id: 'g',
					kind: 'gauge',
					name: 'Sender',
					tank: 'main',
					curve: [0, 30, 20, 100].map((litres, reads) => ({ reads, litres }))
				}
			]
		};
		expect(suspicionsOf(rig)).toEqual([{ kind: 'curve-falls', instrument: 'g', reads: 2 }]);
	});
	it('a meter that ran backwards, and one in another unit than the log', () => {
		const shown = (value: number, hour: number) =>
			entry({ kind: 'reading', at: at(hour), instrument: 'pump', value });
		expect(suspicionsOf(exactRig, [shown(50, 6), shown(12, 8)])).toMatchObject([
			{ kind: 'meter-backwards', from: 50, to: 12 }
		]);
		const used = entry({ kind: 'use', at: at(7), habit: 'shower', times: 10 });
		// 80 L by the log, 21.1 by the meter: it counts gallons
		expect(suspicionsOf(exactRig, [shown(0, 6), used, shown(21.1, 8)])).toMatchObject([
			{ kind: 'meter-off-log', gallon: 'US gallon' }
		]);
		expect(suspicionsOf(exactRig, [shown(0, 6), used, shown(83, 8)])).toEqual([]);
	});
	it('tells the two gallons apart, either way round', () => {
		expect([3.7, 1 / 4.6, 4.5, 2].map(gallonIn)).toEqual([
			'US gallon',
			'imperial gallon',
			'imperial gallon',
			undefined
		]);
	});
});

describe('a change and what was written down before', () => {
	const filled = entry({ kind: 'fill', at: at(7), tank: 'main', litres: 90 });
	it('a smaller tank than a fill that went in', () => {
		expect(impactOf(exactRig, change('main', { usableL: 60 }), [filled])).toEqual([
			{ kind: 'fill-over', tank: 'main', capacityL: 60, entries: [filled.id], mostL: 90 }
		]);
		expect(impactOf(exactRig, change('main', { usableL: 85 }), [filled])).toEqual([]);
	});
	it('a tank that held fresh water and now holds waste', () =>
		expect(impactOf(exactRig, change('main', { holds: 'grey' }), [filled])).toMatchObject([
			{ kind: 'now-waste' }
		]));
});

describe('weight', () => {
	const rig: Rig = {
		...change('main', { position: { xM: 1, yM: 0.5 } }),
		payloadKg: 250,
		crew: 2
	};
	const placed: Rig = {
		...rig,
		tanks: rig.tanks.map((tank) =>
			tank.id === 'grey' ? { ...tank, position: { xM: -2, yM: 0 }, deadL: 1 } : { ...tank, tareKg: 4 }
		)
	};
	it('by hand: 60 fresh, 30 + 1 grey, 8 kg of empty tanks', () => {
		const load = new Map([
			['main', 60],
			['grey', 30]
		]);
		expect(weightOf({ ...placed, systemL: 25 }, load)).toEqual({
			freshKg: 60,
			systemKg: 25,
			wasteKg: 31,
			tareKg: 8,
			totalKg: 124,
			payloadShare: 124 / 250,
			unplaced: ['black']
		});
	});
	it('how much more: what fits, or what the payload leaves', () => {
		const load = new Map([['main', 60]]);
		expect(spareLitres(placed, load, 20)).toEqual({ litres: 40, limit: 'room', payload: 'allows' });
		// nobody has said what else is aboard: it cannot be said that the payload allows it
		expect(spareLitres(placed, load)).toEqual({
			litres: 40,
			limit: 'room',
			payload: 'unknown',
			payloadKg: 250
		});
		expect(spareLitres({ ...placed, payloadKg: undefined }, load)).toMatchObject({ payload: 'unstated' });
		// and where the water alone is too much, that is known all the same
		expect(spareLitres({ ...placed, payloadKg: 80 }, load).limit).toBe('payload');
		// 250 − 160 others − 60 water − 1 − 8 = 21
		expect(spareLitres(placed, load, 160)).toEqual({ litres: 21, limit: 'payload' });
		expect(weightOf(placed, fullLoad(placed)).freshKg).toBe(100);
	});
	it('what the plate counts already of a full fresh tank comes on top of its payload', () => {
		expect(payloadOf(placed)).toBe(250);
		// 90 % of 110 L by the plate.
		const nominal = placed.tanks.find(({ id }) => id === 'main')?.nominalL ?? 0;
		expect(payloadOf({ ...placed, plateFreshShare: 0.9 })).toBeCloseTo(250 + 0.9 * nominal, 9);
	});
	it('by hand: a tank between the axles bears on both by its lever; behind the rear one it lifts the front', () => {
		const axles: NonNullable<Rig['axles']> = [
			{ name: 'Front axle', xM: 2, limitKg: 1800, weighedKg: 1500 },
			{ name: 'Rear axle', xM: -2, limitKg: 2000, weighedKg: 1700 }
		];
		// Main, 64 kg at +1: three quarters on the front. Grey, 31 kg at −2: all on the rear. The cassette weighs 4 at −3.
		const tanks = placed.tanks.map((tank) =>
			tank.id === 'black' ? { ...tank, position: { xM: -3, yM: 0 } } : tank
		);
		const load = new Map([
			['main', 60],
			['grey', 30]
		]);
		const [front, rear] = axleLoads({ ...placed, tanks, axles }, load) ?? [];
		expect(front?.carriesKg).toBeCloseTo(1500 + 48 - 1, 9);
		expect(rear?.sparesKg).toBeCloseTo(300 - 16 - 31 - 5, 9);
		expect((front?.carriesKg ?? 0) + (rear?.carriesKg ?? 0)).toBeCloseTo(3200 + 99, 9);
		// A tank without a place is not guessed, and without limits nothing is said.
		expect(axleLoads({ ...placed, axles }, load)).toBeUndefined();
		expect(axleLoads({ ...placed, tanks }, load)).toBeUndefined();
	});
});
