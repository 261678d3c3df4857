import { flowOf, usableOf } from '../../rig/index.js';
import type { Habit } from '../../logbook/index.js';
import { formatFigure, formatLitres, toBase } from '../../units/index.js';
import { sayHappening } from '../../words/index.js';
import { one, oneTooMany, problem, type LineReading, type Meaning, type QuickContext } from '../context.js';
import { aboardNow } from './acts.js';
import { habitsNamed } from '../lexing/concepts.js';
import { moreThanThereIs } from './plausible.js';
import { bareFigure, figureBeyond, quantityOf, type TokenLine } from '../lexing/tokens.js';

/** As often as there are people aboard. */
const EACH = /^(each|everyone|everybody|apiece|all|us|both)$/;
/** Words that go with them. */
const OF_US = /^(of|have|has|we|all|both|us)$/;

/** `flush flush flush`: the same said several times over, and how often. */
function saidOver(words: readonly string[]): { readonly words: readonly string[]; readonly times: number } {
	for (let length = 1; length <= words.length / 2; length++)
		if (words.length % length === 0 && words.every((word, i) => word === words[i % length]))
			return { words: words.slice(0, length), times: words.length / length };
	return { words, times: 1 };
}
/** So often nothing is done at one go. */
const MOST_TIMES = 200;
/** From so many times on a number may have been meant as litres. */
const MANY_TIMES = 3;

/** A flow as stated is right to so much, and so are minutes by feel. */
const FLOW_SD = 0.15;

/** The tank that a habit draws most from as the rig stands now. */
function drawnFrom(
	habit: Habit,
	{ rig, mains = false, sewer = false, sea }: QuickContext
): string | undefined {
	const flow = flowOf(rig, habit, { mains, sewer, sea, measures: [] });
	return [...flow.tanks].find(([, { perLitre, fixed }]) => perLitre + fixed < 0)?.[0];
}

const useOf = (
	habit: Habit,
	times: number,
	litres: number | undefined,
	measured: boolean
): Meaning['does'][number] => ({
	kind: 'use',
	habit: habit.id,
	times,
	...(litres === undefined
		? {}
		: { litres: Number(litres.toFixed(3)), ...(measured ? { source: 'meter' as const } : {}) })
});

/** What a use may be, where it takes more than there is: the figure as litres first. */
function met(
	habit: Habit,
	times: number,
	litres: number | undefined,
	context: QuickContext
): readonly Meaning[] {
	const plain = useOf(habit, times, litres, true);
	const total = litres ?? times * (context.litresEach?.get(habit.id) ?? habit.litresEach.mean);
	const from = drawnFrom(habit, context);
	const over = from === undefined ? undefined : moreThanThereIs(from, total, context);
	if (!over) return [one(plain)];
	const { units } = context;
	const warns = `That is ${formatLitres(total, units)}; ${over.tank.name} ${context.levels ? 'was estimated at' : 'holds'} ${formatLitres(over.heldL, units)}.`;
	const asLitres = toBase(times, units.volume);
	const typed = one(plain, { warns });
	if (litres !== undefined || times < MANY_TIMES || asLitres > usableOf(over.tank)) return [typed];
	return [
		one(useOf(habit, 1, asLitres, true), {
			warns: `${formatFigure(times)} times would be ${formatLitres(total, units)}; ${over.tank.name} ${context.levels ? 'was estimated at' : 'holds'} ${formatLitres(over.heldL, units)}.`
		}),
		typed
	];
}

/** Litres a minute of a habit, as its recipe or its outlet says. */
const flowOfHabit = (habit: Habit, { rig }: QuickContext): number | undefined =>
	habit.recipe?.flowLpm ?? rig.outlets.find(({ id }) => id === habit.outlet)?.flowLpm;

/** `shower`, `2 showers`, `had a shower`, `dishes 6 L` (measured), `shower for 3 min` at a known flow. */
export function useLine(line: TokenLine, context: QuickContext): LineReading | undefined {
	const ofAll = line.words.some((word) => EACH.test(word));
	const over = saidOver(line.words.filter((word) => !EACH.test(word) && !(ofAll && OF_US.test(word))));
	const people =
		line.figures.length > 0
			? over.words.filter((word) => !/^(people|persons?|adults)$/.test(word))
			: over.words;
	const habits = habitsNamed(people, context.rig.habits);
	// "flushed the tank" is about a tank, where no habit is called by one.
	if (
		line.words.some((word) => /^tanks?$/.test(word)) &&
		!habits.some(({ name, words = [] }) => [name, ...words].some((one) => /tank/i.test(one)))
	)
		return undefined;
	if (habits.length === 0) return undefined;
	const bare = line.figures.filter(({ unit }) => unit === '');
	const beyond = bare[1]?.text ?? figureBeyond(line, 2);
	if (beyond !== undefined) return oneTooMany(beyond);
	if (over.times > 1 && line.figures[0]) return oneTooMany(line.figures[0].text);
	const odd = line.figures.find(
		(figure) =>
			figure.unit !== '' &&
			quantityOf({ words: [], figures: [figure] }, 'volume', context.units, false) === undefined
	);
	if (odd)
		return problem(
			`What is ${odd.text} ${odd.unit}? Enter how often, for example “shower 2”, or litres: “shower 8 L”.`
		);
	const each = line.words.includes('both')
		? 2
		: ofAll
			? Math.max(1, Math.round(aboardNow(context)))
			: over.times;
	const often = bareFigure(line);
	if (often && !Number.isInteger(2 * often.value))
		return problem(
			`“${often.text} times”? Enter how often, “shower 2”, litres with their unit, “shower 8 L”, or when, “7:30” or “3 may”.`
		);
	const amount = quantityOf(line, 'volume', context.units, false);
	// "2 showers 4 L each": so much a time.
	const apiece = amount !== undefined && line.words.some((word) => word === 'each' || word === 'apiece');
	const times = apiece ? (often?.value ?? each) : each * (often?.value ?? 1);
	const litres = apiece ? times * amount : amount;
	if (!(times > 0) || times > MOST_TIMES || (litres !== undefined && litres < 0))
		return problem(
			`“${formatFigure(times)} times” is not likely. Enter how often, for example “shower 2”, or litres with their unit: “shower 8 L”.`
		);
	const { minutes } = line;
	if (minutes === undefined) return habits.flatMap((habit) => met(habit, times, litres, context));
	const known = habits.flatMap((habit) => {
		const flow = flowOfHabit(habit, context);
		return flow === undefined ? [] : [{ habit, flow }];
	});
	if (known.length === 0)
		return problem(
			`${habits[0]?.name} has no flow rate yet. Time a bucket and enter it in Rig, or enter litres: “${habits[0]?.name.toLowerCase()} 8 L”.`
		);
	return known.map(({ habit, flow }) => {
		const ran = times * minutes * flow;
		const run = { ...useOf(habit, times, ran, false), sdL: Number((FLOW_SD * ran).toFixed(3)) };
		return one(run, {
			says: `${sayHappening(run, context).replace('measured ', '')}: ${formatFigure(minutes)} min at ${formatLitres(flow, context.units)} a minute`
		});
	});
}
