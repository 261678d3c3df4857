import { seeded, type Random } from '../../src/core/numerics/index';
import type { Entry, Habit, Logbook, Outlet, Rig } from '../../src/core/logbook/index';
import { DAY_MS, HOUR_MS, MINUTE_MS, zonedIso, zonedMs, dayPlus } from '../../src/core/time/index';
import { HOUSEHOLDS, type Way } from './households';
import { poisson } from './world';

/** A way of living with a meter that counts by itself: what it is like, unlike the rig or the textbook. */
export interface Hearing {
	readonly name: string;
	/** how often the device reads, seconds, and how finely it counts, litres */
	readonly everyS: number;
	readonly stepL: number;
	/** what is really done is so much of what the rig says, as a factor e^±: litres, flow, cadence */
	readonly unlike?: { readonly litres?: number; readonly flow?: number; readonly cadence?: number };
	/** outlets whose flow the rig does not know */
	readonly flowUnknown?: boolean;
	/** of the uses, so many begin while another runs */
	readonly together?: number;
	/** litres in an accumulator, and the pump's own flow */
	readonly accumulator?: { readonly litres: number; readonly lpm: number };
	/** something drips: litres an hour, from that hour of the life on */
	readonly drip?: { readonly litresPerHour: number; readonly fromHour: number };
	/** days that are written down by hand */
	readonly labelledDays?: number;
	/** somebody does something that the rig has no habit for */
	readonly unnamed?: boolean;
	/** another household: sizes, flows and bursts of its own */
	readonly household?: keyof typeof HOUSEHOLDS;
	/** pauses between two openings of one use are so much longer than usual, and everything scatters more by that */
	readonly loose?: { readonly pauses: number; readonly scatter: number };
	/** what is written is so careless: a third of it missing, one in ten misnamed, some an hour late, hands of a day in one go at night */
	readonly careless?: boolean;
	/** a pump gives so much in all, litres a minute: two taps at once share it */
	readonly pumpLpm?: number;
	/** the meter hardly shows the taps: how well it is heard is told, not judged */
	readonly hardly?: true;
	/** it looks when it can: every second or two, now and then three */
	readonly uneven?: true;
	/** the total begins anew, or jumps by a lost hour */
	readonly torn?: boolean;
}

export interface TrueUse {
	readonly habit: string;
	readonly fromMs: number;
	readonly toMs: number;
	readonly litres: number;
}

export interface HeardLife {
	readonly logbook: Logbook;
	readonly rig: string;
	readonly meter: string;
	readonly samples: readonly (readonly [string, number])[];
	readonly at: string;
	/** from here on nothing is written by hand */
	readonly from: string;
	readonly uses: readonly TrueUse[];
	readonly leakFromMs?: number;
}

/** A household of its own: like one of the three, with sizes, flows, pauses and hours of its own; what is done at one tap runs much alike. */
function drawnWays(
	random: Random,
	{ pauses: longer, scatter: wider } = { pauses: 1, scatter: 1 }
): readonly Way[] {
	const off = (share: number): number => Math.exp(share * random.normal());
	const taps = new Map<string, number>();
	return pick(random, Object.values(HOUSEHOLDS)).map((way): Way => {
		const lpm = taps.get(way.outlet) ?? way.lpm * off(0.2);
		taps.set(way.outlet, lpm);
		const pauses = longer * off(0.3);
		const shift = 0.7 * random.normal();
		return {
			...way,
			litres: way.litres * off(0.25),
			scatter: wider * way.scatter * off(0.2),
			lpm: lpm * off(0.12),
			lpmScatter: wider * Math.max(0.05, way.lpmScatter) * off(0.3),
			gapS: [way.gapS[0] * pauses, way.gapS[1] * pauses],
			perDay: way.perDay * off(0.3),
			hours: way.hours.map((hour) => hour + shift),
			about: way.about * off(0.3)
		};
	});
}
/** Watering a plant on the roof: nobody made a habit of it. */
const UNNAMED: Way = {
	id: 'unnamed',
	outlet: 'sink',
	litres: 3.2,
	scatter: 0.15,
	lpm: 1.5,
	lpmScatter: 0.1,
	bursts: [1, 1],
	gapS: [5, 10],
	perDay: 1,
	hours: [11],
	about: 2
};

export const HEARINGS: readonly Hearing[] = [
	{ name: 'as the rig says, a second, 0.01 L', everyS: 1, stepL: 0.01 },
	{ name: 'two seconds, 0.1 L', hardly: true, everyS: 2, stepL: 0.1 },
	{ name: 'every second or two, unevenly', everyS: 1, stepL: 0.02, uneven: true },
	{ name: 'nothing written by hand', everyS: 1, stepL: 0.02, labelledDays: 0 },
	{
		name: 'other habits than the rig says',
		everyS: 1,
		stepL: 0.02,
		unlike: { litres: 0.35, cadence: 0.5 },
		household: 'family'
	},
	{ name: 'other flows, or none known', everyS: 1, stepL: 0.02, unlike: { flow: 0.35 }, flowUnknown: true },
	{ name: 'two taps at once', everyS: 1, stepL: 0.02, together: 0.2 },
	{ name: 'written carelessly', everyS: 1, stepL: 0.02, careless: true },
	{ name: 'a weak pump: two taps share its flow', everyS: 1, stepL: 0.02, together: 0.2, pumpLpm: 7 },
	{ name: 'long pauses', everyS: 1, stepL: 0.02, loose: { pauses: 2.5, scatter: 1 } },
	{ name: 'no use like the other', everyS: 1, stepL: 0.02, loose: { pauses: 1.3, scatter: 1.7 } },
	{ name: 'something drips, 0.25 L/h', everyS: 1, stepL: 0.01, drip: { litresPerHour: 0.25, fromHour: 50 } },
	{
		name: 'drips, 0.001 L steps, two seconds',
		everyS: 2,
		stepL: 0.001,
		drip: { litresPerHour: 0.25, fromHour: 30 }
	},
	{
		name: 'drips, 1 L/h, 0.1 L steps',
		hardly: true,
		everyS: 2,
		stepL: 0.1,
		drip: { litresPerHour: 1, fromHour: 0 },
		household: 'boat'
	},
	{ name: 'something that no habit is for', everyS: 1, stepL: 0.02, unnamed: true },
	{ name: 'resets, roll-overs, lost hours', everyS: 1, stepL: 0.05, torn: true },
	{
		name: 'a pump with an accumulator',
		hardly: true,
		everyS: 1,
		stepL: 0.02,
		accumulator: { litres: 0.7, lpm: 9 }
	},
	{ name: '0.5 L steps', hardly: true, everyS: 1, stepL: 0.5 },
	{ name: 'read once a minute', hardly: true, everyS: 60, stepL: 0.05 }
];

const DAYS = 6;
const ZONE = 'Europe/London';
const FIRST_DAY = '2027-05-03';
const nameOf = (id: string): string => id.charAt(0).toUpperCase() + id.slice(1);
const pick = <T>(random: Random, list: readonly T[]): T =>
	list[Math.floor(random.uniform() * list.length)] as T;
const between = (random: Random, [low, high]: readonly [number, number]): number =>
	low + (high - low) * random.uniform();

/** Water that runs at one outlet, litres a minute. */
interface Burst {
	readonly fromMs: number;
	readonly toMs: number;
	readonly lpm: number;
}
interface LivedUse extends TrueUse {
	readonly bursts: readonly Burst[];
}

function useOf(random: Random, way: Way, startMs: number): LivedUse {
	const litres = Math.max(0.12, way.litres * (1 + way.scatter * random.normal()));
	const lpm = Math.max(0.8, way.lpm * (1 + way.lpmScatter * random.normal()));
	const [few, many] = way.bursts;
	const times = few + Math.floor(random.uniform() * (many - few + 1));
	const shares = Array.from({ length: times }, () => 0.4 + random.uniform());
	const all = shares.reduce((sum, one) => sum + one, 0);
	const bursts: Burst[] = [];
	let ms = startMs;
	for (const share of shares) {
		const flow = lpm * (1 + 0.04 * random.normal());
		const toMs = ms + ((litres * share) / all / flow) * MINUTE_MS;
		bursts.push({ fromMs: ms, toMs, lpm: flow });
		ms = toMs + between(random, way.gapS) * 1000;
	}
	return { habit: way.id, fromMs: startMs, toMs: bursts.at(-1)?.toMs ?? startMs, litres, bursts };
}

/** Whether a use may begin here: two begin while another runs only where that is so lived. */
const isFree = (uses: readonly LivedUse[], one: LivedUse): boolean =>
	uses.every(({ fromMs, toMs }) => toMs + 8000 < one.fromMs || one.toMs + 8000 < fromMs);

function lived(random: Random, ways: readonly Way[], hearing: Hearing): readonly LivedUse[] {
	const uses: LivedUse[] = [];
	for (let day = 0; day < DAYS; day++)
		for (const way of [...ways].sort((a, b) => b.litres - a.litres)) {
			let todo = poisson(way.perDay, random);
			for (let tries = 0; todo > 0 && tries < 60; tries++) {
				const hour = pick(random, way.hours) + way.about * random.normal();
				const one = useOf(random, way, zonedMs(dayPlus(FIRST_DAY, day), ZONE) + hour * HOUR_MS);
				const within =
					one.fromMs > zonedMs(FIRST_DAY, ZONE) && one.toMs < zonedMs(FIRST_DAY, ZONE) + DAYS * DAY_MS;
				const beside = random.uniform() < (hearing.together ?? 0.02);
				const running = uses.filter(({ fromMs, toMs, habit }) => toMs - fromMs > 20_000 && habit !== way.id);
				const other = beside && running.length > 0 ? pick(random, running) : undefined;
				const put = other
					? useOf(random, way, other.fromMs + (0.1 + 0.7 * random.uniform()) * (other.toMs - other.fromMs))
					: one;
				if (!within || (!other && !isFree(uses, put))) continue;
				uses.push(put);
				todo--;
				const { then } = way;
				const follows = ways.find(({ id }) => id === then?.id);
				if (then && follows && random.uniform() < then.chance) {
					const next = useOf(random, follows, put.toMs + between(random, then.withinS) * 1000);
					if (
						isFree(
							uses.filter((each) => each !== put),
							next
						)
					)
						uses.push(next);
				}
			}
		}
	return uses.sort((a, b) => a.fromMs - b.fromMs);
}

/**
 * Litres that passed in each second of the life, what runs with its own trembling and what drips; and the uses with what they really
 * drew, where the pump gives no more.
 */
function drawn(
	random: Random,
	uses: readonly LivedUse[],
	hearing: Hearing,
	startMs: number
): { readonly flow: Float64Array; readonly uses: readonly TrueUse[] } {
	const wanted = new Float64Array((DAYS * DAY_MS) / 1000);
	const parts = uses.map(({ bursts }) =>
		bursts.flatMap(({ fromMs, toMs, lpm }) => {
			const [first, last] = [(fromMs - startMs) / 1000, Math.min((toMs - startMs) / 1000, wanted.length)];
			let drift = 0;
			return Array.from({ length: Math.ceil(last) - Math.floor(first) }, (_, i) => {
				const s = Math.floor(first) + i;
				drift = 0.7 * drift + 0.025 * random.normal();
				const litres = ((lpm * (1 + drift)) / 60) * (Math.min(s + 1, last) - Math.max(s, first));
				wanted[s] = (wanted[s] ?? 0) + litres;
				return [s, litres] as const;
			});
		})
	);
	const most = (hearing.pumpLpm ?? Infinity) / 60;
	const given = (s: number): number => Math.min(1, most / (wanted[s] ?? 0));
	const flow = wanted.map((litres) => Math.min(litres, most));
	if (hearing.drip)
		for (let s = hearing.drip.fromHour * 3600; s < flow.length; s++)
			flow[s] = (flow[s] ?? 0) + hearing.drip.litresPerHour / 3600;
	return {
		flow: hearing.accumulator ? throughAccumulator(flow, hearing.accumulator) : flow,
		uses: uses.map(({ habit, fromMs, toMs }, i) => ({
			habit,
			fromMs,
			toMs,
			litres: (parts[i] ?? []).reduce((sum, [s, litres]) => sum + litres * given(s), 0)
		}))
	};
}

/** What the pump draws when an accumulator serves the taps: nothing until it is down, then its own flow until it is full. */
function throughAccumulator(
	drawn: Float64Array,
	{ litres, lpm }: { litres: number; lpm: number }
): Float64Array {
	const pumped = new Float64Array(drawn.length);
	let [held, on] = [litres, false];
	for (let s = 0; s < drawn.length; s++) {
		held -= drawn[s] ?? 0;
		if (held <= 0.15 * litres) on = true;
		if (!on) continue;
		pumped[s] = Math.min(lpm / 60, litres - held);
		held += pumped[s] ?? 0;
		if (held >= litres - 1e-9) on = false;
	}
	return pumped;
}

/** What the device shows, whenever that changed. */
function samplesOf(
	flow: Float64Array,
	hearing: Hearing,
	random: Random,
	startMs: number
): readonly (readonly [string, number])[] {
	const samples: [string, number][] = [];
	const { everyS, stepL } = hearing;
	let [total, before] = [hearing.torn ? 9_870 + random.uniform() : 100 * random.uniform(), Number.NaN];
	for (let s = 0; s < flow.length; s++) {
		total += flow[s] ?? 0;
		if (hearing.torn && s === 200_000) total = 0;
		if (hearing.uneven ? random.uniform() < 0.35 : (s + 1) % everyS !== 0) continue;
		const lost = hearing.torn && s > 300_000 && s < 306_000;
		if (lost) continue;
		const rolled = hearing.torn ? total % 10_000 : total;
		const shows = Math.round(Math.floor(rolled / stepL + 1e-9) * stepL * 1e4) / 1e4;
		if (shows !== before) samples.push([new Date(startMs + (s + 1) * 1000).toISOString(), shows]);
		before = shows;
	}
	return samples;
}

/** What people write of the first days: most of it, some minutes late, now and then under a wrong name, some in one go. */
function writtenOf(
	random: Random,
	uses: readonly TrueUse[],
	ways: readonly Way[],
	hearing: Hearing,
	startMs: number
): readonly Entry[] {
	const untilMs = startMs + (hearing.labelledDays ?? 3) * DAY_MS;
	const slips = hearing.careless
		? { forgets: 0.33, misnames: 0.1, lateMin: 12, late: 0.2 }
		: { forgets: 0.1, misnames: 0.03, lateMin: 4, late: 0.08 };
	const atNight = new Map<string, number>();
	const written = uses
		.filter(({ fromMs, habit }) => fromMs < untilMs && habit !== 'unnamed')
		.flatMap((use, i): readonly Entry[] => {
			if (random.uniform() < slips.forgets) return [];
			const lateMin = Math.abs(random.normal()) * slips.lateMin + (random.uniform() < slips.late ? 45 : 0);
			const habit = random.uniform() < slips.misnames ? pick(random, ways).id : use.habit;
			const at = zonedIso(Math.round((use.toMs + (lateMin - 1) * MINUTE_MS) / MINUTE_MS) * MINUTE_MS, ZONE);
			if (hearing.careless && habit === 'hands') {
				const day = at.slice(0, 10);
				atNight.set(day, (atNight.get(day) ?? 0) + 1);
				return [];
			}
			return [{ id: `w${i}`, rig: 'rig', at, kind: 'use', habit, times: 1, source: 'hand' }];
		});
	const inOneGo = [...atNight].map(([day, times]): Entry => ({
		id: `n${day}`,
		rig: 'rig',
		at: zonedIso(zonedMs(day, ZONE, 22, 30), ZONE),
		kind: 'use',
		habit: 'hands',
		times,
		source: 'hand'
	}));
	return [...written, ...inOneGo];
}

/** What the rig says: near what is so, or not. */
function rigOf(random: Random, ways: readonly Way[], hearing: Hearing): Rig {
	const { unlike = {} } = hearing;
	const off = (share = 0): number => Math.exp(share * random.normal());
	const outlets: Outlet[] = [...new Set(ways.map(({ outlet }) => outlet))].map((id) => {
		const flows = ways.filter(({ outlet }) => outlet === id).map(({ lpm }) => lpm);
		const lpm = (flows.reduce((sum, one) => sum + one, 0) / flows.length) * off(unlike.flow ?? 0.08);
		const known = !hearing.flowUnknown || random.uniform() < 0.5;
		return {
			id,
			name: nameOf(id),
			from: 'main',
			to: id === 'toilet' ? 'black' : 'grey',
			...(known ? { flowLpm: Math.round(lpm * 10) / 10 } : {})
		};
	});
	const habits = ways.map(({ id, outlet, litres, scatter, perDay }): Habit => {
		const mean = Math.round(litres * off(unlike.litres ?? 0.1) * 100) / 100;
		return {
			id,
			name: nameOf(id),
			outlet,
			litresEach: { mean, sd: Math.round(mean * Math.hypot(scatter, 0.15) * 100) / 100 },
			often: { times: Math.round(perDay * off(unlike.cadence ?? 0.2) * 50) / 100, per: 'person-day' }
		};
	});
	return {
		id: 'rig',
		name: 'Rig',
		kind: 'camper',
		crew: 2,
		tanks: [
			{ id: 'main', name: 'Main', holds: 'fresh', nominalL: 900, reserveL: 0 },
			{ id: 'grey', name: 'Grey', holds: 'grey', nominalL: 900, reserveL: 0 },
			{ id: 'black', name: 'Black', holds: 'black', nominalL: 200, reserveL: 0 }
		],
		outlets,
		instruments: [
			{ id: 'meter', kind: 'meter', name: 'Meter', place: 'pump', tank: 'main', unitL: 1, counts: 'up' }
		],
		habits,
		measures: [],
		containers: [],
		care: []
	};
}

/** Six days of somebody at the taps, what the meter showed of them, and what they wrote of the first three. */
export function heardLife(hearing: Hearing, seed: number): HeardLife {
	const random = seeded(seed);
	const ways = hearing.household ? HOUSEHOLDS[hearing.household] : drawnWays(random, hearing.loose);
	const startMs = zonedMs(FIRST_DAY, ZONE);
	const asLived = lived(random, hearing.unnamed ? [...ways, UNNAMED] : ways, hearing);
	const { flow, uses } = drawn(random, asLived, hearing, startMs);
	const samples = samplesOf(flow, hearing, random, startMs);
	const at = new Date(startMs + DAYS * DAY_MS).toISOString();
	const logbook: Logbook = {
		format: 'dipsometer-logbook',
		version: 1,
		exportedAt: at,
		rigs: [rigOf(random, ways, hearing)],
		trips: [],
		points: [],
		entries: writtenOf(random, uses, ways, hearing, startMs)
	};
	const from = new Date(startMs + 3 * DAY_MS).toISOString();
	const leak = hearing.drip ? { leakFromMs: startMs + hearing.drip.fromHour * HOUR_MS } : {};
	return { logbook, rig: 'rig', meter: 'meter', samples, at, from, uses, ...leak };
}
