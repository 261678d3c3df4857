import { modelOf, Replay, writesInBatches, type Estimate } from '$core/estimate';
import { hasHours, LIST_OF, recordsOf, type Logbook, type Rig } from '$core/logbook';
import type { Change } from '$lib/store';
import { EntryLog } from './entryLog';
import type { AnswerOf, ArgsOf, Hand, Kind, QuestionFile, QuestionKind, Shared } from './question';
import assess from './questions/now/assess';
import type { Standpoint } from './standpoint';
import { QuestionTurns } from './turns';

/** everything but the entries, which the log keeps */
type Book = Omit<Logbook, 'entries'>;

/** The rooms of questions, each loaded when one of it is first asked for. */
const ROOMS = import.meta.glob<{ readonly default: Readonly<Record<string, QuestionFile>> }>(
	'./questions/*/index.ts'
);

/** What the first view asks is there from the start. */
async function kindNamed(kind: string): Promise<QuestionKind<unknown[]>> {
	const [room, name] = kind.split('/');
	const found =
		kind === 'now/assess'
			? assess
			: (await ROOMS[`./questions/${room}/index.ts`]?.())?.default[`./${name}.ts`]?.default;
	if (!found) throw new RangeError(`no question ${kind}`);
	return found as unknown as QuestionKind<unknown[]>;
}

/** A replay that remembers, with what it was made for. */
interface RememberedReplay {
	readonly rig: Rig;
	readonly trips: Logbook['trips'];
	/** who is aboard, where, and how it is written, as text */
	readonly made: string;
	readonly replay: Replay;
	/** another one of the same, from the beginning */
	readonly fresh: () => Replay;
}

/**
 * The core with a logbook in hand: it keeps a copy, so that a change travels alone, and remembers how far it has
 * replayed. Plain: a worker is only a door before it. What can be asked stands in the room `questions`.
 */
export class Engine {
	#book: Book | undefined;
	#log = new EntryLog([]);
	readonly #replays = new Map<string, RememberedReplay>();
	/** the zone of the person who asked last */
	#home: string | undefined;
	readonly #turns = new QuestionTurns();
	readonly #shared: Shared = { known: undefined, planTrip: undefined, hours: undefined };

	/** Takes a whole logbook in hand, in place of what was there. */
	load(whole: Logbook): void {
		const { entries, ...rest } = whole;
		this.#book = rest;
		this.#log = new EntryLog(entries);
		this.#replays.clear();
		this.#shared.known = undefined;
		this.#turns.begin('now/assess');
		this.#turns.change();
	}

	/** Takes single changes in hand. */
	change(changes: readonly Change[]): void {
		const next = { ...this.#needBook() };
		for (const { kind, value } of changes) {
			if (kind === 'entry') {
				this.#log.put(value);
				continue;
			}
			const list = LIST_OF[kind];
			const others = (next[list] as readonly { id: string }[]).filter(({ id }) => id !== value.id);
			Object.assign(next, { [list]: [...others, value] });
		}
		this.#book = next;
		this.#shared.known = undefined;
		this.#turns.change();
	}

	/**
	 * Answers a question.
	 *
	 * @returns nothing when it was outdated meanwhile, by what its kind says
	 */
	async ask<K extends Kind>(kind: K, from: Standpoint, ...args: ArgsOf<K>): Promise<AnswerOf<K>> {
		const turn = this.#turns.begin(kind);
		this.#home = from.home;
		const { answer, outdatedBy } = await kindNamed(kind);
		// The first look plans nothing, and is not kept waiting.
		if (kind !== 'now/assess' || this.#shared.planTrip) await this.#readHours();
		const outdated = (): boolean => outdatedBy !== undefined && turn.isOver(outdatedBy === 'newer or change');
		const answered = await answer(this.#hand(from, outdated), ...args);
		return answered as AnswerOf<K>;
	}

	/** Makes the demo rigs, with trips that are under way here at a moment: beside the page, which opens meanwhile. */
	async makeDemo(nowMs: number): Promise<readonly Change[]> {
		const { demoLogbook } = await import('$demo/index');
		return recordsOf(demoLogbook(nowMs, Intl.DateTimeFormat().resolvedOptions().timeZone));
	}

	/** Gives up what is under way of a kind; what a replay has come to is kept. */
	giveUp(kind: Kind): void {
		this.#turns.begin(kind);
	}

	/** Loads what reads opening hours, as soon as there are any. */
	async #readHours(): Promise<void> {
		const { trips = [], points = [] } = this.#book ?? {};
		const places = [...trips.flatMap(({ stops }) => stops), ...points];
		if (this.#shared.hours || !places.some(({ services }) => services.some(hasHours))) return;
		this.#shared.hours = (await import('$core/hours')).hoursReader();
	}

	#needBook(): Book {
		if (!this.#book) throw new Error('The engine has no logbook yet.');
		return this.#book;
	}

	/** The replay of a rig; a new one when the rig, the trips, who is aboard, or where and how it is written has changed. */
	#replayOf(rigId: string): RememberedReplay {
		const { rigs, trips } = this.#needBook();
		const rig = rigs.find(({ id }) => id === rigId);
		if (!rig) throw new RangeError(`there is no rig ${JSON.stringify(rigId)} in the logbook`);
		const entries = this.#log.of(rigId);
		const aboard = entries.filter(({ kind }) => kind === 'crew');
		const inBatches = writesInBatches(entries);
		const made = JSON.stringify([aboard, this.#home, inBatches]);
		const before = this.#replays.get(rigId);
		if (before && before.rig === rig && before.trips === trips && before.made === made) return before;
		const fresh = (): Replay => new Replay(modelOf(rig, trips, aboard, { home: this.#home, inBatches }));
		const remembered = { rig, trips, made, replay: fresh(), fresh };
		this.#replays.set(rigId, remembered);
		return remembered;
	}

	#hand(from: Standpoint, outdated: () => boolean): Hand {
		const book = this.#needBook();
		const log = this.#log;
		const entriesUntil = (atMs = from.atMs) => log.until(from.rig, atMs);
		const replay = () => this.#replayOf(from.rig).replay;
		const at = (own: Replay, atMs: number): Estimate => own.to(entriesUntil(atMs), atMs);
		return {
			from,
			book,
			entries: log.of(from.rig),
			entriesUntil,
			trip: (id = from.trip) => book.trips.find((trip) => trip.id === id),
			get replay() {
				return replay();
			},
			freshReplay: () => this.#replayOf(from.rig).fresh(),
			estimate: () => {
				const estimate = at(replay(), from.atMs);
				return from.inflation === undefined ? estimate : { ...estimate, inflation: from.inflation };
			},
			estimateAt: (atMs) => at(replay().branch(entriesUntil(atMs).length), atMs),
			shared: this.#shared,
			pause: () => this.#turns.pause(outdated),
			inParts: (computation, onstep) => this.#turns.inParts(computation, outdated, onstep)
		};
	}
}
