import { DAY_MS } from '$core/time';
import type { Basis, CalibrationPair, PastTank, InformationShares } from '$core/estimate';
import { modelOf, readLevels, Replay, writesInBatches, type Estimate, type TankLevel } from '$core/estimate';
import type { WhyLasting } from '$core/habits';
import {
	inOrder,
	instantMs,
	LIST_OF,
	tripSpan,
	type Entry,
	type Logbook,
	type Rig,
	type Shape,
	type Trip
} from '$core/logbook';
import {
	forecastByDay,
	type Autonomy,
	type Forecast,
	type Foretold,
	type More,
	type Ration,
	type SacrificeOptions,
	type Score
} from '$core/forecast';
import { assess, type Assessment, type Effect, type PlanTrip } from '$core/now';
import type { Otherwise, Relived } from '$core/review';
import type { AutonomyFromFull, Compared, LevelsAtStop, PlanSeen, TripChange } from '$core/plan';
import type { DrainCorner, Lean, LeanAdvice } from '$core/rig';
import { METRIC, type UnitChoice } from '$core/units';
import type { Change } from '$lib/store';
import { EntryLog } from './entryLog';
import type { BasketAnswer } from './basketAnswer';
import type { Care, Water } from './careQuestions';
import type { PlanNews, TripPlan, WaysOfTrip } from './planQuestions';
import type { InShort, LookedBack, Looking, Nothing } from './reviewQuestions';
import type { RunAnswers, RunAsk } from './runQuestions';
import type { Saving, LeastSacrifice } from './savingQuestions';

/** What an assessment is asked for. */
export interface Question {
	readonly rig: string;
	readonly trip?: string | undefined;
	readonly atMs: number;
	readonly timeZone: string;
	/** the zone of the rig's person, for days on which no trip is under way; the rig's own when absent */
	readonly home?: string;
	readonly units?: UnitChoice;
	/** how many times as wide forecasts are drawn, by their own record; as they are when absent */
	readonly spread?: number | undefined;
}

/** Why a level is what it is: in a sentence, and the entries that it rests on. */
export interface WhyLevel {
	readonly why: string;
	readonly basis: readonly Basis[];
}

/** A level at some moment, with the reason in a sentence. */
export interface PastLevelAnswer {
	readonly level: TankLevel;
	readonly why: string;
}

type Known = {
	readonly question: Question;
	readonly estimate: Estimate;
	readonly now: Assessment;
	bound?: Autonomy;
};

/** everything but the entries, which the log keeps */
type Book = Omit<Logbook, 'entries'>;

/** Between so many entries the engine listens: to a new question, or to a stop. */
const AT_ONCE = 2000;
/** How long is worked on before the engine listens, ms. */
const SLICE_MS = 40;
/** So many trips are looked back on beside each other. */
const MOST_TRIPS = 12;

/** Runs something that pauses on its way, and listens in between; nothing when it is outdated meanwhile. */
async function unhurried<S, T>(
	living: Generator<S, T>,
	outdated: () => boolean,
	onstep?: (step: S) => void
): Promise<T | undefined> {
	let began = performance.now();
	for (;;) {
		const { done, value } = living.next();
		if (done) return value;
		if (performance.now() - began < SLICE_MS) continue;
		onstep?.(value);
		await breath();
		if (outdated()) return undefined;
		began = performance.now();
	}
}

/** What only some views ask for. */
const viewQuestions = () => import('./viewQuestions');
const savingQuestions = () => import('./savingQuestions');
const planQuestions = () => import('./planQuestions');
const planner = () => import('./planner');
const runQuestions = () => import('./runQuestions');
const careQuestions = () => import('./careQuestions');
const reviewQuestions = () => import('./reviewQuestions');
const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/**
 * The core with a logbook in hand: it keeps a copy, so that a change travels alone, and remembers how far it has
 * replayed. Plain: a worker is only a door before it.
 */
export function createEngine() {
	let book: Book | undefined;
	let log = new EntryLog([]);
	let known: Known | undefined;
	/** the replays that remember, with what they were made for */
	const replays = new Map<
		string,
		{ readonly rig: Rig; readonly trips: Logbook['trips']; readonly made: string; readonly replay: Replay }
	>();
	/** plans trips: loaded once everything else was answered */
	let planTrip: PlanTrip | undefined;
	/** the zone of the person who asked last */
	let home: string | undefined;
	/** counts the questions that need a replay: a new one stops the one before it */
	let asked = 0;

	/** counts changes and questions of a kind: a long answer to an earlier one is outdated */
	let changed = 0;
	const sought = new Map<string, number>();
	/** whether something of a kind that begins now has been outdated since */
	const since = (kind: string): (() => boolean) => {
		const own = (sought.get(kind) ?? 0) + 1;
		sought.set(kind, own);
		const before = changed;
		return () => changed !== before || sought.get(kind) !== own;
	};

	const needBook = (): Book => {
		if (!book) throw new Error('The engine has no logbook yet.');
		return book;
	};

	const tripOf = ({ trip }: Question): Trip | undefined => book?.trips.find(({ id }) => id === trip);

	/** The replay of a rig; a new one when the rig, the trips, who is aboard, or where and how it is written has changed. */
	const replayOf = (rigId: string): Replay => {
		const { rigs, trips } = needBook();
		const rig = rigs.find(({ id }) => id === rigId);
		if (!rig) throw new RangeError(`there is no rig ${JSON.stringify(rigId)} in the logbook`);
		const aboard = log.of(rigId).filter(({ kind }) => kind === 'crew');
		const inBatches = writesInBatches(log.of(rigId));
		const made = JSON.stringify([aboard, home, inBatches]);
		const before = replays.get(rigId);
		if (before && before.rig === rig && before.trips === trips && before.made === made) return before.replay;
		const replay = new Replay(modelOf(rig, trips, aboard, home ?? rig.timeZone, inBatches));
		replays.set(rigId, { rig, trips, made, replay });
		return replay;
	};

	const widely = (estimate: Estimate, { spread }: Question): Estimate =>
		spread === undefined ? estimate : { ...estimate, inflation: spread };

	const estimateNow = (question: Question): Estimate => {
		const { rig, atMs } = question;
		return widely(replayOf(rig).to(log.until(rig, atMs), atMs), question);
	};

	/** The estimate at an earlier moment: on a branch, so that the way to now is not gone again. */
	const estimateThen = ({ rig, atMs }: Question): Estimate => {
		const entries = log.until(rig, atMs);
		return replayOf(rig).branch(entries.length).to(entries, atMs);
	};

	/** Why a level is what it is at an estimate's moment. */
	async function whyOf(then: Estimate, tank: string, { timeZone }: Question): Promise<WhyLevel> {
		const { basisOf, sayWhy } = await viewQuestions();
		const basis = basisOf(then, [tank]).get(tank) ?? [];
		return { why: sayWhy(then, tank, basis, timeZone), basis };
	}

	return {
		/** Takes a whole logbook in hand, in place of what was there. */
		load(whole: Logbook): void {
			const { entries, ...rest } = whole;
			book = rest;
			log = new EntryLog(entries);
			replays.clear();
			known = undefined;
			asked++;
			changed++;
		},
		change(changes: readonly Change[]): void {
			const next = { ...needBook() };
			for (const { kind, value } of changes) {
				if (kind === 'entry') {
					log.put(value);
					continue;
				}
				const list = LIST_OF[kind];
				const others = (next[list] as readonly { id: string }[]).filter(({ id }) => id !== value.id);
				Object.assign(next, { [list]: [...others, value] });
			}
			book = next;
			known = undefined;
			changed++;
		},
		/**
		 * Everything that *Now* shows. A long replay tells how far it is and stops when another question comes.
		 *
		 * @returns nothing when it was stopped
		 */
		async assess(question: Question, onprogress?: (done: number) => void): Promise<Assessment | undefined> {
			const own = ++asked;
			home = question.home;
			const entries = log.until(question.rig, question.atMs);
			const replay = replayOf(question.rig);
			for (let i = AT_ONCE; i < entries.length; i += AT_ONCE) {
				if (!replay.advance(entries.slice(0, i))) continue;
				onprogress?.(i / entries.length);
				await breath();
				if (own !== asked) return undefined;
			}
			const believed = widely(replay.to(entries, question.atMs), question);
			const { timeZone, units } = question;
			const now = assess(
				believed,
				{ trips: needBook().trips, entries: log.of(question.rig) },
				{ trip: tripOf(question), timeZone, ...(units ? { units } : {}) },
				planTrip
			);
			known = { question, estimate: believed, now };
			return now;
		},
		/** Whether trips are planned yet: the first look goes without, and is asked for again when this has come. */
		async plansTrips(): Promise<void> {
			({ planTrip } = await planner());
		},
		/** Gives up a replay that is under way; what it has come to is kept. */
		stop(): void {
			asked++;
		},
		/**
		 * What entries that are written together would do to the stay. One at the end of the log is added to what is known; an
		 * earlier one is replayed in its place.
		 */
		async effect(entries: readonly Entry[]): Promise<Effect | undefined> {
			const { boundOf, effectOf, plainEffect, withEntry } = await viewQuestions();
			const [first] = entries;
			if (!known || !first || known.question.rig !== first.rig) return undefined;
			const { question, now, estimate } = known;
			const counting = entries.filter((entry) => !plainEffect(now, entry, question.timeZone));
			if (counting.length === 0) return plainEffect(now, first, question.timeZone);
			known.bound ??= boundOf(estimate, now);
			const lastMs = Math.max(...estimate.entries.slice(-1).map(({ at }) => instantMs(at)), -Infinity);
			const then = counting.every(({ at }) => instantMs(at) >= lastMs)
				? inOrder(counting).reduce(withEntry, estimate)
				: replayOf(first.rig).aside(estimate.entries, counting, question.atMs);
			return effectOf(
				counting.map(({ kind }) => kind),
				now,
				known.bound,
				then,
				question.timeZone,
				question.units
			);
		},
		/** What is expected in each tank at the stops ahead; none without a trip. */
		async aboard(question: Question): Promise<readonly LevelsAtStop[]> {
			const { aboardAlong } = await planQuestions();
			const trip = tripOf(question);
			return trip ? aboardAlong(estimateNow(question), trip, log.of(question.rig)) : [];
		},
		/** The plan of any trip of the rig, and the way of each tank along it. */
		async planOfTrip(question: Question, trip: string): Promise<TripPlan | undefined> {
			const { planOfTrip } = await planQuestions();
			const found = tripOf({ ...question, trip });
			return found && planOfTrip(estimateNow(question), found, log.of(question.rig));
		},
		/** What has changed in the plan of the trip at hand since it was seen; nothing without a plan. */
		async newsOfPlan(question: Question, before: PlanSeen | undefined): Promise<PlanNews | undefined> {
			const { newsOfPlan } = await planQuestions();
			const trip = tripOf(question);
			const plan = known?.now.plan;
			return trip && plan && known?.question.rig === question.rig
				? newsOfPlan(known.estimate, trip, plan, log.of(question.rig), before)
				: undefined;
		},
		/** How else a trip can be done; nothing when outdated meanwhile. */
		async waysOfTrip(question: Question, trip: string): Promise<WaysOfTrip | undefined> {
			const outdated = since('waysOfTrip');
			const { waysOfTrip } = await planQuestions();
			const found = tripOf({ ...question, trip });
			const { trips, points } = needBook();
			return (
				found &&
				unhurried(waysOfTrip(estimateNow(question), trips, found, points, log.of(question.rig)), outdated)
			);
		},
		/** A trip beside what a change makes of it. */
		async tryChange(question: Question, trip: string, change: TripChange): Promise<Compared | undefined> {
			const { tryChange } = await planQuestions();
			const found = tripOf({ ...question, trip });
			const { trips, points } = needBook();
			return found && tryChange(estimateNow(question), trips, found, change, points, log.of(question.rig));
		},
		/** What filling, dumping and carrying come to. */
		async runs<K extends RunAsk['kind']>(
			question: Question,
			what: Extract<RunAsk, { kind: K }>
		): Promise<RunAnswers[K]> {
			const { answerRun } = await runQuestions();
			const { rig, atMs, timeZone, units = METRIC } = question;
			const estimate = estimateNow(question);
			return answerRun(
				{
					estimate,
					entries: log.until(rig, atMs),
					trip: tripOf(question),
					...needBook(),
					timeZone,
					units
				},
				what
			);
		},
		/** A tank's level at any moment of the past, and why. */
		async levelAt(question: Question, tank: string): Promise<PastLevelAnswer | undefined> {
			const then = estimateThen(question);
			const level = readLevels(then).tanks.find(({ id }) => id === tank);
			return level && { level, why: (await whyOf(then, tank, question)).why };
		},
		/** Why a tank's level is what it is. */
		whyLevel(question: Question, tank: string): Promise<WhyLevel> {
			return whyOf(estimateNow(question), tank, question);
		},
		/** The sum behind the days a tank lasts. */
		async whyLasting(question: Question, tank: string): Promise<WhyLasting | undefined> {
			const { whyLasting } = await viewQuestions();
			return whyLasting(estimateNow(question), tank);
		},
		/** From where the litres of one time of a habit are known. */
		async taught(question: Question, habit: string): Promise<InformationShares | undefined> {
			const { informationGain } = await viewQuestions();
			return informationGain(estimateNow(question), habit);
		},
		/** The best account of the past, from a moment on. */
		async account(question: Question, fromMs: number): Promise<readonly PastTank[]> {
			const { smoothedPast } = await viewQuestions();
			return smoothedPast(estimateNow(question), fromMs);
		},
		/** What each habit costs and each measure gives, and where the litres of a day go; nothing when outdated meanwhile. */
		async saving(question: Question): Promise<Saving | undefined> {
			const outdated = since('saving');
			const { savingOf } = await savingQuestions();
			return unhurried(savingOf(estimateNow(question)), outdated);
		},
		/** The least sacrifice that reaches a moment; nothing when outdated meanwhile. */
		async wayTo(
			question: Question,
			asked: SacrificeOptions,
			onprogress?: (done: number) => void
		): Promise<LeastSacrifice | undefined> {
			const outdated = since('wayTo');
			const { wayTo } = await savingQuestions();
			return unhurried(wayTo(estimateNow(question), asked), outdated, onprogress);
		},
		/** Gives up a search for the least sacrifice. */
		stopWay(): void {
			since('wayTo');
		},
		/** Whether there is enough for some things now. */
		async basket(question: Question, more: readonly More[]): Promise<BasketAnswer> {
			const { basketAnswer } = await viewQuestions();
			return basketAnswer(estimateNow(question), more, tripOf(question), question.timeZone);
		},
		/** How much may be used to reach a moment. */
		async rationTo(question: Question, untilMs: number, certainty: number): Promise<Ration | undefined> {
			const { ration } = await planner();
			return ration(estimateNow(question), untilMs, certainty);
		},
		/** A forecast of many days, told as it comes; nothing when outdated meanwhile. */
		async ahead(
			question: Question,
			days: number,
			onpart: (part: Forecast) => void
		): Promise<Forecast | undefined> {
			const outdated = since('ahead');
			return unhurried(forecastByDay(estimateNow(question), { days }), outdated, (part) => onpart(part()));
		},
		/** What wants looking after; nothing when outdated meanwhile. */
		async care(question: Question): Promise<Care | undefined> {
			const outdated = since('care');
			const { careOf } = await careQuestions();
			return unhurried(careOf(estimateNow(question), needBook().trips), outdated);
		},
		/** How old the water in the tanks is, and what is to be minded of it. */
		async water(question: Question): Promise<Water> {
			const { waterOf } = await careQuestions();
			return waterOf(estimateNow(question), needBook());
		},
		/** A stretch looked back on; nothing when outdated meanwhile. */
		async lookBack(
			question: Question,
			looking: Looking,
			onprogress?: (done: number) => void
		): Promise<LookedBack | Nothing | undefined> {
			const outdated = since('lookBack');
			const { lookBack, knownEnd } = await reviewQuestions();
			const at = (atMs: number): Estimate => estimateThen({ ...question, atMs });
			const { fromMs } = looking;
			const toMs = knownEnd(log.until(question.rig, looking.toMs), looking);
			// Where nothing was known as it began, it is held against what was known after its first day.
			const began = log.until(question.rig, fromMs).length > 0 ? fromMs : fromMs + DAY_MS;
			return unhurried(
				lookBack(at(toMs), at(Math.min(began, toMs)), looking, needBook(), log.of(question.rig)),
				outdated,
				onprogress
			);
		},
		/** A stretch as it would have been; nothing when outdated meanwhile. */
		async liveAgain(
			question: Question,
			looking: Looking,
			otherwise: Otherwise
		): Promise<Relived | Nothing | undefined> {
			const outdated = since('liveAgain');
			const { liveAgain, knownEnd } = await reviewQuestions();
			const atMs = knownEnd(log.until(question.rig, looking.toMs), looking);
			const then = estimateThen({ ...question, atMs });
			return unhurried(liveAgain(then, looking, needBook().trips, otherwise), outdated);
		},
		/** The trips of the rig that have begun, in few figures, the latest first; nothing when outdated meanwhile. */
		async tripsInShort(question: Question): Promise<readonly InShort[] | undefined> {
			const outdated = since('tripsInShort');
			const { inShort, knownEnd } = await reviewQuestions();
			const found: InShort[] = [];
			const own = needBook()
				.trips.filter(({ rig }) => rig === question.rig)
				.map((trip) => ({ trip, span: tripSpan(trip) }))
				.filter(({ span }) => span[0] < question.atMs)
				.sort((a, b) => b.span[0] - a.span[0]);
			for (const { trip, span } of own.slice(0, MOST_TRIPS)) {
				const toMs = Math.min(span[1], question.atMs);
				const end = { toMs, timeZone: trip.timeZone };
				const then = estimateThen({ ...question, atMs: knownEnd(log.until(question.rig, toMs), end) });
				const short = await unhurried(inShort(then, trip), outdated);
				if (short) found.push(short);
				await breath();
				if (outdated()) return undefined;
			}
			return found;
		},
		/** What is foretold for a day later, to be kept; nothing where the log knows of it already. */
		async foretell(question: Question): Promise<Foretold | undefined> {
			const { foretellNow } = await reviewQuestions();
			return foretellNow(estimateNow(question), log.of(question.rig));
		},
		/** What the log until a moment of the past would have foretold: for the demo rigs, whose log is made up all at once. */
		async foretellAsOf(question: Question): Promise<Foretold | undefined> {
			const { foretellAsOf } = await reviewQuestions();
			return foretellAsOf(estimateThen(question));
		},
		/** What was foretold, held against what came. */
		async score(question: Question, foretold: Foretold): Promise<Score | 'later' | 'untold'> {
			const { scoreThen } = await reviewQuestions();
			return scoreThen(estimateThen(question), foretold);
		},
		/** How long a rig, perhaps changed, lasts when it sets out full. */
		async autonomyFromFull(rig: Rig, atMs: number): Promise<AutonomyFromFull> {
			const { autonomyFromFull } = await viewQuestions();
			return autonomyFromFull({ ...needBook(), entries: log.of(rig.id) }, rig, atMs, home);
		},
		/** A gauge's readings beside what all else says, to learn its curve from. */
		async beside(rig: string, gauge: string, atMs: number): Promise<readonly CalibrationPair[]> {
			const { calibrationPairs } = await viewQuestions();
			return calibrationPairs({ ...needBook(), entries: log.of(rig) }, rig, gauge, atMs, home);
		},
		/** What a drain leaves in a leaning tank, litres: pockets are flooded cell by cell, which takes its time. */
		async undrained(shape: Shape, corner: DrainCorner, lean: Lean): Promise<number> {
			const { undrainedL } = await viewQuestions();
			return undrainedL(shape, corner, lean);
		},
		/** Which way to lean, by no more than so many degrees, so that least stays. */
		async bestLean(shape: Shape, corner: DrainCorner, byDeg: number): Promise<LeanAdvice> {
			const { bestLean } = await viewQuestions();
			return bestLean(shape, corner, byDeg);
		}
	};
}

export type Engine = ReturnType<typeof createEngine>;
