import { DAY_MS, dayPlus, zonedMs, zonedTime } from '$core/time';
import { instantMs, type Ahead } from '$core/logbook';
import { LINE_DAYS, type StayLine } from '$core/forecast';
import { formatHours } from '$core/units';
import { flagDay } from '$core/words';

/** What the line is drawn of. */
export interface StayFacts {
	readonly line: StayLine;
	readonly atMs: number;
	readonly goalMs?: number | undefined;
	readonly timeZone: string;
	/** what each segment is called */
	readonly nameOf: (id: string) => string;
	/** days said to be unlike others */
	readonly said?: readonly Ahead[] | undefined;
}

interface Stretch {
	readonly x: number;
	readonly width: number;
}

/** A line of days, ready to be drawn, px. */
export interface StayGeometry {
	readonly notches: readonly { readonly x: number; readonly label: string }[];
	/** as one lives now: sure, and in doubt at its end */
	readonly sure: Stretch;
	readonly doubt: Stretch;
	/** each piece that lengthens the stay, or bites from its end */
	readonly segments: readonly (Stretch & {
		readonly id: string;
		readonly bites: boolean;
		readonly label: string;
		readonly says: string;
	})[];
	/** the doubt at the end of it all, where something changed it; what is in doubt as it is is hatched already */
	readonly doubtThen: Stretch | undefined;
	readonly goalX: number | undefined;
	/** days said to be unlike others, under the line */
	readonly unlike: readonly Stretch[];
}

/** Beyond what has to be seen, as a share. */
const MARGIN = 1.12;
const LETTER_PX = 6.7;
const LABEL_GAP_PX = 10;
const NOTCH_PX = 46;

const sayHours = (hours: number): string => `${hours < 0 ? '−' : '+'} ${formatHours(Math.abs(hours))}`;

const between = (a: number, b: number): Stretch => ({ x: Math.min(a, b), width: Math.abs(b - a) });

/** Labels that do not run into one another: with its name where there is room, else the hours alone, else none. */
function labelled(
	pieces: readonly { readonly x: number; readonly hours: string; readonly name: string }[],
	widthPx: number
): readonly string[] {
	return pieces.map(({ x, hours, name }, i) => {
		const room = (pieces[i + 1]?.x ?? widthPx) - x - LABEL_GAP_PX;
		const whole = `${hours} ${name}`;
		if (whole.length * LETTER_PX <= room) return whole;
		return hours.length * LETTER_PX <= room ? hours : '';
	});
}

/** Lays out a stay of days along a width. */
export function stayGeometry(
	{ line, atMs, goalMs, timeZone, nameOf, said = [] }: StayFacts,
	widthPx: number
): StayGeometry {
	const goalDays = goalMs === undefined ? 0 : (goalMs - atMs) / DAY_MS;
	const ends = [
		line.asItIs.p90,
		line.then.p90,
		...line.segments.flatMap(({ fromDays, toDays }) => [fromDays, toDays])
	];
	const days = Math.min(LINE_DAYS, Math.max(1, goalDays, ...ends) * MARGIN);
	const x = (at: number): number => (Math.min(Math.max(at, 0), days) / days) * widthPx;
	const today = zonedTime(atMs, timeZone).day;
	const every = Math.max(1, Math.ceil((days * NOTCH_PX) / Math.max(widthPx, 1)));
	const notches = Array.from({ length: Math.ceil(days) }, (_, i) => zonedMs(dayPlus(today, i + 1), timeZone))
		.map((ms) => ({ at: (ms - atMs) / DAY_MS, label: flagDay(ms + DAY_MS / 2, timeZone) }))
		.filter(({ at }, i) => at < days && i % every === 0)
		.map(({ at, label }) => ({ x: x(at), label }));
	const bites = (segment: StayLine['segments'][number]): boolean => segment.toDays < segment.fromDays;
	// What bites shows what is left: the line is then sure only up to there.
	const bitten = line.segments.some(bites);
	const own = bitten ? line.then : line.asItIs;
	const labels = labelled(
		line.segments.map(({ id, fromDays, toDays, hours }) => ({
			x: x(Math.min(fromDays, toDays)),
			hours: sayHours(hours),
			name: nameOf(id)
		})),
		widthPx
	);
	return {
		notches,
		sure: between(0, x(own.p10)),
		doubt: between(x(own.p10), x(own.p50)),
		segments: line.segments.map((segment, i) => ({
			id: segment.id,
			bites: bites(segment),
			label: labels[i] ?? '',
			says: `${sayHours(segment.hours)} ${nameOf(segment.id)}`,
			...between(x(segment.fromDays), x(segment.toDays))
		})),
		doubtThen:
			line.segments.length > 0 && !bitten
				? between(x(Math.max(line.then.p10, line.asItIs.p50)), x(Math.max(line.then.p50, line.asItIs.p50)))
				: undefined,
		goalX: goalMs === undefined ? undefined : x(goalDays),
		unlike: said
			.map(({ from, to }) =>
				between(x((instantMs(from) - atMs) / DAY_MS), x((instantMs(to) - atMs) / DAY_MS))
			)
			.filter(({ width }) => width > 0)
	};
}
