import { readLevels, standsBehind, type Estimate, type Levels } from '../estimate/index.js';
import type { Finding, FindingMend } from '../findings/index.js';
import { forecast, type Forecast, type Price, type Ration } from '../forecast/index.js';
import { paceDoubt, personsNow, risingAhead } from '../habits/index.js';
import type { HoursReader, Logbook, Rig, Trip } from '../logbook/index.js';
import type { OpenValves, SeaState } from '../rig/index.js';
import type { Plan } from '../plan/index.js';
import type { UnitChoice } from '../units/index.js';
import { saySilence, verdict, type Verdict } from '../words/index.js';
import { LOOK_AHEAD_DAYS, outlookOf, type TankOutlook } from './outlook.js';
import type { PlanTrip, ToDo } from './planTrip.js';

/** A finding in words, with the tap that mends it. */
export interface FoundWords {
	readonly finding: Finding;
	readonly words: string;
	/** what one tap can do about it, and what that tap is called */
	readonly mends: readonly { readonly does: FindingMend; readonly words: string }[];
}

/** Everything *Now* and the slim rods show, from one moment. */
export interface Assessment extends ToDo {
	readonly rig: string;
	readonly atMs: number;
	readonly persons: number;
	readonly mains: boolean;
	/** which waste valves are open into a sewer */
	readonly sewer: OpenValves;
	/** what the sea flushes and takes, on a boat */
	readonly sea?: SeaState | undefined;
	readonly measures: readonly string[];
	readonly levels: Levels;
	readonly forecast: Forecast;
	readonly plan?: Plan;
	readonly verdict: Verdict;
	/** what each habit costs of the stay; not yet worked out when absent */
	readonly prices?: readonly Price[];
	readonly ration?: Ration;
	readonly tanks: readonly TankOutlook[];
	/** what does not fit, with what mends it; not yet looked for when absent */
	readonly findings?: readonly FoundWords[];
	/** more has been quiet than the log explains: since when, and both ends of it in a sentence */
	readonly silence?: { readonly sinceMs: number; readonly words: string };
}

/** What is going on: the trip and its day, who is aboard. */
export interface Occasion {
	readonly trip?: Trip | undefined;
	readonly timeZone: string;
	readonly paths?: number;
	readonly units?: UnitChoice;
	/** reads when services are open */
	readonly hours?: HoursReader | undefined;
}

/** A silence in words, told by the tank that binds first, or else by the water there is. */
function silenceOf(
	rig: Rig,
	{ silent }: Levels,
	{
		binds,
		...told
	}: { readonly binds: string | undefined; readonly timeZone: string; readonly units: UnitChoice | undefined }
): Assessment['silence'] {
	const tank = rig.tanks.find(({ id }) => id === binds) ?? rig.tanks.find(({ holds }) => holds === 'fresh');
	const ends = silent?.tanks.find(({ id }) => id === tank?.id);
	return silent && tank && ends
		? { sinceMs: silent.sinceMs, words: saySilence({ ...silent, ...ends, ...told, tank: tank.name }) }
		: undefined;
}

/**
 * What one looks for first: levels, and how long they last. What habits cost and what does not fit takes as long again, and its
 * code comes later: see `assess`.
 *
 * @param planTrip plans the trip, where one is at hand; without it everything else is answered
 * @param before what was answered to the same about the same estimate, perhaps without a plan: what no plan changes stands
 */
export function lookFirst(
	estimate: Estimate,
	logbook: Pick<Logbook, 'trips'> & Partial<Pick<Logbook, 'entries' | 'points'>>,
	{ trip, timeZone, paths, units, hours }: Occasion,
	planTrip?: PlanTrip,
	before?: Assessment
): Assessment {
	const { rig } = estimate.model;
	const { atMs, state } = estimate;
	const levels = readLevels(estimate);
	const foretold = before?.forecast ?? forecast(estimate, { days: LOOK_AHEAD_DAYS, paths });
	const ahead = trip && planTrip?.(estimate, trip, logbook.entries ?? estimate.entries, units, hours);
	const { plan: planned, trip: lived = trip } = ahead ?? {};
	const said = verdict({
		rig,
		forecast: foretold,
		days: LOOK_AHEAD_DAYS,
		trip: lived,
		plan: planned,
		behind: (tank) => standsBehind(estimate, tank).map((one) => one.tank),
		rising: risingAhead(estimate),
		paceDoubt: paceDoubt(estimate),
		units,
		atMs,
		timeZone
	});
	const persons = personsNow(estimate);
	const silence = silenceOf(rig, levels, { binds: said.binds, units, timeZone });
	return {
		...(silence ? { silence } : {}),
		rig: rig.id,
		atMs,
		persons,
		mains: state.mains,
		sewer: state.sewer,
		...(state.sea ? { sea: state.sea } : {}),
		measures: state.measures,
		levels,
		forecast: foretold,
		...(planned ? { plan: planned } : {}),
		...(ahead?.toDo ?? {}),
		verdict: said,
		...(ahead?.ration ? { ration: ahead.ration } : {}),
		tanks: outlookOf(estimate, foretold, timeZone, said.binds, { levels, points: logbook.points })
	};
}
