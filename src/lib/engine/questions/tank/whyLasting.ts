import { whyLasting as lasting, type WhyLasting } from '$core/habits';
import { question } from '../../question';

/** The sum behind the days a tank lasts. */
const whyLasting = question({
	answer: ({ estimate }, tank: string): WhyLasting | undefined => lasting(estimate(), tank)
});

declare module '../../question' {
	interface Questions {
		'tank/whyLasting': typeof whyLasting;
	}
}

export default whyLasting;
