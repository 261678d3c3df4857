import { calendarDay, dayPlus, zonedIso, zonedMs } from '../../time/index.js';
import ICAL from 'ical.js';
import { parseStop, schemas, type Stop } from '../../logbook/index.js';
import { Findings, quoted, zoneOf, type Imported, type ReadingContext } from '../imported.js';
import { lineFinder } from '../lines.js';
import { madeId } from '../madeId.js';
import { wrongPlace } from '../tags/exact.js';

/** The property of an event that carries a stop of ours as it is, as URI-encoded JSON. */
export const OWN_STOP = 'X-DIPSOMETER-STOP';
const LONGEST_ID = 200;

/** Whether this machine knows a zone by that name: if not, its own definition in the file is asked. */
const isZone = (zone: string): boolean => schemas.timeZone.safeParse(zone).success;

/** An event's moment: in what zone it is meant, and what it says. */
interface Moment {
	readonly time: ICAL.Time;
	readonly tzid: string | undefined;
}

/** An instant with the offset of its zone; what is missing where it cannot be told. */
function instantOf(
	{ time, tzid }: Moment,
	zones: ReadonlyMap<string, ICAL.Timezone>,
	timeZone: string | undefined
): { readonly at: string } | { readonly missing: string } {
	const { year, month, day, hour, minute, second, isDate } = time;
	const date = calendarDay(year, month, day);
	const local = (zone: string): string =>
		zonedIso(
			zonedMs(date, zone, isDate ? 0 : hour, isDate ? 0 : minute) + (isDate ? 0 : 1000 * second),
			zone
		);
	if (!isDate && time.zone === ICAL.Timezone.utcTimezone)
		return { at: zonedIso(Date.UTC(year, month - 1, day, hour, minute, second), timeZone ?? 'Etc/UTC') };
	if (tzid !== undefined && isZone(tzid)) return { at: local(tzid) };
	const defined = tzid === undefined ? undefined : zones.get(tzid);
	if (defined && !isDate) {
		const there = time.clone();
		there.zone = defined;
		return { at: zonedIso(1000 * there.toUnixTime(), timeZone ?? 'Etc/UTC') };
	}
	if (tzid !== undefined)
		return { missing: `a time in ${quoted(tzid)}, which neither the file nor this machine defines` };
	return timeZone === undefined ? { missing: 'a time without a zone' } : { at: local(timeZone) };
}

/** A record of ours that an event carries. */
function ownIn(event: ICAL.Component): Partial<Stop> | undefined {
	const written = event.getFirstPropertyValue(OWN_STOP.toLowerCase());
	if (typeof written !== 'string') return undefined;
	try {
		return JSON.parse(decodeURIComponent(written)) as Partial<Stop>;
	} catch {
		// Another program cut it: the event still says when and where.
		return undefined;
	}
}

const textIn = (event: ICAL.Component, name: string): string | undefined => {
	const value = event.getFirstPropertyValue(name);
	return typeof value === 'string' && value.trim() !== '' ? value.trim() : undefined;
};

const sameInstant = (a: string | undefined, b: string): boolean =>
	a !== undefined && Date.parse(a) === Date.parse(b);

/** Reads the events of a calendar one by one, so that one that is broken takes no other with it. */
class EventReader {
	readonly #findings: Findings;
	readonly #zones: ReadonlyMap<string, ICAL.Timezone>;
	readonly #timeZone: string | undefined;
	readonly #seen = new Set<string>();

	constructor(findings: Findings, zones: ReadonlyMap<string, ICAL.Timezone>, timeZone: string | undefined) {
		[this.#findings, this.#zones, this.#timeZone] = [findings, zones, timeZone];
	}

	take(text: string, path: string): void {
		let event: ICAL.Component | null;
		try {
			event = new ICAL.Component(
				ICAL.parse(`BEGIN:VCALENDAR\r\n${text}\r\nEND:VCALENDAR`) as unknown[]
			).getFirstSubcomponent('vevent');
		} catch (error) {
			this.#findings.wrong(
				path,
				'an event as RFC 5545 has it',
				error instanceof Error ? error.message : String(error)
			);
			return;
		}
		if (!event) return this.#findings.wrong(path, 'an event', 'none');
		if (textIn(event, 'status')?.toUpperCase() === 'CANCELLED')
			return this.#findings.wrong(path, 'an event that is not cancelled', 'STATUS:CANCELLED: it was skipped');
		if (event.getFirstProperty('rrule'))
			this.#findings.wrong(
				path,
				'an event that happens once',
				'a repeating event: only its first time was imported'
			);
		const times = this.#times(event, path);
		if (times) this.#keep(event, times, path);
	}

	/** From when to when, as written; RFC 5545 says how long an event without an end lasts. */
	#times(event: ICAL.Component, path: string): readonly [arrive: string, depart: string] | undefined {
		const moment = (name: string): Moment | undefined => {
			const property = event.getFirstProperty(name);
			const time: unknown = property?.getFirstValue();
			const tzid: unknown = property?.getParameter('tzid');
			return time instanceof ICAL.Time
				? { time, tzid: typeof tzid === 'string' ? tzid : undefined }
				: undefined;
		};
		const start = moment('dtstart');
		if (!start) {
			this.#findings.wrong(`${path}, DTSTART`, 'a start time', 'nothing');
			return undefined;
		}
		const lasts: unknown = event.getFirstPropertyValue('duration');
		const end = moment('dtend') ?? {
			...start,
			time:
				lasts instanceof ICAL.Duration
					? plus(start.time, lasts)
					: start.time.isDate
						? nextDay(start.time)
						: start.time
		};
		const [arrive, depart] = [start, end].map((one) => instantOf(one, this.#zones, this.#timeZone));
		for (const [name, found] of [
			['DTSTART', arrive],
			['DTEND', depart]
		] as const)
			if (found && 'missing' in found) {
				this.#findings.wrong(
					`${path}, ${name}`,
					'a time with Z or a known TZID, or a time zone for the file',
					found.missing
				);
				return undefined;
			}
		return arrive && depart && 'at' in arrive && 'at' in depart ? [arrive.at, depart.at] : undefined;
	}

	#keep(event: ICAL.Component, [arrive, depart]: readonly [string, string], path: string): void {
		const own = ownIn(event);
		const uid = textIn(event, 'uid');
		const summary = textIn(event, 'summary');
		const geo: unknown = event.getFirstPropertyValue('geo');
		const place: readonly unknown[] = Array.isArray(geo) ? geo : [];
		const [lat, lon] = [Number(place[0]), Number(place[1])];
		const wrong = geo === null ? undefined : wrongPlace(lon, lat);
		if (wrong !== undefined) this.#findings.wrong(`${path}, GEO`, 'latitude;longitude', wrong);
		const id = own?.id ?? (uid !== undefined && uid.length <= LONGEST_ID ? uid : undefined);
		const fresh = id !== undefined && !this.#seen.has(id);
		if (fresh) this.#seen.add(id);
		const read = parseStop({
			legKm: 0,
			services: [],
			...(own ? {} : noteOf(event)),
			...own,
			id: fresh ? id : madeId(JSON.stringify([summary, arrive, depart]), this.#seen),
			name: summary ?? textIn(event, 'location') ?? own?.name ?? 'A stop without a name',
			arrive: sameInstant(own?.arrive, arrive) ? own?.arrive : arrive,
			depart: sameInstant(own?.depart, depart) ? own?.depart : depart,
			...(geo !== null && wrong === undefined ? { position: own?.position ?? [lon, lat] } : {})
		});
		if (read.ok && Date.parse(read.value.depart) < Date.parse(read.value.arrive))
			this.#findings.wrong(`${path}, DTEND`, 'an end after the beginning', depart);
		else if (read.ok) this.#findings.stops.push(read.value);
		else
			for (const problem of read.problems)
				this.#findings.wrong(`${path}, ${problem.path}`, problem.expected, problem.got);
	}
}

const noteOf = (event: ICAL.Component): { readonly note?: string } => {
	const parts = [textIn(event, 'location'), textIn(event, 'description')].filter(
		(part) => part !== undefined
	);
	return parts.length > 0 ? { note: parts.join('\n') } : {};
};

const plus = (time: ICAL.Time, duration: ICAL.Duration): ICAL.Time => {
	const later = time.clone();
	later.addDuration(duration);
	return later;
};
const nextDay = (time: ICAL.Time): ICAL.Time => {
	const day = dayPlus(calendarDay(time.year, time.month, time.day), 1);
	return ICAL.Time.fromDateString(day);
};

/** The zones that a calendar defines, by name. */
function zonesOf(text: string): ReadonlyMap<string, ICAL.Timezone> {
	const zones = new Map<string, ICAL.Timezone>();
	for (const [block] of text.matchAll(/^BEGIN:VTIMEZONE\r?$[\s\S]*?^END:VTIMEZONE\r?$/gim))
		try {
			const zone = new ICAL.Timezone(new ICAL.Component(ICAL.parse(block) as unknown[]));
			zones.set(zone.tzid, zone);
		} catch {
			// A broken definition defines nothing: an event that needs it says so.
		}
	return zones;
}

const EVENT =
	/^BEGIN:VEVENT[ \t]*\r?$([\s\S]*?)(^END:VEVENT[ \t]*\r?$|^BEGIN:VEVENT[ \t]*\r?$|(?![\s\S]))/gim;

/** Reads the events of an iCalendar (RFC 5545) as stops. */
export function readCalendar(text: string, context: ReadingContext): Imported {
	const findings = new Findings();
	const plain = text.replace(/^\ufeff/, '');
	if (!/^BEGIN:VCALENDAR\s*$/im.test(plain)) {
		findings.wrong('line 1', 'BEGIN:VCALENDAR', quoted(plain.trim().split('\n')[0] ?? ''));
		return findings.ended;
	}
	const reader = new EventReader(findings, zonesOf(plain), zoneOf(context));
	const lineAt = lineFinder(plain);
	const pattern = new RegExp(EVENT);
	for (let found = pattern.exec(plain); found; found = pattern.exec(plain)) {
		const path = `line ${lineAt(found.index)}`;
		const [, body = '', end = ''] = found;
		if (/^END/i.test(end)) reader.take(`BEGIN:VEVENT${body}END:VEVENT`, path);
		else {
			findings.wrong(path, 'END:VEVENT', 'an event that ends early');
			// Where another one begins before this one ends, that one is looked at next.
			pattern.lastIndex -= end.length;
			if (end === '') break;
		}
		context.onprogress?.(pattern.lastIndex / plain.length);
	}
	if (!/^END:VCALENDAR\s*$/im.test(plain))
		findings.wrong(`line ${lineAt(plain.length)}`, 'END:VCALENDAR', 'the file ends early');
	if (findings.nothing) findings.wrong('line 1', 'events', 'none');
	return findings.ended;
}
