import { knownUntil, type Entry } from '$core/logbook';
import { NothingToReview } from '$core/review';

/** What is looked back on. */
export interface Looking {
	readonly fromMs: number;
	readonly toMs: number;
	readonly timeZone: string;
	/** the trip whose plan it is held against */
	readonly trip?: string | undefined;
}

/** Until when a stretch is known. */
export const knownEnd = (
	entries: readonly Entry[],
	{ toMs, timeZone }: Pick<Looking, 'toMs' | 'timeZone'>
): number => knownUntil(entries, toMs, timeZone);

/** Why nothing can be looked back on. */
export interface Nothing {
	readonly nothing: NothingToReview['why'];
}

/** Where there is nothing to review, says why in place of it. */
export function* orNothing<T>(making: Generator<number, T>): Generator<number, T | Nothing> {
	try {
		return yield* making;
	} catch (error) {
		if (error instanceof NothingToReview) return { nothing: error.why };
		throw error;
	}
}
