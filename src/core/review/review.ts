import { runToCompletion, type Sparse } from '../numerics/index.js';
import { DAY_MS, dayPlus, valueAt, zonedMs, zonedTime } from '../time/index.js';
import {
	smoothedSumsInParts,
	climateOf,
	personDays,
	type SmoothedSums,
	type Climate,
	type Estimate
} from '../estimate/index.js';
import { instantMs, tripInUse, type Trip } from '../logbook/index.js';

/** What came into a tank and went out of it, litres: start + in − out = end. */
export interface TankReview {
	readonly id: string;
	readonly in: number;
	readonly out: number;
	readonly start: number;
	readonly end: number;
	/** doubt of what was in it at the start, one standard deviation */
	readonly startSdL: number;
	/** what of `in` and `out` no entry and no usual use explains: a fill, dump or loss that nobody wrote down, as far as readings tell */
	readonly unexplained: number;
}

/** What one habit came to in a stretch: times and litres. */
export interface HabitReview {
	readonly id: string;
	/** times that were written down */
	readonly times: number;
	/** litres drawn by them */
	readonly litres: number;
	/** litres of it that nobody wrote down, as far as the balance tells */
	readonly unloggedL: number;
}

/** One part of the stretch: a day, a week or a month. */
export interface PartReview {
	readonly fromMs: number;
	readonly toMs: number;
	/** the local day on which it begins */
	readonly day: string;
	readonly drawnL: number;
	readonly unloggedL: number;
	readonly personDays: number;
	/** the hottest that the trips' stops knew of, °C */
	readonly maxC?: number;
}

/** What a stretch came to: litres by habit, outlet, tank and day, with their doubt. */
export interface Review {
	/** what the answer covers: from where something is known */
	readonly fromMs: number;
	readonly toMs: number;
	readonly days: number;
	readonly personDays: number;
	/** water drawn aboard, from tanks and hook-ups, written down or not */
	readonly drawnL: number;
	/** doubt of that, one standard deviation */
	readonly drawnSdL: number;
	/** absent where nobody was aboard */
	readonly perPersonDayL: number | undefined;
	readonly habits: readonly HabitReview[];
	/** litres drawn that nobody wrote down */
	readonly unloggedL: number;
	/** of these, what was drawn while nobody wrote, or is still to be written down, and how many waking days of silence there were */
	readonly silent: { readonly litres: number; readonly days: number };
	readonly tanks: readonly TankReview[];
	readonly parts: readonly PartReview[];
	readonly partsAre: 'days' | 'weeks' | 'months';
}

/** Why a stretch cannot be looked back on. */
export class NothingToReview extends RangeError {
	override readonly name = 'NothingToReview';
	constructor(readonly why: 'no-days' | 'before-log') {
		super(
			why === 'no-days'
				? 'a stretch must end after it begins'
				: 'the stretch ends before the rig’s log begins'
		);
	}
}

/** Longer stretches are told in weeks, and still longer ones in months. */
const DAYS_AS_DAYS = 62;
const DAYS_AS_WEEKS = 366;

interface Part {
	readonly fromMs: number;
	readonly toMs: number;
	readonly day: string;
}

/** A stretch cut at local midnights, of each day, each seventh or each first of a month. */
function partsOf(
	fromMs: number,
	toMs: number,
	timeZone: string
): { readonly parts: readonly Part[]; readonly are: Review['partsAre'] } {
	const days = (toMs - fromMs) / DAY_MS;
	const are = days <= DAYS_AS_DAYS ? 'days' : days <= DAYS_AS_WEEKS ? 'weeks' : 'months';
	const next = (day: string): string => {
		if (are !== 'months') return dayPlus(day, are === 'days' ? 1 : 7);
		return `${dayPlus(`${day.slice(0, 7)}-01`, 31).slice(0, 7)}-01`;
	};
	const parts: Part[] = [];
	let day = zonedTime(fromMs, timeZone).day;
	for (let at = fromMs; at < toMs;) {
		const after = next(day);
		const end = Math.min(toMs, Math.max(at + 1, zonedMs(after, timeZone)));
		parts.push({ fromMs: at, toMs: end, day });
		[at, day] = [end, after];
	}
	return { parts, are };
}

/** Which stretch is reviewed, ms, in whose zone. */
export interface ReviewOptions {
	readonly fromMs: number;
	/** in which days are cut */
	readonly timeZone: string;
	/** where heat is told by their stops */
	readonly trips?: readonly Trip[];
	/** the stretch is not told by days as well: cheaper */
	readonly whole?: boolean;
}

/** From where on a stretch is known: from its begin, or from the local day on which the log begins. */
function knownFrom({ entries, atMs }: Estimate, { fromMs, timeZone }: ReviewOptions): number {
	if (!(atMs > fromMs)) throw new NothingToReview('no-days');
	const [first] = entries;
	if (!first) throw new NothingToReview('before-log');
	const beginsMs = instantMs(first.at);
	return Math.max(fromMs, Math.min(beginsMs, zonedMs(zonedTime(beginsMs, timeZone).day, timeZone)));
}

const each = (rows: Iterable<number>, k = 1): Sparse => [...rows].map((row) => [row, k] as const);

/** What a tank's account comes to; what nothing explains is booked as coming in, or as going out. */
function tankReview(estimate: Estimate, account: SmoothedSums, id: string): TankReview {
	const place = estimate.model.places.get(id);
	if (!place) throw new RangeError(`there is no tank ${JSON.stringify(id)} in this rig`);
	const { index } = place.pool;
	const flowed = (...ways: readonly ('usedIn' | 'usedOut' | 'movedIn' | 'movedOut')[]): number =>
		place.share * account.of(ways.map((way) => [account.rows[way].get(index) as number, 1] as const)).mean;
	const { start, startSd, end } = account.levelsOf(id);
	const [came, went] = [flowed('usedIn', 'movedIn'), flowed('usedOut', 'movedOut')];
	const unexplained = end - (start + came - went);
	return {
		id,
		in: came + Math.max(0, unexplained),
		out: went + Math.max(0, -unexplained),
		start,
		end,
		startSdL: startSd,
		unexplained
	};
}

/**
 * Looks back on a stretch that ends at the estimate's moment: what was drawn, by what, and what came into each tank and
 * went out of it, with all that was read until then taken into account. It balances for every tank, to rounding.
 *
 * @throws NothingToReview when it has no days, or ends before the rig's log begins
 */
export const reviewOf = (estimate: Estimate, options: ReviewOptions): Review =>
	runToCompletion(reviewBySteps(estimate, options));

/** The same in parts: it pauses on its way, and says then how far it is, 0 … 1. */
export function* reviewBySteps(estimate: Estimate, options: ReviewOptions): Generator<number, Review> {
	const { model, entries, atMs: toMs } = estimate;
	const { rig, crew } = model;
	const fromMs = knownFrom(estimate, options);
	const { parts, are } = partsOf(fromMs, toMs, options.timeZone);
	const told = options.whole ? [] : parts;
	const account = yield* smoothedSumsInParts(estimate, {
		fromMs,
		scope: { pools: model.pools.map(({ index }) => index), meters: [], drawn: true },
		cuts: ({ habits, streams, unwritten: silence }) =>
			told.map((part) => ({
				ms: part.toMs,
				sums: [each([...habits.values(), ...streams, silence]), each([...streams, silence])]
			}))
	});
	const { rows, cuts } = account;
	const times = new Map<string, number>();
	for (const entry of entries)
		if (entry.kind === 'use' && instantMs(entry.at) >= fromMs)
			times.set(entry.habit, (times.get(entry.habit) ?? 0) + entry.times);
	const drawn = account.of(each([...rows.habits.values(), ...rows.streams, rows.unwritten]));
	const unwritten = account.of(each([...rows.streams, rows.unwritten])).mean;
	const silentL = account.of(each([rows.unwritten])).mean;
	// Where less was drawn than was written down, each time drew less: nothing negative went unwritten.
	const fits = unwritten < 0 && drawn.mean > 0 ? drawn.mean / (drawn.mean - unwritten) : 1;
	const lived = personDays(crew, fromMs, toMs);
	const climate = climateOf(rig.id, (options.trips ?? []).map(tripInUse));
	return {
		fromMs,
		toMs,
		days: (toMs - fromMs) / DAY_MS,
		personDays: lived,
		drawnL: drawn.mean,
		drawnSdL: drawn.sd,
		perPersonDayL: lived > 0 ? drawn.mean / lived : undefined,
		habits: rig.habits.map(({ id }) => ({
			id,
			times: times.get(id) ?? 0,
			litres: fits * account.of(each([rows.habits.get(id) as number])).mean,
			unloggedL: Math.max(
				0,
				account.of(
					each(model.streams.flatMap(({ habit }, s) => (habit?.id === id ? (rows.streams[s] ?? []) : [])))
				).mean
			)
		})),
		unloggedL: Math.max(0, unwritten),
		silent: { litres: Math.max(0, silentL), days: account.silentDays },
		tanks: rig.tanks.map(({ id }) => tankReview(estimate, account, id)),
		parts: told.map((part, i): PartReview => {
			const since = (sum: number): number =>
				account.of([
					[cuts[i]?.[sum] as number, 1],
					...(i > 0 ? [[cuts[i - 1]?.[sum] as number, -1] as const] : [])
				]).mean;
			const maxC = hottest(climate, part.fromMs, part.toMs);
			return {
				...part,
				drawnL: since(0),
				unloggedL: since(1),
				personDays: personDays(crew, part.fromMs, part.toMs),
				...(maxC === undefined ? {} : { maxC })
			};
		}),
		partsAre: are
	};
}

/** The greatest heat that stops knew of between two moments. */
function hottest(
	climate: readonly { readonly ms: number; readonly is: Climate }[],
	fromMs: number,
	toMs: number
): number | undefined {
	const known = [
		valueAt(climate, fromMs),
		...climate.filter(({ ms }) => ms > fromMs && ms < toMs).map(({ is }) => is)
	].flatMap((one) => one?.maxC ?? []);
	return known.length > 0 ? Math.max(...known) : undefined;
}
