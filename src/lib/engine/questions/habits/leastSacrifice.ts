import type { Estimate } from '$core/estimate';
import {
	hoursGiven,
	sacrifice,
	stayLine,
	type Sacrifice,
	type SacrificeOptions,
	type StayLine
} from '$core/forecast';
import { question } from '../../question';

/** The least sacrifice, the line of the stay with it, and the hours that each of the other ways gives. */
export interface LeastSacrifice {
	readonly atMs: number;
	/** the moment that it is to reach */
	readonly untilMs: number;
	readonly found: Sacrifice;
	readonly line: StayLine;
	readonly othersGiveH: readonly number[];
}

/** It pauses on its way, and says then how far it is. */
function* search(estimate: Estimate, asked: SacrificeOptions): Generator<number, LeastSacrifice> {
	const found = yield* sacrifice(estimate, asked);
	const set = (found.best ?? found.nearest).measures.filter((id) => !estimate.state.measures.includes(id));
	return {
		atMs: estimate.atMs,
		untilMs: asked.untilMs,
		found,
		line: stayLine(estimate, set),
		othersGiveH: hoursGiven(estimate, found.others, asked)
	};
}

/** The least sacrifice that reaches a moment; a search tells how far it is, 0 … 1. */
const leastSacrifice = question({
	outdatedBy: 'newer or change',
	answer: (
		{ estimate, inParts },
		asked: SacrificeOptions,
		onprogress?: (done: number) => void
	): Promise<LeastSacrifice | undefined> => inParts(search(estimate(), asked), onprogress)
});

declare module '../../question' {
	interface Questions {
		'habits/leastSacrifice': typeof leastSacrifice;
	}
}

export default leastSacrifice;
