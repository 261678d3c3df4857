import { readSamples } from '$core/formats';
import {
	listen,
	mayGoOn,
	nodsFor,
	readingsDue,
	type Leak,
	type Level,
	type Listened,
	type Listening,
	type Nod,
	type ReadingDue,
	type Showing
} from '$core/listen';
import type { Problem } from '$core/logbook';
import { DAY_MS, MINUTE_MS } from '$core/time';
import { SampleStore, thinned } from './sampleStore';

/** What is asked of a listener: all but the samples, which it has. */
export type Asked = Omit<Listening, 'showings'>;

/** What a listener tells. */
export interface Told {
	readonly nods: readonly Nod[];
	readonly leaks: readonly Leak[];
	/** when taps ran, each in stretches of one flow */
	readonly flows: readonly Level[];
	/** litres that passed while the meter was not heard */
	readonly unheardL: number;
	/** the least that the counter tells, litres */
	readonly stepL: number;
	/** what the log is to have of the meter's readings */
	readonly readings: readonly ReadingDue[];
	readonly samples: number;
	readonly firstMs?: number;
	readonly lastMs?: number;
}

/** What is in a file of samples. */
export interface SampleFile {
	readonly samples: readonly Showing[];
	readonly problems: readonly Problem[];
}

/** After so long all is listened to anew, so that what has been learned since counts. */
const ANEW_MS = 10 * MINUTE_MS;
/** What is this old has ended, and is heard no other way later. */
const SETTLED_MS = 15 * MINUTE_MS;

/** What was heard when all was listened to. */
interface Whole {
	readonly listened: Listened;
	readonly asked: string;
	readonly atMs: number;
	/** what was heard before stands; what comes is heard from here on */
	readonly cutMs: number;
}

/** What bears on how uses are named, as text: when it changes all is listened to anew. */
const bearsOn = ({ rig, meter, entries, timeZone }: Asked): string =>
	JSON.stringify([
		meter,
		rig.habits,
		rig.outlets,
		timeZone,
		entries.flatMap((entry) => (entry.kind === 'use' ? [[entry.id, entry.edited, entry.void]] : []))
	]);

/** The last moment at which nothing ran and nothing was under way: what came before has ended. */
function cutOf({ uses }: Listened, atMs: number): number {
	const settled = uses.filter(({ toMs }) => toMs < atMs - SETTLED_MS);
	for (let i = settled.length - 1; i >= 0; i--) {
		const [use, next] = [settled[i], uses[i + 1]];
		if (use && !mayGoOn(use, next?.fromMs ?? atMs)) return use.toMs + MINUTE_MS;
	}
	return -Infinity;
}

/** Listens to the samples of one meter: what is new is heard at once with what has been learned, all of it now and then. */
export class Listener {
	readonly #store: SampleStore;
	#meter = '';
	#showings: Showing[] = [];
	#whole: Whole | undefined;
	#keepMs = Infinity;
	constructor(store: SampleStore) {
		this.#store = store;
	}

	/** Turns to a meter, and forgets what is older than it is kept for. */
	async open(meter: string, keepDays: number, nowMs: number): Promise<void> {
		this.#keepMs = keepDays * DAY_MS;
		await this.#store.forget(meter, nowMs - this.#keepMs);
		[this.#meter, this.#whole] = [meter, undefined];
		this.#showings = [...(await this.#store.read(meter))];
	}

	/** Takes samples in, thinned to what matters; they are durable when it resolves. */
	async add(samples: readonly Showing[]): Promise<void> {
		const lastMs = this.#showings.at(-1)?.[0] ?? -Infinity;
		const inTime = [...samples].sort(([a], [b]) => a - b);
		const isNewer = (inTime[0]?.[0] ?? Infinity) > lastMs;
		const kept = thinned(inTime, isNewer ? this.#showings.at(-1) : undefined);
		await this.#store.add(this.#meter, kept);
		if (isNewer) this.#showings.push(...kept);
		else {
			this.#showings = [...(await this.#store.read(this.#meter))];
			this.#whole = undefined;
		}
		await this.#forgetOld();
	}

	/** Forgets, a day at a time, what has become older than it is kept for. */
	async #forgetOld(): Promise<void> {
		const oldestMs = (this.#showings.at(-1)?.[0] ?? 0) - this.#keepMs;
		if ((this.#showings[0]?.[0] ?? Infinity) > oldestMs - DAY_MS) return;
		await this.#store.forget(this.#meter, oldestMs);
		this.#showings = [...(await this.#store.read(this.#meter))];
		this.#whole = undefined;
	}

	/** Reads a file of samples; nothing is taken in. */
	read(text: string, timeZone: string): SampleFile {
		return readSamples(text, timeZone);
	}

	#heard(asked: Asked): Listened {
		const { atMs } = asked;
		const bears = bearsOn(asked);
		const before = this.#whole;
		if (before && before.asked === bears && atMs >= before.atMs && atMs - before.atMs < ANEW_MS) {
			const { listened, cutMs } = before;
			// The total from which the first one after the cut goes on is part of it.
			const first = this.#showings.findIndex(([ms]) => ms >= cutMs);
			const showings = first < 0 ? [] : this.#showings.slice(Math.max(0, first - 1));
			const recent = listen({ ...asked, showings }, listened.ear);
			return {
				...listened,
				uses: [...listened.uses.filter(({ toMs }) => toMs < cutMs), ...recent.uses],
				flows: [...listened.flows.filter(({ toMs }) => toMs < cutMs), ...recent.flows]
			};
		}
		const listened = listen({ ...asked, showings: this.#showings });
		this.#whole = { listened, asked: bears, atMs, cutMs: cutOf(listened, atMs) };
		return listened;
	}

	/** What has been heard up to a moment, and what is to be done with it. */
	hear(asked: Asked): Told {
		const { uses, leaks, flows, unheardL, ear } = this.#heard(asked);
		const [first, last] = [this.#showings[0], this.#showings.at(-1)];
		return {
			nods: nodsFor(asked.rig, asked.meter, uses, asked.entries),
			leaks,
			flows,
			unheardL,
			stepL: ear.device.stepL,
			readings: readingsDue(asked.meter, asked.entries, this.#showings),
			samples: this.#showings.length,
			...(first ? { firstMs: first[0] } : {}),
			...(last ? { lastMs: last[0] } : {})
		};
	}

	/** Forgets the samples of this meter. */
	async forget(): Promise<void> {
		await this.#store.forget(this.#meter);
		[this.#showings, this.#whole] = [[], undefined];
	}

	/** Forgets the samples of all meters. */
	async clear(): Promise<void> {
		await this.#store.clear();
		[this.#showings, this.#whole] = [[], undefined];
	}
}
