import { isAhead, withAll, type Meaning, type QuickContext } from '../context.js';
import type { Happening } from '../../words/index.js';
import { CONCEPTS } from './concepts.js';
import { plainWords, stemOf, thingsNamed } from './names.js';
import { tankAliases } from './numbered.js';
import { thingsOf } from './things.js';
import { readLine } from './tokens.js';

/** Words of the line's own grammar: they say what was done, in which direction, or nothing more. */
export const GRAMMAR: ReadonlySet<string> = new Set(
	plainWords(
		'the a an to into in from of at with is are was were now up out reads read shows showed shown show says said say and also then just for about around roughly some ' +
			'i we im ive weve my our us me it its on off been another extra had have has having did do does doing took take taken taking got get made make again ' +
			'turn turned switched switch put please went go used use gone by through so very quite really only each everyone everybody apiece both all every everything other ' +
			'fill filled filling refill refilled top topped added add loaded load brim full empty emptied emptying overflow overflowed overflowing spare ' +
			'dump dumped dumping drain drained drains pump pumped pumping tank tanks fresh grey gray black waste water waters toilet holding cassette jug jugs can cans bottle bottles jerrycan ' +
			'container bucket tote drum pail transfer transferred pour poured pouring tip tipped decant decanted move moved swap swapped ' +
			'meter gauge sender light lights lamp dip dipped dipstick rod stick wet deep level levels stands left remaining aboard board reset set zero zeroed new mark marks eye half third thirds quarter quarters ' +
			'crew persons person people adults pax guest guests visitor visitors friend friends kid kids child children grandchild grandchildren came comes come joined joins join arrived arrives arrive arriving ' +
			'back here stays staying night nights leave leaves leaving departed depart departs home ashore reached alone myself own more ' +
			'hooked hook hooking plugged connected mains sewer shore city unhooked unplugged disconnected grid open opened shut closed close valve valves sea overboard ground y diverter ' +
			'change changed replace replaced clean cleaned rinse rinsed sanitise sanitised sanitize sanitized treated done finished serviced checked looked after ' +
			'start started stop stopped using way save measure times time once twice x litre litres liter liters l gal gallon gallons ml mm cm percent min mins minute minutes ' +
			'roll pitch tilt tilted lean leans leaning port starboard degrees minus plus that this there per day hose tap taps quick short long fast brief hot cold warm little small big proper nice ' +
			'bought buy purchased neighbour neighbours neighbor given gave giving give received borrowed caught collected fetched brought carried rain rainwater watermaker desalinated snow melted spring stream river lake well ' +
			'away spilled spilt spill leak leaked leaking lost tipped threw over down potable drinking drinkable measured accidentally dinner breakfast lunch since until till today tonight tomorrow yesterday morning noon afternoon evening week weekend next last ago hour hours days weeks ' +
			'dry ran run sucking sucks air drawing backing backed brimming overnight second seconds sec secs first third fourth ' +
			'dock quay pontoon marina campsite site shop store station garage standpipe load loads round rounds lot lots set sets ' +
			'away gone elsewhere lived living usual usually always normally forgot forgotten log write as less than ill flu fever stomach bug sick until till til for over next coming will going plan planned expect expecting ' +
			'leaves goes departs comes joins arrives returns returning boards boarding day days night nights week weeks weekend weekends month o clock am pm dinner lunch breakfast supper off someone somebody ' +
			'lay layup winter storage draining system winterise winterised bushes bush grass ditch field hedge verge garden gravel dirt sand beach soil earth woods'
	)
);
/** What a boat's valves are told of. */
const OF_VALVES = /^(flush|flushed|flushing|heads|salt|salty|water|grid|full|lines?)$/;
/** Words that turn a line round; they are never passed over as grammar. */
const TURNS = /^(no|not|never|none|nothing|nobody|without|except|but|unless|nearly|almost|instead|if|or)$/;
/** Weekdays and months. */
const CALENDAR =
	/^(?:(?:mon|tues?|wed(?:nes)?|thu(?:rs)?|fri|sat(?:ur)?|sun)(?:day)?s?|jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?|midnight|midday)$/;

/** What a meaning speaks of: everything of the rig and trip that its entries and additions name, and people. */
function spokenOf({ does, adds, needs = [] }: Meaning, context: QuickContext): readonly string[] {
	const rig = withAll(context.rig, { ...(adds ? { adds } : {}), needs });
	const ids = new Set<unknown>([...does, ...(adds ? [adds] : []), ...needs].flatMap((one) => flat(one)));
	const things = thingsOf({ ...context, rig }).filter(({ id }) => ids.has(id));
	const outlets = rig.outlets.filter(({ id }) => ids.has(id));
	const meters = rig.instruments.filter(({ id }) => ids.has(id));
	const tanks = rig.tanks.filter(({ id }) => ids.has(id) || meters.some(({ tank }) => tank === id));
	return [
		...things.flatMap(({ name, words = [] }) => [name, ...words]),
		...outlets.map(({ name }) => name),
		...(rig.sources ?? []).filter(({ id }) => ids.has(id)).map(({ name }) => name),
		...tanks.flatMap(({ id, name }) => [name, ...(tankAliases(context.rig).get(id) ?? [])]),
		...does.flatMap(({ by = '' }) => [by]),
		// "at Tamsel Ford": where it was done.
		...(does.some(({ kind }) => kind === 'fill' || kind === 'dump')
			? (context.trip?.stops ?? []).map(({ name }) => name)
			: []),
		...does.flatMap((one) => (one.kind === 'note' ? [one.text] : []))
	];
}

/** Every text that stands anywhere in a value. */
const flat = (value: unknown): readonly unknown[] =>
	typeof value === 'object' && value !== null ? Object.values(value).flatMap(flat) : [value];

/** The words of a line that a meaning accounts for in no way: what it would lose. */
export function lostWords(text: string, meaning: Meaning, context: QuickContext): readonly string[] {
	if (meaning.whole) return [];
	const { words } = readLine(text.replaceAll(/(?<=\p{L})['’](?:s|d|m|ll|ve|re)(?![\p{L}\p{N}])/giu, ' '));
	const names = spokenOf(meaning, context);
	const named = new Set(names.flatMap(plainWords));
	const stems = new Set([...named].map(stemOf));
	const habits = names.join(' ');
	const phrase = words.filter((word) => !/^(the|my|our)$/.test(word)).join(' ');
	const concepts = new Set(
		CONCEPTS.filter((one) => one.named.test(habits)).flatMap((one) =>
			[...phrase.matchAll(new RegExp(one.said, 'g'))].flatMap(([found]) => plainWords(found))
		)
	);
	const people = new Set((context.people ?? []).flatMap(plainWords));
	const says = new Set(plainWords(meaning.says ?? '').map(stemOf));
	const valves = meaning.does.some(({ kind }) => kind === 'hookup');
	return words.flatMap(plainWords).filter((word) => {
		if (valves && OF_VALVES.test(word)) return false;
		if (named.has(word) || stems.has(stemOf(word)) || concepts.has(word)) return false;
		if (TURNS.test(word)) return true;
		if (/^\d/.test(word) || CALENDAR.test(word) || GRAMMAR.has(word) || says.has(stemOf(word))) return false;
		if ([...named].some((known) => word.length > 1 && known.startsWith(word))) return false;
		if (people.has(word))
			return thingsNamed([word], thingsOf(context)).length === 0 && !says.has(stemOf(word));
		return !word.endsWith('s') || !GRAMMAR.has(word.slice(0, -1));
	});
}

/** How many figures of a line something that happened can be told in. */
function figuresOf(happening: Happening): number {
	switch (happening.kind) {
		case 'use':
			return 2;
		case 'note':
			return Infinity;
		case 'reading':
			return 3;
		case 'fill':
		case 'dump':
		case 'transfer':
			return 'litres' in happening && happening.litres !== undefined ? 2 : 0;
		case 'crew':
			return 1;
		default:
			return 0;
	}
}

/** The figures of a line that a meaning has no place for, as typed. */
export function lostFigures(
	text: string,
	{ does, adds, whole }: Meaning,
	names: readonly string[]
): readonly string[] {
	if (whole) return [];
	const { figures } = readLine(text, names);
	// "filled 2 jugs": how many of them.
	const counted = does.length > 1 && figures.some(({ value, unit }) => unit === '' && value === does.length);
	const room =
		(counted ? 1 : 0) +
		does.reduce((sum, happening) => sum + figuresOf(happening), 0) +
		(adds && isAhead(adds)
			? (adds.persons === undefined ? 0 : 1) + (adds.habits?.filter((one) => 'times' in one).length ?? 0)
			: 0);
	return figures.slice(room).map(({ text: typed }) => typed);
}
