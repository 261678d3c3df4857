import { currentTrip, type Assessment } from '$core/assess';
import {
	corrected,
	instantMs,
	mergeLogbooks,
	nextEdited,
	voided,
	zonedIso,
	type Entry,
	type EntryDraft,
	type Logbook,
	type Rig,
	type Trip
} from '$core/logbook';
import { keyOf, type Change, type KeptAside, type Records, type RecordStore } from '$lib/store';
import type { Mend } from '$core/verdict';
import type { Engine, Question } from '$lib/workers/engine';
import { proxy, type Remote } from 'comlink';
import { v7 as uuid } from 'uuid';
import { History, redoing, undoing, type Deed } from './history.svelte';
import type { Preferences, PrefsChange } from './prefs.svelte';

type Phase = 'loading' | 'first-run' | 'ready' | 'newer-store' | 'unreadable';

const MINUTE = 60_000;
const listOf = { rig: 'rigs', trip: 'trips', point: 'points', entry: 'entries' } as const;

/** What other tabs are told: which keys changed, or that everything is gone. */
type News = { readonly keys: readonly string[] } | { readonly wiped: true };

/**
 * The application's state in one tab: the logbook as it is stored, the rig and trip in view, and what the engine
 * says of them. Every change goes through `commit`: to the store first, then to the screen.
 */
export class App {
	phase = $state<Phase>('loading');
	trouble = $state<string | undefined>();
	aside = $state.raw<readonly KeptAside[]>([]);
	/** content of a store that a later version wrote */
	raw = $state.raw<unknown>();
	rigs = $state.raw<readonly Rig[]>([]);
	trips = $state.raw<readonly Trip[]>([]);
	points = $state.raw<Logbook['points']>([]);
	entries = $state.raw<readonly Entry[]>([]);
	nowMs = $state(Date.now());
	#answer = $state.raw<Assessment | undefined>();
	engineTrouble = $state<string | undefined>();
	/** how far a long replay is, 0 … 1, while one is under way */
	progress = $state<number | undefined>();
	/** a replay was given up: the figures are older than the log */
	stopped = $state(false);
	/** changes that could not be stored: still on screen, to be tried again or saved to a file */
	unsaved = $state.raw<readonly Change[]>([]);
	readonly history = new History();
	readonly prefs: Preferences;
	readonly #store: RecordStore;
	readonly #engine: Remote<Engine>;
	readonly #channel: BroadcastChannel;
	#queue: Promise<unknown> = Promise.resolve();
	#run = 0;

	rig = $derived(this.rigs.find(({ id }) => id === this.prefs.current.rig) ?? this.rigs[0]);
	trip = $derived(this.rig ? currentTrip(this.trips, this.rig.id, this.nowMs) : undefined);
	/** what the engine says of the rig in view; nothing while it still has another one in hand */
	assessment = $derived(this.#answer?.rig === this.rig?.id ? this.#answer : undefined);
	timeZone = $derived(this.trip?.timeZone ?? Intl.DateTimeFormat().resolvedOptions().timeZone);
	rigEntries = $derived(this.entries.filter(({ rig }) => rig === this.rig?.id));

	constructor(store: RecordStore, engine: Remote<Engine>, prefs: Preferences) {
		this.#store = store;
		this.#engine = engine;
		this.prefs = prefs;
		this.#channel = new BroadcastChannel('dipsometer');
		this.#channel.onmessage = ({ data }: MessageEvent<News>) => void this.#hear(data);
	}

	async start(): Promise<void> {
		try {
			await this.prefs.load();
			const opened = await this.#store.open();
			if (opened.state === 'newer') {
				this.raw = opened.raw;
				this.phase = 'newer-store';
				return;
			}
			this.aside = opened.aside;
			await this.#show(opened.records);
		} catch (error) {
			this.trouble = error instanceof Error ? error.message : String(error);
			this.phase = 'unreadable';
		}
	}

	/** Listens to other tabs no longer. */
	close(): void {
		this.#channel.close();
	}

	async #show(records: Records): Promise<void> {
		this.rigs = [...records.rig.values()];
		this.trips = [...records.trip.values()];
		this.points = [...records.point.values()];
		this.entries = [...records.entry.values()];
		this.phase = this.rigs.length === 0 ? 'first-run' : 'ready';
		await this.#engine.load(this.logbook());
		await this.refresh();
	}

	/** Everything as one logbook, ready to be written to a file. */
	logbook(): Logbook {
		return {
			format: 'dipsometer-logbook',
			version: 1,
			exportedAt: new Date().toISOString(),
			app: 'Dipsometer',
			rigs: this.rigs,
			trips: this.trips,
			points: this.points,
			entries: this.entries
		};
	}

	/** Asks the engine anew. A late answer to an earlier question is dropped; a long replay shows how far it is. */
	async refresh(): Promise<void> {
		const run = ++this.#run;
		const question = this.#question();
		this.stopped = false;
		if (!question) {
			this.#answer = undefined;
			return;
		}
		try {
			const answer = await this.#engine.assess(
				question,
				proxy((done: number) => {
					if (run === this.#run && !this.stopped) this.progress = done;
				})
			);
			if (run !== this.#run) return;
			this.progress = undefined;
			if (!answer) return;
			this.#answer = answer;
			this.engineTrouble = undefined;
		} catch (error) {
			if (run !== this.#run) return;
			this.progress = undefined;
			this.engineTrouble = error instanceof Error ? error.message : String(error);
		}
	}

	#question(): Question | undefined {
		const { rig, trip } = this;
		return (
			rig && {
				rig: rig.id,
				trip: trip?.id,
				atMs: this.nowMs,
				timeZone: this.timeZone,
				units: $state.snapshot(this.prefs.current.units)
			}
		);
	}

	/** Gives up a long replay; the figures stay as they were. */
	async stop(): Promise<void> {
		this.stopped = true;
		this.progress = undefined;
		await this.#engine.stop();
	}

	/** The best account of the past of each tank, from a moment on. */
	async account(fromMs: number): Promise<Awaited<ReturnType<Engine['account']>>> {
		const question = this.#question();
		return question ? this.#engine.account(question, fromMs) : [];
	}

	/** A tank's level at a moment of the past, and why. */
	async levelAt(tank: string, atMs: number): Promise<Awaited<ReturnType<Engine['levelAt']>>> {
		const question = this.#question();
		return question && this.#engine.levelAt({ ...question, atMs }, tank);
	}

	/** The sum behind the days a tank lasts. */
	async whyLasting(tank: string): Promise<Awaited<ReturnType<Engine['whyLasting']>>> {
		const question = this.#question();
		return question && this.#engine.whyLasting(question, tank);
	}

	/** From where the litres of one time of a habit are known. */
	async taught(habit: string): Promise<Awaited<ReturnType<Engine['taught']>>> {
		const question = this.#question();
		return question && this.#engine.taught(question, habit);
	}

	/** Does what mends a finding. */
	async mend(mend: Mend, label: string): Promise<boolean> {
		if (mend.kind === 'add') return this.log({ ...mend.draft, source: 'hand' } as EntryDraft, label);
		const entry = this.entries.find(({ id }) => id === mend.entry);
		if (!entry) return false;
		const now = new Date().toISOString();
		const value =
			mend.kind === 'void'
				? voided(entry, now)
				: corrected(
						entry,
						mend.kind === 'move' ? { ...entry, at: mend.at } : ({ ...entry, trusted: true } as Entry),
						now
					);
		return this.commit([{ kind: 'entry', value }], label);
	}

	/** The clock moves on; levels and times are reckoned anew once a minute. */
	async tick(nowMs = Date.now()): Promise<void> {
		if (Math.floor(nowMs / MINUTE) === Math.floor(this.nowMs / MINUTE)) return;
		this.nowMs = nowMs;
		await this.refresh();
	}

	effect(entry: Entry): Promise<Awaited<ReturnType<Engine['effect']>>> {
		return this.#engine.effect($state.snapshot(entry) as Entry);
	}

	/** What is expected aboard at the stops ahead. */
	async aboard(): Promise<Awaited<ReturnType<Engine['aboard']>>> {
		const question = this.#question();
		return question ? this.#engine.aboard(question) : [];
	}

	/** How long a rig, perhaps changed, lasts when it sets out full. */
	setOut(rig: Rig): Promise<Awaited<ReturnType<Engine['setOut']>>> {
		return this.#engine.setOut($state.snapshot(rig) as Rig, this.nowMs);
	}

	/** A gauge's readings beside what all else says. */
	beside(gauge: string): Promise<Awaited<ReturnType<Engine['beside']>>> {
		return this.#engine.beside(this.rig?.id ?? '', gauge, this.nowMs);
	}

	#standing = (change: Change): Change['value'] | undefined =>
		(this[listOf[change.kind]] as readonly Change['value'][]).find(({ id }) => id === change.value.id);

	#place(changes: readonly Change[]): void {
		for (const kind of ['rig', 'trip', 'point', 'entry'] as const) {
			const put = new Map(
				changes.filter((change) => change.kind === kind).map(({ value }) => [value.id, value])
			);
			if (put.size === 0) continue;
			const list = listOf[kind];
			const kept = (this[list] as readonly Change['value'][]).map((record) => {
				const next = put.get(record.id);
				put.delete(record.id);
				return next ?? record;
			});
			Object.assign(this, { [list]: [...kept, ...put.values()] });
		}
		if (this.rigs.length > 0 && this.phase === 'first-run') this.phase = 'ready';
	}

	/** Writes changes in their turn; on failure they stay on screen and are listed as unsaved. */
	async #write(changes: readonly Change[]): Promise<boolean> {
		const turn = this.#queue.then(() => this.#store.write(changes));
		this.#queue = turn.catch(() => undefined);
		try {
			await turn;
			this.#channel.postMessage({ keys: changes.map(keyOf) } satisfies News);
			return true;
		} catch (error) {
			const full = error instanceof DOMException && error.name === 'QuotaExceededError';
			this.trouble = full
				? 'The disk is full: the last entry is on screen but not stored. Save it to a file, make room, then try again.'
				: `The last entry is on screen but not stored: ${error instanceof Error ? error.message : String(error)}. Save it to a file, or try again.`;
			this.unsaved = [...this.unsaved, ...changes];
			return false;
		} finally {
			this.#place(changes);
			this.nowMs = Math.max(this.nowMs, Date.now());
			await this.#engine.change($state.snapshot(changes) as readonly Change[]);
			await this.refresh();
		}
	}

	/** Does something that can be undone. Resolves with true once it is durable. */
	async commit(changes: readonly Change[], label: string): Promise<boolean> {
		if (changes.length === 0) return true;
		const before = changes.map((change) => {
			const value = this.#standing(change);
			return value ? ({ kind: change.kind, value } as Change) : undefined;
		});
		this.history.add({ label, after: changes, before });
		return this.#write(changes);
	}

	/** A new entry from a draft. */
	entryFrom(draft: EntryDraft, id = uuid()): Entry {
		const by = this.prefs.current.by;
		return { ...(by ? { by } : {}), ...draft, id, rig: this.rig?.id ?? '' } as Entry;
	}

	log(draft: EntryDraft, label: string): Promise<boolean> {
		return this.commit([{ kind: 'entry', value: this.entryFrom(draft) }], label);
	}

	/** The instant now, written with the offset of the zone in view. */
	nowIso(): string {
		return zonedIso(Date.now(), this.timeZone);
	}

	/** Puts a rig or trip as changed just now. */
	save(change: Extract<Change, { kind: 'rig' | 'trip' | 'point' }>, label: string): Promise<boolean> {
		const edited = nextEdited(this.#standing(change) ?? {}, new Date().toISOString());
		return this.commit([{ ...change, value: { ...change.value, edited } } as Change], label);
	}

	async undo(): Promise<Deed | undefined> {
		const deed = this.history.takeDone();
		if (deed) await this.#write(undoing(deed, this.#standing, new Date().toISOString()));
		return deed;
	}

	async redo(): Promise<Deed | undefined> {
		const deed = this.history.takeUndone();
		if (deed) await this.#write(redoing(deed, this.#standing, new Date().toISOString()));
		return deed;
	}

	/** Tries again to store what could not be stored. */
	async retry(): Promise<void> {
		const again = this.unsaved;
		this.unsaved = [];
		this.trouble = undefined;
		await this.#write(again);
	}

	/** Takes another logbook in: by id, the later edit winning. */
	async merge(theirs: Logbook): Promise<boolean> {
		const mine = this.logbook();
		const merged = mergeLogbooks(mine, theirs);
		const changes = (['rig', 'trip', 'point', 'entry'] as const).flatMap((kind): readonly Change[] => {
			const before = new Map(
				(mine[listOf[kind]] as readonly Change['value'][]).map((record) => [record.id, record])
			);
			return (merged[listOf[kind]] as readonly Change['value'][])
				.filter((record) => before.get(record.id) !== record)
				.map((value) => ({ kind, value }) as Change);
		});
		return this.commit(changes, 'Logbook merged');
	}

	/** Keeps a choice of this device; where it cannot be kept it holds for now, and that is said. */
	async choose(change: PrefsChange): Promise<void> {
		try {
			await this.prefs.set(change);
		} catch (error) {
			this.trouble = `Your choice holds until this page is closed; it could not be kept: ${error instanceof Error ? error.message : String(error)}.`;
		}
	}

	async openRig(id: string): Promise<void> {
		await this.choose({ rig: id });
		await this.refresh();
	}

	/** Empties the store. The caller has saved a copy. */
	async wipe(): Promise<void> {
		await this.#queue;
		await this.#store.wipe();
		this.#channel.postMessage({ wiped: true } satisfies News);
		this.#emptied();
	}

	#emptied(): void {
		[this.rigs, this.trips, this.points, this.entries] = [[], [], [], []];
		[this.aside, this.unsaved, this.trouble, this.#answer] = [[], [], undefined, undefined];
		this.history.clear();
		this.phase = 'first-run';
	}

	async #hear(news: News): Promise<void> {
		if ('wiped' in news) return this.#emptied();
		const changes = await this.#store.reread(news.keys);
		this.#place(changes);
		// What the other tab just wrote lies after the minute that this one last looked at the clock.
		this.nowMs = Math.max(this.nowMs, Date.now());
		await this.#engine.change(changes);
		await this.refresh();
	}

	/** Entries of the rig in view that count, newest first. */
	newest(count: number): readonly Entry[] {
		return [...this.rigEntries].sort((a, b) => instantMs(b.at) - instantMs(a.at)).slice(0, count);
	}
}
