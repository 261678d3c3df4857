import { zonedIso, type EntryDraft, type Happening } from '../logbook/index.js';
import { listed, sayHappening } from '../words/index.js';
import { isProblem, oneTooMany, problem, type Answer, type QuickContext, type Meaning } from './context.js';
import { dumpLine, fillLine, swapLine, tanksNamed, transferLine, useLine } from './movements.js';
import { meaningful, namedBy } from './names.js';
import { gaugeHelp, gaugeLine, markLine, meterLine, rodLine, stopLine } from './observations.js';
import { takeTime, type Moment } from './time.js';
import { figureBeyond, readLine, type Line } from './tokens.js';

/** One way to understand a whole line: the entry it makes, and the same in words. */
export interface Understood {
	readonly draft: EntryDraft;
	/** an entry that is written before it, of the same moment */
	readonly first?: EntryDraft;
	readonly atMs: number;
	readonly says: string;
	readonly warns?: string;
}

/** What a line may mean, likeliest first; or, when it means nothing, why and what would. */
export type QuickAnswer =
	| { readonly kind: 'nothing' }
	| { readonly kind: 'understood'; readonly matches: readonly Understood[] }
	| { readonly kind: 'problem'; readonly problem: string };

const MOST_MATCHES = 6;

const SWITCH: ReadonlyMap<string, boolean> = new Map([
	['on', true],
	['off', false],
	['start', true],
	['stop', false]
]);

function switchLine(line: Line, context: QuickContext): Answer | undefined {
	const state = line.words.map((word) => SWITCH.get(word)).find((on) => on !== undefined);
	if (state === undefined) return undefined;
	const words = meaningful(line.words).filter((word) => !SWITCH.has(word));
	if (words.includes('mains') || words.includes('hookup'))
		return [
			{
				happening: { kind: 'hookup', mains: state, sewer: context.sewer ?? false },
				...(state ? { warns: 'A pressure regulator at the tap protects the pipes.' } : {})
			}
		];
	if (words.includes('sewer'))
		return [
			{
				happening: { kind: 'hookup', mains: context.mains ?? false, sewer: state }
			}
		];
	const measures = namedBy(words, context.rig.measures);
	return measures.length > 0
		? measures.map((measure) => ({
				happening: { kind: 'measure', measure: measure.id, on: state }
			}))
		: undefined;
}

function crewLine(line: Line): Answer {
	const beyond = figureBeyond(line, 1);
	if (beyond !== undefined) return oneTooMany(beyond);
	const persons = line.figures[0]?.value;
	if (persons === undefined || !Number.isInteger(persons) || persons < 0 || persons > 60)
		return problem('How many are aboard? Say it as in “crew 3”.');
	return [{ happening: { kind: 'crew', persons } }];
}

function careLine(words: readonly string[], context: QuickContext): Answer {
	const tasks = namedBy(meaningful(words), context.rig.care);
	if (tasks.length === 0)
		return problem(
			context.rig.care.length > 0
				? `What was done? There is ${listed(context.rig.care.map(({ name }) => name))}.`
				: 'This rig has no care tasks yet.'
		);
	return tasks.map((task) => ({ happening: { kind: 'care', task: task.id } }));
}

/** Lines that begin with a verb of their own. */
function verbLine(text: string, line: Line, context: QuickContext): Answer | undefined {
	const [verb = '', ...rest] = line.words;
	const after: Line = { ...line, words: rest };
	switch (verb) {
		case 'fill':
		case 'filled':
			return fillLine(after, context);
		case 'dump':
		case 'dumped':
			return dumpLine(after, context);
		case 'transfer':
		case 'pour':
		case 'poured':
			return transferLine(after, context);
		case 'swap':
		case 'swapped':
			return swapLine(after, context);
		case 'full':
		case 'empty':
			return markLine(verb, rest, context);
		case 'crew':
		case 'persons':
		case 'aboard':
			return crewLine(after);
		case 'rod':
		case 'dip':
			return rodLine(text, context);
		case 'arrive':
		case 'arrived':
			return stopLine('arrive', rest, context);
		case 'depart':
		case 'leave':
		case 'left':
			return stopLine('depart', rest, context);
		case 'done':
			return careLine(rest, context);
		default:
			return undefined;
	}
}

/** A tank's name and then its state: seen with one's own eyes. */
function tankState(line: Line, context: QuickContext): readonly Meaning[] {
	const state = line.words.at(-1);
	if ((state !== 'full' && state !== 'empty') || line.words.length < 2 || line.figures.length > 0) return [];
	const answer = markLine(state, line.words.slice(0, -1), context);
	return isProblem(answer) ? [] : answer;
}

/** Everything a line may mean without its time, its words and figures being told apart. */
function readingsOf(text: string, line: Line, context: QuickContext): Answer {
	const { words } = line;
	const byVerb = verbLine(text, line, context);
	if (byVerb) return byVerb;
	if (words.includes('meter') || words.includes('reset')) return meterLine(line, context);
	if (words.includes('rod')) return rodLine(text, context);
	const switched = switchLine(line, context);
	if (switched) return switched;
	const used = useLine(line, context);
	const seen = [...gaugeLine(line, context), ...tankState(line, context)];
	if (used && !isProblem(used)) return [...used, ...seen];
	if (seen.length > 0) return seen;
	if (used) return used;
	const help = namesAGauge(line, context) ? gaugeHelp(line, context) : undefined;
	return problem(help ?? notKnown(words, context));
}

/** The names in which a digit may stand. */
const namesOf = ({ rig, trip }: QuickContext): readonly string[] =>
	[
		...rig.tanks,
		...rig.habits,
		...rig.instruments,
		...rig.measures,
		...rig.care,
		...rig.outlets,
		...(trip?.stops ?? [])
	].map(({ name }) => name);

/**
 * Everything a line may mean without its time. Where a number could belong to a name or be an amount, the name is
 * taken when the line is whole with it; a use may be either, and both are offered; else the person is asked.
 */
function allReadings(text: string, context: QuickContext): Answer {
	const [named, plain] = [readLine(text, namesOf(context)), readLine(text)];
	const first = readingsOf(text, named, context);
	if (named.figures.length === plain.figures.length) return first;
	const second = readingsOf(text, plain, context);
	if (isProblem(second)) return first;
	if (isProblem(first))
		return problem(
			`${first.problem} A number may be part of a name here: put the unit to an amount, as in “${text} L”.`
		);
	return [...first, ...second.filter(({ happening }) => happening.kind === 'use')];
}

const namesAGauge = (line: Line, context: QuickContext): boolean =>
	line.words.includes('gauge') ||
	(line.words.length > 0 &&
		context.rig.tanks.some(
			(tank) => namedBy(line.words.slice(0, 1), [tank], ({ holds }) => [holds]).length > 0
		));

const notKnown = (words: readonly string[], context: QuickContext): string => {
	const [tank] = words.length > 0 ? tanksNamed(meaningful(words), context.rig.tanks) : [];
	if (tank) {
		const name = tank.name.toLowerCase();
		const lines =
			tank.holds === 'fresh'
				? [`“fill ${name} 40”`, `“${name} full”`, `“${name} empty”`]
				: [`“dump ${name}”`, `“${name} full”`, `“${name} empty”`];
		return `What of ${tank.name}? Say it as in ${listed(lines)}.`;
	}
	const habits = context.rig.habits.slice(0, 3).map(({ name }) => `“${name.toLowerCase()}”`);
	const said = words.length > 0 ? `“${words.join(' ')}” is` : 'That is';
	return `${said} no habit, tank or instrument of ${context.rig.name}. Try ${listed([...habits, '“fill 40”', '“dump grey”', '“note …”'])}.`;
};

const NOTE = /^note\b\s*/i;

const understood = (reading: Meaning, moment: Moment, context: QuickContext): Understood => {
	const warns = [reading.warns, moment.warns].filter((text) => text !== undefined).join(' ');
	const draftOf = (happening: Happening): EntryDraft =>
		({
			...happening,
			at: zonedIso(moment.ms, context.timeZone),
			...(context.trip ? { trip: context.trip.id } : {}),
			source: ('source' in happening && happening.source) || 'hand'
		}) as EntryDraft;
	return {
		draft: draftOf(reading.happening),
		...(reading.first ? { first: draftOf(reading.first) } : {}),
		atMs: moment.ms,
		says: reading.says ?? sayHappening(reading.happening, context),
		...(warns === '' ? {} : { warns })
	};
};

/**
 * Understands a line as a person would say it: `shower 2`, `fill 60`, `dump grey`, `meter 412.6`, `rod 118`,
 * `grey 2/3`, `yesterday 21:30 dishes`, `crew 3`, `full grey`, `note hose drips`.
 */
export function understand(text: string, context: QuickContext): QuickAnswer {
	if (text.trim() === '') return { kind: 'nothing' };
	const { nowMs, timeZone } = context;
	const begun = takeTime(text, nowMs, timeZone, 'start');
	const note = 'rest' in begun ? NOTE.exec(begun.rest) : null;
	const timed = note ? begun : takeTime(text, nowMs, timeZone);
	if ('problem' in timed) return { kind: 'problem', problem: timed.problem };
	if (timed.rest === '') return { kind: 'problem', problem: 'And what happened then?' };
	const readings: Answer = note
		? noteLine(timed.rest.slice(note[0].length))
		: allReadings(timed.rest, context);
	if (isProblem(readings)) return { kind: 'problem', problem: readings.problem };
	const matches = readings.flatMap((reading) =>
		timed.moments.map((moment) => understood(reading, moment, context))
	);
	return { kind: 'understood', matches: toldApart(matches.slice(0, MOST_MATCHES)) };
}

/** Things of one name are told apart by their place in the rig or the trip. */
function toldApart(matches: readonly Understood[]): readonly Understood[] {
	const seen = new Map<string, number>();
	return matches.map((match) => {
		const key = `${match.says}|${match.atMs}`;
		const before = seen.get(key) ?? 0;
		seen.set(key, before + 1);
		return before === 0 ? match : { ...match, says: `${match.says} (number ${before + 1} of that name)` };
	});
}

const noteLine = (text: string): Answer =>
	text === '' ? problem('What is the note?') : [{ happening: { kind: 'note', text } }];
