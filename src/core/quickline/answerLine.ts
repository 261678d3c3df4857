import { estimate, readLevels, type Estimate } from '../estimate/index.js';
import { personsNow } from '../habits/index.js';
import {
	currentTrip,
	entriesUntil,
	inOrder,
	inUse,
	instantMs,
	tripUnderWay,
	type Entry,
	type HoursReader,
	type Logbook
} from '../logbook/index.js';
import { METRIC, type UnitChoice } from '../units/index.js';
import { answerQuestion, type Answer } from '../answering/index.js';
import type { Addition, Need, QuickContext, ServiceFound } from './context.js';
import { knownFrom } from './known.js';
import { understand } from './quickline.js';

/** A line that is put to a logbook. */
export interface LineQuestion {
	readonly logbook: Logbook;
	/** id of a rig in it */
	readonly rig: string;
	/** the instant that is "now" in the line */
	readonly at: string;
	readonly text: string;
	readonly units?: UnitChoice['volume'] | undefined;
	/** of the trip under way, the rig or the instant, where it is not said */
	readonly timeZone?: string | undefined;
	/** reads when services are open */
	readonly hours?: HoursReader | undefined;
}

/** An entry that has not been given its id. */
export type LineEntry = Entry extends infer E ? (E extends Entry ? Omit<E, 'id'> : never) : never;

/** What a line means: one choice when that is sure, several told apart when not, a problem when it means nothing. */
export interface LineAnswer {
	readonly choices: readonly {
		readonly says: string;
		readonly entries: readonly LineEntry[];
		readonly adds?: Addition;
		/** what goes into the rig before that; an addition of ours, see docs/logbook.md */
		readonly needs?: readonly Need[];
		/** what was found at a service of the trip: the application reports it there; an addition of ours */
		readonly found?: ServiceFound;
		/** what to mind at it */
		readonly warns?: string;
	}[];
	/** what a question is answered with; then nothing is chosen */
	readonly answer?: Answer;
	readonly problem?: string;
}

/** The zone of an instant's own offset: `+02:00`; none for `Z`. */
const offsetOf = (at: string | undefined): string | undefined => /[+-]\d{2}:\d{2}$/.exec(at ?? '')?.[0];

/** What is known of a rig at a moment, to understand a line by. */
function contextOf({
	logbook,
	rig: id,
	at,
	units,
	timeZone
}: LineQuestion): { readonly context: QuickContext; readonly believed: Estimate } | undefined {
	const whole = logbook.rigs.find((rig) => rig.id === id);
	if (!whole) return undefined;
	const nowMs = instantMs(at);
	const rig = inUse(whole);
	const trip = tripUnderWay(logbook.trips, id, nowMs);
	const believed = estimate(logbook, id, nowMs);
	const levels = readLevels(believed);
	const entries = logbook.entries.filter((entry) => entry.rig === id);
	const context: QuickContext = {
		rig,
		trip,
		nowMs,
		timeZone:
			timeZone ??
			trip?.timeZone ??
			rig.timeZone ??
			offsetOf(at) ??
			offsetOf(inOrder(entries).at(-1)?.at) ??
			'Etc/UTC',
		units: { ...METRIC, volume: units ?? METRIC.volume },
		litresEach: new Map(levels.habits.map((habit) => [habit.id, habit.litresEach])),
		levels: new Map(levels.tanks.map((tank) => [tank.id, tank.litres])),
		persons: personsNow(believed),
		mains: believed.state.mains,
		sewer: believed.state.sewer,
		sea: believed.state.sea,
		...knownFrom(rig, entries, nowMs)
	};
	return { context, believed };
}

/** Understands a line as the quick line does, from a logbook alone; nothing is stored. */
export function answerLine(question: LineQuestion): LineAnswer {
	const found = contextOf(question);
	const answer = found ? understand(question.text, found.context) : ({ kind: 'nothing' } as const);
	if (found && answer.kind === 'question') {
		const { logbook, rig } = question;
		const { context, believed } = found;
		const known = {
			estimate: believed,
			estimateAt: (atMs: number) => estimate(logbook, rig, atMs),
			entries: entriesUntil(logbook.entries, rig, context.nowMs),
			trips: logbook.trips,
			points: logbook.points,
			trip: currentTrip(logbook.trips, rig, context.nowMs),
			timeZone: context.timeZone,
			hours: question.hours,
			units: context.units
		};
		return { choices: [], answer: answerQuestion(answer.question, known).answer };
	}
	if (answer.kind !== 'understood')
		return {
			choices: [],
			problem:
				answer.kind === 'problem'
					? answer.problem
					: 'The line is empty. Enter what happened, for example “shower 2”.'
		};
	return {
		choices: answer.matches.map(({ says, warns, drafts, adds, needs, found }) => ({
			says,
			entries: drafts.map((draft) => ({ rig: question.rig, ...draft }) as LineEntry),
			...(adds ? { adds } : {}),
			...(needs ? { needs } : {}),
			...(found ? { found } : {}),
			...(warns === undefined ? {} : { warns })
		}))
	};
}
