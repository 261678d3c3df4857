import type { Shape } from '$core/logbook';
import { undrainedL, type DrainCorner, type Lean } from '$core/rig';
import { question } from '../../question';

/** What a drain leaves in a leaning tank, litres: pockets are flooded cell by cell, which takes its time. */
const undrained = question({
	answer: (_hand, shape: Shape, corner: DrainCorner, lean: Lean): number => undrainedL(shape, corner, lean)
});

declare module '../../question' {
	interface Questions {
		'tank/undrained': typeof undrained;
	}
}

export default undrained;
