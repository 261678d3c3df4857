import { foretell as foretellFrom, type Foretold } from '$core/forecast';
import { question } from '../../question';

/** What the log until a moment of the past would have foretold: for the demo rigs, whose log is made up all at once. */
const foretellAsOf = question({
	answer: ({ estimateAt }, atMs: number): Foretold | undefined => foretellFrom(estimateAt(atMs))
});

declare module '../../question' {
	interface Questions {
		'record/foretellAsOf': typeof foretellAsOf;
	}
}

export default foretellAsOf;
