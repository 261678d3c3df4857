import { capitalName, doneBy, isOfRig, takePerson } from './acts.js';
import { inTheNegative, readClause } from './clause.js';
import { verbOf } from './verbs.js';
import { notDone, stanceOf } from '../lexing/stance.js';
import {
	isProblem,
	problem,
	type LineReading,
	type Meaning,
	type NoMeaning,
	type QuickContext
} from '../context.js';
import { meaningful, thingsNamed, plainWords } from '../lexing/names.js';
import type { Thing } from '../lexing/parts.js';
import { namesOf } from '../lexing/things.js';
import type { Moment } from '../lexing/time.js';
import { readLine } from '../lexing/tokens.js';

/** A meaning with its moments. */
export interface Dated {
	readonly meanings: readonly Meaning[];
	readonly moments: readonly Moment[];
}

/** So much of a note is said again. */
const SHOWN = 80;

/** A note that keeps its every word. */
export const noteOf = (text: string): readonly Meaning[] => [
	{
		does: [{ kind: 'note', text }],
		says: `Note: ${text.length > SHOWN ? `${text.slice(0, SHOWN - 1)}…` : text}`
	}
];

const STATE_BEHIND = /\s((?:is |are |was |were )?(?:full|empty|half|dumped|emptied|filled|poured))$/i;

/** Whether a thing was understood, and all of it. */
const isWhole = (read: LineReading): read is readonly Meaning[] =>
	!isProblem(read) && read.every(({ loses }) => loses === undefined);

const ONLY_A_NAME = /^\p{L}[\p{L}'’-]+$/u;

/** `Ivo and Ines showered`, `shower by Ivo and Ines`: a thing that is somebody's name is of what its neighbour did. */
function takePeople(things: readonly Thing[], i: number, context: QuickContext): LineReading | undefined {
	const name = things[i]?.text ?? '';
	const isPerson = (text: string): boolean =>
		ONLY_A_NAME.test(text) &&
		!isOfRig(text, context) &&
		((context.people ?? []).some((known) => known.toLowerCase() === text.toLowerCase()) ||
			/^\p{Lu}/u.test(text));
	if (things.length < 2 || !isPerson(name)) return undefined;
	const near = [...things.slice(i + 1), ...things.slice(0, i).toReversed()].find(
		({ text }) => !isPerson(text)
	);
	const whose = near && takePerson(near.text, context);
	if (!whose || whose.rest === '') return undefined;
	const read = readClause(whose.rest, context, true);
	return isWhole(read) && read.every(({ does }) => does.every(({ kind }) => kind === 'use'))
		? doneBy(read, { by: capitalName(name, context), rest: '', isNew: false }, context)
		: undefined;
}

/** A thing by itself, else with the verb of the one before it or the state of one behind: `dump grey and black`. */
function readThing(things: readonly Thing[], i: number, context: QuickContext): LineReading {
	const thing = things[i];
	if (!thing) return [];
	const at = { ...context, atMs: thing.moments[0]?.ms, several: things.length > 1 };
	const [, noted] = /^note\b\s*:?\s*([\s\S]*)$/i.exec(thing.text) ?? [];
	if (noted !== undefined) return noted === '' ? problem('What is the note?') : noteOf(noted);
	const stance = stanceOf(thing.text, context);
	if (stance) {
		const saidSo = inTheNegative(thing.text, context);
		if (saidSo) return saidSo;
		const others = things.filter((_, k) => k !== i).map(({ text }) => text);
		return notDone(thing.text, stance, ...(others.length > 0 ? [others.join(', ')] : []));
	}
	const people = takePeople(things, i, at);
	if (people) return people;
	const before = things.slice(0, i).findLast(({ text }) => verbOf(readLine(text).words)?.at === 0);
	// "jug 1 and 2": another number in the place of the last.
	const numbered = /^\d+$/.test(thing.text) ? (things[i - 1]?.text.replace(/\d+$/, '') ?? '') : '';
	if (numbered !== '' && numbered !== things[i - 1]?.text)
		return readClause(`${numbered}${thing.text}`, at, true);
	const strictly = readClause(thing.text, at, true);
	if (!isProblem(strictly) && strictly.every(({ adds, loses }) => adds === undefined && loses === undefined))
		return strictly;
	const verb = /^\S+/.exec(before?.text ?? '')?.[0];
	const behind = things
		.slice(i + 1)
		.map(({ text }) => STATE_BEHIND.exec(text)?.[1])
		.find((state) => state !== undefined);
	const withMore = [
		...(verb === undefined || !/\p{L}/u.test(thing.text) ? [] : [`${verb} ${thing.text}`]),
		...(behind === undefined ? [] : [`${thing.text} ${behind}`])
	];
	for (const text of withMore) {
		const read = readClause(text, at, true);
		if (isWhole(read)) return read;
	}
	return readClause(thing.text, at);
}

/** Whether neighbours are words of one and the same name: of `Kettle and pots`, and not of that and `Dishes`. */
function isOneName(things: readonly Thing[], context: QuickContext): boolean {
	const words = meaningful(plainWords(things.map(({ text }) => text).join(' '))).filter(
		(word) => !/^\d/.test(word)
	);
	return (
		thingsNamed(
			words,
			namesOf(context).map((name) => ({ id: name, name }))
		).length > 0
	);
}

/** Reads the things of a line; neighbours that are one by their names are read as one. */
export function readThings(things: readonly Thing[], context: QuickContext): readonly Dated[] | NoMeaning {
	const read: Dated[] = [];
	/** a name of several parts may have been said in part */
	const seamed = namesOf(context).some((name) => /[,;&+]|\band\b/i.test(name));
	for (let i = 0; i < things.length;) {
		const thing = things[i];
		if (!thing) break;
		let taken = 1;
		let answer: LineReading | undefined;
		for (let to = seamed ? things.length : 0; to > i + 1 && !answer; to--) {
			const joined = things.slice(i, to);
			if (new Set(joined.map(({ text }) => text.toLowerCase())).size < joined.length) continue;
			if (!isOneName(joined, context)) continue;
			if (joined.some(({ moments }) => moments[0]?.ms !== thing.moments[0]?.ms)) continue;
			const text = joined
				.map(({ text: piece, seam }, at) =>
					at === 0 ? piece : `${seam.trim() === ',' ? ', ' : ` ${seam.trim()} `}${piece}`
				)
				.join('');
			const whole = readClause(text, { ...context, atMs: thing.moments[0]?.ms }, true);
			if (isWhole(whole)) [answer, taken] = [whole, to - i];
		}
		answer ??= readThing(things, i, context);
		if (isProblem(answer))
			return things.length === 1 ? answer : problem(`“${thing.text}”: ${answer.problem}`);
		read.push({ meanings: answer, moments: thing.moments });
		i += taken;
	}
	return read;
}
