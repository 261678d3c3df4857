/** The layout of the records in the store; raised whenever it changes, together with a migration from the one before. */
export const STORE_VERSION = 1;

export type StoredRecords = readonly (readonly [key: string, value: unknown])[];

/** From one layout of the store to the next. Pure: what it returns is written over the old records in one batch. */
export interface Migration {
	readonly from: number;
	migrate(records: StoredRecords): StoredRecords;
}

/** None yet: version 1 is the first. */
const MIGRATIONS: readonly Migration[] = [];

/**
 * Takes records from one version of the store to another, step by step.
 *
 * @throws Error when a step on the way is missing
 */
export function migrate(
	records: StoredRecords,
	from: number,
	to: number,
	migrations = MIGRATIONS
): StoredRecords {
	let [now, version] = [records, from];
	while (version < to) {
		const step = migrations.find((migration) => migration.from === version);
		if (!step)
			throw new Error(`There is no migration of the store from version ${version} to ${version + 1}.`);
		now = step.migrate(now);
		version++;
	}
	return now;
}
