import type { Container, Happening, Tank } from '../../logbook/index.js';
import { fitsL, swapOf, swapsOf, usableOf } from '../../rig/index.js';
import { formatLitres, formatPlain } from '../../units/index.js';
import { listed, sayHappening } from '../../words/index.js';
import {
	one,
	oneTooMany,
	problem,
	type LineReading,
	type Meaning,
	type NoMeaning,
	type QuickContext
} from '../context.js';
import { meaningful, thingsNamed } from '../lexing/names.js';
import { likelyMeant } from './plausible.js';
import { noTank, tanksNamed, tanksTogether, usualFresh } from './tanks.js';
import { figureBeyond, quantityOf, type TokenLine } from '../lexing/tokens.js';

/** A figure this far over a tank's usable volume is no fill but a slip. */
const BEYOND = 1.15;

const fitsInto = (tank: Tank, litres: number): boolean => litres <= BEYOND * usableOf(tank);

/** Says that so much does not fit, and what is more likely meant. */
function tooMuch(verb: string, tank: Tank, litres: number, context: QuickContext): NoMeaning {
	const { units } = context;
	const likely = likelyMeant(litres, (less) => less >= 1 && fitsInto(tank, less));
	const meant =
		likely === undefined
			? []
			: [`${verb} ${tank.name.toLowerCase()} ${formatPlain(likely, 'volume', units)}`];
	return problem(
		`${tank.name} has ${formatLitres(usableOf(tank), units)} usable; ${formatLitres(litres, units)} does not fit. ${likely === undefined ? 'Check the figure and its unit.' : `Did you mean ${formatLitres(likely, units)}?`}`,
		...meant
	);
}

const AMOUNT_WORDS = new Set(
	'full brim top topped overflow all both everything more added add tap hose spring water litres dock quay pontoon marina campsite site shop station garage standpipe'.split(
		' '
	)
);
const EACH = /^(each|apiece|every)$/;
/** Where water comes from that is no tank of one's own. */
export const PLACES =
	/^(tap|taps|hose|hosepipe|spring|well|stream|river|lake|standpipe|faucet|spigot|shop|store|station|garage|marina|dock|quay|pontoon|campsite|site|mains|neighbou?rs?|rain)$/;

const HOW_MUCH: NoMeaning = {
	...problem('How much? Enter litres, for example “fill 60”, or “fill full”.'),
	lacksAmount: true
};

/** A bare fraction may be of the tank or of a litre. */
const ofWhat = (fraction: string): NoMeaning =>
	problem(
		`${fraction} of what? Enter litres, for example “20 L”; if a tank is at ${fraction}, “fresh ${fraction}”.`
	);

/** `from the spare jug`: water that was aboard already is poured over and not filled in. */
function fromTank(line: TokenLine, context: QuickContext): LineReading | undefined {
	const at = line.words.findLastIndex((word) => word === 'from' || word === 'with');
	const said = at === -1 ? [] : meaningful(line.words.slice(at + 1));
	// A tap, a hose and a spring are places, whatever a jug is called by.
	if (said.length === 0 || said.every((word) => PLACES.test(word))) return undefined;
	const fresh = context.rig.tanks.filter(({ holds }) => holds === 'fresh');
	const from = tanksNamed(said, fresh, context);
	if (from.length === 0) return undefined;
	const goal = meaningful(line.words.slice(0, at)).filter((word) => !AMOUNT_WORDS.has(word));
	const into = goal.length > 0 ? goal : [from[0]?.feeds ?? ''];
	const named =
		goal.length > 0 ? tanksNamed(goal, fresh, context) : fresh.filter(({ id }) => into.includes(id));
	const litres = quantityOf(line, 'volume', context.units);
	const full = line.words.some((word) => /^(full|brim|up|top|topped)$/.test(word));
	const ways = from.flatMap((source) =>
		named
			.filter(({ id }) => id !== source.id)
			.map((other): Meaning =>
				one({
					kind: 'transfer',
					fromTank: source.id,
					toTank: other.id,
					...(litres === undefined
						? { until: full ? ('to-full' as const) : ('from-empty' as const) }
						: { litres })
				})
			)
	);
	return ways.length > 0 ? ways : problem('From where to where? For example “transfer jug to main 10”.');
}

/** `put 5 L into the spare`: filled in, or poured over where something is carried that is poured into it. */
export function putLine(line: TokenLine, context: QuickContext): LineReading | undefined {
	if (!line.words.some((word) => /^(in|into|to)$/.test(word))) return undefined;
	const words = line.words.filter((word) => !/^(in|into|to|litres?)$/.test(word));
	const filled = fillLine({ ...line, words }, context);
	const said = meaningful(words).filter(
		(word) => !AMOUNT_WORDS.has(word) && !EACH.test(word) && word !== 'from'
	);
	const fresh = context.rig.tanks.filter(({ holds }) => holds === 'fresh');
	const fed = tanksNamed(said, fresh, context).some(({ id }) => fresh.some(({ feeds }) => feeds === id));
	const poured =
		fed && !words.includes('from')
			? transferLine({ ...line, words: line.words.map((word) => (word === 'in' ? 'into' : word)) }, context)
			: [];
	const ways = [filled, poured].flatMap((read) => ('problem' in read ? [] : read));
	return ways.length > 0 ? ways : filled;
}

/** Several tanks at once: each to its brim, or so much each, or so much in all. */
export function fillTogether(
	tanks: readonly Tank[],
	litres: number | undefined,
	each: boolean,
	context: QuickContext
): LineReading {
	const { units } = context;
	if (litres === undefined)
		return [{ does: tanks.map(({ id }) => ({ kind: 'fill', tank: id, to: 'full' })) }];
	const share = litres / tanks.length;
	const filled = (l: number): readonly Happening[] =>
		tanks.map(({ id }) => ({ kind: 'fill', tank: id, litres: Number(l.toFixed(3)) }));
	const fits = (l: number): boolean => tanks.every((tank) => fitsInto(tank, l));
	const ways: readonly Meaning[] = [
		...(fits(litres)
			? [
					{
						does: filled(litres),
						says: `${formatLitres(litres, units)} into each of ${listed(tanks.map(({ name }) => name))}`
					}
				]
			: []),
		...(!each && fits(share)
			? [
					{
						does: filled(share),
						says: `${formatLitres(litres, units)} in all: ${formatLitres(share, units)} into each of ${listed(tanks.map(({ name }) => name))}`
					}
				]
			: [])
	];
	const [first] = tanks;
	return ways.length > 0 || !first ? ways : tooMuch('fill', first, litres, context);
}

/** `fill 60`, `fill main full`, `fill jug 12 gal`, `fill up`, `topped up 20`. */
export function fillLine(line: TokenLine, context: QuickContext): LineReading {
	const beyond = figureBeyond(line, 1);
	if (beyond !== undefined) return oneTooMany(beyond);
	if (line.minutes !== undefined)
		return problem('How much ran in? Enter litres, for example “fill 60”: minutes alone don’t give litres.');
	const poured = fromTank(line, context);
	if (poured) return poured;
	const place = pointNamed(line.words, context);
	const said = place?.before ?? line.words;
	const each = said.some((word) => EACH.test(word));
	const words = meaningful(said).filter((word) => !AMOUNT_WORDS.has(word) && !EACH.test(word));
	const fresh = context.rig.tanks.filter(({ holds }) => holds === 'fresh');
	const usual = usualFresh(context);
	const several = tanksTogether(
		meaningful(said).filter((word) => !AMOUNT_WORDS.has(word) || /^(all|both|everything)$/.test(word)),
		fresh,
		usual.length > 1 ? usual : fresh,
		context
	);
	if (several && 'problem' in several) return several;
	const tanks =
		several?.tanks ??
		(words.length === 0 || words.every((word) => word === 'water')
			? usual
			: tanksNamed(words, fresh, context));
	if (tanks.length === 0) return noTank(context, words, fresh);
	const percent = line.figures.find(({ unit }) => unit === '%');
	if (percent)
		return problem(
			`A fill must be in litres. If the tank shows ${percent.text}% now, enter “${tanks[0]?.name.toLowerCase()} ${percent.text}%”.`
		);
	const litres = quantityOf(line, 'volume', context.units);
	if (litres === undefined && line.figures.length > 0) return HOW_MUCH;
	const [figure] = line.figures;
	if (figure?.fraction && figure.unit === '') return ofWhat(figure.text);
	const brim = said.some((word) => /^(full|brim|overflow)$/.test(word));
	// "filled 2 jugs": so many, and not so much.
	const counted = figure?.unit === '' && figure.value === tanks.length && !each;
	if (several) return fillTogether(tanks, counted ? undefined : litres, each, context);
	const toFull = brim || words.length > 0 || said.some((word) => /^(up|top|topped|tanks?)$/.test(word));
	const full = litres === undefined ? toFull : brim;
	if (litres === undefined && !full) return HOW_MUCH;
	if (litres !== undefined && litres <= 0)
		return problem('A fill must be above 0. Enter litres, for example “fill 60”.');
	const fitting = tanks.filter((tank) => litres === undefined || fitsInto(tank, litres));
	const first = tanks[0];
	if (fitting.length === 0 && first) return tooMuch('fill', first, litres ?? 0, context);
	const at = place?.point === undefined ? {} : { point: place.point };
	return fitting.flatMap((tank): readonly Meaning[] => {
		const level = context.levels?.get(tank.id);
		const upTo = line.upTo && litres !== undefined && level !== undefined ? litres - level : 0;
		const over = litres !== undefined && level !== undefined && level + litres > BEYOND * usableOf(tank);
		const added = one(
			{
				kind: 'fill',
				tank: tank.id,
				...(litres === undefined ? {} : { litres }),
				...(full ? { to: 'full' as const } : {}),
				...at
			},
			over ? { warns: `${tank.name} was estimated at ${formatLitres(level, context.units)} already.` } : {}
		);
		if (!(upTo > 0) || litres === undefined) return [added];
		const reached = { kind: 'fill', tank: tank.id, litres: Number(upTo.toFixed(1)), ...at } as const;
		return [
			one(reached, {
				says: `${sayHappening(reached, context)}, up to ${formatLitres(litres, context.units)}`
			}),
			added
		];
	});
}

const DRAINS = ['ground', 'overboard', 'sewer'] as const;
/** What is ground, by other words. */
const GROUND = /^(bushes|bush|grass|ditch|field|hedge|verge|garden|gravel|dirt|sand|beach|soil|earth|woods)$/;
/** A line in which every kind of ground is called so. */
export const withGround = (line: TokenLine): TokenLine => ({
	...line,
	words: line.words.map((word) => (GROUND.test(word) ? 'ground' : word))
});
const ALL = new Set(['all', 'everything', 'both', 'waste', 'tanks']);
const BLACK = 'Black never goes on the ground; overboard only where rules allow.';
const LAWS = 'Do this only where local rules allow it; they differ.';

/** Black before grey, so that the hose ends rinsed. */
const inDumpOrder = (tanks: readonly Tank[]): readonly Tank[] =>
	[...tanks].sort((a, b) => Number(a.holds !== 'black') - Number(b.holds !== 'black'));

const emptied = (tank: Tank, where?: string): Happening => ({
	kind: 'dump',
	tank: tank.id,
	to: 'empty',
	...(where === undefined ? {} : { where })
});

/** The containers that words after `into` name. */
function into(
	line: TokenLine,
	context: QuickContext
):
	{ readonly line: TokenLine; readonly containers: readonly Container[]; readonly said: string } | undefined {
	const at = line.words.findLastIndex((word) => word === 'into' || word === 'in' || word === 'to');
	const said = meaningful(line.words.slice(at + 1));
	if (at === -1 || said.length === 0 || said.some((word) => DRAINS.some((drain) => drain === word)))
		return undefined;
	const waste = context.rig.containers.filter(({ carries, retired }) => carries !== 'fresh' && !retired);
	const direct = thingsNamed(said, waste);
	// A tote, a drum, a bucket: whatever it is called, where there is just the kind of thing.
	const kindly =
		direct.length === 0 && said.some((word) => /^(tote|drum|bucket|tub|can|container|barrel)s?$/.test(word))
			? waste
			: direct;
	return { line: { ...line, words: line.words.slice(0, at) }, containers: kindly, said: said.join(' ') };
}

/** A tank let into what carries it away: all of it where it fits; else what fits, or all of it in several loads. */
function intoContainer(
	tank: Tank,
	container: Container,
	litres: number | undefined,
	context: QuickContext
): readonly Meaning[] {
	const caution = 'Shut the valve before the container is full: the hose must still drain into it.';
	if (litres !== undefined)
		return [one({ kind: 'dump', tank: tank.id, litres, where: container.id }, { warns: caution })];
	const level = context.levels?.get(tank.id);
	const roomL =
		container.capacityL > container.headroomL ? fitsL(tank.holds, container) : container.capacityL;
	const whole = one(emptied(tank, container.id), { warns: caution });
	if (level === undefined || level <= roomL) return [whole];
	const loads = Math.ceil(level / roomL);
	const part: Happening = {
		kind: 'dump',
		tank: tank.id,
		litres: Number(roomL.toFixed(1)),
		where: container.id
	};
	const much = `${tank.name} was estimated at ${formatLitres(level, context.units)}; ${formatLitres(roomL, context.units)} fits.`;
	return [
		one(part, { warns: `${much} ${caution}` }),
		{
			...whole,
			says: `${sayHappening(emptied(tank, container.id), context)}, in ${loads} loads`,
			warns: `${much} ${caution}`
		}
	];
}

/** `dump grey`, `dump cassette`, `dump grey 20`, `dump grey overboard`, `dump all`, `dump grey into tote`. */
export function dumpLine(given: TokenLine, context: QuickContext): LineReading {
	const beyond = figureBeyond(given, 1);
	if (beyond !== undefined) return oneTooMany(beyond);
	const carried = into(withGround(given), context);
	const line = carried?.line ?? withGround(given);
	const where = DRAINS.find((drain) => line.words.includes(drain));
	const place = pointNamed(line.words, context);
	const words = meaningful(place?.before ?? line.words).filter(
		(word) => word !== where && word !== 'empty' && word !== 'out'
	);
	const waste = context.rig.tanks.filter(({ holds }) => holds !== 'fresh');
	const together = tanksTogether(words, waste, waste, context);
	if (together && 'problem' in together) return together;
	const all = together !== undefined || (words.length > 0 && words.every((word) => ALL.has(word)));
	const named = together
		? together.tanks
		: words.length === 0 || all
			? waste
			: tanksNamed(words, context.rig.tanks, context);
	if (named.length === 0) return noTank(context, words, waste);
	if (line.figures[0]?.fraction && line.figures[0].unit === '') return ofWhat(line.figures[0].text);
	const litres = quantityOf(line, 'volume', context.units);
	const first = named[0];
	if (litres === undefined && line.figures[0]) return ofWhat(line.figures[0].text);
	if (litres !== undefined && first && named.every((tank) => !fitsInto(tank, litres)))
		return tooMuch('dump', first, litres, context);
	if (carried) {
		const { containers, said } = carried;
		const pairs = named.flatMap((tank) =>
			containers
				.filter(({ carries }) => carries === tank.holds)
				.map((container) => [tank, container] as const)
		);
		if (pairs.length === 0)
			return problem(
				`${context.rig.name} has no container for ${first?.holds ?? 'waste'} called “${said}”. Add it to the containers in Rig, or enter “dump ${first?.name.toLowerCase()}”.`
			);
		return pairs.flatMap(([tank, container]) => intoContainer(tank, container, litres, context));
	}
	const lawful =
		where === 'ground' || where === 'overboard'
			? { warns: named.some(({ holds }) => holds === 'black') ? `${BLACK} ${LAWS}` : LAWS }
			: {};
	const drain = where ?? place?.point;
	if ((all || (words.length === 0 && named.length > 1)) && litres === undefined) {
		const together: Meaning = { does: inDumpOrder(named).map((tank) => emptied(tank, drain)), ...lawful };
		return all || named.length === 1
			? [together]
			: [together, ...named.map((tank) => one(emptied(tank, drain), lawful))];
	}
	return named.map((tank) =>
		one(
			litres === undefined
				? emptied(tank, drain)
				: { kind: 'dump', tank: tank.id, litres, ...(drain === undefined ? {} : { where: drain }) },
			lawful
		)
	);
}

/** `at tamsel ford`: a stop of the trip, behind what was done there. */
function pointNamed(
	words: readonly string[],
	{ trip }: QuickContext
): { readonly before: readonly string[]; readonly point: string | undefined } | undefined {
	const at = words.lastIndexOf('at');
	const said = at === -1 ? [] : meaningful(words.slice(at + 1));
	const [stop] = said.length === 0 ? [] : thingsNamed(said, trip?.stops ?? []);
	return stop && { before: words.slice(0, at), point: stop.point };
}

const SPLITS = new Set(['to', 'into', 'in', 'onto']);

/** `transfer jug main 10`, `pour jug into main`, `pour jug`. */
export function transferLine(line: TokenLine, context: QuickContext): LineReading {
	const beyond = figureBeyond(line, 1);
	if (beyond !== undefined) return oneTooMany(beyond);
	const { rig, units } = context;
	const split = line.words.findIndex((word) => SPLITS.has(word));
	const groups = split === -1 ? [line.words] : [line.words.slice(0, split), line.words.slice(split + 1)];
	const [fromWords = [], toWords = []] = groups.map((words) =>
		meaningful(words).filter((word) => word !== 'full' && word !== 'all')
	);
	const into = tanksNamed(toWords, rig.tanks, context);
	const from =
		fromWords.length > 0
			? tanksNamed(fromWords, rig.tanks, context)
			: rig.tanks.filter(({ feeds }) => into.some(({ id }) => id === feeds));
	const pairs =
		split === -1
			? cutAnywhere(fromWords, context)
			: from.flatMap((one) => into.map((other) => [one, other] as const));
	const litres = quantityOf(line, 'volume', units);
	if (litres === undefined && line.figures[0]) return ofWhat(line.figures[0].text);
	const full = line.words.includes('full');
	const readings = pairs
		.filter(([from, to]) => from.id !== to.id)
		.map(([from, to]): Meaning =>
			one(
				{
					kind: 'transfer',
					fromTank: from.id,
					toTank: to.id,
					...(litres === undefined
						? { until: full ? ('to-full' as const) : ('from-empty' as const) }
						: { litres })
				},
				from.holds === to.holds ? {} : { warns: `${from.name} holds ${from.holds}, ${to.name} ${to.holds}.` }
			)
		);
	if (readings.length === 0) return problem('From where to where? For example “transfer jug to main 10”.');
	const [source] = pairs[0] ?? [];
	return litres !== undefined && source && pairs.every(([one]) => !fitsInto(one, litres))
		? problem(
				`${source.name} has ${formatLitres(usableOf(source), units)} usable; ${formatLitres(litres, units)} can’t come out of it.`
			)
		: readings;
}

/** `jug main` may be cut after any word; a single tank that feeds another needs no second name. */
function cutAnywhere(words: readonly string[], context: QuickContext): readonly (readonly [Tank, Tank])[] {
	const { tanks } = context.rig;
	const fed = tanksNamed(words, tanks, context).flatMap((from) => {
		const to = tanks.find(({ id }) => id === from.feeds);
		return to ? [[from, to] as const] : [];
	});
	if (fed.length > 0) return fed;
	return words
		.slice(1)
		.flatMap((_, i) =>
			tanksNamed(words.slice(0, i + 1), tanks, context).flatMap((from) =>
				tanksNamed(words.slice(i + 1), tanks, context).map((to) => [from, to] as const)
			)
		);
}

/** `swap jug`, `swap jug 2`: an empty jug at the tap gives way to another. */
export function swapLine(line: TokenLine, context: QuickContext): LineReading {
	const beyond = line.figures[0]?.text;
	if (beyond !== undefined) return oneTooMany(beyond);
	const all = swapsOf(context.rig, context.levels);
	const words = meaningful(line.words).filter((word) => word !== 'in' && word !== 'jug' && word !== 'jugs');
	const named = words.length === 0 ? undefined : tanksNamed(words, context.rig.tanks, context);
	const meant = named
		? all.filter(({ at, spare }) => named.some(({ id }) => id === at.id || id === spare.id))
		: all;
	if (meant.length === 0)
		return problem(
			all.length > 0
				? `Which jug? You have ${listed(all.map(({ spare }) => spare.name))}.`
				: 'No other jug is full. Fill one first, for example “fill jug full”.'
		);
	return meant.map(({ at, spare }): Meaning => ({
		does: swapOf(at, spare, context.levels?.get(spare.id)),
		says: `${at.name} empty, ${spare.name} takes its place`
	}));
}
