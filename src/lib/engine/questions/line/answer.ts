import { answerQuestion, type Answered } from '$core/answering';
import type { Question } from '$core/quickline';
import { METRIC } from '$core/units';
import { question } from '../../question';

/** What the quick line answers to a question, with what *Now* shows where it has it. */
const answer = question({
	answer: (hand, asked: Question): Answered => {
		const { from, book, shared } = hand;
		const known = shared.known?.from.rig === from.rig ? shared.known : undefined;
		return answerQuestion(asked, {
			estimate: known?.estimate ?? hand.estimate(),
			estimateAt: (atMs) => hand.estimateAt(atMs),
			entries: hand.entriesUntil(),
			trips: book.trips,
			points: book.points,
			trip: hand.trip(),
			timeZone: from.timeZone,
			hours: shared.hours,
			units: from.units ?? METRIC,
			...(known
				? {
						shown: {
							forecast: known.now.forecast,
							prices: known.now.prices,
							binds: known.now.verdict.binds
						}
					}
				: {})
		});
	}
});

declare module '../../question' {
	interface Questions {
		'line/answer': typeof answer;
	}
}

export default answer;
