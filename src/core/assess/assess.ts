import { DAY_MS, readLevels, type Estimate, type Levels } from '../estimate/index.js';
import { forecast, ration, type Forecast, type Ration, type TankForecast } from '../forecast/index.js';
import { dayAhead, personsNow, prices, type Price } from '../habits/index.js';
import {
	dayPlus,
	instantMs,
	zonedMs,
	zonedTime,
	type Logbook,
	type Rig,
	type Trip
} from '../logbook/index.js';
import { plan, type Plan } from '../plan/index.js';
import { bindsAt, isCarried, tankById } from '../rig/index.js';
import type { UnitChoice } from '../units/index.js';
import {
	findings,
	flagDay,
	mendOf,
	sayFinding,
	sayMend,
	sayWhen,
	sayWhy,
	verdict,
	type Finding,
	type Mend,
	type Verdict
} from '../verdict/index.js';

/** How far *Now* looks ahead, days. */
export const LOOK_AHEAD_DAYS = 30;

/** A flag on a rod: the day it bears, and the level expected at its dawn. */
export interface DayFlag {
	readonly label: string;
	readonly litres: number;
	/** this day the tank binds: the flag stands at its limit */
	readonly binds: boolean;
}

/** How one tank stands: what a rod shows. */
export interface TankOutlook {
	readonly id: string;
	readonly flags: readonly DayFlag[];
	/** days until it binds, at the median; undefined when not within the days looked at, or when it never can */
	readonly daysLeft?: number;
	readonly bindsMs?: number;
	readonly bindsFirst: boolean;
	/** for a carried supply: days it adds */
	readonly addsDays?: number;
}

export interface FoundWords {
	readonly finding: Finding;
	readonly words: string;
	/** what one tap can do about it, and what that tap is called */
	readonly mend?: { readonly does: Mend; readonly words: string };
}

/** Everything *Now* and the slim rods show, from one moment. */
export interface Assessment {
	readonly rig: string;
	readonly atMs: number;
	readonly persons: number;
	readonly mains: boolean;
	readonly sewer: boolean;
	readonly measures: readonly string[];
	readonly levels: Levels;
	readonly forecast: Forecast;
	readonly plan?: Plan;
	readonly verdict: Verdict;
	readonly prices: readonly Price[];
	readonly ration?: Ration;
	readonly tanks: readonly TankOutlook[];
	readonly findings: readonly FoundWords[];
	/** why each tank's level is what it is, in a sentence */
	readonly why: ReadonlyMap<string, string>;
}

export interface Occasion {
	readonly trip?: Trip | undefined;
	readonly timeZone: string;
	readonly paths?: number;
	readonly units?: UnitChoice;
}

const DAWN_HOUR = 6;
const MOST_FLAGS = 7;

/** The median level a number of days from now, between the whole days of the forecast. */
function levelAfter(tank: TankForecast, nowL: number, days: number): number {
	const at = (day: number): number =>
		day === 0 ? nowL : (tank.byDay[day - 1]?.p50 ?? tank.byDay.at(-1)?.p50 ?? nowL);
	const whole = Math.floor(days);
	return at(whole) + (days - whole) * (at(whole + 1) - at(whole));
}

function flagsOf(
	tank: TankForecast,
	nowL: number,
	limitL: number,
	atMs: number,
	timeZone: string
): readonly DayFlag[] {
	const today = zonedTime(atMs, timeZone).day;
	const bindsMs = atMs + tank.days.p50 * DAY_MS;
	const dawns = Array.from({ length: MOST_FLAGS + 1 }, (_, i) =>
		zonedMs(dayPlus(today, i), timeZone, DAWN_HOUR)
	)
		.filter((ms) => ms > atMs && ms < bindsMs)
		.slice(0, MOST_FLAGS);
	const flags = dawns.map((ms): DayFlag => ({
		label: flagDay(ms, timeZone),
		litres: levelAfter(tank, nowL, (ms - atMs) / DAY_MS),
		binds: false
	}));
	const bindsSoon = tank.days.p50 < Math.min(LOOK_AHEAD_DAYS, MOST_FLAGS);
	if (!bindsSoon) return flags;
	const label = flagDay(bindsMs, timeZone);
	return [...flags.filter((flag) => flag.label !== label), { label, litres: limitL, binds: true }];
}

function outlook(
	estimate: Estimate,
	ahead: Forecast,
	timeZone: string,
	first: string | undefined,
	levels: Levels
): readonly TankOutlook[] {
	const { rig } = estimate.model;
	return rig.tanks.map((tank): TankOutlook => {
		const known = ahead.tanks.find(({ id }) => id === tank.id);
		const level = levels.tanks.find(({ id }) => id === tank.id)?.litres ?? 0;
		if (isCarried(rig, tank))
			return { id: tank.id, flags: [], bindsFirst: false, ...carriedDays(rig, ahead, tank.feeds, level) };
		if (!known || known.days.p50 >= LOOK_AHEAD_DAYS)
			return {
				id: tank.id,
				flags: known ? flagsOf(known, level, bindsAt(tank), estimate.atMs, timeZone) : [],
				bindsFirst: false
			};
		return {
			id: tank.id,
			flags: flagsOf(known, level, bindsAt(tank), estimate.atMs, timeZone),
			daysLeft: known.days.p50,
			bindsMs: estimate.atMs + known.days.p50 * DAY_MS,
			bindsFirst: tank.id === first
		};
	});
}

/** How long a carried supply lasts at the rate its tank is drawn down. */
function carriedDays(
	rig: Rig,
	ahead: Forecast,
	feeds: string | undefined,
	litres: number
): { addsDays?: number } {
	const fed = rig.tanks.find(({ id }) => id === feeds);
	const days = ahead.tanks.find(({ id }) => id === feeds)?.byDay;
	const [one, two] = [days?.[0]?.p50, days?.[1]?.p50];
	if (!fed || one === undefined || two === undefined || !(one - two > 0) || !(litres > 0.5)) return {};
	return { addsDays: litres / (one - two) };
}

/** Until when the ration is reckoned: the next planned service, else the end of the trip. */
const rationUntil = (trip: Trip | undefined, planned: Plan | undefined, atMs: number): number | undefined => {
	const next = trip?.stops.find(({ id }) => id === planned?.next?.stop);
	const ends = (trip?.stops ?? []).map(({ depart }) => instantMs(depart));
	const until = next ? instantMs(next.arrive) : Math.max(-Infinity, ...ends);
	return until > atMs ? until : undefined;
};

function foundWords(
	estimate: Estimate,
	finding: Finding,
	timeZone: string,
	units: UnitChoice | undefined
): FoundWords {
	const { atMs, model } = estimate;
	const does = mendOf(finding, estimate, timeZone);
	return {
		finding,
		words: sayFinding(finding, atMs, timeZone, units),
		...(does ? { mend: { does, words: sayMend(model.rig, does, atMs, timeZone, units) } } : {})
	};
}

/** Puts every question of *Now* to an estimate. */
export function assess(
	estimate: Estimate,
	logbook: Pick<Logbook, 'trips'> & Partial<Pick<Logbook, 'entries'>>,
	{ trip, timeZone, paths, units }: Occasion
): Assessment {
	const { rig } = estimate.model;
	const { atMs, tally } = estimate;
	const levels = readLevels(estimate);
	const ahead = forecast(estimate, { days: LOOK_AHEAD_DAYS, paths });
	const planned = trip && plan(estimate, logbook, trip.id);
	const said = verdict({ rig, forecast: ahead, days: LOOK_AHEAD_DAYS, trip, plan: planned, atMs, timeZone });
	const persons = personsNow(estimate);
	const until = rationUntil(trip, planned, atMs);
	const share =
		said.binds !== undefined && until !== undefined
			? ration(estimate, said.binds, until, trip?.policy?.certainty)
			: undefined;
	return {
		rig: rig.id,
		atMs,
		persons,
		mains: tally.mains,
		sewer: tally.sewer,
		measures: tally.measures,
		levels,
		forecast: ahead,
		...(planned ? { plan: planned } : {}),
		verdict: said,
		prices: prices(estimate, dayAhead(estimate, { persons, measures: tally.measures }), said.binds),
		...(share ? { ration: share } : {}),
		tanks: outlook(estimate, ahead, timeZone, said.binds, levels),
		findings: findings(estimate, {
			trips: logbook.trips,
			all: (logbook.entries ?? estimate.entries).filter((entry) => entry.rig === rig.id)
		}).map((finding) => foundWords(estimate, finding, timeZone, units)),
		why: new Map(levels.tanks.map(({ id, basis }) => [id, sayWhy(estimate, id, basis, timeZone)]))
	};
}

/** What one more entry does to the stay. */
export interface Effect {
	/** levels it leaves, litres by tank */
	readonly levels: ReadonlyMap<string, number>;
	/** in words: `Friday around noon becomes Thursday night` */
	readonly words: string;
	/** the stay gets shorter */
	readonly shortens: boolean;
}

const PREVIEW_PATHS = 250;

/** When the first tank binds, and which; to be compared with and without one more entry. */
export interface Bound {
	readonly days: number;
	readonly tank: string | undefined;
}

const boundIn = (ahead: Forecast): Bound => {
	const tank = ahead.binding[0]?.tank;
	return { days: ahead.tanks.find(({ id }) => id === tank)?.days.p50 ?? LOOK_AHEAD_DAYS, tank };
};

/** The bound by few paths: good for differences, since the same few are drawn with and without an entry. */
export const boundOf = (estimate: Estimate): Bound =>
	boundIn(forecast(estimate, { days: LOOK_AHEAD_DAYS, paths: PREVIEW_PATHS }));

const clock = (ms: number, timeZone: string): string => {
	const { hour, minute } = zonedTime(ms, timeZone);
	return `${String(hour).padStart(2, '0')}:${String(minute < 30 ? 0 : 30).padStart(2, '0')}`;
};

/**
 * What is different with an entry.
 *
 * @param now what *Now* says without it
 * @param before the bound of the estimate without it, by few paths
 * @param then the estimate with it
 */
export function effectOf(now: Assessment, before: Bound, then: Estimate, timeZone: string): Effect {
	const levels = new Map(readLevels(then).tanks.map(({ id, litres }) => [id, litres]));
	const after = boundOf(then);
	const shown = boundIn(now.forecast);
	const change = after.days - before.days;
	const hours = Math.round(Math.abs(change) * 24);
	if (hours < 1) return { levels, words: 'The stay is as long as before.', shortens: false };
	const days = Math.max(0, shown.days + change);
	const say = (d: number): string =>
		d >= LOOK_AHEAD_DAYS
			? `more than ${LOOK_AHEAD_DAYS} days`
			: sayWhen(now.atMs + d * DAY_MS, now.atMs, timeZone);
	const [from, to] = [say(shown.days), say(days)];
	const name = tankById(then.model.rig, after.tank ?? '')?.name;
	const first = after.tank !== before.tank && name ? `, ${name} first` : '';
	const words =
		from === to
			? `${hours === 1 ? 'An hour' : `${hours} hours`} ${change < 0 ? 'less' : 'more'}: ${clock(now.atMs + days * DAY_MS, timeZone)}`
			: `${from} becomes ${to}${first}`;
	return { levels, words: `${words.charAt(0).toUpperCase()}${words.slice(1)}.`, shortens: change < 0 };
}
