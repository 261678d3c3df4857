import { casual } from 'chrono-node/en';
import type { EntryOf } from '../../logbook/index.js';
import { DAY_MS, zonedIso, zonedMs, zonedTime } from '../../time/index.js';
import { one, problem, type LineReading, type QuickContext } from '../context.js';
import type { Happening } from '../../words/index.js';
import { clockOf } from './clockOf.js';

type Lived = EntryOf<'gap'>['lived'];

const AWAY =
	/\b(?:was|were|been|have been|stayed)\s+(?:all\s+)?(?:away|gone|ashore|home|at home|elsewhere|not here|not aboard)\b|\b(?:we|i|everyone|everybody|all)\s+(?:were|was)(?:n['’]t| not)\s+(?:here|there|aboard|on board)\b|^(?:we\s+)?(?:all\s+)?(?:away|gone|ashore|nobody (?:was )?aboard|no one (?:was )?aboard|nobody (?:was )?(?:here|there))\b(?=.*\b(?:since\b|from\b.*\b(?:to|until|till)\b))/i;
const AS_USUAL =
	/\b(?:lived|went on|carried on|used|all|everything|we)\b.*\b(?:as usual|as always|as ever|normally)\b|^\s*as usual\b|\b(?:forgot to|did(?:n['’]t| not)) (?:log|write)\b/i;
const LESS = /\b(?:lived|used|did|drank|washed)\b.*\bless\b|^\s*less than usual\b/i;
const BACK =
	/^\s*(?:we(?:['’]re| are)\s+(?:all\s+)?back\b|(?:all\s+|we\s+)?back\s+(?:aboard|on board|again|home)\b|(?:all\s+)?back\s*[.!]?\s*$)/i;
const HABITS_SAID = /\d+\s*(?:x\b|times\b|l\b|litres?\b)/i;

/** How a time was lived of which nothing was logged, as a line says it. */
const livedIn = (text: string): Lived | undefined =>
	AWAY.test(text) ? 'away' : LESS.test(text) ? 'less' : AS_USUAL.test(text) ? 'as-usual' : undefined;

/** Since when, and until when where it says so; weekdays and dates are of what was. */
function spanIn(
	text: string,
	{ nowMs, timeZone }: QuickContext
): { sinceMs: number; toMs: number } | undefined {
	const [first, second] = casual.parse(text, clockOf(nowMs, timeZone));
	if (!first) return undefined;
	const end = first.end ?? second?.start;
	const edge = (part: typeof first.start, late: boolean): number => {
		let ms = part.date().getTime();
		if (ms > nowMs && part.isCertain('weekday') && !part.isCertain('day')) ms -= 7 * DAY_MS;
		if (part.isCertain('hour')) return ms;
		const startMs = zonedMs(zonedTime(ms, timeZone).day, timeZone);
		return late ? startMs + DAY_MS : startMs;
	};
	return { sinceMs: edge(first.start, false), toMs: Math.min(nowMs, end ? edge(end, true) : nowMs) };
}

/**
 * `back aboard`, `we are back since noon`: who is aboard again after nobody was, as was said or as the silence has it.
 *
 * @returns nothing where nobody was away
 */
function backLine(
	text: string,
	{ nowMs, timeZone, silentSinceMs, persons, trip, rig }: QuickContext
): { readonly reading: LineReading; readonly atMs: number } | undefined {
	const [when] = casual.parse(text, clockOf(nowMs, timeZone));
	const atMs = Math.min(nowMs, when?.start.isCertain('hour') ? when.start.date().getTime() : nowMs);
	const usual = trip?.persons ?? rig.crew;
	const aboard: Happening = { kind: 'crew', persons: usual > 0 ? usual : rig.crew };
	if (persons === 0) return { reading: [one(aboard)], atMs };
	return silentSinceMs !== undefined && silentSinceMs < atMs
		? {
				reading: [one({ kind: 'gap', since: zonedIso(silentSinceMs, timeZone), lived: 'away' })],
				atMs
			}
		: undefined;
}

/**
 * A stretch of which nothing was logged: `we were away since friday`, `lived as usual`, `less than usual since sunday`. Without a
 * time it is the silence that is asked about.
 *
 * @returns how it is understood, and the moment of the entry, ms; nothing where a line says nothing of it
 */
export function gapLine(
	text: string,
	context: QuickContext
): { readonly reading: LineReading; readonly atMs: number } | undefined {
	if (BACK.test(text)) return backLine(text, context);
	const lived = livedIn(text);
	if (!lived || HABITS_SAID.test(text)) return undefined;
	const { nowMs, timeZone, silentSinceMs } = context;
	const span =
		spanIn(text, context) ??
		(silentSinceMs === undefined ? undefined : { sinceMs: silentSinceMs, toMs: nowMs });
	if (!span)
		return {
			reading: problem(
				'Since when? For example “we were away since Friday”.',
				'we were away since Friday',
				'lived as usual since yesterday'
			),
			atMs: nowMs
		};
	if (!(span.sinceMs < span.toMs)) return undefined;
	return {
		reading: [{ does: [{ kind: 'gap', since: zonedIso(span.sinceMs, timeZone), lived }] }],
		atMs: span.toMs
	};
}
