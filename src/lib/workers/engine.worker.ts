import {
	assess,
	boundOf,
	effectOf,
	setOut,
	type Assessment,
	type Bound,
	type Effect,
	type SettingOut
} from '$core/assess';
import { estimate, readingsBeside, withEntry, type Estimate, type KnownReading } from '$core/estimate';
import { instantMs, type Entry, type Logbook, type Rig, type Trip } from '$core/logbook';
import { aboardAtStops, plan, type AboardAtStop } from '$core/plan';
import { expose } from 'comlink';
import type { Change } from '$lib/store';

/** What an assessment is asked for. */
export interface Question {
	readonly rig: string;
	readonly trip?: string | undefined;
	readonly atMs: number;
	readonly timeZone: string;
}

let logbook: Logbook | undefined;
let known:
	| { readonly question: Question; readonly estimate: Estimate; readonly now: Assessment; bound?: Bound }
	| undefined;

const listOf = { rig: 'rigs', trip: 'trips', point: 'points', entry: 'entries' } as const;

const needLogbook = (): Logbook => {
	if (!logbook) throw new Error('The engine has no logbook yet.');
	return logbook;
};

const tripOf = ({ trip }: Question): Trip | undefined => logbook?.trips.find(({ id }) => id === trip);

/** The core behind a worker's door: it keeps a copy of the logbook, so that a change travels alone. */
const engine = {
	load(whole: Logbook): void {
		logbook = whole;
		known = undefined;
	},
	change(changes: readonly Change[]): void {
		const before = needLogbook();
		const next = { ...before };
		for (const { kind, value } of changes) {
			const list = listOf[kind];
			const others = (next[list] as readonly { id: string }[]).filter(({ id }) => id !== value.id);
			Object.assign(next, { [list]: [...others, value] });
		}
		logbook = next;
		known = undefined;
	},
	assess(question: Question): Assessment {
		const believed = estimate(needLogbook(), question.rig, question.atMs);
		const now = assess(believed, needLogbook(), { trip: tripOf(question), timeZone: question.timeZone });
		known = { question, estimate: believed, now };
		return now;
	},
	/** What an entry would do to the stay. One at the end of the log is added to what is known; an earlier one is replayed in its place. */
	effect(entry: Entry): Effect | undefined {
		if (!known || known.question.rig !== entry.rig) return undefined;
		known.bound ??= boundOf(known.estimate);
		const last = known.estimate.entries.at(-1);
		const { question } = known;
		const { entries, ...rest } = needLogbook();
		const then =
			!last || instantMs(entry.at) >= instantMs(last.at)
				? withEntry(known.estimate, entry)
				: estimate({ ...rest, entries: [...entries, entry] }, entry.rig, question.atMs);
		return effectOf(known.now, known.bound, then, question.timeZone);
	},
	/** What is expected in each tank at the stops ahead; none without a trip. */
	aboard(question: Question): readonly AboardAtStop[] {
		const trip = tripOf(question);
		if (!trip) return [];
		const believed = estimate(needLogbook(), question.rig, question.atMs);
		return aboardAtStops(believed, trip, plan(believed, needLogbook(), trip.id));
	},
	/** How long a rig, perhaps changed, lasts when it sets out full. */
	setOut: (rig: Rig, atMs: number): SettingOut => setOut(needLogbook(), rig, atMs),
	/** A gauge's readings beside what all else says, to learn its curve from. */
	beside: (rig: string, gauge: string, atMs: number): readonly KnownReading[] =>
		readingsBeside(needLogbook(), rig, gauge, atMs)
};

export type Engine = typeof engine;

expose(engine);
