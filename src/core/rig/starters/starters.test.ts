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
	TOILETS,
	withOthers,
	type Beginning
} from '../index.js';

const begin = (beginning: Partial<Beginning> = {}) => {
	let n = 0;
	return startingRig(
		{ name: 'Mine', kind: 'camper', crew: 2, freshL: 100, greyL: 80, toilet: 'cassette', ...beginning },
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
		{ toilet: 'none' },
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

describe('what a newcomer says of it', () => {
	const flushOf = (rig: ReturnType<typeof begin>) =>
		rig.habits.find(({ outlet }) => rig.outlets.find(({ id }) => id === outlet)?.name === 'Toilet');
	it.each(TOILETS.map(({ key }) => key))('a toilet, %s, is a rig that can be read', (toilet) => {
		const rig = begin({ toilet, blackCount: 2, jugs: { count: 2, litres: 20 }, babies: 1, dogs: 1 });
		expect(parseLogbook(logbookOf(entriesOf(rig, 60), rig, []))).toMatchObject({ ok: true });
		expect(suspicionsOf(rig)).toEqual([]);
	});
	it('a cassette is carried, a gravity toilet takes two litres, the sea draws from no tank', () => {
		expect(begin().tanks.at(-1)).toMatchObject({ name: 'Cassette', nominalL: 18, portable: true });
		expect(flushOf(begin({ toilet: 'over-tank' }))?.litresEach.mean).toBe(2);
		expect(begin({ toilet: 'sea' }).outlets.at(-1)).toMatchObject({ name: 'Toilet', from: 'outside' });
		expect(begin({ toilet: 'none' }).tanks.some(({ holds }) => holds === 'black')).toBe(false);
	});
	it('a bottle of 8 L for two lasts about two and a half days, a second one as long again', () => {
		const lasts = (blackCount: number): number => {
			const rig = begin({ toilet: 'bottle', blackCount, freshL: 900, greyL: 900 });
			return forecast(estimate(logbookOf(entriesOf(rig, 'full'), rig, []), rig.id, Date.parse(at)), {
				days: 30,
				paths: 400
			}).autonomyDays.p50;
		};
		// 2 × 5 × 0.3 = 3 L a day
		expect(lasts(1)).toBeGreaterThan(1.8);
		expect(lasts(1)).toBeLessThan(3.2);
		expect(lasts(2) / lasts(1)).toBeCloseTo(2, 0);
	});
	it('jugs only: the first stands at the tap, the others take its place', () => {
		const rig = begin({
			freshL: undefined,
			greyL: undefined,
			toilet: 'none',
			jugs: { count: 3, litres: 10 }
		});
		expect(rig.tanks.map(({ name, feeds }) => [name, feeds === rig.tanks[0]?.id])).toEqual([
			['Jug at the tap', false],
			['Jug 1', true],
			['Jug 2', true]
		]);
	});
	it('keeps three litres a person for drinking, more for a baby and a dog; the reserve goes by people', () => {
		expect(begin().drinking).toEqual({ litresPerPersonDay: 3, days: 1 });
		expect(begin({ babies: 1, dogs: 1 }).drinking?.litresPerPersonDay).toBe(4.25);
		expect(begin({ crew: 4 }).tanks[0]?.reserveL).toBe(12);
		expect(begin({ crew: 4, freshL: 20 }).tanks[0]?.reserveL).toBe(5);
	});
	it('a baby and two dogs for a weekend: what they use, of habits that are there or are made for it', () => {
		let n = 0;
		const rig = begin({ dogs: 1 });
		const { added, habits } = withOthers(rig, { babies: 1, dogs: 2 }, () => `new${++n}`);
		expect(added.map(({ name, often }) => [name, often.times])).toEqual([
			['Baby’s bath', 0],
			['Baby’s bottles', 0]
		]);
		const dog = rig.habits.find(({ name }) => name === 'Dog drinks');
		expect(habits).toEqual([
			{ habit: 'new1', times: 1 },
			{ habit: 'new2', times: 1 },
			{ habit: dog?.id, times: 3 }
		]);
		const ahead = { id: 'a', from: at, to: '2027-05-03T06:00:00Z', persons: 2, habits: [...habits] };
		const guests = { ...rig, habits: [...rig.habits, ...added], ahead: [ahead] };
		expect(parseLogbook(logbookOf(entriesOf(guests, 'full'), guests, []))).toMatchObject({ ok: true });
		const lasts = (one: typeof rig): number =>
			forecast(estimate(logbookOf(entriesOf(one, 'full'), one, []), one.id, Date.parse(at)), {
				days: 30,
				paths: 400
			}).autonomyDays.p50;
		expect(lasts(guests)).toBeLessThan(lasts(rig));
		expect(withOthers({ ...rig, habits: [], outlets: [] }, { dogs: 1 }, () => 'x').added).toEqual([]);
	});
	it('at 42 °C more is drunk than at 15 °C, from the first day', () => {
		const rig = begin({ toilet: 'none', greyL: 900 });
		const lasts = (maxC: number): number => {
			const stop = { id: 's', name: 'S', arrive: at, depart: '2027-05-11T06:00:00Z', legKm: 0, services: [] };
			const trip = {
				id: 't',
				rig: rig.id,
				name: 'T',
				timeZone: 'Etc/UTC',
				from: '2027-05-01',
				to: '2027-05-11',
				persons: 2,
				stops: [{ ...stop, weather: { maxC, minC: 10 } }]
			};
			const known = estimate(logbookOf(entriesOf(rig, 'full'), rig, [trip]), rig.id, Date.parse(at));
			return forecast(known, { days: 30, paths: 400 }).autonomyDays.p50;
		};
		expect(lasts(42)).toBeLessThan(0.95 * lasts(15));
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
