import type { Estimate } from '../../estimate/index.js';
import { sumOf } from '../../numerics/index.js';
import { aheadNow } from './cadence.js';
import { dayAhead, litresOf } from './daily.js';

/**
 * How unsure it is how much a day takes here, as a share of it (a standard deviation over the mean): what a household's pace is
 * before anything of it is known, less by all that the log and the readings have told.
 */
export function paceDoubt(estimate: Estimate): number {
	const { model, belief, state } = estimate;
	const day = dayAhead(estimate, aheadNow(estimate));
	const each = day.habits.map(({ flow, litresEach }) => litresOf(flow.drawn, litresEach.mean));
	const logged = day.habits.map(({ cadence }, i) => cadence.timesPerDay * (each[i] as number));
	const mean = sumOf(logged) + sumOf(day.unlogged.map((one) => one.drawn * one.mean));
	const common = sumOf(day.habits.map(({ cadence }, i) => cadence.perPace * (each[i] as number)));
	const own = sumOf(day.habits.map(({ cadence }, i) => (cadence.ownSd * (each[i] as number)) ** 2));
	// Who leaves more unwritten writes less: both together are what a day takes.
	const rows = model.streams.map((stream, s) => {
		const h = day.habits.findIndex((one) => one.stream === s);
		const written = (day.habits[h]?.cadence.perUnloggedL ?? 0) * (each[h] ?? 0);
		return [stream.index, (day.unlogged[s]?.perDay ?? 0) * stream.drawn(state) + written] as const;
	});
	return mean > 0 ? Math.sqrt(belief.varianceOf(rows) + common ** 2 + own) / mean : 0;
}
