import { instantMs, type Ahead, type Rig } from '../../logbook/index.js';
import { clockTime, DAY_MS, MINUTE_MS, zonedTime } from '../../time/index.js';
import { listed } from '../list.js';
import { sayDay } from '../when.js';

/** What days said ahead are told of. */
export interface AheadContext {
	readonly rig: Pick<Rig, 'habits'>;
	readonly nowMs: number;
	readonly timeZone: string;
}

/** How many times as often: `half as often`, `1.5 times as often`. */
const sayFactor = (factor: number): string =>
	factor === 0
		? 'not at all'
		: factor === 0.5
			? 'half as often'
			: factor === 2
				? 'twice as often'
				: `${Number(factor.toFixed(2))} times as often`;

/** What is unlike other days: `6 aboard, hooked up to mains water`. */
export function sayUnlike(
	{ persons, away, habits = [], hookup, note }: Ahead,
	{ rig }: Pick<AheadContext, 'rig'>
): string {
	const nameOf = (id: string): string => rig.habits.find((habit) => habit.id === id)?.name ?? id;
	const hooked = [...(hookup?.mains ? ['mains water'] : []), ...(hookup?.sewer ? ['the sewer'] : [])];
	const parts = [
		...(away || persons === 0 ? ['nobody aboard'] : persons === undefined ? [] : [`${persons} aboard`]),
		...habits.map((one) =>
			'times' in one
				? `${nameOf(one.habit)} ${one.times === 1 ? 'once' : one.times === 2 ? 'twice' : `${Number(one.times.toFixed(1))} times`} a day`
				: `${nameOf(one.habit)} ${sayFactor(one.factor)}`
		),
		...(hooked.length > 0 ? [`hooked up to ${listed(hooked)}`] : []),
		...(hookup?.mains === false ? ['off mains water'] : [])
	];
	const said = parts.length > 0 ? parts.join(', ') : 'as usual';
	return note ? `${note}, ${said}` : said;
}

/** A moment by its day, and its time where it is not the day's end: `Saturday`, `Saturday 18:00`. */
const sayEdge = (ms: number, end: boolean, { nowMs, timeZone }: AheadContext): string => {
	const { hour, minute } = zonedTime(ms, timeZone);
	if (hour === 0 && minute === 0) return sayDay(end ? ms - MINUTE_MS : ms, nowMs, timeZone);
	return `${sayDay(ms, nowMs, timeZone)} ${clockTime({ hour, minute })}`;
};

/** When it is, or was, so: `Saturday to Sunday`, `tomorrow`, `until Friday 10:00`. */
export function sayWindow({ from, to }: Pick<Ahead, 'from' | 'to'>, context: AheadContext): string {
	const [fromMs, toMs] = [instantMs(from), instantMs(to)];
	const end = sayEdge(toMs, true, context);
	if (fromMs <= context.nowMs + MINUTE_MS && toMs > context.nowMs) return `until ${end}`;
	const begin = sayEdge(fromMs, false, context);
	if (begin === end) return begin;
	const day = sayDay(fromMs, context.nowMs, context.timeZone);
	if (toMs - fromMs < DAY_MS && end.startsWith(`${day} `)) return `${begin} to ${end.slice(day.length + 1)}`;
	return `${begin} to ${end}`;
}

/** Both: `Saturday to Sunday: 6 aboard`. */
export const sayAheadDays = (ahead: Ahead, context: AheadContext): string => {
	const when = sayWindow(ahead, context);
	return `${when.charAt(0).toUpperCase()}${when.slice(1)}: ${sayUnlike(ahead, context)}`;
};

/** Asked once days are over that readings since then contradict. */
export const askWhetherSo = (ahead: Ahead, context: AheadContext): string =>
	`You said ${sayWindow(ahead, context)}: ${sayUnlike(ahead, context)}. The readings fit your usual days better. Did it happen?`;

/** Asked once when others come aboard, or a trip begins. */
export const askSamePeople = ({
	persons,
	before,
	trip
}: {
	readonly persons: number;
	readonly before: number;
	/** the trip that begins */
	readonly trip?: string | undefined;
}): string =>
	`${trip === undefined ? `${persons} aboard now` : `${trip}: ${persons} aboard`}${persons === before ? '' : `, ${before} before`}. Are they the same people as before${persons > before ? ', with guests' : ''}? Others may use more or less.`;
