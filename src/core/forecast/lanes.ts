import { gainOf, unloggedGain, type DayAhead } from '../habits/index.js';
import { usableOfTank, type Estimate } from '../estimate/index.js';
import { neverBinds } from '../rig/index.js';

/** A tank as the paths see it. */
export interface Lane {
	readonly id: string;
	readonly pool: number;
	readonly share: number;
	/** what serves of it, and the litres short of that (waste) or above nothing (fresh) at which it binds */
	readonly usableL: number;
	readonly reserveL: number;
	/** a carried supply never binds */
	readonly binds: boolean;
	readonly falls: boolean;
}

export function lanesOf(estimate: Estimate): readonly Lane[] {
	const { rig, places } = estimate.model;
	return rig.tanks.map((tank) => ({
		id: tank.id,
		pool: places.get(tank.id)?.pool.index ?? 0,
		share: places.get(tank.id)?.share ?? 1,
		usableL: usableOfTank(estimate, tank.id).mean,
		reserveL: tank.reserveL,
		binds: !neverBinds(rig, tank),
		falls: tank.holds === 'fresh'
	}));
}

/**
 * What a day does to the lanes, gathered by direction: uses that go the same way (the same litres to each lane for a
 * litre drawn) scatter as one.
 */
export interface Ways {
	readonly count: number;
	/** by way, then by lane: litres for one litre drawn */
	readonly perLitre: Float64Array;
	readonly ofHabit: Int32Array;
	readonly ofStream: Int32Array;
	/** what comes beside the litres, for those habits that have it */
	readonly beside: readonly { readonly habit: number; readonly lane: number; readonly litres: number }[];
}

export function waysOf(estimate: Estimate, day: DayAhead, lanes: readonly Lane[]): Ways {
	const known = new Map<string, number>();
	const vectors: (readonly number[])[] = [];
	const wayOf = (vector: readonly number[]): number => {
		const key = vector.map((value) => value.toFixed(9)).join('|');
		const before = known.get(key);
		if (before !== undefined) return before;
		known.set(key, vectors.length);
		return vectors.push(vector) - 1;
	};
	const gains = day.habits.map(({ flow }) => lanes.map(({ id }) => gainOf(estimate, flow, id)));
	const ofHabit = Int32Array.from(gains.map((amounts) => wayOf(amounts.map(({ perLitre }) => perLitre))));
	const ofStream = Int32Array.from(
		day.unlogged.map((stream) => wayOf(lanes.map(({ id }) => unloggedGain(estimate, stream, id))))
	);
	return {
		count: vectors.length,
		perLitre: Float64Array.from(vectors.flat()),
		ofHabit,
		ofStream,
		beside: gains.flatMap((amounts, habit) =>
			amounts.flatMap(({ fixed }, lane) => (fixed === 0 ? [] : [{ habit, lane, litres: fixed }]))
		)
	};
}
