import { gaugeBand } from '../../src/core/estimate';
import { seeded, type Random } from '../../src/core/forecast';
import type { Entry, EntryDraft, Habit, Instrument, Logbook, Rig, Tank } from '../../src/core/logbook';
import { bindsAt, depthFor, fullLitres, usableOf } from '../../src/core/rig';
import type { Manner } from './manner';
import { drawRig, type Between } from './rig';

/** A logbook, and what really was in each tank at some moments. */
export interface Case {
	readonly logbook: Logbook;
	readonly rig: Rig;
	readonly truths: readonly { readonly atMs: number; readonly litres: ReadonlyMap<string, number> }[];
	/** ids of readings that a broken gauge made up, in order, those that were really wrong */
	readonly lies: readonly string[];
	/** the tank whose gauge they are of */
	readonly liar: 'fresh' | 'grey';
	/** readings of instruments that work */
	readonly honest: readonly string[];
	/** moments at which fresh was last known full, for "three days after a full" */
	readonly fulls: readonly number[];
	/** what really left fresh and when; and the litres of a day as its habits truly are */
	readonly drawn: readonly { readonly atMs: number; readonly litres: number }[];
	readonly litresADay: number;
	/** when the first tank bound after the last service; absent while services go on */
	readonly boundMs?: number;
	/** the fill that was not written down */
	readonly missed?: { readonly atMs: number; readonly litres: number };
}

const HOUR = 3_600_000;
const MINUTE = 60_000;
export const DAY = 24 * HOUR;
export const START = Date.UTC(2027, 4, 3, 8);
const ZONE_MS = 2 * HOUR;
/** hours of the local day in which water is used */
const WAKING = [7, 23] as const;

/**
 * How the world differs from what a rig says of itself, whatever is written down of it: what people tell of their
 * gauges, their days and their notes.
 */
const WORLD = {
	/** share of a gauge's variance that is one constant of that gauge */
	gaugeLasts: 0.5,
	/** spread of the chance of writing down, from habit to habit */
	writing: 0.12,
	/** how often things are done, against what the rig says */
	often: 0.18,
	/** days are busy or quiet as a whole, and for each habit */
	dayDiffers: 0.2,
	habitDayDiffers: 0.25,
	/** a rinse, a splash: times per person and day, and litres */
	smallTimes: [2, 12],
	smallL: [0.08, 0.25],
	/** what really serves, as a share of the plate */
	freshServes: [0.84, 1],
	wasteServes: [0.93, 1.1],
	/** litres that stay in a jug poured out */
	dropsL: [0, 0.2]
} as const;

/** The waking hours between two moments, in days of waking. */
export function wakingDays(fromMs: number, toMs: number): number {
	const woken = (ms: number): number => {
		const local = ms + ZONE_MS;
		const hour = (local % DAY) / HOUR;
		const [wakes, sleeps] = WAKING;
		return Math.floor(local / DAY) + Math.min(Math.max((hour - wakes) / (sleeps - wakes), 0), 1);
	};
	return woken(toMs) - woken(fromMs);
}

/** A Poisson number (Knuth's multiplication), for small means. */
function poisson(mean: number, random: Random): number {
	let [count, product] = [0, random.uniform()];
	for (const limit = Math.exp(-mean); product > limit; count++) product *= random.uniform();
	return count;
}

/** A factor about 1, 1 in the mean, lognormal. */
const aboutOne = (sd: number, random: Random): number => Math.exp(sd * random.normal() - sd ** 2 / 2);

const binds = (tank: Tank, litres: number): boolean =>
	tank.holds === 'fresh' ? litres <= bindsAt(tank) : litres >= bindsAt(tank);

/** Which light a level shows, or the percent of a sender. */
function shownBy(instrument: Extract<Instrument, { kind: 'gauge' }>, litres: number): string | number {
	const points = [...instrument.curve].sort((a, b) => a.litres - b.litres);
	if (typeof points[0]?.reads === 'string')
		return points.findLast((point) => point.litres <= Math.max(0, litres))?.reads ?? points[0].reads;
	const top = points.at(-1)?.litres ?? 1;
	return Math.round((100 * Math.min(Math.max(litres, 0), top)) / top);
}

/** A habit as it truly is. */
interface Truly {
	readonly habit: Habit;
	readonly litres: number;
	readonly scatter: number;
	/** times a day for each person, or in all */
	readonly often: number;
	readonly written: number;
}

/** A trip as it is lived and written down, act by act. */
class Trip {
	readonly #random: Random;
	readonly #between: Between;
	readonly #manner: Manner;
	readonly rig: Rig;
	readonly entries: Entry[] = [];
	readonly level = new Map<string, number>();
	readonly capacity: ReadonlyMap<string, number>;
	readonly drawn: { atMs: number; litres: number }[] = [];
	readonly lies: string[] = [];
	readonly honest: string[] = [];
	readonly fulls: number[] = [];
	missed: Case['missed'];
	persons: number;
	#mains = false;
	#sewer = false;
	#counted = 0;
	#base = 0;
	readonly #meterError: number;
	readonly #gaugeError: ReadonlyMap<string, number>;
	readonly #stuckFrom: number;
	readonly #jumpsTo: number;
	#stoodAt: number | undefined;
	readonly #unwritten = new Map<string, number>();

	constructor(random: Random, between: Between, manner: Manner, rig: Rig, days: number) {
		this.#random = random;
		this.#between = between;
		this.#manner = manner;
		this.rig = rig;
		this.persons = rig.crew;
		this.capacity = new Map(
			rig.tanks.map((tank) => [
				tank.id,
				manner.plates
					? tank.nominalL * between(tank.holds === 'fresh' ? WORLD.freshServes : WORLD.wasteServes)
					: usableOf(tank)
			])
		);
		this.#meterError = 0.02 * random.normal();
		this.#gaugeError = new Map(
			rig.instruments.flatMap((one) =>
				one.kind === 'gauge'
					? [[one.id, Math.sqrt(WORLD.gaugeLasts) * (one.sdL ?? 0) * random.normal()] as const]
					: []
			)
		);
		this.#stuckFrom = START + days * DAY * between([0.25, 0.45]);
		this.#jumpsTo = random.uniform();
		for (const { id } of rig.tanks) this.level.set(id, 0);
	}

	get liar(): 'fresh' | 'grey' {
		return this.#manner.liar ?? 'grey';
	}

	add(atMs: number, draft: Record<string, unknown>): string {
		const id = `e${String(this.entries.length).padStart(5, '0')}`;
		const entry = { id, rig: 'rig', at: new Date(atMs).toISOString(), ...draft };
		this.entries.push(entry as unknown as Entry & EntryDraft);
		return id;
	}

	litresIn(tank: string): number {
		return this.level.get(tank) ?? 0;
	}

	room(tank: string): number {
		return (this.capacity.get(tank) ?? 0) - this.litresIn(tank);
	}

	#put(tank: string, litres: number): void {
		this.level.set(tank, this.litresIn(tank) + litres);
	}

	/** What is in a tank called full: a little less than it could take. */
	readonly brim = (tank: string): number =>
		(this.capacity.get(tank) ?? 0) * (1 - Math.abs(0.006 * this.#random.normal()));

	get #meter(): Extract<Instrument, { kind: 'meter' }> | undefined {
		return this.rig.instruments.find((one) => one.kind === 'meter');
	}

	resetMeter(atMs: number): void {
		const meter = this.#meter;
		if (!meter) return;
		this.#base =
			meter.counts === 'up'
				? 0
				: this.#manner.countdown
					? Math.round(this.litresIn('fresh') / meter.unitL)
					: 4000;
		this.#counted = 0;
		this.honest.push(
			this.add(atMs, { kind: 'reading', instrument: meter.id, value: this.#base, reset: true })
		);
	}

	readMeter(atMs: number): void {
		const meter = this.#meter;
		if (!meter) return;
		const units = (this.#counted * (1 + this.#meterError)) / (meter.unitL * (meter.scale ?? 1));
		const value = Math.max(
			0,
			Number((meter.counts === 'up' ? this.#base + units : this.#base - units).toFixed(1))
		);
		this.honest.push(this.add(atMs, { kind: 'reading', instrument: meter.id, value }));
	}

	/** To the brim, mostly; measured or not. */
	fill(atMs: number, write: boolean): void {
		const full = this.#random.uniform() < 0.75;
		const room = this.brim('fresh') - this.litresIn('fresh');
		const litres = full ? room : room * this.#between([0.5, 0.8]);
		if (litres < 3) return;
		this.#put('fresh', litres);
		if (this.#meter?.place === 'fill') this.#counted += litres;
		if (!write) {
			this.missed = { atMs, litres };
			return;
		}
		const sdL = Math.max(0.5, 0.03 * litres);
		const measured = this.#meter?.place !== 'fill' && (!full || this.#random.uniform() < 0.5);
		if (full) this.fulls.push(atMs);
		this.add(atMs, {
			kind: 'fill',
			tank: 'fresh',
			...(measured ? { litres: Math.max(0, litres + sdL * this.#random.normal()), sdL } : {}),
			...(full ? { to: 'full' } : measured ? {} : { litres })
		});
		if (this.#meter?.place === 'fill') this.readMeter(atMs + MINUTE);
		if (this.#manner.countdown) this.resetMeter(atMs + MINUTE);
	}

	empty(atMs: number, tank: string): void {
		const residual = this.rig.tanks.find(({ id }) => id === tank)?.residualL ?? 0;
		this.level.set(tank, Math.max(0, residual * (1 + 0.35 * this.#random.normal())));
		this.add(atMs, { kind: 'dump', tank, to: 'empty' });
	}

	/** A jug is poured in, both are filled at a tap when they are empty. */
	pour(atMs: number): void {
		const jugs = this.rig.tanks.filter(({ feeds }) => feeds === 'fresh');
		if (jugs.every(({ id }) => this.litresIn(id) < 1))
			for (const { id } of jugs) {
				this.level.set(id, this.brim(id));
				this.add(atMs - 2 * MINUTE, { kind: 'fill', tank: id, to: 'full' });
			}
		const jug = jugs.find(({ id }) => this.litresIn(id) >= 1);
		if (!jug) return;
		const drops = this.#between(WORLD.dropsL);
		this.#put('fresh', this.litresIn(jug.id) - drops);
		this.level.set(jug.id, drops);
		this.add(atMs, { kind: 'transfer', fromTank: jug.id, toTank: 'fresh', until: 'from-empty' });
	}

	hookUp(atMs: number, mains: boolean, sewer: boolean): void {
		if (sewer && !this.#sewer)
			for (const { id, holds, portable, residualL = 0 } of this.rig.tanks)
				if (holds !== 'fresh' && !portable)
					this.level.set(id, Math.max(0, residualL * (1 + 0.35 * this.#random.normal())));
		[this.#mains, this.#sewer] = [mains, sewer];
		this.add(atMs, { kind: 'hookup', mains, sewer });
	}

	crew(atMs: number, persons: number): void {
		this.persons = persons;
		this.add(atMs, { kind: 'crew', persons });
	}

	/** Water runs through an outlet. */
	#run(atMs: number, litres: number, into: string, arrives: number): void {
		if (!this.#mains) {
			this.#put('fresh', -litres);
			if (this.#meter?.place === 'pump') this.#counted += litres;
			this.drawn.push({ atMs, litres });
		}
		const portable = this.rig.tanks.find(({ id }) => id === into)?.portable === true;
		if (!this.#sewer || portable) this.#put(into, arrives);
	}

	use(atMs: number, { habit, litres: mean, scatter, written }: Truly): void {
		const litres = Math.max(0.05, mean + scatter * this.#random.normal());
		const arrives = litres * (1 - (habit.keptFraction ?? 0)) + (habit.addsL ?? 0);
		this.#run(atMs, litres, habit.outlet === 'toilet' ? 'black' : 'grey', arrives);
		if (this.#random.uniform() >= written) return;
		if (this.#manner.batches) {
			this.#unwritten.set(habit.id, (this.#unwritten.get(habit.id) ?? 0) + 1);
			return;
		}
		const read = this.#manner.meter === 'pump' && this.#random.uniform() < 0.03;
		this.add(atMs, {
			kind: 'use',
			habit: habit.id,
			times: 1,
			...(read ? { litres: Math.max(0, litres + 0.2 * this.#random.normal()), sdL: 0.2 } : {})
		});
	}

	smallDraw(atMs: number, litres: number): void {
		this.#run(atMs, litres, 'grey', litres);
	}

	/** What was kept in mind is written down. */
	writeUp(atMs: number): void {
		for (const [habit, times] of this.#unwritten) this.add(atMs, { kind: 'use', habit, times });
		this.#unwritten.clear();
	}

	/** What a lying gauge takes the level for, as a share of the tank. */
	#lied(share: number): number {
		if (this.#manner.lies === 'reads high') return Math.min(1, share + 0.35);
		this.#stoodAt ??= this.#manner.lies === 'jumps' ? this.#jumpsTo : share;
		return this.#stoodAt;
	}

	readGauges(atMs: number): void {
		for (const gauge of this.rig.instruments) {
			if (gauge.kind !== 'gauge') continue;
			const top = usableOf(this.rig.tanks.find(({ id }) => id === gauge.tank) as Tank);
			const held = this.litresIn(gauge.tank);
			const stuck = this.#manner.lies !== undefined && gauge.tank === this.liar && atMs >= this.#stuckFrom;
			const noise = Math.sqrt(1 - WORLD.gaugeLasts) * (gauge.sdL ?? 0) * this.#random.normal();
			const seen = held + (this.#gaugeError.get(gauge.id) ?? 0) + noise;
			const value = shownBy(gauge, stuck ? this.#lied(held / top) * top : seen);
			const id = this.add(atMs, { kind: 'reading', instrument: gauge.id, value });
			// Wrong is what an honest gauge would not show: the level lies three of its deviations outside what it says.
			const [from, to] = gaugeBand(gauge, top, value) ?? [0, top];
			const off = Math.max(from - held, held - to, 0);
			if (stuck && off > 3 * (gauge.sdL ?? 0)) this.lies.push(id);
			else if (!stuck) this.honest.push(id);
		}
	}

	dip(atMs: number): void {
		const rod = this.rig.instruments.find((one) => one.kind === 'rod');
		const shape = this.rig.tanks[0]?.shape;
		if (!rod || !shape) return;
		const depth =
			depthFor(shape, Math.min(Math.max(0, this.litresIn('fresh')), fullLitres(shape))) +
			4 * this.#random.normal();
		this.honest.push(
			this.add(atMs, { kind: 'reading', instrument: rod.id, value: Math.max(0, Math.round(depth)) })
		);
	}
}

/** Each habit as it truly is for one crew, near what the rig says of it. */
function trueHabits(rig: Rig, manner: Manner, random: Random, between: Between): readonly Truly[] {
	/** how much of the stated spread is doubt about the mean, and how much scatter of single times */
	const [ofMean, ofTimes] = [between([0.6, 1.1]), between([0.35, 0.8])];
	return rig.habits.map((habit) => {
		const { mean, sd } = habit.litresEach;
		const about = manner.logged + WORLD.writing * random.normal();
		const sloppy = manner.logged > 0 && manner.logged < 0.95;
		return {
			habit,
			litres: Math.max(0.2 * mean, mean + ofMean * sd * random.normal()),
			scatter: ofTimes * sd,
			often: habit.often.times * aboutOne(WORLD.often, random),
			written:
				manner.only !== undefined && habit.id !== manner.only
					? 0
					: sloppy
						? Math.min(Math.max(about, 0.02), 0.99)
						: manner.logged
		};
	});
}

/**
 * One made-up trip: what really happened, lived use by use, and what was written down of it in a given manner.
 * The same seed gives the same trip.
 *
 * @param stayFromMs from then on nothing is filled or dumped, until a tank binds
 */
export function drawCase(seed: number, manner: Manner, days = 12, stayFromMs = Infinity): Case {
	const random = seeded(seed);
	const between: Between = ([from, to]) => from + (to - from) * random.uniform();
	const rig = drawRig(random, manner, between);
	const trip = new Trip(random, between, manner, rig, days);
	const habits = trueHabits(rig, manner, random, between);
	const small = { times: between(WORLD.smallTimes), litres: between(WORLD.smallL) };
	const missFill = manner.missedFill ? days * between([0.35, 0.6]) : Infinity;
	const truths: { atMs: number; litres: ReadonlyMap<string, number> }[] = [];
	let missedYet = false;
	let boundMs: number | undefined;

	// Every trip begins known: filled to the brim, and emptied.
	trip.fulls.push(START);
	for (const { id, holds } of rig.tanks) {
		if (holds !== 'fresh') {
			trip.empty(START, id);
			continue;
		}
		trip.level.set(id, trip.brim(id));
		trip.add(START, { kind: 'fill', tank: id, to: 'full' });
	}
	trip.resetMeter(START);

	const happenings: { atMs: number; what: () => void }[] = [];
	const at = (atMs: number, what: (atMs: number) => void): void => {
		if (atMs > START) happenings.push({ atMs, what: () => what(atMs) });
	};
	const guests = manner.guests ? { from: Math.floor(days * 0.4), to: Math.floor(days * 0.7) } : undefined;
	const unhooks = new Map<number, number>();
	for (let day = 0; day < days; day++) {
		const midnight = START - 8 * HOUR - ZONE_MS + day * DAY;
		const some = (): number => midnight + between(WAKING) * HOUR;
		const visiting = guests !== undefined && day >= guests.from && day < guests.to;
		if (guests && day === guests.from) at(midnight + 4 * HOUR, (ms) => trip.crew(ms, rig.crew + 2));
		if (guests && day === guests.to) at(midnight + 4 * HOUR, (ms) => trip.crew(ms, rig.crew));
		const persons = rig.crew + (visiting ? 2 : 0);
		const differs = aboutOne(WORLD.dayDiffers, random);
		for (const one of habits) {
			const own = aboutOne(WORLD.habitDayDiffers, random);
			const rate = one.often * (one.habit.often.per === 'person-day' ? persons : 1);
			for (let i = poisson(rate * differs * own, random); i > 0; i--) at(some(), (ms) => trip.use(ms, one));
		}
		for (let i = poisson(small.times * persons, random); i > 0; i--)
			at(some(), (ms) => trip.smallDraw(ms, small.litres));
		const morning = midnight + between([7, 9]) * HOUR;
		const evening = midnight + between([19, 22]) * HOUR;
		if (manner.meter === 'pump' && day % (manner.meterEvery ?? 1) === 0)
			at(morning, (ms) => trip.readMeter(ms));
		at(morning + 5 * MINUTE, (ms) => trip.readGauges(ms));
		if (manner.rodEvery ? day % manner.rodEvery === 0 : random.uniform() < 0.8)
			at(morning + 9 * MINUTE, (ms) => trip.dip(ms));
		if (manner.gaugesTwice || random.uniform() < 0.6) at(evening, (ms) => trip.readGauges(ms));
		if (manner.batches) at(midnight + 23 * HOUR, (ms) => trip.writeUp(ms));
		if (manner.resets && random.uniform() < 0.3) at(morning + HOUR, (ms) => trip.resetMeter(ms));
		const sewer = random.uniform() < 0.5;
		if (manner.hookups && !unhooks.has(day) && random.uniform() < 0.3) {
			unhooks.set(day + 1, midnight);
			at(midnight + between([14, 19]) * HOUR, (ms) => trip.hookUp(ms, true, sewer));
			at(midnight + DAY + between([9, 12]) * HOUR, (ms) => trip.hookUp(ms, false, false));
		}
		for (let k = 0; k < 3; k++)
			at(midnight + 24 * HOUR * random.uniform(), (atMs) =>
				truths.push({
					atMs,
					litres: new Map([...trip.level].map(([id, litres]) => [id, Math.max(0, litres)]))
				})
			);
	}
	happenings.sort((a, b) => a.atMs - b.atMs);
	for (const { atMs, what } of happenings) {
		if (atMs >= stayFromMs) {
			what();
			if (
				boundMs === undefined &&
				rig.tanks.some((tank) => !tank.feeds && binds(tank, trip.litresIn(tank.id)))
			)
				boundMs = atMs;
			continue;
		}
		what();
		serve(atMs + MINUTE);
	}

	/** What has become due is filled and emptied after the act that made it so. */
	function serve(atMs: number): void {
		const share = (tank: string): number => trip.litresIn(tank) / (trip.capacity.get(tank) ?? 1);
		if (manner.jugs) {
			if (trip.room('fresh') > 18 && share('fresh') < 0.5) trip.pour(atMs);
		} else if (share('fresh') < 0.2) {
			const miss = !missedYet && (atMs - START) / DAY > missFill;
			if (miss) missedYet = true;
			trip.fill(atMs, !miss);
		}
		for (const tank of ['grey', 'black']) if (share(tank) > 0.8) trip.empty(atMs, tank);
	}

	const smallADay = small.times * small.litres * rig.crew;
	return {
		logbook: {
			format: 'dipsometer-logbook',
			version: 1,
			exportedAt: new Date(START + days * DAY).toISOString(),
			rigs: [rig],
			trips: [
				{
					id: 'trip',
					rig: 'rig',
					name: 'Truth',
					timeZone: 'Etc/GMT-2',
					from: '2027-05-03',
					to: '2027-05-20',
					persons: rig.crew,
					stops: []
				}
			],
			points: [],
			entries: trip.entries
		},
		rig,
		truths,
		lies: trip.lies,
		liar: trip.liar,
		honest: trip.honest,
		fulls: trip.fulls,
		drawn: trip.drawn,
		litresADay: habits.reduce(
			(sum, { often, litres, habit }) =>
				sum + often * (habit.often.per === 'person-day' ? rig.crew : 1) * litres,
			smallADay
		),
		...(boundMs === undefined ? {} : { boundMs }),
		...(trip.missed ? { missed: trip.missed } : {})
	};
}
