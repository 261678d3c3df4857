import { problem, type LineReading, type QuickContext } from '../context.js';
import { meaningful, thingsNamed } from '../lexing/names.js';
import { likelyOutlet } from '../lexing/concepts.js';
import { freeId, one, type Meaning } from '../context.js';
import type { Habit, Outlet } from '../../logbook/index.js';
import { quantityOf, type TokenLine } from '../lexing/tokens.js';
import { formatLitres } from '../../units/index.js';
import { markLine } from './observations.js';
import { tanksNamed, usualFresh } from './tanks.js';

const RAN_DRY =
	/\b(?:ran|run|running) (?:dry|out)\b|\b(?:went|gone|is|sucked|pumped) dry\b|\bout of (?:fresh )?water\b|\bno (?:more )?(?:fresh )?water(?: left)?$|\bnothing left\b|\bsuck(?:s|ing|ed)? (?:on )?air\b|\b(?:spits|spitting|spluttering)\b|\bwater['’]?s (?:out|gone)\b|\bbone dry\b/;
const RAN_OVER =
	/\b(?:overflow(?:s|ed|ing)|back(?:s|ed|ing) up|brimming|running over|ran over|bubbling up|won['’]?t take (?:any )?more|can['’]?t take (?:any )?more|full to the brim)\b/;
const OF_IT =
	/^(ran|run|running|went|is|dry|out|of|water|fresh|no|more|nothing|left|suck|sucks|sucking|sucked|air|pump|pumped|spits|spitting|spluttering|tap|taps|waters|gone|bone|overflows|overflowed|overflowing|back|backs|backed|backing|up|brimming|over|bubbling|any|take|full|brim|to|the|shower|in|has|just|we|on|it|wont|cant|tank|drain)$/;

/** `ran dry`, `out of water`, `pump is sucking air`, `grey is backing up`: seen with one's own eyes. */
export function seenLine(line: TokenLine, context: QuickContext): LineReading | undefined {
	const phrase = line.words.join(' ');
	const dry = RAN_DRY.test(phrase);
	const over = RAN_OVER.test(phrase);
	if ((!dry && !over) || line.figures.length > 0) return undefined;
	const words = meaningful(line.words).filter((word) => !OF_IT.test(word.replaceAll(/['’]/g, '')));
	const { rig } = context;
	const named = words.length === 0 ? [] : tanksNamed(words, rig.tanks, context);
	if (words.length > 0 && named.length === 0) return undefined;
	if (named.length > 0)
		return named.map(({ id }) => one({ kind: 'mark', tank: id, state: dry ? 'empty' : 'full' }));
	if (over)
		return rig.tanks.length === 1
			? markLine('full', [rig.tanks[0]?.name ?? ''], context)
			: problem('Which tank? For example “full grey”.');
	return usualFresh(context).map(({ id }) => one({ kind: 'mark', tank: id, state: 'empty' }));
}

const HEEL = /^(heel|heeled|heeling|listing|list|tilted|leaning|rolled|tilt|roll|pitch)$/;

/** `heeled 15 starboard`: said with a reading, and nothing by itself. */
export function heelLine(line: TokenLine): LineReading | undefined {
	return line.figures.length > 0 && HEEL.test(line.words[0] ?? '')
		? problem(
				'Tilt belongs to a reading. For example “dipstick 118 roll 15”; for the stop you are at, enter it in Trip.'
			)
		: undefined;
}

const DOSE =
	/^(bleach|chlorine|hypochlorite|tablets?|drops|vinegar|citric|acid|additive|chemicals?|antifreeze|glycol|disinfectant|iodine|detergent|soap|descaler|conditioner|sachets?|pods?)$/;
const BESIDE_DOSE =
	/^(in|into|to|the|added|put|poured|of|for|water|tank|some|litres?|ml|g|grams?|a|an|and|with|drinking|treatment|toilet|pink|blue)$/;
const TREATS = /sanit|disinf|chlor|bleach|treat|dos(e|ing)/i;

/** `bleach 100 ml`, `antifreeze 3 L in grey`: what is put into the water, and is no water that was used. */
export function doseLine(text: string, line: TokenLine, context: QuickContext): LineReading | undefined {
	if (!line.words.some((word) => DOSE.test(word))) return undefined;
	const { rig, units } = context;
	const rest = meaningful(line.words).filter((word) => !DOSE.test(word) && !BESIDE_DOSE.test(word));
	const named = rest.length === 0 ? [] : tanksNamed(rest, rig.tanks, context);
	if (rest.length > 0 && named.length === 0) return undefined;
	if (rest.length === 0 && thingsNamed(meaningful(line.words), rig.habits).length > 0) return undefined;
	const litres = quantityOf(line, 'volume', units, false);
	const [tank] = named;
	const note: Meaning = one({ kind: 'note', text: text.trim() }, { says: `Note: ${text.trim()}` });
	const tasks = rig.care
		.filter(({ does, name }) => does === 'sanitise' || does === 'disinfect' || TREATS.test(name))
		.map(({ id }) => one({ kind: 'care', task: id }));
	const into: readonly Meaning[] =
		tank && tank.holds !== 'fresh' && litres !== undefined && litres > 0.2
			? [pouredIn(tank.id, tank.name, line, litres, context)]
			: [];
	return [...into, ...(into.length === 0 ? tasks : []), note];
}

/** What is poured into a waste tank from a bottle: a use that draws from no tank. */
function pouredIn(
	tank: string,
	tankName: string,
	line: TokenLine,
	litres: number,
	{ rig, units }: QuickContext
): Meaning {
	const what = line.words.find((word) => DOSE.test(word)) ?? 'treatment';
	const name = `${what.charAt(0).toUpperCase()}${what.slice(1)}`;
	const outlets = rig.outlets.filter(
		({ from, to, retired }) => !retired && from === 'outside' && to === tank
	);
	const outlet: Outlet = outlets[0] ?? {
		id: freeId(rig, `bottle to ${tankName}`),
		name: `Bottle, into ${tankName}`,
		from: 'outside',
		to: tank
	};
	const known = rig.habits.find((habit) => habit.name === name && habit.outlet === outlet.id);
	const habit: Habit = known ?? {
		id: freeId(rig, name),
		name,
		outlet: outlet.id,
		litresEach: { mean: litres, sd: litres / 2 },
		often: { times: 0, per: 'day', sd: 0 }
	};
	return {
		does: [{ kind: 'use', habit: habit.id, times: 1, litres }],
		...(known ? {} : { adds: habit }),
		...(outlets.length > 0 || known ? {} : { needs: [outlet] }),
		says: `${name}, ${formatLitres(litres, units)} into ${tankName}, from no tank`
	};
}

const RINSED = /^(rinsed|rinse|flushed|swilled|swished|washed)$/;

/** `rinsed holding with 20 L`: water that goes through a tank, out of one's own or out of a hose. */
export function rinsedLine(text: string, line: TokenLine, context: QuickContext): LineReading | undefined {
	const [verb = ''] = meaningful(line.words);
	if (!RINSED.test(verb) || line.figures.length === 0) return undefined;
	const rest = meaningful(line.words).filter(
		(word) => !RINSED.test(word) && !/^(water|litres?|with|out|through)$/.test(word)
	);
	const tanks =
		rest.length === 0
			? []
			: tanksNamed(rest, context.rig.tanks, context).filter(({ holds }) => holds !== 'fresh');
	const litres = quantityOf(line, 'volume', context.units);
	if (tanks.length === 0 || litres === undefined || !(litres > 0)) return undefined;
	if (
		thingsNamed(meaningful(line.words), context.rig.habits).length > 0 &&
		likelyOutlet(context.rig, undefined)
	)
		return undefined;
	return [
		...tanks.flatMap((tank) =>
			usualFresh(context).map((fresh) =>
				one({ kind: 'transfer', fromTank: fresh.id, toTank: tank.id, litres })
			)
		),
		one({ kind: 'note', text: text.trim() }, { says: `Note: ${text.trim()} (a hose’s water, gone again)` })
	];
}
