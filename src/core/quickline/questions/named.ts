import type { More } from '../../forecast/index.js';
import type { Tank } from '../../logbook/index.js';
import { isProblem, type QuickContext } from '../context.js';
import { readClause } from '../intents/clause.js';
import { tanksNamed } from '../intents/tanks.js';
import { habitsNamed } from '../lexing/concepts.js';
import { countOf } from '../lexing/counts.js';
import { plainWords, stemOf } from '../lexing/names.js';
import { timed } from '../lexing/parts.js';
import { mended } from '../lexing/spelling.js';

/** Words of questions, which name nothing of a rig. */
export const ASKING = new Set(
	plainWords(
		'how what whats when where which who why whether much many often far is are was were will would can could may might shall should do does did have has had we i us it its ' +
			'the a an of in on at for to from our my any there here that this be been got get take took taking use used using last lasts lasted left remaining until till before after next ' +
			'so and or still yet now today enough sufficient tell me show please about with without if more another again full empty run runs ran out go going went gone need needs make made ' +
			'stay reach first most least one you they he she water tank tanks litres liters gallons days hours time times level levels room space fit fits cost costs day night tonight ' +
			'drink drinking safe ok okay say says know think all both each every total'
	)
);

/** The tanks that are named anywhere in a question, the longest name first; none for `water` alone. */
export function tanksIn(text: string, context: QuickContext): readonly Tank[] {
	const words = plainWords(text.replace(/^how long\b/, ' '));
	const live = context.rig.tanks.filter(({ retired }) => !retired);
	for (let length = Math.min(words.length, 6); length > 0; length--)
		for (let from = 0; from + length <= words.length; from++) {
			const some = words.slice(from, from + length);
			if (some.every((word) => ASKING.has(word) || (word.length < 3 && !/^\d+$/.test(word)))) continue;
			// A word of the question stands in no name, unless it is whole there.
			const exact = live.some(({ name }) => plainWords(name).join(' ') === some.join(' '));
			if (
				!exact &&
				(ASKING.has(some[0] ?? '') || ASKING.has(some.at(-1) ?? '')) &&
				!/^(tank|tanks|water)$/.test(some.at(-1) ?? '')
			)
				continue;
			if (!exact && ASKING.has(some[0] ?? '')) continue;
			const found = tanksNamed(
				some.filter((word) => word !== 'tanks'),
				live,
				context
			);
			if (found.length > 0 && some.some((word) => word.length > 2)) return found;
		}
	return [];
}

/** What comes before and behind the things that are asked about. */
const BEFORE_THINGS =
	/^(?:(?:so|and|but|well|please|hey|ok(?:ay)?)[, ]+)?(?:(?:how about|what about|is there|are there|do we have|have we(?: got)?|can|could|may|might|shall|should|would|will|do|does|did|is|are) )?(?:(?:we|i|you|it|one|everyone|anyone|there|they) )?(?:(?:still|now|also|even|safely|afford|be able|able|to|have|got) )*(?:(?:enough|sufficient)(?: (?:fresh )?(?:water|room|space|left))?(?: (?:left|here))? (?:for|to)? ?)?(?:(?:fresh )?water (?:left )?(?:for|to) )?(?:room (?:left )?(?:for|to) )?(?:(?:afford|take|have|do|make|run|manage|get|use|go|wash|another)(?= (?!up\b|hands|hair)))?/i;
const BEHIND_THINGS =
	/\b(?:tonight|today|now|still|more|again|left|please|first|before we (?:go|leave)|or not|here|safely)\b/gi;

/** The things that a phrase asks about, each way to understand them; nothing where any of it is something else. */
export function usesIn(text: string, context: QuickContext): readonly (readonly More[])[] | undefined {
	const phrase = text.replaceAll(/[?.!]+\s*$/g, '').trim();
	if (phrase === '') return undefined;
	const things = timed(phrase, context);
	if ('problem' in things) return undefined;
	const ways = things.map(({ text: thing }): readonly More[] => {
		const read = readClause(thing, { ...context, atMs: context.nowMs }, true);
		const again = isProblem(read) ? mended(thing, context) : undefined;
		const found = again === undefined ? read : readClause(again, context, true);
		if (isProblem(found)) return [];
		const uses = found.flatMap(({ does, loses, adds }) =>
			adds === undefined && loses === undefined
				? does.flatMap((one) => (one.kind === 'use' ? [one] : []))
				: []
		);
		// "20 wash-ups" are asked about as often, though there is not water for them.
		const counted = uses.filter(({ litres }) => litres === undefined);
		return (counted.length > 0 ? counted : uses).map(({ habit, times }) => ({ habit, times }));
	});
	if (ways.length === 0 || ways.some((found) => found.length === 0)) return undefined;
	return ways
		.reduce<readonly (readonly More[])[]>(
			(found, some) => found.flatMap((before) => some.map((one) => [...before, one])),
			[[]]
		)
		.slice(0, 3);
}

/** The same where words of asking stand before and behind. */
export function thingsAsked(text: string, context: QuickContext): readonly (readonly More[])[] | undefined {
	const plain = text.replaceAll(/[?.!]+\s*$/g, '').trim();
	const bare = plain.replace(BEFORE_THINGS, '').trim();
	const tries = [plain, bare, bare.replaceAll(BEHIND_THINGS, ' ').replaceAll(/\s+/g, ' ').trim()];
	for (const phrase of tries) {
		const found = usesIn(phrase, context);
		if (found) return found;
	}
	// "can Ivo and I shower": what is done, whoever does it.
	const habits = habitsIn(bare, context);
	return habits.length > 0 ? habits.slice(0, 3).map((habit) => [{ habit, times: timesIn(bare) }]) : undefined;
}

export function timesIn(text: string): number {
	const [word] =
		/(?<![\p{L}\p{N}])(\d{1,3}|two|three|four|five|six|seven|eight|nine|ten)(?![\p{L}\p{N}])/iu.exec(text) ??
		[];
	return word === undefined ? 1 : countOf(word);
}

const stemsOf = (words: readonly string[]): string => words.map(stemOf).join(' ');

/** The habits that are named anywhere in a question. */
export function habitsIn(text: string, context: QuickContext): readonly string[] {
	const { habits } = context.rig;
	const live = habits.filter(({ retired }) => !retired);
	const words = plainWords(text.replace(/^how long\b/, ' '));
	for (let length = Math.min(words.length, 6); length > 0; length--)
		for (let from = 0; from + length <= words.length; from++) {
			const some = words.slice(from, from + length);
			// A habit's own name holds whatever words it does.
			const whole = live.filter(({ name }) => stemsOf(plainWords(name)) === stemsOf(some));
			if (whole.length > 0) return whole.map(({ id }) => id);
			if (some.every((word) => ASKING.has(word) && !/^drink(ing)?$/.test(word))) continue;
			if (ASKING.has(some[0] ?? '') || ASKING.has(some.at(-1) ?? '')) {
				if (length > 1 || !/^drink(ing)?$/.test(some[0] ?? '')) continue;
			}
			if (some.some((word) => word.length < 3) && length === 1) continue;
			const found = habitsNamed(some, live);
			if (found.length > 0) return found.map(({ id }) => id);
		}
	return [];
}
