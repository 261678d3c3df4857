import { instantMs, type Gauge, type Meter, type Rod } from '../logbook/index.js';
import { tankById, usableOf } from '../rig/index.js';
import { listed } from '../words/index.js';
import { oneTooMany, problem, type Answer, type QuickContext, type Meaning } from './context.js';
import { meaningful, namedBy } from './names.js';
import { tanksNamed } from './movements.js';
import { bareFigure, figureBeyond, quantityOf, readLine, type Line } from './tokens.js';

type ByKind = { meter: Meter; gauge: Gauge; rod: Rod };

const instrumentsOf = <K extends keyof ByKind>(context: QuickContext, kind: K): readonly ByKind[K][] =>
	context.rig.instruments.filter((instrument): instrument is ByKind[K] => instrument.kind === kind);

/** An instrument is also called by its tank and by what that tank holds. */
const instrumentWords =
	(context: QuickContext) =>
	(instrument: { readonly kind: string; readonly tank: string }): readonly string[] => {
		const tank = tankById(context.rig, instrument.tank);
		return tank
			? [
					`${tank.name} ${instrument.kind}`,
					`${tank.holds} ${instrument.kind}`,
					`${instrument.kind} ${tank.name}`,
					`${instrument.kind} ${tank.holds}`
				]
			: [];
	};

/** The instruments of a kind that some words name; none named at all means every one of the kind. */
function chosen<K extends keyof ByKind>(
	context: QuickContext,
	kind: K,
	words: readonly string[]
): readonly ByKind[K][] {
	return namedBy(words, instrumentsOf(context, kind), instrumentWords(context));
}

const without = (words: readonly string[], ...gone: readonly string[]): readonly string[] =>
	words.filter((word) => !gone.includes(word));

/** `meter 412.6`, `pump meter 84`, `meter reset`, `reset meter 110`. */
export function meterLine(line: Line, context: QuickContext): Answer {
	const beyond = figureBeyond(line, 1);
	if (beyond !== undefined) return oneTooMany(beyond);
	const reset = line.words.some((word) => word === 'reset' || word === 'set' || word === 'zero');
	const meters = chosen(context, 'meter', without(meaningful(line.words), 'reset', 'set', 'zero', 'meter'));
	if (meters.length === 0)
		return problem(
			instrumentsOf(context, 'meter').length > 0
				? `No meter of that name. There is ${listed(instrumentsOf(context, 'meter').map(({ name }) => name))}.`
				: 'This rig has no meter yet. Add one in Rig.'
		);
	const shown = bareFigure(line)?.value ?? line.figures[0]?.value;
	if (shown !== undefined && shown < 0)
		return problem('A meter shows no negative total. If it counts down past zero, set it anew.');
	if (!reset && shown === undefined) return problem('What does it show? Say it as in “meter 412.6”.');
	return meters.map((meter): Meaning => {
		const tank = tankById(context.rig, meter.tank);
		const aboard = tank ? Math.round(usableOf(tank) / meter.unitL) : 0;
		const value = shown ?? (meter.counts === 'up' ? 0 : aboard);
		return {
			happening: { kind: 'reading', instrument: meter.id, value, ...(reset ? { reset: true as const } : {}) }
		};
	});
}

/** `rod 118`, `rod main 11.8 cm`, `rod 118 roll 2 pitch -1`. */
export function rodLine(text: string, context: QuickContext): Answer {
	const lean = /\b(roll|pitch)\s+([-−]?\d+(?:[.,]\d+)?)/gi;
	const leans = new Map(
		[...text.matchAll(lean)].map(([, axis, degrees]) => [
			axis?.toLowerCase(),
			Number(degrees?.replace(',', '.').replace('−', '-'))
		])
	);
	const line = readLine(text.replace(lean, ' '));
	const rods = chosen(context, 'rod', without(meaningful(line.words), 'rod', 'dip', 'stick', 'dipped'));
	if (rods.length === 0)
		return problem(
			instrumentsOf(context, 'rod').length > 0
				? 'No rod of that name.'
				: 'This rig has no rod yet. Add one in Rig, and the shape of its tank.'
		);
	const depthMm = quantityOf(line, 'length', context.units);
	if (depthMm !== undefined && depthMm < 0)
		return problem('A rod is wet to no less than nothing. A dry rod is “rod 0”.');
	if (depthMm === undefined) return problem('How deep? Say it as in “rod 118” or “rod 11.8 cm”.');
	if ([...leans.values()].some((degrees) => Math.abs(degrees) > 45))
		return problem('A lean is at most 45° either way.');
	const [rollDeg, pitchDeg] = [leans.get('roll'), leans.get('pitch')];
	return rods.map((rod) => ({
		happening: {
			kind: 'reading',
			instrument: rod.id,
			value: depthMm,
			...(rollDeg === undefined ? {} : { rollDeg }),
			...(pitchDeg === undefined ? {} : { pitchDeg })
		}
	}));
}

const FRACTION_WORDS: ReadonlyMap<string, string> = new Map([
	['one third', '1/3'],
	['a third', '1/3'],
	['third', '1/3'],
	['two thirds', '2/3'],
	['half', '1/2'],
	['one half', '1/2'],
	['quarter', '1/4'],
	['one quarter', '1/4'],
	['a quarter', '1/4'],
	['three quarters', '3/4'],
	['e', 'empty'],
	['f', 'full'],
	['3/3', 'full'],
	['4/4', 'full'],
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

/** What a gauge's words leave over once the words that name it are gone, as a reading it can show. */
function valueShown(gauge: Gauge, words: readonly string[], line: Line): number | string | undefined {
	const figure = line.figures[0];
	const lights = gauge.curve.map(({ reads }) => reads);
	if (lights.some((reads) => typeof reads === 'string')) {
		const said = plainReading(figure ? figure.text : words.join(' '));
		return lights.find((reads) => plainReading(String(reads)) === said);
	}
	if (!figure || words.some((word) => word !== 'percent')) return undefined;
	const top = Math.max(...lights.map(Number));
	return figure.fraction && top > 1 ? figure.value * top : figure.value;
}

/** `grey 2/3`, `gauge grey two thirds`, `grey lights full`, `fresh 60 %`. */
export function gaugeLine(line: Line, context: QuickContext): readonly Meaning[] {
	const words = without(meaningful(line.words), 'gauge');
	return instrumentsOf(context, 'gauge').flatMap((gauge): readonly Meaning[] => {
		const all = instrumentWords(context)(gauge);
		// The longest run of leading words that names the gauge; the rest is what it shows.
		for (let cut = words.length; cut >= 0; cut--) {
			const named = words.slice(0, cut);
			if (cut === 0 && !line.words.includes('gauge')) return [];
			if (namedBy(named, [gauge], () => all).length === 0) continue;
			const value = valueShown(gauge, words.slice(cut), line);
			if (value === undefined) continue;
			const happening = { kind: 'reading' as const, instrument: gauge.id, value };
			return [
				{
					happening
				}
			];
		}
		return [];
	});
}

/** What a gauge could show, for a line that names one but no reading of it. */
export function gaugeHelp(line: Line, context: QuickContext): string | undefined {
	const [first] = without(meaningful(line.words), 'gauge');
	const gauges = first === undefined ? instrumentsOf(context, 'gauge') : chosen(context, 'gauge', [first]);
	const gauge = gauges[0];
	if (!gauge) return undefined;
	const lights = gauge.curve.map(({ reads }) => (typeof reads === 'string' ? `“${reads}”` : String(reads)));
	return `What does ${gauge.name} show? ${typeof gauge.curve[0]?.reads === 'string' ? `One of ${listed(lights)}.` : `A number from ${lights[0]} to ${lights.at(-1)}.`}`;
}

/** `full grey`, `empty main`: seen with one's own eyes. */
export function markLine(state: 'full' | 'empty', words: readonly string[], context: QuickContext): Answer {
	const tanks = tanksNamed(meaningful(words), context.rig.tanks);
	if (tanks.length === 0)
		return problem(`Which tank is ${state}? There is ${listed(context.rig.tanks.map(({ name }) => name))}.`);
	return tanks.map((tank) => ({
		happening: { kind: 'mark', tank: tank.id, state }
	}));
}

/** `arrive`, `arrive low sarn`, `depart`. */
export function stopLine(
	event: 'arrive' | 'depart',
	words: readonly string[],
	context: QuickContext
): Answer {
	const stops = context.trip?.stops ?? [];
	if (stops.length === 0) return problem('There is no trip with stops now. Add one in Trip.');
	const planned = (stop: (typeof stops)[number]): number =>
		instantMs(event === 'arrive' ? stop.arrive : stop.depart);
	const named = namedBy(meaningful(words), stops);
	if (named.length === 0)
		return problem(`No stop of that name. There is ${listed(stops.map(({ name }) => name))}.`);
	const nearest = [...named]
		.sort((a, b) => Math.abs(planned(a) - context.nowMs) - Math.abs(planned(b) - context.nowMs))
		.slice(0, 3);
	return nearest.map((stop) => ({
		happening: { kind: 'stop', stop: stop.id, event }
	}));
}
