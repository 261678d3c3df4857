import type { Habit, Outlet, Rig } from '../../logbook/index.js';
import { meaningful, thingsNamed } from './names.js';

/** What people do with water, in the words in which they say it, whatever a rig calls its habit. */
export interface Concept {
	readonly name: string;
	/** in a line that was typed */
	readonly said: RegExp;
	/** in the name of a habit */
	readonly named: RegExp;
	/** litres of one time, to begin with */
	readonly litres: number;
	/** share that reaches no tank */
	readonly kept?: number;
	/** what the outlet is likely called */
	readonly at: RegExp;
	/** what the tank behind the outlet holds */
	readonly to: 'grey' | 'black';
}

const SINK = /sink|tap|galley|kitchen|basin/i;
const SHOWER = /shower|bath|deck|hose/i;

const concept = (
	name: string,
	said: RegExp,
	named: RegExp,
	litres: number,
	at = SINK,
	more: Partial<Concept> = {}
): Concept => ({ name, said, named, litres, at, to: 'grey', ...more });

/** Litres are common values, to be replaced by what a person measures. */
export const CONCEPTS: readonly Concept[] = Object.freeze([
	concept('Shower', /\b(showers?|showered|showering|rinsed off|hosed down)\b/, /shower/i, 9, SHOWER),
	concept('Bath', /\b(baths?|bathed|tub)\b/, /bath/i, 40, SHOWER),
	concept('Wash hair', /\b((washed |wash )?hair)\b/, /hair/i, 6, SHOWER),
	concept(
		'Dishes',
		/\b(dish(es)?|wash(ed|ing)?[- ]?ups?|pots|plates|pans|(washed|did|cleaned) (the )?(pots|plates|pans|dishes))\b/,
		/dish|wash(ing)?[- ]?ups?\b|pots|plates|pans/i,
		6
	),
	concept('Drinking', /\b(drinks?|drank|drunk|drinking|glass(es)? of water)\b/, /drink/i, 0.5, SINK, {
		kept: 1
	}),
	concept('Kettle', /\b(kettles?|teas?|coffees?|brews?|boiled)\b/, /kettle|tea\b|coffee|brew/i, 1, SINK, {
		kept: 0.8
	}),
	concept(
		'Cooking',
		/\b(cook(ed|ing)?|meals?|pasta|rice|made (dinner|supper|lunch|breakfast))\b/,
		/cook|meal/i,
		2,
		SINK,
		{ kept: 0.6 }
	),
	concept(
		'Wash hands',
		/\b((washed |wash |washing )?hands?( ?wash(ed|ing)?)?|handwash(ed|ing)?)\b/,
		/hands?\b/i,
		0.4
	),
	concept('Teeth', /\b((brush(ed)? |clean(ed)? )?teeth( brush(ed|ing))?)\b/, /teeth|tooth/i, 0.3),
	concept('Wash', /\b(cat wash|sponge bath|face|shav(e|ed|ing))\b/, /face|shav|\bwash$/i, 1.5),
	concept(
		'Flush',
		/\b(flush(ed|es|ing)?|toilets?|loo|heads|pee|peed|wee|poo)\b/,
		/flush|toilet|loo|heads/i,
		0.6,
		/toilet|flush|loo|heads|cassette/i,
		{ to: 'black' }
	),
	concept(
		'Laundry',
		/\b(laundry|washing machine|washer|machine load|clothes|socks|(load of )?washing)\b/,
		/laundry|clothes|washing machine|washer/i,
		40,
		/laundry|machine|washer/i
	),
	concept('Dog', /\b(dogs?|cats?|pets?|bowl)\b/, /dog|cat\b|pet\b|bowl/i, 1, SINK, { kept: 1 }),
	concept('Deck wash', /\b(decks?|washed down|boots|wetsuits?)\b/, /deck|boots|wetsuit/i, 10, SHOWER)
]);

/** Adjectives that a person puts to a habit of any name. */
const SOFT = new Set('quick short long fast brief hot cold warm little small big proper nice'.split(' '));
const hard = (words: readonly string[]): readonly string[] => words.filter((word) => !SOFT.has(word));

/** The concept that typed words speak of, in how many of them, and what they say beside it. */
export function conceptIn(
	words: readonly string[]
): { readonly concept: Concept; readonly words: number; readonly rest: readonly string[] } | undefined {
	const phrase = words.join(' ');
	for (const one of CONCEPTS) {
		const found = one.said.exec(phrase);
		if (!found) continue;
		// "flushed the heads": one thing in two of its words.
		const left = phrase.replaceAll(new RegExp(one.said, 'g'), ' ');
		return {
			concept: one,
			words: found[0].split(/[\s-]+/).length,
			rest: hard(meaningful(left.split(' ').filter((word) => word !== '')))
		};
	}
	return undefined;
}

/** The habits of a concept; one that begins with it before one that has it among others. */
function ofConcept({ named }: Concept, habits: readonly Habit[]): readonly Habit[] {
	const alike = habits.filter(({ name }) => named.test(name));
	const outright = alike.filter(({ name }) => name.search(named) === 0);
	return outright.length > 0 ? outright : alike;
}

/** The habits that typed words name, in any of their forms: by their names, else by what is done. */
export function habitsNamed(words: readonly string[], habits: readonly Habit[]): readonly Habit[] {
	const meant = meaningful(words).filter((word) => word !== 'use' && word !== 'used' && word !== 'times');
	if (meant.length === 0) return [];
	const spoken = conceptIn(words.filter((word) => !/^(the|my|our)$/.test(word)));
	const alike = spoken ? ofConcept(spoken.concept, habits) : [];
	const asDone =
		spoken === undefined || spoken.rest.length === 0
			? alike
			: alike.length > 0
				? thingsNamed(spoken.rest, alike)
				: [];
	const direct = thingsNamed(meant, habits);
	// "washed up" is more than a form of the "wash" in "Wash hands".
	if (
		words.length > meant.length &&
		spoken?.rest.length === 0 &&
		spoken.words > meant.length &&
		asDone.length > 0
	)
		return asDone;
	if (direct.length > 0) return direct;
	const inNames = (word: string): boolean => thingsNamed([word], habits).length > 0;
	const narrowed = meant.filter((word) => !SOFT.has(word) || inNames(word));
	const narrow = narrowed.length > 0 && narrowed.length < meant.length ? thingsNamed(narrowed, habits) : [];
	if (narrow.length > 0) return narrow;
	const plain = hard(meant);
	const soft = plain.length > 0 && plain.length < meant.length ? thingsNamed(plain, habits) : [];
	if (soft.length > 0) return soft;
	return asDone;
}

/** Where a habit most likely draws its water: by the outlet's name, by the tank behind it, else the first there is. */
export function likelyOutlet(rig: Rig, meant: Pick<Concept, 'at' | 'to'> | undefined): Outlet | undefined {
	const holds = (id: string): string | undefined => rig.tanks.find((tank) => tank.id === id)?.holds;
	const { at = SINK, to = 'grey' } = meant ?? {};
	const standing = rig.outlets.filter(({ retired }) => !retired);
	return (
		standing.find(({ name }) => at.test(name)) ??
		standing.find((outlet) => holds(outlet.to) === to) ??
		standing.find((outlet) => holds(outlet.to) !== 'black') ??
		standing[0]
	);
}

/** What the work of putting a rig away for the winter is called. */
export const WINTER_WORK: readonly string[] = [
	'Winter storage',
	'Lay-up',
	'Drain-down',
	'Winterise',
	'Drain the system'
];
