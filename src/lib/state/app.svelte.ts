import { MINUTE_MS, zonedIso } from '$core/time';
import { errorMessage } from '$lib/errorMessage';
import { currentTrip, DEFAULT_CERTAINTY, inUse, tripAtHand, tripUnderWay } from '$core/logbook';
import { EngineClient, type EngineApi } from '$lib/engine';
import type { Change, KeyValuePort, RecordStore, SecondCopy, Turns } from '$lib/store';
import { Commands } from './commands.svelte';
import type { KeptGoal, Preferences, PrefsChange } from './prefs.svelte';
import type { Presence } from './presence.svelte';
import { Records } from './records.svelte';

type Phase = 'loading' | 'first-run' | 'ready' | 'newer-store' | 'unreadable';

const HOUR = 60 * MINUTE_MS;

export interface Parts {
	readonly store: RecordStore;
	readonly copy?: SecondCopy | undefined;
	readonly engine: EngineApi;
	readonly prefs: Preferences;
	readonly presence: Presence;
	/** where what goes on beside the logbook is kept, and the turns that are taken at it among tabs */
	readonly beside: { readonly port: KeyValuePort; readonly turns: Turns };
}

/**
 * The application in one tab: records, what a person can do to them, what the engine says of the rig in view, and
 * what is chosen on this device. Every change goes through `commands`: to the store first, then to the screen.
 */
export class App {
	phase = $state<Phase>('loading');
	/** why it could not start, or a choice could not be kept */
	trouble = $state<string | undefined>();
	/** content of a store that a later version wrote */
	raw = $state.raw<unknown>();
	/** the store was empty at the start and was filled again: so many entries came back */
	restored = $state<number | undefined>();
	nowMs = $state(Date.now());
	readonly prefs: Preferences;
	readonly presence: Presence;
	readonly beside: Parts['beside'];
	readonly records: Records;
	readonly commands: Commands;
	readonly engine: EngineClient;
	#asleep = false;
	/** something changed while nobody looked */
	#missed = false;

	rig = $derived.by(() => {
		const { rigs, entries } = this.records;
		const rigOf = (wanted: string | undefined) => rigs.find(({ id }) => id === wanted);
		return rigOf(this.prefs.current.rig) ?? rigOf(entries.at(-1)?.rig) ?? rigs[0];
	});
	/** the rig in view without what is retired: what forms offer and views draw */
	liveRig = $derived(this.rig && inUse(this.rig));
	/** the trip under way: what is written belongs to it, and its clocks count */
	trip = $derived.by(() =>
		this.rig ? tripUnderWay(this.records.trips, this.rig.id, this.nowMs) : undefined
	);
	/** the trip that is planned for: under way, or about to begin */
	tripAtHand = $derived.by(() =>
		this.rig ? tripAtHand(this.records.trips, this.rig.id, this.nowMs) : undefined
	);
	/** the trip that the view of trips opens with: under way, or the next, however far off */
	tripInView = $derived.by(() =>
		this.rig ? currentTrip(this.records.trips, this.rig.id, this.nowMs) : undefined
	);
	/** the zone of the person, for days on which no trip is under way */
	home = $derived(this.rig?.timeZone ?? Intl.DateTimeFormat().resolvedOptions().timeZone);
	timeZone = $derived(this.trip?.timeZone ?? this.home);
	/** counts the hours: what changes by the clock, but not with each minute, follows it */
	hour = $derived(Math.floor(this.nowMs / HOUR));
	/** how many times as wide forecasts of the rig in view are drawn, as their own record asks */
	spread = $derived.by(() => this.prefs.current.spread?.[this.rig?.id ?? '']);
	/** the same ones as long as nobody chooses others: what is asked is not asked again for another preference */
	units = $derived.by(() => this.prefs.current.units);
	rigEntries = $derived.by(() => this.records.entries.filter(({ rig }) => rig === this.rig?.id));

	/** what is amiss with what is kept */
	get troubles(): readonly string[] {
		return [this.trouble, this.records.trouble, this.commands.trouble].filter((text) => text !== undefined);
	}

	/** Whether anything is to be said of the application itself. */
	get hasNews(): boolean {
		const { trouble, progress, stopped } = this.engine;
		return (
			this.troubles.length > 0 ||
			this.restored !== undefined ||
			trouble !== undefined ||
			progress !== undefined ||
			stopped
		);
	}

	constructor({ store, copy, engine, prefs, presence, beside }: Parts) {
		this.beside = beside;
		this.prefs = prefs;
		this.presence = presence;
		this.records = new Records(store, copy, (changes) => this.#follow(changes));
		this.commands = new Commands(this.records, {
			rig: () => this.rig?.id ?? '',
			by: () => this.prefs.current.by,
			now: () => new Date().toISOString()
		});
		this.engine = new EngineClient(engine, () =>
			this.rig
				? {
						rig: this.rig.id,
						trip: this.tripAtHand?.id,
						atMs: this.nowMs,
						timeZone: this.timeZone,
						home: this.home,
						units: this.units,
						inflation: this.spread
					}
				: undefined
		);
	}

	async start(): Promise<void> {
		try {
			const begun = await this.records.start(Promise.all([this.prefs.load(), this.presence.load()]));
			if (begun.kind === 'newer') [this.raw, this.phase] = [begun.raw, 'newer-store'];
			if (begun.kind === 'restored') this.restored = begun.entries;
		} catch (error) {
			this.trouble = errorMessage(error);
			this.phase = 'unreadable';
		}
	}

	/** Listens to other tabs no longer. */
	close(): void {
		this.records.close();
	}

	/** The engine follows the records, and what is shown follows the engine. */
	async #follow(changes: readonly Change[] | 'all'): Promise<void> {
		// What another tab just wrote lies after the minute that this one last looked at the clock.
		this.nowMs = Math.max(this.nowMs, Date.now());
		const { rigs } = this.records;
		const begins = this.phase === 'loading' || this.phase === 'first-run';
		if (changes === 'all' && rigs.length === 0 && !begins) this.#emptied();
		if (begins || rigs.length === 0) this.phase = rigs.length === 0 ? 'first-run' : 'ready';
		try {
			await (changes === 'all' ? this.engine.load(this.records.logbook()) : this.engine.change(changes));
		} catch {
			// The same worker is asked next, and says then why it cannot answer.
		}
		await this.refresh();
		// What is kept beside the logbook waits until the figures stand.
		if (this.records.rigs.length > 0) this.presence.note(this.records.entries.length);
	}

	#emptied(): void {
		this.commands.clear();
		[this.trouble, this.restored] = [undefined, undefined];
		this.presence.forget();
	}

	/** Empties this browser. The caller has saved a copy. */
	async wipe(): Promise<void> {
		await this.records.wipe();
		this.#emptied();
	}

	/** Shows what follows from what has changed; nothing is worked out while nobody looks. */
	async refresh(): Promise<void> {
		if (this.#asleep) this.#missed = true;
		else await this.engine.refresh();
	}

	/** Nobody looks: what changes is kept, and worked out when somebody does. */
	sleep(): void {
		this.#asleep = true;
	}

	/** Somebody looks, perhaps for the first time in a while. */
	async wake(nowMs = Date.now()): Promise<void> {
		const missed = this.#missed;
		[this.#asleep, this.#missed] = [false, false];
		const before = this.nowMs;
		await this.tick(nowMs);
		if (missed && this.nowMs === before) await this.engine.refresh();
	}

	/** The clock moves on; levels and times are reckoned anew once a minute. */
	async tick(nowMs = Date.now()): Promise<void> {
		if (Math.floor(nowMs / MINUTE_MS) === Math.floor(this.nowMs / MINUTE_MS)) return;
		this.nowMs = nowMs;
		await this.engine.refresh();
	}

	/** Keeps a choice of this device and shows what follows from it; where it cannot be kept it holds for now, and that is said. */
	async choose(change: PrefsChange): Promise<void> {
		try {
			await this.prefs.set(change);
		} catch (error) {
			this.trouble = `Your choice applies until you close this page; it couldn’t be saved: ${errorMessage(error)}.`;
		}
		await this.refresh();
	}

	/** Until when one wants to stay in the rig in view, as last asked; nothing is asked yet when absent. */
	get goal(): KeptGoal | undefined {
		const { goal } = this.prefs.current;
		return goal && goal.rig === this.rig?.id ? goal : undefined;
	}

	/** Asks for another moment, certainty or without some measures; what is not said stays as it was. */
	aim(change: Partial<Omit<KeptGoal, 'rig'>>): Promise<void> {
		const rig = this.rig?.id;
		if (rig === undefined) return Promise.resolve();
		return this.choose(({ goal }) => {
			const before = goal?.rig === rig ? goal : { until: '', certainty: DEFAULT_CERTAINTY, without: [] };
			return { goal: { ...before, ...change, rig } };
		});
	}

	openRig(id: string): Promise<void> {
		return this.choose({ rig: id });
	}

	/** The instant now, written with the offset of the zone in view. */
	nowIso(): string {
		return zonedIso(Date.now(), this.timeZone);
	}

	/** What every entry of this moment bears: when it is, and the trip under way. */
	nowOnTrip(): { readonly at: string; readonly trip?: string } {
		return { at: this.nowIso(), ...(this.trip ? { trip: this.trip.id } : {}) };
	}
}
