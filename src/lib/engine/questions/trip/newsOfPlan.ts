import { tripInUse } from '$core/logbook';
import { livedTrip, passedBy, replanned, seenOf, type PassedBy, type PlanSeen } from '$core/plan';
import { askPassedBy, sayReplanned } from '$core/words';
import { question } from '../../question';

/** A planned service that was passed by, and what is asked of it. */
export interface Ask extends PassedBy {
	readonly asks: string;
}

/** What is different since a plan was last seen. */
export interface PlanNews {
	readonly seen: PlanSeen;
	readonly changed?: string;
	readonly passed: readonly Ask[];
}

/** What has changed in the plan of the trip at hand since it was seen, and what was passed by; nothing without a plan. */
const newsOfPlan = question({
	answer: (
		{ from, shared: { known }, trip: tripOf, entries },
		before: PlanSeen | undefined
	): PlanNews | undefined => {
		const whole = tripOf();
		const plan = known?.now.plan;
		if (!whole || !plan || known.from.rig !== from.rig) return undefined;
		const { atMs, model } = known.estimate;
		const trip = livedTrip(tripInUse(whole), entries);
		const seen = seenOf(model.rig, trip, plan, atMs);
		const changed = before && replanned(before, seen);
		const passed = before?.trip === trip.id ? passedBy(before, model.rig, trip, entries, atMs) : [];
		return {
			seen,
			...(changed ? { changed: sayReplanned(model.rig, trip, changed, atMs) } : {}),
			passed: passed.map((one) => ({ ...one, asks: askPassedBy(model.rig, trip, one, atMs) }))
		};
	}
});

declare module '../../question' {
	interface Questions {
		'trip/newsOfPlan': typeof newsOfPlan;
	}
}

export default newsOfPlan;
