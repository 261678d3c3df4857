import { instantMs, type Meter, type Rod, type Tank } from '../../logbook/index.js';
import { tankById, usableOf } from '../../rig/index.js';
import { toBase, unitNamed } from '../../units/index.js';
import { listed, sayHappening } from '../../words/index.js';
import { addingMeter, addingRod, placesSaid, tooDeep } from './adding.js';
import { one, oneTooMany, problem, type LineReading, type Meaning, type QuickContext } from '../context.js';
import { meaningful, thingsNamed } from '../lexing/names.js';
import { doubtOfMeter, mostWetMm } from './plausible.js';
import { tanksNamed, tanksTogether, usualFresh } from './tanks.js';
import { bareFigure, figureBeyond, quantityOf, readLine, type TokenLine } from '../lexing/tokens.js';

type ByKind = { meter: Meter; rod: Rod };

const instrumentsOf = <K extends keyof ByKind>(context: QuickContext, kind: K): readonly ByKind[K][] =>
	context.rig.instruments.filter((instrument): instrument is ByKind[K] => instrument.kind === kind);

const PLACE_WORDS = { fill: 'fill hose', pump: 'pump', mains: 'mains hookup' } as const;

/** An instrument is also called by its tank, by what that holds, and by where it is. */
export const instrumentWords =
	(context: QuickContext) =>
	(instrument: {
		readonly kind: string;
		readonly tank: string;
		readonly place?: Meter['place'];
	}): readonly string[] => {
		const tank = tankById(context.rig, instrument.tank);
		const kinds = instrument.kind === 'rod' ? ['rod', 'dipstick'] : [instrument.kind];
		const place =
			instrument.place === undefined ? [] : [`${PLACE_WORDS[instrument.place]} ${instrument.kind}`];
		return tank
			? [
					...place,
					...kinds.flatMap((kind) => [
						`${tank.name} ${kind}`,
						`${tank.holds} ${kind}`,
						`${kind} ${tank.name}`,
						`${kind} ${tank.holds}`
					])
				]
			: place;
	};

/** The instruments of a kind that some words name; none named at all means every one of the kind. */
function chosen<K extends keyof ByKind>(
	context: QuickContext,
	kind: K,
	words: readonly string[]
): readonly ByKind[K][] {
	return thingsNamed(words, instrumentsOf(context, kind), instrumentWords(context));
}

const leftOf = (words: readonly string[], ...gone: readonly string[]): readonly string[] =>
	words.filter((word) => !gone.includes(word));

/** A meter's reading as it is typed, and what is more likely meant where that cannot well be. */
function readMeter(meter: Meter, value: number, reset: boolean, context: QuickContext): readonly Meaning[] {
	const shows = (shown: number): Meaning['does'][number] => ({
		kind: 'reading',
		instrument: meter.id,
		value: shown,
		...(reset ? { reset: true as const } : {})
	});
	const doubt = reset ? undefined : doubtOfMeter(meter, value, context);
	if (!doubt) return [one(shows(value))];
	const typed = one(shows(value), { warns: doubt.why });
	if (doubt.likely === undefined) return [typed];
	const likely = one(shows(doubt.likely), { warns: `You typed ${value}. ${doubt.why}` });
	return doubt.possible ? [typed, likely] : [likely, typed];
}

/** `meter 412.6`, `pump meter 84`, `meter reset`, `reset meter 110`. */
export function meterLine(line: TokenLine, context: QuickContext): LineReading {
	const beyond = figureBeyond(line, 1);
	if (beyond !== undefined) return oneTooMany(beyond);
	const reset = line.words.some(
		(word) => word === 'reset' || word === 'set' || word === 'zero' || word === 'zeroed'
	);
	const words = leftOf(meaningful(line.words), 'reset', 'set', 'zero', 'zeroed', 'meter', 'new');
	const known = instrumentsOf(context, 'meter');
	const meters = chosen(context, 'meter', words);
	const [figure] = line.figures;
	const shown = bareFigure(line)?.value ?? figure?.value;
	if (shown !== undefined && shown < 0)
		return problem('A meter total can’t be below 0. If it counts down past zero, set it again.');
	if (meters.length === 0) {
		const elsewhere =
			words.length > 0 &&
			!known.some(({ place }) => placesSaid(words)[0] === place) &&
			placesSaid(words).length === 1;
		if (shown !== undefined && (known.length === 0 || elsewhere))
			return addingMeter(words, shown, reset, context);
		return problem(
			known.length > 0
				? `No meter of that name. You have ${listed(known.map(({ name }) => name))}.`
				: 'This rig has no meter yet. Enter its reading to add it, for example “meter 412.6”.'
		);
	}
	if (!reset && shown === undefined) return problem('What does it show? For example “meter 412.6”.');
	return meters.flatMap((meter) => {
		const tank = tankById(context.rig, meter.tank);
		const aboard = tank ? Math.round(usableOf(tank) / meter.unitL) : 0;
		const unit = figure && figure.unit !== '' ? unitNamed(figure.unit, 'volume', context.units) : undefined;
		// A figure with a unit of its own is turned into what the meter counts in.
		const value =
			shown === undefined
				? meter.counts === 'up'
					? 0
					: aboard
				: unit === undefined
					? shown
					: Number((toBase(shown, unit) / meter.unitL).toFixed(3));
		return readMeter(meter, value, reset, context);
	});
}

/** `roll 2`, `tilted 2° to port`, `pitch -1.5`. */
const TILT =
	/\bpitch\s+([-−]?\d+(?:[.,]\d+)?)\s*°?|\b(?:roll|tilt(?:ed)?|lean(?:s|ing)?)\s+([-−]?\d+(?:[.,]\d+)?)\s*°?(?:\s*(?:to\s+)?(port|starboard))?/gi;

/** `dipstick 118`, `rod main 11.8 cm`, `rod 118 roll 2 pitch -1`. */
export function rodLine(text: string, names: readonly string[], context: QuickContext): LineReading {
	const leans = new Map(
		[...text.matchAll(TILT)].map(([, pitch, roll, side]) => {
			const degrees = Number((pitch ?? roll)?.replace(',', '.').replace('−', '-'));
			if (pitch !== undefined) return ['pitch', degrees];
			// A side that is named says which way, whatever stands before the figure.
			return ['roll', side === undefined ? degrees : Math.abs(degrees) * (/port/i.test(side) ? -1 : 1)];
		})
	);
	const line = readLine(text.replace(TILT, ' '), names);
	const beyond = figureBeyond(line, 1);
	if (beyond !== undefined) return oneTooMany(beyond);
	const words = leftOf(meaningful(line.words), 'rod', 'dip', 'stick', 'dipped', 'dipstick', 'wet', 'deep');
	const rods = chosen(context, 'rod', words);
	const depthMm = quantityOf(line, 'length', context.units);
	if (depthMm !== undefined && depthMm < 0)
		return problem('A depth can’t be below 0. For a dry dipstick, enter “dipstick 0”.');
	if (depthMm === undefined) return problem('How deep? For example “dipstick 118” or “dipstick 11.8 cm”.');
	if ([...leans.values()].some((degrees) => Math.abs(degrees) > 45))
		return problem('Tilt is at most 45° either way.');
	const [rollDeg, pitchDeg] = [leans.get('roll'), leans.get('pitch')];
	const lean = {
		...(rollDeg === undefined ? {} : { rollDeg }),
		...(pitchDeg === undefined ? {} : { pitchDeg })
	};
	if (rods.length === 0) {
		const known = instrumentsOf(context, 'rod');
		const tanks = tanksNamed(words, context.rig.tanks, context);
		if (known.length > 0 && (words.length === 0 || tanks.length === 0))
			return problem(`No dipstick of that name. You have ${listed(known.map(({ name }) => name))}.`);
		return addingRod(tanks, depthMm, lean, context);
	}
	const tankOf = (rod: Rod): Tank | undefined => tankById(context.rig, rod.tank);
	const deepest = Math.max(...rods.map((rod) => mostWetMm(rod, tankOf(rod)) ?? Infinity));
	const [first] = rods;
	if (depthMm > deepest + 1)
		return tooDeep(depthMm, deepest, first && tankOf(first), context, line.figures[0]?.value);
	return rods
		.filter((rod) => depthMm <= (mostWetMm(rod, tankOf(rod)) ?? Infinity) + 1)
		.map((rod) => one({ kind: 'reading', instrument: rod.id, value: Number(depthMm.toFixed(2)), ...lean }));
}

/** `full grey`, `empty main`: seen with one's own eyes. */
export function markLine(
	state: 'full' | 'empty',
	words: readonly string[],
	context: QuickContext
): LineReading {
	const said = meaningful(words);
	const usual = context.rig.tanks.filter(({ retired }) => !retired);
	const several = tanksTogether(said, usual, usualFresh(context), context);
	if (several)
		return 'problem' in several
			? several
			: [{ does: several.tanks.map(({ id }) => ({ kind: 'mark', tank: id, state })) }];
	const tanks = tanksNamed(said, context.rig.tanks, context);
	if (tanks.length === 0)
		return problem(`Which tank is ${state}? You have ${listed(context.rig.tanks.map(({ name }) => name))}.`);
	return tanks.map((tank) => one({ kind: 'mark', tank: tank.id, state }));
}

const NEAREST_STOPS = 3;

/** `arrive`, `arrive low sarn`, `depart`. */
export function stopLine(
	event: 'arrive' | 'depart',
	words: readonly string[],
	context: QuickContext
): LineReading {
	const stops = (context.trip?.stops ?? []).filter(({ retired }) => !retired);
	if (stops.length === 0) return problem('You have no trip with stops now. Add one in Trip.');
	const planned = (stop: (typeof stops)[number]): number =>
		instantMs(event === 'arrive' ? stop.arrive : stop.depart);
	const plain = words.filter((word) => !/^(at|from|the|for|to|we|i|just|have)$/.test(word));
	const named = thingsNamed(plain, stops);
	if (named.length === 0)
		return problem(`No stop of that name. This trip has ${listed(stops.map(({ name }) => name))}.`);
	const nearest = [...named]
		.sort((a, b) => Math.abs(planned(a) - context.nowMs) - Math.abs(planned(b) - context.nowMs))
		.slice(0, NEAREST_STOPS);
	return nearest.map((stop) => {
		const happening = { kind: 'stop', stop: stop.id, event } as const;
		return one(happening, { says: sayHappening(happening, context) });
	});
}
