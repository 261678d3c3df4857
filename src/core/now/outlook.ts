import { DAY_MS, dayPlus, zonedMs, zonedTime } from '../time/index.js';
import {
	aboardNow,
	bindingLevel,
	drinkingL,
	keptOf,
	standsBehind,
	type Estimate,
	type Levels
} from '../estimate/index.js';
import { waterStates, type Drink } from '../care/index.js';
import { lastingOf, useClockOf, type Forecast, type TankForecast } from '../forecast/index.js';
import type { Point, Tank } from '../logbook/index.js';
import { aheadNow, dailyChange, dayAhead } from '../habits/index.js';
import { isCarried, tankById } from '../rig/index.js';
import { flagDay } from '../words/index.js';

/** How far *Now* looks ahead, days. */
export const LOOK_AHEAD_DAYS = 30;

/** A flag on a rod: the day it bears, and the level expected at its dawn. */
export interface DayFlag {
	readonly label: string;
	/** that dawn, or the moment at which it binds, ms */
	readonly ms: number;
	readonly litres: number;
	/** this day the tank binds: the flag stands at its limit */
	readonly binds: boolean;
	/** by then what stands behind it is wanted: poured in, switched over */
	readonly pours?: boolean;
}

/** How one tank stands: what a rod shows. */
export interface TankOutlook {
	readonly id: string;
	readonly flags: readonly DayFlag[];
	/** days until it binds, at the median; undefined when not within the days looked at, or when it never can */
	readonly daysLeft?: number;
	readonly bindsMs?: number;
	readonly bindsFirst: boolean;
	/** for what stands behind another tank: days it adds */
	readonly addsDays?: number;
	/** what stands behind it, in the order in which it comes in, and how much that gives in all, litres */
	readonly behind?: { readonly tanks: readonly string[]; readonly litres: number };
	/** what is kept of it for drinking, litres */
	readonly drinkingL?: number;
	/** whether one may drink it; of fresh tanks */
	readonly drink?: Drink;
}

const DAWN_HOUR = 6;
const MOST_FLAGS = 7;

/** The median level a number of days of use from now, between the whole days of the forecast. */
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
	estimate: Estimate,
	timeZone: string
): readonly DayFlag[] {
	const { atMs } = estimate;
	const clock = useClockOf(estimate);
	const today = zonedTime(atMs, timeZone).day;
	const lasts = lastingOf(tank).p50;
	const bindsMs = atMs + lasts * DAY_MS;
	/** from then on what stands behind it keeps it at its limit */
	const poursMs = atMs + tank.days.p50 * DAY_MS;
	const dawns = Array.from({ length: MOST_FLAGS + 1 }, (_, i) =>
		zonedMs(dayPlus(today, i), timeZone, DAWN_HOUR)
	)
		.filter((ms) => ms > atMs && ms < poursMs)
		.slice(0, MOST_FLAGS);
	const flags = dawns.map((ms): DayFlag => ({
		label: flagDay(ms, timeZone),
		ms,
		litres: levelAfter(tank, nowL, clock.useDays((ms - atMs) / DAY_MS)),
		binds: false
	}));
	const at = (ms: number): Omit<DayFlag, 'binds'> => ({ label: flagDay(ms, timeZone), ms, litres: limitL });
	const isSoon = (days: number): boolean => days < Math.min(LOOK_AHEAD_DAYS, MOST_FLAGS);
	const ends: readonly DayFlag[] = [
		...(bindsMs > poursMs && isSoon(tank.days.p50) ? [{ ...at(poursMs), binds: false, pours: true }] : []),
		...(isSoon(lasts) ? [{ ...at(bindsMs), binds: true }] : [])
	];
	return [...flags.filter(({ label }) => ends.every((end) => end.label !== label)), ...ends];
}

/** How long what stands behind a tank lasts at the rate at which that changes, day by day. */
function carriedDays(
	estimate: Estimate,
	{ feeds, relieves, holds, id }: Tank,
	level: number
): { addsDays?: number } {
	const before = feeds ?? relieves;
	if (before === undefined) return {};
	const change = dailyChange(estimate, dayAhead(estimate, aheadNow(estimate)), before);
	const perDayL = holds === 'fresh' ? -change : change;
	const tank = tankById(estimate.model.rig, id);
	const litres = holds === 'fresh' || !tank ? level : bindingLevel(estimate, tank) - level;
	return perDayL > 0 && litres > 0.5 ? { addsDays: litres / perDayL } : {};
}

/** What a rod says beside its level: what stands behind it, what is kept for drinking. */
function besideOf(estimate: Estimate, { id, holds }: Tank): Pick<TankOutlook, 'behind' | 'drinkingL'> {
	const behind = standsBehind(estimate, id);
	const kept = holds === 'fresh' ? keptOf(estimate.model, id) : undefined;
	return {
		...(behind.length > 0
			? {
					behind: {
						tanks: behind.map(({ tank }) => tank.id),
						litres: behind.reduce((sum, { litres }) => sum + litres, 0)
					}
				}
			: {}),
		...(kept ? { drinkingL: drinkingL(kept, aboardNow(estimate)) } : {})
	};
}

/**
 * How each tank stands.
 *
 * @param first the tank that binds first, where one does
 */
export function outlookOf(
	estimate: Estimate,
	ahead: Forecast,
	timeZone: string,
	first: string | undefined,
	{ levels, points }: { readonly levels: Levels; readonly points?: readonly Point[] | undefined }
): readonly TankOutlook[] {
	const { rig } = estimate.model;
	const states = new Map(waterStates(estimate, points).map(({ tank, drink }) => [tank, drink]));
	return rig.tanks.map((tank): TankOutlook => {
		const drink = states.get(tank.id);
		return { ...standingOf(tank), ...(drink ? { drink } : {}) };
	});

	function standingOf(tank: Tank): TankOutlook {
		const known = ahead.tanks.find(({ id }) => id === tank.id);
		const level = levels.tanks.find(({ id }) => id === tank.id)?.litres ?? 0;
		if (isCarried(rig, tank))
			return { id: tank.id, flags: [], bindsFirst: false, ...carriedDays(estimate, tank, level) };
		const beside = besideOf(estimate, tank);
		const flags = known ? flagsOf(known, level, bindingLevel(estimate, tank), estimate, timeZone) : [];
		const lasts = known ? lastingOf(known).p50 : LOOK_AHEAD_DAYS;
		if (lasts >= LOOK_AHEAD_DAYS) return { id: tank.id, flags, bindsFirst: false, ...beside };
		return {
			id: tank.id,
			flags,
			daysLeft: lasts,
			bindsMs: estimate.atMs + lasts * DAY_MS,
			bindsFirst: tank.id === first,
			...beside
		};
	}
}
