import { estimate } from '$core/estimate';
import { entriesUntil, knownUntil } from '$core/logbook';
import { NothingToReview, reviewOf, stretchOf } from '$core/review';
import { mustBe, readReviewBody } from '$lib/server/bodies';
import { answerJson } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** What a stretch came to: litres by habit, by tank and per person and day. */
export const POST: RequestHandler = ({ request }) =>
	answerJson(request, (data) => {
		const read = readReviewBody(data);
		if ('errors' in read) return read;
		const { logbook, rig, from, to } = read.body;
		const { fromMs, toMs, timeZone } = stretchOf(logbook, rig, from, to);
		const endMs = knownUntil(entriesUntil(logbook.entries, rig, toMs), toMs, timeZone);
		try {
			const seen = reviewOf(estimate(logbook, rig, endMs), { fromMs, timeZone, whole: true });
			return {
				answer: {
					from: new Date(seen.fromMs).toISOString(),
					to: new Date(seen.toMs).toISOString(),
					days: seen.days,
					personDays: seen.personDays,
					drawnL: seen.drawnL,
					perPersonDayL: seen.perPersonDayL ?? 0,
					habits: seen.habits.map(({ id, times, litres }) => ({ id, times, litres })),
					unloggedL: seen.unloggedL,
					tanks: seen.tanks.map(({ id, in: came, out, start, end }) => ({ id, in: came, out, start, end }))
				}
			};
		} catch (error) {
			if (!(error instanceof NothingToReview)) throw error;
			return {
				errors: [
					mustBe(
						'$.to',
						error.why === 'no-days' ? 'an instant or a day after from' : 'a time after the rig’s first entry',
						to
					)
				]
			};
		}
	});
