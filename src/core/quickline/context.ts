import type { Ahead, EntryDraft, Habit, Instrument, Outlet, Rig, Service, Source } from '../logbook/index.js';
import { withItem } from '../rig/index.js';
import type { Happening, TellingContext } from '../words/index.js';

/** What an instrument showed last. */
export interface LastRead {
	readonly value: number;
	readonly atMs: number;
}

/** What the quick line must know to understand a line. */
export interface QuickContext extends TellingContext {
	/** the moment of which the line speaks; now where absent */
	readonly atMs?: number | undefined;
	/** the line says more than one thing */
	readonly several?: boolean;
	/** litres believed in each tank */
	readonly levels?: ReadonlyMap<string, number> | undefined;
	/** how many are aboard */
	readonly persons?: number | undefined;
	/** since when it is quiet, where that is asked about */
	readonly silentSinceMs?: number | undefined;
	/** names of those who write, or who were written of */
	readonly people?: readonly string[] | undefined;
	/** what each meter showed last, by instrument */
	readonly lastRead?: ReadonlyMap<string, LastRead> | undefined;
}

/** What a word of one's own may stand for. */
export type Named = Instrument | Habit;
/** What a line may add to the rig, with one tap. */
export type Addition = Named | Source | Ahead;
/** What must be in the rig before that: an outlet of a habit, or another gauge of the same line. */
export type Need = Addition | Outlet;

/** What was found at a service of a stop of the trip. */
export interface ServiceFound {
	readonly stop: string;
	readonly kind: Service['kind'];
	readonly works: boolean;
	readonly note?: string;
}

/** One way to understand a line without its time. */
export interface Meaning {
	/** what happened, in the order in which it is written; nothing where a line only adds to the rig */
	readonly does: readonly Happening[];
	/** what is put into the rig before it */
	readonly adds?: Addition;
	/** what goes into the rig before that */
	readonly needs?: readonly Need[];
	/** what it is in words, where that is more than the happenings say */
	readonly says?: string;
	readonly warns?: string;
	/** what was found at a service: its report goes into the trip, and into the point */
	readonly found?: ServiceFound;
	/** it is read from closed lists of words that hold every word of the line */
	readonly whole?: true;
	/** a word of the line that it does not account for */
	readonly loses?: string;
}

/** Why a line means nothing here, and lines that are more likely meant. */
export interface NoMeaning {
	readonly problem: string;
	readonly meant?: readonly string[];
	/** it is whole but for how much */
	readonly lacksAmount?: true;
	/** nothing in it is known, not only what it lacks */
	readonly unknown?: true;
	/** it is understood, and not to be logged: it was asked, denied or is still to come */
	readonly notDone?: true;
}

/** Either ways to understand a line, or why there is none. */
export type LineReading = readonly Meaning[] | NoMeaning;

/** One way to understand a whole line: the entries it makes, and the same in words. */
export interface Understood {
	readonly drafts: readonly EntryDraft[];
	readonly adds?: Addition;
	readonly needs?: readonly Need[];
	readonly found?: ServiceFound;
	readonly atMs: number;
	/** with the moment, when that is not now */
	readonly says: string;
	readonly warns?: string;
}

/** A line that cannot be what it says, with why. */
export const problem = (text: string, ...meant: readonly string[]): NoMeaning =>
	meant.length > 0 ? { problem: text, meant } : { problem: text };

/** A line that means one thing. */
export const one = (happening: Happening, more: Omit<Meaning, 'does'> = {}): Meaning => ({
	does: [happening],
	...more
});

/** A figure that nothing in the line asks for is not passed over. */
export const oneTooMany = (figure: string): NoMeaning =>
	problem(`“${figure}” is one number too many. Put a comma between two things.`);

/** Whether a line was met with a problem. */
export const isProblem = (answer: LineReading): answer is NoMeaning => 'problem' in answer;

/** Whether what is added is an outlet. */
export const isOutlet = (addition: Need): addition is Outlet => 'from' in addition && 'name' in addition;

/** Whether what is added are days unlike others. */
export const isAhead = (addition: Need): addition is Ahead => 'from' in addition && !('name' in addition);

/** Whether what is added is something that flows in. */
export const isSource = (addition: Need): addition is Source => 'into' in addition;

/** Whether what is added is a habit. */
export const isHabit = (addition: Need): addition is Habit =>
	!('kind' in addition) && !('from' in addition) && !isSource(addition);

/** The rig with what a line adds to it, in the place of what has its id. */
export function withAddition(rig: Rig, addition: Need): Rig {
	if (isOutlet(addition)) return { ...rig, outlets: withItem(rig.outlets, addition) };
	if (isAhead(addition)) return { ...rig, ahead: withItem(rig.ahead ?? [], addition) };
	if (isSource(addition)) return { ...rig, sources: withItem(rig.sources ?? [], addition) };
	return isHabit(addition)
		? { ...rig, habits: withItem(rig.habits, addition) }
		: { ...rig, instruments: withItem(rig.instruments, addition) };
}

/** The rig with all that a meaning puts into it. */
export const withAll = (rig: Rig, { adds, needs = [] }: Pick<Meaning, 'adds' | 'needs'>): Rig =>
	[...needs, ...(adds ? [adds] : [])].reduce(withAddition, rig);

const slug = (name: string): string =>
	name
		.toLowerCase()
		.replaceAll(/[^\p{L}\p{N}]+/gu, '-')
		.replaceAll(/^-|-$/g, '')
		.slice(0, 60) || 'added';

/** A name that no instrument of the rig bears yet. */
export function freeName({ instruments }: Rig, name: string): string {
	const taken = new Set(instruments.map((item) => item.name.toLowerCase()));
	let free = name;
	for (let n = 2; taken.has(free.toLowerCase()); n++) free = `${name} ${n}`;
	return free;
}

/** An id made from a name, which nothing in the rig has yet. */
export function freeId(rig: Rig, name: string): string {
	const taken = new Set(
		[
			rig.tanks,
			rig.outlets,
			rig.instruments,
			rig.habits,
			rig.measures,
			rig.sources ?? [],
			rig.containers,
			rig.care,
			rig.ahead ?? []
		]
			.flat()
			.map(({ id }) => id)
	);
	const base = slug(name);
	let id = base;
	for (let n = 2; taken.has(id); n++) id = `${base}-${n}`;
	return id;
}
