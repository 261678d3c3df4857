import { DAY_MS, dayPlus, zonedMs, zonedTime } from '../time/index.js';
import { bindingLevel, type Estimate, type Levels } from '../estimate/index.js';
import { useClockOf, type Forecast, type TankForecast } from '../forecast/index.js';
import { aheadNow, dailyChange, dayAhead } from '../habits/index.js';
import { isCarried } from '../rig/index.js';
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
	const bindsMs = atMs + tank.days.p50 * DAY_MS;
	const dawns = Array.from({ length: MOST_FLAGS + 1 }, (_, i) =>
		zonedMs(dayPlus(today, i), timeZone, DAWN_HOUR)
	)
		.filter((ms) => ms > atMs && ms < bindsMs)
		.slice(0, MOST_FLAGS);
	const flags = dawns.map((ms): DayFlag => ({
		label: flagDay(ms, timeZone),
		ms,
		litres: levelAfter(tank, nowL, clock.useDays((ms - atMs) / DAY_MS)),
		binds: false
	}));
	const bindsSoon = tank.days.p50 < Math.min(LOOK_AHEAD_DAYS, MOST_FLAGS);
	if (!bindsSoon) return flags;
	const label = flagDay(bindsMs, timeZone);
	return [
		...flags.filter((flag) => flag.label !== label),
		{ label, ms: bindsMs, litres: limitL, binds: true }
	];
}

/** How long a carried supply lasts at the rate that is drawn, day by day, from the tank it feeds. */
function carriedDays(estimate: Estimate, feeds: string | undefined, litres: number): { addsDays?: number } {
	const perDayL =
		feeds === undefined ? 0 : -dailyChange(estimate, dayAhead(estimate, aheadNow(estimate)), feeds);
	return perDayL > 0 && litres > 0.5 ? { addsDays: litres / perDayL } : {};
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
	levels: Levels
): readonly TankOutlook[] {
	const { rig } = estimate.model;
	return rig.tanks.map((tank): TankOutlook => {
		const known = ahead.tanks.find(({ id }) => id === tank.id);
		const level = levels.tanks.find(({ id }) => id === tank.id)?.litres ?? 0;
		if (isCarried(rig, tank))
			return { id: tank.id, flags: [], bindsFirst: false, ...carriedDays(estimate, tank.feeds, level) };
		const flags = known ? flagsOf(known, level, bindingLevel(estimate, tank), estimate, timeZone) : [];
		if (!known || known.days.p50 >= LOOK_AHEAD_DAYS) return { id: tank.id, flags, bindsFirst: false };
		return {
			id: tank.id,
			flags,
			daysLeft: known.days.p50,
			bindsMs: estimate.atMs + known.days.p50 * DAY_MS,
			bindsFirst: tank.id === first
		};
	});
}
