import type { Tank } from '../../logbook/index.js';
import { listed } from '../../words/index.js';
import { problem, type NoMeaning, type QuickContext } from '../context.js';
import { thingsNamed } from '../lexing/names.js';

const tankWords = (tank: Tank): readonly string[] => [
	tank.holds,
	`${tank.holds} ${tank.name}`,
	`${tank.name} ${tank.holds}`,
	`${tank.holds} water`,
	...(tank.holds === 'fresh' ? ['water'] : []),
	...(tank.holds === 'black' ? ['toilet', 'holding', `toilet ${tank.name}`] : []),
	...(tank.holds === 'black' && tank.portable === true ? ['cassette'] : [])
];

/** The tanks that typed words name, by their names or by what they hold; all when nothing was typed. */
export function tanksNamed(words: readonly string[], tanks: readonly Tank[]): readonly Tank[] {
	const named = thingsNamed(words, tanks, tankWords);
	// The water aboard is what stands in the tank, and not in the jugs that are poured into it.
	const byContent = words.length > 0 && words.every((word) => word === 'fresh' || word === 'water');
	const builtIn = named.filter(({ feeds }) => feeds === undefined);
	return byContent && builtIn.length > 0 ? builtIn : named;
}

/** Says that words name no tank, and which there are. */
export const noTank = (context: QuickContext, words: readonly string[], tanks: readonly Tank[]): NoMeaning =>
	problem(
		`${context.rig.name} has no tank for that called “${words.join(' ')}”. ${tanks.length > 0 ? `It has ${listed(tanks.map(({ name }) => name))}.` : 'Add one in Rig.'}`
	);
