import { plainWords } from './names.js';
import { remembered } from './remembered.js';

/** Stands for a letter of a name while a line is searched for times, counts and seams: a sign of the private use area. */
const HIDDEN = '\uE001';
/** What in a name could be taken for a time, a count or a seam between two things. */
const HAZARD =
	/\d|[,;&+]|\b(and|then|plus|one|two|three|four|five|six|seven|eight|nine|ten|twelve|half|third|quarter|twice|once|sun|mon|tue|tues|wed|thu|thurs|fri|sat|sunday|monday|tuesday|wednesday|thursday|friday|saturday|may|march|today|tonight|yesterday|tomorrow|morning|noon|midday|afternoon|evening|night|midnight|hour|hours|min|minute|minutes|day|days|week|now|ago|last|at)\b/i;

/** Hides a stretch of a line. */
export const hiding = (text: string, index: number, length: number): string =>
	`${text.slice(0, index)}${HIDDEN.repeat(length)}${text.slice(index + length)}`;

const escaped = (word: string): string => word.replaceAll(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`);

/** How a name stands in a line, where it could be taken for something else; nothing for any other name. */
const phraseOf = remembered((name): { readonly phrase?: RegExp } => {
	const words = HAZARD.test(name) ? plainWords(name).map(escaped) : [];
	return words.length === 0
		? {}
		: {
				phrase: new RegExp(`(?<![\\p{L}\\p{N}])${words.join('[^\\p{L}\\p{N}]+')}(?![\\p{L}\\p{N}])`, 'giu')
			};
});

/**
 * A line of the same length in which names that could be taken for something else are hidden, so that what is found in
 * the rest can be cut out of the line by its place.
 */
export const shielded = (text: string, names: readonly string[]): string =>
	names
		.flatMap((name) => {
			const { phrase } = phraseOf(name);
			return phrase ? [{ name, phrase }] : [];
		})
		.toSorted((a, b) => b.name.length - a.name.length)
		.reduce((line, { phrase }) => line.replace(phrase, (found) => HIDDEN.repeat(found.length)), text);

/** A line without some of its stretches, which are given from left to right. */
export const without = (
	text: string,
	stretches: readonly { readonly index: number; readonly length: number }[]
): string =>
	stretches
		.toReversed()
		.reduce((line, { index, length }) => `${line.slice(0, index)} ${line.slice(index + length)}`, text)
		.replaceAll(/[ \t]+/g, ' ')
		.trim();
