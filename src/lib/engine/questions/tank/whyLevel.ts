import { whyLevelOf, type WhyLevel } from '../../parts/whyLevelOf';
import { question } from '../../question';

/** Why a tank’s level is what it is. */
const whyLevel = question({
	answer: ({ estimate, from }, tank: string): WhyLevel => whyLevelOf(estimate(), tank, from.timeZone)
});

declare module '../../question' {
	interface Questions {
		'tank/whyLevel': typeof whyLevel;
	}
}

export default whyLevel;
