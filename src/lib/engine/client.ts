import type { Logbook } from '$core/logbook';
import { workerClient, type RemoteApi } from '$lib/askThrough';
import type { Engine } from './createEngine';
import type { ReadIn, readIn } from './logbookReader';

export type EngineApi = RemoteApi<Engine>;

/** Starts the engine in a worker of its own. */
export const startEngine = (): EngineApi =>
	workerClient<Engine>(new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' }));

/** A file being read in a worker of its own: it can be given up. */
export interface FileReading {
	readonly answer: Promise<ReadIn>;
	readonly stop: () => void;
}

/** Reads a logbook file beside the page. */
export function readFileIn(text: string, mine: Logbook, onprogress: (done: number) => void): FileReading {
	const worker = new Worker(new URL('./logbookReader.worker.ts', import.meta.url), { type: 'module' });
	const answer = workerClient<{ readIn: typeof readIn }>(worker).readIn(text, mine, onprogress);
	return {
		answer: answer.finally(() => worker.terminate()),
		stop: () => worker.terminate()
	};
}
