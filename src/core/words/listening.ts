import type { Leak, Nod } from '../listen/index.js';
import type { Rig } from '../logbook/index.js';
import { formatLitres, type UnitChoice } from '../units/index.js';
import { clockTime, DAY_MS, MINUTE_MS, zonedTime } from '../time/index.js';
import { midSentence } from './list.js';
import { onDay, sayDay } from './when.js';

/** What what was heard is told by. */
export interface HeardContext {
	readonly rig: Rig;
	readonly units: UnitChoice;
	readonly nowMs: number;
	readonly timeZone: string;
}

/** A habit as it is called. */
export const sayHabit = (rig: Rig, habit: string): string =>
	rig.habits.find(({ id }) => id === habit)?.name ?? habit;

/** So many of one thing: `6 ×`. */
export const sayTimes = (times: number): string => `${times} ×`;

/** How long water ran for a use, with its pauses: `45 s`, `4 min`. */
export const sayRan = (ms: number): string =>
	ms < MINUTE_MS ? `${Math.round(ms / 1000)} s` : `${Math.round(ms / MINUTE_MS)} min`;

/** How likely one of several names is: `55%`. */
export const sayHowLikely = (chance: number): string =>
	`${Math.min(99, Math.max(1, Math.round(100 * chance)))}%`;

/** `7:14`, and with the day where that is not today: `Sun 18:40`. */
export function sayHeardAt(
	ms: number,
	{ nowMs, timeZone }: Pick<HeardContext, 'nowMs' | 'timeZone'>
): string {
	const clock = clockTime(zonedTime(ms, timeZone));
	const day = sayDay(ms, nowMs, timeZone);
	return day === 'today' ? clock : `${day} ${clock}`;
}

/** Since when something was heard: `Heard since 07:10`, `Heard since yesterday 18:40`. */
export const sayHeardSince = (ms: number, context: HeardContext): string =>
	`Heard since ${sayHeardAt(ms, context)}`;

/** What a use is, or may be: `Shower`, `Flush or wash hands?`, `Sink tap?`. */
export function sayNod(nod: Nod, { rig }: Pick<HeardContext, 'rig'>): string {
	switch (nod.kind) {
		case 'logged':
		case 'joins':
			return sayHabit(rig, nod.entry.habit);
		case 'named':
			return sayHabit(rig, nod.habit);
		case 'doubtful': {
			const [first = '', ...others] = nod.habits.map(({ habit }) => sayHabit(rig, habit));
			return `${[first, ...others.map(midSentence)].join(' or ')}?`;
		}
		case 'unnamed':
			return nod.outlet ? `${nod.outlet.name}?` : 'Not like any habit';
	}
}

/** What flows when nothing should: what, since when, and what that is in a day. */
export function sayHeardLeak(
	{ fromMs, toMs, litresPerHour }: Leak,
	{ units, nowMs, timeZone }: HeardContext
): string {
	const perHour = formatLitres(litresPerHour, units);
	if (toMs !== undefined)
		return `Something ran ${onDay(fromMs, nowMs, timeZone)}, ${perHour} an hour, until ${sayHeardAt(toMs, { nowMs, timeZone })}.`;
	const since =
		nowMs - fromMs < DAY_MS ? sayHeardAt(fromMs, { nowMs, timeZone }) : sayDay(fromMs, nowMs, timeZone);
	return `Since ${since} something runs when every tap is shut: ${perHour} an hour, ${formatLitres(24 * litresPerHour, units)} a day.`;
}

/** Litres that were heard and have no name: `4.2 L heard is not logged yet`. */
export const sayUnlogged = (litres: number, units: UnitChoice): string =>
	litres < 0.05 ? 'All that was heard is logged.' : `${formatLitres(litres, units)} heard is not logged yet.`;

/** What was logged by itself, as an act that can be undone: `Heard: Shower`, `Heard: 3 uses`. */
export const sayHeardAct = (names: readonly string[]): string =>
	names.length === 1 ? `Heard: ${names[0]}` : `Heard: ${names.length} uses`;

/** How many samples there are, and of when: `4213 samples, 3 June 07:10 to 9 June 22:04`. */
export function saySamples(
	samples: number,
	[fromMs, toMs]: readonly [fromMs: number, toMs: number],
	context: HeardContext
): string {
	if (samples === 1) return `1 sample, ${sayHeardAt(fromMs, context)}`;
	return `${samples} samples, ${sayHeardAt(fromMs, context)} to ${sayHeardAt(toMs, context)}`;
}
