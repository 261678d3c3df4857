import { HOUR_MS } from '../../time/index.js';
import type { Sacrifice } from '../../forecast/index.js';
import type { Rig } from '../../logbook/index.js';
import { formatDuration, formatHours } from '../../units/index.js';
import { listed } from '../list.js';
import { mind, plain, strong, type Span } from '../spans.js';
import { capital } from '../outlook/stay.js';
import { sayWhen } from '../when.js';
import { sayCertainty, sayChance } from './chance.js';
import { sayGoal } from './clock.js';

/** From this many hours on, days are counted. */
const IN_DAYS_H = 60;

const short = (hours: number): string => {
	if (hours >= IN_DAYS_H) return formatDuration(hours / 24);
	return hours < 2 ? formatHours(Math.max(hours, 0.5)) : `${Math.round(hours)} hours`;
};

/** What a set of measures adds to the stay: `28 hours longer`. */
export const sayLonger = (hours: number): string =>
	Math.round(hours) < 1 ? 'no longer' : `${short(hours)} longer`;

/** Measures of a rig by name, as their people typed them. */
const names = (rig: Rig, ids: readonly string[]): readonly string[] =>
	ids.map((id) => rig.measures.find((one) => one.id === id)?.name ?? id);

const strongList = (items: readonly string[]): readonly Span[] =>
	items.flatMap((item, i): readonly Span[] => [
		...(i === 0 ? [] : [plain(i === items.length - 1 ? ' and ' : ', ')]),
		strong(item)
	]);

/** What is asked for: until when, and how sure. */
export interface Goal {
	readonly untilMs: number;
	readonly certainty: number;
}

/** The answer to “until then?”: how far short one is, and the least that gets there. */
export function saySacrifice(
	rig: Rig,
	found: Sacrifice,
	inForce: readonly string[],
	{ untilMs }: Pick<Goal, 'untilMs'>,
	nowMs: number,
	timeZone: string
): { readonly headline: readonly Span[]; readonly detail: readonly Span[] } {
	const goal = sayGoal(untilMs, nowMs, timeZone);
	const more = (measures: readonly string[]): readonly string[] =>
		measures.filter((id) => !inForce.includes(id));
	const { best, nearest, asItIs } = found;
	const bounded = found.bounded
		? ' There are too many ways to save to try every set; this is the best of those tried.'
		: '';
	if (best && more(best.measures).length === 0)
		return {
			headline: [plain(`You reach ${goal} as you live now.`)],
			detail: [plain(`${capital(sayChance(best.chance))} that no tank runs low or fills up before then.`)]
		};
	const missing = short((untilMs - asItIs.lastsToMs) / HOUR_MS);
	if (best) {
		const asked = names(rig, more(best.measures));
		const both = asked.length === 1 ? 'it' : asked.length === 2 ? 'both' : 'all of them';
		return {
			headline: [plain('You are '), mind(missing), plain(` short of ${goal}.`)],
			detail: [
				plain('Easiest way there: '),
				...strongList(asked),
				plain(`. ${capital(sayCertainty(best.chance))} with ${both}.${bounded}`)
			]
		};
	}
	const asked = names(rig, more(nearest.measures));
	const until = sayWhen(nearest.lastsToMs, nowMs, timeZone);
	const headline = [plain('You '), mind('can’t make it'), plain(` to ${goal}.`)];
	return asked.length === 0
		? {
				headline,
				detail: [
					plain(
						`You are ${missing} short, and ${rig.measures.length === 0 ? 'the rig has no ways to save yet' : 'no way to save changes that'}: ${until} is as far as you get.${bounded}`
					)
				]
			}
		: {
				headline,
				detail: [
					plain('The furthest you get is with '),
					...strongList(asked),
					plain(`: until ${until}. Without, you are ${missing} short.${bounded}`)
				]
			};
}

/** A set of measures as a choice: `Save the warm-up water and paper plates`. */
export const saySet = (rig: Rig, measures: readonly string[], inForce: readonly string[]): string =>
	capital(
		listed(
			names(
				rig,
				measures.filter((id) => !inForce.includes(id))
			)
		)
	);
