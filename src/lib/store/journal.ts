import { BATCH, isBatch, type Batch } from './batch';
import { editedMs } from './edited';
import type { KeyValuePort } from './port';

/** Writes several records as one. */
export interface Journal {
	/** What stands at some keys. */
	standing(keys: readonly string[]): Promise<Batch>;
	/**
	 * Writes a batch. It is first written down as a whole, in one atomic step: after a crash it will be finished. When it
	 * fails with the application alive, what was there is put back; where that fails too, what was written down stays,
	 * so that the next start finishes it.
	 */
	write(batch: Batch): Promise<void>;
	/**
	 * Finishes batches of earlier runs; a record that was changed later than its batch stays.
	 *
	 * @param noted what is written down, where it was just read
	 */
	finish(noted?: Batch): Promise<void>;
	/** Lets go of batches that were not finished. */
	forget(): Promise<void>;
}

/** From here on, reading the whole store is quicker than asking for each key. */
const MANY = 50;

/** @param meta where batches are written down */
export function journal(records: KeyValuePort, meta: KeyValuePort): Journal {
	const standing = async (keys: readonly string[]): Promise<Batch> => {
		if (keys.length <= MANY)
			return Promise.all(keys.map(async (key) => [key, await records.get(key)] as const));
		const all = new Map(await records.entries());
		return keys.map((key) => [key, all.get(key)] as const);
	};
	const putBack = async (before: Batch): Promise<void> => {
		for (const [key, value] of before)
			await (value === undefined ? records.remove(key) : records.set(key, value));
	};
	const underWay = (noted: Batch): readonly (readonly [key: string, batch: Batch])[] =>
		noted.filter(([key]) => isBatch(key)).map(([key, batch]) => [key, batch as Batch] as const);
	return {
		standing,
		async write(batch) {
			const key = `${BATCH}${crypto.randomUUID()}`;
			const before = await standing(batch.map(([of]) => of));
			await meta.set(key, batch);
			try {
				await records.setAll(batch);
			} catch (error) {
				await putBack(before);
				await meta.remove(key);
				throw error;
			}
			await meta.remove(key);
		},
		async finish(noted) {
			for (const [key, batch] of underWay(noted ?? (await meta.entries()))) {
				const now = new Map(await standing(batch.map(([of]) => of)));
				await records.setAll(batch.filter(([of, value]) => editedMs(now.get(of)) <= editedMs(value)));
				await meta.remove(key);
			}
		},
		async forget() {
			for (const [key] of underWay(await meta.entries())) await meta.remove(key);
		}
	};
}
