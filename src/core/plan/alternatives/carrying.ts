import distance from '@turf/distance';
import type { Container, Point, Rig, Service, Stop } from '../../logbook/index.js';
import { loadsOf, neverBinds, usableOf } from '../../rig/index.js';
import { serviceKindOf, servesKind, stopServes, type ServiceKind } from '../trip/index.js';

/** A place without a service that has one near: what a container of the rig would make of it. */
export interface Carrying {
	readonly kind: 'carry';
	readonly stop: string;
	readonly point: string;
	readonly container: string;
	readonly service: ServiceKind;
	/** by the straight line, one way */
	readonly km: number;
	/** to fill or empty the tanks of that kind once */
	readonly trips: number;
	readonly minutes: number;
}

/** Nobody walks or tows a tote further, km. */
const MOST_KM = 3;
/** Nor more often than this, loads. */
const MOST_CARRIED = 60;
/** What a load takes where nobody has said, minutes. */
const USUAL_MINUTES = 15;

/** What of its tanks a container serves, litres in all. */
const heldL = (rig: Rig, carries: Container['carries']): number =>
	rig.tanks
		.filter((tank) => tank.holds === carries && !neverBinds(rig, tank))
		.reduce((sum, tank) => sum + usableOf(tank), 0);

/** Where a stop is: its own position, else that of the point it was made from. */
export const whereIs = (stop: Stop, points: readonly Point[]): readonly [number, number] | undefined =>
	stop.position ?? points.find(({ id }) => id === stop.point)?.position;

/** What containers can do for a stop: for each kind that it lacks and a known point near by has, the nearest of them. */
export function carryingAt(rig: Rig, stop: Stop, points: readonly Point[]): readonly Carrying[] {
	const here = whereIs(stop, points);
	if (!here) return [];
	return rig.containers.flatMap((container): readonly Carrying[] => {
		const litres = heldL(rig, container.carries);
		const service = serviceKindOf(container.carries);
		if (container.retired || !(container.count > 0 && litres > 0)) return [];
		if (!(MOST_CARRIED * (container.capacityL - container.headroomL) >= litres)) return [];
		if (stopServes(stop, service)) return [];
		const near = points
			.filter(({ services }) => services.some((one) => servesKind(one, service)))
			.map((point) => ({ point, km: distance([...here], [...point.position]) }))
			.filter(({ km }) => km <= MOST_KM)
			.sort((a, b) => a.km - b.km)[0];
		if (!near) return [];
		const { trips } = loadsOf(container.carries, litres, container);
		return [
			{
				kind: 'carry',
				stop: stop.id,
				point: near.point.id,
				container: container.id,
				service,
				km: near.km,
				trips,
				minutes: trips * (container.minutesPerLoad ?? USUAL_MINUTES)
			}
		];
	});
}

/** The service that carrying makes of a point near by: its fee, and the minutes of all the trips. */
export function serviceByHand(carrying: Carrying, point: Point | undefined): Service {
	const of = point?.services.find((one) => servesKind(one, carrying.service));
	return {
		kind: carrying.service,
		minutes: carrying.minutes,
		...(of?.fee === undefined ? {} : { fee: of.fee }),
		...(of?.potable === undefined ? {} : { potable: of.potable })
	};
}
