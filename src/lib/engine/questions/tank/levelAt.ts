import { readLevels, type TankLevel } from '$core/estimate';
import { whyLevelOf } from '../../parts/whyLevelOf';
import { question } from '../../question';

/** A level at some moment, with the reason in a sentence. */
export interface PastLevelAnswer {
	readonly level: TankLevel;
	readonly why: string;
}

/** A tank's level at any moment of the past, and why. */
const levelAt = question({
	answer: ({ estimateAt, from }, tank: string, atMs: number): PastLevelAnswer | undefined => {
		const then = estimateAt(atMs);
		const level = readLevels(then).tanks.find(({ id }) => id === tank);
		return level && { level, why: whyLevelOf(then, tank, from.timeZone).why };
	}
});

declare module '../../question' {
	interface Questions {
		'tank/levelAt': typeof levelAt;
	}
}

export default levelAt;
