import { DAY_MS, dayPlus, HOUR_MS, zonedMs, zonedTime } from '$core/time';
import {
	forecastRecordOf,
	type ForecastRecord,
	type Foretold,
	type Score,
	type Settled
} from '$core/forecast';
import type { KeyValuePort, Turns } from '$lib/store';
import type { App } from './app.svelte';

const PREFIX = 'foretold:';
/** From this hour on it is evening: what is foretold then takes the place of what the day had. */
const EVENING = 17;
/** So long a forecast is kept: the record looks back over some months, days. */
const KEPT_DAYS = 400;

/** One evening: what was foretold, and, once it is known, how it came. */
export interface KeptForecasts {
	readonly foretold: Foretold;
	/** the local day on which it was foretold */
	readonly day: string;
	readonly evening: boolean;
	readonly score?: Score | 'untold';
}

const isNumber = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value);
const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
	typeof value === 'object' && value !== null;

/** A kept evening as it was read; nothing where it is none. */
function readKept(value: unknown): KeptForecasts | undefined {
	if (!isObject(value) || !isObject(value.foretold) || typeof value.day !== 'string') return undefined;
	const { rig, madeMs, forMs, persons, spread, tanks } = value.foretold;
	const whole =
		typeof rig === 'string' &&
		[madeMs, forMs, persons, spread].every(isNumber) &&
		Array.isArray(tanks) &&
		tanks.every((tank) => isObject(tank) && [tank.p10, tank.p50, tank.p90].every(isNumber));
	const { score } = value;
	const scored =
		score === undefined ||
		score === 'untold' ||
		(isObject(score) &&
			Array.isArray(score.why) &&
			Array.isArray(score.tanks) &&
			score.tanks.every((tank) => isObject(tank) && [tank.cameL, tank.z].every(isNumber)));
	return whole && scored ? (value as unknown as KeptForecasts) : undefined;
}

const keyOf = (rig: string, day: string): string => `${PREFIX}${JSON.stringify([rig, day])}`;

/** What the forecasts of a rig said evening by evening, kept on this device beside the logbook under a key each. */
export class RecordBook {
	evenings = $state.raw<readonly KeptForecasts[]>([]);
	readonly #port: KeyValuePort;
	readonly #turns: Turns;
	#read: Promise<void> | undefined;
	readonly #underWay = new Map<string, Promise<void>>();

	constructor(port: KeyValuePort, turns: Turns) {
		this.#port = port;
		this.#turns = turns;
	}

	/** Reads all evenings, once; what is too old to count is let go. */
	load(nowMs: number): Promise<void> {
		this.#read ??= this.#load(nowMs).catch((error: unknown) => {
			this.#read = undefined;
			throw error;
		});
		return this.#read;
	}

	/** Does something to all of it, unless the same is under way already: then it is waited for. */
	once(name: string, does: () => Promise<void>): Promise<void> {
		const before = this.#underWay.get(name);
		if (before) return before;
		const begun = does().finally(() => this.#underWay.delete(name));
		this.#underWay.set(name, begun);
		return begun;
	}

	async #load(nowMs: number): Promise<void> {
		const kept = (await this.#port.entries()).flatMap(([key, value]) => {
			const read = key.startsWith(PREFIX) ? readKept(value) : undefined;
			return read ? [{ key, read }] : [];
		});
		const old = kept.filter(({ read }) => nowMs - read.foretold.madeMs > KEPT_DAYS * DAY_MS);
		await Promise.all(old.map(({ key }) => this.#port.remove(key)));
		this.evenings = kept
			.filter((one) => !old.includes(one))
			.map(({ read }) => read)
			.sort((a, b) => a.foretold.madeMs - b.foretold.madeMs);
	}

	of(rig: string): readonly KeptForecasts[] {
		return this.evenings.filter(({ foretold }) => foretold.rig === rig);
	}

	async #put(next: KeptForecasts): Promise<void> {
		await this.#turns(() => this.#port.set(keyOf(next.foretold.rig, next.day), next));
		const same = ({ foretold, day }: KeptForecasts): boolean =>
			foretold.rig === next.foretold.rig && day === next.day;
		this.evenings = [...this.evenings.filter((one) => !same(one)), next].sort(
			(a, b) => a.foretold.madeMs - b.foretold.madeMs
		);
	}

	/** Whether a forecast is wanted at a moment: the first of its day, or the first of its evening. */
	wants(rig: string, nowMs: number, timeZone: string): boolean {
		const { day, hour } = zonedTime(nowMs, timeZone);
		const today = this.of(rig).find((one) => one.day === day);
		return !today || (hour >= EVENING && !today.evening && today.score === undefined);
	}

	/** Keeps what is foretold now. */
	keep(foretold: Foretold, timeZone: string): Promise<void> {
		const { day, hour } = zonedTime(foretold.madeMs, timeZone);
		return this.#put({ foretold, day, evening: hour >= EVENING });
	}

	/** Forecasts whose time has come and of which nobody has said yet how they came. */
	open(rig: string, nowMs: number): readonly KeptForecasts[] {
		return this.of(rig).filter(({ foretold, score }) => score === undefined && foretold.forMs <= nowMs);
	}

	settle(kept: KeptForecasts, score: Score | 'untold'): Promise<void> {
		return this.#put({ ...kept, score });
	}

	/** Lets go of all evenings, as when everything is taken out of this browser. */
	async clear(): Promise<void> {
		const keys = (await this.#port.entries()).map(([key]) => key).filter((key) => key.startsWith(PREFIX));
		await Promise.all(keys.map((key) => this.#port.remove(key)));
		this.evenings = [];
	}
}

export const settledOf = (evenings: readonly KeptForecasts[]): readonly Settled[] =>
	evenings.flatMap(({ foretold, score }) =>
		score !== undefined && score !== 'untold' ? [{ foretold, score }] : []
	);

/** What the record of a rig says since it was last set back. */
export const recordSince = (
	evenings: readonly KeptForecasts[],
	resetMs: number | undefined
): ForecastRecord => forecastRecordOf(settledOf(evenings), resetMs);

const books = new WeakMap<App, RecordBook>();
/** The record beside an application's logbook: one in a tab, whoever asks for it. */
export function recordBeside(app: App): RecordBook {
	const before = books.get(app);
	const book = before ?? new RecordBook(app.beside.port, app.beside.turns);
	if (!before) books.set(app, book);
	return book;
}

/** A reading is waited for so long before a forecast is held against what came, and what came later than that tells no more. */
const KNOWN_AFTER_MS = 12 * HOUR_MS;
const TELLS_UNTIL_MS = 4 * DAY_MS;
/** At one go no more than so many are held against what came. */
const AT_ONCE = 16;

const isDemo = (rig: string): boolean => rig.startsWith('demo-');
const DEMO_DAYS = 14;

/**
 * The demo rigs' logs are made up all at once: their evenings are foretold as the log went along, when somebody looks at the
 * record.
 */
export const recallDemo = (app: App, book: RecordBook): Promise<void> =>
	book.once('recall', () => recall(app, book));

async function recall(app: App, book: RecordBook): Promise<void> {
	const rig = app.rig?.id;
	if (rig === undefined || !isDemo(rig)) return;
	const today = zonedTime(app.nowMs, app.timeZone).day;
	const kept = new Set(book.of(rig).map(({ day }) => day));
	for (let ago = DEMO_DAYS; ago > 0; ago--) {
		const day = dayPlus(today, -ago);
		if (kept.has(day)) continue;
		const foretold = await app.engine.ask('record/foretellAsOf', zonedMs(day, app.timeZone, EVENING + 3));
		if (foretold && foretold.rig === rig) await book.keep(foretold, app.timeZone);
	}
}

/**
 * Brings the record up to date: keeps what is foretold today, holds what has come due against what came, and corrects how wide
 * forecasts are drawn where the record asks for it.
 */
export const followRecord = (app: App, book: RecordBook): Promise<void> =>
	book.once('follow', () => follow(app, book));

async function follow(app: App, book: RecordBook): Promise<void> {
	await book.load(app.nowMs);
	const rig = app.rig?.id;
	if (rig === undefined || app.engine.assessment?.rig !== rig) return;
	const nowMs = app.nowMs;
	for (const kept of book.open(rig, nowMs - KNOWN_AFTER_MS).slice(0, AT_ONCE)) {
		const score = await app.engine.ask(
			'record/score',
			kept.foretold,
			Math.min(nowMs, kept.foretold.forMs + TELLS_UNTIL_MS)
		);
		if (score !== undefined && score !== 'later') await book.settle(kept, score);
	}
	if (book.wants(rig, nowMs, app.timeZone)) {
		const foretold = await app.engine.ask('record/foretell');
		if (foretold && foretold.rig === rig) await book.keep(foretold, app.timeZone);
	}
	const { spread } = recordSince(book.of(rig), app.prefs.current.recordSince?.[rig]);
	const before = app.prefs.current.spread?.[rig] ?? 1;
	if (Math.abs(spread - before) > 0.02)
		await app.choose(({ spread: all }) => ({ spread: { ...all, [rig]: spread } }));
}

/** Forgets what the record asked for: forecasts are drawn as the engine would, and are judged from now on. */
export const resetRecord = (app: App, rig: string): Promise<void> =>
	app.choose(({ spread, recordSince: since }) => ({
		spread: { ...spread, [rig]: 1 },
		recordSince: { ...since, [rig]: app.nowMs }
	}));
