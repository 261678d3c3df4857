import { instantMs, zoneAt, type Logbook, type Meter, type Rig } from '../logbook/index.js';
import { listen, type Choice } from './listen.js';

/** What is asked of samples beside a logbook. */
export interface ListenQuestion {
	readonly logbook: Logbook;
	readonly rig: Rig;
	readonly meter: Meter;
	readonly at: string;
	readonly samples: readonly (readonly [at: string, displayed: number])[];
	/** uses that ended before are not told */
	readonly from?: string | undefined;
	readonly timeZone?: string | undefined;
}

/** What is answered: instants in ISO 8601, litres, litres an hour. */
export interface ListenAnswer {
	readonly uses: readonly {
		readonly from: string;
		readonly to: string;
		readonly litres: number;
		readonly choices: readonly Choice[];
	}[];
	readonly leaks: readonly { readonly from: string; readonly to?: string; readonly litresPerHour: number }[];
}

const iso = (ms: number): string => new Date(ms).toISOString();
/** Chances to four places, never more than they are, so that they add to no more than 1. */
const floored = (chance: number): number => Math.floor(chance * 1e4) / 1e4;

/** The uses in what a meter showed, and what flows when nothing should; nothing is stored. */
export function answerListen(question: ListenQuestion): ListenAnswer {
	const { logbook, rig, meter, at, samples, from } = question;
	const atMs = instantMs(at);
	const timeZone = question.timeZone ?? zoneAt(logbook, rig.id, atMs);
	const fromMs = from === undefined ? -Infinity : instantMs(from);
	const entries = logbook.entries.filter((entry) => entry.rig === rig.id && instantMs(entry.at) <= atMs);
	const showings = samples.map(([ms, displayed]) => [instantMs(ms), displayed] as const);
	const { uses, leaks } = listen({ rig, meter, entries, showings, atMs, timeZone });
	return {
		uses: uses
			.filter(({ toMs }) => toMs >= fromMs)
			.map(({ fromMs: began, toMs, litres, choices }) => ({
				from: iso(began),
				to: iso(toMs),
				litres,
				choices: choices.map((choice) => ({ ...choice, chance: floored(choice.chance) }))
			})),
		leaks: leaks
			.filter(({ toMs = Infinity }) => toMs >= fromMs)
			.map(({ fromMs: began, toMs, litresPerHour }) => ({
				from: iso(began),
				...(toMs === undefined ? {} : { to: iso(toMs) }),
				litresPerHour
			}))
	};
}
