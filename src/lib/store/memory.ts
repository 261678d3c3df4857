import type { KeyValuePort } from './port';

/** A port in memory, for tests and for browsers that allow no storage. */
export function memoryPort(initial: Iterable<readonly [string, unknown]> = []): KeyValuePort {
	const kept = new Map<string, unknown>([...initial].map(([key, value]) => [key, structuredClone(value)]));
	return {
		get: async (key) => structuredClone(kept.get(key)),
		set: async (key, value) => void kept.set(key, structuredClone(value)),
		setAll: async (values) => {
			for (const [key, value] of values) kept.set(key, structuredClone(value));
		},
		remove: async (key) => void kept.delete(key),
		entries: async () => structuredClone([...kept]),
		clear: async () => kept.clear()
	};
}
