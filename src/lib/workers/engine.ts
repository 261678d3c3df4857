import { wrap, type Remote } from 'comlink';
import type { Engine } from './engine.worker';

export type { Engine, LevelThen, Question } from './engine.worker';

/** Starts the engine in a worker of its own. */
export const startEngine = (): Remote<Engine> =>
	wrap<Engine>(new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' }));
