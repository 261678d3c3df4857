import { dequal } from 'dequal';

/** Remembers a value: what says the same as the one before comes out as that very one. */
export function keeping<T>(): (next: T) => T {
	let last: T | undefined;
	return (next) => (last = last !== undefined && dequal(last, next) ? last : next);
}
