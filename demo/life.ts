import { dayPlus, HOUR_MS, MINUTE_MS, zonedIso, zonedMs } from '../src/core/time';
import { type Random, seeded } from '../src/core/numerics';
import { instantMs, type Entry, type EntryDraft, type Rig, type Trip } from '../src/core/logbook';
import { dumpedOf, flowOf, usableOf, type SeaState } from '../src/core/rig';

/** How often something is really done, and what it really takes; the log may say otherwise. */
export interface Custom {
	readonly habit: string;
	readonly perDay: number;
	readonly litres: number;
	readonly scatter: number;
	/** hours of the day at which it tends to happen */
	readonly hours: readonly number[];
}

export interface Life {
	readonly rig: Rig;
	readonly trip: Trip;
	readonly people: readonly string[];
	readonly customs: readonly Custom[];
	readonly seed: number;
	/** share of the uses that nobody writes down */
	readonly forgotten: number;
}

/**
 * Lives a rig's days with a hidden truth and writes down what its people would: uses, some of them forgotten,
 * fills and dumps at the stops, readings of instruments that may be wrong.
 */
export class Diary {
	readonly entries: Entry[] = [];
	readonly #level = new Map<string, number>();
	readonly #counted = new Map<string, number>();
	readonly #life: Life;
	readonly #random: Random;
	readonly #nowMs: number;
	readonly #today: string;
	#sea: SeaState | undefined;

	constructor(life: Life, nowMs: number) {
		this.#life = life;
		this.#random = seeded(life.seed);
		this.#nowMs = nowMs;
		this.#today = todayIn(life.trip.timeZone, nowMs);
		for (const tank of life.rig.tanks)
			this.#level.set(tank.id, tank.holds === 'fresh' ? 0.3 * usableOf(tank) : 0);
	}

	/** The instant of a clock time on a day counted from today. */
	at(day: number, hour: number, minute = 0): number {
		return zonedMs(dayPlus(this.#today, day), this.#life.trip.timeZone, hour, minute);
	}

	/** Writes one entry, if its moment has come; ids are the same at every making. */
	write(ms: number, draft: WithoutAt<EntryDraft>, who = 0): Entry | undefined {
		if (ms > this.#nowMs) return undefined;
		const { rig, trip, people } = this.#life;
		const id = `${rig.id}-${String(this.entries.length + 1).padStart(4, '0')}`;
		const entry = {
			id,
			rig: rig.id,
			at: zonedIso(ms, trip.timeZone),
			trip: trip.id,
			by: people[who % people.length],
			source: 'hand',
			...draft
		} as Entry;
		this.entries.push(entry);
		return entry;
	}

	/** Sets a boat's valves, and writes it. */
	set(ms: number, sea: SeaState): void {
		this.#sea = sea;
		this.write(ms, { kind: 'hookup', mains: false, sewer: false, sea } as WithoutAt<EntryDraft>);
	}

	levelOf = (tank: string): number => this.#level.get(tank) ?? 0;
	countedBy = (meter: string): number => this.#counted.get(meter) ?? 0;

	fill(ms: number, tank: string, to: 'full' | number, more: object = {}): void {
		const full = usableOf(this.#tank(tank));
		const litres = to === 'full' ? full - this.levelOf(tank) : to;
		this.#level.set(tank, this.levelOf(tank) + litres);
		this.write(ms, {
			kind: 'fill',
			tank,
			...(to === 'full' ? { to } : {}),
			litres: Math.round(litres * 10 * (1 + 0.01 * this.#random.normal())) / 10,
			...more
		} as WithoutAt<EntryDraft>);
	}

	empty(ms: number, tank: string, more: object = {}): void {
		this.#level.set(tank, dumpedOf(this.#tank(tank)));
		this.write(ms, { kind: 'dump', tank, to: 'empty', ...more } as WithoutAt<EntryDraft>, 1);
	}

	/** Lives one day between two hours: each custom at its cadence and hours. */
	live(day: number, fromHour: number, toHour: number): void {
		const { customs, forgotten } = this.#life;
		const events = customs.flatMap((custom) => {
			const times = Math.floor(custom.perDay) + (this.#random.uniform() < custom.perDay % 1 ? 1 : 0);
			return Array.from({ length: times }, (_, i) => {
				const hour = (custom.hours[i % custom.hours.length] ?? 12) + 0.6 * (this.#random.uniform() - 0.5);
				return {
					custom,
					ms: this.at(day, 0) + hour * HOUR_MS,
					hour,
					who: Math.floor(2 * this.#random.uniform()),
					seen: this.#random.uniform() >= forgotten
				};
			});
		});
		for (const { custom, ms, hour, who, seen } of events.sort((a, b) => a.ms - b.ms)) {
			if (hour < fromHour || hour >= toHour) continue;
			this.#take(custom);
			if (ms > this.#nowMs) continue;
			if (seen) this.write(ms, { kind: 'use', habit: custom.habit, times: 1 }, who);
		}
	}

	#tank(id: string): Rig['tanks'][number] {
		const tank = this.#life.rig.tanks.find((known) => known.id === id);
		if (!tank) throw new Error(`the demo rig has no tank ${id}`);
		return tank;
	}

	#take(custom: Custom): void {
		const { rig } = this.#life;
		const habit = rig.habits.find(({ id }) => id === custom.habit);
		if (!habit) throw new Error(`the demo rig has no habit ${custom.habit}`);
		const litres = Math.max(0.1, custom.litres + custom.scatter * this.#random.normal());
		const flow = flowOf(rig, habit, { mains: false, sewer: false, measures: [], sea: this.#sea });
		for (const [id, { perLitre, fixed }] of flow.tanks)
			this.#level.set(id, Math.max(0, this.levelOf(id) + perLitre * litres + fixed));
		for (const [id, { perLitre, fixed }] of flow.meters)
			this.#counted.set(id, this.countedBy(id) + perLitre * litres + fixed);
	}
}

type WithoutAt<T> = T extends unknown ? Omit<T, 'at'> : never;

const todayIn = (timeZone: string, nowMs: number): string => zonedIso(nowMs, timeZone).slice(0, 10);

/** A record's `edited`, some minutes after it was made. */
export const editedAfter = (entry: Entry, minutes: number, timeZone: string): string =>
	zonedIso(instantMs(entry.at) + minutes * MINUTE_MS, timeZone);
