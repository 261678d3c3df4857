import { HOUR_MS } from '$core/time';
import { errorMessage } from '$lib/errorMessage';
import {
	allEntriesOf,
	entriesOf,
	keysOf,
	currentStep,
	stepsOf,
	type StepAnswer,
	type Run,
	type Setup,
	type RunStep
} from '$core/runs';
import { instantMs, voided, type Entry, type EntryDraft, type Rig } from '$core/logbook';
import type { KeyValuePort, Turns } from '$lib/store';
import { v5, v7 as uuid } from 'uuid';
import type { App } from './app.svelte';
import { editOf, stamped } from './edits';

const PREFIX = 'run:';
/** Levels are others by then: a run of yesterday is not gone on with. */
const STALE_MS = 12 * HOUR_MS;
/** What is over is kept so long, to be looked at. */
const KEPT_MS = 7 * 24 * HOUR_MS;

/** Reads what was kept as a run; nothing where it is none. */
type ReadRun = (kept: unknown) => Run | undefined | Promise<Run | undefined>;
/** By rules that are fetched where there is something to read: who only looks whether a run waits seldom needs them. */
const readByFetched: ReadRun = async (kept) =>
	kept === undefined ? undefined : (await import('./keptRun')).readRun(kept);

export const isStaleRun = (run: Run, nowMs: number): boolean => nowMs - instantMs(run.begun) > STALE_MS;
export const isOver = (run: Run): boolean => currentStep(run) === undefined;

/** The id of an entry of a run: the same on every phone that follows it, so that a merge finds one entry and not two. */
export const entryIdOf = (run: Run, key: string): string => v5(key, run.id);

/**
 * The runs under way, kept beside the logbook under a key each. Every change is made to what is newest there, in its turn among
 * the tabs, and the others are told.
 */
export class RunBook {
	runs = $state.raw<readonly Run[]>([]);
	/** why the last change could not be kept */
	trouble = $state<string | undefined>();
	readonly #port: KeyValuePort;
	readonly #turns: Turns;
	readonly #read: ReadRun;
	readonly #channel = new BroadcastChannel('dipsometer-runs');

	/** @param read for who changes runs: at hand, since a step must be kept where there is no network to fetch the rules */
	constructor(port: KeyValuePort, turns: Turns, read = readByFetched) {
		this.#port = port;
		this.#turns = turns;
		this.#read = read;
		this.#channel.onmessage = () => void this.load();
	}

	close(): void {
		this.#channel.close();
	}

	/** Reads all runs, in its turn, so that none begun meanwhile is taken off the screen; what is long over is let go. */
	load(nowMs = Date.now()): Promise<void> {
		return this.#turns(async () => {
			const kept = (await this.#port.entries()).filter(([key]) => key.startsWith(PREFIX));
			const runs = (await Promise.all(kept.map(([, value]) => this.#read(value)))).filter(
				(run) => run !== undefined
			);
			const old = runs.filter((run) => isOver(run) && nowMs - instantMs(run.begun) > KEPT_MS);
			await Promise.all(old.map(({ id }) => this.#port.remove(PREFIX + id)));
			this.runs = runs
				.filter((run) => !old.includes(run))
				.sort((a, b) => instantMs(b.begun) - instantMs(a.begun));
		});
	}

	get(id: string): Run | undefined {
		return this.runs.find((run) => run.id === id);
	}

	/** Changes the newest version of a run, or puts a new one; where it cannot be kept it holds for now, and that is said. */
	async change(id: string, make: (newest: Run | undefined) => Run | undefined): Promise<void> {
		const next = await this.#turns(async () => {
			const now = make((await this.#read(await this.#port.get(PREFIX + id))) ?? this.get(id));
			if (!now) return undefined;
			try {
				await this.#port.set(PREFIX + id, now);
				this.trouble = undefined;
			} catch (error) {
				this.trouble = `This run continues, but reloading would lose its steps: ${errorMessage(error)}. Its entries are kept.`;
			}
			return now;
		});
		if (!next) return;
		this.runs = [next, ...this.runs.filter((run) => run.id !== id)];
		this.#channel.postMessage(id);
	}

	/** Lets go of all runs, as when everything is taken out of this browser. */
	async clear(): Promise<void> {
		const keys = (await this.#port.entries()).map(([key]) => key).filter((key) => key.startsWith(PREFIX));
		await Promise.all(keys.map((key) => this.#port.remove(key)));
		this.runs = [];
	}

	async begin(rig: string, setup: Setup, at: string): Promise<string> {
		const id = uuid();
		await this.change(id, () => ({ id, rig, begun: at, setup, answers: {} }));
		return id;
	}
}

/** The runs beside an application's logbook. */
export const runsBeside = ({ beside }: App, read?: ReadRun): RunBook =>
	new RunBook(beside.port, beside.turns, read);

/** `2027-04-18T07:10:00+02:00` with thousandths, so that what is written in one second keeps its order. */
const withThousandths = (at: string, n: number): string =>
	at.replace(/(:\d\d)(?:\.\d+)?([+-]\d\d:\d\d|Z)$/, `$1.${String(Math.min(n, 999)).padStart(3, '0')}$2`);

const saysTheSame = (a: Entry, b: Entry): boolean => {
	const content = ({ at: _at, edited: _edited, by: _by, trip: _trip, ...rest }: Entry): string =>
		JSON.stringify(Object.entries(rest).sort(([x], [y]) => (x < y ? -1 : 1)));
	return content(a) === content(b);
};

/**
 * Ticks a step: writes its entries, then keeps the answer. Done twice, by two tabs or on two phones, it writes once; answered
 * anew, what it wrote is corrected.
 *
 * @returns whether it is durable
 */
export async function answerStep(
	app: App,
	book: RunBook,
	{ rig, run, step }: { readonly rig: Rig; readonly run: Run; readonly step: RunStep },
	answer: StepAnswer,
	label: string
): Promise<boolean> {
	const { at, ...trip } = app.nowOnTrip();
	const answered = { ...answer, at };
	const after: Run = { ...run, answers: { ...run.answers, [step.key]: answered } };
	const place = new Map(allEntriesOf(rig, after).map(({ key }, i) => [key, i]));
	const written = entriesOf(rig, run, step, answer);
	const gone = keysOf(step).filter((key) => !written.some((one) => one.key === key));
	const now = new Date().toISOString();
	const edits = [
		...written.map(({ key, happening }) => {
			const draft = { ...happening, at: withThousandths(at, place.get(key) ?? 0), ...trip } as EntryDraft;
			const entry = app.commands.entryFrom(draft, entryIdOf(run, key));
			return editOf('entry', entry.id, (newest) => {
				if (!newest) return entry;
				const old = newest as Entry;
				return saysTheSame(old, entry) ? undefined : stamped({ ...entry, at: old.at }, old, now);
			});
		}),
		...gone.map((key) =>
			editOf('entry', entryIdOf(run, key), (newest) =>
				newest && !(newest as Entry).void ? voided(newest as Entry, now) : undefined
			)
		)
	];
	// A step that never writes is no act to be undone.
	const acts = written.length > 0 || gone.some((key) => app.records.standing('entry', entryIdOf(run, key)));
	const kept = !acts || (await app.commands.do(edits, label));
	await book.change(run.id, (newest) => {
		const base = newest ?? run;
		return { ...base, answers: { ...base.answers, [step.key]: answered } };
	});
	return kept;
}

/** Goes back to a step: its answer is taken back, what it wrote stands until it is answered anew. */
export const backTo = (book: RunBook, run: Run, step: RunStep): Promise<void> =>
	book.change(run.id, (newest) => {
		const base = newest ?? run;
		const steps = stepsOf(base.setup, base.answers);
		const from = steps.findIndex(({ key }) => key === step.key);
		const still = new Set(steps.slice(0, from).map(({ key }) => key));
		const { ended: _ended, ...open } = base;
		return {
			...open,
			answers: Object.fromEntries(Object.entries(base.answers).filter(([key]) => still.has(key)))
		};
	});
