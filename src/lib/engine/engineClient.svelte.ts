import type { Forecast, Foretold, More, SacrificeOptions } from '$core/forecast';
import type { Entry, Rig, Shape } from '$core/logbook';
import type { Assessment } from '$core/now';
import type { PlanSeen, TripChange } from '$core/plan';
import type { Otherwise } from '$core/review';
import type { DrainCorner, Lean } from '$core/rig';
import type { EngineApi } from './client';
import type { Question } from './createEngine';
import { Latest } from './latest.svelte';
import type { Looking } from './reviewQuestions';
import type { RunAnswers, RunAsk } from './runQuestions';

type Answer<K extends keyof EngineApi> = ReturnType<EngineApi[K]>;

/** So long the page is left alone after its first look, ms. */
const FIRST_LOOK_MS = 1200;

/** What the engine says of the rig in view, and the way to ask it for more. */
export class EngineClient {
	/** how far a long replay is, 0 … 1, while one is under way */
	progress = $state<number | undefined>();
	/** a replay was given up: the figures are older than the log */
	stopped = $state(false);
	/** counts what was written: it stands still while only the clock moves on */
	written = $state(0);
	#changed = true;
	/** trips are planned: the first look is over */
	#plans = false;
	readonly #now = new Latest<Assessment>();
	readonly #api: EngineApi;
	readonly #question: () => Question | undefined;

	/** @param question what is asked now, of the rig in view; nothing when there is none */
	constructor(api: EngineApi, question: () => Question | undefined) {
		this.#api = api;
		this.#question = question;
	}

	/** What it says of the rig in view; nothing while it still has another one in hand. */
	get assessment(): Assessment | undefined {
		const answer = this.#now.value;
		return answer?.rig === this.#question()?.rig ? answer : undefined;
	}

	get trouble(): string | undefined {
		return this.#now.trouble;
	}

	readonly load: EngineApi['load'] = (whole) => {
		this.#changed = true;
		return this.#api.load(whole);
	};
	readonly change: EngineApi['change'] = (changes) => {
		this.#changed = true;
		return this.#api.change(changes);
	};

	/** Asks anew; a long replay shows how far it is. */
	async refresh(): Promise<void> {
		const question = this.#question();
		[this.stopped, this.progress] = [false, undefined];
		if (!question) return this.#now.clear();
		let over = false;
		await this.#now.take(
			this.#api
				.assess(question, (done: number) => {
					if (!over && !this.stopped) this.progress = done;
				})
				.finally(() => {
					over = true;
					this.progress = undefined;
				})
		);
		if (question.trip !== undefined && !this.#plans) await this.#plan();
		if (this.#changed) [this.#changed, this.written] = [false, this.written + 1];
	}

	/** The first look goes without a plan; what that says follows when the page stands. */
	async #plan(): Promise<void> {
		this.#plans = true;
		await new Promise((resolve) => setTimeout(resolve, FIRST_LOOK_MS));
		try {
			await this.#api.plansTrips();
		} catch {
			// Without a network and before everything is kept for that, the next question tries again.
			this.#plans = false;
			return;
		}
		await this.refresh();
	}

	/** Gives up a long replay; the figures stay as they were. */
	async stop(): Promise<void> {
		[this.stopped, this.progress] = [true, undefined];
		await this.#api.stop();
	}

	/** What an entry would do to the stay. */
	effect(entries: readonly Entry[]): Answer<'effect'> {
		return this.#api.effect(entries);
	}

	/** The best account of the past of each tank, from a moment on. */
	account(fromMs: number): Answer<'account'> | undefined {
		const question = this.#question();
		return question && this.#api.account(question, fromMs);
	}

	/** A tank's level at a moment of the past, and why. */
	levelAt(tank: string, atMs: number): Answer<'levelAt'> | undefined {
		const question = this.#question();
		return question && this.#api.levelAt({ ...question, atMs }, tank);
	}

	/** Why a tank's level is what it is. */
	whyLevel(tank: string): Answer<'whyLevel'> | undefined {
		const question = this.#question();
		return question && this.#api.whyLevel(question, tank);
	}

	/** The sum behind the days a tank lasts. */
	whyLasting(tank: string): Answer<'whyLasting'> | undefined {
		const question = this.#question();
		return question && this.#api.whyLasting(question, tank);
	}

	/** From where the litres of one time of a habit are known. */
	taught(habit: string): Answer<'taught'> | undefined {
		const question = this.#question();
		return question && this.#api.taught(question, habit);
	}

	/** What is expected aboard at the stops ahead. */
	aboard(): Answer<'aboard'> | undefined {
		const question = this.#question();
		return question && this.#api.aboard(question);
	}

	/** The plan of any trip of the rig, and the way of each tank along it. */
	planOfTrip(trip: string): Answer<'planOfTrip'> | undefined {
		const question = this.#question();
		return question && this.#api.planOfTrip(question, trip);
	}

	/** What has changed in the plan of the trip at hand since it was seen. */
	newsOfPlan(before: PlanSeen | undefined): Answer<'newsOfPlan'> | undefined {
		const question = this.#question();
		return question && this.#api.newsOfPlan(question, before);
	}

	/** How else a trip can be done. */
	waysOfTrip(trip: string): Answer<'waysOfTrip'> | undefined {
		const question = this.#question();
		return question && this.#api.waysOfTrip(question, trip);
	}

	/** A trip beside what a change makes of it. */
	tryChange(trip: string, change: TripChange): Answer<'tryChange'> | undefined {
		const question = this.#question();
		return question && this.#api.tryChange(question, trip, change);
	}

	/** What filling, dumping and carrying come to. */
	runs<K extends RunAsk['kind']>(what: Extract<RunAsk, { kind: K }>): Promise<RunAnswers[K]> | undefined {
		const question = this.#question();
		return question && (this.#api.runs(question, what) as Promise<RunAnswers[K]>);
	}

	/** What each habit costs and each measure gives. */
	saving(): Answer<'saving'> | undefined {
		const question = this.#question();
		return question && this.#api.saving(question);
	}

	/** The least sacrifice that reaches a moment. */
	wayTo(asked: SacrificeOptions, onprogress: (done: number) => void): Answer<'wayTo'> | undefined {
		const question = this.#question();
		return question && this.#api.wayTo(question, asked, onprogress);
	}

	/** Gives up a search for the least sacrifice. */
	stopWay(): Answer<'stopWay'> {
		return this.#api.stopWay();
	}

	/** Whether there is enough for some things now. */
	basket(more: readonly More[]): Answer<'basket'> | undefined {
		const question = this.#question();
		return question && this.#api.basket(question, more);
	}

	/** How much may be used to reach a moment. */
	rationTo(untilMs: number, certainty: number): Answer<'rationTo'> | undefined {
		const question = this.#question();
		return question && this.#api.rationTo(question, untilMs, certainty);
	}

	/** A forecast of many days, told as it comes. */
	ahead(days: number, onpart: (part: Forecast) => void): Answer<'ahead'> | undefined {
		const question = this.#question();
		return question && this.#api.ahead(question, days, onpart);
	}

	/** What wants looking after. */
	care(): Answer<'care'> | undefined {
		const question = this.#question();
		return question && this.#api.care(question);
	}

	/** How old the water in the tanks is. */
	water(): Answer<'water'> | undefined {
		const question = this.#question();
		return question && this.#api.water(question);
	}

	/** A stretch looked back on. */
	lookBack(looking: Looking, onprogress: (done: number) => void): Answer<'lookBack'> | undefined {
		const question = this.#question();
		return question && this.#api.lookBack(question, looking, onprogress);
	}

	/** A stretch as it would have been. */
	liveAgain(looking: Looking, otherwise: Otherwise): Answer<'liveAgain'> | undefined {
		const question = this.#question();
		return question && this.#api.liveAgain(question, looking, otherwise);
	}

	/** The trips of the rig in few figures. */
	tripsInShort(): Answer<'tripsInShort'> | undefined {
		const question = this.#question();
		return question && this.#api.tripsInShort(question);
	}

	/** What is foretold for a day later. */
	foretell(): Answer<'foretell'> | undefined {
		const question = this.#question();
		return question && this.#api.foretell(question);
	}

	/** What the log until a moment would have foretold then: for the demo rigs. */
	foretellAsOf(atMs: number): Answer<'foretellAsOf'> | undefined {
		const question = this.#question();
		return question && this.#api.foretellAsOf({ ...question, atMs });
	}

	/** What was foretold, held against what was known by a moment. */
	score(foretold: Foretold, atMs: number): Answer<'score'> | undefined {
		const question = this.#question();
		return question && this.#api.score({ ...question, atMs }, foretold);
	}

	/** How long a rig, perhaps changed, lasts when it sets out full. */
	autonomyFromFull(rig: Rig): Answer<'autonomyFromFull'> | undefined {
		const question = this.#question();
		return question && this.#api.autonomyFromFull(rig, question.atMs);
	}

	/** A gauge's readings beside what all else says. */
	beside(gauge: string): Answer<'beside'> | undefined {
		const question = this.#question();
		return question && this.#api.beside(question.rig, gauge, question.atMs);
	}

	/** What a drain leaves in a leaning tank, litres. */
	undrained(shape: Shape, corner: DrainCorner, lean: Lean): Answer<'undrained'> {
		return this.#api.undrained(shape, corner, lean);
	}

	/** Which way to lean so that least stays. */
	bestLean(shape: Shape, corner: DrainCorner, byDeg: number): Answer<'bestLean'> {
		return this.#api.bestLean(shape, corner, byDeg);
	}
}
