import { expect, it } from 'vitest';
import { GLOSSARY, type Word } from './glossary.js';

it.each(Object.entries(GLOSSARY))('%s is told in one sentence, with what to do', (word, says) => {
	expect(says).toMatch(/^[A-Z][^.?!]*\.$/);
	// what it is, and behind the colon what to do
	expect(says).toMatch(/: (\w+ ){1,}/);
	expect(says.toLowerCase()).not.toMatch(new RegExp(`^(an? |the )?${word}\\b`));
	expect(says.split(' ').length).toBeLessThanOrEqual(32);
});

it('tells what usable is, and how it is found', () => {
	const word: Word = 'usable';
	expect(GLOSSARY[word]).toBe(
		'The litres you can really draw or let in, which are fewer than the rated size: find them with a trial on the tank’s page.'
	);
});
