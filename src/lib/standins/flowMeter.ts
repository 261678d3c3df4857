import type { FlowReading, FlowSpec } from './simulatedFlow';
import type { SimulatedDay } from './simulatedRig';

export type { FlowReading };

/**
 * A flow meter that counts by itself: the port that a real one would be put behind. See docs/flow-meter.md.
 *
 * A meter goes on counting while nobody hears it: after a loss the next reading says all that has passed.
 */
export interface FlowMeter {
	/** Follows the meter until the answer is called; it tells each reading, and when, and perhaps why, it is not heard any more. */
	follow(onreading: (reading: FlowReading) => void, onlost: (why?: string) => void): () => void;
}

/** After a loss it is looked for again so soon, ms. */
const AGAIN_MS = 1500;

const isReading = (data: unknown): data is FlowReading =>
	typeof data === 'object' &&
	data !== null &&
	'shows' in data &&
	typeof data.shows === 'number' &&
	Number.isFinite(data.shows) &&
	data.shows >= 0;

/** Follows the stand-in beside the page: nothing that it needs is on a network. */
function followWorker(
	spec: FlowSpec,
	elapsedMs: number,
	onreading: (reading: FlowReading) => void
): () => void {
	const worker = new Worker(new URL('./flowMeter.worker.ts', import.meta.url), { type: 'module' });
	worker.onmessage = ({ data }: MessageEvent<unknown>) => isReading(data) && onreading(data);
	worker.postMessage({ spec, elapsedMs });
	return () => worker.terminate();
}

/**
 * The simulated meter that ships: server-sent events of the stand-in route; where the server was never heard, a worker that
 * counts the same.
 */
export function simulatedMeter(spec: FlowSpec): FlowMeter {
	return {
		follow(onreading, onlost) {
			const beganMs = Date.now();
			let heard = false;
			let ended = false;
			let stop = (): void => undefined;
			let again: ReturnType<typeof setTimeout> | undefined;
			function listen(): void {
				const query = new URLSearchParams({
					from: String(spec.from),
					counts: spec.counts,
					litresPerUnit: String(spec.litresPerUnit),
					lpm: String(spec.lpm),
					elapsedMs: String(Date.now() - beganMs)
				});
				const events = new EventSource(`/api/standins/meter?${query}`);
				stop = () => events.close();
				events.onmessage = ({ data }: MessageEvent<string>) => {
					let reading: unknown;
					try {
						reading = JSON.parse(data);
					} catch {
						// A torn message says nothing; the next one says all.
						return;
					}
					if (!isReading(reading)) return;
					heard = true;
					onreading(reading);
				};
				events.onerror = () => {
					events.close();
					if (ended) return;
					if (!heard) stop = followWorker(spec, Date.now() - beganMs, onreading);
					else {
						onlost();
						again = setTimeout(listen, AGAIN_MS);
					}
				};
			}
			listen();
			return () => {
				ended = true;
				clearTimeout(again);
				stop();
			};
		}
	};
}

/** One lot of what a simulated rig's meter showed. */
interface Lot {
	readonly showings: readonly (readonly [atMs: number, shows: number])[];
	readonly ends: boolean;
}

/** The simulated rig that ships: a day in a minute, beside the page, behind the same port. */
export const simulatedRig = (day: SimulatedDay): FlowMeter => ({
	follow(onreading, onlost) {
		const worker = new Worker(new URL('./simulatedRig.worker.ts', import.meta.url), { type: 'module' });
		worker.onmessage = ({ data }: MessageEvent<Lot>) => {
			for (const [atMs, shows] of data.showings) onreading({ atMs, shows });
			if (!data.ends) return;
			worker.terminate();
			onlost();
		};
		worker.onerror = () => onlost();
		worker.postMessage(day);
		return () => worker.terminate();
	}
});
