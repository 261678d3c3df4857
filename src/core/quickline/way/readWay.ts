import { kmBetween, type LatLon } from '../../places/index.js';
import {
	instantMs,
	inUse,
	notRetired,
	type Logbook,
	type Point,
	type Rig,
	type Service,
	type Stop
} from '../../logbook/index.js';
import { zonedIso, zonedTime } from '../../time/index.js';
import { sayExactly } from './days.js';
import { pointMeant } from './known.js';
import { knownNames, readLine, type LineHelp, type WayLine } from './line.js';
import { arriveMs, passingMs, saidDepartMs, travelMs } from './timing.js';

/** A stop that has not been given its id. */
export type WayStop = Omit<Stop, 'id'>;

/** What was not understood, in which line (the first is 1), and what would be. */
export interface WayProblem {
	readonly line: number;
	readonly expected: string;
	readonly got: string;
}

/** What a line of a trip was understood as. */
export interface LineRead {
	/** the line, from 1 on */
	readonly line: number;
	/** the stop that it is, by its place in the list */
	readonly stop: number;
	/** whether a known point was recognised */
	readonly known: boolean;
}

/** A trip that was read from text. */
export interface Way {
	readonly stops: readonly WayStop[];
	readonly lines: readonly LineRead[];
	readonly problems: readonly WayProblem[];
}

/** What a trip in lines is read with. */
export interface WayContext {
	readonly text: string;
	/** when one is at the first stop, an instant */
	readonly from: string;
	readonly timeZone: string;
	readonly rig?: Rig | undefined;
	readonly points?: readonly Point[] | undefined;
	/** usual persons, to which guests come */
	readonly persons?: number | undefined;
}

/** More stops than this are no trip. */
const MOST_LINES = 500;
/** A stay longer than this is a slip of the keyboard, days. */
const MOST_NIGHTS = 366;
/** Lines are read anew by whoever edits them: nothing that long is typed. */
const MOST_CHARACTERS = 400;

/** `, then `, `; then`, arrows and semicolons stand for the end of a line. */
const NEXT =
	/\s*(?:[,;]\s*(?:and\s+)?then(?:\s+(?:on\s+)?to)?\s+|\s(?:→|->|=>|>)\s(?!(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*\b|\d{1,2}[.\s]))/iu;
/** A rule or a remark: no stop. */
const NO_STOP = /^\s*(?:#.*|\/\/.*|[-=_*~]{3,})\s*$/u;
/** The first line may say what the rest is. */
const HEADING = /^[^,\d“"„]*\b(?:trip|route|plans?|itinerary|stops)\b[^,\d]*:?\s*$|:\s*$/iu;

/** What is dumped when somebody writes `dump`: what the rig holds, both where nobody knows. */
export const wasteOf = (rig: Rig | undefined): readonly Service['kind'][] => {
	const held = (['grey', 'black'] as const).filter((holds) =>
		rig ? inUse(rig).tanks.some((tank) => tank.holds === holds) : true
	);
	return held.length > 0 ? held : ['grey'];
};

/** The services of a stop: those of its point, with what the line says beside them and changes of them. */
function servicesOf({ said }: WayLine, point: Point | undefined): readonly Service[] {
	const own = [...said.services];
	const kept = said.none ? [] : (point?.services ?? []).filter(({ kind }) => !said.without.includes(kind));
	const merged = kept.map((service): Service => {
		const at = own.findIndex(({ kind }) => kind === service.kind);
		return at < 0 ? service : { ...service, ...own.splice(at, 1)[0] };
	});
	// What is said twice is one service: the word that says more counts.
	return [
		...merged,
		...own.filter(
			(service, i) =>
				!isBare(service) ||
				!(
					merged.some(({ kind }) => kind === service.kind) ||
					own.some((one, k) => one.kind === service.kind && (k < i || (k > i && !isBare(one))))
				)
		)
	];
}
const isBare = (service: Service): boolean => Object.keys(service).length === 1;

const tenth = (km: number): number => Math.round(10 * km) / 10;

interface Statement {
	readonly line: number;
	readonly text: string;
}

/** Splits a text into what stands for a stop each, with the number of its line; what begins a note is not split any more. */
const statementsOf = (text: string): readonly Statement[] =>
	text
		.split(/\r\n|\r|\n/)
		.slice(0, MOST_LINES)
		.flatMap((line, i) => {
			const short = line.slice(0, MOST_CHARACTERS);
			const noted = /(?:^|[\s,;])notes?\s*:?\s/iu.exec(short)?.index ?? short.length;
			const parts = short.slice(0, noted).split(NEXT);
			return parts
				.map((part, k) => (k === parts.length - 1 ? `${part}${short.slice(noted)}` : part))
				.filter((part) => /[\p{L}\d]/u.test(part) && !NO_STOP.test(part))
				.map((part) => ({ line: i + 1, text: part }));
		})
		.filter(({ text: part }, i) => i > 0 || !HEADING.test(part));

/** The same, what has no name of its own told with the stop before it: `3 nights` under a name. */
const joined = (
	statements: readonly Statement[],
	help: Omit<LineHelp, 'after'>,
	after: string
): readonly Statement[] =>
	statements.reduce<readonly Statement[]>((all, one) => {
		const before = all.at(-1);
		return before && readLine(one.text, { ...help, after }).name === ''
			? [
					...all.slice(0, -1),
					{
						...before,
						text: `${before.text.replace(/[\s:,;]+$/, '')}, ${one.text.trim().replace(/^[-*•–—·]\s*/, '')}`
					}
				]
			: [...all, one];
	}, []);

/**
 * Reads a trip as people write it: a stop a line, or after `, then`, with nights or until when, kilometres, services, heat and people in any
 * order. What is not understood is told, and the rest stands. Dates follow from the first stop: one goes on at ten, drives 42 km an hour (a
 * boat 9), and is half an hour at a stop without a night.
 */
export function readWay(context: WayContext): Way {
	const { text, from, timeZone, rig, points = [], persons = rig?.crew } = context;
	const problems: WayProblem[] = [];
	const known = notRetired(points);
	const names = knownNames(known.map(({ name }) => name));
	const waste = wasteOf(rig);
	const kind = rig?.kind ?? 'camper';
	const fromMs = instantMs(from);
	const stops: WayStop[] = [];
	const lines: LineRead[] = [];
	/** when one leaves the stop before, and whether somebody has said so */
	let [leavesMs, isSaid] = [fromMs, true];
	const help = { waste, names };
	for (const { line, text: part } of joined(statementsOf(text), help, zonedTime(fromMs, timeZone).day)) {
		const tell = (expected: string, got: string): void => void problems.push({ line, expected, got });
		const read = readLine(part, { ...help, after: zonedTime(leavesMs, timeZone).day });
		read.problems.forEach(({ expected, got }) => tell(expected, got));
		if (read.name === '') {
			tell('the name of a stop, such as “Low Sarn 2 nights”', part.trim());
			continue;
		}
		const { point, among } = pointMeant(read.name, known);
		if (among) tell(`one of ${among.join(', ')}, spelled as in your points`, read.name);
		const before = stops.at(-1);
		const straightKm = legStraight(point, before);
		const legKm = read.legKm ?? straightKm ?? 0;
		const travel = before ? travelMs(legKm, kind) : 0;
		const dueMs = leavesMs + travel;
		let arrive = read.arrive ? arriveMs(read.arrive, dueMs, timeZone) : dueMs;
		if (before && read.arrive && !isSaid) {
			// Who has not said how long he stays before stays until he must go.
			const least = instantMs(before.arrive);
			leavesMs = Math.max(least, arrive - travel);
			stops[stops.length - 1] = { ...before, depart: zonedIso(leavesMs, timeZone) };
		}
		if (before && arrive < leavesMs) {
			tell(
				`a moment after ${sayMoment(leavesMs, timeZone)}, when you leave ${before.name}`,
				sayMoment(arrive, timeZone)
			);
			arrive = dueMs;
		}
		if ((read.nights ?? 0) > MOST_NIGHTS) tell(`no more than ${MOST_NIGHTS} nights`, String(read.nights));
		const said = (read.nights ?? 0) > MOST_NIGHTS ? undefined : saidDepartMs(read, arrive, timeZone);
		if (said !== undefined && said < arrive)
			tell(`a moment after ${sayMoment(arrive, timeZone)}, when you get there`, sayMoment(said, timeZone));
		const services = servicesOf(read, point);
		isSaid = said !== undefined && said >= arrive;
		leavesMs = isSaid && said !== undefined ? said : arrive + passingMs(services);
		lines.push({ line, stop: stops.length, known: point !== undefined });
		stops.push({
			...stopOf(read, point, services),
			arrive: zonedIso(arrive, timeZone),
			depart: zonedIso(leavesMs, timeZone),
			legKm,
			...(read.legKm === undefined && straightKm !== undefined ? { legFrom: 'straight' as const } : {}),
			...(read.guests === undefined ? {} : { persons: read.guests + (persons ?? 2) })
		});
	}
	const last = stops.at(-1);
	// At its last stop a trip ends, unless something is to be done there.
	if (last && !isSaid && last.services.length === 0)
		stops[stops.length - 1] = { ...last, depart: last.arrive };
	return { stops, lines, problems };
}

/** How far a point is from the stop before as the crow flies, km; nothing where it is not known where they are. */
export const legStraight = (
	point: Point | undefined,
	before: Pick<Stop, 'position'> | undefined
): number | undefined =>
	point && before?.position ? tenth(kmBetween(twoOf(before.position), twoOf(point.position))) : undefined;

const twoOf = (position: readonly number[]): LatLon => [position[0] ?? 0, position[1] ?? 0];
const sayMoment = (ms: number, timeZone: string): string => {
	const { day, hour, minute } = zonedTime(ms, timeZone);
	return sayExactly(day, hour, minute);
};

/** A stop without its times: what its line says, and what is known of its point. */
const stopOf = (
	read: WayLine,
	point: Point | undefined,
	services: readonly Service[]
): Omit<WayStop, 'arrive' | 'depart' | 'legKm'> => ({
	name: point?.name ?? read.name,
	...(point ? { point: point.id, position: point.position } : {}),
	services: [...services],
	...(Object.keys(read.said.hookup).length > 0 ? { hookup: read.said.hookup } : {}),
	...(read.said.ashore ? { ashore: true } : {}),
	...(read.weather ? { weather: read.weather, weatherFrom: 'typed' } : {}),
	...(read.persons === undefined ? {} : { persons: read.persons }),
	...(point?.noDischarge ? { noDischarge: true } : {}),
	...(read.note === undefined ? {} : { note: read.note })
});

/** What is known of a trip in lines from a logbook. */
export function wayContext(
	text: string,
	from: string,
	{
		logbook,
		rig: id,
		timeZone
	}: {
		readonly logbook?: Pick<Logbook, 'rigs' | 'points'> | undefined;
		readonly rig?: string | undefined;
		readonly timeZone?: string | undefined;
	}
): WayContext {
	const rig = logbook?.rigs.find((one) => one.id === id);
	const offset = /[+-]\d{2}:\d{2}$/.exec(from)?.[0];
	return {
		text,
		from,
		timeZone: timeZone ?? rig?.timeZone ?? offset ?? 'Etc/UTC',
		rig,
		points: logbook?.points
	};
}
