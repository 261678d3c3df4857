import { distance } from 'fastest-levenshtein';
import Fuse from 'fuse.js';
import type { Rig } from '../../logbook/index.js';
import { GRAMMAR as GRAMMAR_WORDS } from './accounted.js';
import { CONCEPTS } from './concepts.js';
import type { QuickContext } from '../context.js';
import { plainWords } from './names.js';
import { thingsOf } from './things.js';

const GRAMMAR = plainWords(
	'fill filled refill top topped dump dumped emptied empty full half transfer pour poured swap meter reset rod dipstick dip gauge crew guest ' +
		'guests aboard people left arrive arrived depart departed leave mains sewer hooked unplugged hookup filter changed cleaned ' +
		'rinsed done on off into fresh grey black water cassette toilet litres liters gallons percent all everything short quick long ' +
		'minutes ground overboard yesterday morning evening afternoon note'
);
const SPOKEN = plainWords(
	'shower showers showered bath dishes washed wash hands hair teeth brushed drink drank kettle coffee tea cooking cooked flush ' +
		'flushed toilet laundry washing clothes dog deck'
);

/** Words that mean something by themselves: none of them is a slip of another. */
const ENGLISH: ReadonlySet<string> = new Set([
	...GRAMMAR_WORDS,
	...plainWords(
		'dock docks quay marina shop store station garage site campsite camp beach rained raining melted melting snow desalinated bought brought caught neighbour neighbours neighbor ' +
			'leaked leaking spilled spilt gave given lent sold burst pipe hose boat boats people beer wine food bread wind windy storm sunny cold warm window windows plants plant floor door ' +
			'hatch roof ladder rope sail engine diesel fuel petrol battery solar panel fridge heater stove soap bleach vinegar antifreeze chlorine kids child children friend friends family ' +
			'sick tired happy sleep slept morning evening afternoon night today tomorrow yesterday later soon never maybe perhaps need want must should could would skipped forgot almost nearly ' +
			'drip drips dripping drop drops bucket pail mop brush towel sponge rinse rinsed wash washed flush flushed roll paper plate plates dish bowl bottle bottles crate packs cans'
	)
]);

interface Known {
	readonly trip: QuickContext['trip'];
	readonly people: QuickContext['people'];
	readonly fuse: Fuse<string>;
	readonly words: ReadonlySet<string>;
	/** what typed words were found to mean */
	readonly found: Map<string, string | undefined>;
}
/** What follows from a rig alone, kept with it. */
const known = new WeakMap<Rig, Known>();

function vocabulary(context: QuickContext): Known {
	const { rig, trip, people } = context;
	const before = known.get(rig);
	if (before && before.trip === trip && before.people === people) return before;
	const names = thingsOf(context).flatMap(({ name, words = [] }) => [name, ...words]);
	const words = new Set(
		[...[...names, ...(people ?? [])].flatMap(plainWords), ...SPOKEN, ...GRAMMAR].filter(
			(word) => word.length >= SHORTEST && !/\d/.test(word)
		)
	);
	const fuse = new Fuse([...words], {
		includeScore: true,
		threshold: 0.34,
		distance: 12,
		minMatchCharLength: 2
	});
	const next: Known = { trip, people, fuse, words, found: new Map() };
	known.set(rig, next);
	return next;
}

/** A shorter word is too near to too many others. */
const SHORTEST = 4;
/** From this length on two letters may be wrong; in a shorter word they may stand in each other's place. */
const LONG = 6;
const lettersOf = (word: string): string => [...word].sort().join('');

/** The known word that a typed one is a slip of; none when no word is near, or several are as near. */
function meantBy(word: string, { fuse, words }: Known): string | undefined {
	if (word.length < SHORTEST || /[^\p{L}'’-]/u.test(word) || words.has(word) || ENGLISH.has(word))
		return undefined;
	const near = fuse
		.search(word, { limit: 12 })
		.map(({ item }) => ({ item, slips: distance(word, item) }))
		.filter(({ item }) => item[0] === word[0])
		.filter(
			({ item, slips }) => slips <= (word.length >= LONG || lettersOf(item) === lettersOf(word) ? 2 : 1)
		)
		.sort((a, b) => a.slips - b.slips);
	const [first, second] = near;
	if (!first) return undefined;
	const alike = (a: string, b: string): boolean => a.slice(0, SHORTEST) === b.slice(0, SHORTEST);
	return second?.slips === first.slips && !alike(first.item, second.item) ? undefined : first.item;
}

/** The line with its small slips of spelling mended, where there are any; figures are never touched. */
export function mended(text: string, context: QuickContext): string | undefined {
	const all = vocabulary(context);
	const spoken = text.toLowerCase();
	const next = text.replaceAll(/[\p{L}'’-]+/gu, (word) => {
		const plain = word.toLowerCase();
		if (CONCEPTS.some(({ said }) => said.test(plain))) return word;
		if (!all.found.has(plain)) all.found.set(plain, meantBy(plain, all));
		return all.found.get(plain) ?? word;
	});
	return next.toLowerCase() === spoken ? undefined : next;
}
