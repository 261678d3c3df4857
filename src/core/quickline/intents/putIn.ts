import type { Habit, Outlet } from '../../logbook/index.js';
import { formatLitres } from '../../units/index.js';
import { freeId, one, type LineReading, type Meaning, type QuickContext } from '../context.js';
import { meaningful, thingsNamed } from '../lexing/names.js';
import { quantityOf, type TokenLine } from '../lexing/tokens.js';
import { tanksNamed, usualFresh } from './tanks.js';

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
	if (thingsNamed(meaningful(line.words), context.rig.habits).length > 0) return undefined;
	return [
		...tanks.flatMap((tank) =>
			usualFresh(context).map((fresh) =>
				one({ kind: 'transfer', fromTank: fresh.id, toTank: tank.id, litres })
			)
		),
		one({ kind: 'note', text: text.trim() }, { says: `Note: ${text.trim()} (a hose’s water, gone again)` })
	];
}
