import { expect, it } from 'vitest';
import type { Rig } from '$core/logbook';
import { startingRig } from '$core/rig';
import { hoseMeter } from '../../../../../tests/helpers/logbooks';
import { nextSteps, sampleLine, type DoneSoFar } from './nextSteps';

let made = 0;
const rig = startingRig(
	{ name: 'Plover', kind: 'camper', crew: 2, freshL: 80, greyL: 60, toilet: 'over-tank' },
	() => `id-${++made}`
);
const steps = (more: Partial<DoneSoFar> = {}) =>
	nextSteps({ rig, hasTrip: false, hasGoal: false, waved: [], ...more });
const tote: Rig['containers'][number] = {
	...{ id: 'tote', name: 'Tote', carries: 'grey', capacityL: 60, headroomL: 3, tareKg: 8, count: 1 }
};

it('three things in a new rig; each is gone once it is done, or waved away', () => {
	expect(steps()).toEqual(['meter', 'dump', 'stay']);
	expect(steps({ rig: { ...rig, instruments: [hoseMeter] } })).toEqual(['dump', 'stay']);
	expect(steps({ rig: { ...rig, containers: [tote] } })).toEqual(['meter', 'stay']);
	expect(steps({ hasTrip: true })).toEqual(['meter', 'dump']);
	expect(steps({ hasGoal: true })).toEqual(['meter', 'dump']);
	expect(steps({ waved: ['meter', 'dump', 'stay'] })).toEqual([]);
});

it('nobody is asked how to dump what is carried away by hand, or what there is not', () => {
	const carried = { ...rig, tanks: rig.tanks.map((tank) => ({ ...tank, portable: true })) };
	expect(steps({ rig: carried })).not.toContain('dump');
	expect(steps({ rig: { ...rig, tanks: rig.tanks.slice(0, 1) } })).not.toContain('dump');
});

it('the line to try is of the rig’s own habits', () => {
	expect(sampleLine(rig)).toBe('shower and dishes');
	expect(sampleLine({ ...rig, habits: [] })).toBeUndefined();
});
