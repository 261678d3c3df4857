import { readLevels, type Estimate, type Levels } from '../estimate/index.js';
import { findings, mendOf, type Finding, type Mend } from '../findings/index.js';
import { forecast, prices, ration, type Forecast, type Price, type Ration } from '../forecast/index.js';
import { aheadNow, dayAhead, personsNow, risingAhead } from '../habits/index.js';
import { certaintyOf, instantMs, type Logbook, type Trip } from '../logbook/index.js';
import { livedTrip, workedPlan, type Plan } from '../plan/index.js';
import type { UnitChoice } from '../units/index.js';
import { sayFinding, sayMend, verdict, type Verdict } from '../words/index.js';
import { LOOK_AHEAD_DAYS, outlookOf, type TankOutlook } from './outlook.js';

export interface FoundWords {
	readonly finding: Finding;
	readonly words: string;
	/** what one tap can do about it, and what that tap is called */
	readonly mend?: { readonly does: Mend; readonly words: string };
}

/** Everything *Now* and the slim rods show, from one moment. */
export interface Assessment {
	readonly rig: string;
	readonly atMs: number;
	readonly persons: number;
	readonly mains: boolean;
	readonly sewer: boolean;
	readonly measures: readonly string[];
	readonly levels: Levels;
	readonly forecast: Forecast;
	readonly plan?: Plan;
	readonly verdict: Verdict;
	readonly prices: readonly Price[];
	readonly ration?: Ration;
	readonly tanks: readonly TankOutlook[];
	readonly findings: readonly FoundWords[];
}

export interface Occasion {
	readonly trip?: Trip | undefined;
	readonly timeZone: string;
	readonly paths?: number;
	readonly units?: UnitChoice;
}

/** Until when the ration is reckoned: the next planned service, else the end of the trip. */
const rationUntil = (trip: Trip | undefined, planned: Plan | undefined, atMs: number): number | undefined => {
	const next = trip?.stops.find(({ id }) => id === planned?.next?.stop);
	const ends = (trip?.stops ?? []).map(({ depart }) => instantMs(depart));
	const until = next ? instantMs(next.arrive) : Math.max(-Infinity, ...ends);
	return until > atMs ? until : undefined;
};

function foundWords(
	estimate: Estimate,
	finding: Finding,
	timeZone: string,
	units: UnitChoice | undefined
): FoundWords {
	const { atMs, model } = estimate;
	const does = mendOf(finding, estimate, timeZone);
	return {
		finding,
		words: sayFinding(finding, atMs, timeZone, units),
		...(does ? { mend: { does, words: sayMend(model.rig, does, atMs, timeZone, units) } } : {})
	};
}

/** Puts every question of *Now* to an estimate. */
export function assess(
	estimate: Estimate,
	logbook: Pick<Logbook, 'trips'> & Partial<Pick<Logbook, 'entries'>>,
	{ trip, timeZone, paths, units }: Occasion
): Assessment {
	const { rig } = estimate.model;
	const { atMs, state } = estimate;
	const levels = readLevels(estimate);
	const ahead = forecast(estimate, { days: LOOK_AHEAD_DAYS, paths });
	const lived = trip && livedTrip(trip, logbook.entries ?? estimate.entries);
	const planned = lived && workedPlan(estimate, lived, { reading: 'while-there' }).plan;
	const said = verdict({
		rig,
		forecast: ahead,
		days: LOOK_AHEAD_DAYS,
		trip: lived,
		plan: planned,
		rising: risingAhead(estimate),
		units,
		atMs,
		timeZone
	});
	const persons = personsNow(estimate);
	const until = rationUntil(lived, planned, atMs);
	const share = until === undefined ? undefined : ration(estimate, until, certaintyOf(trip));
	return {
		rig: rig.id,
		atMs,
		persons,
		mains: state.mains,
		sewer: state.sewer,
		measures: state.measures,
		levels,
		forecast: ahead,
		...(planned ? { plan: planned } : {}),
		verdict: said,
		prices: prices(estimate, dayAhead(estimate, aheadNow(estimate)), {
			days: LOOK_AHEAD_DAYS,
			about: said.binds
		}),
		...(share ? { ration: share } : {}),
		tanks: outlookOf(estimate, ahead, timeZone, said.binds, levels),
		findings: findings(estimate, {
			trips: logbook.trips,
			all: (logbook.entries ?? estimate.entries).filter((entry) => entry.rig === rig.id)
		}).map((finding) => foundWords(estimate, finding, timeZone, units))
	};
}
