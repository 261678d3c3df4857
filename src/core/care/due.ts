import { ended } from '../ended.js';
import { accountBySteps, DAY_MS, type Account, type Estimate, type Sparse } from '../estimate/index.js';
import { aheadNow, dailyChange, dayAhead, litresPast, litresPerDay } from '../habits/index.js';
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
	/** the log begins after it was last done: there may have been more litres */
	readonly atLeast?: true;
	/** the sooner of its days and of its litres, foretold from how one lives */
	readonly dueMs?: number;
	readonly by?: 'days' | 'litres';
	/** litres that are left; less than nothing when it is over */
	readonly leftL?: number;
	readonly overdue: boolean;
	readonly problem?: CareProblem;
}

/** When a task was last done, as known at a moment: by the log or by the rig, whichever is later. */
function lastDone(
	{ entries, atMs }: Estimate,
	task: CareTask
): { readonly doneMs?: number; readonly later?: string } {
	const logged = entries.findLast((entry) => entry.kind === 'care' && entry.task === task.id);
	const known = [...(logged ? [logged.at] : []), ...(task.lastDone === undefined ? [] : [task.lastDone])];
	const past = known.map(instantMs).filter((ms) => ms <= atMs);
	if (past.length > 0) return { doneMs: Math.max(...past) };
	const [later] = known;
	return later === undefined ? {} : { later };
}

/** What a task's litres pass. */
type Through =
	| { readonly kind: 'meter'; readonly id: string }
	| { readonly kind: 'tank'; readonly id: string; readonly pool: number; readonly share: number }
	/** all that is drawn aboard, where the task does not say */
	| { readonly kind: 'all' }
	| { readonly kind: 'none'; readonly problem: CareProblem };

function throughOf({ model }: Estimate, { through }: CareTask): Through {
	if (through === undefined) return { kind: 'all' };
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
function passedBy(through: Through, { usedOut, movedOut, passed, habits, streams }: Account['rows']): Sparse {
	switch (through.kind) {
		case 'meter':
			return [[passed.get(through.id) as number, 1]];
		case 'tank':
			return [usedOut, movedOut].map((rows) => [rows.get(through.pool) as number, through.share] as const);
		case 'all':
			return [...habits.values(), ...streams].map((row) => [row, 1] as const);
		case 'none':
			return [];
	}
}

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
				? -dailyChange(estimate, day, meter.tank)
				: litresPast(estimate, day, through.id);
		case 'tank': {
			// Waste leaves as it comes.
			const change = dailyChange(estimate, day, through.id);
			return Math.abs(change);
		}
		case 'all':
			return litresPerDay(estimate, day);
		case 'none':
			return 0;
	}
}

/**
 * When each care task of a rig is due at the estimate's moment: by days since it was last done, by litres that have passed
 * since, and the date on which the litres will have passed as one lives now.
 *
 * A task that was never done is counted from the beginning of the log: it is due then at the latest.
 */
export const careDue = (estimate: Estimate): readonly TaskDue[] => ended(careBySteps(estimate));

/** The same in parts: it pauses on its way. */
export function* careBySteps(estimate: Estimate): Generator<number, readonly TaskDue[]> {
	const { model, entries, atMs } = estimate;
	const beganMs = entries[0] ? instantMs(entries[0].at) : undefined;
	const asked = model.rig.care
		.filter(({ retired }) => !retired)
		.map((task) => {
			const { doneMs, later } = lastDone(estimate, task);
			const counts = task.through !== undefined || task.every?.litres !== undefined;
			const fromMs = doneMs ?? beganMs;
			return { task, doneMs, later, fromMs, through: counts ? throughOf(estimate, task) : undefined };
		});
	const counting = asked.filter(
		(one) => one.through && one.through.kind !== 'none' && one.fromMs !== undefined && beganMs !== undefined
	);
	const kinds = counting.flatMap(({ through }) => through ?? []);
	const account =
		counting.length === 0
			? undefined
			: yield* accountBySteps(estimate, {
					fromMs: Math.min(...counting.map(({ fromMs }) => fromMs ?? atMs)),
					scope: {
						pools: [...new Set(kinds.flatMap((one) => (one.kind === 'tank' ? one.pool : [])))],
						meters: [...new Set(kinds.flatMap((one) => (one.kind === 'meter' ? one.id : [])))],
						drawn: kinds.some(({ kind }) => kind === 'all')
					},
					cuts: (rows) => [
						...counting.map(({ fromMs, through }) => ({
							ms: fromMs ?? atMs,
							sums: [through ? passedBy(through, rows) : []]
						})),
						{
							ms: knownUntil(entries, atMs, 'Etc/UTC'),
							sums: counting.map(({ through }) => (through ? passedBy(through, rows) : []))
						}
					]
				});

	/** Litres since a task was last done, as its meter counts them. */
	const sinceOf = (one: (typeof asked)[number]): number | undefined => {
		const at = counting.indexOf(one);
		if (!account || at < 0 || !one.through) return undefined;
		const cut = account.cuts[at]?.[0] as number;
		// A rig that has long been silent stands at home: it draws no more.
		const until = account.cuts[counting.length]?.[at] as number;
		const litres = account.of([
			[until, 1],
			[cut, -1]
		]).mean;
		const error = one.through.kind === 'meter' ? model.meterError.get(one.through.id) : undefined;
		return Math.max(0, litres / (1 + (error === undefined ? 0 : account.of([[error, 1]]).mean)));
	};

	return asked.map((one): TaskDue => {
		const { task, doneMs, later, fromMs, through } = one;
		const { days, litres } = task.every ?? {};
		const passedL = sinceOf(one);
		const leftL = litres === undefined || passedL === undefined ? undefined : litres - passedL;
		const rate = leftL !== undefined && leftL > 0 && through ? perDay(estimate, through) : 0;
		const byDays = days === undefined || fromMs === undefined ? Infinity : fromMs + days * DAY_MS;
		const byLitres =
			leftL === undefined
				? Infinity
				: leftL <= 0
					? atMs
					: rate > 0
						? atMs + (leftL / rate) * DAY_MS
						: Infinity;
		const dueMs = Math.min(byDays, byLitres);
		const problem: CareProblem | undefined =
			through?.kind === 'none' && litres !== undefined
				? through.problem
				: doneMs !== undefined
					? undefined
					: later === undefined
						? { kind: 'never-done' }
						: { kind: 'done-later', at: later };
		return {
			task,
			...(doneMs === undefined ? {} : { doneMs, sinceDays: (atMs - doneMs) / DAY_MS }),
			...(doneMs === undefined || passedL === undefined ? {} : { sinceL: passedL }),
			...(passedL !== undefined && (doneMs === undefined || doneMs < (beganMs ?? 0))
				? { atLeast: true as const }
				: {}),
			// Later than any calendar is never.
			...(dueMs < LAST_MS ? { dueMs, by: byLitres < byDays ? ('litres' as const) : ('days' as const) } : {}),
			...(leftL === undefined ? {} : { leftL }),
			overdue: byDays <= atMs || (leftL !== undefined && leftL <= 0),
			...(problem ? { problem } : {})
		};
	});
}

/** The last instant that a date can say, ms. */
const LAST_MS = Date.parse('9999-12-31T23:59:59Z');
