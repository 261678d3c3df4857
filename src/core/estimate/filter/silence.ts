import type { EntryOf, Habit } from '../../logbook/index.js';
import type { Moments, Sparse } from '../../numerics/index.js';
import { DAY_MS, HOUR_MS } from '../../time/index.js';
import { noteWriting, sittingsADay, writingExpected, type WritingCounts } from '../inputs/index.js';
import { flowGainsOf, unwrittenRow, writesAll, type Model } from '../model/index.js';
import * as PARAMETERS from '../parameters.js';
import { exposureTo, timesWritten } from './counts.js';
import type { FilterState } from './filterState.js';
import type { Silence } from './quiet.js';
import { countLived, exposureIn, exposureOf, partsOf, type LivedPart } from './lived.js';

/** A quiet stretch in its parts, and what would have been written in each. */
interface QuietPart extends LivedPart {
	readonly sittings: number;
	/** litres drawn that would have been written, and that nobody writes in any case */
	readonly writtenL: number;
	readonly unloggedL: number;
}

/** What is believed of a quiet stretch: each part with the chance that it was silent. */
interface Weighed {
	readonly parts: readonly QuietPart[];
	readonly silentIn: readonly number[];
	/** chances that the silence began before each part, and before all */
	readonly beganIn: readonly number[];
	readonly beganBefore: number;
	/** the chance that it is silent at the end */
	readonly silent: number;
}

/** What a silence did to all that is believed: along what, how much, litres drawn. */
export interface SilentFlow {
	/** had one lived on, and had nobody been there, against what flows in any case; given that it was silent */
	readonly lived: SilentCase;
	readonly away: SilentCase;
	/** by row, of one litre drawn */
	readonly along: Sparse;
}
interface SilentCase {
	readonly shift: Sparse;
	readonly litres: Moments;
	/** doubt of what flows in any case that is not there, litres² */
	readonly lessVariance: number;
}

/** A stretch shorter than this tells nothing of anybody's writing, ms. */
const LEAST_MS = PARAMETERS.quietLeastHours * HOUR_MS;
/** A longer one is looked at no further, ms. */
const LONGEST_MS = PARAMETERS.silenceMostDays * DAY_MS;
/** Who writes at one sitting a day is in time so long before and after, ms. */
const IN_TIME_MS = PARAMETERS.sittingInTimeHours * HOUR_MS;

/** No use in a stretch in which so many sittings would have been: days are busy and quiet. */
const noneChance = (sittings: number): number =>
	(1 + sittings / PARAMETERS.writingDispersion) ** -PARAMETERS.writingDispersion;

/**
 * Sittings that a stretch would have brought since a use was written. Who writes a whole day's uses at one sitting is in time
 * with it some hours around the usual one; and one that is missed is missed as surely as so many single ones.
 */
function expectedIn(model: Model, { writing, atMs = 0 }: FilterState, fromMs: number, toMs: number): number {
	if (model.unenteredRow.size === 0) return sittingsIn(model, writing, fromMs, toMs);
	const [from, to] = [
		Math.max(fromMs, (writing.lastMs ?? 0) + IN_TIME_MS),
		Math.min(toMs, atMs - IN_TIME_MS)
	];
	return PARAMETERS.batchSittingWeight * sittingsIn(model, writing, from, to);
}

const sittingsIn = (model: Model, writing: WritingCounts, fromMs: number, toMs: number): number =>
	writingExpected(writing, model.wakingDay, fromMs, toMs).reduce((sum, { sittings }) => sum + sittings, 0);

/** Whether more has been quiet than tells nothing: several uses would have been written by now. */
export function isQuiet(model: Model, state: FilterState): boolean {
	const { lastMs } = state.writing;
	const atMs = state.atMs ?? 0;
	return (
		lastMs !== undefined &&
		!writesAll(model) &&
		atMs - lastMs >= LEAST_MS &&
		expectedIn(model, state, lastMs, Math.min(atMs, lastMs + LONGEST_MS)) >= PARAMETERS.quietLeastSittings
	);
}

/**
 * How many times of a habit are written down in a day or person-day. Where all is written by the rig's own word, the rig's
 * figure stands in while the log is young.
 */
function usualTimes(
	model: Model,
	{ learned }: FilterState,
	habit: Habit,
	perPerson = habit.often.per === 'person-day'
): number {
	const seen = timesWritten(learned, habit, perPerson);
	if (!writesAll(model)) return seen;
	const lived = exposureTo(learned, habit, perPerson);
	const prior = PARAMETERS.usualPriorDays;
	return (seen * lived + habit.often.times * prior) / (lived + prior);
}

function quietParts(model: Model, state: FilterState, fromMs: number, toMs: number): readonly QuietPart[] {
	const { belief, unloggedL } = state;
	const endMs = Math.min(toMs, fromMs + LONGEST_MS);
	return writingExpected(state.writing, model.wakingDay, fromMs, endMs).flatMap((part) =>
		partsOf(model, state, part.fromMs, part.toMs).map((lived): QuietPart => {
			let [writtenL, unlogged] = [0, 0];
			model.streams.forEach((stream, s) => {
				const { habit, perPerson } = stream;
				unlogged +=
					(unloggedL[s] as number) *
					stream.drawn(state) *
					lived.often(habit) *
					exposureOf(lived.days, lived.persons, perPerson);
				if (!habit) return;
				const { perLitre, fixed } = model.flow(habit, state).drawn;
				const each = Math.max(0, belief.mean[model.habitRow.get(habit.id) ?? -1] ?? 0);
				writtenL +=
					usualTimes(model, state, habit, perPerson) * exposureIn(lived, habit) * (perLitre * each + fixed);
			});
			return {
				...lived,
				sittings: lived.persons > 0 ? expectedIn(model, state, lived.fromMs, lived.toMs) : 0,
				writtenL,
				unloggedL: unlogged
			};
		})
	);
}

interface WeighedBy {
	/** the chance that it was silent before the first part, and the sittings that the time before would have brought */
	readonly before: number;
	readonly quietBefore: number;
	/** a use is written now: how much likelier what it says is after a silence than without */
	readonly ended: number | undefined;
}

/** Weighs how long nobody has been writing, from the parts of a quiet stretch and from how it ended. */
function weigh(
	state: FilterState,
	parts: readonly QuietPart[],
	{ before, quietBefore, ended }: WeighedBy
): Weighed {
	const { writing } = state;
	const aDay = (PARAMETERS.silencesPrior + writing.silences) / (PARAMETERS.silencesPriorDays + writing.days);
	const noneBefore = noneChance(quietBefore);
	let sittings = quietBefore;
	const began = parts.map((part) => {
		const middle = sittings + part.sittings / 2;
		sittings += part.sittings;
		return part.persons > 0 ? ((1 - before) * aDay * part.days * noneChance(middle)) / noneBefore : 0;
	});
	// Who writes often writes the next line soon; a silence ends when it ends.
	const [ifWriting, ifSilent] =
		ended === undefined ? [1, 1] : [sittingsADay(writing), PARAMETERS.silenceEndsPerDay * ended];
	const writes = ((1 - before) * ifWriting * noneChance(sittings)) / noneBefore;
	const all = writes + ifSilent * (before + began.reduce((sum, chance) => sum + chance, 0));
	const beganIn = began.map((chance) => (ifSilent * chance) / all);
	const beganBefore = (ifSilent * before) / all;
	let silent = beganBefore;
	const silentIn = beganIn.map((chance) => {
		silent += chance;
		return silent - chance / 2;
	});
	return { parts, silentIn, beganIn, beganBefore, silent };
}

/** Which parts are of the day that ends with the last one. */
function ofToday(parts: readonly QuietPart[]): readonly boolean[] {
	const last = parts.at(-1);
	const begins = parts.findLastIndex(
		(part) => last !== undefined && (part.weekday !== last.weekday || last.toMs - part.toMs > DAY_MS)
	);
	return parts.map((_, i) => i > begins);
}

/** A sitting that is missed takes its whole day with it; one that is not, is of its whole day. */
function ofWholeDays(weighed: Weighed, by: By): Weighed {
	const { parts } = weighed;
	const today = ofToday(parts);
	const silentIn = [...weighed.silentIn];
	for (let i = parts.length - 1; i >= 0; i--)
		if (by === 'use' && today[i]) silentIn[i] = 0;
		else if (parts[i + 1]?.weekday === parts[i]?.weekday) silentIn[i] = silentIn[i + 1] as number;
	return { ...weighed, silentIn };
}

/**
 * How much likelier the times written at a sitting are of today alone than of all that was kept in mind, had nothing been
 * missed: two Poisson numbers, dulled, since days are busy and quiet.
 */
function ofTodayAlone(
	model: Model,
	state: FilterState,
	parts: readonly QuietPart[],
	{ habit: id, times }: EntryOf<'use'>
): number {
	const habit = model.habits.get(id);
	const all = state.expectedUses.get(id) ?? 0;
	if (!habit || !(all > 0)) return 1;
	const perDay = usualTimes(model, state, habit);
	const today = ofToday(parts);
	const alone = parts.reduce((sum, part, i) => sum + (today[i] ? perDay * exposureIn(part, habit) : 0), 0);
	if (!(alone > 0) || alone >= all) return 1;
	return Math.exp(PARAMETERS.sittingTimesDulled * (times * Math.log(alone / all) - (alone - all)));
}

/** Moments of the litres in the silent part, given that it was silent, over when it began. */
function momentsOf(weighed: Weighed, litresOf: (part: QuietPart) => number): Moments {
	const { parts, beganIn, beganBefore, silent } = weighed;
	let [sum, mean, square] = [0, 0, 0];
	for (let i = parts.length - 1; i >= 0; i--) {
		const litres = litresOf(parts[i] as QuietPart);
		const from = sum + litres / 2;
		sum += litres;
		mean += (beganIn[i] as number) * from;
		square += (beganIn[i] as number) * from ** 2;
	}
	mean = (mean + beganBefore * sum) / silent;
	square = (square + beganBefore * sum ** 2) / silent;
	return { mean, sd: Math.sqrt(Math.max(0, square - mean ** 2)) };
}

/** How much of a flow there was water for: a tank that had run dry would have been filled. */
const waterFor = (
	{ pools }: Model,
	levelOf: (pool: number) => number,
	flow: ReadonlyMap<number, number>
): number =>
	pools.reduce((share, { index }) => {
		const litres = flow.get(index) ?? 0;
		return litres < 0 ? Math.min(share, Math.max(0, levelOf(index)) / -litres) : share;
	}, 1);

/**
 * What flowed in the silent part of a quiet stretch, given that it was silent.
 *
 * @param levelOf the level of a pool before it
 */
function silentFlow(
	model: Model,
	state: FilterState,
	weighed: Weighed,
	levelOf = (pool: number): number => state.belief.mean[pool] ?? 0
): SilentFlow {
	const { belief, unloggedL: rates } = state;
	const { parts, silentIn, silent } = weighed;
	const written = new Map<number, number>();
	const unlogged = new Map<number, number>();
	const add = (to: Map<number, number>, row: number, litres: number): void =>
		void to.set(row, (to.get(row) ?? 0) + litres);
	const total = (amountOf: (part: QuietPart) => number): number =>
		parts.reduce((sum, part, i) => sum + ((silentIn[i] as number) / silent) * amountOf(part), 0);
	let [lumps, unloggedLumps] = [0, 0];
	model.streams.forEach((stream, s) => {
		const { habit, perPerson, lumpL } = stream;
		const litres =
			(rates[s] as number) *
			total((part) => part.often(habit) * exposureOf(part.days, part.persons, perPerson));
		unloggedLumps += litres * stream.drawn(state) * lumpL;
		for (const [row, gain] of stream.gains(state)) add(unlogged, row, gain * litres);
		if (!habit) return;
		const times = usualTimes(model, state, habit, perPerson) * total((part) => exposureIn(part, habit));
		const each = Math.max(0, belief.mean[model.habitRow.get(habit.id) ?? -1] ?? 0);
		lumps += times * each * lumpL;
		for (const [row, { perLitre, fixed }] of flowGainsOf(model, model.flow(habit, state)))
			add(written, unwrittenRow(model, row), times * (perLitre * each + fixed));
	});
	// Where uses are written in the evening, they flow in any case, until nobody is there.
	const pending = model.unenteredRow.size > 0;
	const both = new Map(unlogged);
	for (const [row, litres] of written) add(both, row, litres);
	const livedL = momentsOf(weighed, ({ writtenL }) => (pending ? 0 : writtenL));
	const awayL = momentsOf(weighed, (part) => part.unloggedL + (pending ? part.writtenL : 0));
	const days = Math.max(
		0.5,
		total((part) => part.days)
	);
	const uneven = (PARAMETERS.dayFactorSd ** 2 + PARAMETERS.habitDayFactorSd ** 2) / days;
	const scatter = lumps + (uneven + PARAMETERS.silentPaceSd ** 2) * livedL.mean ** 2;
	const share = pending ? 1 : waterFor(model, levelOf, written);
	const allL = momentsOf(weighed, (part) => part.unloggedL + part.writtenL).mean;
	return {
		lived: {
			shift: pending ? [] : [...written].map(([row, litres]) => [row, share * litres] as const),
			litres: {
				mean: share * livedL.mean,
				sd: pending ? 0 : Math.hypot(livedL.sd, Math.sqrt(scatter))
			},
			lessVariance: 0
		},
		away: {
			shift: [...(pending ? both : unlogged)].map(([row, litres]) => [row, -litres] as const),
			litres: { mean: -awayL.mean, sd: awayL.sd },
			lessVariance: unloggedLumps + (pending ? lumps : 0) + uneven * awayL.mean ** 2
		},
		along: allL > 0 ? [...both].map(([row, litres]) => [row, litres / allL] as const) : []
	};
}

/** The chance that one lived on, of a silence of which nobody has said how it was. */
export const livedChance = ({ writing }: FilterState): number =>
	(PARAMETERS.livedPrior + writing.lived) /
	(PARAMETERS.livedPrior + PARAMETERS.awayPrior + writing.lived + writing.away);

/** What is known of the end of a quiet stretch: a use is written again; somebody is there, at a tap or at a gauge; or it is only asked. */
type By = 'use' | 'presence' | 'asked';

/** What is believed of the stretch since the last use was written, and is not yet taken in; nothing when it tells nothing. */
export interface QuietNow {
	readonly sinceMs: number;
	/** the chance that nobody writes, and, of that, that one lives on */
	readonly silent: number;
	readonly lived: number;
	readonly flow: SilentFlow;
}

/** Up to when a quiet stretch has been taken in, and what was believed of it then. */
function standing(state: FilterState): Silence | undefined {
	const { lastMs } = state.writing;
	if (lastMs === undefined) return undefined;
	const { silence } = state;
	return silence && silence.sinceMs === lastMs && silence.endMs === undefined
		? silence
		: { sinceMs: lastMs, settledMs: lastMs, silent: 0, lived: livedChance(state), awayL: 0, livedL: 0 };
}

/** A quiet stretch as it is weighed at its end, to be taken in. */
interface Quiet extends QuietNow {
	readonly by: By;
	readonly before: Silence;
	readonly weighed: Weighed;
}

/**
 * What a quiet stretch up to now tells; nothing when that is nothing, or taken in already.
 *
 * @param use that is written, where one is
 */
function weighQuiet(model: Model, state: FilterState, by: By, use?: EntryOf<'use'>): Quiet | undefined {
	const before = standing(state);
	const atMs = state.atMs ?? 0;
	if (!before || atMs <= Math.max(before.settledMs, state.silence?.settledMs ?? 0)) return undefined;
	if (!isQuiet(model, state)) return undefined;
	const settledMs = Math.min(before.settledMs, before.sinceMs + LONGEST_MS);
	const quietBefore = expectedIn(model, state, before.sinceMs, settledMs);
	const parts = quietParts(model, state, before.settledMs, atMs);
	const plain = weigh(state, parts, {
		before: before.silent,
		quietBefore,
		ended: use && (model.unenteredRow.size > 0 ? ofTodayAlone(model, state, parts, use) : 1)
	});
	const weighed = model.unenteredRow.size > 0 ? ofWholeDays(plain, by) : plain;
	const { silent, beganBefore } = weighed;
	if (silent < PARAMETERS.silentLeastChance) return undefined;
	const lived = (beganBefore * before.lived + (silent - beganBefore) * livedChance(state)) / silent;
	return {
		by,
		before,
		weighed,
		...{ sinceMs: before.sinceMs, silent, lived },
		flow: silentFlow(model, state, weighed)
	};
}

/**
 * Takes in what a quiet stretch up to now tells: the belief becomes the mixture of those who write and did nothing, who lived
 * on and wrote nothing, and who were away, by its moments.
 *
 * @param use that is written, where one is
 */
export function settleQuiet(
	model: Model,
	state: FilterState,
	by: By,
	use?: EntryOf<'use'>
): QuietNow | undefined {
	const quiet = weighQuiet(model, state, by, use);
	if (!quiet) return undefined;
	if (quiet.before.silent === 0) begin(model, state);
	takeIn(model, state, quiet, 1);
	finish(model, state, quiet);
	return quiet;
}

/** A quiet stretch that is taken in bit by bit, as a backward pass wants it: what it is known to be at its end, as it goes. */
export interface QuietAhead {
	/** takes in what it brought up to a moment; at its end it is settled */
	takeUntil(state: FilterState, ms: number): void;
}

/**
 * The quiet stretch from a state on that ends at a moment; nothing when that tells nothing.
 *
 * @param state stays as it is
 * @param use that is written at the end, where one is
 */
export function quietAhead(
	model: Model,
	state: FilterState,
	endMs: number,
	by: By,
	use?: EntryOf<'use'>
): QuietAhead | undefined {
	const quiet = weighQuiet(model, { ...state, atMs: endMs }, by, use);
	if (!quiet) return undefined;
	const { parts, silentIn } = quiet.weighed;
	const litres = parts.map((part, i) => (silentIn[i] as number) * (part.writtenL + part.unloggedL));
	const all = litres.reduce((sum, one) => sum + one, 0);
	const shareBy = (ms: number): number =>
		parts.reduce((sum, { fromMs, toMs }, i) => {
			const over = Math.min(1, Math.max(0, (ms - fromMs) / (toMs - fromMs)));
			return sum + (over * (litres[i] as number)) / all;
		}, 0);
	let taken: number | undefined;
	return {
		takeUntil: (now, ms) => {
			if (taken === undefined && quiet.before.silent === 0) begin(model, now);
			const share = ms >= endMs || !(all > 0) ? 1 : shareBy(ms);
			takeIn(model, now, quiet, share - (taken ?? 0));
			taken = share;
			if (ms >= endMs) finish(model, now, quiet);
		}
	};
}

/** A quiet stretch is taken in: its silent part is none of the days that were lived with a log. */
function finish(model: Model, state: FilterState, { by, before, weighed, silent, lived, flow }: Quiet): void {
	const atMs = state.atMs ?? 0;
	weighed.parts.forEach((part, i) => countLived(model, state, part, -(weighed.silentIn[i] as number)));
	state.silence = {
		sinceMs: before.sinceMs,
		settledMs: atMs,
		// Who was away and is there again writes again.
		...(by === 'presence' ? { silent: silent * lived, lived: 1 } : { silent, lived }),
		awayL: before.awayL + silent * flow.away.litres.mean,
		livedL: before.livedL + silent * flow.lived.litres.mean,
		...(by === 'use' ? { endMs: atMs } : {})
	};
	if (by !== 'use') return;
	state.writing.silences += silent;
	dropUnentered(model, state, weighed);
}

/** Another silence begins: what readings have told of the last one by now is how this household's silences are. */
function begin({ silenceRow: row }: Model, state: FilterState): void {
	const { belief, silence, writing } = state;
	if (silence) {
		const range = silence.livedL - silence.awayL;
		if (range > 0 && belief.sdOf(row) < PARAMETERS.silenceToldSdShare * range) {
			const share = Math.min(1, Math.max(0, ((belief.mean[row] ?? 0) - silence.awayL) / range));
			writing.lived += share;
			writing.away += 1 - share;
		}
	}
	belief.replace(row, 0, 0);
}

/** The belief becomes the mixture, by its moments, or so much of it. */
function takeIn(model: Model, state: FilterState, { silent, lived, flow }: Quiet, share: number): void {
	const { belief } = state;
	const cases = [
		[silent * lived, flow.lived],
		[silent * (1 - lived), flow.away]
	] as const;
	let [mean, square] = [0, 0];
	for (const [chance, { shift, litres }] of cases) {
		for (const [row, by] of shift) belief.mean[row] = (belief.mean[row] as number) + share * chance * by;
		mean += chance * litres.mean;
		square += chance * (litres.mean ** 2 + litres.sd ** 2);
	}
	belief.mean[model.silenceRow] = (belief.mean[model.silenceRow] as number) + share * mean;
	belief.addNoise([...flow.along, [model.silenceRow, 1]], share * Math.max(0, square - mean ** 2));
}

/** What was kept in mind before a silence will not be written any more. */
function dropUnentered(model: Model, state: FilterState, { parts, silentIn }: Weighed): void {
	for (const [id, row] of model.unenteredRow) {
		const habit = model.habits.get(id);
		const expected = state.expectedUses.get(id) ?? 0;
		if (!habit || !(expected > 0)) continue;
		const perDay = usualTimes(model, state, habit);
		const lost = parts.reduce(
			(sum, part, i) => sum + (silentIn[i] as number) * perDay * exposureIn(part, habit),
			0
		);
		const left = Math.max(0, 1 - lost / expected);
		state.expectedUses.set(id, left * expected);
		state.belief.propagate([{ row, from: [[row, left]], constant: 0 }]);
	}
}

/** A meter told what was drawn, whoever wrote: a silence up to now is none any more, what it took is known. */
export function knowSince(state: FilterState): void {
	const { silence } = state;
	if (silence && silence.endMs === undefined) state.silence = { ...silence, silent: 0 };
}

/** A use is written down: somebody writes. */
export function writeAgain(model: Model, state: FilterState, entry: EntryOf<'use'>): void {
	const atMs = state.atMs ?? 0;
	settleQuiet(model, state, 'use', entry);
	const { silence, writing } = state;
	const silentDays =
		silence?.endMs === atMs && writing.lastMs !== undefined
			? silence.silent * model.wakingDay.days(writing.lastMs, atMs)
			: 0;
	noteWriting(state.writing, model.wakingDay, atMs, silentDays);
}

/** Somebody says how a stretch was lived of which nothing was written. */
export function tellGap(model: Model, state: FilterState, entry: EntryOf<'gap'>, sinceMs: number): void {
	const { belief, silence, writing } = state;
	const atMs = state.atMs ?? 0;
	const known = silence && silence.settledMs > sinceMs ? silence : undefined;
	const fromMs = Math.max(
		sinceMs,
		known?.sinceMs ?? (writing.lastMs === undefined ? sinceMs : Math.min(writing.lastMs, atMs))
	);
	const toMs = Math.min(atMs, known?.endMs ?? atMs);
	if (toMs <= fromMs) return;
	const parts = quietParts(model, state, fromMs, toMs);
	const whole: Weighed = {
		parts,
		silentIn: parts.map(() => 1),
		beganIn: parts.map(() => 0),
		beganBefore: 1,
		silent: 1
	};
	// Levels as they are without what was believed of it.
	const row = model.silenceRow;
	const taken = known ? (belief.mean[row] ?? 0) : 0;
	const gains = new Map(silentFlow(model, state, whole).along);
	const { lived, away, along } = silentFlow(
		model,
		state,
		whole,
		(pool) => (belief.mean[pool] ?? 0) - (gains.get(pool) ?? 0) * taken
	);
	if (!known) begin(model, state);
	const share = entry.lived === 'as-usual' ? 1 : entry.lived === 'less' ? PARAMETERS.livedLessShare : 0;
	const target = share * lived.litres.mean + (1 - share) * away.litres.mean;
	const range = lived.litres.mean - away.litres.mean;
	const sd =
		entry.lived === 'away'
			? PARAMETERS.awaySdShare * range
			: Math.hypot(share * lived.litres.sd, entry.lived === 'less' ? PARAMETERS.livedLessSdShare * range : 0);
	// What was believed of it gives way to what is said, and keeps the doubt of that.
	const direction: Sparse = [...along, [row, 1]];
	belief.addNoise(direction, range ** 2 + 1e-6);
	belief.condition([[row, 1]], 1e-9, { mean: target, variance: 0 });
	belief.addNoise(direction, sd ** 2);
	if (!known) for (const part of parts) countLived(model, state, part, -1);
	state.silence = {
		sinceMs: known?.sinceMs ?? fromMs,
		settledMs: atMs,
		silent: 0,
		lived: livedChance(state),
		awayL: away.litres.mean,
		livedL: lived.litres.mean,
		...(known?.endMs === undefined ? {} : { endMs: known.endMs })
	};
}
