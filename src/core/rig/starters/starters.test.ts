import { describe, expect, it } from 'vitest';
import { logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate, readLevels } from '../../estimate/index.js';
import { forecast } from '../../forecast/index.js';
import { parseLogbook, type Entry } from '../../logbook/index.js';
import {
	firstEntries,
	plumbingOf,
	readyRig,
	readyRigs,
	startingRig,
	suspicionsOf,
	type Beginning
} from '../index.js';

const begin = (beginning: Partial<Beginning> = {}) => {
	let n = 0;
	return startingRig(
		{ name: 'Mine', kind: 'camper', crew: 2, freshL: 100, greyL: 80, blackL: 20, ...beginning },
		() => `id${++n}`
	);
};
const at = '2027-05-01T06:00:00Z';
const entriesOf = (rig: ReturnType<typeof begin>, fresh: number | 'full'): readonly Entry[] =>
	firstEntries(rig, fresh, true, at).map((draft, i) => ({ ...draft, id: `e${i}`, rig: rig.id }) as Entry);

describe('a rig to begin with', () => {
	it.each<Partial<Beginning>>([
		{},
		{ greyL: undefined },
		{ blackL: undefined },
		{ kind: 'boat', greyL: undefined, crew: 4 }
	])('is valid: %j', (beginning) => {
		const rig = begin(beginning);
		expect(parseLogbook(logbookOf(entriesOf(rig, 'full'), rig, []))).toMatchObject({ ok: true });
	});
	it('reaches a verdict from its first fill', () => {
		const rig = begin();
		const believed = estimate(logbookOf(entriesOf(rig, 60), rig, []), rig.id, Date.parse(at));
		expect(readLevels(believed).tanks[0]?.litres).toBeCloseTo(60, 0);
		const { autonomyDays } = forecast(believed, { days: 30, paths: 200 });
		// about 2 × 0.5 × 9 + 1.5 × 6 + 2 × (1.6 + 0.6 + 2 + 2.3 + 3) = 37 L a day; 52 L above the reserve
		expect(autonomyDays.p50).toBeGreaterThan(1);
		expect(autonomyDays.p50).toBeLessThan(2);
	});
	it('without a grey tank, water runs to the ground or overboard', () => {
		expect(begin({ greyL: undefined }).outlets[0]?.to).toBe('ground');
		expect(begin({ greyL: undefined, kind: 'boat' }).outlets[0]?.to).toBe('overboard');
	});
});

describe('ready rigs', () => {
	it.each(readyRigs.map(({ id }) => id))('%s is valid, leads somewhere, and is no suspicion', (id) => {
		let n = 0;
		const rig = readyRig(id, 'Mine', () => `id${++n}`);
		expect(parseLogbook(logbookOf(entriesOf(rig, 'full'), rig, []))).toMatchObject({ ok: true });
		expect(plumbingOf(rig).faults).toEqual([]);
		expect(suspicionsOf(rig)).toEqual([]);
		const ahead = forecast(estimate(logbookOf(entriesOf(rig, 'full'), rig, []), rig.id, Date.parse(at)), {
			days: 30,
			paths: 100
		});
		// from the jugs of a car, most of a day, to a caravan with two grey tanks
		expect(ahead.autonomyDays.p50).toBeGreaterThan(0.5);
		expect(ahead.autonomyDays.p50).toBeLessThan(5);
	});
});
