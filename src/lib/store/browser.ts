import { workerClient, type RemoteApi } from '$lib/workerClient';
import type { KeyValuePort } from './port';
import { ReadDatabase } from './reading';
import type { SecondCopy } from './secondCopy';

/** From here on one transaction for many is worth its code, which is then loaded. */
const MANY = 50;
/** They are written in parts, so that a tap is heard in between: of a few where that is soon done, and in so many at most. */
const [LEAST_PART, MOST_PARTS] = [8, 200];

/** What the package has beside its typed face: all items of an instance in one transaction. */
interface SetItems {
	readonly localforageSetItems: (
		this: LocalForage,
		items: readonly { readonly key: string; readonly value: unknown }[]
	) => Promise<unknown>;
}

/** The package, fetched with the first thing that is written, or that it alone can read. */
const fetchPackage = async (): Promise<LocalForage> => (await import('localforage')).default;

/** An instance of it, made when it is first needed. */
function onceNeeded(make: (localforage: LocalForage) => Promise<LocalForage>): () => Promise<LocalForage> {
	let made: Promise<LocalForage> | undefined;
	return () =>
		(made ??= fetchPackage()
			.then(make)
			.catch((error: unknown) => {
				made = undefined;
				throw error;
			}));
}

/** A port through localForage: what is written goes through it, and what is read where there is no quicker way. */
function localforagePort(instance: () => Promise<LocalForage>): KeyValuePort {
	return {
		// localForage answers null for a key it does not hold; the logbook itself never holds null.
		get: async (key) => (await (await instance()).getItem(key)) ?? undefined,
		set: async (key, value) => void (await (await instance()).setItem(key, value)),
		setAll: async (values) => {
			const store = await instance();
			if (values.length < MANY) {
				await Promise.all(values.map(([key, value]) => store.setItem(key, value)));
				return;
			}
			// A year's logbook is read in within a second, not a minute.
			const { localforageSetItems } = (await import('localforage-setitems')) as unknown as SetItems;
			const items = values.map(([key, value]) => ({ key, value }));
			const part = Math.max(LEAST_PART, Math.ceil(items.length / MOST_PARTS));
			for (let i = 0; i < items.length; i += part)
				await localforageSetItems.call(store, items.slice(i, i + part));
		},
		remove: async (key) => (await instance()).removeItem(key),
		entries: async () => {
			const found: [string, unknown][] = [];
			await (await instance()).iterate<unknown, void>((value, key) => void found.push([key, value]));
			return found;
		},
		clear: async () => (await instance()).clear()
	};
}

/** A port on an object store of the browser's IndexedDB. */
function databasePort(database: ReadDatabase, name: string, storeName: string): KeyValuePort {
	const writing = localforagePort(
		onceNeeded(async (localforage) => {
			await database.made();
			return localforage.createInstance({ name, storeName, driver: localforage.INDEXEDDB });
		})
	);
	/** Past the package where that goes: another object store that is just being made closes the database for a moment, and it knows to wait. */
	const orWaiting = async <T>(quick: () => Promise<T>, waiting: () => Promise<T>): Promise<T> => {
		try {
			return await quick();
		} catch (error) {
			if (error instanceof DOMException) return waiting();
			throw error;
		}
	};
	return {
		...writing,
		get: (key) =>
			orWaiting(
				() => database.get(storeName, key),
				() => writing.get(key)
			),
		entries: () =>
			orWaiting(
				() => database.entries(storeName),
				() => writing.entries()
			)
	};
}

/** The application's database. */
const DATABASE = 'dipsometer';
/** A new one is written to at once. */
const own = new ReadDatabase(DATABASE, ['records', 'meta', 'aside', 'prefs'], () => {
	fetchPackage().catch((error: unknown) => console.warn('Not loaded yet:', error));
});

/** A port on the browser's IndexedDB. */
export const browserPort = (storeName: string): KeyValuePort => databasePort(own, DATABASE, storeName);

/** A port on a database of its own: what comes and goes in it concerns no other. */
export function browserPortApart(name: string): KeyValuePort {
	const [apart, storeName] = [`${DATABASE}-${name}`, 'kept'];
	return databasePort(new ReadDatabase(apart, [storeName]), apart, storeName);
}

/** A port on the browser's other storage, which outlives its databases: for what must be known of a lost one. */
export function browserNotes(storeName: string): KeyValuePort {
	const writing = localforagePort(
		onceNeeded(async (localforage) =>
			localforage.createInstance({ name: DATABASE, storeName, driver: localforage.LOCALSTORAGE })
		)
	);
	return {
		...writing,
		get: async (key) => {
			// As the package writes it there.
			const kept = localStorage.getItem(`${DATABASE}/${storeName}/${key}`);
			return kept === null ? undefined : ((JSON.parse(kept) as unknown) ?? undefined);
		}
	};
}

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
