import localforage from 'localforage';
import type { KeyValuePort } from './port';

/** From here on one transaction for all is worth its code, which is then loaded. */
const MANY = 50;

/** What the package has beside its typed face: all items of an instance in one transaction. */
interface SetItems {
	readonly localforageSetItems: (
		this: LocalForage,
		items: readonly { readonly key: string; readonly value: unknown }[]
	) => Promise<unknown>;
}

/** A port on the browser's IndexedDB, through localForage; one object store per name. */
export function browserPort(storeName: string): KeyValuePort {
	const store = localforage.createInstance({ name: 'dipsometer', storeName, driver: localforage.INDEXEDDB });
	return {
		// localForage answers null for a key it does not hold; the logbook itself never holds null.
		get: async (key) => (await store.getItem(key)) ?? undefined,
		set: async (key, value) => void (await store.setItem(key, value)),
		setAll: async (values) => {
			if (values.length < MANY) {
				await Promise.all(values.map(([key, value]) => store.setItem(key, value)));
				return;
			}
			// A year's logbook is read in within a second, not a minute.
			const { localforageSetItems } = (await import('localforage-setitems')) as unknown as SetItems;
			await localforageSetItems.call(
				store,
				values.map(([key, value]) => ({ key, value }))
			);
		},
		remove: (key) => store.removeItem(key),
		entries: async () => {
			const found: [string, unknown][] = [];
			await store.iterate<unknown, void>((value, key) => void found.push([key, value]));
			return found;
		},
		clear: () => store.clear()
	};
}
