import type { Rig, Tank } from '../../logbook/index.js';
import { plainWords } from './names.js';

/** What people call a vessel of water, whatever its name. */
const CARRIED = ['jug', 'can', 'jerrycan', 'canister', 'bottle', 'container', 'carboy', 'drum'];
const BUILT_IN = ['tank', 'bladder', 'cassette', 'bucket', 'pail', 'bag', 'box'];

/** `second`, `2nd`: the place that a word tells. */
export const ORDINALS: ReadonlyMap<string, string> = new Map([
	['first', '1'],
	['1st', '1'],
	['second', '2'],
	['2nd', '2'],
	['third', '3'],
	['3rd', '3'],
	['fourth', '4'],
	['4th', '4']
]);

const FIGURES: ReadonlyMap<string, string> = new Map([
	['one', '1'],
	['two', '2'],
	['three', '3'],
	['four', '4']
]);
const NUMBER_WORD = /\b(one|two|three|four)\b/g;
const NUMBERED = /\d|\b(one|two|three|four|first|second|third)\b/i;

/** Nothing larger is a jug, litres. */
const LARGEST_CARRIED_L = 40;

const isCarriedAbout = (
	{ holds, portable, feeds, nominalL }: Tank,
	tanks: readonly Tank[],
	id: string
): boolean =>
	holds === 'fresh' &&
	(portable === true ||
		feeds !== undefined ||
		(nominalL <= LARGEST_CARRIED_L && tanks.some((one) => one.feeds === id)));

function groupsOf({ tanks }: Rig): ReadonlyMap<string, readonly Tank[]> {
	const inUse = tanks.filter(({ retired }) => !retired);
	const groups = new Map<string, readonly Tank[]>();
	const put = (noun: string, found: readonly Tank[]): void => {
		if (found.length > 1) groups.set(noun, found);
	};
	const called = (noun: string): readonly Tank[] =>
		inUse.filter(({ name }) => plainWords(name).some((word) => word === noun || word === `${noun}s`));
	const jugs = inUse.filter((tank) => isCarriedAbout(tank, inUse, tank.id));
	const loose = jugs.filter((tank) => tank.portable === true || tank.feeds !== undefined);
	for (const noun of CARRIED) {
		const own = called(noun);
		// Where the tank that jugs are poured into is no jug itself, those that are carried are.
		put(noun, own.length > 0 ? own : loose.length > 1 ? loose : jugs);
	}
	for (const noun of BUILT_IN) put(noun, called(noun));
	const fresh = inUse.filter(({ holds }) => holds === 'fresh');
	const fixed = fresh.filter((tank) => !loose.includes(tank));
	if (!groups.has('tank')) put('tank', fixed);
	for (const holds of ['fresh', 'grey', 'black'] as const) {
		const all =
			holds === 'fresh' ? (fixed.length > 1 ? fixed : fresh) : inUse.filter((tank) => tank.holds === holds);
		put(`${holds} tank`, all);
		if (holds !== 'fresh') put(holds, all);
	}
	return groups;
}

const known = new WeakMap<
	Rig,
	{ groups: ReturnType<typeof groupsOf>; aliases: ReadonlyMap<string, string[]> }
>();

function knownOf(rig: Rig): NonNullable<ReturnType<typeof known.get>> {
	const before = known.get(rig);
	if (before) return before;
	const groups = groupsOf(rig);
	const aliases = new Map<string, string[]>();
	for (const [noun, tanks] of groups) {
		// Names with figures of their own say which is which: `Jug 1`.
		if (tanks.some(({ name }) => NUMBERED.test(name) && plainWords(name).includes(noun))) continue;
		tanks.forEach(({ id, feeds }, i) => {
			const others = tanks.length === 2 && (feeds !== undefined || (i === 1 && !tanks[0]?.feeds));
			const names = [
				`${noun} ${i + 1}`,
				`${i + 1} ${noun}`,
				...(others ? [`other ${noun}`, `spare ${noun}`] : [])
			];
			aliases.set(id, [...(aliases.get(id) ?? []), ...names]);
		});
	}
	for (const { id, name } of rig.tanks) {
		const inFigures = name.toLowerCase().replaceAll(NUMBER_WORD, (word) => FIGURES.get(word) ?? word);
		if (inFigures !== name.toLowerCase()) aliases.set(id, [...(aliases.get(id) ?? []), inFigures]);
	}
	const next = { groups, aliases };
	known.set(rig, next);
	return next;
}

/** The tanks that a noun may speak of, where there are several: `jug`, `tank`, `grey`; in the rig's order. */
export const tankGroups = (rig: Rig): ReadonlyMap<string, readonly Tank[]> => knownOf(rig).groups;

/** What each tank of several is called by its place among them: `jug 2`; by id. */
export const tankAliases = (rig: Rig): ReadonlyMap<string, readonly string[]> => knownOf(rig).aliases;
