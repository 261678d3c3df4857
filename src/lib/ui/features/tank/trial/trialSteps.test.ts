import { describe, expect, it } from 'vitest';
import type { Instrument } from '$core/logbook';
import { exactRig } from '../../../../../../tests/helpers/logbooks';
import { counted, falls, instrumentsFor, isMeter, trialsFor } from './trialSteps';

const [main, grey] = exactRig.tanks as [(typeof exactRig.tanks)[0], (typeof exactRig.tanks)[0]];
const rod: Instrument = { id: 'rod', kind: 'rod', name: 'Rod', tank: 'main' };
const needle: Instrument = {
	id: 'needle',
	kind: 'gauge',
	name: 'Needle',
	tank: 'grey',
	curve: [
		{ reads: 0, litres: 0 },
		{ reads: 100, litres: 80 }
	]
};
const all = [...exactRig.instruments, rod, needle];
const ids = (list: readonly Instrument[]) => list.map(({ id }) => id);

describe('which trial suits which tank', () => {
	it('fresh water is run dry, waste is filled until it backs up', () => {
		expect(trialsFor(main)[0]).toBe('run-dry');
		expect(trialsFor(grey)[0]).toBe('back-up');
	});
	it('any meter can count water into a waste tank; a bucket tests the meters of its own tank', () => {
		expect(ids(instrumentsFor('back-up', grey, all))).toEqual(['pump']);
		expect(instrumentsFor('bucket', grey, all)).toEqual([]);
		expect(ids(instrumentsFor('bucket', main, all))).toEqual(['pump']);
	});
	it('step by step wants a figure: rods and needles, not lights', () => {
		expect(ids(instrumentsFor('stepwise', grey, all))).toEqual(['needle']);
		expect(ids(instrumentsFor('stepwise', main, all))).toEqual(['rod']);
	});
});

describe('what figures come to', () => {
	const pump = all.find(isMeter);
	it('a meter before and after', () => {
		expect(counted(pump, 100, 140)).toEqual({ kind: 'litres', litres: 40 });
		expect(counted(pump, 140, 100)).toMatchObject({ kind: 'backwards' });
		expect(counted(pump, 140, undefined)).toBeUndefined();
		expect(counted(undefined, 100, 140)).toBeUndefined();
	});
	it('a step that shows less than the one before it', () => {
		const readings = [
			{ litres: 0, reads: 10 },
			{ litres: 20, reads: 60 },
			{ litres: 40, reads: 50 }
		];
		expect(readings.map((_, i) => falls(readings, i))).toEqual([false, false, true]);
	});
});
