import { gaugeBand } from '../src/core/estimate';
import { seeded, type Random } from '../src/core/forecast';
import { bindsAt, depthFor, fullLitres, usableOf } from '../src/core/rig';
import type { Entry, EntryDraft, Habit, Instrument, Logbook, Rig, Tank } from '../src/core/logbook';

/** What a made-up crew has aboard and how careful they are: one class of logbooks. */
export interface Manner {
	readonly name: string;
	/** chance that a use is written down */
	readonly logged: number;
	readonly meter?: boolean;
	readonly gauges?: 'lights' | 'sender';
	readonly rod?: boolean;
	/** a gauge lies from about a third of the trip on: it jumps somewhere and stays, stands still, or shows too much */
	readonly lies?: 'jumps' | 'stands' | 'reads high';
	/** whose gauge lies: the grey tank's unless said */
	readonly liar?: 'fresh' | 'grey';
	/** the meter is reset now and then, and written down */
	readonly resets?: boolean;
	/** one fill in the middle is not written down */
	readonly missedFill?: boolean;
	/** the rig says how much goes unlogged */
	readonly states?: boolean;
	/** usable volumes are not measured: only the plates are known */
	readonly plates?: boolean;
}

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
export const DAY = 24 * HOUR;
export const START = Date.UTC(2027, 4, 3, 8);
const ZONE_MS = 2 * HOUR;
/** hours of the local day in which water is used */
const WAKING = [7, 23] as const;

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

interface Kind {
	readonly name: string;
	readonly at: 'sink' | 'shower' | 'toilet';
	readonly mean: readonly [number, number];
	readonly times: readonly [number, number];
	readonly per: 'person-day' | 'day';
	readonly kept?: number;
	readonly adds?: number;
}
const KINDS: readonly Kind[] = [
	{ name: 'Shower', at: 'shower', mean: [6, 12], times: [0.3, 0.8], per: 'person-day' },
	{ name: 'Dishes', at: 'sink', mean: [3, 7], times: [1, 2.5], per: 'day' },
	{ name: 'Hands', at: 'sink', mean: [0.3, 0.7], times: [3, 6], per: 'person-day' },
	{ name: 'Kettle', at: 'sink', mean: [0.9, 2], times: [1, 2], per: 'person-day', kept: 0.75 },
	{ name: 'Flush', at: 'toilet', mean: [0.4, 0.9], times: [3, 6], per: 'person-day', adds: 0.2 }
];

/** A rig drawn at random, with what its makers' plates and owners say of it. */
function drawRig(random: Random, manner: Manner, between: (range: readonly [number, number]) => number): Rig {
	const crew = 1 + Math.floor(3 * random.uniform());
	const fresh = Math.round(between([70, 200]));
	const size = { fresh, grey: Math.round(fresh * between([0.6, 1])), black: Math.round(between([18, 60])) };
	const side = (litres: number): number => Math.cbrt(litres * 1e6);
	const tank = (holds: keyof typeof size, name: string): Tank => ({
		id: holds,
		name,
		holds,
		nominalL: size[holds],
		...(manner.plates ? {} : { usableL: size[holds] }),
		reserveL: Math.round(0.07 * size[holds]),
		...(holds === 'fresh' ? {} : { residualL: 1.5 }),
		...(holds === 'fresh'
			? {
					shape: {
						form: 'box',
						lengthMm: 1.5 * side(size.fresh),
						widthMm: side(size.fresh),
						heightMm: side(size.fresh) / 1.5
					}
				}
			: {})
	});
	const habits = KINDS.map((kind): Habit => {
		const mean = between(kind.mean);
		return {
			id: kind.name.toLowerCase(),
			name: kind.name,
			outlet: kind.at,
			litresEach: { mean, sd: mean * between([0.2, 0.35]) },
			often: { times: between(kind.times), per: kind.per },
			...(kind.kept ? { keptFraction: kind.kept } : {}),
			...(kind.adds ? { addsL: kind.adds } : {})
		};
	});
	const usual = habits.reduce(
		(sum, { litresEach, often }) => sum + (litresEach.mean * often.times) / (often.per === 'day' ? crew : 1),
		0
	);
	const missing = (1 - manner.logged) * usual;
	const instruments: readonly Instrument[] = [
		...(manner.meter
			? [
					{
						id: 'meter',
						kind: 'meter',
						name: 'Meter',
						place: 'pump',
						tank: 'fresh',
						unitL: random.uniform() < 0.3 ? 3.785411784 : 1,
						scale: random.uniform() < 0.5 ? 1 : 1.04,
						sdFraction: 0.02,
						counts: random.uniform() < 0.3 ? 'down' : 'up'
					} as const
				]
			: []),
		...(manner.gauges
			? (['fresh', 'grey'] as const).map((holds): Instrument => ({
					id: `gauge-${holds}`,
					kind: 'gauge',
					name: `${holds} gauge`,
					tank: holds,
					curve:
						manner.gauges === 'lights'
							? ['empty', '1/3', '2/3', 'full'].map((reads, i) => ({
									reads,
									litres: [0, 0.3, 0.58, 0.85].map((part) => Math.round(part * size[holds]))[i] ?? 0
								}))
							: [0, 25, 50, 75, 100].map((reads) => ({ reads, litres: (reads / 100) * size[holds] })),
					sdL: 0.05 * size[holds]
				}))
			: []),
		...(manner.rod ? [{ id: 'rod', kind: 'rod', name: 'Rod', tank: 'fresh', sdMm: 4 } as const] : [])
	];
	return {
		id: 'rig',
		name: 'Truth',
		kind: 'camper',
		crew,
		...(manner.states ? { unlogged: { mean: missing, sd: 0.35 * missing + 0.4 } } : {}),
		tanks: [tank('fresh', 'Fresh'), tank('grey', 'Grey'), tank('black', 'Black')],
		outlets: [
			{ id: 'sink', name: 'Sink', from: 'fresh', to: 'grey' },
			{ id: 'shower', name: 'Shower', from: 'fresh', to: 'grey' },
			{ id: 'toilet', name: 'Toilet', from: 'fresh', to: 'black' }
		],
		instruments,
		habits,
		measures: [],
		containers: [],
		care: []
	};
}

/** Which light a level shows, or the percent of a sender. */
function shownBy(instrument: Extract<Instrument, { kind: 'gauge' }>, litres: number): string | number {
	const points = [...instrument.curve].sort((a, b) => a.litres - b.litres);
	if (typeof points[0]?.reads === 'string')
		return points.findLast((point) => point.litres <= Math.max(0, litres))?.reads ?? points[0].reads;
	const top = points.at(-1)?.litres ?? 1;
	return Math.round((100 * Math.min(Math.max(litres, 0), top)) / top);
}

/**
 * One made-up trip: what really happened, lived use by use, and what was written down of it in a given manner.
 * The same seed gives the same trip.
 *
 * @param stayFromMs from then on nothing is filled or dumped, until a tank binds
 */
export function drawCase(seed: number, manner: Manner, days = 12, stayFromMs = Infinity): Case {
	const random = seeded(seed);
	const between = ([from, to]: readonly [number, number]): number => from + (to - from) * random.uniform();
	const rig = drawRig(random, manner, between);
	const crew = rig.crew;
	/** how much of the stated spread is doubt about the mean, and how much scatter of single times */
	const [ofMean, ofTimes] = [between([0.5, 1]), between([0.35, 0.8])];
	const capacity = new Map(
		rig.tanks.map((tank) => [tank.id, usableOf(tank) * (manner.plates ? 1 + 0.04 * random.normal() : 1)])
	);
	const habits = rig.habits.map((habit) => ({
		habit,
		litres: Math.max(
			0.2 * habit.litresEach.mean,
			habit.litresEach.mean + ofMean * habit.litresEach.sd * random.normal()
		),
		scatter: ofTimes * habit.litresEach.sd,
		perDay:
			habit.often.times * (habit.often.per === 'person-day' ? crew : 1) * Math.exp(0.18 * random.normal())
	}));
	const level = new Map([
		['fresh', (capacity.get('fresh') ?? 0) * between([0.5, 1])],
		['grey', 5],
		['black', 2]
	]);
	const meter = rig.instruments.find((one) => one.kind === 'meter');
	const meterError = 0.02 * random.normal();
	let [counted, base] = [0, 0];
	const entries: Entry[] = [];
	const drawn: { atMs: number; litres: number }[] = [];
	const add = (atMs: number, draft: Record<string, unknown>): string => {
		const id = `e${String(entries.length).padStart(5, '0')}`;
		entries.push({ id, rig: 'rig', at: new Date(atMs).toISOString(), ...draft } as unknown as Entry &
			EntryDraft);
		return id;
	};
	const put = (tank: string, litres: number): void => void level.set(tank, (level.get(tank) ?? 0) + litres);
	const lies: string[] = [];
	const honest: string[] = [];
	const fulls: number[] = [];
	let missed: Case['missed'];
	const stuckFrom = START + days * DAY * between([0.25, 0.45]);
	const jumpsTo = random.uniform();
	const liar = manner.liar ?? 'grey';
	let stoodAt: number | undefined;
	/** what the lying gauge takes the level for, as a share of the tank */
	function lied(share: number): number {
		if (manner.lies === 'reads high') return Math.min(1, share + 0.35);
		stoodAt ??= manner.lies === 'jumps' ? jumpsTo : share;
		return stoodAt;
	}
	const missFill = manner.missedFill ? days * between([0.35, 0.6]) : Infinity;
	let missedYet = false;
	let boundMs: number | undefined;

	function resetMeter(atMs: number): void {
		if (!meter) return;
		base = meter.counts === 'down' ? 400 : 0;
		counted = 0;
		honest.push(add(atMs, { kind: 'reading', instrument: meter.id, value: base, reset: true }));
	}
	function fill(atMs: number, write: boolean): void {
		const full = random.uniform() < 0.75;
		const top = (capacity.get('fresh') ?? 0) * (1 + 0.006 * random.normal());
		const litres = full
			? top - (level.get('fresh') ?? 0)
			: (top - (level.get('fresh') ?? 0)) * between([0.5, 0.8]);
		if (litres < 3) return;
		put('fresh', litres);
		if (!write) {
			missed = { atMs, litres };
			return;
		}
		const sdL = Math.max(0.5, 0.03 * litres);
		const measured = !full || random.uniform() < 0.5;
		if (full) fulls.push(atMs);
		add(atMs, {
			kind: 'fill',
			tank: 'fresh',
			...(measured ? { litres: Math.max(0, litres + sdL * random.normal()), sdL } : {}),
			...(full ? { to: 'full' } : {})
		});
	}
	function empty(atMs: number, tank: string): void {
		level.set(tank, Math.max(0, 1.5 * (1 + 0.35 * random.normal())));
		add(atMs, { kind: 'dump', tank, to: 'empty' });
	}
	function readMeter(atMs: number): void {
		if (!meter || meter.kind !== 'meter') return;
		const units = (counted * (1 + meterError)) / (meter.unitL * (meter.scale ?? 1));
		const value = Number((meter.counts === 'up' ? base + units : base - units).toFixed(1));
		honest.push(add(atMs, { kind: 'reading', instrument: meter.id, value }));
	}
	function readGauges(atMs: number): void {
		for (const gauge of rig.instruments) {
			if (gauge.kind !== 'gauge') continue;
			const top = usableOf(rig.tanks.find(({ id }) => id === gauge.tank) as Tank);
			const true_ = level.get(gauge.tank) ?? 0;
			const stuck = manner.lies !== undefined && gauge.tank === liar && atMs >= stuckFrom;
			const seen = true_ + (gauge.sdL ?? 0) * random.normal();
			const value = shownBy(gauge, stuck ? lied(true_ / top) * top : seen);
			const id = add(atMs, { kind: 'reading', instrument: gauge.id, value });
			// Wrong is what an honest gauge would not show: the level lies three of its deviations outside what it says.
			const [from, to] = gaugeBand(gauge, top, value) ?? [0, top];
			const off = Math.max(from - true_, true_ - to, 0);
			const wrong = stuck && off > 3 * (gauge.sdL ?? 0);
			if (wrong) lies.push(id);
			else if (!stuck) honest.push(id);
		}
	}
	function dip(atMs: number): void {
		const rod = rig.instruments.find((one) => one.kind === 'rod');
		const shape = rig.tanks[0]?.shape;
		if (!rod || !shape) return;
		const depth = depthFor(shape, Math.min(level.get('fresh') ?? 0, fullLitres(shape))) + 4 * random.normal();
		honest.push(add(atMs, { kind: 'reading', instrument: rod.id, value: Math.max(0, Math.round(depth)) }));
	}

	const truths: { atMs: number; litres: ReadonlyMap<string, number> }[] = [];
	// Every trip begins known: filled to the brim, and emptied.
	fulls.push(START);
	level.set('fresh', (capacity.get('fresh') ?? 0) * (1 + 0.006 * random.normal()));
	add(START, { kind: 'fill', tank: 'fresh', to: 'full' });
	empty(START, 'grey');
	empty(START, 'black');
	resetMeter(START);

	const happenings: { atMs: number; what: () => void }[] = [];
	for (let day = 0; day < days; day++) {
		const midnight = START - 8 * HOUR - ZONE_MS + day * DAY;
		const differs = Math.exp(0.2 * random.normal());
		for (const one of habits) {
			const count = poisson(one.perDay * differs, random);
			for (let i = 0; i < count; i++) {
				const atMs = midnight + between(WAKING) * HOUR;
				if (atMs <= START) continue;
				happenings.push({
					atMs,
					what: () => {
						const litres = Math.max(0.05, one.litres + one.scatter * random.normal());
						const kept = one.habit.keptFraction ?? 0;
						put('fresh', -litres);
						put(
							one.habit.outlet === 'toilet' ? 'black' : 'grey',
							litres * (1 - kept) + (one.habit.addsL ?? 0)
						);
						counted += litres;
						drawn.push({ atMs, litres });
						if (random.uniform() < manner.logged)
							add(atMs, {
								kind: 'use',
								habit: one.habit.id,
								times: 1,
								...(manner.meter && random.uniform() < 0.03
									? { litres: Math.max(0, litres + 0.2 * random.normal()), sdL: 0.2 }
									: {})
							});
					}
				});
			}
		}
		const morning = midnight + between([7, 9]) * HOUR;
		const evening = midnight + between([19, 22]) * HOUR;
		if (morning > START) {
			happenings.push({ atMs: morning, what: () => readMeter(morning) });
			happenings.push({ atMs: morning + 5 * 60_000, what: () => readGauges(morning + 5 * 60_000) });
			if (random.uniform() < 0.8)
				happenings.push({ atMs: morning + 9 * 60_000, what: () => dip(morning + 9 * 60_000) });
		}
		if (random.uniform() < 0.6) happenings.push({ atMs: evening, what: () => readGauges(evening) });
		if (manner.resets && random.uniform() < 0.3)
			happenings.push({ atMs: morning + 60 * 60_000, what: () => resetMeter(morning + 60 * 60_000) });
		for (let k = 0; k < 3; k++) {
			const atMs = midnight + 24 * HOUR * random.uniform();
			if (atMs > START) happenings.push({ atMs, what: () => truths.push({ atMs, litres: new Map(level) }) });
		}
	}
	happenings.sort((a, b) => a.atMs - b.atMs);
	for (const { atMs, what } of happenings) {
		const [freshL, greyL, blackL] = ['fresh', 'grey', 'black'].map((id) => level.get(id) ?? 0) as [
			number,
			number,
			number
		];
		const at = atMs - 60_000;
		if (atMs >= stayFromMs) {
			what();
			if (boundMs === undefined && rig.tanks.some((tank) => binds(tank, level.get(tank.id) ?? 0)))
				boundMs = atMs;
			continue;
		}
		if (freshL < 0.2 * (capacity.get('fresh') ?? 0)) {
			const miss = !missedYet && (atMs - START) / DAY > missFill;
			if (miss) missedYet = true;
			fill(at, !miss);
		}
		if (greyL > 0.8 * (capacity.get('grey') ?? 0)) empty(at, 'grey');
		if (blackL > 0.8 * (capacity.get('black') ?? 0)) empty(at, 'black');
		what();
	}
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
					timeZone: 'Europe/Helsinki',
					from: '2027-05-03',
					to: '2027-05-20',
					persons: crew,
					stops: []
				}
			],
			points: [],
			entries
		},
		rig,
		truths,
		lies,
		liar,
		honest,
		fulls,
		drawn,
		litresADay: habits.reduce((sum, { perDay, litres }) => sum + perDay * litres, 0),
		...(boundMs === undefined ? {} : { boundMs }),
		...(missed ? { missed } : {})
	};
}

const binds = (tank: Tank, litres: number): boolean =>
	tank.holds === 'fresh' ? litres <= bindsAt(tank) : litres >= bindsAt(tank);

/** A Poisson number (Knuth's multiplication), for small means. */
function poisson(mean: number, random: Random): number {
	let [count, product] = [0, random.uniform()];
	for (const limit = Math.exp(-mean); product > limit; count++) product *= random.uniform();
	return count;
}

/** The classes of logbooks that the engine is judged on. */
export const MANNERS: readonly Manner[] = [
	{ name: 'meter only', logged: 0, meter: true },
	{ name: 'habits only', logged: 0.97 },
	{ name: 'habits only, rate stated', logged: 0.97, states: true },
	{ name: 'meter and habits', logged: 0.9, meter: true },
	{ name: 'rod and habits', logged: 0.9, rod: true },
	{ name: 'lights and habits', logged: 0.85, gauges: 'lights' },
	{ name: 'everything', logged: 0.95, meter: true, gauges: 'sender', rod: true },
	{ name: 'everything, plates only', logged: 0.95, meter: true, gauges: 'lights', plates: true },
	{ name: 'meter resets', logged: 0.9, meter: true, resets: true },
	{ name: 'lying gauge', logged: 0.9, meter: true, gauges: 'lights', lies: 'jumps' },
	{ name: 'lying sender, no meter', logged: 0.9, gauges: 'sender', lies: 'jumps' },
	{
		name: 'fresh gauge stands still',
		logged: 0.9,
		meter: true,
		gauges: 'sender',
		lies: 'stands',
		liar: 'fresh'
	},
	{ name: 'fresh lights jump', logged: 0.9, meter: true, gauges: 'lights', lies: 'jumps', liar: 'fresh' },
	{ name: 'grey gauge reads high', logged: 0.9, meter: true, gauges: 'sender', lies: 'reads high' },
	{
		name: 'fresh gauge reads high',
		logged: 0.9,
		rod: true,
		gauges: 'sender',
		lies: 'reads high',
		liar: 'fresh'
	},
	{ name: 'missed fill', logged: 0.9, meter: true, gauges: 'sender', missedFill: true },
	{ name: 'half unlogged, missed fill', logged: 0.5, gauges: 'lights', meter: true, missedFill: true }
];
