import { describe, expect, it } from 'vitest';
import { understand } from './index.js';
import {
	BOAT,
	HUT,
	IN_THE_HUT,
	IN_THE_VAN,
	NOW,
	ON_THE_BOAT,
	VAN,
	type Sentence,
	type Way
} from './sentences.fixture.js';

describe.each([
	['in the van', VAN, IN_THE_VAN],
	['on the boat, in US gallons', BOAT, ON_THE_BOAT],
	['in the hut', HUT, IN_THE_HUT]
] as const)('%s', (_, context, sentences) => {
	it.each(sentences.map((sentence) => [sentence[0], sentence] as const))(
		'%j',
		(line, [, ...means]: Sentence) => {
			const answer = understand(line, context);
			const [asks] = means;
			if (asks instanceof RegExp) {
				expect(answer).toMatchObject({ kind: 'problem', problem: expect.stringMatching(asks) });
				return;
			}
			const ways = means as readonly Way[];
			expect(answer).toMatchObject({
				kind: 'understood',
				matches: ways.map(({ entries, adds }) => ({
					drafts: entries.map((entry) => ({ at: NOW, ...entry })),
					...(adds ? { adds } : {})
				}))
			});
			// Nothing is added unasked, nor told twice in the same words.
			const matches = answer.kind === 'understood' ? answer.matches : [];
			matches.forEach(({ adds }, i) => expect(adds === undefined).toBe(ways[i]?.adds === undefined));
			expect(new Set(matches.map(({ says }) => says)).size).toBe(matches.length);
		}
	);
});
