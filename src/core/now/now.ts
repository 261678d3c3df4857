import type { Estimate } from '../estimate/index.js';
import { findings, mendsOf, type Finding } from '../findings/index.js';
import { prices, type Price } from '../forecast/index.js';
import { aheadNow, dayAhead } from '../habits/index.js';
import type { Logbook } from '../logbook/index.js';
import type { UnitChoice } from '../units/index.js';
import { isLoss } from '../rig/index.js';
import { sayFinding, sayMend } from '../words/index.js';
import { lookFirst, type Assessment, type FoundWords, type Occasion } from './firstLook.js';
import { LOOK_AHEAD_DAYS } from './outlook.js';
import type { PlanTrip } from './planTrip.js';

function foundWords(
	estimate: Estimate,
	finding: Finding,
	timeZone: string,
	units: UnitChoice | undefined
): FoundWords {
	const { atMs, model } = estimate;
	return {
		finding,
		words: sayFinding(finding, atMs, timeZone, units),
		mends: mendsOf(finding, estimate, timeZone).map((does) => ({
			does,
			words: sayMend(model.rig, does, atMs, timeZone, units)
		}))
	};
}

/** What one more time of each habit costs; what was given away or spilled is not done once more. */
function pricesNow(estimate: Estimate, binds: string | undefined): readonly Price[] {
	const { rig } = estimate.model;
	const day = dayAhead(estimate, aheadNow(estimate));
	const habits = day.habits.filter(({ habit }) => !isLoss(rig, habit));
	return prices(estimate, { ...day, habits }, { days: LOOK_AHEAD_DAYS, about: binds });
}

/**
 * Puts every question of *Now* to an estimate.
 *
 * @param planTrip plans the trip, where one is at hand; without it everything else is answered
 * @param before what was answered to the same about the same estimate, perhaps without a plan: what no plan changes stands
 */
export function assess(
	estimate: Estimate,
	logbook: Pick<Logbook, 'trips'> & Partial<Pick<Logbook, 'entries' | 'points'>>,
	occasion: Occasion,
	planTrip?: PlanTrip,
	before?: Assessment
): Required<Pick<Assessment, 'prices' | 'findings'>> & Assessment {
	const first = lookFirst(estimate, logbook, occasion, planTrip, before);
	const { binds } = first.verdict;
	const { timeZone, units } = occasion;
	return {
		...first,
		prices: (before?.verdict.binds === binds ? before?.prices : undefined) ?? pricesNow(estimate, binds),
		findings: findings(estimate, {
			trips: logbook.trips,
			all: (logbook.entries ?? estimate.entries).filter((entry) => entry.rig === first.rig)
		}).map((finding) => foundWords(estimate, finding, timeZone, units))
	};
}
