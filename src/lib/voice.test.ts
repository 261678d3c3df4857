import { expect, it } from 'vitest';
import { visibleTexts } from '../../tests/helpers/visibleTexts.js';

/** Problems in a file name its fields as its format does. */
const OF_FILES = /^(core\/logbook\/validation|lib\/server)\//;
/** What is not said on the screen, and what is said instead; `docs/voice.md` has the reasons. */
const NOT_SAID: readonly (readonly [RegExp, string])[] = [
	[/\banew\b/i, 'again'],
	[/\bnobody(?! aboard)/i, 'name what is missing: not logged, not known'],
	[/\bsurely\b/i, 'likely, might, 9 in 10'],
	[/\bbinds?\b/i, 'runs low first, fills first'],
	[/\breckon/i, 'calculated, use'],
	[/\bforet(ell|old)/i, 'forecast'],
	[/\bmends?\b/i, 'fix'],
	[/\bso many\b/i, 'how many, an amount'],
	[/\bwritten (down|out)\b|\bwrite (it|that) down\b/i, 'logged, log it'],
	[/\bunwritten\b/i, 'not logged'],
	[/\bbelieved?\b/i, 'estimated'],
	[/\bbother\b/i, 'effort'],
	[/\bby lot\b/i, 'at random'],
	[/\blay-up\b/i, 'winter storage'],
	[/\bdrain-down\b/i, 'draining the system'],
	[/\bcold start\b/i, 'warm-up water'],
	[/\bcadence\b/i, 'how often'],
	[/\bdatum\b/i, 'reference point'],
	[/\bbelow (the|a) suction\b/i, 'the pump can’t reach'],
	[/\brods?\b/i, 'dipstick'],
	[/\bleans?\b|\bleaning\b/i, 'tilt'],
	[/\bmeasures\b|\b(a|the|no|this|of) measure\b/i, 'way to save'],
	[/\bone time\b/i, 'once, each'],
	[/\bchances? in (ten|a hundred)\b|\bin a hundred\b/i, '90% for a chance, 9 in 10 for a range'],
	[/\bservices\b/, 'stop, tap, drain, dump point'],
	[/\bat its end\b|\bcome to its end\b/i, 'runs low, is full'],
	[/\broom to keep\b/i, 'headroom'],
	[/\bblack disposal\b/i, 'dump point'],
	[/\btaken out\b|\bput back\b|\btake back\b|\bbr(ing|ought) back\b/i, 'remove; void, restore'],
	[/\bhand(ed)? (it )?over\b|\btake it in\b|\bread in\b/i, 'share, import'],
	[/\bstraight line\b(?!s)/i, 'as the crow flies'],
	[/\bsteamed off\b/i, 'boiled off'],
	[/\bis not to be\b|\bare not to be\b/i, 'can’t'],
	[/\bcannot\b|\bcould not\b/i, 'can’t, couldn’t'],
	[/[;,] else\b/i, 'otherwise'],
	[/(^|[\d…]) %/, 'no space before %']
];

it('says nothing that a neighbour on the next pitch would not', () => {
	const shown = visibleTexts('src').filter(({ file }) => !OF_FILES.test(file));
	// As many as there are: a walk that missed the components would find nothing, and say so.
	expect(shown.length).toBeGreaterThan(3000);
	const said = shown.flatMap(({ file, line, text }) =>
		NOT_SAID.flatMap(([word, instead]) => (word.test(text) ? [`${file}:${line} “${text}” → ${instead}`] : []))
	);
	expect(said).toEqual([]);
});
