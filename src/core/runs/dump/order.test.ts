import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate, type Estimate } from '../../estimate/index.js';
import { instantMs, type EntryDraft, type Rig, type Tank } from '../../logbook/index.js';
import { readyRig, readyRigs } from '../../rig/index.js';
import { dumpOrder, dumpSetup, stepsOf } from '../index.js';
import { flushedFrom } from './index.js';

const at = '2027-05-02T06:00:00Z';
const believed = (rig: Rig, drafts: readonly EntryDraft[] = []): Estimate =>
	estimate(logbookOf([...drafts.map((draft) => entry(draft))], rig, []), 'rig', instantMs(at));
const holding = (tank: string, litres: number): readonly EntryDraft[] => [
	{ kind: 'dump', at: '2027-05-01T06:00:00Z', tank, to: 'empty' },
	{ kind: 'fill', at: '2027-05-01T07:00:00Z', tank, litres }
];
const said = (steps: ReturnType<typeof dumpOrder>): readonly string[] =>
	steps.map(({ do: act, tank }) => (tank === undefined ? act : `${act} ${tank}`));

describe('in what order is it emptied?', () => {
	const built: Rig = {
		...exactRig,
		tanks: [...exactRig.tanks, { id: 'tank', name: 'Black', holds: 'black', nominalL: 80, reserveL: 8 }]
	};
	it('black, grey let back, black again, grey last, and water back into black', () => {
		const steps = dumpOrder(believed(built, [...holding('grey', 40), ...holding('tank', 30)]), [
			'grey',
			'tank'
		]);
		expect(said(steps)).toEqual([
			'open-vent',
			'empty tank',
			'backflush tank',
			'empty tank',
			'empty grey',
			'cap',
			'treat tank'
		]);
		// Half of the grey is let back, the other half rinses the hose at the end.
		const litres = steps.map((step) => Math.round(step.litres ?? 0));
		expect(litres.slice(1, 5)).toEqual([30, 20, 20, 20]);
	});
	it('what is let back and what runs last is all the grey there is', () => {
		for (const grey of [2, 8, 40, 75]) {
			const steps = dumpOrder(believed(built, [...holding('grey', grey), ...holding('tank', 10)]), [
				'tank',
				'grey'
			]);
			const back = steps.find((step) => step.do === 'backflush')?.litres ?? 0;
			const last = steps.find((step) => step.do === 'empty' && step.tank === 'grey')?.litres ?? 0;
			expect(back + last).toBeCloseTo(grey, 0);
			expect(back === 0).toBe(grey < 3);
		}
	});
	it('a cassette is carried: rinsed by itself, before the grey valve', () => {
		const cassette: Rig = {
			...exactRig,
			tanks: exactRig.tanks.map((tank) => (tank.id === 'black' ? { ...tank, portable: true } : tank))
		};
		expect(
			said(dumpOrder(believed(cassette, [...holding('grey', 40), ...holding('black', 9)]), ['grey', 'black']))
		).toEqual(['open-vent', 'empty black', 'rinse black', 'empty grey', 'cap', 'treat black']);
	});
	it('grey alone needs no rinse; black alone does', () => {
		expect(said(dumpOrder(believed(exactRig), ['grey']))).toEqual(['open-vent', 'empty grey', 'cap']);
		expect(said(dumpOrder(believed(exactRig), ['black']))).toContain('rinse black');
	});
	it('of two grey tanks the fuller one goes back and runs last', () => {
		const two: Rig = {
			...built,
			tanks: [
				...built.tanks,
				{ id: 'bath', name: 'Bath grey', holds: 'grey', nominalL: 80, usableL: 80, reserveL: 5 }
			]
		};
		const here = believed(two, [...holding('grey', 60), ...holding('bath', 20), ...holding('tank', 20)]);
		expect(flushedFrom(here, ['grey', 'bath', 'tank'], 'tank')).toBe('grey');
		expect(said(dumpOrder(here, ['grey', 'bath', 'tank'])).slice(4, 6)).toEqual(['empty bath', 'empty grey']);
	});
	it('tanks that stand level run as one', () => {
		const twins: Rig = {
			...exactRig,
			tanks: [
				...exactRig.tanks,
				{ id: 'twin', name: 'Twin', holds: 'grey', nominalL: 80, reserveL: 5, joined: 'grey' }
			]
		};
		expect(said(dumpOrder(believed(twins), ['twin', 'grey']))).toEqual(['open-vent', 'empty twin', 'cap']);
	});
	it('a rig with no drain has nothing to empty', () => {
		expect(dumpOrder(believed(exactRig), ['main', 'nowhere'])).toEqual([]);
		expect(dumpSetup(believed(exactRig), [])).toBeUndefined();
	});
	it('holds its laws for every ready rig: black before grey, black never left dry, each step once', () => {
		let n = 0;
		for (const { id } of readyRigs) {
			const rig = { ...readyRig(id, 'Any', () => `made-${n++}`), id: 'rig' };
			const waste = rig.tanks.filter(({ holds }) => holds !== 'fresh');
			const here = believed(
				rig,
				waste.flatMap((tank) => holding(tank.id, 0.6 * tank.nominalL))
			);
			const steps = dumpOrder(
				here,
				waste.map((tank) => tank.id)
			);
			const holds = (tank: string | undefined): Tank['holds'] | undefined =>
				waste.find((one) => one.id === tank)?.holds;
			const emptied = steps.filter((step) => step.do === 'empty');
			const lastBlack = emptied.findLastIndex(({ tank }) => holds(tank) === 'black');
			const firstGrey = emptied.findIndex(({ tank }) => holds(tank) === 'grey');
			if (firstGrey >= 0) expect(lastBlack, id).toBeLessThan(firstGrey);
			for (const tank of waste) {
				expect(emptied.some((step) => step.tank === tank.id)).toBe(true);
				if (tank.holds === 'black')
					expect(steps.findLast((step) => step.tank === tank.id)).toMatchObject({ do: 'treat' });
			}
			const setup = dumpSetup(
				here,
				waste.map((tank) => tank.id)
			);
			expect(setup === undefined, id).toBe(waste.length === 0);
			const keys = setup ? stepsOf(setup).map(({ key }) => key) : [];
			expect(new Set(keys).size, id).toBe(keys.length);
			if (setup) expect(stepsOf(setup).at(-1)?.kind).toBe('wash-hands');
		}
	});
	it('starts from what the log says, whatever it was told', () => {
		const steps = dumpOrder(estimate(logbookOf([...freshStart()], exactRig, []), 'rig', instantMs(at)), [
			'grey',
			'black'
		]);
		expect(steps.find(({ tank }) => tank === 'grey')?.litres).toBeLessThan(5);
	});
});
