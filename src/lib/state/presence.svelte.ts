import type { KeyValuePort } from '$lib/store';

/** What is known on this device of the logbook that is kept here, even when the logbook itself is gone. */
export interface TabsHere {
	readonly entries: number;
	readonly atMs: number;
	/** since when there is one */
	readonly beganMs?: number;
	/** when the newest file was saved, and how many entries there were then */
	readonly savedMs?: number;
	readonly savedEntries?: number;
}

const KEY = 'here';

/** Notes beside the store: that a logbook is here, and when it was last saved to a file. */
export class Presence {
	current = $state.raw<TabsHere | undefined>();
	readonly #port: KeyValuePort;
	readonly #askToStay: () => Promise<unknown>;

	/** @param askToStay asks the browser not to clear what it keeps of this origin when it runs short of room */
	constructor(port: KeyValuePort, askToStay: () => Promise<unknown> = () => Promise.resolve()) {
		this.#port = port;
		this.#askToStay = askToStay;
	}

	async load(): Promise<void> {
		const kept = await this.#port.get(KEY);
		if (typeof kept === 'object' && kept !== null && 'entries' in kept) this.current = kept as TabsHere;
	}

	/** A note that cannot be kept is no harm: the logbook itself is elsewhere. */
	#keep(here: TabsHere | undefined): void {
		this.current = here;
		const kept = here ? this.#port.set(KEY, here) : this.#port.remove(KEY);
		kept.catch((error: unknown) => console.warn('A note beside the logbook couldn’t be saved.', error));
	}

	/** There is a logbook here, with so many entries. With the first one the browser is asked to keep it for good. */
	note(entries: number): void {
		if (!this.current)
			this.#askToStay().catch((error: unknown) =>
				console.warn('The browser couldn’t be asked to keep it.', error)
			);
		this.#keep({ beganMs: Date.now(), ...this.current, entries, atMs: Date.now() });
	}

	/** Everything was saved to a file just now. */
	saved(entries: number): void {
		this.#keep({ ...this.current, entries, atMs: Date.now(), savedMs: Date.now(), savedEntries: entries });
	}

	/** The logbook was taken away on purpose. */
	forget(): void {
		this.#keep(undefined);
	}
}
