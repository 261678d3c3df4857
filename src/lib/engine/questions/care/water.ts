import {
	waterAges,
	waterStates,
	waterWarnings,
	type WaterAge,
	type WaterState,
	type WaterWarning
} from '$core/care';
import { heatOf } from '../../parts/heat';
import { question } from '../../question';

/** How old the water in the tanks is, whether one may drink it, and what is to be minded of it. */
export interface Water {
	readonly rig: string;
	readonly ages: readonly WaterAge[];
	readonly states: readonly WaterState[];
	readonly warnings: readonly WaterWarning[];
}

/** How old the water in the tanks is, and what is to be minded of it. */
const water = question({
	answer: ({ estimate, book: { trips, points } }): Water => {
		const now = estimate();
		const ages = waterAges(now, points);
		const states = waterStates(now, points);
		return { rig: now.model.rig.id, ages, states, warnings: waterWarnings(ages, states, heatOf(now, trips)) };
	}
});

declare module '../../question' {
	interface Questions {
		'care/water': typeof water;
	}
}

export default water;
