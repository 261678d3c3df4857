import type { Showing } from '$core/listen';
import { DAY_MS } from '$core/time';
import type { KeyValuePort } from '$lib/store';

/** Samples of one day, as they are kept: moments, ms, and totals, displayed units. */
interface Chunk {
	readonly ms: Float64Array;
	readonly shows: Float64Array;
}

const isChunk = (value: unknown): value is Chunk =>
	typeof value === 'object' &&
	value !== null &&
	'ms' in value &&
	value.ms instanceof Float64Array &&
	'shows' in value &&
	value.shows instanceof Float64Array &&
	value.ms.length === value.shows.length;

/** Samples that show nothing new are kept so often: that a meter is heard is worth knowing, too. */
const STILL_MS = 10 * 60_000;
/** No tap is shorter: samples that come faster say no more. */
const FASTEST_MS = 900;

/**
 * Samples thinned to what matters: those that show something new, at most one a second, and now and then one that does not.
 *
 * @param samples in the order of time
 * @param last the one before them
 */
export function thinned(samples: readonly Showing[], last?: Showing): readonly Showing[] {
	const kept: Showing[] = [];
	let [before, held]: [Showing | undefined, Showing | undefined] = [last, undefined];
	for (const sample of samples) {
		if (before && sample[0] - before[0] < FASTEST_MS && sample[0] >= before[0]) {
			held = sample;
			continue;
		}
		// The last one of a burst of samples holds what it came to.
		if (held && sample[0] - held[0] >= FASTEST_MS && held[1] !== before?.[1]) kept.push((before = held));
		held = undefined;
		if (before && sample[1] === before[1] && sample[0] - before[0] < STILL_MS) continue;
		kept.push((before = sample));
	}
	if (held && held[1] !== before?.[1]) kept.push(held);
	return kept;
}

/** In the order of time; of two at one moment the later one in the list. */
function merged(chunk: Chunk | undefined, samples: readonly Showing[]): Chunk {
	const all = new Map<number, number>();
	for (const [i, ms] of (chunk?.ms ?? []).entries()) all.set(ms, chunk?.shows[i] ?? 0);
	for (const [ms, shows] of samples) all.set(ms, shows);
	const inTime = [...all].sort(([a], [b]) => a - b);
	return {
		ms: Float64Array.from(inTime, ([ms]) => ms),
		shows: Float64Array.from(inTime, ([, shows]) => shows)
	};
}

/** Samples of meters on this device: in a place of their own, a value a day, and never in the logbook. */
export class SampleStore {
	readonly #port: KeyValuePort;
	constructor(port: KeyValuePort) {
		this.#port = port;
	}

	/** All samples of a meter, in the order of time. */
	async read(meter: string): Promise<readonly Showing[]> {
		const days = (await this.#port.entries())
			.filter(
				(entry): entry is readonly [string, Chunk] => entry[0].startsWith(`${meter}|`) && isChunk(entry[1])
			)
			.sort(([a], [b]) => (a < b ? -1 : 1));
		return days.flatMap(([, { ms, shows }]) => [...ms].map((one, i): Showing => [one, shows[i] ?? 0]));
	}

	/** Adds samples; durable when it resolves. */
	async add(meter: string, samples: readonly Showing[]): Promise<void> {
		const byDay = new Map<string, Showing[]>();
		for (const sample of samples) {
			const key = `${meter}|${new Date(Math.floor(sample[0] / DAY_MS) * DAY_MS).toISOString().slice(0, 10)}`;
			const of = byDay.get(key) ?? [];
			of.push(sample);
			byDay.set(key, of);
		}
		for (const [key, of] of byDay) {
			const kept = await this.#port.get(key);
			await this.#port.set(key, merged(isChunk(kept) ? kept : undefined, of));
		}
	}

	/** Forgets a meter's days before a moment; all of them, where none is said. */
	async forget(meter: string, beforeMs = Infinity): Promise<void> {
		const day = beforeMs === Infinity ? undefined : new Date(beforeMs).toISOString().slice(0, 10);
		for (const [key] of await this.#port.entries())
			if (key.startsWith(`${meter}|`) && (day === undefined || key.slice(meter.length + 1) < day))
				await this.#port.remove(key);
	}

	/** Forgets all meters. */
	clear(): Promise<void> {
		return this.#port.clear();
	}
}
