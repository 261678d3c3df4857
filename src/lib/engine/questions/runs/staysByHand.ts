import { instantMs, tripInUse } from '$core/logbook';
import { serviceKindOf, stopServes } from '$core/plan';
import { stayByContainer, type StayLoads } from '$core/runs';
import { DAY_MS } from '$core/time';
import { METRIC } from '$core/units';
import { sayStayAt } from '$core/words';
import { containersOf, hoseInto, hoseOf, type WithHose } from '../../parts/containers';
import { question } from '../../question';

/** What a stay without a service asks of a container. */
export interface StayAt {
	readonly stop: string;
	readonly container: string;
	readonly stay: StayLoads;
	readonly says: string;
}

/** A stay of so many days is worth a reckoning of its loads; one that ends further off than so many is not yet. */
const LONG_DAYS = 2;
const FAR_DAYS = 90;

/** What the stops ahead of a trip that have no service ask of the containers. */
const staysByHand = question({
	answer: (
		{ estimate, trip, from: { units = METRIC } },
		{ trip: id, ...asked }: WithHose & { readonly trip: string }
	): readonly StayAt[] => {
		const found = trip(id);
		if (!found) return [];
		const now = estimate();
		const ahead = tripInUse(found).stops.filter(
			({ arrive, depart }) =>
				instantMs(depart) > now.atMs &&
				instantMs(depart) - now.atMs < FAR_DAYS * DAY_MS &&
				instantMs(depart) - instantMs(arrive) >= LONG_DAYS * DAY_MS
		);
		return ahead.flatMap((stop) =>
			containersOf(now).flatMap((container): readonly StayAt[] => {
				const kind = serviceKindOf(container.carries);
				if (stopServes(stop, kind)) return [];
				const stay = stayByContainer(
					now,
					container,
					instantMs(stop.arrive),
					instantMs(stop.depart),
					hoseInto(container, hoseOf(asked))
				);
				if (stay.loads === 0) return [];
				return [
					{ stop: stop.id, container: container.id, stay, says: sayStayAt(stop, container, stay, units) }
				];
			})
		);
	}
});

declare module '../../question' {
	interface Questions {
		'runs/staysByHand': typeof staysByHand;
	}
}

export default staysByHand;
