import { smoothedPast as past, type PastTank } from '$core/estimate';
import { question } from '../../question';

/** The best account of the past, from a moment on. */
const smoothedPast = question({
	answer: ({ estimate }, fromMs: number): readonly PastTank[] => past(estimate(), fromMs)
});

declare module '../../question' {
	interface Questions {
		'tank/smoothedPast': typeof smoothedPast;
	}
}

export default smoothedPast;
