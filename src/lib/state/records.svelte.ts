import { errorMessage } from '$lib/errorMessage';
import { keyOf, LIST_OF, RECORD_KINDS, type Entry, type Logbook, type Rig, type Trip } from '$core/logbook';
import {
	checkedRecords,
	type Change,
	type Edit,
	type KeptAside,
	type KeptCopy,
	type RecordStore,
	type SecondCopy
} from '$lib/store';

/** What other tabs are told: which keys changed, or that everything is gone. */
type News = { readonly keys: readonly string[] } | { readonly wiped: true };

/** How a start went. */
export type RecordsStart =
	| { readonly kind: 'open' }
	/** the store was empty and has been filled again from the second copy */
	| { readonly kind: 'restored'; readonly entries: number }
	| { readonly kind: 'newer'; readonly raw: unknown };

/** After a start the second copy is looked over when the first view stands. */
const MEND_AFTER_MS = 3000;

/** Told of what changed, so that others can follow: single records, or all of them. It never rejects. */
export type Follower = (changes: readonly Change[] | 'all') => Promise<void>;

/** The records as they are stored, in one tab; other tabs are told, and listened to. */
export class Records {
	rigs = $state.raw<readonly Rig[]>([]);
	trips = $state.raw<readonly Trip[]>([]);
	points = $state.raw<Logbook['points']>([]);
	entries = $state.raw<readonly Entry[]>([]);
	aside = $state.raw<readonly KeptAside[]>([]);
	/** why the second copy could not be kept; nothing while it is */
	copyTrouble = $state<string | undefined>();
	/** why another tab's change could not be shown */
	trouble = $state<string | undefined>();
	readonly #store: RecordStore;
	readonly #copy: SecondCopy | undefined;
	readonly #follow: Follower;
	readonly #channel = new BroadcastChannel('dipsometer');
	/** edits go to the store in the order in which they were asked for, though some wait for code first */
	#before: Promise<unknown> = Promise.resolve();
	#heard: Promise<unknown> = Promise.resolve();
	#copied: Promise<unknown> = Promise.resolve();
	#mending: ReturnType<typeof setTimeout> | undefined;

	constructor(store: RecordStore, copy: SecondCopy | undefined, follow: Follower) {
		this.#store = store;
		this.#copy = copy;
		this.#follow = follow;
		if (!copy) this.copyTrouble = 'this browser has no place for it';
		this.#channel.onmessage = ({ data }: MessageEvent<News>) => this.#listen(data);
	}

	/** Listens to other tabs no longer. */
	close(): void {
		clearTimeout(this.#mending);
		this.#channel.close();
	}

	/**
	 * Reads everything; an emptied store is filled again from the second copy.
	 *
	 * @param beside what must be known too before anything is shown, read at the same time
	 */
	async start(beside?: Promise<unknown>): Promise<RecordsStart> {
		const [opened] = await Promise.all([this.#store.open(), beside]);
		if (opened.state === 'newer') return { kind: 'newer', raw: opened.raw };
		const { rig, trip, point, entry } = opened.records;
		this.aside = opened.aside;
		if (rig.size === 0 && entry.size === 0 && !opened.emptied) {
			const back = await this.#restore();
			if (back) return back;
		}
		// Its copy goes with it, and what another tab may have noted there since.
		if (opened.emptied) this.#copied = this.#copied.then(() => this.#clearCopy());
		[this.rigs, this.trips, this.points, this.entries] = [
			[...rig.values()],
			[...trip.values()],
			[...point.values()],
			[...entry.values()]
		];
		await this.#follow('all');
		clearTimeout(this.#mending);
		this.#mending = setTimeout(() => void this.mendCopy(), MEND_AFTER_MS);
		return { kind: 'open' };
	}

	async #restore(): Promise<RecordsStart | undefined> {
		const kept = await this.#fromCopy();
		if (kept.length === 0) return undefined;
		const back = (await checkedRecords()).recordsAmong(kept);
		if (!back.some(({ kind }) => kind === 'rig')) return undefined;
		await this.#store.update(
			back.map(({ kind, value }) => ({ kind, id: value.id, make: () => value }) as Edit)
		);
		await this.start();
		return { kind: 'restored', entries: this.entries.length };
	}

	async #fromCopy(): Promise<readonly KeptCopy[]> {
		try {
			return (await this.#copy?.read()) ?? [];
		} catch (error) {
			this.copyTrouble = errorMessage(error);
			return [];
		}
	}

	/** Names the logbook that is shown: another one after a wipe. */
	get epoch(): unknown {
		return this.#store.epoch;
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

	/**
	 * Does edits to the newest records and shows what came of them; what entries name is kept in rigs and trips.
	 * Resolves with what was changed once it is durable; the engine may take longer.
	 *
	 * @param stored called when it is durable, before it is shown
	 * @param since the epoch in which they were begun
	 */
	async update(
		edits: readonly Edit[],
		stored: (() => void) | undefined,
		since: unknown
	): Promise<readonly Change[]> {
		const keeping = this.#keeping(edits);
		const before = this.#before;
		this.#before = Promise.allSettled([before, keeping]);
		await before;
		const changes = await this.#store.update(await keeping, since);
		stored?.();
		this.#note(changes);
		this.#channel.postMessage({ keys: changes.map(keyOf) } satisfies News);
		this.show(changes);
		return changes;
	}

	/** What edits would come to by what is shown, for when they cannot be stored. */
	async preview(edits: readonly Edit[]): Promise<readonly Change[]> {
		return (await this.#keeping(edits)).flatMap(({ kind, id, make }): readonly Change[] => {
			const value = (make as (newest: unknown) => unknown)(this.standing(kind, id));
			return value === undefined ? [] : [{ kind, value } as Change];
		});
	}

	/** Edits that keep what entries name; only those of rigs and trips could lose it, and they are rare. */
	async #keeping(edits: readonly Edit[]): Promise<readonly Edit[]> {
		if (!edits.some(({ kind }) => kind === 'rig' || kind === 'trip')) return edits;
		const { keepingNamed } = await import('./keeping');
		return edits.map((edit) => keepingNamed(edit, this.entries));
	}

	standing(kind: Change['kind'], id: string): Change['value'] | undefined {
		return (this[LIST_OF[kind]] as readonly Change['value'][]).find((record) => record.id === id);
	}

	/** Puts records on the screen, and lets others follow; nothing is to be done for what stands there already. */
	show(changes: readonly Change[]): void {
		if (changes.length > 0 && changes.every(({ kind, value }) => this.standing(kind, value.id) === value))
			return;
		for (const kind of RECORD_KINDS) {
			const put = new Map(
				changes.filter((change) => change.kind === kind).map(({ value }) => [value.id, value])
			);
			if (put.size === 0) continue;
			const kept = (this[LIST_OF[kind]] as readonly Change['value'][]).map((record) => {
				const next = put.get(record.id);
				put.delete(record.id);
				return next ?? record;
			});
			Object.assign(this, { [LIST_OF[kind]]: [...kept, ...put.values()] });
		}
		void this.#follow(changes);
	}

	/** Notes changes in the second copy, beside all else: it may be a moment late, and its failure stops nothing. */
	#note(changes: readonly Change[]): void {
		const copy = this.#copy;
		if (!copy || changes.length === 0) return;
		this.#copied = this.#copied
			.then(() => copy.add(changes.map((change): KeptCopy => [keyOf(change), change.value])))
			.then(
				() => (this.copyTrouble = undefined),
				(error: unknown) => (this.copyTrouble = errorMessage(error))
			);
	}

	/** Puts into the second copy what it lacks: all where it is new, else what a crash kept from it. */
	async mendCopy(): Promise<void> {
		const copy = this.#copy;
		if (!copy) return;
		try {
			await this.#copied;
			const { lackingIn } = await import('./lacking');
			this.#note(await lackingIn(copy, this));
			await this.#copied;
		} catch (error) {
			this.copyTrouble = errorMessage(error);
		}
	}

	/** Empties the store and its copy. The caller has saved a file. */
	async wipe(): Promise<void> {
		await this.#store.wipe();
		await this.start();
		await this.#copied;
		this.#channel.postMessage({ wiped: true } satisfies News);
	}

	async #clearCopy(): Promise<void> {
		try {
			await this.#copy?.clear();
		} catch (error) {
			this.copyTrouble = errorMessage(error);
		}
	}

	#listen(news: News): void {
		this.#heard = this.#heard
			.then(async () => {
				if ('wiped' in news) await this.start();
				else this.show(await this.#store.reread(news.keys));
				this.trouble = undefined;
			})
			.catch((error: unknown) => {
				this.trouble = `What another tab wrote can’t be shown: ${errorMessage(error)}. Reload the page.`;
			});
	}
}
