import { DAY_MS } from '../src/core/time';
import { estimate, modelOf, readLevels, Replay, type Levels } from '../src/core/estimate';
import { inOrder, instantMs, type Logbook } from '../src/core/logbook';
import { usableOf } from '../src/core/rig';
import { drawCase, wakingDays, type Case, type Manner } from './truth/index';

/** What a class of logbooks gave, as shares of 1. */
export interface Scores {
	readonly name: string;
	readonly cases: number;
	readonly moments: number;
	readonly coverage: number;
	/** standard error of that, from trip to trip */
	readonly coverageSe: number;
	/** by tank: inside, below and above the band */
	readonly byTank: ReadonlyMap<string, readonly [number, number, number]>;
	/** median absolute error as a share of the tank */
	readonly freshError: number;
	readonly wasteError: number;
	/** fresh, habits logged, two and a half to three and a half days after it was known full */
	readonly threeDaysError: number;
	readonly width: number;
	readonly honestDoubted: number;
	/** share of lying gauges flagged by their fourth wrong reading */
	readonly flagged: number | undefined;
	/** share of moments at which the liar moves a level by more than a tenth of its tank */
	readonly moved: number | undefined;
}

const median = (values: readonly number[]): number => {
	const sorted = [...values].sort((a, b) => a - b);
	return sorted[Math.floor(sorted.length / 2)] ?? Number.NaN;
};
const deviation = (values: readonly number[]): number => {
	const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
	return Math.sqrt(
		values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / Math.max(1, values.length - 1)
	);
};
const share = (count: number, of: number): number => (of === 0 ? 0 : count / of);

interface Sums {
	/** share inside, trip by trip */
	trips: number[];
	byTank: Map<string, number[]>;
	inside: number;
	moments: number;
	width: number;
	fresh: number[];
	waste: number[];
	later: number[];
	doubted: number;
	honest: number;
	flagged: number;
	liars: number;
	moved: number;
	lieMoments: number;
}

/** Levels at rising moments of one logbook, each entry replayed once, or once more when its way of writing shows. */
export function levelsOver(logbook: Logbook): (atMs: number) => Levels {
	const rig = logbook.rigs[0]!;
	const entries = inOrder(logbook.entries);
	const replays = new Map<number, Replay>();
	return (atMs) => {
		const known = entries.filter(({ at }) => instantMs(at) <= atMs);
		const model = modelOf(rig, logbook.trips, known);
		const replay =
			replays.get(model.size) ??
			new Replay(modelOf(rig, logbook.trips, entries, { inBatches: model.unenteredRow.size > 0 }));
		replays.set(model.size, replay);
		return readLevels(replay.to(known, atMs));
	};
}

function scoreCase(one: Case, sums: Sums): void {
	const { logbook, rig } = one;
	const [insideBefore, momentsBefore] = [sums.inside, sums.moments];
	const levels = levelsOver(logbook);
	for (const { atMs, litres } of one.truths) {
		const { tanks } = levels(atMs);
		for (const tank of tanks) {
			const truth = litres.get(tank.id) ?? 0;
			const size = usableOf(rig.tanks.find(({ id }) => id === tank.id) ?? rig.tanks[0]!);
			sums.moments++;
			const own = sums.byTank.get(tank.id) ?? [0, 0, 0, 0];
			sums.byTank.set(tank.id, own);
			const where = truth < tank.low - 1e-9 ? 1 : truth > tank.high + 1e-9 ? 2 : 0;
			own[where] = (own[where] ?? 0) + 1;
			own[3] = (own[3] ?? 0) + 1;
			if (where === 0) sums.inside++;
			sums.width += (tank.high - tank.low) / size;
			const error = Math.abs(tank.litres - truth) / size;
			(tank.id === 'fresh' ? sums.fresh : sums.waste).push(error);
			const full = one.fulls.findLast((ms) => ms < atMs);
			if (tank.id === 'fresh' && full !== undefined && Math.abs((atMs - full) / DAY_MS - 3) < 0.5)
				sums.later.push(error);
		}
	}
	sums.trips.push(share(sums.inside - insideBefore, sums.moments - momentsBefore));
	const end = Date.parse(logbook.exportedAt);
	const doubts = new Set(readLevels(estimate(logbook, 'rig', end)).doubts.map(({ entry }) => entry));
	sums.honest += one.honest.length;
	sums.doubted += one.honest.filter((id) => doubts.has(id)).length;
	if (one.lies.length < 4) return;
	sums.liars++;
	const fourth = logbook.entries.find(({ id }) => id === one.lies[3]);
	const then = new Set(
		readLevels(estimate(logbook, 'rig', Date.parse(fourth?.at ?? ''))).doubts.map(({ entry }) => entry)
	);
	if (one.lies.some((id) => then.has(id))) sums.flagged++;
	const liar = `gauge-${one.liar}`;
	const without = {
		...logbook,
		entries: logbook.entries.filter((e) => e.kind !== 'reading' || e.instrument !== liar)
	};
	const begins = Date.parse(logbook.entries.find(({ id }) => id === one.lies[0])?.at ?? '');
	const both = [levelsOver(logbook), levelsOver(without)];
	for (const { atMs } of one.truths.filter((truth) => truth.atMs > begins)) {
		const [a, b] = both.map((at) => at(atMs).tanks);
		a?.forEach((tank, i) => {
			sums.lieMoments++;
			if (Math.abs(tank.litres - (b?.[i]?.litres ?? 0)) > 0.1 * tank.usableL) sums.moved++;
		});
	}
}

/**
 * What nobody could do better: the median error of the fresh tank, as a share of it, for one who knows the level at
 * each meter reading exactly, and the crew's true litres a day and waking hours, but not when they draw them.
 */
export function floorOf(manner: Manner, cases: number, firstSeed = 1): number {
	const errors: number[] = [];
	for (let i = 0; i < cases; i++) {
		const { logbook, rig, truths, drawn, litresADay } = drawCase(firstSeed + i, manner);
		const looks = logbook.entries
			.filter(({ kind }) => kind === 'reading' || kind === 'fill')
			.map(({ at }) => instantMs(at));
		for (const { atMs } of truths) {
			const sinceMs = looks.findLast((ms) => ms <= atMs) ?? atMs;
			const used = drawn
				.filter((one) => one.atMs > sinceMs && one.atMs <= atMs)
				.reduce((sum, { litres }) => sum + litres, 0);
			errors.push(Math.abs(used - litresADay * wakingDays(sinceMs, atMs)) / usableOf(rig.tanks[0]!));
		}
	}
	return median(errors);
}

/** Scores a class of logbooks over some seeds. */
export function score(manner: Manner, cases: number, firstSeed = 1): Scores {
	const sums: Sums = {
		trips: [],
		byTank: new Map(),
		inside: 0,
		moments: 0,
		width: 0,
		fresh: [],
		waste: [],
		later: [],
		doubted: 0,
		honest: 0,
		flagged: 0,
		liars: 0,
		moved: 0,
		lieMoments: 0
	};
	for (let i = 0; i < cases; i++) scoreCase(drawCase(firstSeed + i, manner), sums);
	return {
		name: manner.name,
		cases,
		moments: sums.moments,
		coverage: share(sums.inside, sums.moments),
		coverageSe: deviation(sums.trips) / Math.sqrt(cases),
		byTank: new Map(
			[...sums.byTank].map(([id, [inside = 0, below = 0, above = 0, all = 1]]) => [
				id,
				[inside / all, below / all, above / all] as const
			])
		),
		freshError: median(sums.fresh),
		wasteError: median(sums.waste),
		threeDaysError: median(sums.later),
		width: share(sums.width, sums.moments),
		honestDoubted: share(sums.doubted, sums.honest),
		flagged: sums.liars > 0 ? share(sums.flagged, sums.liars) : undefined,
		moved: sums.lieMoments > 0 ? share(sums.moved, sums.lieMoments) : undefined
	};
}
