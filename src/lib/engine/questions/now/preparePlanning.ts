import { planTrip } from '$core/now';
import { question } from '../../question';

/** Has trips planned from now on: the first look goes without, and is asked for again when this has come. */
const preparePlanning = question({
	answer: ({ shared }): boolean => {
		shared.planTrip = planTrip;
		return true;
	}
});

declare module '../../question' {
	interface Questions {
		'now/preparePlanning': typeof preparePlanning;
	}
}

export default preparePlanning;
