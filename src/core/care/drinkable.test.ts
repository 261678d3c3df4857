import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, logbookOf, spareJug } from '../../../tests/helpers/logbooks.js';
import { estimate } from '../estimate/index.js';
import type { EntryDraft, Rig } from '../logbook/index.js';
import { DRINKS, waterStates, type Drink } from './index.js';

const rig: Rig = {
	...exactRig,
	tanks: [
		...exactRig.tanks,
		spareJug,
		{ ...spareJug, id: 'bow', name: 'Bow', feeds: undefined, joined: 'main' }
	],
	sources: [
		{
			id: 'rain',
			name: 'Rain sheet',
			into: 'main',
			litresEach: { mean: 10, sd: 5 },
			often: { times: 0.2, per: 'day' },
			potable: false
		}
	],
	care: [
		{ id: 'sanitise', name: 'Sanitise', does: 'sanitise', tank: 'main' },
		{ id: 'dose', name: 'Dose', does: 'disinfect', tank: 'main' },
		{ id: 'filter', name: 'Filter', does: 'filter', tank: 'main' }
	]
};
const HOUR = (hour: number): string => new Date(Date.UTC(2027, 4, 1, hour)).toISOString();
type Act = EntryDraft extends infer D ? (D extends { at: string } ? Omit<D, 'at'> : never) : never;

const good: Act = { kind: 'fill', tank: 'main', litres: 20, potable: true };
const unsaid: Act = { kind: 'fill', tank: 'main', litres: 20 };
const bad: Act = { kind: 'fill', tank: 'main', litres: 1, potable: false };
const rain: Act = { kind: 'fill', tank: 'main', litres: 5, from: 'rain' };
const dry: Act = { kind: 'mark', tank: 'main', state: 'empty' };
const sanitised: Act = { kind: 'care', task: 'sanitise' };
const dosed: Act = { kind: 'care', task: 'dose' };
const filtered: Act = { kind: 'care', task: 'filter' };
const jugGood: Act = { kind: 'fill', tank: 'jug', litres: 10, potable: true };
const jugBad: Act = { kind: 'fill', tank: 'jug', litres: 10, potable: false };
const pour: Act = { kind: 'transfer', fromTank: 'jug', toTank: 'main', litres: 5 };

const statesAfter = (acts: readonly Act[]) => {
	const entries = acts.map((act, i) => entry({ ...act, at: HOUR(i) } as EntryDraft));
	return waterStates(estimate(logbookOf(entries, rig), 'rig', Date.parse(HOUR(acts.length))));
};
const drinkOf = (acts: readonly Act[], tank = 'main'): Drink | undefined =>
	statesAfter(acts).find((one) => one.tank === tank)?.drink;

describe('may one drink it', () => {
	const histories: readonly (readonly [says: string, acts: readonly Act[], drink: Drink])[] = [
		['nothing is written', [], 'unsure'],
		['from a tap with a sign', [good], 'drinking'],
		['from a tap of which not known', [unsaid], 'unsure'],
		['a litre that is not for drinking in twenty that are', [good, bad], 'washing'],
		['and twenty on top of it', [bad, good], 'washing'],
		['run dry and filled anew', [bad, dry, good], 'washing'],
		['sanitised and filled anew', [bad, sanitised, good], 'drinking'],
		['filled, then sanitised: the dose stands in it', [good, sanitised], 'washing'],
		['sanitised, and filled from a tap of which not known', [bad, sanitised, unsaid], 'unsure'],
		['a dose in what is in it', [unsaid, dosed], 'treated'],
		['a dose, and good water after it', [unsaid, dosed, good], 'treated'],
		['a dose, and doubtful water after it', [unsaid, dosed, unsaid], 'unsure'],
		['a filter changed makes nothing drinkable', [unsaid, filtered], 'unsure'],
		['good water out of a good jug', [good, jugGood, pour], 'drinking'],
		['out of a doubtful one', [good, jugBad, pour], 'washing'],
		['rain by what its source says', [good, rain], 'washing']
	];
	it.each(histories)('%s', (_, acts, drink) => expect(drinkOf(acts)).toBe(drink));

	it('tanks that stand level share it, the jug beside them does not', () => {
		expect(drinkOf([jugGood, bad], 'bow')).toBe('washing');
		expect(drinkOf([jugGood, bad], 'jug')).toBe('drinking');
	});
	it('says since when, and what made it so', () => {
		const [main] = statesAfter([good, unsaid, bad, bad]);
		expect(main).toMatchObject({ sinceMs: Date.parse(HOUR(2)), why: { kind: 'filled' } });
	});
	it('never becomes better but by sanitising or a dose', () =>
		fc.assert(
			fc.property(
				fc.array(fc.constantFrom(good, unsaid, bad, rain, dry, jugGood, jugBad, pour, filtered), {
					maxLength: 8
				}),
				fc.constantFrom(good, unsaid, rain, dry, pour, filtered),
				(acts, next) => {
					const [before, after] = [drinkOf(acts), drinkOf([...acts, next])];
					const known = acts.some(
						(act) => (act.kind === 'fill' && act.tank === 'main') || act.kind === 'transfer'
					);
					if (known)
						expect(DRINKS.indexOf(after as Drink)).toBeGreaterThanOrEqual(DRINKS.indexOf(before as Drink));
				}
			)
		));
});
