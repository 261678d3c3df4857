import { proxy, wrap } from 'comlink';

type Methods = Readonly<Record<string, (...args: never[]) => unknown>>;

/** The same questions, answered later. */
export type RemoteApi<T> = {
	readonly [K in keyof T]: T[K] extends (...args: infer A) => infer R
		? (...args: A) => Promise<Awaited<R>>
		: never;
};

/** What is asked of a worker that cannot run fails with this, instead of waiting for ever. */
export class WorkerBroken extends Error {
	override readonly name = 'WorkerBroken';
}

/** The parts of a worker that are listened to. */
type Door = Pick<Worker, 'addEventListener' | 'postMessage' | 'removeEventListener' | 'terminate'>;

/**
 * Asks a worker through its door. When it fails to load, or falls over, every question under way and every later one
 * is answered with that.
 */
export function workerClient<T extends object>(worker: Door): RemoteApi<T> {
	const remote = wrap<Methods>(worker as Worker) as unknown as Readonly<
		Record<string, (...args: unknown[]) => Promise<unknown>>
	>;
	const broken = new Promise<never>((_, reject) => {
		const say = (event: Event): void => {
			const reason = 'message' in event && event.message ? `: ${String(event.message)}` : '';
			reject(new WorkerBroken(`part of the application couldn’t be loaded${reason}. Reload the page`));
		};
		worker.addEventListener('error', say);
		worker.addEventListener('messageerror', say);
	});
	// Nobody may be asking just now.
	broken.catch(() => undefined);
	const ask = (name: string, args: readonly unknown[]): Promise<unknown> =>
		Promise.race([
			broken,
			remote[name]?.(...args.map((arg) => (typeof arg === 'function' ? proxy(arg) : arg)))
		]);
	return new Proxy({} as RemoteApi<T>, {
		// A resource that is awaited is asked for `then`.
		get: (_, name) => (name === 'then' ? undefined : (...args: unknown[]) => ask(String(name), args))
	});
}
