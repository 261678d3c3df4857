const resultOf = <T>(request: IDBRequest<T>): Promise<T> =>
	new Promise((resolve, reject) => {
		request.onsuccess = () => resolve(request.result);
		request.onerror = () => reject(request.error ?? new Error('the browser did not say why'));
	});

/** What localForage makes for itself in a database; where that is there already it has nothing to make. */
const ITS_OWN = 'local-forage-detect-blob-support';

/**
 * A database of the browser's, read without the package that writes it: that is fetched when something is written, and goes from key
 * to key where the database gives all in one answer, which takes it five seconds for ten years of log.
 */
export class ReadDatabase {
	readonly #name: string;
	readonly #objectStores: readonly string[];
	readonly #onmade: () => void;
	#open: Promise<IDBDatabase> | undefined;

	/**
	 * @param objectStores made with the database, where there is none: the package makes one after the other, and closes and opens the
	 * database for each, while a first visit waits
	 * @param onmade it was just made: there is something to write
	 */
	constructor(name: string, objectStores: readonly string[], onmade: () => void = () => undefined) {
		[this.#name, this.#objectStores, this.#onmade] = [name, objectStores, onmade];
	}

	/** Resolves when it is there. What keeps it from being opened the package meets too, and tells. */
	async made(): Promise<void> {
		await this.#database().catch(() => undefined);
	}

	/** The value at a key of an object store, `undefined` where there is none. @throws DOMException where it cannot be read like this */
	async get(objectStore: string, key: string): Promise<unknown> {
		return resultOf((await this.#read(objectStore)).get(key));
	}

	/** All that an object store holds. @throws DOMException where it cannot be read like this */
	async entries(objectStore: string): Promise<readonly (readonly [string, unknown])[]> {
		const kept = await this.#read(objectStore);
		const [keys, values] = await Promise.all([
			resultOf(kept.getAllKeys()),
			resultOf(kept.getAll() as IDBRequest<unknown[]>)
		]);
		return keys.map((key, i) => [String(key), values[i]]);
	}

	async #read(objectStore: string): Promise<IDBObjectStore> {
		return (await this.#database()).transaction(objectStore, 'readonly').objectStore(objectStore);
	}

	#database(): Promise<IDBDatabase> {
		this.#open ??= this.#connect().catch((error: unknown) => {
			this.#open = undefined;
			throw error;
		});
		return this.#open;
	}

	#connect(): Promise<IDBDatabase> {
		const opening = indexedDB.open(this.#name);
		opening.onupgradeneeded = () => {
			for (const store of [...this.#objectStores, ITS_OWN]) opening.result.createObjectStore(store);
			this.#onmade();
		};
		return resultOf(opening).then((database) => {
			const forget = (): void => (this.#open = undefined);
			database.onclose = forget;
			// It is to be made anew, or taken away: nobody waits for this tab.
			database.onversionchange = () => {
				database.close();
				forget();
			};
			return database;
		});
	}
}
