import { expose } from 'comlink';
import { MessageChannel } from 'node:worker_threads';
import { describe, expect, it } from 'vitest';
import { workerClient, WorkerBroken } from './workerClient';

/** A worker's door onto some methods, which can be made to fall over. */
function door(methods: object) {
	const { port1, port2 } = new MessageChannel();
	const near = port1 as unknown as MessagePort;
	expose(methods, port2 as unknown as MessagePort);
	const fallen = new EventTarget();
	const worker = {
		postMessage: near.postMessage.bind(near),
		addEventListener: (type: string, listener: EventListener) =>
			type === 'message' ? near.addEventListener(type, listener) : fallen.addEventListener(type, listener),
		removeEventListener: (type: string, listener: EventListener) => near.removeEventListener(type, listener),
		terminate: () => port1.close()
	};
	near.start();
	return {
		worker: worker as unknown as Worker,
		fall: (message: string) => fallen.dispatchEvent(Object.assign(new Event('error'), { message })),
		close: () => port1.close()
	};
}

interface Sums {
	add(a: number, b: number): number;
	never(): Promise<void>;
	count(to: number, tell: (n: number) => void): Promise<void>;
	fail(): void;
}
const sums: Sums = {
	add: (a, b) => a + b,
	never: () => new Promise(() => undefined),
	count: async (to, tell) => {
		for (let n = 1; n <= to; n++) await tell(n);
	},
	fail: () => {
		throw new RangeError('too much');
	}
};

describe('questions through a worker’s door', () => {
	it('are answered, also while they tell how far they are, and fail as they fail', async () => {
		const { worker, close } = door(sums);
		const ask = workerClient<Sums>(worker);
		expect(await ask.add(2, 3)).toBe(5);
		const told: number[] = [];
		await ask.count(3, (n) => void told.push(n));
		expect(told).toEqual([1, 2, 3]);
		await expect(ask.fail()).rejects.toThrow('too much');
		close();
	});
	it('do not wait for ever when the worker cannot be loaded: those under way and those to come', async () => {
		const { worker, fall, close } = door(sums);
		const ask = workerClient<Sums>(worker);
		const waiting = ask.never();
		fall('404');
		await expect(waiting).rejects.toThrow(WorkerBroken);
		await expect(ask.add(1, 1)).rejects.toThrow(/couldn’t be loaded: 404\. Reload the page/);
		close();
	});
});
