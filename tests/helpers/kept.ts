import type { Page } from '@playwright/test';
import type { Logbook } from '../../src/core/logbook/index.js';

/** The browser's own database as the application lays it out. */
const DATABASE = { name: 'dipsometer', version: 1, stores: ['records', 'meta', 'aside', 'prefs'] };

/** Puts a logbook into the browser's store, as it lies there on a later visit. */
export async function keepIn(
	page: Page,
	base: string,
	{ rigs, trips, points, entries }: Logbook,
	prefs: object
): Promise<void> {
	const keyed = (kind: string, values: readonly { readonly id: string }[]) =>
		values.map((value) => [`${kind}:${value.id}`, value] as const);
	const records = [
		...keyed('rig', rigs),
		...keyed('trip', trips),
		...keyed('point', points),
		...keyed('entry', entries)
	];
	await page.goto(`${base}/api/health`);
	await page.evaluate(
		([{ name, version, stores }, written]) =>
			new Promise<void>((resolve, reject) => {
				const open = indexedDB.open(name, version);
				open.onerror = () => reject(open.error);
				open.onupgradeneeded = () => {
					// The last is what the package that opens it later makes for itself.
					for (const store of [...stores, 'local-forage-detect-blob-support'])
						open.result.createObjectStore(store);
				};
				open.onsuccess = () => {
					const writing = open.result.transaction(stores, 'readwrite');
					for (const [store, key, value] of JSON.parse(written) as [string, string, unknown][])
						writing.objectStore(store).put(value, key);
					writing.onerror = () => reject(writing.error);
					writing.oncomplete = () => {
						open.result.close();
						resolve();
					};
				};
			}),
		[
			DATABASE,
			// As text: the runner takes its time over each value within a value.
			JSON.stringify([...records.map(([key, value]) => ['records', key, value]), ['prefs', 'prefs', prefs]])
		] as const
	);
}
