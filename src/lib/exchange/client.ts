import { workerClient } from '$lib/workerClient';
import type { Beside, OpenFile, readOpenFile } from './openFile';

/** A file being read in a worker of its own: it can be given up. */
export interface OpenReading {
	readonly answer: Promise<OpenFile>;
	readonly stop: () => void;
}

/** Reads a file of an open format beside the page. */
export function readOpenFileIn(
	bytes: ArrayBuffer,
	beside: Beside,
	onprogress: (done: number) => void
): OpenReading {
	const worker = new Worker(new URL('./openFile.worker.ts', import.meta.url), { type: 'module' });
	const answer = workerClient<{ readOpenFile: typeof readOpenFile }>(worker).readOpenFile(
		bytes,
		beside,
		onprogress
	);
	return { answer: answer.finally(() => worker.terminate()), stop: () => worker.terminate() };
}
