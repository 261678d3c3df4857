import type { Shape } from '$core/logbook';
import { bestLean as leanBest, type DrainCorner, type LeanAdvice } from '$core/rig';
import { question } from '../../question';

/** Which way to lean, by no more than so many degrees, so that least stays. */
const bestLean = question({
	answer: (_hand, shape: Shape, corner: DrainCorner, byDeg: number): LeanAdvice =>
		leanBest(shape, corner, byDeg)
});

declare module '../../question' {
	interface Questions {
		'tank/bestLean': typeof bestLean;
	}
}

export default bestLean;
