import { fillSetup as setUp, type FillSetup, type FillWish } from '$core/runs';
import { question } from '../../question';

/** A fill, set up step by step. @throws RangeError with what does not fit and what to do */
const fillSetup = question({
	answer: ({ estimate, entriesUntil }, wish: FillWish): FillSetup => setUp(estimate(), entriesUntil(), wish)
});

declare module '../../question' {
	interface Questions {
		'runs/fillSetup': typeof fillSetup;
	}
}

export default fillSetup;
