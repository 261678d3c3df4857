import { describe, expect, it } from 'vitest';
import type { Answer } from '../answering/index.js';
import { answerLine } from './index.js';
import {
	PAPER_BOAT,
	PAPER_CAR,
	PAPER_VAN,
	TO_THE_BOAT,
	TO_THE_CAR,
	TO_THE_VAN,
	WEDNESDAY,
	type Asked
} from './questions.fixture.js';

/** Figures as they are by arithmetic, to the rounding of a level that was filled to the brim. */
const figures = (answer: Partial<Answer>): Record<string, unknown> =>
	Object.fromEntries(
		Object.entries(answer).map(([name, value]) => [
			name,
			typeof value === 'number' ? (expect.closeTo(value, name === 'litres' ? 0 : 1) as unknown) : value
		])
	);

describe.each([
	['the van', PAPER_VAN, 'rig', TO_THE_VAN],
	['the boat', PAPER_BOAT, 'boat', TO_THE_BOAT],
	['the car', PAPER_CAR, 'car', TO_THE_CAR]
] as const)('asked of %s', (_, logbook, rig, questions) => {
	it.each(questions.map((asked) => [asked[0], asked] as const))('%s', (text, [, answer, says]: Asked) => {
		const found = answerLine({ logbook, rig, at: WEDNESDAY, text });
		expect(found.problem).toBeUndefined();
		// Nothing is ever written by a question.
		expect(found.choices).toEqual([]);
		expect(found.answer).toMatchObject(figures(answer));
		expect(found.answer?.says).toMatch(says ?? /\S.*\.$/);
	});
});
