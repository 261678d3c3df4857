import {
	canonical,
	isOf,
	joinedVector,
	newChangeLog,
	type ChangeLog,
	type Choices,
	type HandOver,
	type Taken,
	type VersionVector
} from '$core/logbook';
import {
	handOverInWorker,
	type Behind,
	type HandOverApi,
	type Here,
	type Looked,
	type Prepared
} from '$lib/exchange';
import type { KeyValuePort, Turns } from '$lib/store';
import type { RemoteApi } from '$lib/workerClient';
import { v4 as uuid } from 'uuid';
import type { App } from './app.svelte';
import type { Act } from './history.svelte';
import { undoing } from './revising';

/** Somebody who keeps the same log on another device. */
export interface Partner {
	readonly name: string;
	/** the device that something came from last */
	readonly device?: string;
	/** what that device is known to have, as it said */
	readonly has: VersionVector;
	/** what was shown or sent to them; whether it arrived they have not said */
	readonly offered?: VersionVector;
	readonly offeredMs?: number;
	/** when something last came from them */
	readonly heardMs?: number;
}

/** What came in last. */
export interface LastTaken {
	readonly from: string;
	readonly atMs: number;
	readonly act: Act;
}

const KEYS = { log: 'sharing:log', partners: 'sharing:partners', last: 'sharing:last' } as const;

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
	typeof value === 'object' && value !== null;
const isPartner = (value: unknown): value is Partner =>
	isObject(value) && typeof value.name === 'string' && isObject(value.has);
/** A log as it was read, with the epoch of the store that it is of; nothing where it is none. */
const readLog = (value: unknown): { readonly log: ChangeLog; readonly epoch: unknown } | undefined =>
	isObject(value) &&
	isObject(value.log) &&
	value.log.stamps instanceof Map &&
	value.log.versions instanceof Map
		? (value as unknown as { log: ChangeLog; epoch: unknown })
		: undefined;

const DEVICE_LETTERS = 12;
const newDevice = (): string => uuid().replaceAll('-', '').slice(0, DEVICE_LETTERS);

/**
 * Who keeps the same log, and what they have of it: kept beside the logbook, under keys of its own, and never handed over. What is
 * worked out is worked out in a worker.
 */
export class Sharing {
	partners = $state.raw<readonly Partner[]>([]);
	last = $state.raw<LastTaken | undefined>();
	readonly #app: App;
	readonly #port: KeyValuePort;
	readonly #turns: Turns;
	readonly #api: RemoteApi<HandOverApi>;
	readonly #origin: string;

	/** @param origin where links lead */
	constructor(app: App, api: RemoteApi<HandOverApi>, origin: string) {
		this.#origin = origin;
		this.#app = app;
		this.#port = app.beside.port;
		this.#turns = app.beside.turns;
		this.#api = api;
	}

	/** Reads who is known. */
	async load(): Promise<void> {
		this.partners = await this.#kept();
	}

	/** Reads what came last. */
	async loadLast(): Promise<void> {
		const last = await this.#port.get(KEYS.last);
		this.last = isObject(last) ? (last as unknown as LastTaken) : undefined;
	}

	async #kept(): Promise<readonly Partner[]> {
		const kept = await this.#port.get(KEYS.partners);
		return Array.isArray(kept) ? kept.filter(isPartner) : [];
	}

	partner(name: string): Partner | undefined {
		return this.partners.find((one) => one.name === name);
	}

	/**
	 * The numbers of this device's changes. Where they are of another logbook than is here (it was wiped, or lost and filled again
	 * from its copy), what they say is known may be gone: then this is a new device to all others.
	 */
	async #log(): Promise<ChangeLog> {
		const { records } = this.#app;
		const kept = readLog(await this.#port.get(KEYS.log));
		return kept && kept.epoch === records.epoch && isOf(kept.log, records.logbook())
			? kept.log
			: newChangeLog(newDevice());
	}

	#keepLog(log: ChangeLog): Promise<void> {
		return this.#port.set(KEYS.log, { log, epoch: this.#app.records.epoch });
	}

	/** What this device has, to be worked with in the worker. */
	async #here(): Promise<Here> {
		const log = await this.#log();
		return { log, logbook: this.#app.records.logbook() };
	}

	/** Changes the newest list of partners, in its turn among the tabs. */
	#change(make: (newest: readonly Partner[]) => readonly Partner[]): Promise<void> {
		return this.#turns(async () => {
			const next = [...make(await this.#kept())].sort((a, b) => (a.name < b.name ? -1 : 1));
			await this.#port.set(KEYS.partners, next);
			this.partners = next;
		});
	}

	#changeOne(name: string, make: (newest: Partner) => Partner): Promise<void> {
		return this.#change((newest) => [
			...newest.filter((one) => one.name !== name),
			make(newest.find((one) => one.name === name) ?? { name, has: {} })
		]);
	}

	/**
	 * Puts together what somebody has not got.
	 *
	 * @param whole all of it, whatever they have
	 */
	prepare(name: string, by: string, whole = false): Promise<Prepared> {
		return this.#turns(async () => {
			const has = whole ? {} : (this.partner(name)?.has ?? {});
			const prepared = await this.#api.prepare(await this.#here(), has, by, this.#origin);
			await this.#keepLog(prepared.log);
			return prepared;
		});
	}

	/** It was shown or sent: whether it arrived is not known until they say. */
	offered(name: string, { upTo }: Prepared): Promise<void> {
		return this.#changeOne(name, (one) => ({ ...one, offered: upTo, offeredMs: this.#app.nowMs }));
	}

	/** Looks at what came beside what is here; nothing is kept. */
	async look(text: string, choices: Choices): Promise<Looked> {
		return this.#api.look(text, await this.#here(), choices, new Date().toISOString());
	}

	/** The same of a file's text. */
	async lookAt(json: string, choices: Choices): Promise<Looked> {
		return this.#api.lookAt(json, await this.#here(), choices, new Date().toISOString());
	}

	/**
	 * Takes in what was looked at: one act, durable when it resolves with true. Then this device knows what came, and what the
	 * other one has.
	 *
	 * @param label what the act is called when it is undone
	 */
	async take(looked: Extract<Looked, { ok: true }>, from: string, label: string): Promise<boolean> {
		const { taken, handOver } = looked;
		let act: Act | undefined;
		const kept = await this.#app.commands.takeIn(taken.changes, label, (done) => (act = done));
		if (!kept) return false;
		await this.#turns(() => this.#note(taken));
		if (handOver) await this.#changeOne(from, (one) => heardFrom(one, handOver, this.#app.nowMs));
		if (act) await this.#keepLast({ from, atMs: this.#app.nowMs, act });
		return true;
	}

	async #note(taken: Taken): Promise<void> {
		// By the log as it is now: numbers that went out since, from another tab, must not be given again.
		await this.#keepLog(await this.#api.noteTaken(await this.#here(), taken));
	}

	async #keepLast(last: LastTaken): Promise<void> {
		await this.#port.set(KEYS.last, last);
		this.last = last;
	}

	/** Whether anything of what came last still is as it came. */
	get lastStands(): boolean {
		const { records } = this.#app;
		return (
			this.last?.act.steps.some(({ kind, before, after }) => {
				if ((kind === 'rig' || kind === 'trip') && !before) return false;
				const now = records.standing(kind, after.id);
				return now !== undefined && canonical(now) === canonical(after);
			}) ?? false
		);
	}

	/** Takes back what came last, whatever was done since: an act of its own, which can be undone. */
	async undoLast(label: string): Promise<boolean> {
		const { commands } = this.#app;
		return this.last ? commands.do(undoing(this.last.act, new Date().toISOString()), label) : false;
	}

	/** How far behind those are from whom something has come, or to whom something was sent; what was sent counts as theirs. */
	behind(): Promise<ReadonlyMap<string, Behind>> {
		return this.#behind(
			this.partners.filter(({ heardMs, offeredMs }) => (heardMs ?? offeredMs) !== undefined)
		);
	}

	/** Whether somebody said to have all that is here. */
	async hasAll(name: string): Promise<boolean> {
		const partner = this.partner(name);
		if (!partner) return false;
		return !(await this.#behind([{ name, has: partner.has }])).has(name);
	}

	async #behind(partners: readonly Partner[]): Promise<ReadonlyMap<string, Behind>> {
		if (partners.length === 0) return new Map();
		return this.#api.behind(await this.#here(), partners);
	}

	/** Somebody keeps this log no longer. */
	forget(name: string): Promise<void> {
		return this.#change((newest) => newest.filter((one) => one.name !== name));
	}

	/** Lets go of all of it, as when everything is taken out of this browser. */
	async clear(): Promise<void> {
		await Promise.all(Object.values(KEYS).map((key) => this.#port.remove(key)));
		[this.partners, this.last] = [[], undefined];
	}
}

/** Somebody of whom something came: what their device said once it still has, also where an older word comes later. */
const heardFrom = (one: Partner, { device, upTo }: HandOver, nowMs: number): Partner => ({
	...one,
	device,
	has: one.device === device ? joinedVector(one.has, upTo) : upTo,
	heardMs: nowMs
});

const besides = new WeakMap<App, Sharing>();
/** The hand-overs beside an application's logbook: one in a tab, whoever asks for them. */
export function sharingBeside(app: App): Sharing {
	const before = besides.get(app);
	const sharing = before ?? new Sharing(app, handOverInWorker, location.origin);
	if (!before) besides.set(app, sharing);
	return sharing;
}
