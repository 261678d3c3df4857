import { MINUTE_MS } from '../time/index.js';
import { readLevels, type Estimate, type Levels } from '../estimate/index.js';
import { autonomyOf, COMPARED_PATHS, lastingOf, type Autonomy } from '../forecast/index.js';
import { instantMs, type Entry, type Rig } from '../logbook/index.js';
import { tankById } from '../rig/index.js';
import type { UnitChoice } from '../units/index.js';
import { sayLessons, sayStay, type Lesson, type StayChange } from '../words/index.js';
import type { Assessment } from './firstLook.js';
import { LOOK_AHEAD_DAYS } from './outlook.js';

/** What one more entry does to the stay. */
export interface Effect {
	/** levels it leaves, litres by tank; none for an entry that does not count yet */
	readonly levels: ReadonlyMap<string, number>;
	/** in words: `Friday around noon becomes Thursday night` */
	readonly words: string;
	/** the stay gets shorter */
	readonly shortens: boolean;
	/** what the entry teaches beside what it moves, in words; absent when it teaches nothing */
	readonly why?: string;
}

/**
 * When the stay ends, to be compared with and without one more entry.
 *
 * @param now what *Now* says of the tank that ends it
 */
export const boundOf = (estimate: Estimate, now: Assessment): Autonomy =>
	autonomyOf(estimate, {
		days: LOOK_AHEAD_DAYS,
		paths: COMPARED_PATHS,
		about: now.forecast.binding[0]?.tank
	});

const effectSaid = (
	change: StayChange,
	now: Assessment,
	timeZone: string,
	levels = new Map<string, number>()
) => ({
	levels,
	words: sayStay(change, now.atMs, LOOK_AHEAD_DAYS, timeZone),
	shortens: change.kind === 'moves' && change.toDays < change.fromDays
});

/** What an entry does by its kind and time alone, without a look ahead: nothing, or nothing yet. */
export function plainEffect(now: Assessment, entry: Entry, timeZone: string): Effect | undefined {
	if (entry.kind === 'note' || entry.kind === 'care') return effectSaid({ kind: 'same' }, now, timeZone);
	return instantMs(entry.at) > now.atMs + MINUTE_MS
		? effectSaid({ kind: 'later' }, now, timeZone)
		: undefined;
}

/** Less than this share of a figure is not worth saying. */
const WORTH_SAYING = 0.03;

/** What changes who is aboard or what is in force changes figures, and teaches nothing. */
const TEACHES: ReadonlySet<Entry['kind']> = new Set(['use', 'reading', 'mark', 'fill', 'dump', 'transfer']);

/** What an entry teaches: litres of one time, and use that nobody writes down, where they become another figure. */
function lessonsOf(now: Assessment, then: Levels, rig: Rig): readonly Lesson[] {
	const differ = (a: number, b: number): boolean =>
		Math.abs(a - b) > Math.max(0.05, WORTH_SAYING * Math.abs(a));
	const before = now.levels.unlogged.litresPerPersonDay;
	const after = then.unlogged.litresPerPersonDay;
	return [
		...then.habits.flatMap(({ id, litresEach }): readonly Lesson[] => {
			const known = now.levels.habits.find((one) => one.id === id)?.litresEach ?? litresEach;
			const name = rig.habits.find((one) => one.id === id)?.name ?? id;
			return differ(known, litresEach) ? [{ kind: 'habit', name, fromL: known, toL: litresEach }] : [];
		}),
		...(differ(before, after) ? [{ kind: 'unlogged', fromL: before, toL: after } as const] : [])
	];
}

/**
 * What is different with some entries.
 *
 * @param kinds of the entries
 * @param now what *Now* says without them
 * @param before when the stay ends without them
 * @param then the estimate with them
 */
export function effectOf(
	kinds: readonly Entry['kind'][],
	now: Assessment,
	before: Autonomy,
	then: Estimate,
	timeZone: string,
	units?: UnitChoice
): Effect {
	const levels = readLevels(then);
	const litres = new Map(levels.tanks.map((tank) => [tank.id, tank.litres]));
	const after = boundOf(then, now);
	const binding = now.forecast.binding[0]?.tank;
	const bound = now.forecast.tanks.find(({ id }) => id === binding);
	const fromDays = bound ? lastingOf(bound).p50 : LOOK_AHEAD_DAYS;
	const moved = after.days - before.days;
	const { clockDays, useDays } = after.clock;
	const { rig } = then.model;
	const lessons = kinds.some((kind) => TEACHES.has(kind)) ? lessonsOf(now, levels, rig) : [];
	const why = lessons.length > 0 ? { why: sayLessons(lessons, units) } : {};
	if (Math.round(Math.abs(moved) * 24) < 1)
		return { ...effectSaid({ kind: 'same' }, now, timeZone, litres), ...why };
	const first = after.tank !== before.tank ? tankById(rig, after.tank ?? '')?.name : undefined;
	const change = {
		kind: 'moves',
		fromDays,
		toDays: Math.max(0, clockDays(useDays(fromDays) + moved)),
		movedDays: moved,
		first
	} as const;
	return { ...effectSaid(change, now, timeZone, litres), ...why };
}
