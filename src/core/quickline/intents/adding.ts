import type { Gauge, Habit, Meter, Rod, Tank } from '../../logbook/index.js';
import { usableOf } from '../../rig/index.js';
import { formatLitres, formatQuantity, toBase } from '../../units/index.js';
import { sayHappening, type Happening } from '../../words/index.js';
import { conceptIn, likelyOutlet } from '../lexing/concepts.js';
import {
	freeId,
	freeName,
	one,
	problem,
	withAddition,
	type Addition,
	type LineReading,
	type Meaning,
	type Named,
	type NoMeaning,
	type QuickContext
} from '../context.js';
import { GRAMMAR } from '../lexing/accounted.js';
import { meaningful, stemOf } from '../lexing/names.js';
import { likelyMeant, mostWetMm } from './plausible.js';
import { bareFigure, quantityOf, type TokenLine } from '../lexing/tokens.js';

/** A meaning that puts something into the rig first: said before what happened. */
function adding(
	addition: Addition,
	says: string,
	happening: Happening | undefined,
	context: QuickContext,
	warns?: string
): Meaning {
	const rig = withAddition(context.rig, addition);
	return {
		does: happening ? [happening] : [],
		adds: addition,
		says: happening ? `${says}; ${sayHappening(happening, { ...context, rig })}` : says,
		...(warns === undefined ? {} : { warns })
	};
}

const METER_NAMES = { pump: 'Pump meter', fill: 'Hose meter', mains: 'Mains meter' } as const;
const METER_PLACES = { pump: 'at the pump', fill: 'on the fill hose', mains: 'on the mains hose' } as const;

/** Where words say that a meter is; a meter of no place may be at the pump or on the hose. */
export function placesSaid(words: readonly string[]): readonly Meter['place'][] {
	if (words.some((word) => /^(hose|fill|tap|inlet)$/.test(word))) return ['fill'];
	if (words.some((word) => /^(mains|hookup|hook-up|city|shore|pressure)$/.test(word))) return ['mains'];
	return words.includes('pump') ? ['pump'] : ['pump', 'fill'];
}

/** A reading of a meter that the rig lacks: the meter is offered with it. */
export function addingMeter(
	words: readonly string[],
	value: number,
	reset: boolean,
	context: QuickContext
): LineReading {
	const { rig, units } = context;
	const tank = rig.tanks.find(({ holds, feeds }) => holds === 'fresh' && feeds === undefined);
	if (!tank) return problem(`${rig.name} has no fresh tank for a meter. Add one in Rig.`);
	return placesSaid(words).map((place) => {
		const meter: Meter = {
			id: freeId(rig, METER_NAMES[place]),
			kind: 'meter',
			name: METER_NAMES[place],
			place,
			tank: tank.id,
			unitL: toBase(1, units.volume),
			counts: 'up'
		};
		return adding(
			meter,
			`Adds a meter ${METER_PLACES[place]}`,
			{ kind: 'reading', instrument: meter.id, value, ...(reset ? { reset: true } : {}) },
			context
		);
	});
}

/** No tank that travels is deeper. */
const DEEPEST_MM = 2500;

/** Says that a rod is wet deeper than its tank, and what is more likely meant. */
export function tooDeep(
	depthMm: number,
	mostMm: number,
	tank: Tank | undefined,
	{ units }: QuickContext,
	typed = depthMm
): NoMeaning {
	const fits = (mm: number): boolean => mm >= 1 && mm <= mostMm;
	const likely = [typed].find(fits) ?? likelyMeant(depthMm, fits);
	const say = (mm: number): string => formatQuantity(mm, 'length', units);
	return problem(
		`${tank?.name ?? 'The tank'} is ${say(mostMm)} deep at most; ${say(depthMm)} is more.${likely === undefined ? ' Check the figure and its unit.' : ` Did you mean ${say(likely)}?`}`,
		...(likely === undefined ? [] : [`dipstick ${Number(likely.toFixed(1))} mm`])
	);
}

/** A dipped depth in a rig without a rod: the rod is offered with it, in each tank it may belong to. */
export function addingRod(
	tanks: readonly Tank[],
	depthMm: number,
	lean: { readonly rollDeg?: number; readonly pitchDeg?: number },
	context: QuickContext
): LineReading {
	const fresh = tanks.filter(({ holds, feeds }) => holds === 'fresh' && feeds === undefined);
	const meant = fresh.length > 0 ? fresh : tanks;
	const deepest = Math.max(...meant.map((tank) => mostWetMm({ at: undefined }, tank) ?? DEEPEST_MM));
	if (depthMm > deepest) return tooDeep(depthMm, deepest, meant[0], context);
	if (meant.length === 0) return problem('Which tank did you dip? For example “dipstick main 118”.');
	return meant.map((tank) => {
		const name = `${tank.name} dipstick`;
		const rod: Rod = { id: freeId(context.rig, name), kind: 'rod', name, tank: tank.id };
		return adding(
			rod,
			`Adds a dipstick for ${tank.name}`,
			{ kind: 'reading', instrument: rod.id, value: Number(depthMm.toFixed(2)), ...lean },
			context,
			tank.shape ? undefined : `Add ${tank.name}’s shape in Rig to get litres.`
		);
	});
}

const GAUGES = {
	thirds: { name: 'lights', steps: ['empty', '1/3', '2/3', 'full'] },
	quarters: { name: 'by eye', steps: ['empty', '1/4', '1/2', '3/4', 'full'] },
	percent: { name: 'gauge', top: 100 },
	litres: { name: 'litre marks', top: undefined }
} as const;
/** What a gauge that a line adds would show. */
export type GaugeKind = keyof typeof GAUGES;
const GAUGE_WORDS: Readonly<Record<GaugeKind, string>> = {
	thirds: 'lights in thirds',
	quarters: 'a gauge in quarters',
	percent: 'a gauge in percent',
	litres: 'marks in litres'
};

function gaugeOf(kind: GaugeKind, tank: Tank, context: QuickContext): Gauge {
	const serves = usableOf(tank);
	const form = GAUGES[kind];
	const name = freeName(context.rig, `${tank.name} ${form.name}`);
	const share = (part: number): number => Number((serves * part).toFixed(2));
	const curve =
		'steps' in form
			? form.steps.map((reads, i) => ({ reads, litres: share(i / (form.steps.length - 1)) }))
			: [
					{ reads: 0, litres: 0 },
					{ reads: form.top ?? serves, litres: serves }
				];
	return { id: freeId(context.rig, name), kind: 'gauge', name, tank: tank.id, curve };
}

/** A level that no gauge of the rig can show: a gauge is offered with it. */
export function addingGauge(
	kind: GaugeKind,
	tank: Tank,
	value: number | string,
	context: QuickContext
): Meaning {
	const gauge = gaugeOf(kind, tank, context);
	return adding(
		gauge,
		`Adds ${GAUGE_WORDS[kind]} to ${tank.name}`,
		{ kind: 'reading', instrument: gauge.id, value },
		context
	);
}

const SD_FRACTION = 0.3;
/** What is done once a week, until a log tells how often. */
const ONCE_A_WEEK = { times: 0.14, per: 'day', sd: 0.14 } as const;
const WORD = /^\p{L}[\p{L}'’-]{3,19}$/u;
const MOST_WORDS = 3;
/** A figure this small beside a habit's litres may be how often. */
const MOST_TIMES = 5;

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Words that the rig knows no habit by: a habit of that name is offered, with the litres that were said. */
export function addingHabit(
	line: TokenLine & { readonly text: string },
	context: QuickContext
): readonly Meaning[] {
	const words = meaningful(line.words).filter(
		(word) => !/^(litres|both|all|each|everyone|everybody)$/.test(word)
	);
	const spoken = conceptIn(line.words);
	const [figure, second] = line.figures;
	const plain =
		words.length > 0 &&
		words.length <= MOST_WORDS &&
		(spoken !== undefined || words.every((word) => WORD.test(word)));
	if (second || !plain || (spoken && spoken.rest.length > 1) || figure?.unit === '%' || figure?.fraction)
		return [];
	// What is grammar alone is no name of a habit.
	if (words.every((word) => GRAMMAR.has(word)) && !spoken) return [];
	const litres = quantityOf(line, 'volume', context.units);
	if (
		(litres === undefined && (!spoken || figure)) ||
		(litres !== undefined && !(litres > 0 && litres <= 1000))
	)
		return [];
	// What the rig has by another name is no new habit.
	if (
		spoken &&
		litres === undefined &&
		context.rig.habits.some(({ name }) => spoken.concept.named.test(name))
	)
		return [];
	const outlet = likelyOutlet(context.rig, spoken?.concept);
	if (!outlet) return [];
	const name = spoken && spoken.rest.length === 0 ? spoken.concept.name : capital(words.join(' '));
	const { kept } = spoken?.concept ?? {};
	const habitOf = (litresEach: number): Habit => ({
		id: freeId(context.rig, name),
		name,
		outlet: outlet.id,
		litresEach: { mean: Number(litresEach.toFixed(2)), sd: Number((SD_FRACTION * litresEach).toFixed(2)) },
		often: ONCE_A_WEEK,
		...(kept === undefined ? {} : { keptFraction: kept })
	});
	const offer = (litresEach: number, times: number): Meaning =>
		adding(
			habitOf(litresEach),
			`Adds the habit “${name}”, ${formatLitres(litresEach, context.units)} at ${outlet.name}`,
			{ kind: 'use', habit: habitOf(litresEach).id, times },
			context
		);
	// A word that nobody knows may be anything: that it is a use is no more than a guess.
	const asNote: Meaning = { does: [{ kind: 'note', text: line.text }], says: `Note: ${line.text}` };
	const measured =
		litres === undefined ? {} : { litres: Number(litres.toFixed(3)), source: 'meter' as const };
	// What the rig has of that kind may as well be meant, and a word beside it may be of something else.
	const alike = context.rig.habits
		.filter(({ name: known, retired }) => !retired && spoken?.concept.named.test(known))
		.map(({ id }) => one({ kind: 'use', habit: id, times: 1, ...measured }));
	const noted = [...alike, ...(spoken === undefined || spoken.rest.length > 0 ? [asNote] : [])];
	const usual = spoken?.concept.litres;
	if (litres === undefined) return usual === undefined ? [] : [offer(usual, 1), ...noted];
	const bare = bareFigure(line);
	const mayBeTimes =
		usual !== undefined &&
		bare !== undefined &&
		Number.isInteger(bare.value) &&
		bare.value <= MOST_TIMES &&
		usual > 2 * litres;
	return mayBeTimes && usual !== undefined
		? [offer(usual, bare.value), offer(litres, 1), ...noted]
		: [offer(litres, 1), ...noted];
}

const OWN_WORD = /^\s*["“”]?(.{1,60}?)["“”]?\s*(?:=|\bmeans\b)\s*["“”]?(.{1,120}?)["“”]?\s*$/iu;

/**
 * `splash = wash hands`: a person's own word for a habit or an instrument, kept in the rig with it.
 *
 * @param find the habits and instruments that some words name
 */
export function ownWord(
	text: string,
	find: (words: string) => readonly Named[],
	context: QuickContext
): LineReading | undefined {
	const found = OWN_WORD.exec(text);
	if (!found) return undefined;
	const [word, meaning] = [(found[1] ?? '').trim().toLowerCase(), (found[2] ?? '').trim()];
	if (!/\p{L}/u.test(word) || /^\d|\d$/.test(word))
		return problem('What is your word for it? For example “splash = wash hands”.');
	const things = find(meaning);
	const [thing] = things;
	if (!thing)
		return problem(
			`${context.rig.name} has no habit or instrument called “${meaning}”. Your own word must mean one of them, for example “splash = wash hands”.`
		);
	const taken = find(word).filter(({ name }) => stemOf(name.toLowerCase()) === stemOf(word));
	if (taken.length > 0) return problem(`“${word}” already means ${taken[0]?.name}. Choose another word.`);
	return things.map((one): Meaning => ({
		does: [],
		adds: { ...one, words: [...new Set([...(one.words ?? []), word])] },
		says: `“${word}” means ${one.name} from now on`
	}));
}
