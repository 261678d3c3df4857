import fc from 'fast-check';
import { expect, it } from 'vitest';
import { exactRig, spareJug } from '../../../../tests/helpers/logbooks.js';
import type { Rig } from '../../logbook/index.js';
import { plannedFills } from '../index.js';

/** Main of 100 L, and two jugs of 20 that are poured into it. */
const rig: Rig = { ...exactRig, tanks: [...exactRig.tanks, spareJug, { ...spareJug, id: 'jug2' }] };
const levels = (main: number, jug: number, jug2: number): ReadonlyMap<string, number> =>
	new Map([
		['main', main],
		['jug', jug],
		['jug2', jug2],
		['grey', 40]
	]);

it('the tank first, then its jugs: 84 L where there is room for 70, 0 and 20', () =>
	expect(plannedFills(rig, { litres: 84 }, levels(30, 20, 0))).toEqual([
		{ tank: 'main', litres: 70 },
		{ tank: 'jug2', litres: 14 }
	]));
it('to the brim: all that have room', () =>
	expect(plannedFills(rig, { litres: 84, to: 'full' }, levels(30, 20, 6))).toEqual([
		{ tank: 'main', to: 'full' },
		{ tank: 'jug2', to: 'full' }
	]));
it('comes to what is planned, wherever there is room', () =>
	fc.assert(
		fc.property(
			fc.double({ min: 1, max: 200, noNaN: true }),
			fc.double({ min: 0, max: 95, noNaN: true }),
			fc.double({ min: 0, max: 20, noNaN: true }),
			(litres, main, jug) => {
				const sum = plannedFills(rig, { litres }, levels(main, jug, 0)).reduce(
					(total, fill) => total + ('litres' in fill ? fill.litres : 0),
					0
				);
				expect(Math.abs(sum - litres)).toBeLessThan(0.25);
			}
		)
	));
