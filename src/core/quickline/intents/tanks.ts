import type { Rig, Tank } from '../../logbook/index.js';
import { isCarried } from '../../rig/index.js';
import { listed } from '../../words/index.js';
import { problem, type NoMeaning, type QuickContext } from '../context.js';
import { plainWords, thingsNamed } from '../lexing/names.js';
import { ORDINALS, tankAliases, tankGroups } from '../lexing/numbered.js';

const tankWords = (tank: Tank, rig: Rig): readonly string[] => [
	tank.holds,
	`${tank.holds} ${tank.name}`,
	`${tank.name} ${tank.holds}`,
	`${tank.holds} water`,
	...(tank.holds === 'fresh' ? ['water'] : []),
	...(tank.holds === 'grey' ? ['gray', 'gray water'] : []),
	...(tank.holds === 'black' ? ['toilet', 'holding', `toilet ${tank.name}`] : []),
	...(tank.holds === 'black' && tank.portable === true ? ['cassette'] : []),
	...(tankAliases(rig).get(tank.id) ?? [])
];

const spoken = (word: string): string => ORDINALS.get(word) ?? word;
/** Nothing but what a tank holds was said. */
const BY_CONTENT = /^(fresh|water)$/;

/**
 * The tanks that typed words name: by their names, by what they hold, or by a noun and their place among those of that noun
 * (`jug 2`); all when nothing was typed.
 */
export function tanksNamed(
	words: readonly string[],
	tanks: readonly Tank[],
	{ rig }: Pick<QuickContext, 'rig'>
): readonly Tank[] {
	const said = words
		.flatMap(plainWords)
		.filter((word) => word !== 's')
		.map(spoken);
	if (said.length === 0 && words.length > 0) return [];
	// "the jug" of two jugs, whichever of them begins with that word.
	const group = said.length === 1 ? tankGroups(rig).get(said[0] ?? '') : undefined;
	const among = group?.filter((tank) => tanks.includes(tank)) ?? [];
	if (among.length > 1 && !tanks.some(({ name }) => plainWords(name).join(' ') === said[0])) return among;
	// A figure alone is no place among others.
	const bare = said.every((word) => /^\d+$/.test(word));
	const named = thingsNamed(said, tanks, (tank) => (bare ? [] : tankWords(tank, rig)));
	// The water aboard is what stands in the tank, and not in the jugs that are poured into it.
	const byContent = said.length > 0 && said.every((word) => BY_CONTENT.test(word));
	const builtIn = named.filter(({ feeds }) => feeds === undefined);
	return byContent && builtIn.length > 0 ? builtIn : named;
}

const TOGETHER = /^(both|all|every|everything|each)$/;
const PLURAL = /s$/;

/** Several tanks that a line speaks of at once; or why it cannot be told which. */
export type Together = { readonly tanks: readonly Tank[] } | NoMeaning | undefined;

/**
 * The tanks of `both jugs`, `all tanks`, `the jugs`, `both`.
 *
 * @param words without what else the line says
 * @param usual the tanks that are meant where no noun is said
 */
export function tanksTogether(
	words: readonly string[],
	tanks: readonly Tank[],
	usual: readonly Tank[],
	context: QuickContext
): Together {
	const how = words.find((word) => TOGETHER.test(word));
	const rest = words.filter((word) => !TOGETHER.test(word) && word !== 'of').flatMap(plainWords);
	const last = rest.at(-1) ?? '';
	const plural = PLURAL.test(last) && tankGroups(context.rig).has(last.replace(PLURAL, ''));
	if (how === undefined && !plural) return undefined;
	const singular = plural ? [...rest.slice(0, -1), last.replace(PLURAL, '')] : rest;
	const named =
		singular.length === 0
			? usual
			: [
					tankGroups(context.rig).get(singular.join(' ')) ?? [],
					tanksNamed(singular, tanks, context),
					tanks.filter(({ name, holds }) =>
						singular.every((word) => word === holds || plainWords(name).includes(word))
					)
				].find((found) => found.filter((tank) => tanks.includes(tank)).length > 1);
	const meant = named?.filter((tank) => tanks.includes(tank)) ?? [];
	if (meant.length < 2) return undefined;
	return how === 'both' && meant.length !== 2
		? problem(`Both of which? There are ${listed(meant.map(({ name }) => name))}.`)
		: { tanks: meant };
}

/** Says that words name no tank, and which there are. */
export const noTank = (context: QuickContext, words: readonly string[], tanks: readonly Tank[]): NoMeaning =>
	problem(
		`${context.rig.name} has no tank for that called “${words.join(' ')}”. ${tanks.length > 0 ? `It has ${listed(tanks.map(({ name }) => name))}.` : 'Add one in Rig.'}`
	);

/** The fresh tanks that water is drawn from, into which it goes where none is named. */
export function usualFresh({ rig }: QuickContext): readonly Tank[] {
	const fresh = rig.tanks.filter(({ holds, retired }) => holds === 'fresh' && !retired);
	const drawn = fresh.filter((tank) => !isCarried(rig, tank));
	return drawn.length > 0 ? drawn : fresh;
}
