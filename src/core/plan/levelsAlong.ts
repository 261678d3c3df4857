import { meanOf, quantileOf } from '../numerics/index.js';
import { cumulativeAt } from '../forecast/index.js';
import { levelOf } from '../estimate/index.js';
import { instantMs } from '../logbook/index.js';
import { tankById, usableOf } from '../rig/index.js';
import { followTank } from './optimum/index.js';
import type { Worked } from './plan.js';

/** A level at a moment of a plan, litres: what is expected, and a band that holds nine in ten. */
export interface LevelAlong {
	readonly ms: number;
	readonly low: number;
	readonly litres: number;
	readonly high: number;
}

/** One tank's way through the trip; where it is served two levels stand at one moment. */
export interface TankAlong {
	readonly tank: string;
	/** what serves of it, jugs that feed it included, and where it binds */
	readonly usableL: number;
	readonly limitL: number;
	readonly levels: readonly LevelAlong[];
}

/** What is in one tank at moments of a plan: by moment, after the services of that moment. */
function* within(
	{ problem, stretches, found }: Worked,
	index: number,
	moments: readonly number[]
): Generator<{ readonly ms: number; readonly litres: Float64Array; readonly before: boolean }> {
	const { course, endMs } = problem;
	const tank = problem.tanks[index];
	if (!tank) return;
	const most = tank.falls ? tank.served : tank.usable;
	const stages = [...followTank(problem, stretches, found, index)];
	const timeOf = (node: number | undefined): number => tank.nodeMs[node ?? -1] ?? endMs;
	for (const [i, { node, levels }] of stages.entries()) {
		const begins = timeOf(node);
		const ends = timeOf(stages[i + 1]?.node);
		const last = i === stages.length - 1;
		const inside = moments.filter((ms) => ms > begins && (ms < ends || (last && ms <= ends)));
		const origin = tank.come[node] as Float64Array;
		for (const ms of [begins, ...inside, ...(last ? [] : [ends])]) {
			const now = cumulativeAt(course, tank.lane, ms);
			const litres = levels.map((litres, path) =>
				Math.min(
					Math.max(litres + (now[path] as number) - (origin[path] as number), 0),
					Math.max(most[path] as number, 0)
				)
			);
			yield { ms, litres, before: !last && ms === ends };
		}
	}
}

/** The way of every tank of a plan, at some moments and at each of its services. */
export const levelsAlong = (worked: Worked, moments: readonly number[]): readonly TankAlong[] =>
	worked.problem.tanks.map((tank, index) => {
		const most = tank.falls ? tank.servedL : meanOf(tank.usable);
		return {
			tank: tank.tank.id,
			usableL: most,
			limitL: tank.limitL,
			levels: [...within(worked, index, moments)].map(({ ms, litres }) => {
				const sorted = litres.slice().sort();
				return {
					ms,
					low: quantileOf(sorted, 0.05),
					litres: meanOf(litres),
					high: quantileOf(sorted, 0.95)
				};
			})
		};
	});

/** What is expected in each tank at a stop of a plan, litres by tank id. */
export interface LevelsAtStop {
	readonly stop: string;
	/** when one leaves it, ms; now, where one should have left */
	readonly departMs: number;
	readonly onArrival: ReadonlyMap<string, number>;
	/** after the services taken there */
	readonly onDeparture: ReadonlyMap<string, number>;
}

/** What is aboard at each stop still ahead, by a plan. Of water that is shared with jugs the tank holds what it can, they the rest. */
export function levelsAtStops(worked: Worked): readonly LevelsAtStop[] {
	const { problem } = worked;
	const { estimate, trip, fromMs } = problem;
	const { rig } = estimate.model;
	const stops = trip.stops.filter(({ depart }) => instantMs(depart) >= fromMs);
	const times = stops.map(({ arrive, depart }) => ({
		arriveMs: Math.max(instantMs(arrive), fromMs),
		departMs: Math.max(instantMs(depart), fromMs)
	}));
	const moments = times.flatMap(({ arriveMs, departMs }) => [arriveMs, departMs]);
	const all = problem.tanks.map((tank, index) => ({
		members: [tank.tank.id, ...tank.feeders].flatMap((id) => tankById(rig, id) ?? []),
		levels: [...within(worked, index, moments)].map((one) => ({ ...one, meanL: meanOf(one.litres) }))
	}));
	const carried = new Map(rig.tanks.map(({ id }) => [id, levelOf(estimate, id).mean]));
	const at = (ms: number, arriving: boolean): ReadonlyMap<string, number> => {
		const litres = new Map(carried);
		for (const { members, levels } of all) {
			const here = levels.filter((level) => level.ms === ms);
			const level =
				(arriving ? here.find(({ before }) => before) : here.findLast(({ before }) => !before)) ?? here[0];
			if (!level) continue;
			let left = level.meanL;
			for (const tank of members) {
				const held = Math.min(left, tank.holds === 'fresh' ? usableOf(tank) : Infinity);
				litres.set(tank.id, held);
				left -= held;
			}
		}
		return litres;
	};
	return stops.map(({ id }, i) => {
		const { arriveMs = fromMs, departMs = fromMs } = times[i] ?? {};
		return { stop: id, departMs, onArrival: at(arriveMs, true), onDeparture: at(departMs, false) };
	});
}
