import type { Gauge, Tank } from '../../logbook/index.js';
import { tankById, usableOf } from '../../rig/index.js';
import { formatFigure, formatLitres } from '../../units/index.js';
import { listed, sayHappening } from '../../words/index.js';
import { addingGauge, type GaugeKind } from './adding.js';
import {
	one,
	problem,
	type LineReading,
	type Meaning,
	type NoMeaning,
	type QuickContext
} from '../context.js';
import { meaningful, thingsNamed } from '../lexing/names.js';
import { instrumentWords, markLine } from './observations.js';
import { likelyMeant } from './plausible.js';
import { tanksNamed, usualFresh } from './tanks.js';
import { quantityOf, type FigureToken, type TokenLine } from '../lexing/tokens.js';

const gaugesOf = ({ rig }: QuickContext): readonly Gauge[] =>
	rig.instruments.filter((instrument): instrument is Gauge => instrument.kind === 'gauge');

const FRACTION_WORDS: ReadonlyMap<string, string> = new Map([
	['one third', '1/3'],
	['a third', '1/3'],
	['third', '1/3'],
	['two thirds', '2/3'],
	['half', '1/2'],
	['one half', '1/2'],
	['half full', '1/2'],
	['half empty', '1/2'],
	['quarter', '1/4'],
	['one quarter', '1/4'],
	['a quarter', '1/4'],
	['three quarters', '3/4'],
	['e', 'empty'],
	['f', 'full'],
	['3/3', 'full'],
	['4/4', 'full'],
	['2/4', '1/2'],
	['0', 'empty'],
	['⅓', '1/3'],
	['⅔', '2/3'],
	['½', '1/2'],
	['¼', '1/4'],
	['¾', '3/4']
]);

const plainReading = (reads: string): string => {
	const text = reads.toLowerCase().trim().replaceAll(/\s+/g, ' ');
	return FRACTION_WORDS.get(text) ?? text;
};

const isNumeric = (gauge: Gauge): boolean => typeof gauge.curve[0]?.reads === 'number';

/** Words that go with a figure of a level and say nothing more. */
const LEVEL_WORDS = new Set([
	'full',
	'left',
	'aboard',
	'level',
	'stands',
	'remaining',
	'lights',
	'light',
	'gauge',
	'sender',
	'by',
	'eye'
]);

/** What is left of the words once those that name the tank or gauge are gone, the longest name first. */
function behindName(
	words: readonly string[],
	named: (words: readonly string[]) => boolean
): readonly string[] | undefined {
	for (let cut = words.length; cut > 0; cut--) if (named(words.slice(0, cut))) return words.slice(cut);
	return undefined;
}

/** What a gauge's words leave over once the words that name it are gone, as a reading it can show. */
function valueShown(gauge: Gauge, words: readonly string[], line: TokenLine): number | string | undefined {
	const [figure] = line.figures;
	const lights = gauge.curve.map(({ reads }) => reads);
	if (!isNumeric(gauge)) {
		if (line.figures.length > 1 || (figure && words.some((word) => !LEVEL_WORDS.has(word)))) return undefined;
		const said = plainReading(figure && figure.unit === '' ? figure.text : words.join(' '));
		return lights.find((reads) => plainReading(String(reads)) === said);
	}
	const top = Math.max(...lights.map(Number));
	const half = plainReading(words.join(' ')) === '1/2' && !figure;
	if (half) return top / 2;
	if (
		!figure ||
		line.figures.length > 1 ||
		words.some((word) => !LEVEL_WORDS.has(word)) ||
		(figure.unit !== '' && figure.unit !== '%')
	)
		return undefined;
	if (figure.unit === '%' && top !== 100) return undefined;
	return figure.fraction && top > 1 ? Number((figure.value * top).toFixed(3)) : figure.value;
}

/** Whether a numeric gauge can show a figure. */
const canReach = (gauge: Gauge, value: number | string): boolean => {
	if (typeof value === 'string') return true;
	const ends = gauge.curve.map(({ reads }) => Number(reads));
	const [low, high] = [Math.min(...ends), Math.max(...ends)];
	return value >= low - 0.02 * (high - low) && value <= high + 0.05 * (high - low);
};

/** `grey 2/3`, `gauge grey two thirds`, `grey lights full`, `fresh 60 %`, in a rig that has the gauge. */
export function gaugeLine(line: TokenLine, context: QuickContext): readonly Meaning[] {
	const words = meaningful(line.words).filter((word) => word !== 'gauge');
	return gaugesOf(context).flatMap((gauge): readonly Meaning[] => {
		const also = instrumentWords(context)(gauge);
		const alone = words.length === 0 || line.words[0] === 'gauge';
		const named = (some: readonly string[]): boolean => thingsNamed(some, [gauge], () => also).length > 0;
		const rest = behindName(words, named) ?? (alone ? words : undefined);
		if (rest === undefined) return [];
		const value = valueShown(gauge, rest, line);
		return value === undefined || !canReach(gauge, value)
			? []
			: [one({ kind: 'reading', instrument: gauge.id, value })];
	});
}

/** A reading between a numeric gauge's ends at which it shows some litres. */
function readingAt(gauge: Gauge, litres: number): number | undefined {
	const points = gauge.curve
		.map(({ reads, litres: at }) => ({ reads: Number(reads), litres: at }))
		.sort((a, b) => a.litres - b.litres);
	for (let i = 1; i < points.length; i++) {
		const [low, high] = [points[i - 1], points[i]];
		if (low && high && litres >= low.litres && litres <= high.litres && high.litres > low.litres)
			return low.reads + ((litres - low.litres) / (high.litres - low.litres)) * (high.reads - low.reads);
	}
	return undefined;
}

const inThirds = ({ value }: FigureToken): boolean => Math.abs(value * 3 - Math.round(value * 3)) < 1e-9;
const ofParts = (value: number, parts: 3 | 4): string =>
	value === 0
		? 'empty'
		: value === 1
			? 'full'
			: parts === 4 && value === 0.5
				? '1/2'
				: `${Math.round(value * parts)}/${parts}`;

/** What a level was said to be. */
interface Said {
	readonly kind: GaugeKind;
	/** as a gauge of that kind shows it; litres in the base unit */
	readonly value: number | string;
	readonly litres: number;
}

function levelSaid(
	words: readonly string[],
	line: TokenLine,
	tank: Tank,
	context: QuickContext
): Said | undefined {
	const serves = usableOf(tank);
	const said = plainReading(words.filter((word) => !LEVEL_WORDS.has(word) || word === 'full').join(' '));
	const [figure] = line.figures;
	if (!figure) {
		const parts = /^(\d)\/(\d)$/.exec(said);
		if (!parts) return undefined;
		const value = Number(parts[1]) / Number(parts[2]);
		const kind = parts[2] === '3' ? 'thirds' : 'quarters';
		return { kind, value: ofParts(value, kind === 'thirds' ? 3 : 4), litres: value * serves };
	}
	if (words.some((word) => !LEVEL_WORDS.has(word))) return undefined;
	if (figure.fraction && figure.unit === '') {
		if (inThirds(figure))
			return { kind: 'thirds', value: ofParts(figure.value, 3), litres: figure.value * serves };
		const quarters = Math.abs(figure.value * 4 - Math.round(figure.value * 4)) < 1e-9;
		return quarters
			? { kind: 'quarters', value: ofParts(figure.value, 4), litres: figure.value * serves }
			: { kind: 'percent', value: Number((100 * figure.value).toFixed(1)), litres: figure.value * serves };
	}
	if (figure.unit === '%')
		return { kind: 'percent', value: figure.value, litres: (figure.value / 100) * serves };
	const litres = quantityOf(line, 'volume', context.units);
	return litres === undefined ? undefined : { kind: 'litres', value: Number(litres.toFixed(3)), litres };
}

/** A little more than a tank serves may stand in it. */
const OVER = 1.15;

function tooHigh(tank: Tank, { kind, litres, value }: Said, context: QuickContext): NoMeaning {
	const serves = usableOf(tank);
	const likely = likelyMeant(litres, (less) => less <= OVER * serves && less >= 0.01 * serves);
	const say = (l: number): string =>
		kind === 'percent' ? `${formatFigure((100 * l) / serves)}%` : formatLitres(l, context.units);
	const typed = kind === 'percent' ? `${value}%` : formatLitres(litres, context.units);
	return problem(
		`${tank.name} has ${formatLitres(serves, context.units)} usable; ${typed} is more.${likely === undefined ? ' Check the figure and its unit.' : ` Did you mean ${say(likely)}?`}`,
		...(likely === undefined ? [] : [`${tank.name.toLowerCase()} ${say(likely).replaceAll('\u00a0', ' ')}`])
	);
}

/** A level of one tank, told by what the rig has for it, else with a gauge that would tell it. */
function levelOf(tank: Tank, said: Said, line: TokenLine, context: QuickContext): LineReading {
	if (said.litres < 0) return problem('A level can’t be below 0.');
	if (said.litres > OVER * usableOf(tank)) return tooHigh(tank, said, context);
	const gauges = gaugesOf(context).filter((gauge) => gauge.tank === tank.id && isNumeric(gauge));
	const shown = gauges.flatMap((gauge): readonly Meaning[] => {
		const value = readingAt(gauge, said.litres);
		if (value === undefined) return [];
		const happening = { kind: 'reading', instrument: gauge.id, value: Number(value.toFixed(2)) } as const;
		return [
			one(happening, {
				says: `${
					said.kind === 'thirds' || said.kind === 'quarters'
						? `${gauge.name} at ${said.value}`
						: sayHappening(happening, context)
				}, that is ${formatLitres(said.litres, context.units)} in ${tank.name}`
			})
		];
	});
	if (shown.length > 0) return shown;
	const offer = addingGauge(said.kind, tank, said.value, context);
	// A bare number behind a fresh tank's name may just as well be what went in.
	const mayBeFill =
		said.kind === 'litres' &&
		(line.figures[0]?.unit === '' || line.words.includes('of')) &&
		tank.holds === 'fresh' &&
		said.litres > 0;
	return mayBeFill ? [one({ kind: 'fill', tank: tank.id, litres: said.litres }), offer] : [offer];
}

/** `fresh 60 L`, `black 1/3`, `grey 69 %`, `grey half`, `jug 2 empty`: a tank by what it holds. */
export function levelLine(line: TokenLine, context: QuickContext): LineReading | undefined {
	const said = meaningful(line.words).filter((word) => word !== 'gauge');
	// "8 L left in the jug": the tank behind its level.
	const name = said.findIndex(
		(word) => !LEVEL_WORDS.has(word) && !/^(half|thirds?|quarters?|one|two|three)$/.test(word)
	);
	const words = name > 0 ? [...said.slice(name), ...said.slice(0, name)] : said;
	if (words.length === 0 || line.figures.length > 1) return undefined;
	const { rig } = context;
	// "20 L left": of the water that is drawn from.
	if (words.every((word) => LEVEL_WORDS.has(word)) && words.some((word) => /^(left|remaining)$/.test(word))) {
		const usual = usualFresh(context).flatMap((tank) => {
			const level = levelSaid(words, line, tank, context);
			return level ? [levelOf(tank, level, line, context)] : [];
		});
		const read = usual.flatMap((one) => ('problem' in one ? [] : one));
		return read.length > 0 ? read : usual[0];
	}
	const rest = behindName(words, (some) => tanksNamed(some, rig.tanks, context).length > 0);
	if (rest === undefined) return undefined;
	const tanks = tanksNamed(words.slice(0, words.length - rest.length), rig.tanks, context);
	const answers = tanks.flatMap((tank) => {
		const said = levelSaid(rest, line, tank, context);
		return said ? [levelOf(tank, said, line, context)] : [];
	});
	const meanings = answers.flatMap((answer) => ('problem' in answer ? [] : answer));
	return meanings.length > 0 ? meanings : answers[0];
}

/** A tank's name and then its state: seen with one's own eyes. */
export function tankState(line: TokenLine, context: QuickContext): readonly Meaning[] {
	const words = meaningful(line.words);
	const state = words.at(-1);
	if ((state !== 'full' && state !== 'empty') || words.length < 2 || line.figures.length > 0) return [];
	const answer = markLine(state, words.slice(0, -1), context);
	return 'problem' in answer ? [] : answer;
}

/** What a gauge could show, for a line that names one but no reading of it. */
export function gaugeHelp(line: TokenLine, context: QuickContext): string | undefined {
	const words = meaningful(line.words).filter((word) => word !== 'gauge');
	const gauges = gaugesOf(context);
	const [gauge] =
		words.length === 0 ? gauges : thingsNamed(words.slice(0, 1), gauges, instrumentWords(context));
	if (!gauge) return undefined;
	const lights = gauge.curve.map(({ reads }) => (typeof reads === 'string' ? `“${reads}”` : String(reads)));
	return `What does ${gauge.name} show? ${isNumeric(gauge) ? `A number from ${lights[0]} to ${lights.at(-1)}.` : `One of ${listed(lights)}.`}`;
}

/** Whether a line begins with a tank or a gauge. */
export const namesAGauge = (line: TokenLine, context: QuickContext): boolean =>
	line.words.includes('gauge') ||
	(line.words.length > 0 &&
		gaugesOf(context).some(({ tank }) => {
			const of = tankById(context.rig, tank);
			return of !== undefined && thingsNamed(line.words.slice(0, 1), [of], ({ holds }) => [holds]).length > 0;
		}));
