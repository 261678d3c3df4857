import type { Logbook } from '$core/logbook';
import type { Change } from '$lib/store';
import { workerClient } from '$lib/workerClient';
import type { AnswerOf, ArgsOf, Kind } from './question';
import type { Standpoint } from './standpoint';
import type { ReadIn, readIn } from './logbookReader';

/** The engine behind its door: see `Engine`. */
export interface EngineApi {
	load(whole: Logbook): Promise<void>;
	change(changes: readonly Change[]): Promise<void>;
	ask<K extends Kind>(kind: K, from: Standpoint, ...args: ArgsOf<K>): Promise<AnswerOf<K>>;
	giveUp(kind: Kind): Promise<void>;
	makeDemo(nowMs: number): Promise<readonly Change[]>;
}

/** Starts the engine in a worker of its own. */
export const startEngine = (): EngineApi =>
	workerClient<EngineApi>(
		new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' })
	) as EngineApi;

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
