import { isCalendarDay, padded, zonedIso, zonedMs } from '../time/index.js';

const INSTANT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:\d{2})$/;
/** `2027-04-18 07:10`, `2027-04-18T07:10:00`, `18.04.2027 07:10`; the time may be absent. */
const LOCAL =
	/^(?:(\d{4})-(\d{2})-(\d{2})|(\d{1,2})\.(\d{1,2})\.(\d{4}))(?:[ T](\d{1,2}):(\d{2})(?::(\d{2}))?)?$/;

/**
 * An instant as a file writes it: with an offset, or by the clock of a zone.
 *
 * @returns ISO 8601 with an offset; `'zone'` where the time needs a zone and none is known; nothing where it is no time
 */
export function instantFrom(text: string, timeZone: string | undefined): string | 'zone' | undefined {
	const written = text.trim().replace(/^(\d{4}-\d{2}-\d{2}) (?=\d{2}:\d{2})/, '$1T');
	if (INSTANT.test(written)) return written;
	const parts = LOCAL.exec(written);
	if (!parts) return undefined;
	const [, year, month, date, dottedDate, dottedMonth, dottedYear, hour = '0', minute = '0', second = '0'] =
		parts;
	const day = `${year ?? dottedYear}-${padded(month ?? dottedMonth ?? '')}-${padded(date ?? dottedDate ?? '')}`;
	if (!isCalendarDay(day) || Number(hour) > 23 || Number(minute) > 59 || Number(second) > 59)
		return undefined;
	if (timeZone === undefined) return 'zone';
	return zonedIso(zonedMs(day, timeZone, Number(hour), Number(minute)) + 1000 * Number(second), timeZone);
}
