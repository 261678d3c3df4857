import { readLevels, type Estimate } from '../estimate/index.js';
import { forecast, type Forecast } from '../forecast/index.js';
import { instantMs, type Entry } from '../logbook/index.js';
import { tankById } from '../rig/index.js';
import { sayStay, type StayChange } from '../words/index.js';
import type { Assessment } from './now.js';
import { LOOK_AHEAD_DAYS } from './outlook.js';

/** What one more entry does to the stay. */
export interface Effect {
	/** levels it leaves, litres by tank; none for an entry that does not count yet */
	readonly levels: ReadonlyMap<string, number>;
	/** in words: `Friday around noon becomes Thursday night` */
	readonly words: string;
	/** the stay gets shorter */
	readonly shortens: boolean;
}

const PREVIEW_PATHS = 250;

/** When the first tank binds, and which; to be compared with and without one more entry. */
export interface Bound {
	readonly days: number;
	readonly tank: string | undefined;
}

const boundIn = (ahead: Forecast): Bound => {
	const tank = ahead.binding[0]?.tank;
	return { days: ahead.tanks.find(({ id }) => id === tank)?.days.p50 ?? LOOK_AHEAD_DAYS, tank };
};

/** The bound by few paths: good for differences, since the same few are drawn with and without an entry. */
export const boundOf = (estimate: Estimate): Bound =>
	boundIn(forecast(estimate, { days: LOOK_AHEAD_DAYS, paths: PREVIEW_PATHS }));

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
	return instantMs(entry.at) > now.atMs + 60_000 ? effectSaid({ kind: 'later' }, now, timeZone) : undefined;
}

/**
 * What is different with an entry.
 *
 * @param now what *Now* says without it
 * @param before the bound of the estimate without it, by few paths
 * @param then the estimate with it
 */
export function effectOf(now: Assessment, before: Bound, then: Estimate, timeZone: string): Effect {
	const levels = new Map(readLevels(then).tanks.map(({ id, litres }) => [id, litres]));
	const after = boundOf(then);
	const fromDays = boundIn(now.forecast).days;
	const moved = after.days - before.days;
	if (Math.round(Math.abs(moved) * 24) < 1) return effectSaid({ kind: 'same' }, now, timeZone, levels);
	const first = after.tank !== before.tank ? tankById(then.model.rig, after.tank ?? '')?.name : undefined;
	const change = {
		kind: 'moves',
		fromDays,
		toDays: Math.max(0, fromDays + moved),
		movedDays: moved,
		first
	} as const;
	return effectSaid(change, now, timeZone, levels);
}
