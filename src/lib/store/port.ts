/**
 * What the application asks of a place to keep things. Two kinds exist: the browser's (`browser.ts`) and one in
 * memory (`memory.ts`); `contract.ts` is the test both must pass.
 *
 * One `set` or `remove` is atomic: after a crash the key holds the old value or the new one. When its promise
 * resolves the change is durable; when it rejects nothing has changed. Several keys at once are not atomic:
 * `records.ts` builds that on top.
 */
export interface KeyValuePort {
	/** A copy of the value, or `undefined` when there is none. */
	get(key: string): Promise<unknown>;
	/** Keeps a structured-cloneable value. Rejects when the disk is full. */
	set(key: string, value: unknown): Promise<void>;
	/** Keeps many values, fast; not atomic. Rejects when any of them could not be kept. */
	setAll(values: readonly (readonly [key: string, value: unknown])[]): Promise<void>;
	remove(key: string): Promise<void>;
	/** Every key with a copy of its value, in no order. */
	entries(): Promise<readonly (readonly [key: string, value: unknown])[]>;
	clear(): Promise<void>;
}
