import { describe, expect, it } from 'vitest';
import { exactRig } from '../../../../tests/helpers/logbooks.js';
import type { Tank } from '../../logbook/index.js';
import { litresInBay, withIdea } from './index.js';

const main: Tank = {
	...exactRig.tanks[0]!,
	shape: { form: 'box', lengthMm: 1000, widthMm: 500, heightMm: 200 }
};

describe('a rig thought of as holding more', () => {
	it('a tank of another size, which has not the shape of the old one', () => {
		const [tank, ...rest] = withIdea(exactRig, main, { kind: 'capacity', usableL: 150 })?.tanks ?? [];
		expect(tank).toMatchObject({ id: 'main', usableL: 150, nominalL: 150, reserveL: 10 });
		expect(tank).not.toHaveProperty('shape');
		expect(rest).toEqual(exactRig.tanks.slice(1));
	});
	it('a second one beside it, level with it', () => {
		const tanks = withIdea(exactRig, main, { kind: 'second', litres: 40 })?.tanks ?? [];
		expect(tanks).toHaveLength(4);
		expect(tanks.at(-1)).toMatchObject({ holds: 'fresh', usableL: 40, reserveL: 0, joined: 'main' });
	});
	it('nothing is thought of a tank of nothing', () => {
		expect(withIdea(exactRig, main, { kind: 'capacity', usableL: 0 })).toBeUndefined();
		expect(withIdea(exactRig, main, { kind: 'second', litres: Number.NaN })).toBeUndefined();
	});
});

describe('the largest box in a bay', () => {
	const bay = { lengthMm: 1000, widthMm: 500, heightMm: 300 };
	it('a metre by half by 30 cm, walls of 5 mm and a gap of 5 mm all round: 980 × 480 × 280', () => {
		const found = litresInBay(bay, 5, 5);
		expect('litres' in found && found.litres).toBeCloseTo(131.712, 6);
	});
	it('without room for walls says why', () => {
		expect(litresInBay({ ...bay, heightMm: 15 }, 5, 5)).toMatchObject({
			problem: expect.stringMatching(/\S/)
		});
	});
});
