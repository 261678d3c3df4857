import { scoreOf, type Foretold, type Score } from '$core/forecast';
import { question } from '../../question';

/** What was foretold, held against what was known by a moment. */
const score = question({
	answer: ({ estimateAt }, foretold: Foretold, atMs: number): Score | 'later' | 'untold' =>
		scoreOf(estimateAt(atMs), foretold)
});

declare module '../../question' {
	interface Questions {
		'record/score': typeof score;
	}
}

export default score;
