import { foretell as foretellFrom, type Foretold } from '$core/forecast';
import { instantMs } from '$core/logbook';
import { question } from '../../question';

/** What is foretold for a day later, to be kept; nothing where the log knows of it already. */
const foretell = question({
	answer: ({ estimate, entries }): Foretold | undefined =>
		foretellFrom(
			estimate(),
			entries.reduce((last, { at, void: gone }) => (gone ? last : Math.max(last, instantMs(at))), 0)
		)
});

declare module '../../question' {
	interface Questions {
		'record/foretell': typeof foretell;
	}
}

export default foretell;
