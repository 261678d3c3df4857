import { errorMessage } from '$lib/errorMessage';
import { joined, mayGoOn, useDraft, type HeardUse, type Nod, type Showing } from '$core/listen';
import { instantMs, tripUnderWay, type Entry, type Happening, type Meter } from '$core/logbook';
import { DAY_MS, zonedIso } from '$core/time';
import { sayHabit, sayHeardAct, sayNod } from '$core/words';
import { startListener, type Asked, type ListenerApi, type SampleFile, type Told } from '$lib/listening';
import type { FlowMeter } from '$lib/standins/flowMeter';
import type { Edit, KeyValuePort } from '$lib/store';
import type { RemoteApi } from '$lib/workerClient';
import { v7 as uuid } from 'uuid';
import type { App } from './app.svelte';
import { puttingEdits } from './edits';
import type { ListeningTo } from './prefs.svelte';

/** Whether a device sends: nothing is connected, it is waited for, it sends, it is not heard any more. */
export type DeviceState = 'off' | 'waiting' | 'live' | 'lost';

/** Samples of two weeks are kept where nothing else is said. */
export const KEEP_DAYS = 14;
const SKIPPED = 'listening:skipped';
/** Of the uses that were said to be nothing, so many of the last are remembered. */
const MOST_SKIPPED = 400;
const SAME_MS = 2000;
/** Samples are gathered for so long before they are kept; a use is named when it has been quiet for so long, or at the latest after so long, ms. */
const GATHER_MS = 500;
const QUIET_MS = 700;
const LATEST_MS = 4000;

const isNumbers = (value: unknown): value is readonly number[] =>
	Array.isArray(value) && value.every((one) => typeof one === 'number');

/**
 * What a meter that counts by itself tells beside an application's logbook: its samples stay on this device, what was heard in them is
 * offered, joined and logged.
 */
export class MeterListening {
	device = $state<DeviceState>('off');
	/** what is connected, as it is called on the screen */
	name = $state('');
	/** displayed units, litres a minute */
	shows = $state<number | undefined>();
	lpm = $state<number | undefined>();
	told = $state.raw<Told | undefined>();
	trouble = $state<string | undefined>();
	/** the first look at what is kept here is under way */
	isReading = $state(false);
	#skipped = $state.raw<readonly number[]>([]);
	readonly #app: App;
	readonly #start: () => RemoteApi<ListenerApi>;
	readonly #port: KeyValuePort;
	#api: RemoteApi<ListenerApi> | undefined;
	/** the meter whose samples the listener has */
	#open = '';
	#stop = (): void => undefined;
	#gathered: Showing[] = [];
	#timer: ReturnType<typeof setTimeout> | undefined;
	/** when what is shown changed last, and whether that has been listened to; by the page's clock, ms */
	#changedAt = 0;
	#heardAt = 0;
	#isNew = false;
	/** the time that the device tells, where that is not the clock's */
	#deviceMs: number | undefined;
	/** samples came in through this tab: it is the one that logs what is sure */
	#logs = false;
	/** the rig that the device is aboard of: while another one is in view, what it sends waits */
	#deviceRig: string | undefined;
	#turn: Promise<unknown> = Promise.resolve();

	constructor(app: App, start: () => RemoteApi<ListenerApi>) {
		this.#app = app;
		this.#start = start;
		this.#port = app.beside.port;
	}

	/** How the rig in view is listened to; not at all, where it is absent. */
	get to(): ListeningTo | undefined {
		return this.#app.prefs.current.listening?.[this.#app.rig?.id ?? ''];
	}
	/** The meters of the rig in view that its outlets pass. */
	get meters(): readonly Meter[] {
		return (this.#app.liveRig?.instruments ?? []).filter(
			(one): one is Meter => one.kind === 'meter' && one.place !== 'fill'
		);
	}
	get meter(): Meter | undefined {
		return this.meters.find(({ id }) => id === this.to?.meter);
	}
	/** What is to be done with what was heard, without what was said to be nothing. */
	get nods(): readonly Nod[] {
		return (this.told?.nods ?? []).filter(
			({ use }) => !this.#skipped.some((ms) => Math.abs(ms - use.fromMs) < SAME_MS)
		);
	}

	/** One thing after another. */
	#inTurn<T>(act: () => Promise<T>): Promise<T> {
		const turn = this.#turn.then(act, act);
		this.#turn = turn.catch(() => undefined);
		return turn;
	}

	/** Listens to a meter of the rig in view from now on, as was chosen before or as is usual. */
	async choose(change: Partial<ListeningTo>): Promise<void> {
		const rig = this.#app.rig?.id;
		const [first] = this.meters;
		if (rig === undefined || !first) return;
		const before = this.to ?? { meter: first.id, keepDays: KEEP_DAYS };
		await this.#app.choose(({ listening }) => ({
			listening: { ...listening, [rig]: { ...before, ...change } }
		}));
		if (change.keepDays !== undefined) this.#open = '';
		await this.hear();
	}

	/** The listener, with the samples of the meter that is listened to. */
	async #listener(meter: Meter): Promise<RemoteApi<ListenerApi>> {
		this.#api ??= this.#start();
		const key = `${this.#app.rig?.id}/${meter.id}`;
		if (this.#open !== key) {
			this.isReading = true;
			try {
				await this.#api.open(key, this.to?.keepDays ?? KEEP_DAYS, Date.now());
				const skipped = await this.#port.get(SKIPPED);
				this.#skipped = isNumbers(skipped) ? skipped : [];
				this.#open = key;
			} finally {
				this.isReading = false;
			}
		}
		return this.#api;
	}

	#asked(meter: Meter): Asked | undefined {
		const { liveRig: rig, records, timeZone } = this.#app;
		if (!rig) return undefined;
		const atMs = this.#deviceMs ?? Date.now();
		const sinceMs = Date.now() - ((this.to?.keepDays ?? KEEP_DAYS) + 1) * DAY_MS;
		const entries = records.entries.filter((entry) => entry.rig === rig.id && instantMs(entry.at) >= sinceMs);
		return { rig, meter, entries, atMs, timeZone };
	}

	/** Listens to what is there by now, and logs of it what is to be logged unasked. */
	hear(): Promise<void> {
		return this.#inTurn(async () => {
			const { meter } = this;
			const asked = meter && this.#asked(meter);
			if (!meter || !asked) {
				this.told = undefined;
				return;
			}
			try {
				await this.#keep(meter);
				this.told = await (await this.#listener(meter)).hear(asked);
				this.#heardAt = performance.now();
				if (this.#logs) await this.#logUnasked(meter, this.told, asked.atMs);
			} catch (error) {
				this.trouble = `What the meter heard couldn’t be read: ${errorMessage(error)}.`;
			}
		});
	}

	/** Connects a device that sends, and listens to it until it is let go of. */
	async connect(device: FlowMeter, name: string): Promise<void> {
		this.stop();
		await this.choose({});
		[this.device, this.name, this.trouble, this.#logs] = ['waiting', name, undefined, true];
		this.#deviceRig = this.#app.rig?.id;
		this.#stop = device.follow(
			({ shows, lpm, atMs }) => {
				this.device = 'live';
				if (shows !== this.shows) [this.#changedAt, this.#isNew] = [performance.now(), true];
				[this.shows, this.lpm, this.#deviceMs] = [shows, lpm, atMs];
				this.#gathered.push([atMs ?? Date.now(), shows]);
				this.#soon();
			},
			(why) => {
				this.device = 'lost';
				// What comes after is of the clock's time again.
				if ((this.#deviceMs ?? 0) <= Date.now()) this.#deviceMs = undefined;
				if (why !== undefined) this.trouble = `The meter is not heard any more: ${why}.`;
				this.#soon();
			}
		);
	}

	/** What gathers is kept before long. */
	#soon(): void {
		if (this.#timer === undefined) this.#timer = setTimeout(() => void this.#gather(), GATHER_MS);
	}

	/** Keeps what has gathered; of another rig's device it waits until that rig is in view. */
	async #keep(meter: Meter): Promise<void> {
		if (this.#gathered.length === 0 || this.#app.rig?.id !== this.#deviceRig) return;
		const lot = this.#gathered;
		this.#gathered = [];
		await (await this.#listener(meter)).add(lot);
	}

	/** What has gathered is kept; and it is listened to when nothing runs just now, or it has run for long. */
	async #gather(): Promise<void> {
		this.#timer = undefined;
		const { meter } = this;
		if (!meter) return;
		const now = performance.now();
		const isTime =
			now - this.#changedAt >= QUIET_MS || now - this.#heardAt >= LATEST_MS || this.device === 'lost';
		if (this.#isNew && isTime) {
			this.#isNew = false;
			return this.hear();
		}
		try {
			await this.#inTurn(() => this.#keep(meter));
		} catch (error) {
			this.trouble = `Samples of the meter couldn’t be kept: ${errorMessage(error)}.`;
		}
		if (this.#isNew) this.#soon();
	}

	/** Lets go of the device; what it has sent is kept. */
	stop(): void {
		this.#stop();
		if (this.#gathered.length > 0) this.#soon();
		this.#stop = () => undefined;
		[this.device, this.lpm, this.#deviceMs] = ['off', undefined, undefined];
	}

	/** Reads a file of samples; nothing is taken in. */
	async read(text: string): Promise<SampleFile> {
		this.#api ??= this.#start();
		return this.#api.read(text, this.#app.timeZone);
	}

	/** Takes the samples of a file in, but those that are older than they are kept for. @returns how many were taken in */
	async take({ samples }: SampleFile): Promise<number> {
		await this.choose({});
		const { meter } = this;
		if (!meter) return 0;
		this.#logs = true;
		const oldestMs = Date.now() - (this.to?.keepDays ?? KEEP_DAYS) * DAY_MS;
		const kept = samples.filter(([ms]) => ms >= oldestMs);
		await this.#inTurn(async () => (await this.#listener(meter)).add(kept));
		await this.hear();
		return kept.length;
	}

	/** The entry that a draft becomes, of its own moment: the rig in view, the trip then under way. */
	#entry(atMs: number, draft: Happening, by: string | undefined): Entry {
		const { rig, records, timeZone } = this.#app;
		const trip = tripUnderWay(records.trips, rig?.id ?? '', atMs);
		return {
			...draft,
			...(trip ? { trip: trip.id } : {}),
			...(by ? { by } : {}),
			at: zonedIso(atMs, trip?.timeZone ?? timeZone),
			id: uuid(),
			rig: rig?.id ?? ''
		};
	}

	#loggingOf(use: HeardUse, habit: string, meter: Meter, unasked: boolean): Edit {
		const draft = useDraft(use, habit, meter, { stepL: this.told?.stepL ?? 0, unasked });
		const by = unasked ? undefined : this.#app.prefs.current.by;
		return puttingEdits([{ kind: 'entry', value: this.#entry(use.fromMs, draft, by) }])[0] as Edit;
	}
	#joining({ use, entry, replaces }: Extract<Nod, { kind: 'joins' }>, meter: Meter): readonly Edit[] {
		const { commands } = this.#app;
		const join = commands.editOf('entry', entry.id, (newest) =>
			newest.kind === 'use' ? joined(newest, use, meter, this.told?.stepL ?? 0) : newest
		);
		return replaces
			? [join, commands.editOf('entry', replaces.id, (newest) => ({ ...newest, void: true }))]
			: [join];
	}

	/** What is logged without a word: what is sure enough, as the person says; litres of what was written by hand; the meter's readings. */
	async #logUnasked(meter: Meter, told: Told, atMs: number): Promise<void> {
		const { rig } = this.#app;
		if (!rig) return;
		const over = this.nods.filter(({ use }) => !mayGoOn(use, atMs));
		const sure = this.to?.sure ?? Infinity;
		const named = over.filter((nod) => nod.kind === 'named' && nod.chance >= sure) as Extract<
			Nod,
			{ kind: 'named' }
		>[];
		const joins = over.filter((nod) => nod.kind === 'joins');
		const readings = told.readings.map(({ atMs: ms, value }) =>
			this.#entry(ms, { kind: 'reading', instrument: meter.id, value, source: 'meter' }, undefined)
		);
		const edits = [
			...named.map(({ use, habit }) => this.#loggingOf(use, habit, meter, true)),
			...joins.flatMap((nod) => this.#joining(nod, meter)),
			...puttingEdits(readings.map((value) => ({ kind: 'entry', value }) as const))
		];
		if (edits.length === 0) return;
		const names = [...named, ...joins].map((nod) => sayNod(nod, { rig }));
		await this.#app.commands.do(edits, names.length === 0 ? `${meter.name} read` : sayHeardAct(names));
		const asked = this.#asked(meter);
		if (asked) this.told = await (await this.#listener(meter)).hear(asked);
	}

	/**
	 * Logs what was heard, as somebody says: one act.
	 *
	 * @param choices each nod with the habit that it is
	 */
	async log(choices: readonly { readonly nod: Nod; readonly habit: string }[]): Promise<string | undefined> {
		const { meter } = this;
		const { rig } = this.#app;
		if (!meter || !rig || choices.length === 0) return undefined;
		const edits = choices.flatMap(({ nod, habit }) =>
			nod.kind === 'joins' ? this.#joining(nod, meter) : [this.#loggingOf(nod.use, habit, meter, false)]
		);
		const label = sayHeardAct(choices.map(({ habit }) => sayHabit(rig, habit)));
		const kept = await this.#app.commands.do(edits, label);
		await this.hear();
		return kept ? label : undefined;
	}

	/** Somebody says that it was nothing to log. */
	async skip({ fromMs }: HeardUse): Promise<void> {
		this.#skipped = [...this.#skipped, fromMs].slice(-MOST_SKIPPED);
		await this.#port.set(SKIPPED, [...this.#skipped]);
	}

	/** Forgets the samples of the meter that is listened to. */
	async forget(): Promise<void> {
		const { meter } = this;
		this.stop();
		if (meter) await this.#inTurn(async () => (await this.#listener(meter)).forget());
		await this.hear();
	}

	/** Forgets the samples of all meters, as when everything is taken out of this browser. */
	async clear(): Promise<void> {
		this.stop();
		this.#api ??= this.#start();
		await this.#inTurn(async () => this.#api?.clear());
		await this.#port.remove(SKIPPED);
		[this.told, this.#skipped, this.#open, this.trouble] = [undefined, [], '', undefined];
	}

	/** Follows what is written and which rig is in view. @returns ends it */
	follow(): () => void {
		return $effect.root(() => {
			$effect(() => {
				void [this.#app.records.entries, this.#app.rig?.id, this.to];
				const waiting = setTimeout(() => void this.hear(), GATHER_MS);
				return () => clearTimeout(waiting);
			});
		});
	}
}

const besides = new WeakMap<App, MeterListening>();
/** The listening beside an application's logbook: one in a tab, whoever asks for it. */
export function listeningBeside(app: App): MeterListening {
	const before = besides.get(app);
	const listening = before ?? new MeterListening(app, startListener);
	if (!before) {
		besides.set(app, listening);
		listening.follow();
	}
	return listening;
}
