import type { Estimate, Replay } from '$core/estimate';
import type { Autonomy } from '$core/forecast';
import type { Entry, HoursReader, Logbook, Trip } from '$core/logbook';
import type { Assessment, PlanTrip } from '$core/now';
import type { Standpoint } from './standpoint';

/** What *Now* last showed, and what it was worked out from: what a preview goes on from. */
export interface LastShown {
	readonly from: Standpoint;
	readonly estimate: Estimate;
	readonly now: Assessment;
	bound?: Autonomy;
}

/** What lives as long as the engine and is shared by questions; a change of the log forgets what is known. */
export interface Shared {
	known: LastShown | undefined;
	/** plans trips: loaded once everything else was answered */
	planTrip: PlanTrip | undefined;
	/** reads opening hours: loaded once some service has any */
	hours: HoursReader | undefined;
}

/** What a question is answered from: the logbook in hand, as it stands at the moment that is asked for. */
export interface Hand {
	readonly from: Standpoint;
	/** everything but the entries */
	readonly book: Omit<Logbook, 'entries'>;
	/** all entries of the rig that count, in order, those of the future too */
	readonly entries: readonly Entry[];
	/** the same up to an instant; up to the moment that is asked for when absent */
	entriesUntil(atMs?: number): readonly Entry[];
	/** a trip by its id; the one at hand when absent */
	trip(id?: string): Trip | undefined;
	/** the replay of the rig, for those that take it in parts or go another way */
	readonly replay: Replay;
	/** another replay of the rig, which knows nothing yet */
	freshReplay(): Replay;
	/** the estimate at the moment that is asked for */
	estimate(): Estimate;
	/** the estimate at an earlier moment: on a branch, so that the way to now is not gone again */
	estimateAt(atMs: number): Estimate;
	readonly shared: Shared;
	/** lets the engine hear what has come meanwhile; whether this question is outdated now */
	pause(): Promise<boolean>;
	/** runs something that pauses on its way, and listens in between; nothing when it is outdated meanwhile */
	inParts<S, T>(computation: Generator<S, T>, onstep?: (step: S) => void): Promise<T | undefined>;
}

/** One kind of question: how it is answered, and what makes an answer that is still under way worthless. */
export interface QuestionKind<Args extends readonly unknown[] = never[], Answer = unknown> {
	/** a newer one of its kind, or that and any change of the log; absent: it is answered at once */
	readonly outdatedBy?: 'newer' | 'newer or change';
	readonly answer: (hand: Hand, ...args: Args) => Answer | Promise<Answer>;
}

/** Says what a file of the room `questions` holds. */
export const question = <Args extends readonly unknown[], Answer>(
	kind: QuestionKind<Args, Answer>
): QuestionKind<Args, Answer> => kind;

/** A file of the room: a kind of question. */
export interface QuestionFile {
	readonly default: QuestionKind;
}

/**
 * Every kind of question by its name, which is the place of its file: `trip/planOfTrip`. Each file adds its own line here by declaration merging,
 * so that a new question is one new file.
 */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type -- filled by the files of the room
export interface Questions {}

export type Kind = keyof Questions;
export type ArgsOf<K extends Kind> = Questions[K] extends QuestionKind<infer Args, unknown> ? Args : never;
export type AnswerOf<K extends Kind> =
	Questions[K] extends QuestionKind<infer _Args, infer Answer> ? Awaited<Answer> : never;
