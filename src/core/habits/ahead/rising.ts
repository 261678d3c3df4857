import { riseOf, type Climate, type Estimate } from '../../estimate/index.js';
import { climateNow, personsNow } from './cadence.js';
import { dayAhead, litresOf } from './daily.js';

/** Use that rises with the heat or the work of a stop ahead. */
export interface Rising {
	readonly fromMs: number;
	readonly climate: Climate;
	/** litres a day more than now, by all who are aboard */
	readonly moreL: number;
	/** all of it is drunk */
	readonly drunk: boolean;
}

/** Less than this nobody minds, litres a day. */
const MINDS_L = 0.5;

/** The first change of climate ahead that makes for more use than now; nothing when there is none. */
export function risingAhead(estimate: Estimate): Rising | undefined {
	const { model, state, atMs } = estimate;
	const now = climateNow(estimate);
	const usual = dayAhead(estimate, { persons: personsNow(estimate), measures: state.measures });
	for (const { ms, is } of model.climate) {
		if (ms <= atMs) continue;
		let moreL = 0;
		let drunk = true;
		usual.habits.forEach(({ habit, cadence, flow, litresEach, stream }) => {
			const more = riseOf(habit, is) - riseOf(habit, now);
			const left = stream === undefined ? undefined : usual.unlogged[stream];
			const unwritten = left ? left.drawn * left.mean : 0;
			const perDayL = cadence.timesPerDay * litresOf(flow.drawn, litresEach.mean) + unwritten;
			moreL += more * perDayL;
			if (
				more > 0 &&
				(habit.keptFraction ?? 0) < 1 &&
				model.rig.outlets.find(({ id }) => id === habit.outlet)?.to !== 'none'
			)
				drunk = false;
		});
		if (moreL > MINDS_L) return { fromMs: ms, climate: is, moreL, drunk };
	}
	return undefined;
}
