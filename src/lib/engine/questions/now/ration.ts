import { ration as allowed, type Ration } from '$core/forecast';
import { question } from '../../question';

/** How much may be used to reach a moment. */
const ration = question({
	answer: ({ estimate }, untilMs: number, certainty: number): Ration | undefined =>
		allowed(estimate(), untilMs, certainty)
});

declare module '../../question' {
	interface Questions {
		'now/ration': typeof ration;
	}
}

export default ration;
