import { instantMs, tripSpan, type Trip } from '$core/logbook';
import { latest } from '$lib/engine';
import type { App } from '$lib/state';

/**
 * What a view of a trip asks: what lies on its way, its plan, how else it could be done, and the past behind it. For use while a component is set up.
 *
 * @param shown the trip that is looked at; an answer about another one is none
 */
export function askedOfTrip(app: App, shown: () => Trip | undefined) {
	const ahead = (): Trip | undefined => {
		const trip = shown();
		return trip && trip.stops.length > 0 && tripSpan(trip)[1] > app.nowMs ? trip : undefined;
	};
	const ofShown = <T extends { readonly trip: string }>(answer: T | undefined): T | undefined =>
		answer?.trip === shown()?.id ? answer : undefined;
	// Before the plan, which takes its time: it is there when the page comes to it.
	const points = latest(() => {
		void app.engine.written;
		const trip = shown();
		return trip && app.records.points.length > 0 ? app.engine.ask('trip/pointsAhead', trip.id) : undefined;
	});
	// Again with what is written, and with all that is asked from: the clock, units, the rig.
	const planned = latest(() => {
		void app.engine.written;
		const trip = ahead();
		return trip && app.engine.ask('trip/planOfTrip', trip.id);
	});
	// What takes its time is asked once the plan stands, and again where that has become another or something was written:
	// asked again with every figure that comes, it would be given up each time before it is there.
	const ways = latest(() => {
		void app.engine.written;
		const plan = ofShown(planned.value);
		return plan && app.engine.ask('trip/waysOfTrip', plan.trip);
	});
	const mends = latest(() => {
		void app.engine.written;
		const plan = ofShown(planned.value);
		return plan?.plan.feasible === false ? app.engine.ask('trip/mendsOfTrip', plan.trip) : undefined;
	});
	const past = latest(() => {
		void app.engine.written;
		const first = shown()?.stops[0];
		const firstMs = first ? instantMs(first.arrive) : app.nowMs;
		return firstMs < app.nowMs ? app.engine.ask('tank/smoothedPast', firstMs) : undefined;
	});
	return {
		/** our points near its way ahead */
		points: {
			get near() {
				return ofShown(points.value)?.near;
			},
			get waiting() {
				return points.waiting;
			},
			get trouble() {
				return points.trouble;
			}
		},
		get planned() {
			return ofShown(planned.value);
		},
		/** why it could not be planned */
		get trouble() {
			return planned.trouble;
		},
		get ways() {
			return ofShown(ways.value);
		},
		/** what would make it hold */
		get mends() {
			return ofShown(mends.value)?.mends;
		},
		/** what is in each tank along it, once what was is known too: drawn once */
		get past() {
			return past.value ?? (past.waiting ? undefined : []);
		},
		/** the plan, as soon as anything tells it: *Now* may have it already */
		get plan() {
			const now = app.engine.assessment;
			return (
				ofShown(planned.value)?.plan ?? (app.trip && app.trip.id === ahead()?.id ? now?.plan : undefined)
			);
		},
		/** whether a plan is still to come */
		get waits() {
			return ahead() !== undefined && planned.trouble === undefined && this.plan === undefined;
		}
	};
}
