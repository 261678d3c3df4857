import localforage from 'localforage';
import type { KeyValuePort } from './port';

/** From here on one transaction for all is worth its code, which is then loaded. */
const MANY = 50;

/** A port on the browser's IndexedDB, through localForage; one object store per name. */
export function browserPort(storeName: string): KeyValuePort {
	const store = localforage.createInstance({ name: 'dipsometer', storeName, driver: localforage.INDEXEDDB });
	return {
		// localForage answers null for a key it does not hold; the logbook itself never holds null.
		get: async (key) => (await store.getItem(key)) ?? undefined,
		set: async (key, value) => void (await store.setItem(key, value)),
		setAll: async (values) => void (await store.setItems(values.map(([key, value]) => ({ key, value })))),
		remove: (key) => store.removeItem(key),
		entries: async () => {
			const found: [string, unknown][] = [];
			await store.iterate<unknown, void>((value, key) => void found.push([key, value]));
			return found;
		},
		clear: () => store.clear()
	};
}
