import { type Random, seeded } from '../../src/core/numerics';
import type { Logbook, Rig, Tank } from '../../src/core/logbook';
import { bindsAt } from '../../src/core/rig';
import { LivedTrip, type Truly } from './lived';
import type { Manner } from './manner';
import { drawRig, type Between } from './rig';
import { aboutOne, DAY, HOUR, MINUTE, poisson, START, WAKING, WORLD, ZONE_MS } from './world';

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
	/** when the first tank bound after the last service, or under a plan; absent while services go on */
	readonly boundMs?: number;
	/** what is true at the moment from which a plan is lived, and the share of a planned trip's end that came; see `Planned` */
	readonly planned?: Truth & { readonly bound: boolean };
	/** when nothing was written, and whether anybody was there */
	readonly silences: readonly Silence[];
	/** the fill that was not written down */
	readonly missed?: { readonly atMs: number; readonly litres: number };
}

/** A time of which nothing was written. */
export interface Silence {
	readonly fromMs: number;
	readonly toMs: number;
	readonly lived: 'lived' | 'away';
}

/** What nobody aboard knows exactly. */
export interface Truth {
	readonly levels: ReadonlyMap<string, number>;
	readonly capacity: ReadonlyMap<string, number>;
	/** each habit with its true litres and cadence */
	readonly habits: readonly Truly[];
	/** litres of small draws by a person in a day */
	readonly smallL: number;
}

/** A service that is taken: so many litres, or all there is room for; or a dump. */
export interface ServiceAct {
	readonly atMs: number;
	readonly tank: string;
	/** absent: to the brim, or to what a dump leaves */
	readonly litres?: number;
}

/** A plan that is lived from a moment on to another, whatever becomes of it; one sets out full and empty. */
export interface LivedPlan {
	readonly fromMs: number;
	readonly toMs: number;
	readonly acts: (logbook: Logbook, truth: Truth) => readonly ServiceAct[];
	/** moments at which it is made anew, rising, from all that is written by then; what was planned for later is dropped */
	readonly again?: {
		readonly atMs: readonly number[];
		readonly acts: (logbook: Logbook, atMs: number) => readonly ServiceAct[];
	};
}

/** How much of a usual day a day of the week is, in the mean of the week once. */
function weekdayFactor({ weekends = 1 }: Manner, midnightMs: number): number {
	const day = new Date(midnightMs + ZONE_MS).getUTCDay();
	return ((day === 0 || day === 6 ? weekends : 1) * 7) / (5 + 2 * weekends);
}

/** Times of which nothing is written: they begin at any hour, when the log is some days old. */
function silencesOf(
	{ every, days: long, away = 0 }: NonNullable<Manner['silences']>,
	days: number,
	random: Random,
	between: Between
): readonly Silence[] {
	const found: Silence[] = [];
	let fromMs = START + (4 + 2 * every * random.uniform()) * DAY;
	while (fromMs < START + days * DAY) {
		const toMs = fromMs + between(long) * DAY;
		found.push({ fromMs, toMs, lived: random.uniform() < away ? 'away' : 'lived' });
		fromMs = toMs + every * (0.5 + random.uniform()) * DAY;
	}
	return found;
}

const binds = (tank: Tank, litres: number): boolean =>
	tank.holds === 'fresh' ? litres <= bindsAt(tank) : litres >= bindsAt(tank);

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
			often: habit.often.times * (manner.pace ?? 1) * aboutOne(WORLD.often, random),
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
 * @param plan what is filled and dumped from then on, made from what is written until then
 */
export function drawCase(
	seed: number,
	manner: Manner,
	days = 12,
	stayFromMs = Infinity,
	plan?: LivedPlan
): Case {
	const random = seeded(seed);
	const between: Between = ([from, to]) => from + (to - from) * random.uniform();
	const rig = drawRig(random, manner, between);
	const trip = new LivedTrip(random, between, manner, rig, days);
	const habits = trueHabits(rig, manner, random, between);
	/** two more than before, at half or double the pace or anything between */
	const otherCrew = rig.crew + 2;
	const theirHabits = habits.map((one): { -readonly [K in keyof Truly]: Truly[K] } => ({ ...one }));
	if (manner.newCrewOn !== undefined) {
		const pace = Math.exp(0.42 * random.normal());
		for (const one of theirHabits) one.often = one.habit.often.times * pace * aboutOne(WORLD.often, random);
	}
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
	const quiet = manner.silences ? silencesOf(manner.silences, days, random, between) : [];
	for (const { fromMs, toMs, lived } of quiet) {
		at(fromMs, () => (trip.silent = lived));
		at(toMs, () => (trip.silent = undefined));
	}
	const guests = manner.guests ? { from: Math.floor(days * 0.4), to: Math.floor(days * 0.7) } : undefined;
	const unhooks = new Map<number, number>();
	for (let day = 0; day < days; day++) {
		const midnight = START - 8 * HOUR - ZONE_MS + day * DAY;
		const some = (): number => midnight + between(WAKING) * HOUR;
		const visiting = guests !== undefined && day >= guests.from && day < guests.to;
		if (guests && day === guests.from) at(midnight + 4 * HOUR, (ms) => trip.crew(ms, rig.crew + 2));
		if (guests && day === guests.to) at(midnight + 4 * HOUR, (ms) => trip.crew(ms, rig.crew));
		const others = manner.newCrewOn !== undefined && day >= manner.newCrewOn;
		if (day === manner.newCrewOn) at(midnight + 4 * HOUR, (ms) => trip.crew(ms, otherCrew));
		const persons = others ? otherCrew : rig.crew + (visiting ? 2 : 0);
		const differs = aboutOne(WORLD.dayDiffers, random) * weekdayFactor(manner, midnight);
		for (const one of others ? theirHabits : habits) {
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
	let then: (Truth & { readonly acts: readonly ServiceAct[] }) | undefined;
	let sinceMs = -Infinity;
	const bindsNow = (): boolean =>
		rig.tanks.some((tank) => !tank.feeds && binds(tank, trip.litresIn(tank.id)));
	for (const { atMs, what } of happenings) {
		if (plan && atMs >= plan.fromMs) {
			then ??= begin(plan);
			for (const { next, again } of due(plan, then.acts, atMs))
				if (next) trip.serve(next);
				else if (again !== undefined)
					for (const act of plan.again?.acts(logbookSoFar(), again) ?? []) trip.serve(act);
			if (atMs >= plan.toMs) break;
			what();
			if (bindsNow()) boundMs ??= atMs;
			continue;
		}
		what();
		if (atMs < stayFromMs) serve(atMs + MINUTE);
		else if (boundMs === undefined && bindsNow()) boundMs = atMs;
	}

	/** What of a plan, or of making it anew, has come due by a moment, in order. */
	function due(
		{ again }: LivedPlan,
		acts: readonly ServiceAct[],
		atMs: number
	): readonly { readonly next?: ServiceAct; readonly again?: number }[] {
		const come = (ms: number): boolean => ms > sinceMs && ms <= atMs;
		const found = again
			? again.atMs.filter(come).map((ms) => ({ again: ms }))
			: acts.filter((act) => come(act.atMs)).map((next) => ({ next }));
		sinceMs = atMs;
		return found;
	}

	/** What is true as a plan begins, and the plan that is made of what is written: one sets out full and empty. */
	function begin({ acts, fromMs }: LivedPlan): Truth & { readonly acts: readonly ServiceAct[] } {
		for (const { id, holds } of rig.tanks) {
			if (holds !== 'fresh') trip.empty(fromMs - MINUTE, id);
			else {
				trip.level.set(id, trip.brim(id));
				trip.add(fromMs - MINUTE, { kind: 'fill', tank: id, to: 'full' });
			}
		}
		const truth: Truth = {
			levels: new Map(trip.level),
			capacity: trip.capacity,
			habits,
			smallL: small.times * small.litres
		};
		return { ...truth, acts: acts(logbookSoFar(), truth) };
	}

	function logbookSoFar(): Logbook {
		return {
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
			entries: [...trip.entries]
		};
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
		logbook: logbookSoFar(),
		rig,
		truths,
		lies: trip.lies,
		liar: trip.liar,
		honest: trip.honest,
		fulls: trip.fulls,
		silences: [
			...quiet,
			...trip.skipped.map((ms) => ({ fromMs: ms - 23 * HOUR, toMs: ms + 23 * HOUR, lived: 'lived' as const }))
		],
		drawn: trip.drawn,
		litresADay: habits.reduce(
			(sum, { often, litres, habit }) =>
				sum + often * (habit.often.per === 'person-day' ? rig.crew : 1) * litres,
			smallADay
		),
		...(boundMs === undefined ? {} : { boundMs }),
		...(then ? { planned: { ...then, bound: boundMs !== undefined } } : {}),
		...(trip.missed ? { missed: trip.missed } : {})
	};
}
