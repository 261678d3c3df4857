import type { Assessment } from '$core/now';
import type { Asked } from './asked';
import type { EngineApi } from './client';
import { Latest } from './latest.svelte';
import type { FirstLook } from './questions/now/assess';
import type { AnswerOf, ArgsOf, Kind } from './question';
import type { Standpoint } from './standpoint';

/** So long the page is left alone after its first look, ms. */
const FIRST_LOOK_MS = 1200;

/** A page that nobody looks at is not painted: no longer is waited for it, ms. */
const UNPAINTED_MS = 500;
/** Resolves when the page shows what it was just given. */
const painted = (): Promise<unknown> =>
	new Promise((resolve) => {
		if (typeof requestAnimationFrame === 'undefined') return resolve(undefined);
		requestAnimationFrame(() => setTimeout(resolve));
		setTimeout(resolve, UNPAINTED_MS);
	});

/** What the engine says of the rig in view, and the way to ask it for more. */
export class EngineClient {
	/** how far a long replay is, 0 … 1, while one is under way */
	progress = $state<number | undefined>();
	/** what is shown is known from the entries since then alone, while a long log is gone through, ms */
	sinceMs = $state<number | undefined>();
	/** a replay was given up: the figures are older than the log */
	stopped = $state(false);
	/** counts what was written since the first log was loaded: it stands still while only the clock moves on */
	written = $state(0);
	#loaded = false;
	#changed = false;
	/** how often each kind was asked */
	readonly #asked = new Map<Kind, number>();
	/** trips are planned: the first look is over */
	#plans = false;
	readonly #now = new Latest<Assessment>();
	readonly #api: EngineApi;
	readonly #standpoint: () => Standpoint | undefined;

	/** @param standpoint from where is asked now, of the rig in view; nothing when there is none */
	constructor(api: EngineApi, standpoint: () => Standpoint | undefined) {
		this.#api = api;
		this.#standpoint = standpoint;
	}

	/** What it says of the rig in view; nothing while it still has another one in hand. */
	get assessment(): Assessment | undefined {
		const answer = this.#now.value;
		return answer?.rig === this.#standpoint()?.rig ? answer : undefined;
	}

	get trouble(): string | undefined {
		return this.#now.trouble;
	}

	readonly load: EngineApi['load'] = (whole) => {
		// Whatever is asked is asked after the first one.
		[this.#changed, this.#loaded] = [this.#loaded, true];
		return this.#api.load(whole);
	};
	readonly change: EngineApi['change'] = (changes) => {
		this.#changed = true;
		return this.#api.change(changes);
	};

	readonly makeDemo: EngineApi['makeDemo'] = (nowMs) => this.#api.makeDemo(nowMs);

	/** Asks anew; a long replay shows how far it is. */
	async refresh(): Promise<void> {
		const from = this.#standpoint();
		[this.stopped, this.progress] = [false, undefined];
		if (!from) return this.#now.clear();
		let over = false;
		const early = this.#now.early();
		await this.#now.take(
			this.#api
				.ask(
					'now/assess',
					from,
					(done: number) => {
						if (!over && !this.stopped) this.progress = done;
					},
					async ({ now, sinceMs }: FirstLook) => {
						if (over || this.stopped) return;
						early(now);
						this.sinceMs = sinceMs;
						this.progress = sinceMs === undefined ? undefined : 0;
						await painted();
					}
				)
				.then((answer) => {
					if (answer) this.sinceMs = undefined;
					return answer;
				})
				.finally(() => {
					over = true;
					this.progress = undefined;
				})
		);
		if (this.#changed) [this.#changed, this.written] = [false, this.written + 1];
		// A good second later.
		if (from.trip !== undefined && !this.#plans) await this.#plan();
	}

	/** The first look goes without a plan; what that says follows when the page stands. */
	async #plan(): Promise<void> {
		this.#plans = true;
		await new Promise((resolve) => setTimeout(resolve, FIRST_LOOK_MS));
		try {
			this.#plans = (await this.ask('now/preparePlanning')) ?? false;
		} catch {
			// Without a network and before everything is kept for that, the next question tries again.
			this.#plans = false;
			return;
		}
		await this.refresh();
	}

	/** Gives up a long replay; the figures stay as they were. */
	async stop(): Promise<void> {
		[this.stopped, this.progress] = [true, undefined];
		await this.#api.giveUp('now/assess');
	}

	/** Asks from where one stands now; nothing where there is no rig to ask about. */
	ask<K extends Kind>(kind: K, ...args: ArgsOf<K>): Asked<AnswerOf<K>> | undefined {
		const from = this.#standpoint();
		return from && this.askFrom(from, kind, ...args);
	}

	/** Asks from somewhere else: of a rig that nobody has yet. */
	askFrom<K extends Kind>(from: Standpoint, kind: K, ...args: ArgsOf<K>): Asked<AnswerOf<K>> {
		const own = (this.#asked.get(kind) ?? 0) + 1;
		this.#asked.set(kind, own);
		return Object.assign(this.#api.ask(kind, from, ...args), {
			giveUp: () => {
				// Another view may have asked the same since.
				if (this.#asked.get(kind) === own) void this.giveUp(kind);
			}
		});
	}

	/** Gives up what is under way of a kind. */
	giveUp(kind: Kind): Promise<void> {
		return this.#api.giveUp(kind);
	}
}
