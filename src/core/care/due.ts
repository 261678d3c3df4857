import { DAY_MS, HOUR_MS, isCalendarDay, zonedMs } from '../time/index.js';
import { runToCompletion, type Sparse } from '../numerics/index.js';
import { smoothedSumsInParts, type SmoothedSums, type Estimate } from '../estimate/index.js';
import { aheadNow, dailyParts, dayAhead, litresPast, litresPerDay, type DayAhead } from '../habits/index.js';
import { instantMs, knownUntil, type CareTask } from '../logbook/index.js';

/** What stands in the way of saying when a task is due. */
export type CareProblem =
	/** nobody wrote down when it was last done: it is counted from the beginning of the log, and may be due sooner */
	| { readonly kind: 'never-done' }
	/** it was last done later than now */
	| { readonly kind: 'done-later'; readonly at: string }
	/** what its litres pass is no longer there */
	| { readonly kind: 'through-gone'; readonly name: string }
	/** what its litres pass counts none: a gauge, a rod */
	| { readonly kind: 'counts-nothing'; readonly name: string };

/** When a care task is due. */
export interface TaskDue {
	readonly task: CareTask;
	/** absent when nobody knows when it was last done */
	readonly doneMs?: number;
	readonly sinceDays?: number;
	/** litres since it was last done, where they count or can be counted */
	readonly sinceL?: number;
	/** dumps of its tank since it was last done, where they count */
	readonly sinceDumps?: number;
	/** the log begins after it was last done: there may have been more litres */
	readonly atLeast?: true;
	/** the sooner of its days and of its litres, foretold from how one lives */
	readonly dueMs?: number;
	readonly by?: 'days' | 'litres' | 'dumps';
	/** litres that are left; less than nothing when it is over */
	readonly leftL?: number;
	readonly overdue: boolean;
	readonly problem?: CareProblem;
}

const NOON = 12;

/** When a task was done, ms: a day alone is its noon in the rig's zone, or by now where that day is today's. */
function doneAtMs(done: string, { model, atMs }: Estimate): number {
	if (!isCalendarDay(done)) return instantMs(done);
	const zone = model.rig.timeZone ?? 'Etc/UTC';
	const noon = zonedMs(done, zone, NOON);
	return zonedMs(done, zone) <= atMs ? Math.min(noon, atMs) : noon;
}

/** When a task was last done, as known at a moment: by the log or by the rig, whichever is later. */
function lastDone(estimate: Estimate, task: CareTask): { readonly doneMs?: number; readonly later?: string } {
	const { entries, atMs } = estimate;
	const logged = entries.findLast((entry) => entry.kind === 'care' && entry.task === task.id);
	const known = [...(logged ? [logged.at] : []), ...(task.lastDone === undefined ? [] : [task.lastDone])];
	const past = known.map((done) => doneAtMs(done, estimate)).filter((ms) => ms <= atMs);
	if (past.length > 0) return { doneMs: Math.max(...past) };
	const [later] = known;
	return later === undefined ? {} : { later };
}

/** What a task's litres pass. */
type Through =
	| { readonly kind: 'meter'; readonly id: string }
	| { readonly kind: 'tank'; readonly id: string; readonly pool: number; readonly share: number }
	/** what flows in: the litres that fills say it gave */
	| { readonly kind: 'source'; readonly id: string }
	/** all that is drawn aboard, where the task does not say */
	| { readonly kind: 'all' }
	| { readonly kind: 'none'; readonly problem: CareProblem };

function throughOf({ model }: Estimate, { through }: CareTask): Through {
	if (through === undefined) return { kind: 'all' };
	if (model.rig.sources?.some(({ id, retired }) => id === through && !retired))
		return { kind: 'source', id: through };
	const place = model.places.get(through);
	const tank = model.rig.tanks.find(({ id }) => id === through);
	const instrument = model.instruments.get(through);
	const name = tank?.name ?? instrument?.name ?? through;
	if (tank?.retired || instrument?.retired || (!tank && !instrument))
		return { kind: 'none', problem: { kind: 'through-gone', name } };
	if (place) return { kind: 'tank', id: through, pool: place.pool.index, share: place.share };
	return instrument?.kind === 'meter'
		? { kind: 'meter', id: through }
		: { kind: 'none', problem: { kind: 'counts-nothing', name } };
}

/** The sum of an account's rows that counts what has passed. */
function passedBy(
	through: Through,
	{ usedOut, movedOut, passed, habits, streams }: SmoothedSums['rows']
): Sparse {
	switch (through.kind) {
		case 'meter':
			return [[passed.get(through.id) as number, 1]];
		case 'tank':
			return [usedOut, movedOut].map((rows) => [rows.get(through.pool) as number, through.share] as const);
		case 'all':
			return [...habits.values(), ...streams].map((row) => [row, 1] as const);
		case 'source':
		case 'none':
			return [];
	}
}

/** Litres a day that leave a tank, or come to one for waste; what flows in beside it passes nothing. */
const leavingPerDay = (estimate: Estimate, day: DayAhead, tank: string): number =>
	dailyParts(estimate, day, tank).reduce((sum, { source, litres }) => (source ? sum : sum + litres), 0);

/** Litres a day, as one lives now but with no hook-up, that pass something. */
function perDay(estimate: Estimate, through: Through): number {
	const { model } = estimate;
	const meter = through.kind === 'meter' ? model.instruments.get(through.id) : undefined;
	const mains = meter?.kind === 'meter' && meter.place === 'mains';
	const day = dayAhead(estimate, { ...aheadNow(estimate), hookUp: { mains, sewer: false } });
	switch (through.kind) {
		case 'meter':
			// What goes in through the hose is in the end what is drawn.
			return meter?.kind === 'meter' && meter.place === 'fill'
				? -leavingPerDay(estimate, day, meter.tank)
				: litresPast(estimate, day, through.id);
		case 'tank': {
			// Waste leaves as it comes.
			return Math.abs(leavingPerDay(estimate, day, through.id));
		}
		case 'source':
			return day.sources.reduce(
				(sum, { source, timesPerDay, litresEach }) =>
					source.id === through.id ? sum + timesPerDay * litresEach.mean : sum,
				0
			);
		case 'all':
			return litresPerDay(estimate, day);
		case 'none':
			return 0;
	}
}

/** A task with what is asked of it: since when it counts, and through what. */
interface Asked {
	readonly task: CareTask;
	/** when it was last done, as known by now */
	readonly doneMs?: number;
	/** it is written down as done later than now */
	readonly later?: string;
	/** since when it counts: a task that was never done from the beginning of the log */
	readonly fromMs: number | undefined;
	/** absent where litres are not asked for */
	readonly through: Through | undefined;
}

const askedOf = (estimate: Estimate, task: CareTask, beganMs: number | undefined): Asked => {
	const done = lastDone(estimate, task);
	const counts = task.through !== undefined || task.every?.litres !== undefined;
	return {
		task,
		...done,
		fromMs: done.doneMs ?? beganMs,
		through: counts ? throughOf(estimate, task) : undefined
	};
};

/** Litres that a source gave since a moment, by the fills that name it; one without litres is one time. */
const givenSince = ({ model, entries }: Estimate, id: string, fromMs: number): number =>
	entries.reduce((sum, entry) => {
		if (entry.kind !== 'fill' || entry.from !== id || instantMs(entry.at) <= fromMs) return sum;
		const usual = model.rig.sources?.find((one) => one.id === id)?.litresEach.mean ?? 0;
		return sum + (entry.litres ?? usual);
	}, 0);

/** Litres since each task was last done, as its meter counts them; none for tasks whose litres cannot be counted. */
function* litresSince(
	estimate: Estimate,
	asked: readonly Asked[]
): Generator<number, ReadonlyMap<Asked, number>> {
	const { model, entries, atMs } = estimate;
	const given = asked.flatMap((of) =>
		of.through?.kind === 'source' && of.fromMs !== undefined
			? [[of, givenSince(estimate, of.through.id, of.fromMs)] as const]
			: []
	);
	const counting = asked.flatMap((of) =>
		of.through && of.through.kind !== 'none' && of.through.kind !== 'source' && of.fromMs !== undefined
			? [{ of, through: of.through, fromMs: of.fromMs }]
			: []
	);
	if (counting.length === 0 || entries.length === 0) return new Map(given);
	const kinds = counting.map(({ through }) => through);
	const account = yield* smoothedSumsInParts(estimate, {
		fromMs: Math.min(...counting.map(({ fromMs }) => fromMs)),
		scope: {
			pools: [...new Set(kinds.flatMap((one) => (one.kind === 'tank' ? one.pool : [])))],
			meters: [...new Set(kinds.flatMap((one) => (one.kind === 'meter' ? one.id : [])))],
			drawn: kinds.some(({ kind }) => kind === 'all')
		},
		// What had passed when each was done; and by now, or when the log stopped: a rig that stands at home draws nothing.
		cuts: (rows) => [
			...counting.map(({ fromMs, through }) => ({ ms: fromMs, sums: [passedBy(through, rows)] })),
			{
				ms: knownUntil(entries, atMs, 'Etc/UTC'),
				sums: counting.map(({ through }) => passedBy(through, rows))
			}
		]
	});
	const now = account.cuts[counting.length] ?? [];
	return new Map([
		...given,
		...counting.map(({ of, through }, i) => {
			const { mean } = account.of([
				[now[i] as number, 1],
				[account.cuts[i]?.[0] as number, -1]
			]);
			const error = through.kind === 'meter' ? model.meterErrorRow.get(through.id) : undefined;
			const over = error === undefined ? 0 : account.of([[error, 1]]).mean;
			return [of, Math.max(0, mean / (1 + over))] as const;
		})
	]);
}

/** When the litres that are left will have passed, as one lives now, ms; Infinity where nobody can say. */
function passedMs(estimate: Estimate, leftL: number | undefined, through: Through | undefined): number {
	const { atMs } = estimate;
	if (leftL === undefined || !through) return Infinity;
	if (leftL <= 0) return atMs;
	const rate = perDay(estimate, through);
	return rate > 0 ? atMs + (leftL / rate) * DAY_MS : Infinity;
}

function problemOf({ task, doneMs, later, through }: Asked): CareProblem | undefined {
	if (through?.kind === 'none' && task.every?.litres !== undefined) return through.problem;
	if (doneMs !== undefined) return undefined;
	return later === undefined ? { kind: 'never-done' } : { kind: 'done-later', at: later };
}

/** The last instant that a date can say, ms. */
const LAST_MS = Date.parse('9999-12-31T23:59:59Z');

/** Dumps of a tank within so long of each other are one visit: black is emptied twice in one. */
const ONE_VISIT_MS = 2 * HOUR_MS;

/** The visits since a moment at which the tank of a task was dumped: that tank, what its litres pass, else every black one; ms. */
function visitsSince(
	{ model, entries }: Estimate,
	{ tank, through }: CareTask,
	fromMs: number
): readonly number[] {
	const waste = model.rig.tanks.filter(({ holds }) => holds !== 'fresh');
	const named = waste.filter(({ id }) => id === (tank ?? through));
	const of = new Set(
		(named.length > 0 ? named : waste.filter(({ holds }) => holds === 'black')).map(({ id }) => id)
	);
	const visits: number[] = [];
	for (const entry of entries) {
		if (entry.kind !== 'dump' || !of.has(entry.tank)) continue;
		const ms = instantMs(entry.at);
		if (ms > fromMs && ms - (visits.at(-1) ?? -Infinity) > ONE_VISIT_MS) visits.push(ms);
	}
	return visits;
}

function dueOf(estimate: Estimate, asked: Asked, passedL: number | undefined): TaskDue {
	const { entries, atMs } = estimate;
	const { task, doneMs, fromMs, through } = asked;
	const { everyDumps } = task;
	const visits = everyDumps === undefined ? [] : visitsSince(estimate, task, fromMs ?? -Infinity);
	const byDumps = everyDumps === undefined ? Infinity : (visits[Math.ceil(everyDumps) - 1] ?? Infinity);
	const { days, litres } = task.every ?? {};
	const leftL = litres === undefined || passedL === undefined ? undefined : litres - passedL;
	const byDays = days === undefined || fromMs === undefined ? Infinity : fromMs + days * DAY_MS;
	const byLitres = passedMs(estimate, leftL, through);
	const dueMs = Math.min(byDays, byLitres, byDumps);
	const by =
		byDumps <= dueMs ? ('dumps' as const) : byLitres < byDays ? ('litres' as const) : ('days' as const);
	const [first] = entries;
	const before = doneMs === undefined || (first !== undefined && doneMs < instantMs(first.at));
	const problem = problemOf(asked);
	return {
		task,
		...(doneMs === undefined ? {} : { doneMs, sinceDays: (atMs - doneMs) / DAY_MS }),
		...(doneMs === undefined || passedL === undefined ? {} : { sinceL: passedL }),
		...(passedL !== undefined && before ? { atLeast: true as const } : {}),
		// Later than any calendar is never.
		...(everyDumps === undefined ? {} : { sinceDumps: visits.length }),
		...(dueMs < LAST_MS ? { dueMs, by } : {}),
		...(leftL === undefined ? {} : { leftL }),
		overdue: byDays <= atMs || byDumps <= atMs || (leftL !== undefined && leftL <= 0),
		...(problem ? { problem } : {})
	};
}

/**
 * When each care task of a rig is due at the estimate's moment: by days since it was last done, by litres that have passed
 * since, and the date on which the litres will have passed as one lives now.
 *
 * A task that was never done is counted from the beginning of the log: it is due then at the latest.
 */
export const careDue = (estimate: Estimate): readonly TaskDue[] => runToCompletion(careBySteps(estimate));

/** The same in parts: it pauses on its way. */
export function* careBySteps(estimate: Estimate): Generator<number, readonly TaskDue[]> {
	const { model, entries } = estimate;
	const beganMs = entries[0] ? instantMs(entries[0].at) : undefined;
	const asked = model.rig.care
		.filter(({ retired }) => !retired)
		.map((task) => askedOf(estimate, task, beganMs));
	const passed = yield* litresSince(estimate, asked);
	return asked.map((one) => dueOf(estimate, one, passed.get(one)));
}
