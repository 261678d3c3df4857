import { levelOf, usableOfTank, type Estimate } from '$core/estimate';
import { notRetired } from '$core/logbook';
import { carryingAt, serviceKindOf, type Carrying } from '$core/plan';
import { neverBinds } from '$core/rig';
import { METRIC } from '$core/units';
import { sayNear } from '$core/words';
import { question } from '../../question';

/** Something near by that a container brings within reach. */
export interface NearByHand {
	readonly says: string;
	readonly container: string;
	readonly service: Carrying['service'];
}

/** A fresh tank is offered water from here down, a waste tank a way out from here up, as a share of what serves. */
const LOW = 0.6;
const HIGH = 0.4;

function isWanted(estimate: Estimate, service: Carrying['service']): boolean {
	return estimate.model.rig.tanks.some((tank) => {
		if (serviceKindOf(tank.holds) !== service || neverBinds(estimate.model.rig, tank)) return false;
		const share = levelOf(estimate, tank.id).mean / usableOfTank(estimate, tank.id).mean;
		return service === 'water' ? share <= LOW : share >= HIGH;
	});
}

/** What is near a stop of the trip at hand without a service, and within reach of a container. */
const nearByHand = question({
	answer: (
		{ estimate, trip, book: { points }, from: { units = METRIC } },
		stopId: string
	): readonly NearByHand[] => {
		const now = estimate();
		const { rig } = now.model;
		const stop = trip()?.stops.find(({ id }) => id === stopId);
		if (!stop) return [];
		return carryingAt(rig, stop, notRetired(points))
			.filter(({ service }) => isWanted(now, service))
			.map((one) => ({
				container: one.container,
				service: one.service,
				says: sayNear(rig, stop, points, one, units)
			}));
	}
});

declare module '../../question' {
	interface Questions {
		'runs/nearByHand': typeof nearByHand;
	}
}

export default nearByHand;
