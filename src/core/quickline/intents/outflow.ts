import type { Habit, Outlet, Tank } from '../../logbook/index.js';
import { formatLitres } from '../../units/index.js';
import { listed } from '../../words/index.js';
import {
	freeId,
	oneTooMany,
	problem,
	type LineReading,
	type Meaning,
	type Need,
	type NoMeaning,
	type QuickContext
} from '../context.js';
import { meaningful } from '../lexing/names.js';
import { figureBeyond, quantityOf, type TokenLine } from '../lexing/tokens.js';
import { dumpLine, withGround } from './movements.js';
import { moreThanThereIs } from './plausible.js';
import { tanksNamed, usualFresh } from './tanks.js';

/** Water that goes where no tank is: what it is called, and in which words it is said. */
interface Loss {
	readonly name: string;
	/** `5 L given away from Main` */
	readonly done: string;
	readonly says: RegExp;
	/** how sure the litres are, where nothing measured them */
	readonly sdShare: number;
}

const LOSSES: readonly Loss[] = [
	{
		name: 'Given away',
		done: 'given away',
		says: /^(gave|give|gives|given|giving|donated|lent|lend|shared|sold|handed)$/,
		sdShare: 0.1
	},
	{
		name: 'Spilled',
		done: 'spilled',
		says: /^(spill|spills|spilled|spilt|spilling|sloshed|slopped|splashed|knocked)$/,
		sdShare: 0.25
	},
	{
		name: 'Leaked',
		done: 'leaked',
		says: /^(leak|leaks|leaked|leaking|leakage|drip|drips|dripped|dripping|seeped|lost|lose|burst)$/,
		sdShare: 0.25
	},
	{
		name: 'Tipped out',
		done: 'tipped out',
		says: /^(tipped|tip|tipping|poured|pour|pouring|threw|throw|thrown|chucked|ditched|emptied|let|wasted)$/,
		sdShare: 0.1
	}
];
const [SPILLED, LEAKED, TIPPED] = [1, 2, 3] as const;

/** Water that is tipped is lost only where it goes out; else it is poured into something. */
const AWAY = /^(out|away|off|ground|overboard|grass|bushes|side|wasted|gone)$/;
/** Whom it was given, how it ran, and other words that name no tank. */
const BESIDE =
	/^(away|out|off|over|down|water|waters|litres?|of|to|some|about|around|roughly|neighbou?rs?|friends?|people|someone|somebody|boat|boats|van|vans|next|door|couple|others?|them|him|her|dog|ground|grass|bushes|overboard|side|floor|deck|outside|overnight|accidentally|by|accident|onto|on|pipe|hose|tap|pump|bilge|fresh|through|everywhere|back|so|wasted|gone|rest|remainder|leftovers?|we|i|was|were)$/;

/** Given *to* those aboard: that comes in. */
export const GIVEN_TO_US =
	/^(?:the |our |a )?(?:neighbou?rs?|friends?|marina|campsite|warden|farmer|people|couple|boat|van|guy|man|woman|lady|someone|somebody)\b.*\b(?:gave|lent|brought|donated|handed|sold|spared)\b|\b(?:gave|lent|sold|handed|gives|brought) (?:us|me)\b|\b(?:were|was|been|got|am) (?:given|lent|handed)\b/;

const endsNowhere = ({ to }: Outlet, tanks: readonly Tank[]): boolean => !tanks.some(({ id }) => id === to);

/** A use that reaches no tank: by a habit and an outlet that the rig has, else by those that are offered with it. */
function lossFrom(
	tank: Tank,
	loss: Loss,
	litres: number,
	whom: readonly string[],
	context: QuickContext
): Meaning {
	const { rig, units } = context;
	const outlets = rig.outlets.filter(
		(outlet) => !outlet.retired && outlet.from === tank.id && endsNowhere(outlet, rig.tanks)
	);
	const known = rig.habits.find(
		({ name, outlet }) => name === loss.name && outlets.some(({ id }) => id === outlet)
	);
	const ground: Outlet = outlets[0] ?? {
		id: freeId(rig, `${tank.name} to the ground`),
		name: `${tank.name}, to the ground`,
		from: tank.id,
		to: 'ground',
		meters: []
	};
	const habit: Habit = known ?? {
		id: freeId(rig, loss.name),
		name: loss.name,
		outlet: ground.id,
		litresEach: { mean: Number(litres.toFixed(3)), sd: Number((litres / 2).toFixed(3)) },
		// It comes as it comes: no forecast expects it.
		often: { times: 0, per: 'day', sd: 0 }
	};
	const needs: readonly Need[] = known || outlets.length > 0 ? [] : [ground];
	const over = moreThanThereIs(tank.id, litres, context);
	return {
		does: [
			{
				kind: 'use',
				habit: habit.id,
				times: 1,
				litres: Number(litres.toFixed(3)),
				sdL: Number(Math.max(0.2, loss.sdShare * litres).toFixed(3))
			}
		],
		...(known ? {} : { adds: habit }),
		...(needs.length > 0 ? { needs } : {}),
		says: `${formatLitres(litres, units)} ${loss.done} from ${tank.name}${whom.length > 0 ? ` to ${listed(whom)}` : ''}; nothing into any tank`,
		...(over ? { warns: `${tank.name} was estimated at ${formatLitres(over.heldL, units)}.` } : {})
	};
}

const howMuch = (loss: Loss): NoMeaning => ({
	...problem(`How much was ${loss.done}? Enter litres, for example “${loss.done} 5 L”.`),
	lacksAmount: true
});

/**
 * `gave away 5 L`, `spilled 3 L`, `leaked 10 L from main`, `tipped out 4 litres`: what left a fresh tank and reached no other one;
 * nothing where the line is about something else.
 */
export function outflowLine(
	line: TokenLine & { readonly text: string },
	context: QuickContext
): LineReading | undefined {
	const phrase = line.words.join(' ');
	if (GIVEN_TO_US.test(phrase)) return undefined;
	const at = LOSSES.findIndex(({ says }) => line.words.some((word) => says.test(word)));
	const loss = LOSSES[at];
	if (!loss) return undefined;
	if (at === TIPPED && !line.words.some((word) => AWAY.test(word))) return undefined;
	const { rig, people = [] } = context;
	const knownPeople = new Set(people.map((name) => name.toLowerCase()));
	const rest = meaningful(line.words).filter((word) => !loss.says.test(word));
	const words = rest.filter((word) => !BESIDE.test(word) && !knownPeople.has(word));
	const named = words.length === 0 ? [] : tanksNamed(words, rig.tanks, context);
	// What leaked, or over what it was spilled, is somebody's own word.
	const unknown = words.length > 0 && named.length === 0 ? words[0] : undefined;
	if (unknown !== undefined && at !== LEAKED && at !== SPILLED) return undefined;
	const waste = named.filter(({ holds }) => holds !== 'fresh');
	if (waste.length > 0) {
		// A pail of grey that is tipped out is dumped; who did it is taken out first.
		return at === TIPPED && !rest.some((word) => knownPeople.has(word))
			? dumpLine(
					{
						...line,
						words: [...words, ...withGround(line).words.filter((word) => /^(ground|overboard)$/.test(word))]
					},
					context
				)
			: undefined;
	}
	const beyond = figureBeyond(line, 1);
	if (beyond !== undefined) return oneTooMany(beyond);
	const [figure] = line.figures;
	const litres = quantityOf(line, 'volume', context.units);
	if (litres === undefined || (figure?.fraction && figure.unit === '')) return howMuch(loss);
	if (!(litres > 0)) return problem(`Enter litres above 0, for example “${loss.done} 5 L”.`);
	const from = named.length > 0 ? named : usualFresh(context);
	if (from.length === 0) return problem(`${rig.name} has no fresh tank. Add one in Rig.`);
	const whom = people.filter((name) => line.words.includes(name.toLowerCase()));
	const lost = from.map((tank) => lossFrom(tank, loss, litres, whom, context));
	return unknown === undefined
		? lost
		: [...lost, { does: [{ kind: 'note', text: line.text }], says: `Note: ${line.text}` }];
}
