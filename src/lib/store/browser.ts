import { workerClient, type RemoteApi } from '$lib/workerClient';
import localforage from 'localforage';
import type { KeyValuePort } from './port';
import type { SecondCopy } from './secondCopy';

/** From here on one transaction for many is worth its code, which is then loaded. */
const MANY = 50;
/** They are written in so many parts at most, so that a tap is heard in between. */
const MOST_PARTS = 200;

/** What the package has beside its typed face: all items of an instance in one transaction. */
interface SetItems {
	readonly localforageSetItems: (
		this: LocalForage,
		items: readonly { readonly key: string; readonly value: unknown }[]
	) => Promise<unknown>;
}

async function oneByOne(store: LocalForage): Promise<[string, unknown][]> {
	const found: [string, unknown][] = [];
	await store.iterate<unknown, void>((value, key) => void found.push([key, value]));
	return found;
}

/** What the package has beside its typed face: the database under it. */
interface WithDatabase {
	readonly _dbInfo?: { readonly db?: IDBDatabase | null; readonly storeName: string };
}
const resultOf = <T>(request: IDBRequest<T>): Promise<T> =>
	new Promise((resolve, reject) => {
		request.onsuccess = () => resolve(request.result);
		request.onerror = () => reject(request.error ?? new Error('the browser did not say why'));
	});

/** All that an object store holds, in one answer: the package goes from key to key, which takes five seconds for ten years of log. */
async function allAtOnce(store: LocalForage): Promise<readonly (readonly [string, unknown])[]> {
	await store.ready();
	const { db, storeName } = (store as LocalForage & WithDatabase)._dbInfo ?? {};
	if (!db || storeName === undefined) return oneByOne(store);
	try {
		const kept = db.transaction(storeName, 'readonly').objectStore(storeName);
		const [keys, values] = await Promise.all([
			resultOf(kept.getAllKeys()),
			resultOf(kept.getAll() as IDBRequest<unknown[]>)
		]);
		return keys.map((key, i) => [String(key), values[i]]);
	} catch (error) {
		// Another object store is just being made, which closes the database for a moment: the package knows to wait for that.
		if (error instanceof DOMException) return oneByOne(store);
		throw error;
	}
}

/** A port through localForage, on an instance of it; `all` reads everything that it holds. */
function localforagePort(
	opening: LocalForage | Promise<LocalForage>,
	all: (store: LocalForage) => ReturnType<KeyValuePort['entries']>
): KeyValuePort {
	return {
		// localForage answers null for a key it does not hold; the logbook itself never holds null.
		get: async (key) => (await (await opening).getItem(key)) ?? undefined,
		set: async (key, value) => void (await (await opening).setItem(key, value)),
		setAll: async (values) => {
			const store = await opening;
			if (values.length < MANY) {
				await Promise.all(values.map(([key, value]) => store.setItem(key, value)));
				return;
			}
			// A year's logbook is read in within a second, not a minute.
			const { localforageSetItems } = (await import('localforage-setitems')) as unknown as SetItems;
			const items = values.map(([key, value]) => ({ key, value }));
			const part = Math.max(MANY, Math.ceil(items.length / MOST_PARTS));
			for (let i = 0; i < items.length; i += part)
				await localforageSetItems.call(store, items.slice(i, i + part));
		},
		remove: async (key) => (await opening).removeItem(key),
		entries: async () => all(await opening),
		clear: async () => (await opening).clear()
	};
}

/** The application's database, and what it is made of; the last is what the package makes for itself. */
const DATABASE = 'dipsometer';
const OBJECT_STORES = ['records', 'meta', 'aside', 'prefs', 'local-forage-detect-blob-support'];

/**
 * Makes the database where there is none, with all that is in it: the package makes one object store after the other and closes
 * and opens the database for each, while a first visit waits.
 */
function layOut(): Promise<void> {
	return new Promise((resolve) => {
		const opening = indexedDB.open(DATABASE);
		opening.onupgradeneeded = () => {
			for (const store of OBJECT_STORES) opening.result.createObjectStore(store);
		};
		opening.onsuccess = () => {
			opening.result.close();
			resolve();
		};
		// What keeps it from being opened the package meets next, and tells.
		opening.onerror = () => resolve();
	});
}
let laidOut: Promise<void> | undefined;

/** A port on the browser's IndexedDB. */
export const browserPort = (storeName: string): KeyValuePort =>
	localforagePort(
		(laidOut ??= layOut()).then(() =>
			localforage.createInstance({ name: DATABASE, storeName, driver: localforage.INDEXEDDB })
		),
		allAtOnce
	);

/** A port on a database of its own: what comes and goes in it concerns no other. */
export const browserPortApart = (name: string): KeyValuePort =>
	localforagePort(
		localforage.createInstance({
			name: `${DATABASE}-${name}`,
			storeName: 'kept',
			driver: localforage.INDEXEDDB
		}),
		allAtOnce
	);

/** A port on the browser's other storage, which outlives its databases: for what must be known of a lost one. */
export const browserNotes = (storeName: string): KeyValuePort =>
	localforagePort(
		localforage.createInstance({ name: DATABASE, storeName, driver: localforage.LOCALSTORAGE }),
		oneByOne
	);

/**
 * The second copy in the origin's private file system, kept by a worker that is started when it is first needed;
 * nothing where the browser has no such place.
 */
export function browserSecondCopy(): SecondCopy | undefined {
	if (!('storage' in navigator) || !('getDirectory' in navigator.storage)) return undefined;
	let started: RemoteApi<SecondCopy> | undefined;
	const copy = (): RemoteApi<SecondCopy> =>
		(started ??= workerClient<SecondCopy>(
			new Worker(new URL('./secondCopy.worker.ts', import.meta.url), { type: 'module' })
		));
	return {
		add: (records) => copy().add(records),
		read: () => copy().read(),
		missing: (stamps) => copy().missing(stamps),
		clear: () => copy().clear()
	};
}
