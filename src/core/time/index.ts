export { calendarDay, dayPlus, daysBetween, isCalendarDay, padded, utcMidnightMs } from './calendar.js';
export { dayWriter } from './dayWriter.js';
export { DAY_MS, HOUR_MS, MINUTE_MS } from './constants.js';
export { splitAt, valueAt, type Timeline } from './timeline.js';
export { wakingDayOf, type WakingDay } from './wakingDay.js';
export {
	clockTime,
	offsetMs,
	wallMs,
	writtenOffsetMs,
	zonedIso,
	zonedMs,
	zonedTime,
	type ZonedTime
} from './zone.js';
