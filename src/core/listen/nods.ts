import { groups } from 'd3-array';
import { instantMs, type Entry, type EntryOf, type Meter, type Outlet, type Rig } from '../logbook/index.js';
import { passesMeter } from '../rig/index.js';
import { MINUTE_MS } from '../time/index.js';
import { LONGEST_PAUSE_MS } from './grouping.js';
import type { HeardUse } from './listen.js';
import { litresOf } from './runs.js';
import { sameStretch } from './stretch.js';

type UseEntry = EntryOf<'use'>;

/** What is to be done with a use that was heard. */
export type Nod = { readonly use: HeardUse } & (
	| /** it is in the log, as it was heard */ { readonly kind: 'logged'; readonly entry: UseEntry }
	| /** it is in the log by hand, or has gone on since: the log is to have its litres, too */ {
			readonly kind: 'joins';
			readonly entry: UseEntry;
			/** what was logged of it as it was heard: the one by hand takes its place */
			readonly replaces?: UseEntry;
	  }
	| /** it has a name that it very likely is */ {
			readonly kind: 'named';
			readonly habit: string;
			readonly chance: number;
	  }
	| /** it may be this or that */ {
			readonly kind: 'doubtful';
			readonly habits: readonly { readonly habit: string; readonly chance: number }[];
	  }
	| /** it is like no habit; perhaps it ran at that outlet */ {
			readonly kind: 'unnamed';
			readonly outlet?: Outlet;
	  }
);

/** Above this chance a name is offered as one, below it is asked about; less is no name at all. */
const NAMED = 0.8;
const WORTH_ASKING = 0.12;
/** So near to an outlet's flow it may be that one, as a logarithm. */
const LIKE_FLOW = 0.25;
/** Litres that differ by less are the same, as a share. */
const SAME_LITRES = 0.02;

const heardOf = ({ heard }: UseEntry) =>
	heard && { meter: heard.meter, fromMs: instantMs(heard.from), toMs: instantMs(heard.until) };

/** Which entry each use is by having been heard: those most alike first, one to one. */
function entriesOf(
	uses: readonly HeardUse[],
	entries: readonly UseEntry[],
	meter: string
): ReadonlyMap<HeardUse, UseEntry> {
	const pairs = entries
		.flatMap((entry) => {
			const heard = heardOf(entry);
			return heard?.meter === meter
				? uses.map((use) => ({ use, entry, same: sameStretch(use, heard) })).filter(({ same }) => same > 0)
				: [];
		})
		.sort((a, b) => b.same - a.same);
	const found = new Map<HeardUse, UseEntry>();
	const used = new Set<UseEntry>();
	for (const { use, entry } of pairs) {
		if (found.has(use) || used.has(entry)) continue;
		found.set(use, entry);
		used.add(entry);
	}
	return found;
}

/** The outlet whose flow is most like one, where any is. */
function outletLike(rig: Rig, meter: Meter, lpm: number): Outlet | undefined {
	const [nearest] = rig.outlets
		.flatMap((outlet) =>
			outlet.flowLpm && passesMeter(outlet, meter)
				? [{ outlet, off: Math.abs(Math.log(lpm / outlet.flowLpm)) }]
				: []
		)
		.sort((a, b) => a.off - b.off);
	return nearest && nearest.off < LIKE_FLOW ? nearest.outlet : undefined;
}

/** Who writes what was heard already does so within so long of it, ms. */
const BEFORE_MS = 2 * MINUTE_MS;
const AFTER_MS = 12 * MINUTE_MS;

/**
 * What somebody wrote by hand of a use that is in the log as it was heard, too: the one that is known to be meant, else one of the same habit
 * that was written about then and is no other use's.
 */
function byHandOf(
	use: HeardUse,
	heard: UseEntry,
	byHand: ReadonlyMap<string, UseEntry>,
	told: ReadonlySet<string | undefined>
): UseEntry | undefined {
	const own = byHand.get(use.told ?? '');
	if (own) return own;
	return [...byHand.values()].find(({ id, habit, at, times }) => {
		const ms = instantMs(at);
		const isNear = ms >= use.fromMs - BEFORE_MS && ms <= use.toMs + AFTER_MS;
		return habit === heard.habit && times === heard.times && isNear && !told.has(id);
	});
}

/** Whether the log says less of a use than was heard. */
const saysLess = ({ litres, heard }: UseEntry, use: HeardUse): boolean =>
	litres === undefined ||
	heard === undefined ||
	(instantMs(heard.until) < use.toMs - MINUTE_MS / 6 && Math.abs(litres / use.litres - 1) > SAME_LITRES);

/**
 * What is to be done with each use that was heard. What somebody wrote by hand as well is joined with it, not logged twice; what was
 * logged by itself and voided since is asked about.
 *
 * @param entries of the rig, the void ones too
 */
export function nodsFor(
	rig: Rig,
	meter: Meter,
	uses: readonly HeardUse[],
	entries: readonly Entry[]
): readonly Nod[] {
	const all = entries.filter((entry): entry is UseEntry => entry.kind === 'use');
	const standing = all.filter((entry) => !entry.void);
	const byHearing = entriesOf(uses, standing, meter.id);
	const taken = new Set(byHearing.values());
	const voided = entriesOf(
		uses.filter((use) => !byHearing.has(use)),
		all.filter((entry) => entry.void),
		meter.id
	);
	const byId = new Map(standing.map((entry) => [entry.id, entry]));
	const byHand = new Map([...byId].filter(([, { heard, again }]) => !heard && !again));
	const told = new Set(uses.map((use) => use.told));
	return uses.map((use): Nod => {
		const heard = byHearing.get(use);
		if (heard) {
			const twin = byHandOf(use, heard, byHand, told);
			if (twin) return { kind: 'joins', use, entry: twin, replaces: heard };
			return { kind: saysLess(heard, use) ? 'joins' : 'logged', use, entry: heard };
		}
		const said = use.told === undefined ? undefined : byId.get(use.told);
		// Several at once in one entry have no litres of their own.
		if (said && !taken.has(said))
			return { kind: said.times === 1 && !said.heard ? 'joins' : 'logged', use, entry: said };
		const [top] = use.choices;
		const likely = use.choices.filter(({ chance }) => chance >= WORTH_ASKING).slice(0, 3);
		if (top && top.chance >= NAMED && !voided.has(use))
			return { kind: 'named', use, habit: top.habit, chance: top.chance };
		if (likely.length > 0) return { kind: 'doubtful', use, habits: likely };
		const outlet = outletLike(rig, meter, use.lpm);
		return { kind: 'unnamed', use, ...(outlet ? { outlet } : {}) };
	});
}

/** Whether a use may still go on: another opening of the tap would be part of it. */
export const mayGoOn = ({ toMs }: HeardUse, atMs: number): boolean => atMs - toMs <= LONGEST_PAUSE_MS;

/** Whether a use is in the log already, as it was heard or by hand. */
export const isInLog = ({ kind }: Nod): boolean => kind === 'logged' || kind === 'joins';

/** Litres that were heard, and those of them that are not in the log yet. */
export interface HeardLitres {
	readonly heardL: number;
	readonly unloggedL: number;
}

export const heardLitres = (nods: readonly Nod[]): HeardLitres => ({
	heardL: litresOf(nods.map(({ use }) => use)),
	unloggedL: litresOf(nods.filter((nod) => !isInLog(nod)).map(({ use }) => use))
});

/**
 * The same by day, the last one first.
 *
 * @param dayOf the calendar day of a moment
 */
export function heardByDay(
	nods: readonly Nod[],
	dayOf: (ms: number) => string
): readonly ({ readonly day: string } & HeardLitres)[] {
	return groups(nods, ({ use }) => dayOf(use.fromMs))
		.map(([day, of]) => ({ day, ...heardLitres(of) }))
		.sort((a, b) => (a.day < b.day ? 1 : -1));
}
