import { problem, type NoMeaning, type QuickContext } from '../context.js';
import { hiding, shielded } from './shield.js';
import { namesOf } from './things.js';
import { AND_A_HALF, takeTime, type Moment } from './time.js';

/** One of the things that a line says, and when it was. */
export interface Thing {
	readonly text: string;
	/** what stood between it and the one before */
	readonly seam: string;
	readonly moments: readonly Moment[];
	readonly named: boolean;
}

const SEAM = /\s*(?:,(?!\d)|;|\n+|\.\s+(?=\p{L})|\s&\s|\s\+\s|(?<=\s)(?:and then|then|and|plus)(?=\s))\s*/giu;

/** `an hour and a half ago` has no seam in it. */
const wholeTimes = (text: string): string => {
	const found = AND_A_HALF.exec(text);
	return found ? hiding(text, found.index, found[0].length) : text;
};

/** Cuts a line at its seams; names that hold one stay whole. */
function cut(
	text: string,
	names: readonly string[]
): readonly { readonly text: string; readonly seam: string }[] {
	const pieces: { text: string; seam: string }[] = [];
	let [from, seam] = [0, ''];
	for (const found of wholeTimes(shielded(text, names)).matchAll(SEAM)) {
		if (pieces.length > 0 && A_NOTE.test(text.slice(from).trim())) break;
		const piece = text.slice(from, found.index).trim();
		if (piece !== '') {
			pieces.push({ text: piece, seam });
			seam = found[0];
		}
		from = found.index + found[0].length;
	}
	const last = text.slice(from).trim();
	return last === '' ? pieces : [...pieces, { text: last, seam }];
}

/** A thing that is a note, to its end. */
export const A_NOTE = /^note(?![\p{L}\p{N}'’-])/iu;
/** `6 L`, `3 minutes`: of what was said before it. */
const ONLY_AN_AMOUNT =
	/^(?:for\s+)?\d+(?:[.,]\d+)?\s*(?:l|litres?|liters?|(?:us |imp )?gal(?:lons?)?|mins?|minutes?|x|times)?$/i;
const MEASURES = /\b(meter|rod|gauge|dip|dipped|dipstick|level|sender)\b/i;

/** `grey open`, `open the black valve`: of the hook-up that was said before it, or of the valves. */
const A_VALVE = /\b(open(ed)?|shut|closed?)\b/i;
const A_HOOKUP = /\b(hook(ed|ing)?[ -]?up|plugged in|connected|mains|sewer|open(ed)?|shut|closed?)\b/i;

/** The things of a line with their times; one at either end of the whole line is of all of them. */
export function timed(text: string, context: QuickContext): readonly Thing[] | NoMeaning {
	const { nowMs, timeZone } = context;
	const names = namesOf(context);
	const things: Thing[] = [];
	let ofAllAlone: readonly Moment[] | undefined;
	for (const piece of cut(text, names)) {
		const before = things.at(-1);
		if (A_NOTE.test(piece.text)) {
			things.push({ ...piece, moments: [{ ms: nowMs }], named: false });
			continue;
		}
		const found = takeTime(piece.text, nowMs, timeZone, names, MEASURES.test(piece.text));
		if ('problem' in found) return problem(found.problem);
		const { rest, moments, named } = found;
		// A time by itself: once more what was done before at a time, else when all of it was.
		if (rest === '' && before?.named) things.push({ ...before, seam: piece.seam, moments });
		else if (rest === '') ofAllAlone = moments;
		else if (before && ONLY_AN_AMOUNT.test(rest) && piece.seam.trim() === ',')
			things.splice(-1, 1, {
				...before,
				text: `${before.text} ${rest}`,
				...(named ? { moments, named } : {})
			});
		else if (before && A_VALVE.test(rest) && A_HOOKUP.test(before.text))
			things.splice(-1, 1, {
				...before,
				text: `${before.text} ${rest}`,
				...(named ? { moments, named } : {})
			});
		else things.push({ text: rest, seam: piece.seam, moments, named });
	}
	const [first, last] = [things[0], things.at(-1)];
	if (!first || !last) return problem('What happened after that?');
	const dated = things.filter(({ named }) => named);
	const atStart = first.named && text.trim().endsWith(last.text) && !text.trim().startsWith(first.text);
	const atEnd = last.named && text.trim().startsWith(first.text) && !text.trim().endsWith(last.text);
	const ofAll = ofAllAlone ?? (dated.length === 1 && (atStart || atEnd) ? dated[0]?.moments : undefined);
	return ofAll
		? things.map((thing) => (thing.named && ofAllAlone ? thing : { ...thing, moments: ofAll }))
		: things;
}
