import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { calibrationPairs } from '../../estimate/index.js';
import type { Rig } from '../../logbook/index.js';
import { autonomyFromFull } from './index.js';

const nowMs = Date.parse('2027-05-02T06:00:00Z');
const logbook = logbookOf(freshStart());

describe('a rig set out full', () => {
	// Black fills by 8 · 0.75 = 6 L a day into 18 L; grey by 20 into 75; fresh gives 24 of 90.
	it('lasts until the cassette is full, by hand', () =>
		expect(autonomyFromFull(logbook, exactRig, nowMs, undefined, 50)).toMatchObject({
			binds: 'black',
			freshL: 100,
			fullKg: 200
		}));
	it('with a larger cassette the others bind, both at once, and that is all that is gained', () => {
		const rig: Rig = {
			...exactRig,
			tanks: exactRig.tanks.map((tank) =>
				tank.id === 'black' ? { ...tank, nominalL: 90, usableL: 90 } : tank
			)
		};
		const out = autonomyFromFull(logbook, rig, nowMs, undefined, 50);
		expect(out.autonomyDays.p50).toBeCloseTo(3.75, 1);
		expect(out.fullKg).toBe(270);
		expect(out.binds).not.toBe('black');
	});
	it('leaves out entries that name a tank that is gone', () => {
		const rig: Rig = {
			...exactRig,
			tanks: exactRig.tanks.filter(({ id }) => id !== 'black'),
			outlets: exactRig.outlets.map((outlet) =>
				outlet.to === 'black' ? { ...outlet, to: 'ground' } : outlet
			)
		};
		expect(autonomyFromFull(logbook, rig, nowMs, undefined, 50).autonomyDays.p50).toBeCloseTo(3.75, 1);
	});
});

it('a gauge’s readings stand beside what all else says, and do not vouch for themselves', () => {
	const log = [
		...freshStart(),
		entry({ kind: 'use', at: '2027-05-01T12:00:00Z', habit: 'dishes', times: 5 }),
		entry({ kind: 'reading', at: '2027-05-01T20:00:00Z', instrument: 'lights', value: 'full' })
	];
	const [read] = calibrationPairs(logbookOf(log), 'rig', 'lights', nowMs);
	expect(read).toMatchObject({ reads: 'full', entry: log.at(-1)?.id });
	expect(read?.litres).toBeCloseTo(30, 1);
});
