import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exactRig } from '../../../../tests/helpers/logbooks.js';
import type { Rig } from '../../logbook/index.js';
import {
	drainOf,
	isDrainedBy,
	mannerOf,
	openBlack,
	openTanks,
	thawedValves,
	usualValves,
	valvesKey,
	type OpenValves
} from '../index.js';

const [main, grey, black] = exactRig.tanks as [
	Rig['tanks'][number],
	Rig['tanks'][number],
	Rig['tanks'][number]
];
const cassette = { ...black, id: 'cassette', name: 'Spare', portable: true };
const rig: Rig = { ...exactRig, tanks: [main, grey, black, cassette] };

describe('valves of a hook-up', () => {
	it('yes is all that are built in, a list just those, no none; fresh never', () => {
		expect(openTanks(rig, true)).toEqual(['grey', 'black']);
		expect(openTanks(rig, ['cassette', 'main'])).toEqual(['cassette']);
		expect(openTanks(rig, false)).toEqual([]);
	});
	it('by itself black stays shut; without a built-in one all is grey', () => {
		expect(usualValves(rig)).toEqual(['grey']);
		expect(usualValves({ tanks: [main, grey, cassette] })).toBe(true);
		expect(openBlack(rig, usualValves(rig))).toEqual([]);
		expect(openBlack(rig, true).map(({ id }) => id)).toEqual(['black']);
	});
	it('a frozen valve lets nothing through until it thaws', () => {
		const at = (hour: number): number => Date.parse(`2027-01-02T${String(hour).padStart(2, '0')}:00:00Z`);
		const frozen = { since: '2027-01-02T03:00:00Z', until: '2027-01-02T12:00:00Z' };
		const cold: Rig = { ...rig, tanks: [main, { ...grey, frozen }, black] };
		expect(thawedValves(cold, true, at(6))).toEqual(['black']);
		expect(thawedValves(cold, ['grey'], at(6))).toEqual([]);
		expect([at(2), at(12)].map((ms) => thawedValves(cold, true, ms))).toEqual([true, true]);
	});
	it('say the same in any order', () =>
		fc.assert(
			fc.property(fc.shuffledSubarray(['grey', 'black', 'cassette']), (ids) => {
				const turned: OpenValves = [...ids].reverse();
				expect(valvesKey(ids)).toBe(valvesKey(turned));
				for (const tank of rig.tanks) expect(isDrainedBy(ids, tank)).toBe(isDrainedBy(turned, tank));
			})
		));
});

describe('how a waste tank is emptied', () => {
	it('through a hose from a camper, a deck fitting from a boat, carried where it is carried', () => {
		expect([grey, black, cassette].map((tank) => mannerOf(rig, tank))).toEqual(['hose', 'hose', 'cassette']);
		expect(mannerOf({ ...rig, kind: 'boat' }, black)).toBe('deck');
		expect(mannerOf(rig, { ...grey, portable: true })).toBe('carried');
	});
	it('a bottle is what nothing flushes into, and its spare with it', () => {
		const bottled: Rig = {
			...rig,
			tanks: [main, grey, { ...black, portable: true }, { ...cassette, relieves: 'black' }],
			outlets: rig.outlets.map((outlet) => (outlet.to === 'black' ? { ...outlet, from: 'outside' } : outlet)),
			habits: rig.habits.map((habit) =>
				habit.id === 'flush' ? { ...habit, litresEach: { mean: 0, sd: 0 }, addsL: 0.4 } : habit
			)
		};
		expect(bottled.tanks.slice(2).map((tank) => mannerOf(bottled, tank))).toEqual(['bottle', 'bottle']);
		expect(mannerOf(rig, { ...black, portable: true })).toBe('cassette');
	});
	it('a camper’s built-in tanks share an outlet, a boat’s none; what is named is shared by name', () => {
		expect(drainOf(rig, grey)).toBe(drainOf(rig, black));
		expect(drainOf(rig, cassette)).not.toBe(drainOf(rig, black));
		const boat = { kind: 'boat' } as const;
		expect(drainOf(boat, grey)).not.toBe(drainOf(boat, black));
		expect(drainOf(boat, { ...grey, drain: 'aft' })).toBe(drainOf(boat, { ...black, drain: 'aft' }));
	});
});
