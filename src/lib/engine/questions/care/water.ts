import { waterAges, waterWarnings, type WaterAge, type WaterWarning } from '$core/care';
import { heatOf } from '../../parts/heat';
import { question } from '../../question';

/** How old the water in the tanks is, and what is to be minded of it. */
export interface Water {
	readonly rig: string;
	readonly ages: readonly WaterAge[];
	readonly warnings: readonly WaterWarning[];
}

/** How old the water in the tanks is, and what is to be minded of it. */
const water = question({
	answer: ({ estimate, book: { trips, points } }): Water => {
		const now = estimate();
		const ages = waterAges(now, points);
		return { rig: now.model.rig.id, ages, warnings: waterWarnings(ages, heatOf(now, trips)) };
	}
});

declare module '../../question' {
	interface Questions {
		'care/water': typeof water;
	}
}

export default water;
