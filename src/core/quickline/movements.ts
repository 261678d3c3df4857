import { listed } from '../words/index.js';
import { formatLitres } from '../units/index.js';
import type { Tank } from '../logbook/index.js';
import { swapOf, swapsOf, usableOf } from '../rig/index.js';
import { oneTooMany, problem, type Answer, type QuickContext, type Meaning } from './context.js';
import { meaningful, namedBy } from './names.js';
import { figureBeyond, quantityOf, type Line } from './tokens.js';

/** A figure this far over a tank's usable volume is no fill but a slip. */
const BEYOND = 1.15;

const tankWords = (tank: Tank): readonly string[] => [
	tank.holds,
	`${tank.holds} ${tank.name}`,
	...(tank.holds === 'fresh' ? ['water'] : [])
];
export const tanksNamed = (words: readonly string[], tanks: readonly Tank[]): readonly Tank[] =>
	namedBy(words, tanks, tankWords);

const noTank = (
	context: QuickContext,
	words: readonly string[],
	tanks: readonly Tank[]
): { readonly problem: string } =>
	problem(
		`“${words.join(' ')}” is no tank of ${context.rig.name} for that. ${tanks.length > 0 ? `There is ${listed(tanks.map(({ name }) => name))}.` : 'Add one in Rig.'}`
	);

const tooMuch = (tank: Tank, litres: number, context: QuickContext): string =>
	`${tank.name} holds ${formatLitres(usableOf(tank), context.units)}; ${formatLitres(litres, context.units)} do not fit. Check the figure and its unit.`;

/** `fill 60`, `fill main full`, `fill jug 12 gal`. */
export function fillLine(line: Line, context: QuickContext): Answer {
	const beyond = figureBeyond(line, 1);
	if (beyond !== undefined) return oneTooMany(beyond);
	const full = line.words.includes('full') || line.words.includes('brim');
	const words = meaningful(line.words).filter((word) => word !== 'full' && word !== 'brim');
	const fresh = context.rig.tanks.filter(({ holds }) => holds === 'fresh');
	const builtIn = fresh.filter((tank) => tank.feeds === undefined);
	const tanks = words.length === 0 && builtIn.length > 0 ? builtIn : tanksNamed(words, fresh);
	if (tanks.length === 0) return noTank(context, words, fresh);
	const litres = quantityOf(line, 'volume', context.units);
	if (litres === undefined && !full) return problem('How much? Say litres, as in “fill 60”, or “fill full”.');
	if (litres !== undefined && litres <= 0)
		return problem('A fill is more than nothing. Say litres, as in “fill 60”.');
	const fitting = tanks.filter((tank) => litres === undefined || litres <= BEYOND * usableOf(tank));
	const first = tanks[0];
	if (fitting.length === 0 && first) return problem(tooMuch(first, litres ?? 0, context));
	return fitting.map((tank): Meaning => {
		const level = context.levels?.get(tank.id);
		const over = litres !== undefined && level !== undefined && level + litres > BEYOND * usableOf(tank);
		return {
			happening: {
				kind: 'fill',
				tank: tank.id,
				...(litres === undefined ? {} : { litres }),
				...(full ? { to: 'full' as const } : {})
			},
			...(over
				? { warns: `${tank.name} was thought to hold ${formatLitres(level, context.units)} already.` }
				: {})
		};
	});
}

const DRAINS = ['ground', 'overboard', 'sewer'] as const;

/** `dump grey`, `dump cassette`, `dump grey 20`, `dump grey overboard`. */
export function dumpLine(line: Line, context: QuickContext): Answer {
	const beyond = figureBeyond(line, 1);
	if (beyond !== undefined) return oneTooMany(beyond);
	const where = DRAINS.find((drain) => line.words.includes(drain));
	const words = meaningful(line.words).filter((word) => word !== where && word !== 'empty');
	const waste = context.rig.tanks.filter(({ holds }) => holds !== 'fresh');
	const named = words.length === 0 ? waste : tanksNamed(words, context.rig.tanks);
	if (named.length === 0) return noTank(context, words, waste);
	const litres = quantityOf(line, 'volume', context.units);
	const first = named[0];
	if (litres !== undefined && first && named.every((tank) => litres > BEYOND * usableOf(tank)))
		return problem(tooMuch(first, litres, context));
	return named.map((tank) => ({
		happening: {
			kind: 'dump',
			tank: tank.id,
			...(litres === undefined ? { to: 'empty' as const } : { litres }),
			...(where ? { where } : {})
		},
		...(where === 'ground' || where === 'overboard'
			? { warns: 'Only where local rules allow it; they differ.' }
			: {})
	}));
}

/** `transfer jug main 10`, `pour jug into main`, `pour jug`. */
export function transferLine(line: Line, context: QuickContext): Answer {
	const beyond = figureBeyond(line, 1);
	if (beyond !== undefined) return oneTooMany(beyond);
	const { rig, units } = context;
	const split = line.words.findIndex((word) => word === 'to' || word === 'into' || word === 'in');
	const groups = split > 0 ? [line.words.slice(0, split), line.words.slice(split + 1)] : [line.words];
	const [fromWords = [], toWords = []] = groups.map((words) =>
		meaningful(words).filter((word) => word !== 'full' && word !== 'all')
	);
	const pairs =
		split > 0
			? tanksNamed(fromWords, rig.tanks).flatMap((from) =>
					tanksNamed(toWords, rig.tanks).map((to) => [from, to] as const)
				)
			: cutAnywhere(fromWords, rig.tanks);
	const litres = quantityOf(line, 'volume', units);
	const full = line.words.includes('full');
	const readings = pairs
		.filter(([from, to]) => from.id !== to.id)
		.map(([from, to]): Meaning => ({
			happening: {
				kind: 'transfer',
				fromTank: from.id,
				toTank: to.id,
				...(litres === undefined
					? { until: full ? ('to-full' as const) : ('from-empty' as const) }
					: { litres })
			},
			...(from.holds === to.holds
				? {}
				: { warns: `${from.name} holds ${from.holds}, ${to.name} ${to.holds}.` })
		}));
	return readings.length > 0
		? readings
		: problem('From where to where? Say it as in “transfer jug to main 10”.');
}

/** `jug main` may be cut after any word; a single tank that feeds another needs no second name. */
function cutAnywhere(words: readonly string[], tanks: readonly Tank[]): readonly (readonly [Tank, Tank])[] {
	const cuts = words
		.slice(1)
		.flatMap((_, i) =>
			tanksNamed(words.slice(0, i + 1), tanks).flatMap((from) =>
				tanksNamed(words.slice(i + 1), tanks).map((to) => [from, to] as const)
			)
		);
	if (cuts.length > 0) return cuts;
	return tanksNamed(words, tanks).flatMap((from) => {
		const to = tanks.find(({ id }) => id === from.feeds);
		return to ? [[from, to] as const] : [];
	});
}

/** `swap jug`, `swap jug 2`: an empty jug at the tap gives way to another. */
export function swapLine(line: Line, context: QuickContext): Answer {
	const beyond = line.figures[0]?.text;
	if (beyond !== undefined) return oneTooMany(beyond);
	const all = swapsOf(context.rig, context.levels);
	const words = meaningful(line.words).filter((word) => word !== 'in' && word !== 'jug' && word !== 'jugs');
	const named = words.length === 0 ? undefined : tanksNamed(words, context.rig.tanks);
	const meant = named
		? all.filter(({ at, spare }) => named.some(({ id }) => id === at.id || id === spare.id))
		: all;
	if (meant.length === 0)
		return problem(
			all.length > 0
				? `Which jug? There is ${listed(all.map(({ spare }) => spare.name))}.`
				: 'No jug stands full to be swapped in. Fill one first, as in “fill jug full”.'
		);
	return meant.map(({ at, spare }): Meaning => {
		const [first, happening] = swapOf(at, spare);
		return { happening, first, says: `${at.name} empty, ${spare.name} takes its place` };
	});
}

/** `shower`, `shower 2`, `2 showers`, `dishes 6 L` (measured), `use shower 2 16 L`. */
export function useLine(line: Line, context: QuickContext): Answer | undefined {
	const words = meaningful(line.words).filter((word) => word !== 'use' && word !== 'times');
	if (words.length === 0) return undefined;
	const habits = namedBy(words, context.rig.habits);
	if (habits.length === 0) return undefined;
	const bare = line.figures.filter(({ unit }) => unit === '');
	const beyond = bare[1]?.text ?? figureBeyond(line, 2);
	if (beyond !== undefined) return oneTooMany(beyond);
	const times = bare[0]?.value ?? 1;
	const litres = quantityOf(line, 'volume', context.units, false);
	if (!(times > 0) || times > 200)
		return problem(
			`“${times} times” is not likely. Say how often, as in “shower 2”, or litres with their unit, as in “shower 8 L”.`
		);
	return habits.map((habit) => ({
		happening: {
			kind: 'use',
			habit: habit.id,
			times,
			...(litres === undefined ? {} : { litres, source: 'meter' as const })
		}
	}));
}
