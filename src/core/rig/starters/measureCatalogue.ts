import type { Habit, Measure, Outlet, Rig } from '../../logbook/index.js';

type Effect = Measure['effect'];

/** A way to save water, as a start: what it changes is made from the habit it is put to, and can be edited. */
export interface MeasureIdea {
	readonly key: string;
	readonly name: string;
	/** what one does */
	readonly says: string;
	readonly caution?: string;
	/** the habit it is most likely meant for */
	readonly guess: RegExp;
	/** 0 … 5, to be changed to what one finds */
	readonly effort: number;
	/** where alone it saves anything */
	readonly where?: Measure['where'];
	/** what it changes of a habit; nothing where the rig has no place for it */
	effect(habit: Habit, rig: Rig): Effect | undefined;
}

const SHOWER = /shower|hair|bath|wash up all over/i;
const DISHES = /dish|wash-?up|washing up|pans?\b/i;
const HANDS = /hand|teeth|face/i;
const FLUSH = /flush|toilet|loo|heads/i;
const DRINK = /drink|coffee|tea|kettle|cook/i;

/** Litres that run before the water is warm, where the recipe does not say. */
const WARM_UP_L = 2;
const round = (litres: number): number => Number(litres.toFixed(1));

const coldStart = ({ recipe, litresEach }: Habit): number =>
	round(Math.min(recipe?.warmUpL ?? WARM_UP_L, litresEach.mean));

const recipeOr = (
	habit: Habit,
	parts: (recipe: NonNullable<Habit['recipe']>) => Habit['recipe'],
	factor: number
): Effect => {
	const changed = habit.recipe && parts(habit.recipe);
	return changed ? { kind: 'recipe', parts: changed } : { kind: 'scale', factor };
};

const outletOf = (rig: Rig, habit: Habit | undefined): Outlet | undefined =>
	rig.outlets.find(({ id }) => id === habit?.outlet);
const isWaste = (rig: Rig, id: string | undefined): boolean =>
	rig.tanks.some((tank) => tank.id === id && tank.holds !== 'fresh' && !tank.retired);

/** The cold start goes where another habit's water goes, and stands in for it. */
const insteadOf =
	(guess: RegExp) =>
	(habit: Habit, rig: Rig): Effect | undefined => {
		const other = rig.habits.find(({ id, name, retired }) => !retired && id !== habit.id && guess.test(name));
		const to = outletOf(rig, other)?.to;
		return other && to !== undefined && isWaste(rig, to)
			? { kind: 'reroute', litres: coldStart(habit), to, replaces: other.id }
			: undefined;
	};

const NOT_TO_DRINK = 'Use saved or returned water for washing and flushing, never for drinking.';

/** What people do to save water, of no maker and no school: each to be tried, measured and kept or not. */
export const MEASURE_IDEAS: readonly MeasureIdea[] = Object.freeze<MeasureIdea[]>([
	{
		key: 'wet-soap-rinse',
		name: 'Wet, soap, rinse',
		says: 'Water off while you soap.',
		guess: SHOWER,
		effort: 2,
		effect: (habit) =>
			recipeOr(
				habit,
				({ runMin = 0, pauseMin = 0 }) =>
					runMin > 0 ? { runMin: round(0.4 * runMin), pauseMin: round(pauseMin + 0.6 * runMin) } : undefined,
				0.5
			)
	},
	{
		key: 'valve',
		name: 'A valve that really shuts',
		says: 'A shut-off at the shower head that lets nothing through: one that trickles costs litres in every pause.',
		guess: SHOWER,
		effort: 1,
		effect: (habit) =>
			recipeOr(
				habit,
				({ trickleLpm = 0, pauseMin = 0 }) => (trickleLpm * pauseMin > 0 ? { trickleLpm: 0 } : undefined),
				0.85
			)
	},
	{
		key: 'air',
		name: 'A head that mixes air',
		says: 'Feels like more with a third less.',
		guess: SHOWER,
		effort: 1,
		effect: (habit) =>
			recipeOr(
				habit,
				({ flowLpm = 0 }) => (flowLpm > 0 ? { flowLpm: round(0.65 * flowLpm) } : undefined),
				0.7
			)
	},
	{
		key: 'cold-start-toilet',
		name: 'Warm-up water for the toilet',
		says: 'A jug under the head until it runs warm; flush with it.',
		caution: NOT_TO_DRINK,
		guess: SHOWER,
		effort: 1,
		effect: insteadOf(FLUSH)
	},
	{
		key: 'cold-start-dishes',
		name: 'Warm-up water for the dishes',
		says: 'A jug under the head until it runs warm; wash up with it.',
		caution: 'Use only clean, unsoaped water, and use it today: standing water goes stale.',
		guess: SHOWER,
		effort: 1,
		effect: insteadOf(DISHES)
	},
	{
		key: 'cold-start-back',
		name: 'Warm-up water back to the tank',
		says: 'A valve returns the first litres to the tank until they come warm.',
		caution:
			'Return only clean, unused water, and fit it so that nothing used can flow back. Follow local codes.',
		guess: SHOWER,
		effort: 1,
		effect: (habit) => ({ kind: 'return', litres: coldStart(habit) })
	},
	{
		key: 'loop',
		name: 'A shower loop between two rinses',
		says: 'A few litres go round, strained, filtered and reheated, between two fresh rinses. Drain it after each person.',
		caution:
			'Clean the strainer after each use and change the filters in time. Recirculated water is never drinking water: keep mouth and eyes shut. A gas heater needs ventilation and an alarm.',
		guess: SHOWER,
		effort: 3,
		effect: ({ litresEach }) => ({ kind: 'set', litres: round(Math.min(6, litresEach.mean)) })
	},
	{
		key: 'inch',
		name: 'Dishes in an inch of water',
		says: 'Wash the cleanest first; the rinse water tops up the bowl.',
		guess: DISHES,
		effort: 1,
		effect: (habit) =>
			recipeOr(habit, ({ basinL = 0 }) => (basinL > 0 ? { basinL: round(0.5 * basinL) } : undefined), 0.5)
	},
	{
		key: 'wipe',
		name: 'Wipe before washing',
		says: 'Scrape and wipe plates first: less water, and fat stays out of grey.',
		guess: DISHES,
		effort: 1,
		effect: () => ({ kind: 'scale', factor: 0.75 })
	},
	{
		key: 'paper',
		name: 'Paper plates',
		says: 'Then only pots need washing up, a third of the time.',
		guess: DISHES,
		effort: 2,
		effect: () => ({ kind: 'rarer', factor: 0.33 })
	},
	{
		key: 'foot-pump',
		name: 'Foot pump or fine spout for hands',
		says: 'Water only while you press.',
		guess: HANDS,
		effort: 1,
		effect: () => ({ kind: 'scale', factor: 0.5 })
	},
	{
		key: 'every-other-day',
		name: 'Every other day',
		says: 'A flannel wash in between.',
		guess: SHOWER,
		effort: 3,
		effect: () => ({ kind: 'rarer', factor: 0.5 })
	},
	{
		key: 'flush-less',
		name: 'Flush less',
		says: 'Not after every use.',
		caution: 'A cassette or tank that runs dry blocks and smells: keep some water in it.',
		guess: FLUSH,
		effort: 2,
		effect: () => ({ kind: 'rarer', factor: 0.5 })
	},
	{
		key: 'bought',
		name: 'Drinking water bought',
		says: 'Bottles or a filled can for drinking and cooking.',
		guess: DRINK,
		effort: 2,
		effect: () => ({ kind: 'outside' })
	},
	{
		key: 'ashore',
		name: 'Showers ashore or at the site',
		says: 'None aboard while there is one ashore.',
		caution: 'Outdoors, let soap and water run on the ground only where local rules allow it.',
		guess: SHOWER,
		effort: 3,
		where: 'ashore',
		effect: () => ({ kind: 'rarer', factor: 0 })
	},
	{
		key: 'pressure',
		name: 'Pressure turned down',
		says: 'Set the regulator or the pump’s switch a little lower.',
		caution: 'A gas water heater needs a minimum flow to light.',
		guess: SHOWER,
		effort: 1,
		effect: (habit) =>
			recipeOr(habit, ({ flowLpm = 0 }) => (flowLpm > 0 ? { flowLpm: round(0.8 * flowLpm) } : undefined), 0.8)
	},
	{
		key: 'hook-up-off',
		name: 'Hook-up left off',
		says: 'Use the tank and its pump even where there is a tap: you use less, and grey fills more slowly.',
		guess: SHOWER,
		effort: 1,
		where: 'hookup',
		effect: () => ({ kind: 'scale', factor: 0.8 })
	}
]);

/** The habit of a rig that an idea is most likely meant for. */
export const habitFor = (rig: Rig, { guess }: Pick<MeasureIdea, 'guess'>): Habit | undefined =>
	rig.habits.find(({ name, retired }) => !retired && guess.test(name));

/** The idea as a measure of a habit; nothing where the rig has no place for it. */
export function measureFrom(idea: MeasureIdea, habit: Habit, rig: Rig, id: string): Measure | undefined {
	const effect = idea.effect(habit, rig);
	const { name, effort, where, key } = idea;
	return effect && { id, name, habit: habit.id, effect, effort, ...(where ? { where } : {}), idea: key };
}

/** The idea that a measure was made from. */
export const ideaOf = ({ idea }: Pick<Measure, 'idea'>): MeasureIdea | undefined =>
	MEASURE_IDEAS.find(({ key }) => key === idea);
