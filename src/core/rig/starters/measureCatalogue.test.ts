import { describe, expect, it } from 'vitest';
import { parseLogbook, type Rig } from '../../logbook/index.js';
import { exactRig, logbookOf } from '../../../../tests/helpers/logbooks.js';
import {
	flowOf,
	habitFor,
	ideaOf,
	litresByRecipe,
	MEASURE_IDEAS,
	measureFrom,
	readyRig,
	readyRigs
} from '../index.js';

const ids = () => {
	let next = 0;
	return (): string => `id-${++next}`;
};
const rigs: readonly Rig[] = readyRigs.map(({ id }) => readyRig(id, id, ids()));

describe.each(rigs.map((rig) => [rig.name, rig] as const))('the catalogue in the %s', (_, rig) => {
	const measures = MEASURE_IDEAS.flatMap((idea) => {
		const habit = habitFor(rig, idea);
		const measure = habit && measureFrom(idea, habit, rig, idea.key);
		return measure ? [{ idea, habit, measure }] : [];
	});
	it('makes measures that a logbook takes', () => {
		const whole = { ...rig, measures: measures.map(({ measure }) => measure) };
		expect(parseLogbook(logbookOf([], whole, []))).toMatchObject({ ok: true });
		expect(measures.length).toBeGreaterThan(3);
	});
	it('each saves, or sends water elsewhere; none makes more of it', () => {
		for (const { idea, habit, measure } of measures) {
			const regime = { mains: false, sewer: false, measures: [measure.id] };
			const [plain, saved] = [{ ...regime, measures: [] }, regime].map((one) =>
				flowOf({ ...rig, measures: [measure] }, habit, one)
			);
			const fresh = (flow: typeof plain): number =>
				[...(flow?.tanks ?? [])].reduce((sum, [id, { perLitre, fixed }]) => {
					const holds = rig.tanks.find((tank) => tank.id === id)?.holds;
					return holds === 'fresh' ? sum - perLitre * habit.litresEach.mean - fixed : sum;
				}, 0);
			expect(fresh(saved), idea.key).toBeLessThanOrEqual(fresh(plain) + 1e-9);
			expect(ideaOf(measure)).toBe(idea);
		}
	});
});

describe('made from a recipe', () => {
	const shower = {
		id: 's',
		name: 'Shower',
		outlet: 'tap',
		litresEach: { mean: 12, sd: 2 },
		often: { times: 1, per: 'day' as const },
		recipe: { warmUpL: 2, runMin: 2, flowLpm: 5, pauseMin: 1, trickleLpm: 0.5 }
	};
	const rig: Rig = { ...exactRig, habits: [...exactRig.habits.filter(({ id }) => id !== 'shower'), shower] };
	const made = (key: string) => {
		const idea = MEASURE_IDEAS.find((one) => one.key === key);
		return idea && measureFrom(idea, shower, rig, 'm')?.effect;
	};
	it('changes its parts: less running, no trickle, a thinner flow', () => {
		expect(made('wet-soap-rinse')).toEqual({ kind: 'recipe', parts: { runMin: 0.8, pauseMin: 2.2 } });
		expect(made('valve')).toEqual({ kind: 'recipe', parts: { trickleLpm: 0 } });
		expect(made('air')).toEqual({ kind: 'recipe', parts: { flowLpm: 3.3 } });
		expect(litresByRecipe({ ...shower.recipe, trickleLpm: 0 })).toBe(12);
	});
	it('catches its own warm-up, for what this rig has', () => {
		expect(made('cold-start-toilet')).toEqual({ kind: 'reroute', litres: 2, to: 'black', replaces: 'flush' });
		expect(made('cold-start-back')).toEqual({ kind: 'return', litres: 2 });
		const dry: Rig = { ...rig, habits: rig.habits.filter(({ id }) => id !== 'flush') };
		const idea = MEASURE_IDEAS.find(({ key }) => key === 'cold-start-toilet');
		expect(idea && measureFrom(idea, shower, dry, 'm')).toBeUndefined();
	});
});
