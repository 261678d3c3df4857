import { instantMs, type Stop } from '../../logbook/index.js';
import { DAY_MS } from '../../time/index.js';
import { formatDuration, formatLitres, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';
import { capital } from '../outlook/stay.js';
import { onDay, sayMomentOf } from '../when.js';

/** What a habit took in a stretch. */
interface ShareTold {
	readonly name: string;
	readonly times: number;
	readonly litres: number;
	/** of all that was drawn, 0 … 1 */
	readonly share: number;
}

/** What was used in a stretch, for an answer. */
export interface UsedTold {
	/** `yesterday`, `since Friday` */
	readonly said: string;
	readonly drawnL: number;
	readonly unloggedL: number;
	readonly perPersonDayL: number | undefined;
	readonly days: number;
	readonly top: ShareTold | undefined;
	/** of the habits that were asked about; absent where all is asked */
	readonly about: readonly ShareTold[] | undefined;
	/** their names */
	readonly names: readonly string[];
	/** what took most is asked */
	readonly most: boolean;
	/** a day of it is asked for */
	readonly perDay: boolean;
}

const timesOf = ({ name, times }: ShareTold): string => (times > 0 ? `${name} × ${times}` : name);

/** `34 L yesterday, 17 L each a day; Long shower took most: 25 L.` */
export function sayUsed(told: UsedTold, units: UnitChoice): string {
	const { said, drawnL, unloggedL, perPersonDayL, days, top, about, names, most, perDay } = told;
	if (about) {
		const parts = about.map(
			(share) =>
				`${timesOf(share)}, ${perDay && days > 0 ? `${formatLitres(share.litres / days, units)} a day` : formatLitres(share.litres, units)}`
		);
		return parts.length > 0
			? `${capital(said)}: ${listed(parts)}.`
			: `${capital(said)}: no ${listed(names)} logged.`;
	}
	if (perDay && days > 0 && !about) {
		const one = perPersonDayL === undefined ? '' : `, ${formatLitres(perPersonDayL, units)} each`;
		return `${capital(said)}: ${formatLitres(drawnL / days, units)} a day${one}.`;
	}
	if (!top) return `${capital(said)}: ${formatLitres(drawnL, units)}.`;
	const share = Math.round(100 * top.share);
	const took = `${timesOf(top)}, ${formatLitres(top.litres, units)}`;
	if (most)
		return `${capital(said)}, ${top.name} took most: ${took}, ${share}% of ${formatLitres(drawnL, units)}.`;
	const each =
		perPersonDayL !== undefined && days > 0.9 ? `, ${formatLitres(perPersonDayL, units)} each a day` : '';
	const silent =
		unloggedL > 0.05 * drawnL && unloggedL > 0.5
			? `; ${formatLitres(unloggedL, units)} of it not logged`
			: '';
	return `${capital(said)}: ${formatLitres(drawnL, units)}${each}${silent}. Most: ${took}.`;
}

/** `Yesterday: Ines 8 L, Tor 6 L; 12 L without a name.` */
export function sayUsedBy(
	said: string,
	people: readonly { readonly name: string; readonly litres: number }[],
	asked: string | undefined,
	namelessL: number,
	units: UnitChoice
): string {
	const nameless = namelessL > 0.05 ? `; ${formatLitres(namelessL, units)} carries no name` : '';
	return people.length === 0
		? `${capital(said)}: nothing is logged by ${asked ?? 'name'}${nameless}.`
		: `${capital(said)}: ${listed(people.map(({ name, litres }) => `${name} ${formatLitres(litres, units)}`))}${nameless}.`;
}

const NEVER = {
	dump: 'a dump',
	fill: 'a fill',
	care: 'that',
	use: 'that',
	reading: 'a reading',
	stop: 'a stop'
} as const;

/** `Tuesday at 18:00, 2 days ago: Grey emptied.` */
export function sayLastDone(
	{
		kind,
		names,
		what,
		by,
		dueMs
	}: {
		readonly kind: keyof typeof NEVER;
		readonly names: readonly string[];
		readonly what: string;
		readonly by: string | undefined;
		/** when it is due next, where that is asked and known */
		readonly dueMs?: number | undefined;
	},
	ms: number | undefined,
	nowMs: number,
	timeZone: string
): string {
	const due = dueMs === undefined ? '' : ` Due ${dueMs <= nowMs ? 'now' : onDay(dueMs, nowMs, timeZone)}.`;
	if (ms === undefined)
		return names.length === 0
			? `No log of ${NEVER[kind]} yet.`
			: kind === 'use' || kind === 'care'
				? `${listed(names)}: not logged yet${by === undefined ? '' : ` by ${by}`}.${due}`
				: `No log of ${NEVER[kind]} of ${listed(names)} yet.`;
	const ago = nowMs - ms < DAY_MS / 1440 ? 'just now' : `${formatDuration((nowMs - ms) / DAY_MS)} ago`;
	return `${capital(sayMomentOf(ms, nowMs, timeZone))}, ${ago}: ${what}${by === undefined ? '' : `, by ${by}`}.${due}`;
}

const SERVICES = { water: 'a tap', grey: 'a drain', black: 'a dump point', mains: 'a hook-up' } as const;

/** `Tamsel Ford on Thursday at 14:00 has a tap, in 31 h.` */
export function sayNextStop(
	{ name, arrive }: Pick<Stop, 'name' | 'arrive'>,
	service: keyof typeof SERVICES | undefined,
	arriveMs: number,
	nowMs: number,
	timeZone: string
): string {
	const has = service === undefined ? '' : ` has ${SERVICES[service]}`;
	if (arriveMs <= nowMs) return `Here: ${name}${has}.`;
	const when = sayMomentOf(instantMs(arrive), nowMs, timeZone);
	return `${name}${has}: you arrive ${when}, in ${formatDuration((arriveMs - nowMs) / DAY_MS)}.`;
}

/** Whether a stop that is named has it. */
export const sayStopHas = (name: string, service: keyof typeof SERVICES, has: boolean): string =>
	has ? `Yes: ${name} has ${SERVICES[service]}.` : `No: ${SERVICES[service]} is not listed at ${name}.`;

/** Where no stop ahead has it. */
export const sayNoStop = (service: keyof typeof SERVICES | undefined, trip: string | undefined): string =>
	trip === undefined
		? 'No trip is planned. Plan one in Trip, or look for points on the map.'
		: `No stop ahead on ${trip}${service === undefined ? '' : ` has ${SERVICES[service]}`}.`;
