/** A flat folder of text files. A file is written whole or not at all. */
export interface FilePort {
	names(): Promise<readonly string[]>;
	/** The text of a file, or `undefined` when there is none. */
	read(name: string): Promise<string | undefined>;
	write(name: string, text: string): Promise<void>;
	/** Removing what is not there is fine. */
	remove(name: string): Promise<void>;
}

/** Files in memory, for tests. */
export function memoryFiles(): FilePort {
	const kept = new Map<string, string>();
	return {
		names: async () => [...kept.keys()],
		read: async (name) => kept.get(name),
		write: async (name, text) => void kept.set(name, text),
		remove: async (name) => void kept.delete(name)
	};
}

const isMissing = (error: unknown): boolean =>
	error instanceof DOMException && error.name === 'NotFoundError';

/**
 * A folder of the origin's private file system. A file written through `createWritable` takes its place when it is
 * closed, all at once.
 */
export function privateFiles(folder: string): FilePort {
	const open = async (): Promise<FileSystemDirectoryHandle> =>
		(await navigator.storage.getDirectory()).getDirectoryHandle(folder, { create: true });
	return {
		async names() {
			const names: string[] = [];
			for await (const name of (await open()).keys()) if (!name.endsWith('.crswap')) names.push(name);
			return names;
		},
		async read(name) {
			try {
				return await (await (await (await open()).getFileHandle(name)).getFile()).text();
			} catch (error) {
				if (isMissing(error)) return undefined;
				throw error;
			}
		},
		async write(name, text) {
			const writing = await (await (await open()).getFileHandle(name, { create: true })).createWritable();
			await writing.write(text);
			await writing.close();
		},
		async remove(name) {
			try {
				await (await open()).removeEntry(name);
			} catch (error) {
				if (!isMissing(error)) throw error;
			}
		}
	};
}
